import type { MaybeRefOrGetter } from 'vue'
import type { Simulation } from '~~/core/pot/simulation'
import type { PlanAnswer } from '~~/core/program/answer'
import type { PlanRequest } from '~~/core/program/request.schema'

/**
 * The plan for a request with its curve, worked out anew with every change. While the request cannot be
 * answered the last good answer stays, so that the drawings do not jump away under the cook's hands.
 */
export function usePlan(request: MaybeRefOrGetter<PlanRequest | null>) {
  const { result, failed } = useWorked(request, (work, asked) => work.plan(asked), 'answer')
  const last = shallowRef<{ answer: PlanAnswer; curves: Simulation[] } | null>(null)
  watch(result, (now) => {
    if (now?.outcome.ok) last.value = { answer: now.outcome.value, curves: now.curves! }
  })
  const problems = computed(() => (result.value && !result.value.outcome.ok ? result.value.outcome.problems : []))
  return {
    answer: computed(() => last.value?.answer ?? null),
    /** One for each closing of the lid. */
    curves: computed(() => last.value?.curves ?? []),
    problems,
    failed,
  }
}
