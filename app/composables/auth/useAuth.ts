import type { Found } from '~~/shared/auth.schema'
import type { Whoami } from '~~/shared/household'

/** What speaks to an authenticator comes when one is asked. */
const passkeys = () => import('@simplewebauthn/browser')
type Passkeys = Awaited<ReturnType<typeof passkeys>>

/** Some of what a stove needs is there at https and at this very machine alone. */
export const isSecurePlace = () => window.isSecureContext
/** A passkey belongs to a name: an address in figures has none. */
export const hasPasskeys = () => isSecurePlace() && !/^(\d+(\.\d+){3}|\[.*\])$/.test(window.location.hostname)

/** Signing in, joining and founding, with what went wrong in words. */
export function useAuth() {
  const { t, problemText } = useI18nText()
  const busy = ref(false)
  const problem = ref('')
  /** Of which field it is told. */
  const problemAt = ref('')
  /** The server wants to know first who sits here. */
  const isUnconfirmed = ref(false)

  async function attempt(work: () => Promise<unknown>): Promise<boolean> {
    busy.value = true
    problem.value = ''
    problemAt.value = ''
    isUnconfirmed.value = false
    try {
      await work()
      return true
    } catch (error) {
      // What a browser throws of a passkey says nothing to a cook.
      const isOfPasskey = error instanceof Error && (error.name === 'NotAllowedError' || 'cause' in error)
      const failure = failureOf(error)
      const [first] = failure.problems
      problemAt.value = first?.path ?? ''
      isUnconfirmed.value = first?.code === 'confirm-first'
      problem.value =
        failure.kind === 'refused' && first
          ? problemText(first)
          : t(isOfPasskey && failure.status === null ? 'auth.failed.passkey' : `auth.failed.${networkOr(failure)}`)
      return false
    } finally {
      busy.value = false
    }
  }

  const post = (path: string, body?: object) => api(`/auth/${path}`, { method: 'POST', ...(body ? { body } : {}) })
  return {
    busy,
    problem,
    problemAt,
    isUnconfirmed,
    attempt,
    enter: (signInName: string, password: string) => attempt(() => post('enter', { signInName, password })),
    found: (asked: Found) => attempt(() => post('household', asked)),
    join: (token: string, name: string) => attempt(() => post(`invites/${token}`, { name })),
    enterByPasskey: () =>
      attempt(async () => {
        const optionsJSON = await api<Parameters<Passkeys['startAuthentication']>[0]['optionsJSON']>('/auth/passkey')
        const { startAuthentication } = await passkeys()
        await post('passkey', { response: await startAuthentication({ optionsJSON }) })
      }),
    confirmByPassword: (password: string) =>
      attempt(() => api('/people/confirm', { method: 'POST', body: { password } })),
    confirmByPasskey: () =>
      attempt(async () => {
        const optionsJSON = await api<Parameters<Passkeys['startAuthentication']>[0]['optionsJSON']>('/people/confirm')
        const { startAuthentication } = await passkeys()
        const response = await startAuthentication({ optionsJSON })
        await api('/people/confirm', { method: 'POST', body: { response } })
      }),
    addPasskey: (label: string) =>
      attempt(async () => {
        const optionsJSON = await api<Parameters<Passkeys['startRegistration']>[0]['optionsJSON']>('/people/passkey')
        const { startRegistration } = await passkeys()
        const response = await startRegistration({ optionsJSON })
        await api('/people/passkey', { method: 'POST', body: { response, label } })
      }),
  }
}

const networkOr = ({ kind }: ApiFailure) => (kind === 'network' ? 'network' : 'server')

/** The look of the screen is the device's, not the household's. */
const STAYS = ['bivvet-theme']

/** What this device knew of a household goes. */
async function forgetHousehold(): Promise<void> {
  for (const name of Object.keys(localStorage)) if (!STAYS.includes(name)) localStorage.removeItem(name)
  sessionStorage.clear()
  // What the browser kept for use without a network, too.
  if ('caches' in window) for (const name of ['household', 'page']) await caches.delete(name)
}

/**
 * Opens the application anew for whoever is in now. What had not been sent stays where it is the same household's;
 * of another one nothing does.
 */
export async function beginAnew(path = '/'): Promise<void> {
  const before = useHouseholdStore().household?.id
  const now = await api<Whoami>('/household').catch(() => null)
  if (!now || before !== now.household.id) await forgetHousehold()
  window.location.assign(path)
}
