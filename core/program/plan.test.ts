import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { texturesOf } from '../food/texture'
import { COOKERS } from '../appliance/appliance'
import { CATALOGUE } from '../food/catalogue'
import { simulate } from '../pot/simulate'
import { isRefused } from '../safety/rules'
import type { PlanAnswer } from './answer'
import { sentenceOf } from '../../locales/sentences'
import { plan } from './plan'
import type { Style } from '../appliance/style.schema'
import type { Content, PlanRequest } from './request.schema'
import { unsaidOf, unsaidOfCaution } from '../../tests/whole'

const soaked = { hours: 12, waterC: 25, keepWater: false }
const kidney: Content = { food: 'kidney-red', dryG: 270, soak: soaked, texture: 'tender', where: 'base' }
const onMedium: Style = { kind: 'whistles', flame: 'medium' }

const request = (overrides: Partial<PlanRequest> = {}): PlanRequest => ({
  kitchen: { altitudeM: 0, roomC: 25, tapC: 20 },
  cooker: 'whistling-5l-aluminium',
  burner: 'strong',
  contents: [kidney],
  liquids: [],
  freeLiquid: 'spoonable',
  style: onMedium,
  release: 'auto',
  ...overrides,
})
function planned(overrides: Partial<PlanRequest> = {}, options = {}): PlanAnswer {
  const outcome = plan(request(overrides), options)
  if (!outcome.ok) throw new Error(outcome.problems.map(({ code }) => code).join(' '))
  return outcome.value
}
const figure = (overrides: Partial<PlanRequest>) => planned(overrides, { range: false }).closings[0]!.range.figure

const grainsAndPulses = CATALOGUE.filter(({ soak }) => soak !== null)
const anyRequest = fc
  .record({
    food: fc.constantFrom(...grainsAndPulses),
    textureAt: fc.nat(),
    dryG: fc.integer({ min: 60, max: 400 }),
    hours: fc.constantFrom(0, 1, 8),
    keepWater: fc.boolean(),
    altitudeM: fc.constantFrom(0, 1450, 2500),
    electric: fc.boolean(),
    style: fc.constantFrom<Style>(onMedium, { kind: 'whistles', flame: 'high' }, { kind: 'first-whistle-then-low' }),
    freeLiquid: fc.constantFrom('drained' as const, 'thick' as const, 'spoonable' as const),
    tomatoG: fc.constantFrom(0, 150),
  })
  .map(({ food, textureAt, dryG, hours, keepWater, altitudeM, electric, style, freeLiquid, tomatoG }) => {
    const textures = texturesOf(food)
    return request({
      kitchen: { altitudeM, roomC: 22, tapC: 18 },
      cooker: electric ? 'electric-6l' : 'whistling-5l-aluminium',
      contents: [
        {
          food: food.id,
          dryG,
          soak: hours > 0 ? { hours, waterC: 20, keepWater } : null,
          texture: textures[textureAt % textures.length],
          where: 'base',
        },
      ],
      liquids: tomatoG > 0 ? [{ kind: 'chopped-tomato', g: tomatoG }] : [],
      style: electric ? { kind: 'electric', level: 'high' } : style,
      freeLiquid,
    })
  })

