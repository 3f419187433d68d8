import type { Cooker, FlameName } from '../pot/cookers'
import type { Outcome } from '../problem'
import type { PlanAnswer } from './answer'
import { plan } from './plan'
import type { PlanRequest, Style, StyleKind } from './request'
import { stylesFor } from './styles'

/** The usual style of a kind, with the flame and level that the cook prefers. */
export function styleOf(kind: StyleKind, prefer: { flame?: FlameName; level?: 'high' | 'low' } = {}): Style {
  const { flame = 'medium', level = 'high' } = prefer
  switch (kind) {
    case 'whistles':
    case 'clock':
      return { kind, flame }
    case 'high-then-low':
      return { kind, whistles: 2 }
    case 'electric':
    case 'slow':
      return { kind, level }
    case 'open':
      return { kind, lid: true }
    case 'basket':
      return { kind, tempC: 100 }
    default:
      return { kind }
  }
}

export interface Equivalent<Id> {
  id: Id
  style: StyleKind
  outcome: Outcome<PlanAnswer>
}

/** The same food in other cookers, in every style that each of them knows; without ranges, to be quick. */
export function equivalents<Id>(
  request: PlanRequest,
  cookers: readonly { id: Id; cooker: Cooker; prefer?: { flame?: FlameName; level?: 'high' | 'low' } }[],
): Equivalent<Id>[] {
  return cookers.flatMap(({ id, cooker, prefer }) =>
    stylesFor(cooker).map((kind) => ({
      id,
      style: kind,
      outcome: plan({ ...request, cooker, style: styleOf(kind, prefer), release: 'auto' }, { range: false }),
    })),
  )
}
