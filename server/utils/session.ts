import Bowser from 'bowser'
import type { H3Event } from 'h3'
import { LRUCache } from 'lru-cache'
import { authDatabase, databaseOf } from '../db/client'
import { askerOfDevice, askerOfOpen, endDevice, keepChallenge, newDevice, takeChallenge } from '../db/auth'
import { householdStore, type Asker, type HouseholdStore } from '../db/household'
import { logger } from '../logger'

/** The cookie of a session; over https under a name that a browser takes from this very host alone. */
const COOKIE = 'nuxt-session'
const HOST_COOKIE = '__Host-bivvet'
const CHALLENGE_MS = 5 * 60_000
/** What changes how a member signs in asks for a password or a passkey that was given no longer ago. */
const CONFIRMED_MS = 10 * 60_000
const LABEL_LENGTH = 60
/** So long a session, and the device that it is of, are known without asking anew. */
const KNOWN_MS = 60_000

export const isHttps = (event: H3Event) => getRequestProtocol(event, { xForwardedProto: true }) === 'https'

interface Session {
  secure?: { deviceId?: string; householdId?: string }
}
/** A cookie travels by https alone wherever the address has it. */
function sessionAt(event: H3Event, name = isHttps(event) ? HOST_COOKIE : COOKIE) {
  const { password, maxAge } = useRuntimeConfig(event).session
  const cookie = { secure: isHttps(event), httpOnly: true, sameSite: 'lax' as const, path: '/' }
  return useSession<Session>(event, { name, password, maxAge, cookie })
}

type Secured = NonNullable<Session['secure']>
/** What cookies stand for: to unseal one takes longer than most of what is asked with it. */
const unsealed = new LRUCache<string, Promise<Secured>>({ max: 2000, ttl: KNOWN_MS })

/** What the cookie stands for; a request without one is given none. */
async function sessionOf(event: H3Event): Promise<Secured> {
  // Over https there may be one from before it had its name.
  const name = [isHttps(event) ? HOST_COOKIE : COOKIE, COOKIE].find((one) => getCookie(event, one))
  if (!name) return {}
  const cookie = `${name}=${getCookie(event, name)}`
  const before = unsealed.get(cookie)
  if (before) return before
  const found = sessionAt(event, name).then(({ data }) => data.secure ?? {})
  unsealed.set(cookie, found)
  const session = await found.catch(() => ({}) as Secured)
  // What stands for nobody takes no room.
  if (!session.deviceId && !session.householdId) unsealed.delete(cookie)
  return found
}
async function keepSession(event: H3Event, deviceId: string): Promise<void> {
  const session = await sessionAt(event)
  await session.clear()
  await session.update({ secure: { deviceId } })
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

export type SignedInBy = 'password' | 'passkey' | 'link' | 'founding'

/** A member has come in at this device: whoever was in at it before is out. */
export async function comeIn(
  event: H3Event,
  { householdId, memberId }: { householdId: string; memberId: string },
  by: SignedInBy,
): Promise<void> {
  await goOut(event)
  const isConfirmed = by !== 'link'
  const deviceId = await newDevice(authDatabase(), { householdId, memberId }, labelOf(event), isConfirmed)
  await keepSession(event, deviceId)
  logger.info('signed in', { by, household: householdId, member: memberId, device: deviceId })
}

/** Ends what this device's session stands for, here and in the browser. */
export async function goOut(event: H3Event): Promise<void> {
  const { deviceId } = await sessionOf(event)
  if (deviceId) {
    await endDevice(authDatabase(), deviceId)
    known.delete(deviceId)
    logger.info('signed out', { device: deviceId })
  }
  for (const name of [COOKIE, HOST_COOKIE]) if (getCookie(event, name)) await (await sessionAt(event, name)).clear()
}

/** Who sits at a device, while this server hears of whatever changes it. */
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
  await keepSession(event, deviceId)
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

/**
 * The same for what changes how a member signs in: whoever has a password or a passkey has to have given one at this
 * device a short while ago. An open device may be anybody's.
 */
export async function useConfirmed(event: H3Event): Promise<HouseholdStore> {
  const store = await useHousehold(event)
  if (store.deviceId === null) throw refusal(403, { path: '', code: 'open-to-all' })
  if (!(await store.hasWayIn())) return store
  if (Date.now() - ((await store.confirmedAt()) ?? 0) > CONFIRMED_MS)
    throw refusal(403, { path: '', code: 'confirm-first' })
  return store
}

/** Keeps what a passkey is asked to sign, for one purpose. */
export const keepPasskeyChallenge = (purpose: string, challenge: string) =>
  keepChallenge(authDatabase(), purpose, challenge, new Date(Date.now() + CHALLENGE_MS))

/** For the check of a passkey's answer: what it has signed was asked for this purpose, and is taken once. */
export const takesChallenge = (purpose: string) => (challenge: string) =>
  takeChallenge(authDatabase(), purpose, challenge)
