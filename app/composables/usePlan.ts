import type { MaybeRefOrGetter } from 'vue'
import type { Simulation } from '~~/core/pot/case'
import type { PlanAnswer } from '~~/core/program/answer'
import type { PlanRequest } from '~~/core/program/request'

/**
 * The plan for a request with its curve, worked out anew with every change. While the request cannot be
 * answered the last good answer stays, so that the drawings do not jump away under the cook's hands.
 */
export function usePlan(request: MaybeRefOrGetter<PlanRequest | null>) {
  const { result, failed } = useWorked(request, (work, asked) => work.plan(asked), 'answer')
  const last = shallowRef<{ answer: PlanAnswer; curve: Simulation } | null>(null)
  watch(result, (now) => {
    if (now?.outcome.ok) last.value = { answer: now.outcome.value, curve: now.curve! }
  })
  const problems = computed(() => (result.value && !result.value.outcome.ok ? result.value.outcome.problems : []))
  return {
    answer: computed(() => last.value?.answer ?? null),
    curve: computed(() => last.value?.curve ?? null),
    problems,
    failed,
  }
}
