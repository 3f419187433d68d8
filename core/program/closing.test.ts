import { describe, expect, it } from 'vitest'
import { COOKERS } from '../appliance/appliance'
import type { FixedProgram } from '../appliance/kind'
import { findStacks } from '../stack/search'
import type { OwnedTin, StackAsk } from '../stack/ask'
import { broughtG } from '../water/sum'
import { instructionsOfPlan } from '../guide/plan'
import type { PlanAnswer } from './answer'
import { baseSets } from './closing'
import { plan } from './plan'
import { prepare } from './prepared'
import { closingFrom, type PotInRun } from './remedy'
import type { Content, PlanRequest } from './request.schema'
import { closingOf } from './sequence'

import { soakCosts } from './soak-cost'

const soak = { hours: 9, waterC: 20, keepWater: false }
const content = (food: string, change: Partial<Content> = {}): Content => ({
  food,
  dryG: 200,
  soak: null,
  where: 'base',
  ...change,
})
const request = (contents: Content[], change: Partial<PlanRequest> = {}): PlanRequest => ({
  kitchen: { altitudeM: 0, roomC: 20, tapC: 20 },
  cooker: 'whistling-5l-aluminium',
  burner: 'strong',
  contents,
  liquids: [],
  freeLiquid: 'spoonable',
  style: { kind: 'whistles', flame: 'medium' },
  release: 'auto',
  ...change,
})
function prepared(asked: PlanRequest) {
  const outcome = prepare(asked)
  if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
  return outcome.value
}

describe('a base that sets', () => {
  const sets = (contents: Content[], change: Partial<PlanRequest> = {}) =>
    baseSets(closingOf(prepared(request(contents, change)), 0, null, () => 0))

  it('is one with grain loose in it, alone or among others', () => {
    expect(sets([content('basmati-white')])).toBe(true)
    expect(sets([content('navy-bean'), content('basmati-white')])).toBe(true)
  })

  it('is none of pulses alone, of grain in a tin, and of a basket', () => {
    expect(sets([content('navy-bean')])).toBe(false)
    const tin = { diameterMm: 170, heightMm: 60, volumeMl: 1200, lid: true, material: 'steel' as const }
    const stacked = [content('navy-bean'), content('basmati-white', { where: { tin, tier: 1 } })]
    expect(sets(stacked, { trivetMm: 60 })).toBe(false)
    const basket = { cooker: 'bowl-2.2l', style: { kind: 'basket' as const, tempC: 100 } }
    expect(sets([content('basmati-white', { dryG: 100 })], basket)).toBe(false)
  })
})

describe('a device’s own programs', () => {
  const program = (id: string, minutes: number): FixedProgram => ({
    id,
    name: id,
    profile: [
      { minute: 10, tempC: 100 },
      { minute: 15, tempC: 114 },
      { minute: minutes - 10, tempC: 114 },
      { minute: minutes, tempC: 98 },
    ],
    steamG: 40,
  })
  const chosen = (fixedPrograms: FixedProgram[]) => {
    const cooker = { ...COOKERS['electric-6l']!, fixedPrograms }
    const outcome = plan(request([content('navy-bean', { soak })], { cooker, style: { kind: 'fixed' } }), {
      range: false,
    })
    if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
    return outcome.value.closings[0]!.program.fixedProgram
  }

  it('are taken so that it is done soonest, in whatever order they were measured', () => {
    const [short, middle, long] = [program('short', 34), program('middle', 45), program('long', 120)]
    const first = chosen([long!, short!, middle!])
    expect(chosen([short!, middle!, long!])).toEqual(first)
    expect(chosen([middle!, long!, short!])).toEqual(first)
    expect(first!.id).not.toBe('long')
  })
})

describe('a pot in the middle of a run', () => {
  const pot = prepared(request([content('navy-bean', { soak })]))
  const need = pot.foods[0]!.need.boilMinutes
  const state = (change: Partial<PotInRun>): PotInRun => ({ tempC: 95, freeWaterG: 300, gets: [20], ...change })

  it('needs what it has not had, less what later closings are still to give', () => {
    expect(closingFrom(pot, state({})).needs[0]).toBeCloseTo(need - 20, 6)
    expect(closingFrom(pot, state({ still: [12] })).needs[0]).toBeCloseTo(need - 32, 6)
  })

  it('needs a little in any case: it is closed because it is not done', () => {
    const { needs } = closingFrom(pot, state({ gets: [10 * need] }))
    expect(needs[0]).toBeGreaterThan(0)
    expect(needs[0]).toBeLessThan(0.1 * need)
  })
})

