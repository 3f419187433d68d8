import type { Stage } from './dish.schema'
import { chill } from './kinds/chill'
import { combine } from './kinds/combine'
import { drain } from './kinds/drain'
import { dryRoast } from './kinds/dry-roast'
import { fluff } from './kinds/fluff'
import { fry } from './kinds/fry'
import type { KindOfStage } from './kinds/kind'
import { marinate } from './kinds/marinate'
import { mash } from './kinds/mash'
import { pot } from './kinds/pot'
import { prepare } from './kinds/prepare'
import { rest } from './kinds/rest'
import { simmer } from './kinds/simmer'
import { soak } from './kinds/soak'
import { temper } from './kinds/temper'
import type { StageKind, Vessel } from './names'

/** Every kind of stage; what each does to what is in it stands in work.ts, so that a screen need not load it. */
export const STAGES: Readonly<Record<StageKind, KindOfStage>> = {
  prepare,
  soak,
  marinate,
  'dry-roast': dryRoast,
  fry,
  pot,
  simmer,
  mash,
  drain,
  combine,
  temper,
  rest,
  fluff,
  chill,
}

export const vesselOf = ({ kind, vessel }: Pick<Stage, 'kind' | 'vessel'>): Vessel => vessel ?? STAGES[kind].vessel

/** Minutes of a stage that no pot works out, as somebody said or as is usual. */
export const minutesOf = ({ kind, minutes }: Pick<Stage, 'kind' | 'minutes'>) => minutes ?? STAGES[kind].minutes

/** The flame of a stage, as somebody said or as is usual; medium where it needs none. */
export const flameOf = ({ kind, flame }: Pick<Stage, 'kind' | 'flame'>) => flame ?? STAGES[kind].flame ?? 'medium'

/** A soak is cooked in its water: in some of it, or in all that its pot gets. */
export const keepsSoakWater = ({ keepWater, measured }: Pick<Stage, 'keepWater' | 'measured'>): boolean =>
  (keepWater ?? false) || (measured ?? false)

/** Minutes of a stage in the cook's hands; never more than it takes. */
export function handsOf({ kind, handsMinutes }: Pick<Stage, 'kind' | 'handsMinutes'>, takesMinutes: number): number {
  const usual = STAGES[kind].handsMinutes
  return Math.min(takesMinutes, handsMinutes ?? (usual === 'all' ? takesMinutes : usual))
}

/** What goes into a stage at one moment, and for how many minutes it goes on with that. */
export interface Turn<Taken> {
  atMinute: number
  minutes: number
  takes: Taken[]
}

/**
 * In what turns a stage takes its things, by the minute said with each; the first turn is at its beginning. What would
 * come after its end goes in at the end.
 */
export function turnsOf<Taken>(
  { kind, takes }: Pick<Stage, 'kind' | 'takes'>,
  taken: readonly Taken[],
  minutes: number,
): Turn<Taken>[] {
  const inTurn = STAGES[kind].fields.includes('inTurn')
  const minuteOf = (i: number) => (inTurn ? Math.min(minutes, takes[i]!.atMinute ?? 0) : 0)
  const moments = [...new Set([0, ...takes.map((_, i) => minuteOf(i))])].sort((a, b) => a - b)
  return moments.map((atMinute, n) => ({
    atMinute,
    minutes: (moments[n + 1] ?? minutes) - atMinute,
    takes: taken.filter((_, i) => minuteOf(i) === atMinute),
  }))
}
