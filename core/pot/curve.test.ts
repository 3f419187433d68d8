import { describe, expect, it } from 'vitest'
import { BURNERS } from '../appliance/burner'
import { COOKERS } from '../appliance/appliance'
import { figureAt, pointAt } from './curve'
import { simulate } from './simulate'

const whistling = (untilWhistles: number) =>
  simulate(
    {
      appliance: COOKERS['whistling-5l-aluminium']!.appliance,
      load: { freeWaterKg: 1, foodJPerK: 1500, startC: 20, vessels: [] },
      place: { altitudeM: 0, roomC: 20 },
      program: [{ kind: 'whistles', heatW: BURNERS.strong.medium, untilWhistles }],
      release: { kind: 'natural' },
      foods: [{ zC: 19.5, vessel: null }],
    },
    { trace: true },
  )
const curve = whistling(6)

describe('reading a curve', () => {
  it('meets the points that were kept and lies between them', () => {
    const [from, to] = [curve.trace[40]!, curve.trace[41]!]
    expect(pointAt(curve.trace, from.minute).tempC).toBeCloseTo(from.tempC, 9)
    const middle = pointAt(curve.trace, (from.minute + to.minute) / 2)
    expect(middle.tempC).toBeCloseTo((from.tempC + to.tempC) / 2, 9)
    expect(pointAt(curve.trace, -5)).toBe(curve.trace[0])
    expect(pointAt(curve.trace, 1e6)).toBe(curve.trace.at(-1))
  })

  it('carries boil-minutes that only grow and end where the simulation does', () => {
    const got = curve.trace.map(({ boilMinutes }) => boilMinutes[0]!)
    for (let i = 1; i < got.length; i++) expect(got[i]!).toBeGreaterThanOrEqual(got[i - 1]!)
    expect(got.at(-1)).toBeCloseTo(curve.boilMinutes[0]!, 9)
  })
})

describe('the figure at a place on the strip', () => {
  const of = (minute: number) => figureAt(curve, { value: 6, unit: 'whistles' }, minute)
  it('is the whistle there, and goes on at the same pace', () => {
    expect(of(curve.heatOffMinute)).toBe(6)
    expect(of(curve.whistleMinutes[2]!)).toBe(3)
    expect(of(0)).toBe(1)
    expect(of(whistling(9).heatOffMinute)).toBe(9)
  })
  it('is in minutes where minutes are counted', () => {
    expect(figureAt(curve, { value: 12, unit: 'minutes' }, curve.heatOffMinute - 5)).toBe(7)
    expect(figureAt(curve, { value: 3, unit: 'minutes' }, 0)).toBe(0)
  })
})
