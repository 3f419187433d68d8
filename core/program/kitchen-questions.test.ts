import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { CATALOGUE } from '../food/catalogue'
import { COOKERS, stylesFor } from '../appliance/appliance'
import { isRefused } from '../safety/rules'
import { equivalents } from './equivalents'
import { plan } from './plan'
import { ratiosByBatch } from './ratios'
import { nextClosing, tooThick, tooThin } from './remedy'
import type { Content, PlanRequest } from './request.schema'
import { soakCosts } from './soak-cost'
import { styleOf } from './styles'
import { together } from './together'

// What cooks ask once there is a plan: in another pot, unsoaked, with my ratio, not done, all together.

const soak = { hours: 10, waterC: 22, keepWater: false }
const food = (id: string, dryG: number, change: Partial<Content> = {}): Content => ({
  food: id,
  dryG,
  soak: null,
  where: 'base',
  ...change,
})
const request = (contents: Content[], change: Partial<PlanRequest> = {}): PlanRequest => ({
  kitchen: { altitudeM: 0, roomC: 22, tapC: 20 },
  cooker: 'whistling-5l-aluminium',
  burner: 'strong',
  contents,
  liquids: [],
  freeLiquid: 'spoonable',
  style: { kind: 'first-whistle-then-low' },
  release: 'auto',
  ...change,
})
const beans = request([food('navy-bean', 300, { soak })])
function value<T>(outcome: { ok: true; value: T } | { ok: false; problems: { code: string }[] }): T {
  if (!outcome.ok) throw new Error(outcome.problems.map(({ code }) => code).join(' '))
  return outcome.value
}

describe('every cooker in every style', () => {
  const cases = Object.entries(COOKERS).flatMap(([id, cooker]) => stylesFor(cooker).map((kind) => [id, kind] as const))
  it.each(cases)('%s cooks by %s what it can', (cooker, kind) => {
    const pulses = cooker.includes('3l') || cooker.includes('rice') || cooker.includes('bowl') ? 80 : 200
    const contents =
      kind === 'rice-cooker' || kind === 'basket' ? [food('long-white', pulses)] : [food('moong-split', pulses)]
    const answer = value(plan(request(contents, { cooker, style: styleOf(kind, { flame: 'low' }) })))
    const closing = answer.closings[0]!
    for (const { gets, needs } of answer.foods) expect(gets).toBeGreaterThanOrEqual(needs)
    expect(closing.water.lines.reduce((sum, line) => sum + line.g, 0)).toBe(closing.water.pourG)
    expect(closing.range.low).toBeLessThanOrEqual(closing.range.figure)
    expect(closing.range.high).toBeGreaterThanOrEqual(closing.range.figure)
    expect(closing.clock.openAtMinute).toBeGreaterThanOrEqual(closing.clock.heatOffAtMinute)
    expect(answer.energyKJ).toBeGreaterThan(100)
  })

  it('plans every food of the catalogue', () => {
    for (const { id, cupG } of CATALOGUE) {
      const outcome = plan(request([food(id, cupG ? 150 : 400)], { freeLiquid: 'thick' }), { range: false })
      expect(outcome.ok, id).toBe(true)
    }
  })

  it('answers for all cookers of a kitchen at once, and refuses lectin beans where they would not be safe', () => {
    const cookers = ['whistling-5l-aluminium', 'electric-6l', 'rice-1.8l', 'slow-6l', 'open-5l'].map((id) => ({
      id,
      cooker: COOKERS[id]!,
    }))
    const found = equivalents(request([food('kidney-red', 200, { soak })]), cookers)
    expect(new Set(found.map(({ id }) => id)).size).toBe(5)
    for (const { id, outcome } of found)
      expect(isRefused(value(outcome).cautions), id).toBe(id === 'rice-1.8l' || id === 'slow-6l')
  })

  it('runs a measured program as often as it takes, and says when it is not enough', () => {
    const { appliance, body } = COOKERS['electric-6l']!
    const profile = [
      { minute: 10, tempC: 104 },
      { minute: 20, tempC: 104 },
      { minute: 30, tempC: 100 },
    ]
    const cooker = { appliance, body, fixedPrograms: [{ id: 'grain', name: 'Grain', profile, steamG: 30 }] }
    const fixed = (contents: Content[]) => value(plan(request(contents, { cooker, style: { kind: 'fixed' } })))
    expect(fixed([food('basmati-white', 200)]).closings[0]!.program.fixedProgram).toEqual({
      id: 'grain',
      name: 'Grain',
      times: 1,
    })
    expect(fixed([food('black-eyed', 200, { soak })]).closings[0]!.program.fixedProgram!.times).toBeGreaterThan(1)
    const short = fixed([food('soybean', 200)])
    expect(short.cautions.map(({ id }) => id)).toContain('program-short')
    const kidney = fixed([food('kidney-red', 200)])
    expect(isRefused(kidney.cautions)).toBe(kidney.foods[0]!.gets < kidney.foods[0]!.needs)
  })

  it('takes less heat from a flame wider than the pot', () => {
    const heatUp = (diameterMm: number) => {
      const burner = { diameterMm, flameW: { high: 2600, medium: 1600, low: 800, simmer: 460 } }
      return value(plan(request([food('moong-split', 150)], { burner, cooker: 'whistling-3l-steel' }))).closings[0]!
        .clock.pressureAtMinute!
    }
    expect(heatUp(150)).toBeGreaterThan(heatUp(120))
    const narrow = { diameterMm: 90, flameW: { high: 2600, medium: 1600, low: 800, simmer: 460 } }
    const answer = value(plan({ ...beans, burner: narrow }))
    expect(answer.closings[0]!.case.program[0]).toEqual({ kind: 'whistles', heatW: 1300, untilWhistles: 1 })
  })

  it('lets more steam go without the lid', () => {
    const open = (lid: boolean) =>
      value(plan(request([food('moong-split', 200)], { cooker: 'open-5l', style: { kind: 'open', lid } })))
    expect(open(false).steamLostG).toBeGreaterThan(1.3 * open(true).steamLostG)
  })
})

