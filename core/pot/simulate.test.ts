import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { latentJPerKg } from '../steam/steam'
import type { WhistlingCooker } from '../appliance/kinds/whistling'
import { simulationCaseSchema, type SimulationCase } from './case.schema'
import { checkCase } from './check'
import { COOKERS } from '../appliance/appliance'
import { simulate, simulateChecked } from './simulate'

const FOLDER = new URL('../cases/', import.meta.url)
type Expected = Record<string, number | null | number[]>
const fixtures = readdirSync(FOLDER).map(
  (file) => JSON.parse(readFileSync(new URL(file, FOLDER), 'utf8')) as object & { name: string; expect: Expected },
)

describe('cases from an independent implementation', () => {
  it.each(fixtures)('$name', ({ expect: expected, ...written }) => {
    // Written before steps bore their kind: so they are read.
    const input = simulationCaseSchema.parse(written)
    expect(checkCase(input)).toEqual([])
    const result = Object.fromEntries(Object.entries(simulate(input)))
    for (const [key, wanted] of Object.entries(expected)) {
      const got = result[key]!
      if (wanted === null || key === 'whistles') expect(got, key).toEqual(wanted)
      else if (key === 'steamLostG')
        expect(Math.abs((got as number) - (wanted as number)), key).toBeLessThan(Math.max(2, 0.02 * (wanted as number)))
      else
        [wanted].flat().forEach((value, i) => {
          const figure = [got].flat()[i]!
          expect(Math.abs(figure / value - 1), key).toBeLessThan(0.01)
        })
    }
  })
})

const { appliance: stoveTop } = COOKERS['whistling-5l-aluminium'] as { appliance: WhistlingCooker }
const beans = (heatW: number, overrides: Partial<SimulationCase> = {}): SimulationCase => ({
  appliance: stoveTop,
  load: { freeWaterKg: 0.8, foodJPerK: 1500, startC: 20, vessels: [] },
  place: { altitudeM: 0, roomC: 20 },
  program: [{ kind: 'whistles', heatW, untilWhistles: 4 }],
  release: { kind: 'natural' },
  foods: [{ zC: 19.5, vessel: null }],
  ...overrides,
})

const anyCase = fc
  .record({
    cooker: fc.constantFrom(
      'whistling-3l-steel',
      'whistling-5l-aluminium',
      'whistling-7l-aluminium-light',
      'electric-6l',
    ),
    freeWaterKg: fc.double({ min: 0.5, max: 1.5, noNaN: true }),
    foodJPerK: fc.double({ min: 300, max: 4000, noNaN: true }),
    heatW: fc.double({ min: 500, max: 1500, noNaN: true }),
    altitudeM: fc.integer({ min: 0, max: 3000 }),
    tins: fc.integer({ min: 0, max: 3 }),
    figure: fc.integer({ min: 1, max: 8 }),
    afterMinutes: fc.option(fc.integer({ min: 0, max: 15 }), { nil: null }),
  })
  .map(({ cooker, freeWaterKg, foodJPerK, heatW, altitudeM, tins, figure, afterMinutes }): SimulationCase => {
    const { appliance } = COOKERS[cooker]!
    return {
      appliance,
      load: {
        freeWaterKg,
        foodJPerK,
        startC: 20,
        vessels: Array.from({ length: tins }, (_, i) => ({ heatJPerK: 1500 + 400 * i, couplingWPerK: 8 + 4 * i })),
      },
      place: { altitudeM, roomC: 22 },
      program:
        appliance.kind === 'electric'
          ? [{ kind: 'at-pressure', level: 'high', minutesAtPressure: figure }]
          : [{ kind: 'whistles', heatW, untilWhistles: figure }],
      release: afterMinutes === null ? { kind: 'natural' } : { kind: 'timed', afterMinutes },
      foods: [
        { zC: 19.5, vessel: null },
        { zC: 35, zAbove110C: 76, vessel: tins > 0 ? 0 : null, sizeMm: 20 },
      ],
    }
  })

