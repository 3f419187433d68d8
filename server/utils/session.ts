import Bowser from 'bowser'
import type { H3Event } from 'h3'
import { LRUCache } from 'lru-cache'
import { authDatabase, databaseOf } from '../db/client'
import { askerOfDevice, askerOfOpen, endDevice, newDevice } from '../db/auth'
import { householdStore, type Asker, type HouseholdStore } from '../db/household'

const COOKIE = 'nuxt-session'
const CHALLENGE_MS = 5 * 60_000
const LABEL_LENGTH = 60

/** A cookie travels by https alone wherever the address has it. */
const ofAddress = (event: H3Event) => ({
  cookie: { secure: getRequestProtocol(event, { xForwardedProto: true }) === 'https' },
})

/** What the cookie stands for; a request without one is given none. */
async function sessionOf(event: H3Event) {
  if (!getCookie(event, COOKIE)) return {}
  return (await getUserSession(event)).secure ?? {}
}

/** What a browser says of itself, in a few words that a cook knows a device by. */
function labelOf(event: H3Event): string {
  const agent = getHeader(event, 'user-agent') ?? ''
  try {
    const { browser, os } = Bowser.parse(agent)
    return [browser.name, os.name].filter(Boolean).join(', ').slice(0, LABEL_LENGTH)
  } catch {
    return ''
  }
}

/** A member has come in at this device: whoever was in at it before is out. */
export async function comeIn(event: H3Event, who: { householdId: string; memberId: string }): Promise<void> {
  await goOut(event)
  const deviceId = await newDevice(authDatabase(), who, labelOf(event))
  await replaceUserSession(event, { secure: { deviceId } }, ofAddress(event))
}

/** Ends what this device's session stands for, here and in the browser. */
export async function goOut(event: H3Event): Promise<void> {
  const { deviceId } = await sessionOf(event)
  if (deviceId) {
    await endDevice(authDatabase(), deviceId)
    known.delete(deviceId)
  }
  if (getCookie(event, COOKIE)) await clearUserSession(event)
}

/** So long a device is known without asking, while this server hears of whatever changes it. */
const KNOWN_MS = 60_000
const known = new LRUCache<string, Asker>({ max: 2000, ttl: KNOWN_MS })
onAnyChangeEvent(({ householdId, kind }) => kind === 'household' && forgetAskers(householdId))

/** Whoever is in a household is looked up anew: something about it has changed. */
export function forgetAskers(householdId: string): void {
  for (const [deviceId, asker] of known.entries()) if (asker.householdId === householdId) known.delete(deviceId)
}

async function askerAt(deviceId: string): Promise<Asker | null> {
  const before = isHearing() ? known.get(deviceId) : undefined
  if (before) return before
  const asker = await askerOfDevice(authDatabase(), deviceId)
  if (asker) known.set(deviceId, asker)
  return asker
}

/** Who asks; null for nobody that this server knows. */
export async function askerOf(event: H3Event): Promise<Asker | null> {
  const { deviceId, householdId } = await sessionOf(event)
  const auth = authDatabase()
  if (deviceId) return askerAt(deviceId)
  if (householdId) return withDevice(event, householdId)
  const open = useRuntimeConfig(event).defaultHouseholdId
  return open ? askerOfOpen(auth, open) : null
}

/**
 * A session from before devices were known becomes one of a device, so that nobody is shut out by an upgrade; but not
 * once there is another way to come in.
 */
async function withDevice(event: H3Event, householdId: string): Promise<Asker | null> {
  const auth = authDatabase()
  const asker = await askerOfOpen(auth, householdId)
  if (!asker?.memberId) return null
  const me = await householdStore(databaseOf(householdId), asker).me()
  if (!me || me.signInName) return null
  const deviceId = await newDevice(auth, { householdId, memberId: asker.memberId }, labelOf(event))
  await replaceUserSession(event, { secure: { deviceId } }, ofAddress(event))
  return { ...asker, deviceId }
}

/**
 * The store of the household that this browser cooks in, for the member who sits at it. A browser that nobody has come
 * in at is given the household that is open to all, where there is one (the demo); otherwise it has to sign in.
 */
export async function useHousehold(event: H3Event, { leaving = false } = {}): Promise<HouseholdStore> {
  const asker = await askerOf(event)
  if (!asker) throw refusal(401, { path: '', code: 'no-household' })
  if (asker.isLeaving && !leaving) throw refusal(410, { path: '', code: 'household-leaving' })
  return householdStore(databaseOf(asker.householdId), asker)
}

/** The same for what an owner alone may do. */
export async function useOwnHousehold(event: H3Event, options = {}): Promise<HouseholdStore> {
  const store = await useHousehold(event, options)
  if (store.role !== 'owner') throw refusal(403, { path: '', code: 'owners-only' })
  return store
}

/** Keeps what a passkey is asked to sign. */
export async function keepChallenge(event: H3Event, text: string): Promise<void> {
  await setUserSession(event, { secure: { challenge: { text, until: Date.now() + CHALLENGE_MS } } }, ofAddress(event))
}

/** And gives it out once. */
export async function takeChallenge(event: H3Event): Promise<string> {
  const { challenge, ...rest } = await sessionOf(event)
  if (challenge) await replaceUserSession(event, { secure: rest }, ofAddress(event))
  if (!challenge || challenge.until < Date.now()) throw refusal(400, { path: '', code: 'passkey-too-late' })
  return challenge.text
}
