import { CUP_ML } from '../measure/measure'
import { failed, type Outcome } from '../problem'
import { FINGER_MM, folkRulesFor, type FolkRule, type WaterFate } from '../water/folk'
import { coveringMl } from '../water/volume'
import { bulkBefore } from './bulk'
import { plan } from './plan'
import { prepare, type PreparedFood } from './prepared'
import type { PlanRequest } from './request.schema'

export const BATCH_TIMES = [0.5, 1, 2, 4] as const

export interface FolkOutcome {
  rule: FolkRule
  pourG: number
  /** Null where so much water does not fit into the pot. */
  fate: WaterFate | null
}

export interface BatchRatio {
  times: number
  dryG: number
  pourG: number
  /** Water by volume of dry food; null where there is no cup figure. */
  ratioByVolume: number | null
  folk: FolkOutcome[]
}

/**
 * The water at half to four times the batch, beside what the common ratios would pour and what would
 * come of it. Uptake scales with the batch and steam hardly does, so a ratio that is right once is
 * too wet for more and too dry for less. Batches that cannot be planned (too much for the pot) are
 * left out; the request as it is must be possible.
 */
export function ratiosByBatch(request: PlanRequest): Outcome<BatchRatio[]> {
  const rows: BatchRatio[] = []
  for (const times of BATCH_TIMES) {
    const scaled: PlanRequest = {
      ...request,
      contents: request.contents.map((content) => ({ ...content, dryG: content.dryG * times })),
      liquids: request.liquids.map((liquid) => ({ ...liquid, g: liquid.g * times })),
    }
    const prepared = prepare(scaled)
    const outcome = plan(scaled, { range: false })
    if (!prepared.ok || !outcome.ok) {
      const reasons = !prepared.ok ? prepared : outcome
      if (times === 1 && !reasons.ok) return failed(...reasons.problems)
      continue
    }
    const { water } = outcome.value.closings[0]!
    const foods = prepared.value.foods.filter(({ tin }) => tin === null)
    rows.push({
      times,
      dryG: foods.reduce((sum, { dryG }) => sum + dryG, 0),
      pourG: water.pourG,
      ratioByVolume: water.ratioByVolume,
      folk: foods.length === 1 ? folkOutcomes(scaled, foods[0]!, prepared.value.cooker.body.innerDiameterMm) : [],
    })
  }
  return { ok: true, value: rows }
}

function folkOutcomes(
  request: PlanRequest,
  { food, dryG, ...item }: PreparedFood,
  innerDiameterMm: number,
): FolkOutcome[] {
  return folkRulesFor(food).flatMap((rule) => {
    if (rule.id === 'per-volume' && food.cupG === null) return []
    const pourG =
      rule.id === 'finger'
        ? coveringMl([bulkBefore({ food, dryG, ...item })], innerDiameterMm, FINGER_MM)
        : (rule.times * dryG * CUP_ML) / food.cupG!
    const outcome = plan({ ...request, given: [{ pourG }] }, { range: false })
    if (outcome.ok) return [{ rule, pourG, fate: outcome.value.becomes }]
    // With so little that it boils dry, or never comes to pressure, it burns on.
    return [{ rule, pourG, fate: outcome.problems[0]!.code === 'water-over-capacity' ? null : 'scorches' }]
  })
}
