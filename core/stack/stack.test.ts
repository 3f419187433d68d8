import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { COOKERS } from '../appliance/appliance'
import { findFood } from '../food/catalogue'
import { stackFaults, tierHeightMm, usableHeightMm } from '../pot/stacking'
import { isRefused } from '../safety/rules'
import type { OwnedTin, StackAsk, StackFood } from './ask'
import { repairStack } from './repair'
import { bestCandidate, bruteForce } from '../../tests/trials/stack'
import { findStacks, type StackAnswer } from './search'
import { compare, outsideOf, type Candidate } from './weigh'
import { unsaidOf } from '../../tests/whole'

const tin = (id: string, diameterMm: number, heightMm: number, lid = true): OwnedTin => ({
  id,
  diameterMm,
  heightMm,
  volumeMl: Math.round((0.92 * Math.PI * (diameterMm / 2) ** 2 * heightMm) / 1000),
  lid,
  material: 'steel',
})
const TINS = [tin('wide', 190, 40, false), tin('middle', 180, 40), tin('small', 170, 40), tin('tall', 130, 75, false)]
const food = (id: string, dryG: number, change: Partial<StackFood> = {}): StackFood => ({
  food: id,
  dryG,
  soak: null,
  soakMayChange: true,
  lock: 'any',
  ...change,
})
const ask = (foods: StackFood[], change: Partial<StackAsk> = {}): StackAsk => ({
  kitchen: { altitudeM: 1450, roomC: 20, tapC: 18 },
  cooker: COOKERS['electric-6l']!,
  burner: 'strong',
  style: { kind: 'electric', level: 'high' },
  release: 'auto',
  liquids: [],
  freeLiquid: 'thick',
  foods,
  tins: TINS,
  ...change,
})
const candidate = (outside: number, minutes: number, lifts: number): Candidate => ({
  arrangement: {} as Candidate['arrangement'],
  soaks: [],
  outside,
  minutes,
  lifts,
})

describe('of two arrangements', () => {
  it('the one inside the windows comes first, then the quicker, then the one with less to lift', () => {
    const inOrder = [
      candidate(0, 20, 1),
      candidate(0, 20, 3),
      candidate(0, 25, 0),
      candidate(0.1, 5, 0),
      candidate(0.3, 1, 0),
    ]
    for (const [i, better] of inOrder.entries())
      for (const worse of inOrder.slice(i + 1)) {
        expect(compare(better, worse)).toBeLessThan(0)
        expect(compare(worse, better)).toBeGreaterThan(0)
      }
    expect(compare(inOrder[0]!, { ...inOrder[0]! })).toBe(0)
  })
})

describe('how far outside its window a food is', () => {
  it.each([
    [10, 0],
    [20, 0],
    [15, 0],
    [5, Math.log(2)],
    [9.9, Math.log(10 / 9.9)],
    [40, Math.log(2)],
    [20.1, Math.log(20.1 / 20)],
    // What got nothing at all is far off, but not endlessly.
    [0, 10],
  ])('with %d boil-minutes of 10 to 20: %d', (got, outside) =>
    expect(outsideOf({ needs: 10, max: 20 }, got)).toBeCloseTo(outside, 9),
  )
})

const SUNDAY = [food('red-rice', 140), food('toor-split', 130), food('beetroot-whole', 400)]
const found = (asked: StackAsk) => {
  const outcome = findStacks(asked)
  if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
  return outcome.value
}

/** What must hold of every answer, whatever was asked. */
function expectSound({ arrangement, request, plan, lifts }: StackAnswer, asked: StackAsk) {
  const body = COOKERS['electric-6l']!.body
  // Water that a search soaks in is thrown out: of some beans it must not be eaten.
  request.contents.forEach(({ soak }, i) => {
    if (soak && asked.foods[i]!.soakMayChange) expect(soak.keepWater).toBe(false)
  })
  const { base, tiers, trivetMm } = arrangement
  const placed = [...(base === null ? [] : [base]), ...tiers.flat().map((one) => one.food)]
  expect([...placed].sort()).toEqual(asked.foods.map((_, i) => i))
  const tins = tiers.flat().map((one) => one.tin.id)
  expect(new Set(tins).size).toBe(tins.length)
  expect(lifts).toBe(tins.length)
  const standing = tiers.map((tier) =>
    tier.map((one) => ({ ...one.tin, cover: one.covered ? ('foil' as const) : ('none' as const) })),
  )
  expect(stackFaults(body, trivetMm, standing)).toEqual([])
  const height = trivetMm + standing.reduce((sum, tier) => sum + tierHeightMm(tier), 0)
  expect(height).toBeLessThanOrEqual(usableHeightMm(body))
  expect(isRefused(plan.cautions)).toBe(false)
  expect(plan.cautions.map(({ id }) => id)).not.toContain('base-reaches-tin')
  for (const { gets, needs, window } of plan.foods) {
    expect(gets).toBeGreaterThanOrEqual(needs)
    expect(gets).toBeLessThanOrEqual(window.max)
  }
  expect(request.contents.map((content) => content.food)).toEqual(asked.foods.map((one) => one.food))
}

