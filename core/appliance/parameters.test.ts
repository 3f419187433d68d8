import { describe, expect, it } from 'vitest'
import { COOKERS } from './appliance'
import { parameterOf, scaled, type ScaleName } from './parameters'

const of = (generic: string) =>
  COOKERS[generic]!.appliance as never as { kind: string; lossWPerK: number } & Record<string, number>
/** Which figures a factor of 1.2 changes, each with how much it grew. */
function changes(generic: string, name: ScaleName, factor = 1.2) {
  const before = of(generic)
  const after = scaled(before, { [name]: factor })
  return Object.fromEntries(
    Object.keys(before)
      .filter((key) => after[key] !== before[key])
      .map((key) => [key, Number((after[key]! / before[key]!).toFixed(6))]),
  )
}

describe('a factor on an appliance', () => {
  it.each([
    ['electric-6l', 'heat', { heaterW: 1.2 }],
    ['rice-1l', 'heat', { heaterW: 1.2 }],
    ['slow-6l', 'heat', { lowW: 1.2, highW: 1.2 }],
    ['whistling-5l-aluminium', 'heat', {}],
    ['slow-6l', 'loss', { lossWPerK: 1.2 }],
    ['electric-6l', 'pressure', { highPa: 1.2, lowPa: 1.2 }],
    ['regulator-5l-steel', 'pressure', { liftPa: 1.2, reseatPa: 1.2 }],
    ['whistling-5l-aluminium', 'vent', { ventKgPerS: 1.2 }],
    ['whistling-5l-aluminium', 'leak', { leakKgPerS: 1.2 }],
    ['open-5l', 'swing', {}],
  ] as const)('%s, %s: changes what belongs to it and nothing else', (generic, name, expected) => {
    expect(changes(generic, name)).toEqual(expected)
  })

  it('moves the weight’s swing between lift and reseat, never past what a weight can', () => {
    const before = of('whistling-5l-aluminium')
    const swing = (by: number) => {
      const { liftPa, reseatPa } = scaled(before, { swing: by })
      expect(liftPa).toBe(before.liftPa)
      return liftPa! - reseatPa!
    }
    const was = before.liftPa! - before.reseatPa!
    expect(swing(1)).toBeCloseTo(was, 6)
    expect(swing(1.5)).toBeCloseTo(1.5 * was, 6)
    expect(swing(0.5)).toBeCloseTo(0.5 * was, 6)
    expect(swing(100)).toBeCloseTo(0.9 * before.liftPa!, 6)
  })

  it('keeps the swing’s share when the lift changes', () => {
    const before = of('whistling-5l-aluminium')
    const after = scaled(before, { pressure: 1.3 })
    expect(after.reseatPa! / after.liftPa!).toBeCloseTo(before.reseatPa! / before.liftPa!, 9)
  })

  it('gives back less steam than there is', () => {
    expect(scaled(of('open-5l'), { reflux: 50 }).reflux).toBe(0.99)
    const { reflux } = of('open-5l')
    expect(scaled(of('open-5l'), { reflux: 0.5 }).reflux).toBeCloseTo(0.5 * reflux!, 9)
  })

  it('leaves the appliance that it was given as it was', () => {
    const before = of('slow-6l')
    const copy = { ...before }
    scaled(before, { heat: 2, loss: 2, reflux: 0.5 })
    expect(before).toEqual(copy)
  })
})

describe('the figure that a factor is measured by', () => {
  it.each([
    ['electric-6l', 'heat', 'heaterW'],
    ['slow-6l', 'heat', 'highW'],
    ['slow-6l', 'loss', 'lossWPerK'],
    ['whistling-5l-aluminium', 'pressure', 'liftPa'],
    ['electric-6l', 'pressure', 'highPa'],
    ['whistling-5l-aluminium', 'vent', 'ventKgPerS'],
    ['whistling-5l-aluminium', 'leak', 'leakKgPerS'],
    ['open-5l', 'reflux', 'reflux'],
  ] as const)('%s, %s, is its %s', (generic, name, key) => {
    expect(parameterOf(of(generic), name)).toBe(of(generic)[key])
  })

  it('is the swing in pascals, and nothing where there is none', () => {
    const { liftPa, reseatPa } = of('whistling-5l-aluminium')
    expect(parameterOf(of('whistling-5l-aluminium'), 'swing')).toBe(liftPa! - reseatPa!)
    for (const name of ['swing', 'pressure', 'vent', 'leak'] as const)
      expect(parameterOf(of('open-5l'), name)).toBeNaN()
    expect(parameterOf(of('open-5l'), 'heat')).toBeNaN()
  })
})
