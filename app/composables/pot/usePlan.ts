import type { MaybeRefOrGetter } from 'vue'
import type { Simulation } from '~~/core/pot/simulation'
import type { PlanAnswer } from '~~/core/program/answer'
import type { PlanRequest } from '~~/core/program/request.schema'

/** The pot of a request, whatever figures the cook tries on it. */
const potOf = ({ given: _, ...pot }: PlanRequest) => JSON.stringify(pot)

/**
 * The plan for a request with its curve, worked out anew with every change. A request that cannot be answered has
 * none: figures of another pot would be taken for its own. Only where figures are tried on a pot that has a plan
 * does that stay, with what is wrong beside it: it is what they are tried on. Where the way to cook it is free,
 * one is taken whose whistles can be counted.
 */
export function usePlan(asked: MaybeRefOrGetter<PlanRequest | null>, isFree: MaybeRefOrGetter<boolean> = false) {
  const question = computed(() => {
    const request = toValue(asked)
    return request && { request, isFree: toValue(isFree) }
  })
  // Asked first, and shown until the whole is there: what is looked at changes with the key that is pressed.
  const { result: lead } = useWorked(question, (work, { request, isFree: free }) => work.lead(request, free), 'answer')
  const { result, failed } = useWorked(
    question,
    async (work, { request, isFree: free }) => ({ asked: request, ...(await work.plan(request, free)) }),
    'answer',
  )
  const last = shallowRef<{ pot: string; answer: PlanAnswer; curves: Simulation[] } | null>(null)
  watch(result, (now) => {
    const pot = now && potOf(now.asked)
    if (now?.outcome.ok) last.value = { pot: pot!, answer: now.outcome.value, curves: now.curves! }
    else if (last.value?.pot !== pot) last.value = null
  })
  return {
    answer: computed(() => last.value?.answer ?? null),
    /** The great figures of the first closing, a moment before the answer. */
    lead: computed(() => (last.value ? lead.value : null)),
    /** One for each closing of the lid. */
    curves: computed(() => last.value?.curves ?? []),
    /** The request that is answered, and the count that would have been lost where it is another than was asked. */
    taken: computed(() => result.value?.request ?? null),
    instead: computed(() => result.value?.instead ?? null),
    problems: computed(() => (result.value && !result.value.outcome.ok ? result.value.outcome.problems : [])),
    failed,
  }
}
