import { useIntervalFn, useEventListener, useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { v4 as uuid } from 'uuid'
import type { Instruction } from '~~/core/guide/instruction'
import { STORED } from '~/composables/storageShape'
import type { KeptMeal } from '~~/shared/household'
import { isCurrent, mergedMeals, type Meal } from '~~/shared/meal'
import type { SaveMeal } from '~~/shared/meal.schema'

/** A meal that the server does not have yet, with what it had when it was changed. */
type Unsent = KeptMeal & { base: Meal }

const TRY_AGAIN_MS = 4000
const MOST_UNDO = 60

/** The household's dinners. What is changed here is seen at once, and sent when the server can be reached. */
export const useMealsStore = defineStore('meals', () => {
  const { all, ...list } = keptList<KeptMeal, SaveMeal>('meal', '/meals')
  /** As they stand on this device, where the server does not have that yet; kept over reloads. */
  const unsent = useLocalStorage<Record<string, Unsent>>(STORED.meals, {}, { shallow: true })
  const nowMs = useNow()
  const failure = ref<ApiFailure | null>(null)
  /** All that is done in each task of a dinner of these dishes, once Today has worked it out. */
  const told = shallowRef<{ dishes: string; byTask: ReadonlyMap<string, readonly Instruction[]> } | null>(null)
  /** What is done in a task of a dinner; empty where what was worked out is of other dishes. */
  const toldOf = ({ dishes }: Meal, task: string): readonly Instruction[] =>
    told.value?.dishes === JSON.stringify(dishes) ? (told.value.byTask.get(task) ?? []) : []

  const meals = computed<KeptMeal[] | null>(() => {
    const own = Object.values(unsent.value)
    if (all.value === null) return own.length > 0 ? own : null
    return [...own, ...all.value.filter(({ id }) => !unsent.value[id])]
  })
  /** The day's: the nearest that is not over. */
  const current = computed<KeptMeal | null>(() => {
    const coming = (meals.value ?? []).filter(({ meal }) => isCurrent(meal, nowMs.value))
    return coming.sort((a, b) => a.meal.servedAt - b.meal.servedAt)[0] ?? null
  })
  // On other places than the day's its steps are only looked for while there is one.
  const until = useLocalStorage(STORED.mealUntil, 0)
  watch(current, (now) => (until.value = now ? now.meal.servedAt : meals.value === null ? until.value : 0), {
    immediate: true,
  })
  const one = (id: string) => meals.value?.find((kept) => kept.id === id) ?? null

  const keepHere = (kept: KeptMeal, base: Meal) => (unsent.value = { ...unsent.value, [kept.id]: { ...kept, base } })
  const baseOf = (kept: KeptMeal) => unsent.value[kept.id]?.base ?? kept.meal
  function forget(id: string) {
    const { [id]: _, ...others } = unsent.value
    unsent.value = others
  }

  const send = oneAtATime(sendAll)
  async function sendAll() {
    for (const id of Object.keys(unsent.value)) {
      let sent = unsent.value[id]
      while (sent) {
        try {
          const { version, meal } = sent
          const now = await list.save(id, { version, meal })
          failure.value = null
          // It may have been changed while it was on its way.
          const here: Unsent | undefined = unsent.value[id]
          if (here === sent || here === undefined) forget(id)
          else keepHere({ ...here, version: now.version }, now.meal)
          sent = here === sent ? undefined : unsent.value[id]
        } catch (error) {
          failure.value = failureOf(error)
          const theirs = failure.value.status === 409 ? (failure.value.now as KeptMeal | undefined) : undefined
          if (!theirs) break
          failure.value = null
          const here = unsent.value[id]!
          const merged = mergedMeals(here.base, theirs.meal, here.meal)
          keepHere({ ...here, version: theirs.version, meal: merged }, theirs.meal)
          sent = unsent.value[id]
        }
      }
    }
  }

  const undoable = shallowRef<{ id: string; meal: Meal }[]>([])
  /** Changes one, here and then on the server; what the cook does can be undone. */
  function change(id: string, by: (meal: Meal) => Meal, { undo = true } = {}) {
    const kept = one(id)
    if (!kept) return
    const meal = by(kept.meal)
    if (JSON.stringify(meal) === JSON.stringify(kept.meal)) return
    if (undo) undoable.value = [...undoable.value.slice(-MOST_UNDO), { id, meal: kept.meal }]
    keepHere({ ...kept, meal }, baseOf(kept))
    void send()
  }
  function undo() {
    const last = undoable.value.at(-1)
    const kept = last && one(last.id)
    if (!kept) return
    undoable.value = undoable.value.slice(0, -1)
    keepHere({ ...kept, meal: last.meal }, baseOf(kept))
    void send()
  }
  function start(meal: Meal): string {
    const id = uuid()
    keepHere({ id, version: 0, meal, updatedAt: new Date(serverNow()).toISOString() }, meal)
    void send()
    return id
  }
  async function remove(kept: KeptMeal) {
    forget(kept.id)
    await list.remove({ id: kept.id }).catch((error: unknown) => {
      failure.value = failureOf(error)
      if (failure.value.status !== 404) keepHere(kept, kept.meal)
    })
  }
  const putBack = (kept: KeptMeal) => {
    keepHere(kept, kept.meal)
    void send()
  }

  const tryAgain = () => Object.keys(unsent.value).length > 0 && void send()
  useIntervalFn(tryAgain, TRY_AGAIN_MS)
  useEventListener(window, 'online', tryAgain)
  const isUnsent = computed(() => Object.keys(unsent.value).length > 0)
  return {
    meals,
    current,
    told,
    toldOf,
    one,
    load: list.load,
    loadFailure: list.failure,
    failure,
    isUnsent,
    change,
    undo,
    undoable,
    start,
    remove,
    putBack,
  }
})
