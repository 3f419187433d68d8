/** Parameters that every appliance has. */
export const BODY = ['metalKg', 'metalJPerKgK', 'lossWPerK'] as const
/**
 * Parameters of what holds pressure: steam through the open vent or lifted weight, water that leaves with the air
 * when it first boils, and steam lost past the gasket at lift or high pressure, in proportion below.
 */
export const PRESSURE = [...BODY, 'ventKgPerS', 'purgeKg', 'leakKgPerS'] as const
/** Parameters of what boils openly: with the share of the steam that runs back from the lid. */
export const OPEN = [...BODY, 'reflux'] as const

/** What a water test or a guess may change about an appliance, as a factor. */
export type ScaleName = 'heat' | 'loss' | 'swing' | 'pressure' | 'vent' | 'leak' | 'reflux'
export type Scales = Partial<Record<ScaleName, number>>

const HEATS = ['heaterW', 'lowW', 'highW']
const PRESSURES = ['liftPa', 'highPa', 'lowPa']
const MOST_REFLUX = 0.99
/** The weight shuts above this share of its lift less: below it the pot would be empty of pressure. */
const MOST_SWING = 0.9
const LEAST_RESEAT_PA = 1000

type Parameters = Readonly<Partial<Record<string, number | string>>>

/**
 * An appliance with some of its parameters multiplied: heat of its own, losses, swing of its weight (from lift to
 * reseat), pressures, vent, leak and reflux. What it does not have is passed over.
 */
export function scaled<A extends { kind: string; lossWPerK: number }>(appliance: A, by: Scales): A {
  const after: Record<string, number | string> = { ...(appliance as Parameters) } as never
  const times = (name: string, factor = 1) => {
    const value = after[name]
    if (typeof value === 'number') after[name] = value * factor
  }
  for (const name of HEATS) times(name, by.heat)
  for (const name of PRESSURES) times(name, by.pressure)
  times('lossWPerK', by.loss)
  times('ventKgPerS', by.vent)
  times('leakKgPerS', by.leak)
  if (typeof after.reflux === 'number') after.reflux = Math.min(MOST_REFLUX, after.reflux * (by.reflux ?? 1))
  const { liftPa, reseatPa } = appliance as Parameters
  if (typeof liftPa === 'number' && typeof reseatPa === 'number') {
    const swing = Math.min(MOST_SWING, (1 - reseatPa / liftPa) * (by.swing ?? 1))
    after.reseatPa = Math.max(LEAST_RESEAT_PA, (after.liftPa as number) * (1 - swing))
  }
  return after as A
}

/** The parameter that a factor is measured by, in its own unit; NaN where the appliance has none. */
export function parameterOf(appliance: object, name: ScaleName): number {
  const parameters = appliance as Record<string, number | undefined>
  switch (name) {
    case 'heat':
      return parameters.heaterW ?? parameters.highW ?? NaN
    case 'loss':
      return parameters.lossWPerK ?? NaN
    case 'swing':
      return (parameters.liftPa ?? NaN) - (parameters.reseatPa ?? NaN)
    case 'pressure':
      return parameters.liftPa ?? parameters.highPa ?? NaN
    case 'vent':
      return parameters.ventKgPerS ?? NaN
    case 'leak':
      return parameters.leakKgPerS ?? NaN
    case 'reflux':
      return parameters.reflux ?? NaN
  }
}
