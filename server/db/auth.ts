import { createHash, randomBytes } from 'node:crypto'
import { and, asc, eq, gt, isNull, lt, or, sql } from 'drizzle-orm'
import { DAY_MS } from '../../core/measure/time'
import type { MemberRole } from '../../shared/names'
import { factsOf, logger } from '../logger'
import type { Kitchen } from '../../shared/kitchen.schema'
import type { Database } from './client'
import { challenges, devices, documents, households, invites, members, passkeys, signInEvents } from './schema'
import { tellOthers } from './scope'
import type { Asker } from './household'

// The only queries that see more than one household: they find out who comes. All others are in queries/.

/** Nobody guesses so many. */
const TOKEN_BYTES = 24
/** A device is seen anew after so long. */
const SEEN_EVERY_MS = 5 * 60_000
/** One that was not seen for so long, or came in so long ago, has to sign in again. */
const UNSEEN_MS = 90 * DAY_MS
const LONGEST_MS = 400 * DAY_MS
/** So many servers may found the first household at once; one of them does. */
const FOUNDING_LOCK = 6_042_719

export const newToken = () => randomBytes(TOKEN_BYTES).toString('base64url')
/** What is kept of a token: whoever reads the database cannot come in by it. */
export const digestOf = (token: string) => createHash('sha256').update(token).digest('hex')

const isIn = and(isNull(members.leftAt), isNull(households.deletedAt))

/** Who sits at a device; null where it was signed out or has not come for long, or its member or household is gone. */
export async function askerOfDevice(db: Database, deviceId: string, nowMs = Date.now()): Promise<Asker | null> {
  const [found] = await db
    .select({
      householdId: devices.householdId,
      memberId: devices.memberId,
      role: members.role,
      deletedAt: households.deletedAt,
      seenAt: devices.seenAt,
    })
    .from(devices)
    .innerJoin(members, eq(members.id, devices.memberId))
    .innerJoin(households, eq(households.id, devices.householdId))
    .where(
      and(
        eq(devices.id, deviceId),
        isNull(devices.endedAt),
        isNull(members.leftAt),
        gt(devices.seenAt, new Date(nowMs - UNSEEN_MS)),
        gt(devices.createdAt, new Date(nowMs - LONGEST_MS)),
      ),
    )
  if (!found) return null
  const { seenAt, deletedAt, ...asker } = found
  // Of a household that was taken away only an owner sees that it can still be had back.
  if (deletedAt && asker.role !== 'owner') return null
  // A database that only reads says as well who it is.
  if (nowMs - seenAt.getTime() > SEEN_EVERY_MS)
    await db
      .update(devices)
      .set({ seenAt: new Date(nowMs) })
      .where(eq(devices.id, deviceId))
      .catch((error) => logger.warn('a device could not be noted as seen', factsOf(error)))
  return { ...asker, deviceId, isLeaving: deletedAt !== null }
}

/** The first owner of a household: whoever comes to an open one without having said who it is. */
export async function askerOfOpen(db: Database, householdId: string): Promise<Asker | null> {
  const [found] = await db
    .select({ memberId: members.id, role: members.role })
    .from(members)
    .innerJoin(households, eq(households.id, members.householdId))
    .where(and(eq(members.householdId, householdId), isIn))
    .orderBy(sql`${members.role} = 'owner' desc`, asc(members.createdAt))
    .limit(1)
  return found ? { ...found, householdId, deviceId: null, isLeaving: false } : null
}

/** True while this server has no household: whoever comes first makes it. */
export async function isEmpty(db: Database): Promise<boolean> {
  return (await db.$count(households)) === 0
}

export interface Comer {
  name: string
  signInName: string | null
  passwordHash: string | null
}

/** Makes a household with its first owner; null where there is one already and `only` one may be. */
export async function foundHousehold(
  db: Database,
  kitchen: Kitchen,
  comer: Comer,
  only: boolean,
): Promise<{ householdId: string; memberId: string } | 'not-first' | 'name-taken'> {
  return db.transaction(async (tx) => {
    await tx.execute(sql`select pg_advisory_xact_lock(${FOUNDING_LOCK})`)
    if (only && (await tx.$count(households)) > 0) return 'not-first'
    if (comer.signInName && (await tx.$count(members, eq(members.signInName, comer.signInName))) > 0)
      return 'name-taken'
    const [made] = await tx.insert(households).values({}).returning({ householdId: households.id })
    const { householdId } = made!
    await tx
      .insert(documents)
      .values({ householdId, kind: 'kitchen', id: householdId, name: kitchen.name, content: kitchen })
    const [member] = await tx
      .insert(members)
      .values({ householdId, role: 'owner' satisfies MemberRole, ...comer })
      .returning({ memberId: members.id })
    return { householdId, memberId: member!.memberId }
  })
}

/**
 * A session of a member at a device, of which the member is told; answers what the cookie stands for. `isConfirmed` where
 * they came in by a password or a passkey, or have just chosen one.
 */
export async function newDevice(
  db: Database,
  { householdId, memberId }: { householdId: string; memberId: string },
  label: string,
  isConfirmed = false,
): Promise<string> {
  return db.transaction(async (tx) => {
    const [made] = await tx
      .insert(devices)
      .values({ householdId, memberId, label, confirmedAt: isConfirmed ? new Date() : null })
      .returning({ id: devices.id })
    const deviceId = made!.id
    await tx.insert(signInEvents).values({ householdId, memberId, kind: 'device', label, deviceId })
    await tellOthers({ householdId }, tx, 'household', householdId)
    return deviceId
  })
}

