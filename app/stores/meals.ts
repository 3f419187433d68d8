import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { v4 as uuid } from 'uuid'
import type { Instruction } from '~~/core/guide/instruction'
import { STORED, unsentIds } from '~/composables/documents/storageShape'
import type { KeptMeal } from '~~/shared/household'
import { isCurrent, mergedMeals, type Meal } from '~~/shared/meal'

const MOST_UNDO = 60

/** The household's dinners. What is changed here is seen at once, and sent when the server can be reached. */
export const useMealsStore = defineStore('meals', () => {
  const { all, ...list } = keptList('meal')
  const nowMs = useNow()
  /** All that is done in each task of a dinner of these dishes, once Today has worked it out. */
  const told = shallowRef<{ dishes: string; byTask: ReadonlyMap<string, readonly Instruction[]> } | null>(null)
  /** What is done in a task of a dinner; empty where what was worked out is of other dishes. */
  const toldOf = ({ dishes }: Meal, task: string): readonly Instruction[] =>
    told.value?.dishes === JSON.stringify(dishes) ? (told.value.byTask.get(task) ?? []) : []

  const scope = getCurrentScope()!
  const changed = shallowReactive(new Map<string, ReturnType<typeof syncedDocument<'meal'>>>())
  /** A dinner that was changed here; what another device has made of it meanwhile is put together with that. */
  function changing(id: string) {
    const found = changed.get(id)
    if (found) return found
    const made = scope.run(() =>
      syncedDocument('meal', id, { merge: mergedMeals, onKept: (kept) => list.put(kept), shallow: true }),
    )!
    changed.set(id, made)
    return made
  }
  for (const id of unsentIds('meal')) {
    const left = changing(id)
    left.takeUp()
    void left.save()
  }

  const meals = computed<KeptMeal[] | null>(() => {
    const listed = new Map((all.value ?? []).map((kept) => [kept.id, kept]))
    const own = [...changed].flatMap(([id, { content, state, version }]): KeptMeal[] => {
      if (!content.value || (state.value === 'kept' && listed.has(id))) return []
      const before = listed.get(id)
      const kept = {
        id,
        version: version(),
        name: '',
        favourite: false,
        updatedAt: new Date(serverNow()).toISOString(),
      }
      return [{ ...kept, ...before, content: content.value }]
    })
    if (all.value === null) return own.length > 0 ? own : null
    const here = new Set(own.map(({ id }) => id))
    return [...own, ...all.value.filter(({ id }) => !here.has(id))]
  })
  /** The day's: the nearest that is not over. */
  const current = computed<KeptMeal | null>(() => {
    const coming = (meals.value ?? []).filter(({ content }) => isCurrent(content, nowMs.value))
    return coming.sort((a, b) => a.content.servedAt - b.content.servedAt)[0] ?? null
  })
  // On other places than the day's its steps are only looked for while there is one.
  const until = useLocalStorage(STORED.mealUntil, 0)
  watch(
    [current, () => meals.value === null],
    ([now, isUnknown]) => (until.value = now ? now.content.servedAt : isUnknown ? until.value : 0),
    { immediate: true },
  )
  const one = (id: string) => meals.value?.find((kept) => kept.id === id) ?? null

  /** Stands here as that, and is sent. */
  function put(kept: KeptMeal, content: Meal) {
    const doc = changing(kept.id)
    if (!doc.isDirty() && kept.version !== doc.version()) doc.take(kept)
    doc.content.value = content
    void doc.save()
  }

  const undoable = shallowRef<{ id: string; meal: Meal }[]>([])
  /** Changes one, here and then on the server; what the cook does can be undone. */
  function change(id: string, by: (meal: Meal) => Meal, { undo = true } = {}) {
    const kept = one(id)
    if (!kept) return
    const meal = by(kept.content)
    if (JSON.stringify(meal) === JSON.stringify(kept.content)) return
    if (undo) undoable.value = [...undoable.value.slice(-MOST_UNDO), { id, meal: kept.content }]
    put(kept, meal)
  }
  function undo() {
    const last = undoable.value.at(-1)
    const kept = last && one(last.id)
    if (!kept) return
    undoable.value = undoable.value.slice(0, -1)
    put(kept, last.meal)
  }
  function start(meal: Meal): string {
    const id = uuid()
    changing(id).begin(meal)
    return id
  }
  const refused = ref<ApiFailure | null>(null)
  async function remove(kept: KeptMeal) {
    changed.get(kept.id)?.forget()
    refused.value = null
    await list.remove({ id: kept.id }).catch((error: unknown) => {
      refused.value = failureOf(error)
      // With all that was changed in it and not sent yet.
      if (refused.value.status !== 404) putBack(kept)
    })
  }
  const putBack = (kept: KeptMeal) => changing(kept.id).putBack(kept)

  const isUnsent = computed(() =>
    [...changed.values()].some(({ content, state }) => content.value && state.value !== 'kept'),
  )
  const failure = computed(
    () => refused.value ?? [...changed.values()].map((doc) => doc.failure.value).find((one) => one !== null) ?? null,
  )
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
