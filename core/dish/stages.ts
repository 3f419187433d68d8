import type { Stage } from './dish.schema'
import type { StageKind, Vessel } from './names'

interface KindOfStage {
  /** How long it takes where nobody says, and how much of that in the cook's hands (general kitchen practice). */
  minutes: number
  handsMinutes: number | 'all'
  vessel: Vessel
  /** Minutes for which its result may wait for what comes next, and for being served (general kitchen practice). */
  waits: number
  /** Minutes for which it may wait to be served, where that is not the same: at its best at once. */
  servedWithin?: number
  /** It takes a flame of the stove. */
  flame?: true
  /** The hands do nothing else meanwhile. */
  critical?: true
  /** It goes on alone and without heat: nobody waits for it, and it is not counted in how long a dish takes. */
  passive?: true
  /** It happens after the dish has been served. */
  afterServing?: true
}

/** All that is particular to a kind of stage, but for what it does to what is in it (dish.ts). */
export const STAGES: Readonly<Record<StageKind, KindOfStage>> = {
  prepare: { minutes: 8, handsMinutes: 'all', vessel: 'board', waits: 120 },
  soak: { minutes: 480, handsMinutes: 2, vessel: 'bowl', waits: 240, passive: true },
  marinate: { minutes: 60, handsMinutes: 3, vessel: 'bowl', waits: 240, passive: true },
  'dry-roast': { minutes: 4, handsMinutes: 'all', vessel: 'pan', waits: 60, flame: true },
  fry: { minutes: 8, handsMinutes: 'all', vessel: 'pot', waits: 10, flame: true },
  pot: { minutes: 0, handsMinutes: 4, vessel: 'pot', waits: 20 },
  simmer: { minutes: 10, handsMinutes: 3, vessel: 'pot', waits: 20, flame: true },
  mash: { minutes: 4, handsMinutes: 'all', vessel: 'pot', waits: 20 },
  drain: { minutes: 2, handsMinutes: 'all', vessel: 'bowl', waits: 30 },
  combine: { minutes: 2, handsMinutes: 'all', vessel: 'pot', waits: 20 },
  temper: { minutes: 3, handsMinutes: 'all', vessel: 'pan', waits: 15, servedWithin: 5, flame: true, critical: true },
  rest: { minutes: 5, handsMinutes: 0, vessel: 'pot', waits: 20 },
  fluff: { minutes: 2, handsMinutes: 'all', vessel: 'pot', waits: 20, servedWithin: 10 },
  chill: { minutes: 90, handsMinutes: 5, vessel: 'box', waits: 0, passive: true, afterServing: true },
}

export const vesselOf = ({ kind, vessel }: Pick<Stage, 'kind' | 'vessel'>): Vessel => vessel ?? STAGES[kind].vessel

/** Minutes of a stage that no pot works out, as somebody said or as is usual. */
export const minutesOf = ({ kind, minutes }: Pick<Stage, 'kind' | 'minutes'>) => minutes ?? STAGES[kind].minutes

/** Minutes of a stage in the cook's hands; never more than it takes. */
export function handsOf({ kind, handsMinutes }: Pick<Stage, 'kind' | 'handsMinutes'>, takesMinutes: number): number {
  const usual = STAGES[kind].handsMinutes
  return Math.min(takesMinutes, handsMinutes ?? (usual === 'all' ? takesMinutes : usual))
}
