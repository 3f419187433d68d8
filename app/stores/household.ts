import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import type { RunWithPlan, Whoami } from '~~/shared/household'

/** Whose kitchen this is, and who is at this device: the one place on this side that says so. */
export const useHouseholdStore = defineStore('household', () => {
  // Known without a network too: what is written down then still says who did it.
  const known = useLocalStorage<Whoami | null>('bivvet-household', null, {
    serializer: { read: (text) => JSON.parse(text) as Whoami | null, write: JSON.stringify },
    shallow: true,
  })

  async function load() {
    try {
      known.value = await api<Whoami>('/household')
    } catch {
      // The kitchen's own failure is shown; who was here before is most likely still here.
    }
  }

  const household = computed(() => known.value?.household ?? null)
  const member = computed(() => known.value?.member ?? null)
  /** What somebody did at another device to how this member signs in. */
  const signIn = computed(() => known.value?.signIn ?? null)
  /** Null in a household that is open to all. */
  const device = computed(() => known.value?.device ?? null)
  /** What somebody is called who did something; null for who is not known. */
  const nameOf = (id: string | null | undefined) => (id && known.value?.names?.[id]) || null
  /** Who lit a pot, where there is more than one who could have. */
  function lighterOf({ events }: Pick<RunWithPlan, 'events'>): string | null {
    if (Object.keys(known.value?.names ?? {}).length < 2) return null
    return nameOf(events.find(({ data }) => data.kind === 'lit')?.by)
  }
  /** Counts what was heard of who is in and at which devices. */
  const heard = ref(0)
  whenChanged('household', () => {
    heard.value++
    void load()
  })
  return { household, member, device, signIn, nameOf, lighterOf, heard, load }
})
