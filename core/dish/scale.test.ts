import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { beansWithSquash, line, requestFor, stage } from '../../tests/dishes'
import { COOKERS } from '../appliance/appliance'
import { answerDish } from './dish'
import type { Dish, DishRequest } from './dish.schema'
import { forgotten } from './instead'
import { keepingOf } from './keep'
import { fits, floorsReached, scaled, waysToFit } from './scale'

const SEVEN = COOKERS['whistling-7l-steel']!
const BIG = { ...SEVEN, body: { ...SEVEN.body, capacityL: 12, innerDiameterMm: 280, innerHeightMm: 220 } }

const value = <T>(outcome: { ok: true; value: T } | { ok: false; problems: unknown[] }): T => {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
  return outcome.value
}
const dishOf = (servings: number, request: DishRequest = requestFor(beansWithSquash())) =>
  value(scaled(request, servings))
const grams = ({ dish }: DishRequest, id: string) => dish.lines.find((one) => one.id === id)!.g!

describe('a dish for another number', () => {
  it('returns to what it was when it is scaled there and back', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 24 }), (servings) => {
        const back = dishOf(4, dishOf(servings))
        for (const { id, g } of beansWithSquash().lines)
          if (g !== null) expect(grams(back, id) / g, id).toBeCloseTo(1, 3)
        back.dish.stages.forEach((one, i) => {
          const was = beansWithSquash().stages[i]!
          if (was.waterG) expect(one.waterG! / was.waterG).toBeCloseTo(1, 6)
          if (was.minutes) expect(one.minutes! / was.minutes).toBeCloseTo(1, 6)
        })
      }),
      { numRuns: 24 },
    )
  })

  it('is as salty, less spiced and fried in less fat by the serving, and has its water solved anew', () => {
    const request = requestFor(beansWithSquash(), { pot: { cooker: BIG, burner: 'strong' } })
    request.dish.lines.push(line('cumin', 'cumin-seed', 6))
    request.dish.stages[1]!.takes.push({ line: 'cumin' })
    const twelve = dishOf(12, request)
    const [small, large] = [value(answerDish(request)), value(answerDish(twelve))]
    expect(large.saltShare).toBeCloseTo(small.saltShare, 5)
    expect(grams(twelve, 'beans')).toBeCloseTo(900, 6)
    expect(grams(twelve, 'cumin')).toBeCloseTo(6 * 3 ** 0.8, 6)
    expect(grams(twelve, 'oil')).toBeCloseTo(50 * 3 ** 0.7, 6)
    const poured = (of: typeof small) => of.stages.find(({ id }) => id === 'pot')!.liquid.pouredG
    expect(poured(large)).toBeLessThan(3 * poured(small) * 0.97)
    expect(large.handsMinutes).toBeLessThan(3 * small.handsMinutes * 0.75)
    const straight = value(scaled(request, 12, { spices: true, fat: true }))
    expect(grams(straight, 'cumin')).toBeCloseTo(18, 6)
    expect(grams(straight, 'oil')).toBeCloseTo(150, 6)
  })

  it('adds no water for what boils away by the minute', () => {
    const request = requestFor({
      name: 'Millet',
      servings: 2,
      lines: [line('millet', 'foxtail-millet', 100)],
      stages: [stage('simmer', 'simmer', { millet: 'rest' }, [], { waterG: 500, minutes: 15 })],
    })
    const boiled = value(answerDish(request)).stages[0]!.liquid.boiledG
    expect(boiled).toBeGreaterThan(10)
    expect(dishOf(6, request).dish.stages[0]!.waterG).toBeCloseTo(1500 - 2 * boiled, 6)
  })

  it('goes in batches or another cooker where it no longer fits', () => {
    const ten = dishOf(14)
    expect(fits(value(answerDish(ten)))).toBe(false)
    const ways = waysToFit(ten, { big: { cooker: BIG, burner: 'strong' } })
    expect(ways).toContainEqual({
      kind: 'cooker',
      cookerId: 'big',
      stage: 'pot',
      minutes: expect.any(Number) as number,
    })
    const batches = ways.find(({ kind }) => kind === 'batches')
    expect(batches).toMatchObject({ batches: expect.any(Number) as number })
    const each = dishOf(14 / (batches as { batches: number }).batches)
    expect(fits(value(answerDish(each)))).toBe(true)
    expect(waysToFit(requestFor(beansWithSquash()), {})).toEqual([])
  })

  it('ends in a plan for any number: batches at least, two cookers where there is another', () => {
    for (const servings of [10, 14, 20, 32]) {
      const request = dishOf(servings)
      const small = { small: { cooker: 'whistling-3l-aluminium', burner: 'strong' as const } }
      const ways = waysToFit(request, small)
      expect(ways.map(({ kind }) => kind)).toContain('batches')
      expect(ways.map(({ minutes }) => minutes)).toEqual(ways.map(({ minutes }) => minutes).sort((a, b) => a - b))
      for (const way of ways) {
        if (way.kind === 'batches') {
          expect(way.batches * way.servingsEach).toBeCloseTo(servings, 6)
          expect(fits(value(answerDish(dishOf(way.servingsEach))))).toBe(true)
        }
        if (way.kind !== 'two') continue
        const [own, beside] = way.servings
        expect(own + beside).toBe(servings)
        expect(fits(value(answerDish(dishOf(own))))).toBe(true)
        const there = dishOf(beside, requestFor(beansWithSquash(), { pot: small.small }))
        expect(fits(value(answerDish(there)))).toBe(true)
        // One more would be too many for the dish's own.
        expect(fits(value(answerDish(dishOf(own + 1))))).toBe(false)
      }
    }
    const ten = waysToFit(dishOf(10), { small: { cooker: 'whistling-3l-aluminium', burner: 'strong' } })
    expect(ten.map(({ kind }) => kind)).toContain('two')
  })

  it('offers no cooker in which the dish is refused', () => {
    const kidney = requestFor({
      name: 'Kidney beans',
      servings: 4,
      lines: [line('beans', 'kidney-red', 300)],
      stages: [stage('soak', 'soak', { beans: 'rest' }, [], { minutes: 600 }), stage('pot', 'pot', {}, ['soak'])],
    })
    const many = value(scaled(kidney, 20))
    const slow = { slow: { cooker: 'slow-6l' } }
    for (const style of ['whistles', 'slow'] as const) {
      const dish = {
        ...many.dish,
        stages: many.dish.stages.map((one) => (one.pot ? { ...one, pot: { ...one.pot, style } } : one)),
      }
      expect(waysToFit({ ...many, dish }, slow).filter(({ kind }) => kind !== 'batches')).toEqual([])
    }
  })

  it('says where the least water of a pot decides for few', () => {
    const request = requestFor(beansWithSquash())
    const was = value(answerDish(request))
    expect(floorsReached(was, was)).toEqual([])
    const one = value(answerDish(dishOf(0.5)))
    for (const { stage: id, leastG } of floorsReached(one, was)) {
      expect(id).toBe('pot')
      expect(leastG).toBeGreaterThan(0)
    }
    expect(floorsReached(one, was)).toHaveLength(1)
  })
})