describe('a household’s own figures', () => {
  const own = {
    ...CATALOGUE.find(({ id }) => id === 'navy-bean')!,
    boilMinutes: { firm: 90, tender: 120, soft: 180, max: 360 },
  }

  it('override the catalogue, and name new foods', () => {
    const before = value(plan(beans)).closings[0]!.range.figure
    expect(value(plan({ ...beans, foods: [own] })).closings[0]!.range.figure).toBeGreaterThan(before)
    const mine = request([food('grandmother-beans', 300, { soak })], {
      foods: [{ ...own, id: 'grandmother-beans', name: 'Grandmother’s beans' }],
    })
    expect(value(plan(mine)).foods[0]!.food).toBe('grandmother-beans')
  })
})

describe('forgot to soak', () => {
  it('costs time and water, and is never a refusal', () => {
    const costs = soakCosts(beans, 0)
    const minutes = costs.map(({ outcome }) => value(outcome).readyAtMinute)
    const [none, hotHour, , overnight] = minutes as [number, number, number, number]
    expect(none).toBeGreaterThan(hotHour)
    expect(none).toBeGreaterThan(overnight)
    for (const { outcome } of costs) expect(isRefused(value(outcome).cautions)).toBe(false)
  })
})

describe('the common ratios', () => {
  it('fail where the balance holds: the same ratio is dry for little and wet for much', () => {
    const rows = value(
      ratiosByBatch(request([food('basmati-white', 150)], { style: { kind: 'whistles', flame: 'medium' } })),
    )
    expect(rows.map(({ times }) => times)).toEqual([0.5, 1, 2, 4])
    const ratios = rows.map(({ ratioByVolume }) => ratioByVolume!)
    expect(ratios).toEqual([...ratios].sort((a, b) => b - a))
    const fate = (row: number, times: number) =>
      rows[row]!.folk.find(({ rule }) => rule.id === 'per-volume' && rule.times === times)!.fate
    expect(fate(0, 1)).toBe('scorches')
    expect(fate(3, 2)).not.toBe('separate')
    // A finger is a height: the more of it, the less water a gram gets.
    const finger = rows.map(({ folk, dryG }) => folk.find(({ rule }) => rule.id === 'finger')!.pourG / dryG)
    expect(finger).toEqual([...finger].sort((a, b) => b - a))
  })

  it('make soaked rice soft with two cups a cup, since grain drinks what is there', () => {
    const soaked = food('basmati-white', 190, { soak: { hours: 0.5, waterC: 25, keepWater: false } })
    const rows = value(
      ratiosByBatch(
        request([soaked], { cooker: 'whistling-3l-aluminium', style: { kind: 'whistles', heatUp: 'high' } }),
      ),
    )
    const fates = Object.fromEntries(
      rows
        .find(({ times }) => times === 1)!
        .folk.map(({ rule, fate }) => [rule.id === 'finger' ? 'finger' : rule.times, fate]),
    )
    expect(fates[2]).toBe('soft')
    expect(fates[1]).not.toBe('scorches')
  })

  it('know what a rice cooker makes of the line in its own bowl', () => {
    const white = request([food('long-white', 310)], { cooker: 'rice-1l', style: { kind: 'rice-cooker' } })
    const { pourG } = value(plan(white)).closings[0]!.planned
    const fate = (times: number) => value(plan({ ...white, given: [{ pourG: pourG * times }] })).becomes
    expect([fate(0.95), fate(1), fate(1.1)].every((one) => one === 'separate' || one === 'soft')).toBe(true)
    const rows = value(ratiosByBatch(white))
    expect(
      rows.map(({ folk }) => folk.find(({ rule }) => rule.id === 'per-volume' && rule.times === 1)!.fate),
    ).not.toContain('scorches')
  })

  it('leave out batches that no pot holds', () => {
    expect(value(ratiosByBatch(request([food('basmati-white', 900)]))).map(({ times }) => times)).not.toContain(4)
  })
})

