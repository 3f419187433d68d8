import { describe, expect, it } from 'vitest'
import { findFood } from '../food/catalogue'
import { plan } from '../program/plan'
import { cautionText } from '../../locales/sentences'
import CAUTIONS from '../../locales/en/cautions.json'
import {
  cautionsFor,
  dishCautions,
  isRefused,
  mayBoilDry,
  mealCautions,
  runCautions,
  type CautionId,
  type PlanFacts,
} from './rules'

type FoodFacts = PlanFacts['foods'][number]
const soak = { hours: 9, waterC: 18, keepWater: false }
const food = (id: string, change: Partial<FoodFacts> = {}): FoodFacts => ({
  food: findFood(id)!,
  soak,
  inTin: false,
  acid: false,
  salted: false,
  gets: 100,
  getsLow: 95,
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
  mayLosePressure: false,
  surplusG: 0,
  overG: 0,
  dryGrainG: 0,
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
    [
      'vegetables that grain cooks very soft',
      facts([food('cabbage', { soak: null, gets: 60, max: 30 }), food('basmati-white', { gets: 20, max: 95 })]),
      'very-soft',
      'note',
    ],
    ['more than a food stands', facts([food('cabbage', { soak: null, gets: 60, max: 30 })]), 'overcooked', 'warn'],
    ['sour things with pulses', facts([food('navy-bean', { acid: true })]), 'acid-early', 'note'],
    ['too little water', facts([food('basmati-white')], { becomes: 'dry', shortG: 90 }), 'too-dry', 'warn'],
    ['salt in the water', facts([food('toor-split', { salted: true })]), 'salt-once', 'note'],
    ['too much liquid', facts([food('toor-split')], { surplusG: 300 }), 'too-wet', 'warn'],
    ['water around grain', facts([food('basmati-white')], { overG: 60, dryGrainG: 200 }), 'wet-grain', 'note'],
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
    runCautions({
      foods: [],
      heatIsOff: false,
      overdue: { after: 'lit', minutes, leastWaterG, untilThereG: 200 },
      spareEndG: 300,
    })

  it('is asked about first, and a danger before the water can be gone', () => {
    expect(silent(7.4, 500)).toMatchObject([{ id: 'overdue', severity: 'warn', params: { minutes: 7 } }])
    expect(silent(30, 199.4)).toMatchObject([{ id: 'overdue-dry', params: { g: 199 } }])
    expect(silent(60, -20)).toMatchObject([{ id: 'overdue-dry', params: { g: 0 } }])
    expect([200, 199].map((leastWaterG) => mayBoilDry({ leastWaterG, untilThereG: 200 }))).toEqual([false, true])
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
      runCautions({ foods: [{ ...one, centreC }], heatIsOff, spareEndG: 100 }).map(({ id }) => id)
    expect(run(70, true)).toEqual(['meat-raw'])
    expect(run(70, false)).toEqual([])
    expect(run(90, true)).toEqual([])
  })
})

