import { describe, expect, it } from 'vitest'
import { plan } from '../program/plan'
import { simulationCaseSchema } from './case.schema'
import { simulate } from './simulate'

describe('a plan’s case, replayed from its file', () => {
  it.each([
    ['carrots before rice', ['carrot-chunks', 'basmati-white']],
    ['rice before carrots', ['basmati-white', 'carrot-chunks']],
  ])('gives every food the dose that it was planned with: %s', (_, foods) => {
    const outcome = plan(
      {
        kitchen: { altitudeM: 0, roomC: 25, tapC: 20 },
        cooker: 'open-5l',
        burner: 'strong',
        contents: foods.map((food) => ({ food, dryG: 200, soak: null, where: 'base' as const })),
        liquids: [],
        style: { kind: 'open', lid: true },
        release: 'auto',
      },
      { range: false },
    )
    if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
    const [closing] = outcome.value.closings
    // Rice drinks what is free: until when, is told by its own dose and no other's.
    expect(closing!.case.grain!.food ?? 0).toBe(foods.indexOf('basmati-white'))
    const replayed = simulate(simulationCaseSchema.parse(JSON.parse(JSON.stringify(closing!.case))))
    replayed.boilMinutes.forEach((got, i) => expect(got).toBeCloseTo(closing!.foods[i]!.gets, 2))
    expect(replayed.freeWaterLeftG).toBeCloseTo(closing!.freeWaterLeftG, 1)
  })
})