describe('not done', () => {
  const state = { tempC: 95, freeWaterG: 400 }
  it('needs less the further it is', () => {
    const figure = (got: number) => value(nextClosing(beans, { ...state, gets: [got] })).figure
    expect(figure(20)).toBeGreaterThan(figure(50))
    expect(figure(70)).toBeLessThanOrEqual(1)
  })

  it('believes the pinch before the plan', () => {
    const { gets } = value(plan(beans)).foods[0]!
    const firm = value(nextClosing(beans, { ...state, gets: [gets], pinch: ['firm'] }))
    const hard = value(nextClosing(beans, { ...state, gets: [gets], pinch: ['hard'] }))
    expect(hard.figure).toBeGreaterThan(firm.figure)
    expect(firm.minutes).toBeGreaterThan(3)
  })

  it('asks for boiling water where the base would run dry', () => {
    expect(value(nextClosing(beans, { tempC: 60, freeWaterG: 20, gets: [20] })).addWaterG).toBeGreaterThanOrEqual(180)
    expect(value(nextClosing(beans, { ...state, gets: [60] })).addWaterG).toBe(0)
  })

  it.each([
    { tempC: NaN, freeWaterG: 100, gets: [1] },
    { tempC: 90, freeWaterG: -5, gets: [1] },
    { tempC: 90, freeWaterG: 100, gets: [] },
    { tempC: 90, freeWaterG: 100, gets: [Infinity] },
  ])('answers a state that cannot be with a sentence: %o', (bad) => {
    expect(nextClosing(beans, bad)).toMatchObject({ ok: false })
  })
})

