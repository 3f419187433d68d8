import { describe, expect, it } from 'vitest'
import { findFood } from '../food/catalogue'
import { plan } from '../program/plan'
import { cautionText } from '../../locales/sentences'
import CAUTIONS from '../../locales/en/cautions.json'
import { cautionsFor, isRefused, mayBoilDry, runCautions, type CautionId, type PlanFacts } from './rules'

type FoodFacts = PlanFacts['foods'][number]
const soak = { hours: 9, waterC: 18, keepWater: false }
const food = (id: string, change: Partial<FoodFacts> = {}): FoodFacts => ({
  food: findFood(id)!,
  soak,
  inTin: false,
  acid: false,
  salted: false,
  gets: 100,
  needs: 90,
  max: 300,
  centreC: 95,
  ...change,
})
const facts = (foods: FoodFacts[], change: Partial<PlanFacts> = {}): PlanFacts => ({
  appliance: { kind: 'whistling' },
  bodyAssumed: false,
  altitudeM: 0,
  roomC: 20,
  release: { kind: 'natural' },
  fill: { beforeL: 1, afterL: 1.2, limitL: 2.5, capacityL: 5 },
  liquidG: 800,
  minimumLiquidG: 200,
  boils: true,
  surplusG: 0,
  becomes: 'spoonable',
  shortG: 0,
  tins: null,
  foods,
  ...change,
})
const severityOf = (plan: PlanFacts, id: CautionId) => cautionsFor(plan).find((caution) => caution.id === id)?.severity
const kidney = (change: Partial<FoodFacts> = {}) => food('kidney-red', change)

describe('filling', () => {
  const filled = (beforeL: number, afterL: number) =>
    facts([kidney()], { fill: { beforeL, afterL, limitL: 2.5, capacityL: 5 } })
  it.each([
    [1, 2.4, false],
    [2.5, 2.5, false],
    [2.6, 1, true],
    [1, 2.6, true],
  ])('of %d L before and %d L after is refused: %s', (beforeL, afterL, refused) => {
    expect(isRefused(cautionsFor(filled(beforeL, afterL)))).toBe(refused)
  })

  it('asks for the liquid that steam needs, under pressure only', () => {
    expect(severityOf(facts([kidney()], { liquidG: 120 }), 'too-little-liquid')).toBe('refuse')
    expect(
      severityOf(facts([kidney()], { liquidG: 120, appliance: { kind: 'open' } }), 'too-little-liquid'),
    ).toBeUndefined()
  })
})

describe('beans that carry lectin', () => {
  it.each(['slow', 'rice'] as const)('are refused in a %s cooker alone', (kind) => {
    expect(severityOf(facts([kidney()], { appliance: { kind }, release: null }), 'lectin-not-pressure')).toBe('refuse')
    expect(
      severityOf(facts([food('chickpea-white')], { appliance: { kind }, release: null }), 'lectin-not-pressure'),
    ).toBeUndefined()
  })

  it('are refused in a bowl that only warms, and not in one that boils', () => {
    const bowl = (boils: boolean) => facts([kidney()], { appliance: { kind: 'bowl' }, release: null, boils })
    expect(severityOf(bowl(false), 'lectin-not-pressure')).toBe('refuse')
    expect(severityOf(bowl(true), 'lectin-not-pressure')).toBeUndefined()
  })

  it('are refused where a pressure cooker is only kept warm and never boils', () => {
    expect(severityOf(facts([kidney()], { boils: false }), 'lectin-not-pressure')).toBe('refuse')
  })

  it('are refused half-cooked, even under pressure', () => {
    expect(severityOf(facts([kidney({ gets: 40, needs: 60 })]), 'lectin-not-done')).toBe('refuse')
    const short = facts([food('chickpea-white', { gets: 40, needs: 60 })])
    expect(severityOf(short, 'program-short')).toBe('warn')
    expect(cautionsFor(short).find(({ id }) => id === 'program-short')!.params).toEqual({ food: 'chickpea-white' })
  })

  it.each([
    ['no soak', null, 'lectin-soak'],
    ['four hours', { ...soak, hours: 4 }, 'lectin-soak'],
    ['a hot hour', { ...soak, hours: 1, waterC: 90 }, 'lectin-hot-soak'],
    ['kept water', { ...soak, keepWater: true }, 'lectin-soak-water'],
  ] as const)('are warned about with %s', (_, given, id) => {
    expect(severityOf(facts([kidney({ soak: given })]), id)).toBe('warn')
    expect(severityOf(facts([food('black-eyed', { soak: given })]), id)).toBeUndefined()
  })

  it('are sent to pressure where an open boil is cool', () => {
    const open = (altitudeM: number) => facts([kidney()], { appliance: { kind: 'open' }, release: null, altitudeM })
    expect(severityOf(open(1450), 'lectin-boil-altitude')).toBe('warn')
    expect(severityOf(open(200), 'lectin-boil-altitude')).toBeUndefined()
    expect(severityOf(facts([kidney()], { altitudeM: 1450 }), 'lectin-boil-altitude')).toBeUndefined()
  })
})