/** Keeps what a passkey is asked to sign for a purpose. */
export async function keepChallenge(db: Database, purpose: string, challenge: string, expiresAt: Date): Promise<void> {
  await db.insert(challenges).values({ text: `${purpose} ${challenge}`, expiresAt })
}

/** Takes it, once on all servers; false where it was taken, is too old, or was for something else. */
export async function takeChallenge(db: Database, purpose: string, challenge: string, nowMs = Date.now()) {
  const taken = await db
    .delete(challenges)
    .where(and(eq(challenges.text, `${purpose} ${challenge}`), gt(challenges.expiresAt, new Date(nowMs))))
    .returning({ text: challenges.text })
  return taken.length > 0
}

/** Signs a device out, on all servers. */
export async function endDevice(db: Database, deviceId: string): Promise<void> {
  await db.transaction(async (tx) => {
    const [ended] = await tx
      .update(devices)
      .set({ endedAt: new Date() })
      .where(and(eq(devices.id, deviceId), isNull(devices.endedAt)))
      .returning({ householdId: devices.householdId })
    if (ended) await tellOthers(ended, tx, 'household', ended.householdId)
  })
}

const comesIn = {
  memberId: members.id,
  householdId: members.householdId,
  passwordHash: members.passwordHash,
}

/** Who comes in by this name; also into a household that was taken away, by its owner. */
export async function memberBySignInName(db: Database, signInName: string) {
  const [found] = await db
    .select(comesIn)
    .from(members)
    .innerJoin(households, eq(households.id, members.householdId))
    .where(
      and(
        eq(members.signInName, signInName),
        isNull(members.leftAt),
        or(isNull(households.deletedAt), eq(members.role, 'owner')),
      ),
    )
  return found ?? null
}

export async function passkeyOf(db: Database, credentialId: string) {
  const [found] = await db
    .select({ passkey: passkeys, householdId: passkeys.householdId, memberId: passkeys.memberId })
    .from(passkeys)
    .innerJoin(members, eq(members.id, passkeys.memberId))
    .innerJoin(households, eq(households.id, passkeys.householdId))
    .where(and(eq(passkeys.id, credentialId), isIn))
  return found ?? null
}

export async function usedPasskey(db: Database, credentialId: string, counter: number): Promise<void> {
  await db.update(passkeys).set({ counter, usedAt: new Date() }).where(eq(passkeys.id, credentialId))
}

/** A link that still opens something; null for one that was used, taken back or is too old. */
export async function inviteByToken(db: Database, token: string, nowMs = Date.now()) {
  const [found] = await db
    .select({ invite: invites, household: documents.name, by: members.name })
    .from(invites)
    .innerJoin(households, eq(households.id, invites.householdId))
    .innerJoin(documents, and(eq(documents.householdId, households.id), eq(documents.kind, 'kitchen')))
    .leftJoin(members, eq(members.id, invites.memberId))
    .where(
      and(
        eq(invites.digest, digestOf(token)),
        isNull(invites.usedAt),
        gt(invites.expiresAt, new Date(nowMs)),
        isNull(households.deletedAt),
      ),
    )
  if (!found) return null
  const { id, householdId, mealId } = found.invite
  return { id, householdId, mealId, by: found.by, household: found.household }
}

/** Lets somebody in by a link, which opens nothing from then on; null where another was quicker. */
export async function letIn(db: Database, inviteId: string, name: string) {
  return db.transaction(async (tx) => {
    const [used] = await tx
      .update(invites)
      .set({ usedAt: new Date() })
      .where(and(eq(invites.id, inviteId), isNull(invites.usedAt), isNull(invites.mealId)))
      .returning({ householdId: invites.householdId })
    if (!used) return null
    const [member] = await tx
      .insert(members)
      .values({ householdId: used.householdId, name })
      .returning({ memberId: members.id, householdId: members.householdId })
    await tellOthers(used, tx, 'household', used.householdId)
    return member!
  })
}

/** The household whose calendar this address is, or null. */
export async function householdByCalendar(db: Database, token: string, nowMs = Date.now()): Promise<string | null> {
  const [found] = await db
    .select({ id: households.id })
    .from(households)
    .where(
      and(
        eq(households.calendarDigest, digestOf(token)),
        gt(households.calendarUntil, new Date(nowMs)),
        isNull(households.deletedAt),
      ),
    )
  return found?.id ?? null
}

/** Removes what was taken away before a moment, with all that is in it, and old links, devices and challenges. */
export async function clearAway(db: Database, before: Date): Promise<number> {
  const gone = await db.delete(households).where(lt(households.deletedAt, before)).returning({ id: households.id })
  await db.delete(invites).where(lt(invites.expiresAt, before))
  await db.delete(devices).where(lt(devices.endedAt, before))
  await db.delete(signInEvents).where(lt(signInEvents.createdAt, before))
  await db.delete(challenges).where(lt(challenges.expiresAt, new Date()))
  return gone.length
}

/** Every household that is not on its way out. */
export async function allHouseholds(db: Database): Promise<string[]> {
  const found = await db.select({ id: households.id }).from(households).where(isNull(households.deletedAt))
  return found.map(({ id }) => id)
}

/** Does a work unless another server is at it. */
export async function holdingLock(db: Database, lock: number, work: () => Promise<void>): Promise<void> {
  await db.transaction(async (tx) => {
    // The lock is held by a transaction that has nothing else to do meanwhile.
    await tx.execute(sql`set local idle_in_transaction_session_timeout = 0`)
    const { rows } = await tx.execute<{ got: boolean }>(sql`select pg_try_advisory_xact_lock(${lock}) as got`)
    if (rows[0]?.got) await work()
  })
}