describe('whatever the pot', () => {
  it('gives the same boil-minutes with half the step, to 0.3 %', () => {
    fc.assert(
      fc.property(anyCase, (input) => {
        const coarse = simulate(input)
        const fine = simulate(input, { stepScale: 0.5 })
        expect(fine.whistles).toBe(coarse.whistles)
        coarse.boilMinutes.forEach((got, i) => {
          const exact = fine.boilMinutes[i]!
          // Of a dose that is next to nothing, a hundredth of a boil-minute is no error.
          expect(Math.abs(got - exact)).toBeLessThan(Math.max(0.003 * exact, 0.01))
        })
      }),
      { numRuns: 60 },
    )
  })

  it('accounts for the heat that went in, to 0.5 %', () => {
    fc.assert(
      fc.property(anyCase, (input) => {
        // Without tins: their heat is not in the trace.
        const bare = { ...input, load: { ...input.load, vessels: [] }, foods: [{ zC: 19.5, vessel: null }] }
        const { trace, heatKJ } = simulate(bare, { trace: true, stepScale: 0.25 })
        const { metalKg, metalJPerKgK, lossWPerK } = bare.appliance
        let spentJ = 0
        for (let i = 1; i < trace.length; i++) {
          const [from, to] = [trace[i - 1]!, trace[i]!]
          const middleC = (from.tempC + to.tempC) / 2
          const heatJPerK = metalKg * metalJPerKgK + bare.load.foodJPerK + 4220 * from.freeWaterKg
          spentJ += heatJPerK * (to.tempC - from.tempC)
          spentJ += lossWPerK * (middleC - bare.place.roomC) * (to.minute - from.minute) * 60
          spentJ += (from.freeWaterKg - to.freeWaterKg) * latentJPerKg(middleC)
        }
        expect(Math.abs(spentJ / (heatKJ * 1000) - 1)).toBeLessThan(0.005)
      }),
      { numRuns: 40 },
    )
  })

  it('loses as steam exactly the water that is gone', () => {
    fc.assert(
      fc.property(anyCase, (input) => {
        const { steamLostG, freeWaterLeftG } = simulate(input)
        expect(steamLostG + freeWaterLeftG).toBeCloseTo(input.load.freeWaterKg * 1000, 6)
      }),
      { numRuns: 40 },
    )
  })

  it('comes to pressure no later on a stronger flame', () => {
    fc.assert(
      fc.property(fc.integer({ min: 400, max: 1500 }), fc.integer({ min: 1, max: 500 }), (heatW, more) => {
        expect(simulate(beans(heatW + more)).minutesToPressure!).toBeLessThan(simulate(beans(heatW)).minutesToPressure!)
      }),
      { numRuns: 40 },
    )
  })

  it('cooks no more higher up, for the same time at pressure', () => {
    const electric = (altitudeM: number) =>
      simulate(
        beans(0, {
          appliance: COOKERS['electric-6l']!.appliance,
          place: { altitudeM, roomC: 20 },
          program: [{ kind: 'at-pressure', level: 'high', minutesAtPressure: 10 }],
        }),
      ).boilMinutes[0]!
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 3500 }), fc.integer({ min: 50, max: 1000 }), (altitudeM, higherM) => {
        expect(electric(altitudeM + higherM)).toBeLessThan(electric(altitudeM))
      }),
      { numRuns: 40 },
    )
  })
})