describe('too thin, too thick', () => {
  it('boils down faster on a stronger flame, and never on one that only warms', () => {
    const { high, medium, low } = value(tooThin(beans, 200))
    expect(high!).toBeLessThan(medium!)
    expect(medium!).toBeLessThan(low!)
    const weak = { ...beans, burner: { high: 900, medium: 500, low: 150, simmer: 100 } }
    expect(value(tooThin(weak, 200)).simmer).toBeNull()
    expect(tooThin(beans, -1).ok).toBe(false)
  })

  it('adds what the consistency lacks', () => {
    expect(value(tooThick(beans, 'thick', 'pourable'))).toBe(750)
    expect(value(tooThick(beans, 'soup', 'thick'))).toBe(0)
  })
})

describe('several foods in one pot', () => {
  it('go in together when their windows meet', () => {
    const both = value(together(request([food('kidney-red', 120, { soak }), food('chickpea-white', 120, { soak })])))
    expect(both.kind).toBe('one-go')
  })

  it('keeps back what the beans would ruin, and counts the second phase for the beans', () => {
    const { kind, closings, foods } = value(
      together(request([food('navy-bean', 200, { soak }), food('squash-cubes', 300)])),
    )
    expect(kind).toBe('in-phases')
    expect(closings.map(({ adds }) => adds)).toEqual([[0], [1]])
    for (const { gets, needs, max } of foods) {
      expect(gets).toBeGreaterThanOrEqual(needs * 0.999)
      expect(gets).toBeLessThanOrEqual(max)
    }
    expect(closings[0]!.range.figure).toBeLessThan(value(plan(beans, { range: false })).closings[0]!.range.figure + 1)
  })

  it('takes three phases where two are not enough, and holds sour things back', () => {
    const sour = food('hominy-dried', 120, { additions: ['acid'] })
    const { kind, closings, foods, lateAdditions } = value(
      together(request([sour, food('potato-whole', 250), food('cauliflower', 150)])),
    )
    expect(kind).toBe('in-phases')
    expect(closings.map(({ adds }) => adds)).toEqual([[0], [1], [2]])
    for (const { gets, max } of foods) expect(gets).toBeLessThanOrEqual(max)
    expect(lateAdditions).toEqual([{ index: 0, addition: 'acid' }])
  })

  it('never answers with a food that is short', () => {
    const hard = fc.constantFrom('chickpea-white', 'soybean', 'hominy-dried', 'black-eyed', 'toor-split')
    const tender = fc.constantFrom('carrot-chunks', 'potato-cubes', 'cabbage', 'green-beans', 'moong-split')
    fc.assert(
      fc.property(hard, tender, fc.integer({ min: 80, max: 200 }), (one, other, dryG) => {
        const outcome = together(request([food(one, dryG, { soak }), food(other, dryG)]))
        if (!outcome.ok) return
        for (const { gets, needs } of outcome.value.foods) expect(gets).toBeGreaterThanOrEqual(needs * 0.995)
      }),
      { numRuns: 25 },
    )
  })
})

describe('what soaking costs', () => {
  it('throws the water out, whatever was done before: of some beans it must not be eaten', () => {
    const kept = { hours: 9, waterC: 18, keepWater: true }
    const costs = soakCosts(request([{ food: 'kidney-red', dryG: 200, soak: kept, where: 'base' }]), 0)
    for (const { soak } of costs) if (soak) expect(soak.keepWater).toBe(false)
    expect(costs.some(({ soak }) => soak === null)).toBe(true)
  })
})

describe('a style that is chosen by its name', () => {
  it('comes with what is usual: the lid on, high until the first whistle, the pressure high', () => {
    expect(styleOf('open')).toEqual({ kind: 'open', lid: true })
    expect(styleOf('whistles')).toEqual({ kind: 'whistles', heatUp: 'high' })
    expect(styleOf('clock')).toEqual({ kind: 'clock', flame: 'medium' })
    expect(styleOf('electric')).toMatchObject({ kind: 'electric', level: 'high' })
  })
})
