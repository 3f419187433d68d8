import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { CATALOGUE, findFood } from './catalogue'
import { needOf } from './need'
import { heldAfterDraining, soakedAsAdvised, soakedShare, soakUptake } from './soak'
import { boilMinutesFor, texturesOf, uptakeFor, usualTexture } from './texture'

const kidney = findFood('kidney-red')!
const basmati = findFood('basmati-white')!
const soakable = fc.constantFrom(...CATALOGUE.filter(({ soak }) => soak !== null))

describe('the catalogue', () => {
  it('names every food once and keeps every window in order', () => {
    expect(new Set(CATALOGUE.map(({ id }) => id)).size).toBe(CATALOGUE.length)
    for (const {
      boilMinutes: { firm, tender, soft, max },
    } of CATALOGUE)
      expect([firm, tender, soft, max]).toEqual([firm, tender, soft, max].sort((a, b) => a - b))
  })

  it('has no food of an inherited property name', () => {
    expect(findFood('constructor')).toBeUndefined()
  })
})

describe('soaking', () => {
  const water = (hours: number, waterC = 20) => ({ hours, waterC, keepWater: false })

  it('is half done after the half time at 25 °C', () => {
    expect(soakedShare(kidney, water(2.4, 25), 25)).toBeCloseTo(0.5, 3)
  })

  it('goes further with time and warmth, and never past all', () => {
    fc.assert(
      fc.property(
        soakable,
        fc.double({ min: 0.1, max: 40, noNaN: true }),
        fc.double({ min: 0.1, max: 20, noNaN: true }),
        (food, hours, more) => {
          const share = soakedShare(food, water(hours), 20)
          expect(soakedShare(food, water(hours + more), 20)).toBeGreaterThan(share)
          expect(soakedShare(food, water(hours, 80), 20)).toBeGreaterThan(share)
          expect(share).toBeLessThan(1)
        },
      ),
    )
  })

  it('goes slowly in the fridge, which stays cold', () => {
    expect(soakedShare(kidney, water(8, 5), 28)).toBeLessThan(soakedShare(kidney, water(8, 28), 28))
  })

  it('brings nothing when there was none', () => {
    expect(soakedShare(kidney, null, 20)).toBe(0)
    expect(heldAfterDraining(kidney, 0)).toBe(0)
    expect(soakUptake(findFood('egg')!, 0.5)).toBe(0)
  })
})

describe('what a food needs', () => {
  it('falls with the soak and never rises', () => {
    fc.assert(
      fc.property(
        soakable,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (food, a, b) => {
          const need = (soaked: number) =>
            needOf(food, usualTexture(food), { soakedShare: soaked, batch: 'fresh', additions: [] }).boilMinutes
          expect(need(Math.max(a, b))).toBeLessThanOrEqual(need(Math.min(a, b)))
        },
      ),
    )
  })

  it('is the catalogue figure times every line that it shows', () => {
    const need = needOf(kidney, 'tender', {
      soakedShare: 0.6,
      batch: 'old',
      additions: ['acid', 'soda', 'salted-soak', 'hard-water', 'sugar'],
    })
    expect(need.factors.map(({ id }) => id)).toEqual([
      'dry',
      'old-batch',
      'hard-water',
      'acid',
      'soda',
      'sugar',
      'salted-soak',
    ])
    const times = need.factors.reduce((product, factor) => product * factor.times, 1)
    expect(need.boilMinutes).toBeCloseTo(kidney.boilMinutes.tender * times, 9)
    expect(need.window.max / kidney.boilMinutes.max).toBeCloseTo(times, 9)
  })

  it('gains nothing by salt in a soak that there was none of', () => {
    const need = (share: number) =>
      needOf(kidney, 'tender', { soakedShare: share, batch: 'fresh', additions: ['salted-soak'] }).factors.map(
        ({ id }) => id,
      )
    expect(need(0)).not.toContain('salted-soak')
    expect(need(0.01)).toContain('salted-soak')
  })

  it('does not blame acid or hard water for rice', () => {
    const need = needOf(basmati, 'separate', { soakedShare: 0, batch: 'fresh', additions: ['acid', 'hard-water'] })
    expect(need.factors.map(({ id }) => id)).toEqual(['dry'])
  })
})

describe('an hour hot', () => {
  it('does about as much as a night in cold water, as cooks take it', () => {
    for (const food of CATALOGUE.filter(({ soak }) => soak !== null && soak.adviceHours[0] >= 6)) {
      const share = (hours: number, waterC: number) => soakedShare(food, { hours, waterC, keepWater: false }, 20)
      expect(Math.abs(share(1, 95) - share(8, 20)), food.id).toBeLessThan(0.04)
      expect(share(1, 95), food.id).toBeLessThan(share(12, 20))
    }
  })
})

describe('how far a soak has come', () => {
  it('is all the way after a night for what is soaked overnight, and only then', () => {
    for (const food of CATALOGUE.filter(({ soak }) => soak !== null && soak.adviceHours[0] >= 6)) {
      const after = (hours: number) =>
        soakedAsAdvised(food, soakedShare(food, { hours, waterC: 25, keepWater: false }, 25))
      expect([after(0), after(12)], food.id).toEqual([0, 1])
      expect(after(3), food.id).toBeGreaterThan(0.5)
      expect(after(3), food.id).toBeLessThan(0.9)
    }
  })
})

describe('textures', () => {
  it('give rice that clings by itself the weight that it has in a bowl', () => {
    const cooked = (id: string) => {
      const food = CATALOGUE.find((one) => one.id === id)!
      return 1 + uptakeFor(food, usualTexture(food))
    }
    // A go of rice, 150 g, comes to some 340 to 380 g; sticky rice to about twice its weight.
    expect(cooked('short-white')).toBeGreaterThan(2.2)
    expect(cooked('short-white')).toBeLessThan(2.6)
    expect(cooked('glutinous')).toBeGreaterThan(1.8)
    expect(cooked('glutinous')).toBeLessThan(2.2)
  })

  it('ask for more cooking or more water, one after the other', () => {
    for (const food of CATALOGUE) {
      const textures = texturesOf(food)
      expect(textures).toContain(usualTexture(food))
      for (let i = 1; i < textures.length; i++) {
        const [less, more] = [textures[i - 1]!, textures[i]!]
        expect(boilMinutesFor(food, more)).toBeGreaterThanOrEqual(boilMinutesFor(food, less))
        expect(uptakeFor(food, more)).toBeGreaterThanOrEqual(uptakeFor(food, less))
        expect(boilMinutesFor(food, more)).toBeLessThanOrEqual(food.boilMinutes.max)
      }
    }
  })
})