describe('what a pot does', () => {
  it('counts a whistle as it opens and ends the step as it shuts', () => {
    const { whistleMinutes, heatOffMinute, whistles } = simulate(beans(900))
    expect(whistles).toBe(4)
    expect(heatOffMinute).toBeGreaterThan(whistleMinutes[3]!)
    expect(heatOffMinute - whistleMinutes[3]!).toBeLessThan(0.2)
  })

  it('shuts the weight after a whistle that the heat-off cut into', () => {
    const { whistleMinutes } = simulate(beans(900))
    const during = whistleMinutes[2]! + 0.01
    const off = (minutes: number) => simulate(beans(0, { program: [{ kind: 'minutes', heatW: 900, minutes }] }))
    const [cut, before] = [off(during), off(whistleMinutes[2]! - 0.05)]
    expect(cut.whistles).toBe(3)
    expect(cut.releaseMinutes).toBeGreaterThan(5)
    expect(Math.abs(cut.releaseMinutes - before.releaseMinutes)).toBeLessThan(3)
  })

  it('hardly heats a tin until steam reaches it', () => {
    const { load, ...rest } = beans(900)
    const stacked = { ...rest, load: { ...load, vessels: [{ heatJPerK: 2000, couplingWPerK: 12 }] } }
    const early = simulate({
      ...stacked,
      program: [{ kind: 'minutes', heatW: 900, minutes: 5 }],
      foods: [{ zC: 35, vessel: 0 }],
      release: null,
    })
    expect(early.boilMinutes[0]).toBe(0)
    expect(simulate({ ...stacked, foods: [{ zC: 35, vessel: 0 }] }).boilMinutes[0]).toBeGreaterThan(5)
  })

  it('lets the middle of a thick piece lag', () => {
    const thin = simulate(beans(900, { foods: [{ zC: 23, vessel: null, sizeMm: 10 }] }))
    const thick = simulate(beans(900, { foods: [{ zC: 23, vessel: null, sizeMm: 60 }] }))
    expect(thick.boilMinutes[0]).toBeLessThan(0.8 * thin.boilMinutes[0]!)
  })

  it('cooks two pieces of one thickness as it cooks each alone', () => {
    const piece = { zC: 23, vessel: null, sizeMm: 50 }
    const [alone] = simulate(beans(900, { foods: [piece] })).boilMinutes
    const together = simulate(beans(900, { foods: [piece, { ...piece, zC: 22 }, piece] })).boilMinutes
    expect(together[0]).toBeCloseTo(alone!, 6)
    expect(together[2]).toBeCloseTo(alone!, 6)
    expect(together[1]).toBeGreaterThan(0)
  })

  it('cooks in a hot tin that is put into a cold pot', () => {
    const { load, ...rest } = beans(900)
    const vessels = [{ heatJPerK: 2000, couplingWPerK: 12, startC: 95 }]
    const { boilMinutes } = simulate({
      ...rest,
      load: { ...load, vessels },
      program: [{ kind: 'minutes', heatW: 900, minutes: 2 }],
      foods: [
        { zC: 35, vessel: 0 },
        { zC: 35, vessel: null },
      ],
      release: null,
    })
    expect(boilMinutes[0]).toBeGreaterThan(1)
    expect(boilMinutes[1]).toBe(0)
  })

  it('holds the pressure of a regulator without a whistle', () => {
    const { appliance } = COOKERS['regulator-5l-aluminium']!
    const { whistles, hottestC, steamLostG } = simulate(
      beans(0, { appliance, program: [{ kind: 'minutes', heatW: 800, minutes: 30 }] }),
    )
    expect(whistles).toBe(0)
    expect(hottestC).toBeGreaterThan(116)
    expect(hottestC).toBeLessThan(117.5)
    expect(steamLostG).toBeGreaterThan(150)
  })

  it('lets the rice cooker end when nothing is left to boil', () => {
    const { appliance } = COOKERS['rice-1l']!
    const result = simulate({
      ...beans(0),
      appliance,
      program: [{ kind: 'dry', untilDry: true }],
      release: null,
      load: { freeWaterKg: 0.5, foodJPerK: 540, startC: 20, vessels: [] },
      foods: [{ zC: 35, zAbove110C: 76, vessel: null }],
      grain: { dryKg: 0.3, uptakeMax: 1.5, uptakeStart: 0, tenderBoilMinutes: 20 },
    })
    expect(result.ending).toBe('done')
    expect(result.freeWaterLeftG).toBeCloseTo(5, 3)
  })
})

describe('a run that cannot go on', () => {
  const reason = (input: SimulationCase) => {
    const outcome = simulateChecked(input)
    return outcome.ok ? null : outcome.problems[0]!.code
  }
  it('is cut short when the pot boils dry', () => {
    const load = { freeWaterKg: 0.05, foodJPerK: 500, startC: 20, vessels: [] }
    const input = beans(1200, { load, program: [{ kind: 'whistles', heatW: 1200, untilWhistles: 40 }] })
    expect(reason(input)).toBe('boils-dry')
    expect(simulate(input).freeWaterLeftG).toBeLessThan(0.001)
  })

  it('is cut short when the flame only just makes up the losses', () => {
    expect(reason(beans(120))).toBe('never-reaches-pressure')
    expect(reason(beans(0, { program: [{ kind: 'pressure', heatW: 150, untilPressure: true }] }))).toBe(
      'never-reaches-pressure',
    )
  })

  it('is cut short after two days', () => {
    const long = Array.from({ length: 20 }, () => ({ kind: 'minutes' as const, heatW: 60, minutes: 2000 }))
    expect(reason(beans(0, { program: long }))).toBe('never-ends')
  })
})

