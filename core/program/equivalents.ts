import { stylesFor, type Cooker } from '../appliance/appliance'
import type { FlameName, Level, StyleKind } from '../names'
import type { Outcome } from '../problem'
import type { PlanAnswer } from './answer'
import { plan } from './plan'
import type { PlanRequest } from './request.schema'
import { styleOf } from './styles'

export interface Equivalent<Id> {
  id: Id
  style: StyleKind
  outcome: Outcome<PlanAnswer>
}

/** The same food in other cookers, in every style that each of them knows; without ranges, to be quick. */
export function equivalents<Id>(
  request: PlanRequest,
  cookers: readonly { id: Id; cooker: Cooker; prefer?: { flame?: FlameName | null; level?: Level } }[],
): Equivalent<Id>[] {
  return cookers.flatMap(({ id, cooker, prefer }) =>
    stylesFor(cooker).map((kind) => ({
      id,
      style: kind,
      outcome: plan({ ...request, cooker, style: styleOf(kind, prefer), release: 'auto' }, { range: false }),
    })),
  )
}
