import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '../core/food/catalogue'
import { BURNERS } from '../core/appliance/burner'
import { COOKERS } from '../core/appliance/appliance'
import { foodSchema } from '../core/food/food.schema'
import { runEventSchema } from '../core/live/event.schema'
import { simulationCaseSchema } from '../core/pot/case.schema'
import { planRequestSchema } from '../core/program/request.schema'
import { USUAL_LIKES } from './kitchen'
import { kitchenSchema } from './kitchen.schema'
import { verdictSchema } from './run.schema'
import { KITCHEN_SHAPE } from './shapes'

const id = '0de70000-0000-4000-8000-0000000000aa'
const request = {
  kitchen: { altitudeM: 0, roomC: 20, tapC: 20 },
  cooker: 'whistling-5l-aluminium',
  contents: [{ food: 'navy-bean', dryG: 300, soak: null, where: 'base' }],
  liquids: [],
  style: { kind: 'whistles', flame: 'medium' },
  release: 'auto',
}
const paths = (result: { success: boolean; error?: { issues: { path: PropertyKey[] }[] } }) =>
  result.error?.issues.map(({ path }) => path.join('.')) ?? []

describe('a plan request', () => {
  it('is taken with any generic cooker described in full', () => {
    for (const cooker of Object.values(COOKERS))
      expect(planRequestSchema.safeParse({ ...request, cooker }).success).toBe(true)
  })

  it.each([
    ['contents', { contents: 'beans' }],
    ['contents.0.dryG', { contents: [{ ...request.contents[0], dryG: '300' }] }],
    ['contents.0.texture', { contents: [{ ...request.contents[0], texture: 'al dente' }] }],
    ['style', { style: { kind: 'magic' } }],
    ['liquids.0.kind', { liquids: [{ kind: 'wine', g: 100 }] }],
    ['contents', { contents: Array.from({ length: 13 }, () => request.contents[0]) }],
  ])('is refused at %s', (path, change) => {
    const found = paths(planRequestSchema.safeParse({ ...request, ...change }))
    expect(found.some((one) => one.startsWith(path))).toBe(true)
  })
})

describe('a food of the household’s own', () => {
  it('may be any of the catalogue', () => {
    for (const food of CATALOGUE) expect(foodSchema.safeParse(food).error, food.id).toBeUndefined()
  })

  it('must have its boil-minutes in order', () => {
    const food = CATALOGUE[0]!
    const crossed = { ...food, boilMinutes: { ...food.boilMinutes, soft: 1 } }
    expect(paths(foodSchema.safeParse(crossed))).toEqual(['boilMinutes'])
  })
})

describe('a simulation case', () => {
  const base = {
    appliance: COOKERS['whistling-5l-aluminium']!.appliance,
    load: { freeWaterKg: 1, foodJPerK: 0, startC: 20, vessels: [] },
    place: { altitudeM: 0, roomC: 20 },
    program: [{ kind: 'whistles', heatW: 800, untilWhistles: 3 }],
    release: { kind: 'natural' },
    foods: [{ zC: 20, vessel: null }],
  }
  it('takes every kind of step, and nothing between two kinds', () => {
    const steps = [
      { kind: 'whistles', heatW: 800, untilWhistles: 3 },
      { kind: 'minutes', heatW: 800, minutes: 3 },
      { kind: 'boil', heatW: 800, untilBoil: true },
      { heatW: 800, untilMinute: 9 },
      { kind: 'pressure', heatW: 800, untilPressure: true },
      { kind: 'at-pressure', level: 'high', minutesAtPressure: 4 },
      { kind: 'level', level: 'low', minutes: 4 },
      { kind: 'dry', untilDry: true },
      { kind: 'temperature', tempC: 90, minutes: 5 },
      { profile: [{ minute: 5, tempC: 90 }], steamG: 3 },
    ]
    for (const step of steps)
      expect(simulationCaseSchema.safeParse({ ...base, program: [step] }).success, JSON.stringify(step)).toBe(true)
    expect(
      simulationCaseSchema.safeParse({
        ...base,
        program: [{ kind: 'whistles', heatW: 800, untilWhistles: 3, minutes: 4 }],
      }).success,
    ).toBe(false)
    expect(simulationCaseSchema.safeParse({ ...base, program: [{ heatW: 800 }] }).success).toBe(false)
  })
})

describe('what devices send of a run', () => {
  it('is an event with an id, a time and one of the known kinds', () => {
    expect(runEventSchema.safeParse({ id, at: 1, data: { kind: 'whistle' } }).success).toBe(true)
    expect(paths(runEventSchema.safeParse({ id: 'x', at: 1, data: { kind: 'whistle' } }))).toEqual(['id'])
    expect(paths(runEventSchema.safeParse({ id, at: 1.5, data: { kind: 'whistle' } }))).toEqual(['at'])
    expect(paths(runEventSchema.safeParse({ id, at: 1, data: { kind: 'sing' } }))).toEqual(['data.kind'])
    expect(runEventSchema.safeParse({ id, at: 1, data: { kind: 'undo', of: 'x' } }).success).toBe(false)
  })

  it('is a verdict on five steps, with a note of some length', () => {
    expect(verdictSchema.parse({ content: 0, foodId: 'toor-split', texture: -2, water: 2 })).toEqual({
      content: 0,
      foodId: 'toor-split',
      texture: -2,
      water: 2,
      note: '',
    })
    expect(paths(verdictSchema.safeParse({ content: 0, foodId: 'toor-split', texture: 3, water: 0.5 }))).toEqual([
      'texture',
      'water',
    ])
    expect(
      paths(
        verdictSchema.safeParse({ content: 0, foodId: 'toor-split', texture: 0, water: 0, note: 'x'.repeat(2001) }),
      ),
    ).toEqual(['note'])
  })
})

describe('a kitchen', () => {
  const kitchen = {
    shape: KITCHEN_SHAPE,
    name: 'Larkspur Terrace',
    altitudeM: 1450,
    roomC: 20,
    tapC: 18,
    hardWater: true,
    likes: USUAL_LIKES,
    cookers: [{ id, name: 'Blue 5 L', cooker: COOKERS['whistling-5l-aluminium'], tests: [] }],
    burners: [{ id, name: 'Strong', burner: BURNERS.strong }],
    measures: [{ id, name: 'Cup', volumeMl: 240 }],
    tins: [],
    foods: [],
    bags: [],
  }
  it('is taken as it stands, and may be bare', () => {
    expect(kitchenSchema.safeParse(kitchen).success).toBe(true)
    expect(kitchenSchema.safeParse({ ...kitchen, cookers: [], burners: [], measures: [] }).success).toBe(true)
  })

  it.each([
    ['name', { name: ' ' }],
    ['altitudeM', { altitudeM: 12_000 }],
    ['measures.0.volumeMl', { measures: [{ id, name: 'Cup', volumeMl: -240 }] }],
    ['burners.0.burner.low', { burners: [{ id, name: 'Strong', burner: { ...BURNERS.strong, low: null } }] }],
    [
      'cookers.0.cooker.body',
      { cookers: [{ id, name: 'Blue', cooker: { appliance: COOKERS['open-5l']!.appliance }, tests: [] }] },
    ],
    ['cookers', { cookers: Array.from({ length: 31 }, () => kitchen.cookers[0]) }],
  ])('is refused at %s', (path, change) => {
    expect(paths(kitchenSchema.safeParse({ ...kitchen, ...change }))).toContain(path)
  })
})
