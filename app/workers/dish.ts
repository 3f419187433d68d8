import type { DishRequest, PotOfStage } from '~~/core/dish/dish.schema'
import { answerDish } from '~~/core/dish/dish'
import { floorsReached, scaled, waysToFit, type Straight } from '~~/core/dish/scale'

export { waysToRun } from '~~/core/dish/consistency'
export { elsewhere } from '~~/core/dish/elsewhere'
export { optionCosts } from '~~/core/dish/option-costs'
export { forgotten, standInsFor } from '~~/core/dish/instead'
export { answerDish }

/** A dish for so many, with what becomes of it, and how it fits where it no longer does. */
export function dishFor(
  request: DishRequest,
  servings: number,
  straight: Straight,
  others: Readonly<Record<string, PotOfStage>>,
) {
  const changed = scaled(request, servings, straight)
  if (!changed.ok) return changed
  const answer = answerDish(changed.value)
  if (!answer.ok) return answer
  const was = answerDish(request)
  return {
    ok: true as const,
    value: {
      dish: changed.value.dish,
      answer: answer.value,
      ways: waysToFit(changed.value, others),
      floors: was.ok ? floorsReached(answer.value, was.value) : [],
    },
  }
}

/** The figures of all pots of a dish, one after another; none where it cannot be worked out. */
export function potsOfDish(request: DishRequest) {
  const answer = answerDish(request)
  if (!answer.ok) return []
  return answer.value.stages.flatMap(
    ({ pot }) => pot?.answer.closings.map(({ range: { figure, unit } }) => ({ figure, unit })) ?? [],
  )
}

export type DishWork = typeof import('./dish')