describe('foam and the valve', () => {
  const released = (id: string, afterMinutes: number, inTin = false) =>
    facts([food(id, { inTin })], { release: { kind: 'timed', afterMinutes } })
  it.each([
    ['toor-split', 0, 'refuse'],
    ['toor-split', 4, 'refuse'],
    ['toor-split', 5, undefined],
    ['basmati-white', 0, 'warn'],
    ['wheat-berries', 0, undefined],
  ] as const)('%s released after %d min: %s', (id, afterMinutes, severity) => {
    expect(severityOf(released(id, afterMinutes), 'quick-release-froth')).toBe(severity)
  })

  it('does not mind foam that stays in its tin', () => {
    expect(severityOf(released('toor-split', 0, true), 'quick-release-froth')).toBeUndefined()
  })
})

describe('what goes on around the pot', () => {
  it.each([
    [
      'a long warm soak',
      facts([food('navy-bean', { soak: { ...soak, waterC: 28 } })], { roomC: 31 }),
      'warm-soak',
      'warn',
    ],
    ['more than a food stands', facts([food('cabbage', { soak: null, gets: 60, max: 30 })]), 'overcooked', 'warn'],
    ['sour things with pulses', facts([food('navy-bean', { acid: true })]), 'acid-early', 'note'],
    ['too little water', facts([food('basmati-white')], { becomes: 'dry', shortG: 90 }), 'too-dry', 'warn'],
    ['salt in the water', facts([food('toor-split', { salted: true })]), 'salt-once', 'note'],
    ['too much liquid', facts([food('toor-split')], { surplusG: 300 }), 'too-wet', 'warn'],
    ['a pot of unknown size', facts([food('toor-split')], { bodyAssumed: true }), 'size-assumed', 'note'],
    ['meat', facts([food('chicken-thigh', { soak: null })]), 'meat-through', 'note'],
    ['meat that stays raw', facts([food('goat-bone', { soak: null, centreC: 73 })]), 'meat-raw', 'refuse'],
    ['eggs that stay soft', facts([food('egg', { soak: null, centreC: 70 })]), 'meat-raw', 'warn'],
    ['grain that is left over', facts([food('basmati-white')]), 'cool-rice', 'note'],
    ['keep-warm', facts([food('basmati-white')], { appliance: { kind: 'rice' }, release: null }), 'keep-hot', 'note'],
    ['any pot under pressure', facts([food('toor-split')]), 'wait-for-pressure', 'note'],
  ] as const)('%s is told of', (_, plan, id, severity) => {
    expect(severityOf(plan, id)).toBe(severity)
  })

  it('says nothing of the kind for plain chickpeas in an open pot', () => {
    expect(cautionsFor(facts([food('chickpea-white')], { appliance: { kind: 'open' }, release: null }))).toEqual([])
  })
})

describe('the sentences', () => {
  it('come gravest first and leave no place unfilled', () => {
    const worst = facts(
      [
        kidney({ soak: { hours: 8, waterC: 28, keepWater: true }, gets: 400, acid: true }),
        food('toor-split', { gets: 10 }),
      ],
      {
        fill: { beforeL: 3, afterL: 4, limitL: 2.5, capacityL: 5 },
        liquidG: 10,
        roomC: 32,
        release: { kind: 'quick' },
        surplusG: 5,
        bodyAssumed: true,
      },
    )
    const cautions = cautionsFor(worst)
    const order = ['refuse', 'warn', 'note']
    const ranks = cautions.map(({ severity }) => order.indexOf(severity))
    expect(ranks).toEqual([...ranks].sort())
    for (const caution of cautions) {
      const { sentence, why } = cautionText(caution)
      expect(sentence, caution.id).not.toMatch(/[{}]/)
      expect(why, caution.id).not.toMatch(/[{}]/)
    }
  })

  it('are one or two sentences each, with a reason', () => {
    for (const [id, { sentence, why }] of Object.entries(CAUTIONS)) {
      expect(sentence, id).toMatch(/\.$/)
      expect(why, id).toMatch(/\.$/)
      expect(sentence.split('. ').length, id).toBeLessThanOrEqual(2)
    }
  })
})

