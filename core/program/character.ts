import type { Burner } from '../appliance/burner'
import { holdsPressure, kindOf, type Appliance } from '../appliance/appliance'
import type { Step } from '../appliance/step.schema'
import { simulate } from '../pot/simulate'
import { endsByItself, shapeOf, styleOf } from './styles'

/** How a cooker behaves with a litre of water in it, as a cook knows it. */
export interface Character {
  /** Minutes to the first whistle or the set pressure, or until it boils; null where it never gets there. */
  readyMinutes: number | null
  /** Seconds between whistles; null where it gives none. */
  everyS: number | null
  /** Minutes until its pressure has fallen by itself; null where it holds none. */
  fallMinutes: number | null
}

const LITRE_KG = 1
const WHISTLES = 4
/** A stirred bowl boils within this time. */
const LEAST_MINUTES = 60

/** What a litre of tap water does in a cooker on a medium flame, or with its own heat. */
export function characterOf(
  appliance: Appliance,
  burner: Burner,
  { altitudeM, roomC, tapC }: { altitudeM: number; roomC: number; tapC: number },
): Character {
  const run = simulate({
    appliance,
    load: { freeWaterKg: LITRE_KG, foodJPerK: 0, startC: tapC, vessels: [] },
    place: { altitudeM, roomC },
    program: programOf(appliance, burner),
    release: holdsPressure(appliance) ? { kind: 'natural' } : null,
    foods: [],
  })
  const [first, last] = [run.whistleMinutes[0], run.whistleMinutes.at(-1)]
  const pressure = holdsPressure(appliance)
  return {
    readyMinutes: pressure ? run.minutesToPressure : run.boilsAtMinute,
    everyS: run.whistles < 2 ? null : ((last! - first!) / (run.whistles - 1)) * 60,
    fallMinutes: pressure && run.ending === 'done' ? run.releaseMinutes : null,
  }
}

/** The usual way to run it, just long enough. */
function programOf(appliance: Appliance, burner: Burner): Step[] {
  const usual = styleOf(kindOf(appliance).styles[0]!)
  const style = usual.kind === 'whistles' ? { ...usual, flame: 'medium' as const } : usual
  if (endsByItself(style)) return [{ kind: 'dry', untilDry: true }]
  const { before, last, min, unit } = shapeOf(style, burner, appliance)
  return [...before, last(unit === 'whistles' ? WHISTLES : Math.max(min, LEAST_MINUTES))]
}
