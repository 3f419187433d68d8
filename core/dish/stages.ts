import type { Stage } from './dish.schema'
import type { StageKind, Vessel } from './names'

interface KindOfStage {
  /** How long it takes where nobody says, and how much of that in the cook's hands (general kitchen practice). */
  minutes: number
  handsMinutes: number | 'all'
  vessel: Vessel
  /** It goes on alone and without heat: nobody waits for it, and it is not counted in how long a dish takes. */
  passive?: true
  /** It happens after the dish has been served. */
  afterServing?: true
}

/** All that is particular to a kind of stage, but for what it does to what is in it (dish.ts). */
export const STAGES: Readonly<Record<StageKind, KindOfStage>> = {
  prepare: { minutes: 8, handsMinutes: 'all', vessel: 'board' },
  soak: { minutes: 480, handsMinutes: 2, vessel: 'bowl', passive: true },
  marinate: { minutes: 60, handsMinutes: 3, vessel: 'bowl', passive: true },
  'dry-roast': { minutes: 4, handsMinutes: 'all', vessel: 'pan' },
  fry: { minutes: 8, handsMinutes: 'all', vessel: 'pot' },
  pot: { minutes: 0, handsMinutes: 4, vessel: 'pot' },
  simmer: { minutes: 10, handsMinutes: 3, vessel: 'pot' },
  mash: { minutes: 4, handsMinutes: 'all', vessel: 'pot' },
  drain: { minutes: 2, handsMinutes: 'all', vessel: 'bowl' },
  combine: { minutes: 2, handsMinutes: 'all', vessel: 'pot' },
  temper: { minutes: 3, handsMinutes: 'all', vessel: 'pan' },
  rest: { minutes: 5, handsMinutes: 0, vessel: 'pot' },
  fluff: { minutes: 2, handsMinutes: 'all', vessel: 'pot' },
  chill: { minutes: 90, handsMinutes: 5, vessel: 'box', passive: true, afterServing: true },
}

export const vesselOf = ({ kind, vessel }: Pick<Stage, 'kind' | 'vessel'>): Vessel => vessel ?? STAGES[kind].vessel

/** Minutes of a stage that no pot works out, as somebody said or as is usual. */
export const minutesOf = ({ kind, minutes }: Pick<Stage, 'kind' | 'minutes'>) => minutes ?? STAGES[kind].minutes

/** Minutes of a stage in the cook's hands; never more than it takes. */
export function handsOf({ kind, handsMinutes }: Pick<Stage, 'kind' | 'handsMinutes'>, takesMinutes: number): number {
  const usual = STAGES[kind].handsMinutes
  return Math.min(takesMinutes, handsMinutes ?? (usual === 'all' ? takesMinutes : usual))
}
