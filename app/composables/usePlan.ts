import type { MaybeRefOrGetter } from 'vue'
import { simulate } from '~~/core/pot/simulate'
import { plan } from '~~/core/program/plan'
import type { PlanAnswer } from '~~/core/program/answer'
import type { PlanRequest } from '~~/core/program/request'

/**
 * The plan for a request, worked out anew with every change. While the request cannot be answered the
 * last good answer stays, so that the drawings do not jump away under the cook's hands.
 */
export function usePlan(request: MaybeRefOrGetter<PlanRequest | null>) {
  const outcome = computed(() => {
    const asked = toValue(request)
    return asked ? plan(asked) : null
  })
  const lastAnswer = shallowRef<PlanAnswer | null>(null)
  watch(
    outcome,
    (now) => {
      if (now?.ok) lastAnswer.value = now.value
    },
    { immediate: true },
  )
  const problems = computed(() => (outcome.value && !outcome.value.ok ? outcome.value.problems : []))
  const answer = computed(() => (outcome.value?.ok ? outcome.value.value : lastAnswer.value))
  return { answer, problems }
}

/** The curve of a plan, for drawing it. */
export function useCurve(answer: MaybeRefOrGetter<PlanAnswer | null>) {
  return computed(() => {
    const given = toValue(answer)
    return given ? simulate(given.simulation, { trace: true }) : null
  })
}
