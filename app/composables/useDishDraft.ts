import { useDebounceFn, useEventListener, useIntervalFn, useLocalStorage, useRefHistory } from '@vueuse/core'
import type { DishDocument } from '~~/shared/dish'
import type { KeptDish } from '~~/shared/household'
import { STORED } from '~/composables/storageShape'

const SAVE_AFTER_MS = 700
const TRY_AGAIN_MS = 4000
const MOST_UNDO = 120

interface Unsent {
  version: number
  favourite: boolean
  dish: DishDocument
}

/**
 * A dish as it is being changed: kept on the server a moment after each change, one change after another; what has
 * not got there yet is kept on the device, over reloads. Undo and redo over all of it.
 */
export function useDishDraft(id: string) {
  const store = useDishesStore()
  const dish = ref<DishDocument | null>(null)
  const favourite = ref(false)
  const state = ref<'loading' | 'missing' | 'kept' | 'waiting' | 'offline' | 'refused' | 'conflict'>('loading')
  const failure = ref<ApiFailure | null>(null)
  const theirs = shallowRef<KeptDish | null>(null)
  const unsent = useLocalStorage<Record<string, Unsent>>(STORED.dishes, {})
  const { undo, redo, canUndo, canRedo, clear } = useRefHistory(dish, { deep: true, capacity: MOST_UNDO })
  let version = 0
  let keptContent = ''
  let saving: Promise<void> | null = null
  const contentOf = () => JSON.stringify([favourite.value, dish.value])
  const isDirty = () => dish.value !== null && contentOf() !== keptContent

  async function take(kept: KeptDish) {
    version = kept.version
    favourite.value = kept.favourite
    dish.value = JSON.parse(JSON.stringify(kept.dish)) as DishDocument
    keptContent = contentOf()
    forget()
    theirs.value = null
    failure.value = null
    state.value = 'kept'
    // What was there before is not this screen's to undo.
    await nextTick()
    clear()
  }
  function forget() {
    const { [id]: _, ...others } = unsent.value
    unsent.value = others
  }

  async function load() {
    try {
      const now = await store.fetchOne(id)
      const left = unsent.value[id]
      if (dish.value === null && left) {
        version = left.version
        favourite.value = left.favourite
        dish.value = left.dish
        keptContent = left.version === now.version ? JSON.stringify([now.favourite, now.dish]) : ''
        await save()
      } else if (!isDirty() && now.version !== version) await take(now)
    } catch (error) {
      failure.value = failureOf(error)
      if (dish.value === null) state.value = failure.value.status === 404 ? 'missing' : 'offline'
    }
  }

  async function save(): Promise<void> {
    while (saving) await saving
    if (theirs.value || !isDirty()) return
    saving = send()
    await saving
    saving = null
    if (state.value === 'waiting' && isDirty()) await save()
  }
  async function send() {
    const content = contentOf()
    state.value = 'waiting'
    try {
      const body = { version, favourite: favourite.value, dish: JSON.parse(JSON.stringify(dish.value)) as DishDocument }
      const now = await store.save(id, body)
      version = now.version
      keptContent = content
      failure.value = null
      state.value = isDirty() ? 'waiting' : 'kept'
      if (state.value === 'kept') forget()
    } catch (error) {
      failure.value = failureOf(error)
      const { kind, status, now } = failure.value
      if (status === 409 && now) {
        theirs.value = now as KeptDish
        state.value = 'conflict'
      } else state.value = kind === 'refused' ? 'refused' : 'offline'
    }
  }
  const takeTheirs = () => theirs.value && take(theirs.value)
  async function putOurs() {
    if (!theirs.value) return
    ;({ version } = theirs.value)
    theirs.value = null
    await save()
  }

  const saveSoon = useDebounceFn(() => save(), SAVE_AFTER_MS)
  watch(
    [dish, favourite],
    () => {
      if (!isDirty()) {
        // Back to what is kept, by undo.
        if (!saving && (state.value === 'waiting' || state.value === 'refused')) {
          state.value = 'kept'
          failure.value = null
          forget()
        }
        return
      }
      const plain = JSON.parse(JSON.stringify(dish.value)) as DishDocument
      unsent.value = { ...unsent.value, [id]: { version, favourite: favourite.value, dish: plain } }
      if (state.value === 'conflict') return
      state.value = 'waiting'
      void saveSoon()
    },
    { deep: true },
  )
  const tryAgain = () => {
    if (state.value !== 'offline') return
    if (dish.value === null) void load()
    else void save()
  }
  useIntervalFn(tryAgain, TRY_AGAIN_MS)
  useEventListener(window, 'online', tryAgain)
  watch(
    () => store.dishes?.find((one) => one.id === id)?.version,
    (now) => now !== undefined && now !== version && !saving && void load(),
  )
  void load()
  return { dish, favourite, state, failure, theirs, undo, redo, canUndo, canRedo, load, save, takeTheirs, putOurs }
}