describe('what stands in tins', () => {
  const tin = { food: findFood('toor-split')!, fullShare: 0.5, limitShare: 0.6, thickerByMm: 0, material: 'steel' }
  const standing = (change: Partial<NonNullable<PlanFacts['tins']>>) =>
    facts([food('toor-split', { inTin: true })], { tins: { faults: [], baseReachesMm: 0, filled: [tin], ...change } })

  it('is only told to be lifted with tongs when all is well', () => {
    const found = cautionsFor(standing({})).map(({ id }) => id)
    expect(found).toContain('hot-tins')
    expect(isRefused(cautionsFor(standing({})))).toBe(false)
    expect(cautionsFor(facts([food('toor-split')])).map(({ id }) => id)).not.toContain('hot-tins')
  })

  it.each([
    ['too wide for steam to pass', { faults: [{ id: 'tin-too-wide', tier: 0, byMm: 4 }] }, 'tin-too-wide', 'refuse'],
    ['against the lid', { faults: [{ id: 'stack-too-high', tier: 1, byMm: 9 }] }, 'stack-too-high', 'refuse'],
    ['tipping', { faults: [{ id: 'tier-tips', tier: 1, byMm: 9 }] }, 'tier-tips', 'refuse'],
    ['uncovered below another', { faults: [{ id: 'uncovered-below', tier: 0, byMm: 0 }] }, 'uncovered-below', 'warn'],
    ['overfull', { filled: [{ ...tin, fullShare: 0.61 }] }, 'tin-too-full', 'refuse'],
    ['thicker than its tin', { filled: [{ ...tin, thickerByMm: 12 }] }, 'piece-too-thick', 'refuse'],
    ['in glass', { filled: [{ ...tin, material: 'glass' }] }, 'tin-material', 'warn'],
    ['in boiling base water', { baseReachesMm: 3 }, 'base-reaches-tin', 'warn'],
  ] as const)('%s: said, and refused where it is dangerous', (_, change, id, severity) => {
    expect(severityOf(standing(change as never), id)).toBe(severity)
  })
})

describe('the soak water of beans that carry lectin', () => {
  const kept = (hours: number) => kidney({ soak: { hours, waterC: 18, keepWater: true } })
  it('is warned of only where there is some', () => {
    expect(severityOf(facts([kept(9)]), 'lectin-soak-water')).toBe('warn')
    expect(severityOf(facts([kept(0)]), 'lectin-soak-water')).toBeUndefined()
  })
})

describe('a pot from which nothing came', () => {
  const silent = (minutes: number, leastWaterG: number) =>
    runCautions({ foods: [], heatIsOff: false, overdue: { minutes, leastWaterG }, waterEndG: 300 })

  it('is asked about first, and a danger before the water can be gone', () => {
    expect(silent(7.4, 500)).toMatchObject([{ id: 'overdue', severity: 'warn', params: { minutes: 7 } }])
    expect(silent(30, 199.4)).toMatchObject([{ id: 'overdue-dry', params: { g: 199 } }])
    expect(silent(60, -20)).toMatchObject([{ id: 'overdue-dry', params: { g: 0 } }])
    expect([mayBoilDry({ leastWaterG: 200 }), mayBoilDry({ leastWaterG: 199 })]).toEqual([false, true])
  })

  it('says it in whole sentences', () => {
    for (const caution of [...silent(7, 500), ...silent(30, 100)]) {
      const { sentence, why } = cautionText(caution)
      expect(sentence).toMatch(/\d/)
      expect(sentence + why).not.toMatch(/[{}]/)
    }
  })
})

describe('meat to its middle', () => {
  const chicken = (sizeMm: number, minutes: number) =>
    plan({
      kitchen: { altitudeM: 0, roomC: 20, tapC: 20 },
      cooker: 'open-3l',
      contents: [{ food: 'chicken-thigh', dryG: 600, soak: null, sizeMm, where: 'base' }],
      liquids: [{ kind: 'water', g: 600 }],
      style: { kind: 'open', lid: true },
      release: 'auto',
      given: [{ figure: minutes }],
    })
  const told = (outcome: ReturnType<typeof chicken>) => {
    if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
    const { foods, cautions } = outcome.value
    return { centreC: foods[0]!.centreC, doneness: foods[0]!.doneness, ids: cautions.map(({ id }) => id), cautions }
  }

  it('is simulated, not taken from the minutes: thick pieces are raw where thin ones are done', () => {
    const thin = told(chicken(20, 6))
    const thick = told(chicken(90, 6))
    expect(thin.centreC).toBeGreaterThan(thick.centreC)
    expect(thin.ids).not.toContain('meat-raw')
    expect(thick.ids).toContain('meat-raw')
    expect(thick.doneness).toBe('hard')
    expect(isRefused(thick.cautions)).toBe(true)
  })

  it('is called through once it has been at 74 °C', () => {
    const { centreC, ids } = told(chicken(90, 90))
    expect(centreC).toBeGreaterThan(74)
    expect(ids).toContain('meat-through')
    expect(ids).not.toContain('meat-raw')
  })

  it('is told at the stove too, once the heat is off', () => {
    const one = { food: findFood('goat-bone')!, gets: 90, needs: 80 }
    const run = (centreC: number, heatIsOff: boolean) =>
      runCautions({ foods: [{ ...one, centreC }], heatIsOff, waterEndG: 100 }).map(({ id }) => id)
    expect(run(70, true)).toEqual(['meat-raw'])
    expect(run(70, false)).toEqual([])
    expect(run(90, true)).toEqual([])
  })
})