describe('what stands in a pot', () => {
  const body = COOKERS['whistling-5l-aluminium']!.body
  const ids = (...args: Parameters<typeof stackFaults>) => stackFaults(...args).map(({ id }) => id)
  it('must leave steam a way round, reach no lid, stand on something and keep drips out', () => {
    const low = { diameterMm: 180, heightMm: 40, cover: 'lid' as const }
    expect(ids(body, 25, [[low]])).toEqual([])
    expect(ids(body, 25, [[{ ...low, diameterMm: 201 }]])).toEqual(['tin-too-wide'])
    expect(ids(body, 25, [[low], [low], [low]])).toEqual(['stack-too-high'])
    expect(ids(body, 12, [[{ ...low, diameterMm: 120 }], [low]])).toEqual(['tier-tips'])
    expect(ids(body, 12, [[{ ...low, cover: 'none' }], [low]])).toEqual(['uncovered-below'])
    const narrow = { ...low, diameterMm: 90 }
    expect(ids(body, 25, [[narrow, narrow]])).toEqual([])
    expect(ids(body, 25, [[{ ...narrow, diameterMm: 101 }, narrow]])).toEqual(['tin-too-wide'])
  })
})

describe('a tin', () => {
  it('takes only pieces that are no thicker than it is high', () => {
    const beets = (mm: number) =>
      found(
        ask([food('red-rice', 100), food('beetroot-whole', 200, { lock: { tinId: 'wide' } })], {
          tins: [
            { id: 'wide', diameterMm: 180, heightMm: mm, volumeMl: 900, lid: true, material: 'steel' },
            { id: 'other', diameterMm: 180, heightMm: 40, volumeMl: 840, lid: true, material: 'steel' },
          ],
        }),
      ).answers.length
    const thick = findFood('beetroot-whole')!.sizeMm
    expect(beets(thick)).toBeGreaterThan(0)
    expect(beets(thick - 1)).toBe(0)
  })
})

describe('the search', () => {
  it('does three foods in one go, and says in which tins', () => {
    const { answers, nearest } = found(ask(SUNDAY))
    expect(answers.length).toBeGreaterThan(1)
    expect(nearest).toBeNull()
    for (const answer of answers) expectSound(answer, ask(SUNDAY))
    expect(answers.map(({ minutes }) => minutes)).toEqual(
      [...answers.map(({ minutes }) => minutes)].sort((a, b) => a - b),
    )
  })

  it('keeps what is locked', () => {
    const locked = [food('red-rice', 100, { lock: 'top' }), food('toor-split', 120, { lock: { tinId: 'wide' } })]
    const { answers } = found(ask(locked))
    expect(answers.length).toBeGreaterThan(0)
    for (const { arrangement } of answers) {
      expect(arrangement.tiers.at(-1)!.map((one) => one.food)).toContain(0)
      expect(arrangement.tiers.flat().find((one) => one.food === 1)!.tin.id).toBe('wide')
    }
  })

  const kitchens = fc.record({
    tins: fc.array(
      fc.record({
        diameterMm: fc.integer({ min: 90, max: 210 }),
        heightMm: fc.integer({ min: 30, max: 80 }),
        lid: fc.boolean(),
      }),
      { minLength: 1, maxLength: 4 },
    ),
    foods: fc.uniqueArray(
      fc.constantFrom(
        'red-rice',
        'toor-split',
        'black-eyed',
        'moong-split',
        'potato-cubes',
        'brown-long',
        'kidney-red',
      ),
      { minLength: 1, maxLength: 3 },
    ),
    grams: fc.integer({ min: 60, max: 180 }),
  })
  const askOf = ({ tins, foods, grams }: { tins: Partial<OwnedTin>[]; foods: string[]; grams: number }) =>
    ask(
      foods.map((id) => food(id, grams)),
      { tins: tins.map(({ diameterMm, heightMm, lid }, i) => tin(`t${i}`, diameterMm!, heightMm!, lid)) },
    )

  it('breaks no rule of geometry or safety, whatever the kitchen', () => {
    fc.assert(
      fc.property(kitchens, (kitchen) => {
        const asked = askOf(kitchen)
        const outcome = findStacks(asked)
        if (!outcome.ok) return
        for (const answer of outcome.value.answers) expectSound(answer, asked)
      }),
      { numRuns: 40 },
    )
  })

  it('finds what trying everything finds', () => {
    fc.assert(
      fc.property(kitchens, (kitchen) => {
        const asked = askOf(kitchen)
        const best = bestCandidate(asked)
        const [all] = bruteForce(asked)
        expect(best === null).toBe(all === undefined)
        if (!best || !all) return
        expect([best.outside, best.minutes, best.lifts]).toEqual([all.outside, all.minutes, all.lifts])
      }),
      { numRuns: 40 },
    )
  })

  it('is never worse off for another tin', () => {
    fc.assert(
      fc.property(kitchens, fc.integer({ min: 90, max: 200 }), (kitchen, diameterMm) => {
        const asked = askOf(kitchen)
        const without = findStacks(asked)
        const more = findStacks({ ...asked, tins: [...asked.tins, tin('more', diameterMm, 40)] })
        if (!without.ok || !more.ok || without.value.answers.length === 0) return
        expect(more.value.answers[0]!.minutes).toBeLessThanOrEqual(without.value.answers[0]!.minutes + 1e-9)
      }),
      { numRuns: 25 },
    )
  })
})

