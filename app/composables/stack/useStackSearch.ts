import { proxy } from 'comlink'
import { holdsPressure } from '~~/core/appliance/appliance'
import { CATALOGUE } from '~~/core/food/catalogue'
import type { StyleKind } from '~~/core/names'
import type { Problem } from '~~/core/problem'
import type { Repair } from '~~/core/stack/repair'
import { MOST_STACKED_FOODS } from '~~/core/stack/ask'
import type { StackAnswer, StackResult } from '~~/core/stack/search'
import { inUse, type HouseholdCooker } from '~~/shared/kitchen'
import { stackAskOf, withStack } from '~~/shared/pot-request'

/** “Work it out” and “what else can go in?”, in a thread of their own: with progress, and stopped at once. */
export function useStackSearch() {
  const pot = usePotStore()
  const kitchen = useKitchenStore()
  const busy = ref<'search' | 'more' | null>(null)
  const done = ref(0)
  const failed = ref(false)
  const result = shallowRef<(StackResult & { repair: Repair | null }) | null>(null)
  const problems = shallowRef<readonly Problem[]>([])
  /** Another cooker of the kitchen in which it all goes as it is, where it does not go in this one. */
  const elsewhere = shallowRef<HouseholdCooker | null>(null)
  const more = shallowRef<{ food: string; minutes: number }[] | null>(null)
  let turn = 0

  const askNow = () => (pot.cooker && pot.styleKind ? askOf(pot.cooker, pot.styleKind) : null)
  function askOf(of: HouseholdCooker, style: StyleKind) {
    const ask = stackAskOf(pot.form, kitchen.loaded, of, style, serverNow(), useLearntStore().believed)
    return ask && toPlain(ask)
  }
  /** What the thread answers, unless it was stopped or failed meanwhile; then the screen is free again. */
  async function attempt<T>(mine: number, work: () => Promise<T>): Promise<T | null> {
    failed.value = false
    try {
      const found = await work()
      if (mine !== turn) return null
      busy.value = null
      return found
    } catch (error) {
      console.error(error)
      if (mine === turn) {
        busy.value = null
        failed.value = true
        stopWorker('search')
      }
      return null
    }
  }
  const tell = () => proxy((count: number) => void (done.value = count))

  async function search() {
    const ask = askNow()
    if (!ask) return
    stop()
    const mine = ++turn
    elsewhere.value = null
    busy.value = 'search'
    done.value = 0
    const outcome = await attempt(mine, () => useWorker('search').searchStack(ask, tell()))
    if (!outcome) return
    problems.value = outcome.ok ? [] : outcome.problems
    result.value = outcome.ok ? outcome.value : null
    const best = result.value?.answers[0] ?? result.value?.nearest
    if (best) take(best)
    if (result.value?.answers.length === 0) await lookElsewhere(mine)
  }

  async function lookElsewhere(mine: number) {
    const others = inUse(kitchen.loaded.cookers).filter(
      ({ id, cooker }) => id !== pot.cooker?.id && cooker.body && holdsPressure(cooker.appliance),
    )
    for (const one of others) {
      const style = pot.styleOf(one)
      const ask = style && askOf(one, style)
      const fits = ask && (await attempt(mine, () => useWorker('search').stackFits(ask)))
      if (mine !== turn) return
      if (fits) {
        elsewhere.value = one
        return
      }
    }
  }

  const MORE_G = 100
  async function whatElse() {
    const ask = askNow()
    if (!ask || ask.foods.length >= MOST_STACKED_FOODS) return
    stop()
    const mine = ++turn
    busy.value = 'more'
    done.value = 0
    const used = new Set(ask.foods.map(({ food }) => food))
    const candidates = CATALOGUE.filter(({ id }) => !used.has(id)).map(({ id }) => ({
      food: id,
      dryG: MORE_G,
      soak: null,
      soakMayChange: true,
      lock: 'any' as const,
    }))
    const found = await attempt(mine, () => useWorker('search').whatElse(ask, candidates, tell()))
    if (found) more.value = found
  }

  function stop() {
    if (busy.value === null) return
    turn++
    stopWorker('search')
    busy.value = null
  }
  const take = (answer: StackAnswer) => pot.replace(withStack(pot.form, answer), pot.keptAs?.id ?? null)
  onScopeDispose(stop)
  return { search, whatElse, stop, take, busy, done, failed, result, elsewhere, problems, more }
}
