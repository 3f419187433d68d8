import type { Simulation, TracePoint } from './simulation'

/** The point of a curve at a minute, between the two that were kept around it. */
export function pointAt(trace: readonly TracePoint[], minute: number): TracePoint {
  const after = trace.findIndex((point) => point.minute >= minute)
  if (after <= 0) return trace.at(after === 0 ? 0 : -1)!
  const [from, to] = [trace[after - 1]!, trace[after]!]
  const share = to.minute > from.minute ? (minute - from.minute) / (to.minute - from.minute) : 1
  const between = (a: number, b: number) => a + share * (b - a)
  return {
    minute,
    tempC: between(from.tempC, to.tempC),
    gaugePa: between(from.gaugePa, to.gaugePa),
    heatW: from.heatW,
    freeWaterKg: between(from.freeWaterKg, to.freeWaterKg),
    boilMinutes: from.boilMinutes.map((got, i) => between(got, to.boilMinutes[i]!)),
  }
}

/** The same curve on another clock, which must not run backwards. */
export function retimed(curve: Simulation, at: (minute: number) => number): Simulation {
  const orNull = (minute: number | null) => (minute === null ? null : at(minute))
  const heatOffMinute = at(curve.heatOffMinute)
  return {
    ...curve,
    minutesToPressure: orNull(curve.minutesToPressure),
    boilsAtMinute: orNull(curve.boilsAtMinute),
    heatOffMinute,
    releaseMinutes: at(curve.heatOffMinute + curve.releaseMinutes) - heatOffMinute,
    whistleMinutes: curve.whistleMinutes.map(at),
    trace: curve.trace.map((point) => ({ ...point, minute: at(point.minute) })),
  }
}

/**
 * The figure with which the heat would go off at a minute of this curve: so many whistles more or fewer,
 * at the pace of its last ones, or so many minutes.
 */
export function figureAt(
  { whistleMinutes, heatOffMinute }: Pick<Simulation, 'whistleMinutes' | 'heatOffMinute'>,
  { value, unit }: { value: number; unit: 'whistles' | 'minutes' },
  minute: number,
): number {
  if (unit === 'minutes') return Math.max(0, Math.round(value + minute - heatOffMinute))
  const last = whistleMinutes.at(-1)
  const before = whistleMinutes.at(-2)
  if (last === undefined) return value
  if (minute >= last) return value + Math.max(0, Math.round((minute - heatOffMinute) / (last - (before ?? 0))))
  return Math.max(1, whistleMinutes.filter((at) => at <= minute + 0.5 * (last - (before ?? 0))).length)
}