describe('what cannot be asked', () => {
  it.each([
    ['twelve foods', ask(Array.from({ length: 12 }, () => food('red-rice', 60))), 'too-many-foods'],
    ['nine tins', ask(SUNDAY, { tins: Array.from({ length: 9 }, (_, i) => tin(`t${i}`, 150, 40)) }), 'too-many-tins'],
    ['no tins', ask(SUNDAY, { tins: [] }), 'no-tins'],
    [
      'a rice cooker',
      ask(SUNDAY, { cooker: COOKERS['rice-1.8l']!, style: { kind: 'rice-cooker' } }),
      'style-not-for-stack',
    ],
    ['no amount', ask([food('red-rice', Number.NaN)]), 'not-a-number'],
    ['gravel', ask([food('gravel', 100)]), 'unknown-food'],
  ])('%s', (_, asked, code) => {
    const outcome = findStacks(asked)
    expect(outcome.ok ? 'answered' : outcome.problems[0]!.code).toBe(code)
    if (!outcome.ok) expect(outcome.problems.flatMap(unsaidOf)).toEqual([])
  })

  it('one food needs no tin', () => {
    expect(found(ask([food('toor-split', 150)], { tins: [] })).answers).toHaveLength(1)
  })
})

describe('when nothing fits', () => {
  const repair = (asked: StackAsk) => {
    const result = found(asked)
    expect(result.answers).toEqual([])
    return repairStack(asked, result)
  }
  it('asks for a tin where none holds it', () => {
    expect(repair(ask([food('red-rice', 120), food('toor-split', 120)], { tins: [tin('cup', 60, 30)] }))).toMatchObject(
      {
        id: 'tin',
      },
    )
  })

  it('gives up a lock that stands in the way', () => {
    const locked = [food('beetroot-whole', 300, { lock: { tinId: 'small' } }), food('red-rice', 120)]
    expect(repair(ask(locked))).toEqual({ id: 'unlock', food: 0 })
  })

  it('says what to soak when only that is missing', () => {
    const dry = { soakMayChange: false }
    const asked = ask([food('black-eyed', 150, dry), food('potato-cubes', 250, dry)])
    const result = found(asked)
    // Whether it already goes or not, soaking is never refused as a way.
    if (result.answers.length === 0) expect(repairStack(asked, result)?.id).toMatch(/soak|phases|halve-pieces/)
    else expect(result.answers[0]!.minutes).toBeGreaterThan(0)
  })

  it('sends a food that is done long before the other in at a later closing', () => {
    const soaked = { soak: { hours: 10, waterC: 18, keepWater: false }, soakMayChange: false }
    const far = ask([food('chickpea-white', 150, soaked), food('cauliflower', 150, { soakMayChange: false })])
    const repaired = repair(far)
    expect(repaired).toMatchObject({ id: 'phases', joins: [0, 1] })
    expect(repaired?.id === 'phases' && repaired.closings).toHaveLength(2)
  })

  it('says where a food is too much for its tin, and that two kidney beans want their soak', () => {
    const much = [food('red-rice', 400, { lock: { tinId: 'small' } }), food('toor-split', 100)]
    expect(repair(ask(much))).toEqual({ id: 'unlock', food: 0 })
    const dry = { soakMayChange: false }
    const { answers, nearest } = found(ask([food('kidney-red', 90, dry), food('cannellini', 90, dry)]))
    const cautions = (answers[0] ?? nearest)!.plan.cautions
    expect(cautions.filter(({ id }) => id === 'lectin-soak')).toHaveLength(2)
  })

  it('never lets beans with lectin go unsoaked to make things fit', () => {
    const { answers } = found(ask([food('kidney-red', 150), food('basmati-white', 120)]))
    for (const { request } of answers) expect(request.contents[0]!.soak!.hours).toBeGreaterThanOrEqual(5)
  })
})