describe('a plan', () => {
  it('counts whistles that only mean something with their flame', () => {
    const medium = figure({ style: onMedium })
    const high = figure({ style: { kind: 'whistles', flame: 'high' } })
    expect(medium).toBeGreaterThanOrEqual(4)
    expect(medium).toBeLessThanOrEqual(12)
    expect(high).toBeGreaterThanOrEqual(medium + 5)
    expect(figure({ cooker: 'electric-6l', style: { kind: 'electric', level: 'high' } })).toBeLessThanOrEqual(12)
  })

  it('cooks every food, and one whistle or minute less would not', () => {
    fc.assert(
      fc.property(anyRequest, (asked) => {
        const outcome = plan(asked, { range: false })
        if (!outcome.ok) {
          expect(['not-enough-program', 'too-many-whistles', 'water-over-capacity']).toContain(
            outcome.problems[0]!.code,
          )
          expect(outcome.problems.flatMap(unsaidOf)).toEqual([])
          return
        }
        const { foods, closings, cautions } = outcome.value
        expect(cautions.flatMap(unsaidOfCaution)).toEqual([])
        const { range, case: simulation } = closings[0]!
        for (const { gets, needs } of foods) expect(gets).toBeGreaterThanOrEqual(needs)
        // A pot into which nobody can look is planned with a margin (below).
        if ('liftPa' in simulation.appliance || 'highPa' in simulation.appliance) return
        const getsLess = (by: number) => {
          const less = { ...simulation.program.at(-1)! }
          if ('untilWhistles' in less) less.untilWhistles -= by
          else if ('minutesAtPressure' in less) less.minutesAtPressure -= by
          else if ('minutes' in less) less.minutes -= by
          return simulate({ ...simulation, program: [...simulation.program.slice(0, -1), less] }).boilMinutes
        }
        const isShort = (gets: number[]) => gets.some((got, i) => got < foods[i]!.needs)
        if (range.figure === (range.unit === 'whistles' ? 1 : 0)) return
        const shorter = getsLess(1)
        // A whistle that falls on the last minute lets out what the release would have given: a minute less gives more.
        const whistledAway = shorter.every((got, i) => got > foods[i]!.gets)
        expect(isShort(shorter) || (whistledAway && isShort(getsLess(2)))).toBe(true)
      }),
      { numRuns: 60 },
    )
  })

  it('pours what its lines add up to, and loses the steam it counts with', () => {
    fc.assert(
      fc.property(anyRequest, (asked) => {
        const outcome = plan(asked, { range: false })
        if (!outcome.ok) return
        const { steamLostG, closings } = outcome.value
        const { water, case: simulation } = closings[0]!
        expect(water.lines.reduce((sum, line) => sum + line.g, 0)).toBe(water.pourG)
        const steam = water.lines.find(({ id }) => id === 'steam')!.g
        if (water.rule === 'balance') expect(steam).toBeGreaterThanOrEqual(Math.round(steamLostG) - 2)
        expect(simulate(simulation).ending).toBe('done')
      }),
      { numRuns: 60 },
    )
  })

  it('needs relatively less water for a bigger batch', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('basmati-white', 'red-rice', 'toor-split', 'kidney-red'),
        fc.integer({ min: 60, max: 250 }),
        (food, dryG) => {
          const ratio = (grams: number) =>
            planned(
              { contents: [{ food, dryG: grams, soak: null, where: 'base' }], freeLiquid: 'thick' },
              { range: false },
            ).closings[0]!.water.ratioByVolume!
          // A gram of rounding is all that may go the other way.
          expect(ratio(dryG * 2)).toBeLessThanOrEqual(ratio(dryG) * (1 + 3 / dryG))
        },
      ),
      { numRuns: 25 },
    )
  })

  it('asks for more of everything that makes beans harder', () => {
    const electric = { cooker: 'electric-6l', style: { kind: 'electric', level: 'high' } } as const
    const plain = figure(electric)
    const slower: Partial<Content>[] = [
      { soak: null },
      { batch: 'old' },
      { additions: ['acid'] },
      { additions: ['hard-water'] },
      { texture: 'mashed' },
    ]
    for (const change of slower)
      expect(figure({ ...electric, contents: [{ ...kidney, ...change }] }), JSON.stringify(change)).toBeGreaterThan(
        plain,
      )
    expect(figure({ ...electric, contents: [{ ...kidney, additions: ['soda'] }] })).toBeLessThan(plain)
  })

  it('shows a range around its figure, and a band around each food', () => {
    const { closings, foods } = planned()
    const { range } = closings[0]!
    expect(range.low).toBeLessThan(range.figure)
    expect(range.high).toBeGreaterThanOrEqual(range.figure)
    expect(foods[0]!.getsLow).toBeLessThan(foods[0]!.gets)
    expect(foods[0]!.getsHigh).toBeGreaterThan(foods[0]!.gets)
  })

  it.each([
    [{ kind: 'whistles', flame: 'medium' }],
    [{ kind: 'whistles', flame: 'high' }],
    [{ kind: 'clock', flame: 'medium' }],
    [{ kind: 'first-whistle-then-low' }],
    [{ kind: 'high-then-low', whistles: 2 }],
  ] satisfies [PlanRequest['style']][])(
    'gives beans with lectin what they need on the low side of what is unknown, or says so: %j',
    (style) => {
      const { foods, cautions, closings } = planned({ style })
      const [{ getsLow, needs }] = foods as [PlanAnswer['foods'][number]]
      const unsure = cautions.some(({ id }) => id === 'lectin-unsure')
      expect(unsure).toBe(getsLow < 0.95 * needs)
      expect(getsLow).toBeGreaterThan(0.9 * needs)
      const { figure } = closings[0]!.range
      const less = planned({ style, given: [{ figure: Math.floor(figure * 0.85) }] })
      expect(less.foods[0]!.getsLow).toBeLessThan(needs)
    },
  )

  it('says of a flame that hardly gives more than the pot gives off that the pressure may be lost', () => {
    const says = (burner: PlanRequest['burner']) =>
      planned({ style: { kind: 'first-whistle-then-low' }, burner }).cautions.some(
        ({ id }) => id === 'may-lose-pressure',
      )
    expect(says({ high: 1300, medium: 520, low: 300, simmer: 200 })).toBe(false)
    expect(says({ high: 1300, medium: 520, low: 140, simmer: 120 })).toBe(true)
  })

  it('takes the water of a tin into the tin and keeps the base wet', () => {
    const tin = { tin: { diameterMm: 160, heightMm: 70, lid: false }, tier: 1 }
    const { closings, foods, waterLeftG } = planned({
      contents: [{ food: 'red-rice', dryG: 190, soak: soaked, where: tin }],
      style: { kind: 'first-whistle-then-low' },
    })
    const heldG = 190 * (0.3 * foods[0]!.soakedShare + 0.1)
    expect(foods[0]!.tinWaterG).toBe(Math.round(190 * 2 * 0.9 - heldG))
    expect(closings[0]!.water.lines.some(({ id }) => id === 'uptake')).toBe(false)
    expect(waterLeftG).toBeGreaterThanOrEqual(59)
  })

  it('lets a stove-top pot fall by itself and times the electric one', () => {
    expect(planned().release).toEqual({ kind: 'natural' })
    const electric = planned({ cooker: 'electric-6l', style: { kind: 'electric', level: 'high' } })
    expect(electric.release).toEqual({ kind: 'timed', afterMinutes: 15 })
  })

  it('counts water held from a drained soak, and none of it when the water is kept', () => {
    const held = (keepWater: boolean) =>
      planned({ contents: [{ ...kidney, soak: { ...soaked, keepWater } }] }).closings[0]!.water.lines.some(
        ({ id }) => id === 'held',
      )
    expect(held(false)).toBe(true)
    expect(held(true)).toBe(false)
  })
})

