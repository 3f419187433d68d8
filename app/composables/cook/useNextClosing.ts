import type { MaybeRefOrGetter } from 'vue'
import type { LivePlan } from '~~/core/live/course'
import type { MoreProgram, PotInRun } from '~~/core/program/remedy'

/**
 * What it takes to close a pot again from where it is. While a newer question is open there is no answer, so that
 * nobody closes the lid on the figure before.
 */
export function useNextClosing(plan: MaybeRefOrGetter<LivePlan>) {
  const { t, problemText } = useI18nText()
  const more = shallowRef<MoreProgram | null>(null)
  const problem = ref('')
  let turn = 0

  async function ask(state: PotInRun | null): Promise<void> {
    const mine = ++turn
    more.value = null
    if (!state) return
    const asked = { request: { ...toValue(plan).request, given: undefined }, state }
    const plain = JSON.parse(JSON.stringify(asked)) as typeof asked
    try {
      const found = await useLiveWorker().nextClosing(plain.request, plain.state)
      if (mine !== turn) return
      more.value = found.ok ? found.value : null
      problem.value = found.ok ? '' : problemText(found.problems[0]!)
    } catch (error) {
      console.error(error)
      if (mine === turn) problem.value = t('errors.computing')
    }
  }
  return { more, problem, ask }
}
