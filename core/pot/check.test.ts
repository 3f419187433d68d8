import { describe, expect, it } from 'vitest'
import { COOKERS } from '../appliance/appliance'
import type { Step } from '../appliance/step.schema'
import { BOUNDS, type BoundName } from '../bounds'
import type { SimulationCase } from './case.schema'
import { checkCase, checkCooker, outOfBounds } from './check'

const base = (program: Step[], cooker = 'whistling-5l-aluminium'): SimulationCase => ({
  appliance: COOKERS[cooker]!.appliance,
  load: {
    freeWaterKg: 0.8,
    foodJPerK: 900,
    startC: 20,
    vessels: [{ heatJPerK: 800, couplingWPerK: 5 }],
  },
  place: { altitudeM: 400, roomC: 20 },
  program,
  release: null,
  foods: [{ zC: 20, zAbove110C: 25, sizeMm: 8, vessel: 0 }],
  grain: { food: 0, dryKg: 0.2, uptakeStart: 0.2, uptakeMax: 2, tenderBoilMinutes: 12 },
})
const BOIL: Step = { kind: 'minutes', heatW: 500, minutes: 10 }

/** The same with another value at a path. */
function withAt<T>(whole: T, path: string, value: unknown): T {
  const copy = structuredClone(whole) as Record<string, never>
  const parts = path.split('.')
  const owner = parts.slice(0, -1).reduce((of, part) => of[part]!, copy)
  owner[parts.at(-1)!] = value as never
  return copy as T
}
const pathsOf = (input: SimulationCase) => checkCase(input).map(({ path, code }) => `${path} ${code}`)

describe('a figure of a case', () => {
  it('that is sound is one', () => expect(checkCase(base([BOIL]))).toEqual([]))

  const FIGURES: [path: string, bound: BoundName, cooker?: string, step?: Step][] = [
    ['appliance.metalKg', 'metalKg'],
    ['appliance.metalJPerKgK', 'metalJPerKgK'],
    ['appliance.lossWPerK', 'lossWPerK'],
    ['appliance.ventKgPerS', 'ventKgPerS'],
    ['appliance.purgeKg', 'purgeKg'],
    ['appliance.leakKgPerS', 'leakKgPerS'],
    ['appliance.heaterW', 'heaterW', 'electric-6l'],
    ['appliance.highPa', 'highPa', 'electric-6l'],
    ['appliance.lowPa', 'lowPa', 'electric-6l'],
    ['appliance.reflux', 'reflux', 'open-5l'],
    ['appliance.lowW', 'lowW', 'slow-6l'],
    ['appliance.highW', 'highW', 'slow-6l'],
    ['load.freeWaterKg', 'freeWaterKg'],
    ['load.foodJPerK', 'foodJPerK'],
    ['load.startC', 'tempC'],
    ['load.vessels.0.heatJPerK', 'heatJPerK'],
    ['load.vessels.0.couplingWPerK', 'couplingWPerK'],
    ['place.altitudeM', 'altitudeM'],
    ['place.roomC', 'roomC'],
    ['foods.0.zC', 'zC'],
    ['foods.0.zAbove110C', 'zAbove110C'],
    ['foods.0.sizeMm', 'sizeMm'],
    ['grain.dryKg', 'dryKg'],
    ['grain.uptakeMax', 'uptake'],
    ['grain.uptakeStart', 'uptake'],
    ['grain.tenderBoilMinutes', 'boilMinutes'],
    ['program.0.heatW', 'heatW'],
    ['program.0.minutes', 'minutes'],
    [
      'program.0.untilWhistles',
      'whistles',
      'whistling-5l-aluminium',
      { kind: 'whistles', heatW: 500, untilWhistles: 3 },
    ],
    ['program.0.untilMinute', 'minutes', 'open-5l', { kind: 'clock', heatW: 500, untilMinute: 3 }],
    [
      'program.0.minutesAtPressure',
      'minutes',
      'electric-6l',
      { kind: 'at-pressure', level: 'high', minutesAtPressure: 3 },
    ],
    ['program.0.minutes', 'minutes', 'slow-6l', { kind: 'level', level: 'high', minutes: 3 }],
    ['program.0.tempC', 'tempC', 'bowl-2.2l', { kind: 'temperature', tempC: 95, minutes: 3 }],
    ['program.0.minutes', 'minutes', 'bowl-2.2l', { kind: 'temperature', tempC: 95, minutes: 3 }],
  ]
  it.each(FIGURES)('%s keeps to the bounds of %s', (path, bound, cooker, step = BOIL) => {
    const [min, max] = BOUNDS[bound]
    const at = (value: unknown) => pathsOf(withAt(base([step], cooker), path, value))
    expect(at(min)).not.toContain(`${path} out-of-range`)
    expect(at(max)).not.toContain(`${path} out-of-range`)
    expect(at(min - 0.001 * (max - min))).toContain(`${path} out-of-range`)
    expect(at(max + 0.001 * (max - min))).toContain(`${path} out-of-range`)
    for (const none of [NaN, Infinity, '5']) expect(at(none)).toContain(`${path} not-a-number`)
  })

  it('says what it was, and what it may be', () => {
    expect(outOfBounds(51, 'roomC', 'here')).toEqual([
      { code: 'out-of-range', path: 'here', params: { value: 51, min: -20, max: 50 } },
    ])
    expect(outOfBounds(51, 'roomC', 'here', 'too-many-whistles')[0]!.code).toBe('too-many-whistles')
    expect(outOfBounds(undefined, 'roomC', 'here')[0]).toMatchObject({ code: 'not-a-number', path: 'here' })
  })
})