describe('what a soak costs', () => {
  it('is asked of that food alone: the other is soaked as it was', () => {
    const asked = request([content('navy-bean', { soak }), content('black-eyed', { soak: { ...soak, hours: 4 } })])
    const before = plan(asked, { range: false })
    if (!before.ok) throw new Error()
    for (const { outcome } of soakCosts(asked, 0)) {
      if (!outcome.ok) continue
      expect(outcome.value.foods[1]!.needs).toBeCloseTo(before.value.foods[1]!.needs, 6)
    }
    const none = soakCosts(asked, 0).find(({ soak: way }) => way === null)!.outcome
    if (!none.ok) throw new Error()
    expect(none.value.foods[0]!.needs).toBeGreaterThan(1.3 * before.value.foods[0]!.needs)
  })
})

describe('a burner described in full', () => {
  it('is looked at like everything else', () => {
    const burner = { high: 1300, medium: 800, low: 400, simmer: 200 }
    const check = (change: object) =>
      plan(request([content('navy-bean', { soak })], { burner: { ...burner, ...change } }), { range: false })
    expect(check({}).ok).toBe(true)
    expect(check({ low: -4 })).toMatchObject({ ok: false, problems: [{ path: 'burner.low' }] })
    expect(check({ high: 99_000 })).toMatchObject({ ok: false, problems: [{ path: 'burner.high' }] })
  })
})

describe('an arrangement of tins', () => {
  const tin = (id: string, diameterMm: number, heightMm: number): OwnedTin => ({
    id,
    diameterMm,
    heightMm,
    volumeMl: Math.round((0.9 * Math.PI * (diameterMm / 2) ** 2 * heightMm) / 1000),
    lid: true,
    material: 'steel',
  })
  const ask = (change: Partial<StackAsk>): StackAsk => {
    const { contents: _, ...rest } = request([])
    return {
      ...rest,
      cooker: 'electric-6l',
      freeLiquid: 'thick',
      style: { kind: 'electric', level: 'high' },
      foods: ['red-rice', 'toor-split'].map((food) => ({
        food,
        dryG: 100,
        soak: null,
        soakMayChange: true,
        lock: 'any',
      })),
      tins: [tin('wide', 190, 40), tin('small', 170, 40)],
      ...change,
    } as StackAsk
  }
  const best = (of: StackAsk) => {
    const found = findStacks(of)
    if (!found.ok) throw new Error(found.problems[0]!.code)
    return found.value
  }

  it('stands on the lowest trivet that does, whichever is named first', () => {
    const [up, down] = [
      [25, 60],
      [60, 25],
    ].map((trivetsMm) => best(ask({ trivetsMm })))
    expect(down!.answers.map(({ arrangement }) => arrangement)).toEqual(
      up!.answers.map(({ arrangement }) => arrangement),
    )
    expect(up!.answers[0]!.arrangement.trivetMm).toBe(25)
  })

  it('never puts a food into a tin that it is too big for', () => {
    const foods = ask({}).foods.map((one, i) => (i === 0 ? { ...one, food: 'beetroot-whole', dryG: 300 } : one))
    const { answers, nearest } = best(ask({ foods, tins: [...ask({}).tins, tin('flat', 180, 30)] }))
    for (const { arrangement } of [...answers, ...(nearest ? [nearest] : [])])
      for (const { food, tin: of } of arrangement.tiers.flat())
        if (food === 0) expect(of.heightMm).toBeGreaterThanOrEqual(60)
  })
})

describe('a device that runs its own programs', () => {
  const program = (id: string, minutes: number, tempC: number) => ({
    id,
    name: id,
    steamG: 30,
    // It begins where it begins: with the first minute.
    profile: [
      { minute: 0, tempC: 25 },
      { minute: 10, tempC },
      { minute: minutes - 10, tempC },
      { minute: minutes, tempC: 80 },
    ],
  })
  const fixed = (programs: ReturnType<typeof program>[]) => {
    const outcome = plan({
      kitchen: { altitudeM: 0, roomC: 20, tapC: 20 },
      cooker: { ...COOKERS['electric-6l']!, fixedPrograms: programs },
      contents: [{ food: 'jasmine-white', dryG: 300, soak: null, where: 'base' }],
      liquids: [],
      style: { kind: 'fixed' },
      release: 'auto',
    })
    if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
    return outcome.value
  }

  it('is told to run the one that lands nearest to what the food needs, though it takes longer', () => {
    const answer = fixed([program('fierce', 60, 110), program('gentle', 70, 97)])
    expect(answer.closings[0]!.program.fixedProgram).toMatchObject({ id: 'gentle', times: 1 })
    expect(answer.foods[0]!.gets).toBeGreaterThanOrEqual(answer.foods[0]!.needs)
    const only = fixed([program('fierce', 60, 110)])
    expect(only.foods[0]!.gets).toBeGreaterThan(answer.foods[0]!.gets)
  })

  it('takes the quicker of two that do the same', () => {
    const same = {
      ...program('slow', 80, 97),
      profile: [...program('quick', 70, 97).profile.slice(0, 3), { minute: 80, tempC: 60 }],
    }
    expect(fixed([same, program('quick', 70, 97)]).closings[0]!.program.fixedProgram).toMatchObject({ id: 'quick' })
  })
})

