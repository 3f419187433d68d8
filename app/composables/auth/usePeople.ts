import type { People } from '~~/shared/household'

/** Who is in the household, at which devices, and what can be done about it. */
export function usePeople() {
  const auth = useAuth()
  const people = ref<People | null>(null)
  const failure = ref<ApiFailure | null>(null)

  async function load() {
    try {
      people.value = await api<People>('/people')
      failure.value = null
    } catch (error) {
      failure.value = failureOf(error)
    }
  }
  void load()
  watch(
    () => useHouseholdStore().heard,
    () => void load(),
  )

  /** Does something of it, and looks at how all stands then. */
  async function change(path: string, method: 'POST' | 'PATCH' | 'DELETE', body?: object): Promise<boolean> {
    const done = await auth.attempt(() => api(`/people/${path}`, { method, ...(body ? { body } : {}) }))
    if (done) await Promise.all([load(), useHouseholdStore().load()])
    return done
  }

  /** A one-time link, with when it ends; null where there is none to be had. */
  async function invite(mealId: string | null = null): Promise<{ url: string; expiresAt: number } | null> {
    let made: { token: string; expiresAt: number } | null = null
    await auth.attempt(async () => {
      made = await api<{ token: string; expiresAt: number }>('/people/invites', { method: 'POST', body: { mealId } })
      await load()
    })
    if (!made) return null
    const { token, expiresAt } = made as { token: string; expiresAt: number }
    return { url: `${window.location.origin}/${mealId ? 'guest' : 'join'}/${token}`, expiresAt }
  }

  return { ...auth, people, failure, load, change, invite }
}