describe('a case that hangs together', () => {
  it('has a weight that falls back below where it lifts', () => {
    const reseating = (reseatPa: number) => pathsOf(withAt(base([BOIL]), 'appliance.reseatPa', reseatPa))
    expect(reseating(99_999)).toEqual([])
    expect(reseating(100_000)).toEqual(['appliance.reseatPa pressures-crossed'])
  })

  it('has a vessel for each food that stands in one', () => {
    expect(pathsOf(withAt(base([BOIL]), 'foods.0.vessel', null))).toEqual([])
    expect(checkCase(withAt(base([BOIL]), 'foods.0.vessel', 1))).toEqual([
      { code: 'vessel-missing', path: 'foods.0.vessel', params: { number: 1, value: 2 } },
    ])
  })

  it('needs no size nor second slope of a food, and no grain', () => {
    const plain = withAt(withAt(base([BOIL]), 'foods.0.sizeMm', null), 'foods.0.zAbove110C', null)
    expect(checkCase({ ...plain, grain: undefined } as never)).toEqual([])
  })

  it('has a program, of steps that its cooker knows', () => {
    expect(pathsOf(base([]))).toEqual(['program program-empty'])
    expect(checkCase(base([BOIL, { kind: 'dry', untilDry: true }]))).toEqual([
      { code: 'step-not-for-cooker', path: 'program.1', params: { number: 2, cooker: 'whistling' } },
    ])
  })

  it('waits for nothing without heat, but for whistles that have come already', () => {
    const cold = (step: Step) => pathsOf(base([BOIL, step]))
    expect(cold({ kind: 'whistles', heatW: 0, untilWhistles: 2 })).toEqual(['program.1 step-without-heat'])
    expect(cold({ kind: 'whistles', heatW: 0, untilWhistles: 0 })).toEqual([])
    expect(cold({ kind: 'pressure', heatW: 0, untilPressure: true })).toEqual(['program.1 step-without-heat'])
    expect(cold({ kind: 'boil', heatW: 0, untilBoil: true })).toEqual(['program.1 step-without-heat'])
    expect(cold({ kind: 'minutes', heatW: 0, minutes: 5 })).toEqual([])
    expect(cold({ kind: 'clock', heatW: 0, untilMinute: 5 })).toEqual([])
  })

  it.each<[string, [minute: number, tempC: number][], string[]]>([
    [
      'rises in time',
      [
        [0, 20],
        [5, 90],
      ],
      [],
    ],
    [
      'begins later',
      [
        [2, 20],
        [5, 90],
      ],
      [],
    ],
    ['has one moment', [[5, 90]], []],
    ['has none', [], ['program.0.profile profile-disordered']],
    ['is all at the start', [[0, 20]], ['program.0.profile profile-disordered']],
    [
      'stands still',
      [
        [2, 20],
        [2, 90],
      ],
      ['program.0.profile profile-disordered'],
    ],
    [
      'goes back',
      [
        [5, 20],
        [2, 90],
      ],
      ['program.0.profile profile-disordered'],
    ],
    [
      'is too hot',
      [
        [0, 20],
        [5, 190],
      ],
      ['program.0.profile.1.tempC out-of-range'],
    ],
    [
      'is too long',
      [
        [0, 20],
        [5000, 90],
      ],
      ['program.0.profile.1.minute out-of-range'],
    ],
  ])('has a curve that %s', (_, points, found) => {
    const profile = points.map(([minute, tempC]) => ({ minute, tempC }))
    expect(pathsOf(base([{ kind: 'profile', profile, steamG: 40 }]))).toEqual(found)
  })
})

describe('a cooker', () => {
  const cooker = COOKERS['electric-6l']!

  it('is judged by its appliance, its inside and its programs, and may be without the last two', () => {
    expect(checkCooker(cooker)).toEqual([])
    expect(checkCooker({ appliance: cooker.appliance })).toEqual([])
    const wrong = { ...cooker, fixedPrograms: [{ id: 'a', name: 'A', profile: [], steamG: -1 }] }
    expect(checkCooker(wrong).map(({ path, code }) => `${path} ${code}`)).toEqual([
      'program.0.steamG out-of-range',
      'program.0.profile profile-disordered',
    ])
  })

  it.each([
    ['capacityL', 'capacityL'],
    ['innerDiameterMm', 'innerDiameterMm'],
    ['innerHeightMm', 'innerHeightMm'],
    ['minimumLiquidG', 'minimumLiquidG'],
  ] as const)('has an inside with %s in its bounds', (field, bound) => {
    const [min, max] = BOUNDS[bound]
    const at = (value: number) => checkCooker({ ...cooker, body: { ...cooker.body, [field]: value } })
    expect(at(min)).toEqual([])
    expect(at(max)).toEqual([])
    for (const value of [min - 1, max + 1]) expect(at(value)).toMatchObject([{ path: `body.${field}` }])
  })
})
