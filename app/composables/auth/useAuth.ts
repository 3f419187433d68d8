import type { z } from 'zod'
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
  /** What is wrong, by the field of which it is told. */
  const problems = ref<{ path: string; text: string }[]>([])
  /** The server wants to know first who sits here. */
  const isUnconfirmed = ref(false)

  async function attempt(work: () => Promise<unknown>): Promise<boolean> {
    busy.value = true
    problems.value = []
    isUnconfirmed.value = false
    try {
      await work()
      return true
    } catch (error) {
      // What a browser throws of a passkey says nothing to a cook.
      const isOfPasskey = error instanceof Error && (error.name === 'NotAllowedError' || 'cause' in error)
      const failure = failureOf(error)
      const [first] = failure.problems
      isUnconfirmed.value = first?.code === 'confirm-first'
      problems.value =
        failure.kind === 'refused' && first
          ? failure.problems.map((one) => ({ path: one.path, text: problemText(one) }))
          : [
              {
                path: '',
                text: t(
                  isOfPasskey && failure.status === null ? 'auth.failed.passkey' : `auth.failed.${networkOr(failure)}`,
                ),
              },
            ]
      return false
    } finally {
      busy.value = false
    }
  }

  /**
   * Sends a form that the server's own schema accepts; else all its problems are told at once, at their fields. The
   * schema comes when a form is sent first.
   */
  async function attemptForm<Body extends object>(
    schemaOf: (schemas: typeof import('~~/shared/auth.schema')) => z.ZodType,
    body: Body,
    send: (body: Body) => Promise<unknown>,
  ): Promise<boolean> {
    const schemas = await import('~~/shared/auth.schema').catch(() => null)
    const checked = schemas && schemaOf(schemas).safeParse(body)
    // Without a network there is no schema either: sending says so.
    if (!checked || checked.success) return attempt(() => send(body))
    const { problemsOf } = await import('~~/shared/problems')
    isUnconfirmed.value = false
    problems.value = problemsOf(checked.error).map((one) => ({ path: one.path, text: problemText(one) }))
    return false
  }

  const post = (path: string, body?: object) => api(`/auth/${path}`, { method: 'POST', ...(body ? { body } : {}) })
  return {
    busy,
    /** The first thing that is wrong. */
    problem: computed(() => problems.value[0]?.text ?? ''),
    /** What is wrong with one field. */
    problemAt: (path: string) => problems.value.find((one) => one.path === path)?.text ?? null,
    /** What is wrong with none of these fields. */
    problemBeside: (paths: readonly string[]) => problems.value.find(({ path }) => !paths.includes(path))?.text ?? null,
    isUnconfirmed,
    attempt,
    attemptForm,
    enter: (signInName: string, password: string) =>
      attemptForm(
        ({ enterSchema }) => enterSchema,
        { signInName, password },
        (body) => post('enter', body),
      ),
    found: (asked: Found) =>
      attemptForm(
        ({ foundSchema }) => foundSchema,
        asked,
        (body) => post('household', body),
      ),
    join: (token: string, name: string) =>
      attemptForm(
        ({ joinSchema }) => joinSchema,
        { name },
        (body) => post(`invites/${token}`, body),
      ),
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