describe('safety, last of all', () => {
  const ids = (overrides: Partial<PlanRequest>) => planned(overrides).cautions.map(({ id }) => id)

  it('refuses a pot past its line', () => {
    const { cautions } = planned({ contents: [{ ...kidney, dryG: 900 }] })
    expect(isRefused(cautions)).toBe(true)
    expect(cautions[0]).toMatchObject({ id: 'too-full', severity: 'refuse' })
  })

  it('asks for the soak of lectin beans, and for fresh water', () => {
    expect(ids({ contents: [{ ...kidney, soak: null }] })).toContain('lectin-soak')
    expect(ids({ contents: [{ ...kidney, soak: { hours: 3, waterC: 20, keepWater: false } }] })).toContain(
      'lectin-soak',
    )
    expect(ids({ contents: [{ ...kidney, soak: { ...soaked, keepWater: true } }] })).toContain('lectin-soak-water')
    expect(ids({})).not.toContain('lectin-soak')
    expect(ids({ contents: [{ ...kidney, food: 'black-eyed' }] })).not.toContain('lectin-soak')
  })

  it('does not let foam out through the valve', () => {
    const quick = {
      release: { kind: 'quick', afterMinutes: 0 },
      contents: [{ ...kidney, food: 'toor-split', dryG: 150, soak: null }],
    } as const
    const { cautions } = planned({ ...quick, contents: [...quick.contents] })
    expect(cautions.find(({ id }) => id === 'quick-release-froth')?.severity).toBe('refuse')
  })

  it('sends a long warm soak to the fridge', () => {
    const warm = { altitudeM: 0, roomC: 30, tapC: 26 }
    const soak = (waterC: number) => ({
      kitchen: warm,
      contents: [{ ...kidney, soak: { hours: 9, waterC, keepWater: false } }],
    })
    expect(ids(soak(26))).toContain('warm-soak')
    expect(ids(soak(5))).not.toContain('warm-soak')
  })

  it('holds for every plan: nothing over its line or short of its lectin rule is startable', () => {
    fc.assert(
      fc.property(anyRequest, (asked) => {
        const outcome = plan(asked, { range: false })
        if (!outcome.ok) return
        const { fill, cautions, closings, foods, release } = outcome.value
        const [content] = asked.contents
        const given = new Set(cautions.map(({ id }) => id))
        const { lectin, froth } = CATALOGUE.find(({ id }) => id === foods[0]!.food)!
        if (lectin) expect(given.has('lectin-soak')).toBe((content!.soak?.hours ?? 0) < 5)
        if (lectin && content!.soak) expect(given.has('lectin-soak-water')).toBe(content!.soak.keepWater)
        if (release && release.kind !== 'natural' && froth > 0) expect(release.afterMinutes).toBeGreaterThanOrEqual(5)
        expect(closings[0]!.case.load.freeWaterKg * 1000).toBeGreaterThanOrEqual(
          asked.cooker === 'electric-6l' ? 299 : 199,
        )
        const over = Math.max(fill.beforeL, fill.afterL) > fill.limitL
        expect(isRefused(cautions)).toBe(over)
        expect(fill.limitL).toBeLessThanOrEqual((fill.capacityL * 2) / 3)
      }),
      { numRuns: 60 },
    )
  })
})