describe('a limit', () => {
  const beans = (change: Partial<FoodFacts>) => [kidney(change)]
  const tin = { food: findFood('basmati-white')!, fullShare: 0.6, limitShare: 0.6, thickerByMm: 0, material: 'steel' }
  const inTins = (change: Partial<typeof tin>, baseReachesMm = 0) => ({
    tins: { faults: [], baseReachesMm, filled: [{ ...tin, ...change }] },
  })
  // What is still right, what is no more, and what is then said of it.
  it.each<[CautionId, string, still: PlanFacts, beyond: PlanFacts, 'refuse' | 'warn' | 'note']>([
    [
      'too-little-liquid',
      'a gram of rounding under the least',
      facts([kidney()], { liquidG: 199 }),
      facts([kidney()], { liquidG: 198.9 }),
      'refuse',
    ],
    ['lectin-not-done', 'just what it needs', facts(beans({ gets: 90 })), facts(beans({ gets: 89.9 })), 'refuse'],
    [
      'lectin-soak',
      'five hours',
      facts(beans({ soak: { ...soak, hours: 5 } })),
      facts(beans({ soak: { ...soak, hours: 4.9 } })),
      'warn',
    ],
    [
      'lectin-hot-soak',
      'a short soak at 40 °C',
      facts(beans({ soak: { ...soak, hours: 1, waterC: 40 } })),
      facts(beans({ soak: { ...soak, hours: 1, waterC: 41 } })),
      'warn',
    ],
    [
      'lectin-boil-altitude',
      '600 m up',
      facts([kidney()], { appliance: { kind: 'open' }, release: null, altitudeM: 600 }),
      facts([kidney()], { appliance: { kind: 'open' }, release: null, altitudeM: 601 }),
      'warn',
    ],
    [
      'warm-soak',
      'four hours in a warm room',
      facts(beans({ soak: { hours: 4, waterC: 30, keepWater: false } }), { roomC: 30 }),
      facts(beans({ soak: { hours: 4.1, waterC: 30, keepWater: false } }), { roomC: 30 }),
      'warn',
    ],
    [
      'warm-soak',
      'a night at 25 °C',
      facts(beans({ soak: { hours: 9, waterC: 40, keepWater: false } }), { roomC: 25 }),
      facts(beans({ soak: { hours: 9, waterC: 40, keepWater: false } }), { roomC: 26 }),
      'warn',
    ],
    ['overcooked', 'all that it stands', facts(beans({ gets: 300 })), facts(beans({ gets: 300.1 })), 'warn'],
    [
      'too-wet',
      'as wet as anybody sees',
      facts([kidney()], { surplusG: 9 }),
      facts([kidney()], { surplusG: 10 }),
      'warn',
    ],
    [
      'meat-raw',
      '74 °C',
      facts([food('chicken-breast', { soak: null, centreC: 74 })]),
      facts([food('chicken-breast', { soak: null, centreC: 73.9 })]),
      'refuse',
    ],
    ['tin-too-full', 'as full as it may be', facts([], inTins({})), facts([], inTins({ fullShare: 0.61 })), 'refuse'],
    [
      'piece-too-thick',
      'a piece that just fits',
      facts([], inTins({})),
      facts([], inTins({ thickerByMm: 0.5 })),
      'refuse',
    ],
    ['base-reaches-tin', 'a base up to the tin', facts([], inTins({})), facts([], inTins({}, 0.5)), 'warn'],
    ['tin-material', 'steel', facts([], inTins({})), facts([], inTins({ material: 'plastic' })), 'warn'],
  ])('%s: %s is right, a little beyond is not', (id, _, still, beyond, severity) => {
    expect(severityOf(still, id)).toBeUndefined()
    expect(severityOf(beyond, id)).toBe(severity)
  })

  it('of the soak holds for water that is kept only while there is a soak', () => {
    const kept = (hours: number) => facts(beans({ soak: { ...soak, hours, keepWater: true } }))
    expect(severityOf(kept(0), 'lectin-soak-water')).toBeUndefined()
    expect(severityOf(kept(0.5), 'lectin-soak-water')).toBe('warn')
    expect(severityOf(facts(beans({ soak: { ...soak, hours: 0, waterC: 90 } })), 'lectin-hot-soak')).toBeUndefined()
  })

  it('of an egg is the cook’s to pass, of meat not', () => {
    const at = (id: string) => severityOf(facts([food(id, { soak: null, centreC: 70 })]), 'meat-raw')
    expect(at('egg')).toBe('warn')
    expect(at('chicken-breast')).toBe('refuse')
    expect(at('potato-cubes')).toBeUndefined()
  })

  it('says by how much it was passed', () => {
    const said = (plan: PlanFacts, id: CautionId) => cautionsFor(plan).find((one) => one.id === id)!.params
    expect(said(facts([kidney()], { liquidG: 120.4 }), 'too-little-liquid')).toEqual({ grams: 120, minimum: 200 })
    expect(said(facts([], inTins({ fullShare: 0.84 })), 'tin-too-full')).toMatchObject({ percent: 84, limit: 60 })
    expect(said(facts([], inTins({ thickerByMm: 2.1 })), 'piece-too-thick')).toMatchObject({ by: 3 })
    expect(said(facts([], inTins({}, 4.2)), 'base-reaches-tin')).toEqual({ by: 5 })
    expect(said(facts([kidney()], { becomes: 'dry', shortG: 42.4 }), 'too-dry')).toEqual({ grams: 42 })
    expect(said(facts([food('chicken-breast', { soak: null, centreC: 70.9 })]), 'meat-raw')).toEqual({
      food: 'chicken-breast',
      temp: 70,
      least: 74,
    })
  })

  it.each(['dry', 'scorches'] as const)('of dryness is passed where it comes out so: %s', (becomes) => {
    expect(severityOf(facts([kidney()], { becomes }), 'too-dry')).toBe('warn')
    expect(severityOf(facts([kidney()], { becomes: 'thick' }), 'too-dry')).toBeUndefined()
  })
})

