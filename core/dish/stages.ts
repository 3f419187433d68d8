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

/** Minutes of a stage in the cook's hands; never more than it takes. */
export function handsOf({ kind, handsMinutes }: Pick<Stage, 'kind' | 'handsMinutes'>, takesMinutes: number): number {
  const usual = STAGES[kind].handsMinutes
  return Math.min(takesMinutes, handsMinutes ?? (usual === 'all' ? takesMinutes : usual))
}