describe('a bowl with a thermostat', () => {
  const bowl = (program: SimulationCase['program']) =>
    simulate({ ...beans(0), appliance: COOKERS['bowl-2.2l']!.appliance, release: null, program }, { trace: true })
  it('holds its temperature, climbs to the next and cools to a lower one', () => {
    const { trace } = bowl([
      { kind: 'temperature', tempC: 70, minutes: 60 },
      { kind: 'temperature', tempC: 90, minutes: 60 },
      { kind: 'temperature', tempC: 65, minutes: 240 },
    ])
    const at = (minute: number) => trace.findLast((point) => point.minute <= minute)!.tempC
    expect(at(59)).toBeCloseTo(70, 3)
    expect(at(119)).toBeCloseTo(90, 3)
    expect(at(359)).toBeCloseTo(65, 3)
  })

  it('boils, and no hotter, when asked for more', () => {
    const { hottestC, steamLostG } = bowl([{ kind: 'temperature', tempC: 120, minutes: 60 }])
    expect(hottestC).toBeCloseTo(100, 1)
    expect(steamLostG).toBeGreaterThan(50)
  })
})

describe('a measured program', () => {
  it('leads the pot along its curve, cooks the food by it, and costs the steam that was weighed', () => {
    const profile = [
      { minute: 10, tempC: 100 },
      { minute: 30, tempC: 100 },
    ]
    const { boilMinutes, steamLostG, heatOffMinute } = simulate(
      beans(0, { program: [{ kind: 'profile', profile, steamG: 40 }], release: null }),
    )
    expect(heatOffMinute).toBeCloseTo(30, 6)
    expect(steamLostG).toBeCloseTo(40, 3)
    // 20 minutes at 100 °C, and what the way up from 60 °C gives: z/(rate · ln 10) less what is missing below 60.
    const wayUp = ((10 / 80) * 19.5 * (1 - 10 ** (-40 / 19.5))) / Math.LN10
    expect(boilMinutes[0]).toBeCloseTo(20 + wayUp, 2)
  })
})

describe('a case that is wrong', () => {
  const broken: [string, Partial<SimulationCase>][] = [
    ['appliance.lossWPerK', { appliance: { ...stoveTop, lossWPerK: NaN } }],
    ['appliance.reseatPa', { appliance: { ...stoveTop, reseatPa: 120_000 } }],
    ['load.freeWaterKg', { load: { freeWaterKg: 900, foodJPerK: 0, startC: 20, vessels: [] } }],
    ['place.altitudeM', { place: { altitudeM: 90_000, roomC: 20 } }],
    ['program', { program: [] }],
    [
      'program.0.profile',
      {
        program: [
          {
            kind: 'profile',
            profile: [
              { minute: 5, tempC: 90 },
              { minute: 5, tempC: 95 },
            ],
            steamG: 0,
          },
        ],
      },
    ],
    ['program.0', { program: [{ kind: 'pressure', heatW: 0, untilPressure: true }] }],
    ['program.0', { program: [{ kind: 'temperature', tempC: 80, minutes: 5 }] }],
    ['program.0', { program: [{ kind: 'at-pressure', level: 'high', minutesAtPressure: 5 }] }],
    ['program.0', { program: [{ kind: 'whistles', heatW: 0, untilWhistles: 3 }] }],
    ['program.0.heatW', { program: [{ kind: 'minutes', heatW: Infinity, minutes: 3 }] }],
    ['foods.0.vessel', { foods: [{ zC: 20, vessel: 2 }] }],
  ]
  it.each(broken)('is refused at %s with its reason', (path, overrides) => {
    const problems = checkCase(beans(900, overrides))
    expect(problems.map((problem) => problem.path)).toContain(path)
    for (const { code } of problems) expect(code).toMatch(/^[a-z-]+$/)
  })
})