describe('a dish', () => {
  const served = (id: string, change: Partial<Parameters<typeof dishCautions>[0]['foods'][number]> = {}) => ({
    food: findFood(id)!,
    gets: 100,
    firm: 60,
    centreC: null,
    soak,
    inClosing: false,
    ...change,
  })
  const of = (change: Partial<Parameters<typeof dishCautions>[0]>) =>
    dishCautions({
      foods: [],
      altitudeM: 0,
      stages: [],
      saltShare: 0.008,
      saltRange: [0.005, 0.011],
      warmsRice: false,
      chills: false,
      keepsWarm: false,
      ...change,
    })
  const said = (change: Partial<Parameters<typeof dishCautions>[0]>) =>
    of(change).map(({ id, severity }) => `${severity} ${id}`)

  it('is minded for nothing where all is done', () => {
    expect(said({ foods: [served('kidney-red'), served('toor-split'), served('egg')] })).toEqual([])
  })

  it('refuses meat that nothing has heated, or whose middle was never hot enough', () => {
    expect(said({ foods: [served('chicken-breast')] })).toEqual(['refuse meat-never-cooked'])
    expect(said({ foods: [served('chicken-breast', { centreC: 40, gets: 0 })] })).toEqual(['refuse meat-raw'])
    expect(said({ foods: [served('chicken-breast', { centreC: 75, gets: 0 })] })).toEqual([])
  })

  it('refuses beans with lectin that are short of firm, and warns of others', () => {
    expect(said({ foods: [served('kidney-red', { gets: 60 })] })).toEqual([])
    expect(said({ foods: [served('kidney-red', { gets: 59.9 })] })).toEqual(['refuse lectin-not-done'])
    expect(said({ foods: [served('toor-split', { gets: 59.9 })] })).toEqual(['warn never-cooked'])
  })

  it('says how beans that were only simmered are to be soaked; of others their pot has said it', () => {
    const raw = { soak: null }
    expect(said({ foods: [served('kidney-red', raw)] })).toEqual(['warn lectin-soak'])
    expect(said({ foods: [served('kidney-red', { ...raw, inClosing: true })] })).toEqual([])
    expect(said({ foods: [served('kidney-red', { ...raw, gets: 10 })], altitudeM: 1450 })).toEqual([
      'refuse lectin-not-done',
      'warn lectin-boil-altitude',
      'warn lectin-soak',
    ])
  })

  it('minds rice that is warmed once more', () => {
    expect(said({ warmsRice: true })).toEqual(['warn rice-again'])
  })

  it('minds much salt, what is put away, and what its stages said, each once and the gravest first', () => {
    expect(of({ saltShare: 0.0142 })).toEqual([{ id: 'much-salt', severity: 'note', params: { percent: '1.4' } }])
    expect(said({ saltShare: 0.011 })).toEqual([])
    const rice = { id: 'cool-rice', severity: 'note', params: {} } as const
    const one = { id: 'overcooked', severity: 'warn', params: { food: 'egg' } } as const
    const other = { ...one, params: { food: 'toor-split' } }
    expect(of({ stages: [rice, one, other, one, rice], chills: true })).toEqual([
      one,
      other,
      { id: 'cool-in-time', severity: 'warn', params: {} },
      rice,
    ])
  })

  it('of a dinner is minded with the others, without what is only noted', () => {
    const warn = { id: 'overcooked', severity: 'warn', params: { food: 'egg' } } as const
    const note = { id: 'cool-rice', severity: 'note', params: {} } as const
    const refuse = { id: 'too-full', severity: 'refuse', params: { level: '3.0', limit: '2.5' } } as const
    expect(
      mealCautions([
        { cautions: [note, warn], ahead: false },
        { cautions: [warn, refuse], ahead: true },
        { cautions: [], ahead: true },
      ]),
    ).toEqual([refuse, warn, { id: 'cool-in-time', severity: 'warn', params: {} }])
  })
})