describe('what cannot be planned', () => {
  const content = (change: Partial<Content>): Partial<PlanRequest> => ({ contents: [{ ...kidney, ...change }] })
  const { appliance } = COOKERS['whistling-5l-aluminium']!
  const cases: [string, string, Partial<PlanRequest>][] = [
    ['nothing in the pot', 'no-food', { contents: [] }],
    ['an unknown food', 'unknown-food', content({ food: 'gravel' })],
    ['a negative amount', 'amount-out-of-range', content({ dryG: -200 })],
    ['no amount', 'amount-out-of-range', content({ dryG: 0 })],
    ['not a number', 'not-a-number', content({ dryG: NaN })],
    ['an endless amount', 'not-a-number', content({ dryG: Infinity })],
    ['kilograms typed as grams', 'amount-looks-like-kg', content({ dryG: 0.27 })],
    ['a huge amount', 'amount-too-large', content({ dryG: 27_000 })],
    ['more than the pot holds', 'water-over-capacity', content({ dryG: 2_700 })],
    ['more liquid than the pot holds', 'water-over-capacity', { liquids: [{ kind: 'water', g: 6000 }] }],
    ['endless liquid', 'not-a-number', { liquids: [{ kind: 'curd', g: Infinity }] }],
    ['a texture of another food', 'wrong-texture', content({ texture: 'sticky' })],
    ['an absurd altitude', 'out-of-range', { kitchen: { altitudeM: 12_000, roomC: 20, tapC: 20 } }],
    ['a soak without end', 'hours-out-of-range', content({ soak: { hours: 900, waterC: 20, keepWater: false } })],
    ['an unknown cooker', 'unknown-cooker', { cooker: 'toString' }],
    ['a style of another cooker', 'style-not-for-cooker', { style: { kind: 'electric', level: 'high' } }],
    [
      'a flame too weak for the pot',
      'never-reaches-pressure',
      { burner: { high: 130, medium: 120, low: 110, simmer: 100 } },
    ],
    [
      'an impossible appliance',
      'pressures-crossed',
      { cooker: { appliance: { ...appliance, reseatPa: 200_000 } as typeof appliance } },
    ],
  ]
  it.each(cases)('%s is answered with a sentence', (_, code, overrides) => {
    const outcome = plan(request(overrides))
    expect(outcome.ok).toBe(false)
    if (outcome.ok) return
    expect(outcome.problems.map((problem) => problem.code)).toContain(code)
    expect(outcome.problems.flatMap(unsaidOf)).toEqual([])
    for (const problem of outcome.problems) {
      const said = sentenceOf(problem)
      expect(said).toMatch(/^\S.*\.$/)
      expect(said).not.toMatch(/\{|undefined/)
    }
  })
})
