import type { MaybeRefOrGetter } from 'vue'
import { simulate } from '~~/core/pot/simulate'
import type { PlanAnswer } from '~~/core/program/answer'

/** The curve of a kept plan, for drawing it. */
export function useCurve(answer: MaybeRefOrGetter<PlanAnswer | null>) {
  return computed(() => {
    const given = toValue(answer)
    return given ? simulate(given.simulation, { trace: true }) : null
  })
}