describe('a pot that cooks', () => {
  const cooking = (change: Partial<Parameters<typeof runCautions>[0]>) =>
    runCautions({ foods: [], heatIsOff: false, spareEndG: 300, ...change }).map(
      ({ id, severity }) => `${severity} ${id}`,
    )
  const bean = { food: findFood('kidney-red')!, gets: 50, needs: 60 }

  it('may run dry while the heat is on, which is said once', () => {
    expect(cooking({ spareEndG: 0 })).toEqual(['warn runs-dry'])
    expect(cooking({ spareEndG: 0.1 })).toEqual([])
    expect(cooking({ spareEndG: -5, heatIsOff: true })).toEqual([])
    expect(
      cooking({ spareEndG: -5, overdue: { after: 'lit', minutes: 4, leastWaterG: 900, untilThereG: 200 } }),
    ).toEqual(['warn overdue'])
  })

  it('is asked about when overdue, and a danger below 200 g of water', () => {
    expect(cooking({ overdue: { after: 'lit', minutes: 4, leastWaterG: 200, untilThereG: 200 } })).toEqual([
      'warn overdue',
    ])
    expect(cooking({ overdue: { after: 'lit', minutes: 4, leastWaterG: 199, untilThereG: 200 } })).toEqual([
      'warn overdue-dry',
    ])
    expect(
      runCautions({
        foods: [],
        heatIsOff: false,
        spareEndG: 9,
        overdue: { after: 'lit', minutes: 4.4, leastWaterG: -20, untilThereG: 200 },
      }),
    ).toEqual([{ id: 'overdue-dry', severity: 'warn', params: { g: 0 } }])
  })

  it('is asked about in other words once whistles were heard', () => {
    const overdue = { after: 'whistle' as const, minutes: 6, leastWaterG: 500, untilThereG: 200 }
    expect(cooking({ overdue })).toEqual(['warn silent'])
  })

  it('holds beans with lectin to the low side of what they had', () => {
    const had = (gets: number, getsLow: number, still = 0) =>
      cooking({ foods: [{ ...bean, gets, getsLow, still }], heatIsOff: true })
    expect(had(90, 58)).toEqual([])
    expect(had(90, 56)).toEqual(['warn lectin-unsure'])
    expect(had(50, 40)).toEqual(['refuse lectin-not-done'])
    expect(had(50, 40, 30)).toEqual(['warn lectin-not-yet'])
    expect(cooking({ foods: [{ ...bean, gets: 90 }], heatIsOff: true, hadPressure: false })).toEqual([
      'warn lectin-unsure',
    ])
  })

  it('is judged by what its food has had once the heat is off, and not before', () => {
    expect(cooking({ foods: [bean] })).toEqual([])
    expect(cooking({ foods: [bean], heatIsOff: true })).toEqual(['refuse lectin-not-done'])
    expect(cooking({ foods: [{ ...bean, still: 5 }], heatIsOff: true })).toEqual(['warn lectin-not-yet'])
    expect(cooking({ foods: [{ ...bean, gets: 60 }], heatIsOff: true })).toEqual([])
    expect(cooking({ foods: [{ ...bean, food: findFood('toor-split')! }], heatIsOff: true })).toEqual([])
  })

  it('has meat in it that is looked at only in the last closing, where its middle is known', () => {
    const meat = { food: findFood('chicken-breast')!, gets: 50, needs: 40 }
    expect(cooking({ foods: [{ ...meat, centreC: 70 }], heatIsOff: true })).toEqual(['refuse meat-raw'])
    expect(cooking({ foods: [{ ...meat, centreC: 70, still: 3 }], heatIsOff: true })).toEqual([])
    expect(cooking({ foods: [{ ...meat, centreC: 70 }] })).toEqual([])
    expect(cooking({ foods: [meat], heatIsOff: true })).toEqual([])
  })
})
