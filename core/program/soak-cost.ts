import type { Soak } from '../food/food.schema'
import type { Outcome } from '../problem'
import type { PlanAnswer } from './answer'
import { plan } from './plan'
import type { PlanRequest } from './request.schema'

export type SoakOptionId = 'none' | 'hot-hour' | 'half-day' | 'overnight'

/** What a cook who forgot to soak can still do. */
const OPTIONS: readonly { id: SoakOptionId; soak: Omit<Soak, 'keepWater'> | null }[] = [
  { id: 'none', soak: null },
  { id: 'hot-hour', soak: { hours: 1, waterC: 95 } },
  { id: 'half-day', soak: { hours: 4, waterC: 20 } },
  { id: 'overnight', soak: { hours: 9, waterC: 20 } },
]

export interface SoakCost {
  id: SoakOptionId
  soak: Soak | null
  /** Minutes of soaking before the pot is lit. */
  soakMinutes: number
  outcome: Outcome<PlanAnswer>
}

/**
 * What soaking saves and not soaking costs: the whole plan for each way of soaking one food of the
 * request. Never a refusal; the plan's own cautions say what must be soaked.
 */
export function soakCosts(request: PlanRequest, contentIndex: number): SoakCost[] {
  return OPTIONS.map(({ id, soak }) => {
    const whole = soak && { ...soak, keepWater: false }
    const contents = request.contents.map((content, i) => (i === contentIndex ? { ...content, soak: whole } : content))
    return {
      id,
      soak: whole,
      soakMinutes: (soak?.hours ?? 0) * 60,
      outcome: plan({ ...request, contents }, { range: false }),
    }
  })
}