describe('what was forgotten', () => {
  const request = requestFor(beansWithSquash())
  it.each([
    ['sage', 'rest', { how: 'simmer', minutes: 10 }],
    ['onion', 'simmer', { how: 'fry-apart', minutes: 9 }],
    ['salt', 'simmer', { how: 'stir-in', g: 17 }],
    ['lemon', 'simmer', { how: 'not-yet' }],
    ['tomato', 'rest', { how: 'simmer', minutes: 8 }],
    ['beans', 'rest', { how: 'cook-apart', minutes: expect.any(Number) as number }],
  ])('%s, seen at the %s', (id, at, expected) => {
    expect(forgotten(request, id, at)).toEqual(expected)
  })

  it('meat takes in a simmer just what cooks it through', () => {
    const dish = beansWithSquash()
    dish.lines.push(line('meat', 'chicken-thigh', 300))
    dish.stages[2]!.takes.push({ line: 'meat' })
    const still = forgotten(requestFor(dish), 'meat', 'rest')
    if (!('minutes' in still)) throw new Error(still.how)
    const simmered = (minutes: number) => {
      const stew: Dish = {
        name: 'Stew',
        servings: 2,
        lines: [line('meat', 'chicken-thigh', 300)],
        stages: [stage('simmer', 'simmer', { meat: 'rest' }, [], { minutes, waterG: 500 })],
      }
      const answer = answerDish(requestFor(stew))
      return answer.ok && answer.value.cautions.some(({ severity }) => severity === 'refuse')
    }
    expect(simmered(still.minutes)).toBe(false)
    expect(simmered(1)).toBe(true)
  })

  it('soda is too late once the pot is open', () => {
    const dish = beansWithSquash()
    dish.lines.push(line('soda', 'baking-soda', 1))
    dish.stages[2]!.takes.push({ line: 'soda' })
    expect(forgotten(requestFor(dish), 'soda', 'simmer')).toEqual({ how: 'too-late' })
  })
})

it('what is kept is told in portions, boxes and days; rice the fewest', () => {
  const kept = keepingOf(1719, false, 4)
  expect(kept).toMatchObject({ portions: 4, fridgeDays: 3, boxMl: 500 })
  expect(kept.portionG).toBeCloseTo(429.75)
  expect(keepingOf(500, true, 2).fridgeDays).toBe(1)
})