describe('what is sour', () => {
  const soured = (kind: 'chopped-tomato' | 'thin-stock', g: number) => {
    const outcome = plan({
      kitchen: { altitudeM: 0, roomC: 20, tapC: 20 },
      cooker: 'whistling-5l-aluminium',
      contents: [
        { food: 'chickpea-white', dryG: 300, soak: { hours: 9, waterC: 20, keepWater: false }, where: 'base' },
      ],
      liquids: [{ kind, g }],
      style: { kind: 'first-whistle-then-low' },
      release: 'auto',
    })
    if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
    return {
      ids: outcome.value.foods[0]!.factors.map(({ id }) => id),
      cautions: outcome.value.cautions.map(({ id }) => id),
    }
  }

  it('keeps pulses hard whether it was ticked or poured in', () => {
    expect(soured('chopped-tomato', 400).ids).toContain('acid')
    expect(soured('chopped-tomato', 400).cautions).toContain('acid-early')
    expect(soured('chopped-tomato', 40).ids).not.toContain('acid')
    expect(soured('thin-stock', 400).ids).not.toContain('acid')
  })
})

describe('water from a kettle', () => {
  const rice = (more: Partial<PlanRequest>): PlanAnswer => {
    const outcome = plan(
      {
        kitchen: { altitudeM: 0, roomC: 20, tapC: 20 },
        cooker: 'whistling-3l-aluminium',
        contents: [{ food: 'basmati-white', dryG: 200, soak: null, where: 'base' }],
        liquids: [],
        style: { kind: 'whistles', heatUp: 'high' },
        release: 'auto',
        ...more,
      },
      { range: false },
    )
    if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
    return outcome.value
  }

  it('brings the pot to its first whistle sooner, and needs no less water', () => {
    const cold = rice({})
    const hot = rice({ pourC: 95 })
    expect(hot.closings[0]!.clock.pressureAtMinute!).toBeLessThan(0.7 * cold.closings[0]!.clock.pressureAtMinute!)
    expect(Math.abs(hot.closings[0]!.water.pourG - cold.closings[0]!.water.pourG)).toBeLessThan(30)
  })

  it('never stands above what boils there, and must be a temperature of water', () => {
    const high = rice({ kitchen: { altitudeM: 3000, roomC: 20, tapC: 20 }, pourC: 100 })
    expect(high.closings[0]!.case.load.startC).toBeLessThan(90)
    expect(plan({ ...potOf(), pourC: 130 })).toMatchObject({ ok: false, problems: [{ path: 'pourC' }] })
  })
})

describe('vegetables that are fried before the lid is shut', () => {
  const rice = (fried: boolean): PlanAnswer => {
    const liquids: PlanRequest['liquids'] = [{ kind: 'chopped-tomato', g: 200, fried }]
    const outcome = plan({ ...potOf(), liquids }, { range: false })
    if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
    return outcome.value
  }

  it('leave less of their water, so that more is poured, and weigh less in the pot', () => {
    const [raw, fried] = [rice(false), rice(true)]
    // 200 g of tomato give 120 g; 84 g of that are steam by then.
    const more = fried.closings[0]!.water.pourG - raw.closings[0]!.water.pourG
    expect(more).toBeGreaterThan(75)
    expect(more).toBeLessThan(90)
    const { freeWaterKg } = fried.closings[0]!.case.load
    expect(freeWaterKg).toBeCloseTo(raw.closings[0]!.case.load.freeWaterKg, 2)
    expect(rice(true).closings[0]!.water.lines).toContainEqual({ id: 'liquid', g: -36, of: 'chopped-tomato' })
  })

  it('what pours is not fried: a stock gives all it has', () => {
    expect(broughtG({ kind: 'thin-stock', g: 200, fried: true })).toBe(200)
  })
})

describe('a spoon of oil', () => {
  it('changes no figure, and is told among what goes in', () => {
    const [plain, oiled] = [potOf(), potOf(['oil'])].map((request) => {
      const outcome = plan(request, { range: false })
      if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
      return { request, answer: outcome.value }
    })
    expect(oiled!.answer.closings[0]!.fill).toEqual(plain!.answer.closings[0]!.fill)
    expect(oiled!.answer.closings[0]!.water.pourG).toBe(plain!.answer.closings[0]!.water.pourG)
    const oil = (of: typeof plain) =>
      instructionsOfPlan(of!.request, of!.answer).flatMap(({ things }) => things.filter(({ what }) => what === 'oil'))
    expect(oil(plain)).toEqual([])
    expect(oil(oiled)).toHaveLength(1)
  })
})

const potOf = (additions: 'oil'[] = []): PlanRequest => ({
  kitchen: { altitudeM: 0, roomC: 20, tapC: 20 },
  cooker: 'whistling-5l-aluminium',
  contents: [{ food: 'toor-split', dryG: 300, soak: null, where: 'base', additions }],
  liquids: [],
  freeLiquid: 'pourable',
  style: { kind: 'whistles', heatUp: 'high' },
  release: 'auto',
})
