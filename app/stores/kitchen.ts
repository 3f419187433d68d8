import { useDebounceFn, useEventListener, useIntervalFn, useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { findFood } from '~~/core/food/catalogue'
import { CUP_ML } from '~~/core/measure/measure'
import { foodById, inUse, type Kitchen } from '~~/shared/kitchen'
import type { VersionedKitchen } from '~~/shared/kitchen.schema'
import { STORED } from '~/composables/storageShape'

const SAVE_AFTER_MS = 700
const TRY_AGAIN_MS = 4000

/**
 * The household's kitchen: one document, shared by all screens. Whoever changes it changes it here; it is kept on the
 * server a moment later, one change after another. What has not got there yet is kept on the device, over reloads.
 */
export const useKitchenStore = defineStore('kitchen', () => {
  /** As it stands here, changes that are not kept yet included. */
  const kitchen = ref<Kitchen | null>(null)
  /** The same where it is certain to be there: whatever is shown inside a layout (app/layouts/default.vue). */
  const loaded = computed(() => {
    if (!kitchen.value) throw new Error('The kitchen is asked for before it was fetched.')
    return kitchen.value
  })
  /** The version from which this one was changed, and as what it was last kept. */
  let version = 0
  let keptContent = ''
  const unsent = useLocalStorage<VersionedKitchen | null>(STORED.kitchen, null, {
    serializer: { read: (text) => JSON.parse(text) as VersionedKitchen | null, write: JSON.stringify },
    shallow: true,
  })
  const state = ref<'kept' | 'waiting' | 'offline' | 'refused' | 'conflict'>('kept')
  const failure = ref<ApiFailure | null>(null)
  const loading = ref(false)
  /** What another device has made of it meanwhile, when both cannot stand. */
  const theirs = shallowRef<VersionedKitchen | null>(null)
  /** Counts how often the whole was replaced by what another device has kept. */
  const takenOver = ref(0)

  const contentOf = (of: Kitchen | null) => JSON.stringify(of)
  const isDirty = () => kitchen.value !== null && contentOf(kitchen.value) !== keptContent

  function take({ version: at, kitchen: now }: VersionedKitchen) {
    version = at
    keptContent = contentOf(now)
    kitchen.value = JSON.parse(keptContent) as Kitchen
    unsent.value = null
    theirs.value = null
    failure.value = null
    state.value = 'kept'
    takenOver.value++
  }

  /** Fetches the kitchen; what is not kept yet stays, and is sent on. */
  async function load() {
    loading.value = true
    try {
      const now = await api<VersionedKitchen>('/kitchen')
      if (state.value === 'kept') failure.value = null
      if (kitchen.value === null && unsent.value) {
        // Left over from before a reload.
        ;({ version } = unsent.value)
        keptContent = now.version === version ? contentOf(now.kitchen) : ''
        kitchen.value = unsent.value.kitchen
        state.value = 'waiting'
        await save()
      } else if (!isDirty() && !saving && now.version !== version) take(now)
    } catch (error) {
      if (kitchen.value === null) failure.value = failureOf(error)
    } finally {
      loading.value = false
    }
  }

  let saving: Promise<void> | null = null
  /** Keeps what has changed; done when it is kept or cannot be. Saves follow one another, never side by side. */
  async function save(): Promise<void> {
    while (saving) await saving
    if (theirs.value) return
    saving = send()
    try {
      await saving
    } finally {
      saving = null
    }
    if (state.value === 'waiting' && isDirty() && !failure.value) await save()
  }

  async function send(): Promise<void> {
    if (!isDirty()) {
      state.value = 'kept'
      failure.value = null
      unsent.value = null
      return
    }
    const content = contentOf(kitchen.value)
    const body: VersionedKitchen = { version, kitchen: JSON.parse(content) as Kitchen }
    try {
      const now = await api<VersionedKitchen>('/kitchen', { method: 'PUT', body })
      version = now.version
      keptContent = content
      failure.value = null
      state.value = isDirty() ? 'waiting' : 'kept'
      if (state.value === 'kept') unsent.value = null
    } catch (error) {
      failure.value = failureOf(error)
      const { kind, status, now } = failure.value
      if (status === 409 && now) {
        theirs.value = now as VersionedKitchen
        state.value = 'conflict'
      } else state.value = kind === 'refused' ? 'refused' : 'offline'
    }
  }

  /** What another device has made of it stands; what was changed here goes. */
  const takeTheirs = () => theirs.value && take(theirs.value)
  /** What stands here is put over what another device has made of it. */
  async function putOurs() {
    if (!theirs.value) return
    ;({ version } = theirs.value)
    theirs.value = null
    state.value = 'waiting'
    failure.value = null
    await save()
  }

  const saveSoon = useDebounceFn(() => save(), SAVE_AFTER_MS)
  watch(
    kitchen,
    () => {
      if (!isDirty()) {
        if (state.value === 'waiting' || state.value === 'refused') void saveSoon()
        return
      }
      unsent.value = { version, kitchen: JSON.parse(contentOf(kitchen.value)) as Kitchen }
      if (state.value === 'conflict') return
      state.value = 'waiting'
      failure.value = null
      void saveSoon()
    },
    { deep: true },
  )
  const tryAgain = () => state.value === 'offline' && !saving && void save()
  useIntervalFn(tryAgain, TRY_AGAIN_MS)
  useEventListener(window, 'online', tryAgain)
  whenChanged('kitchen', () => void load())

  /** The cup that water is told in. */
  const cup = computed(
    () => inUse(kitchen.value?.measures ?? [])[0] ?? { id: 'cup-240', name: 'Cup', volumeMl: CUP_ML },
  )

  const { t } = useNuxtApp().$i18nText
  const food = (id: string) => (kitchen.value ? foodById(kitchen.value, id) : findFood(id))
  /** What a food is called; its id where it has gone. */
  const foodName = (id: string) => food(id)?.name ?? (findFood(id) ? t(`catalogue.${id}.name`) : id)

  return {
    kitchen,
    loaded,
    state,
    failure,
    loading,
    theirs,
    takenOver,
    load,
    save,
    takeTheirs,
    putOurs,
    cup,
    food,
    foodName,
  }
})
