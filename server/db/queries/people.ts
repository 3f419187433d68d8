import { and, asc, desc, eq, gt, isNull, ne, sql } from 'drizzle-orm'
import type { People, SignInEvent, Whoami } from '../../../shared/household'
import type { MemberRole, SignInEventKind } from '../../../shared/names'
import { digestOf, newToken } from '../auth'
import { devices, households, invites, members, passkeys, signInEvents } from '../schema'
import { own, tellOthers, type Scope, type Transaction } from '../scope'
import { documentQueries } from './documents'

/** How long a link that lets somebody in can be used. */
const INVITE_MS = 24 * 3_600_000
const MOST_INVITES = 20
/** What is told of sign-ins goes back so far. */
const MOST_EVENTS = 20
const MOST_PASSKEYS = 20

/** Who is in the household, at which devices, and who is to be let in. */
export function peopleQueries(scope: Scope) {
  const { db, householdId, memberId } = scope
  const isOpen = () => and(own(scope, invites), isNull(invites.usedAt), gt(invites.expiresAt, new Date()))
  const isIn = and(own(scope, members), isNull(members.leftAt))
  const ofMine = and(own(scope, passkeys), memberId ? eq(passkeys.memberId, memberId) : sql`false`)
  const tell = () => tellOthers(scope, db, 'household', householdId)
  /** What this device has not done itself, since it signed in. */
  async function newestElsewhere(deviceId: string): Promise<SignInEvent | null> {
    if (!memberId) return null
    const [found] = await db
      .select({ event: signInEvents })
      .from(signInEvents)
      .innerJoin(devices, eq(devices.id, deviceId))
      .where(
        and(
          own(scope, signInEvents),
          eq(signInEvents.memberId, memberId),
          sql`${signInEvents.deviceId} is distinct from ${deviceId}`,
          gt(signInEvents.createdAt, devices.createdAt),
        ),
      )
      .orderBy(desc(signInEvents.createdAt))
      .limit(1)
    return found ? told(found.event) : null
  }
  async function note(tx: Transaction, kind: SignInEventKind, label: string): Promise<void> {
    if (!memberId) return
    await tx.insert(signInEvents).values({ householdId, memberId, kind, label, deviceId: scope.deviceId ?? null })
    await tellOthers(scope, tx, 'household', householdId)
  }

  return {
    /** Who is at the device that asks; null where the household is gone. */
    async whoami(): Promise<Omit<Whoami, 'device'> | null> {
      const found = await documentQueries(scope).kitchen()
      const inIt = await db
        .select({ id: members.id, name: members.name, role: members.role })
        .from(members)
        .where(own(scope, members))
        .orderBy(asc(members.createdAt))
      const member = inIt.find(({ id }) => id === memberId) ?? inIt[0]
      if (!found || !member) return null
      const names = Object.fromEntries(inIt.map(({ id, name }) => [id, name]))
      const signIn = scope.deviceId ? await newestElsewhere(scope.deviceId) : null
      return { household: { id: householdId, name: found.name }, member, names, signIn }
    },

    async people(): Promise<Omit<People, 'hereId'>> {
      const [in_, at, links, keys, events] = await Promise.all([
        db.select().from(members).where(isIn).orderBy(asc(members.createdAt)),
        db
          .select()
          .from(devices)
          .where(and(own(scope, devices), isNull(devices.endedAt)))
          .orderBy(desc(devices.seenAt)),
        db.select().from(invites).where(isOpen()).orderBy(asc(invites.createdAt)),
        db.select().from(passkeys).where(own(scope, passkeys)).orderBy(asc(passkeys.createdAt)),
        memberId
          ? db
              .select()
              .from(signInEvents)
              .where(and(own(scope, signInEvents), eq(signInEvents.memberId, memberId)))
              .orderBy(desc(signInEvents.createdAt))
              .limit(MOST_EVENTS)
          : [],
      ])
      return {
        members: in_.map(({ id, name, role, signInName, passwordHash }) => ({
          id,
          name,
          role,
          signInName: id === memberId ? signInName : null,
          hasPassword: passwordHash !== null,
          passkeys: keys.filter((key) => key.memberId === id).length,
        })),
        devices: at.map(({ id, memberId: of, label, seenAt }) => ({
          id,
          memberId: of,
          label,
          seenAt: seenAt.getTime(),
        })),
        invites: links.map(({ id, mealId, expiresAt }) => ({ id, mealId, expiresAt: expiresAt.getTime() })),
        passkeys: keys
          .filter((key) => key.memberId === memberId)
          .map(({ id, label, createdAt, usedAt }) => ({
            id,
            label,
            createdAt: createdAt.getTime(),
            usedAt: usedAt?.getTime() ?? null,
          })),
        events: events.map(told),
      }
    },

    /** Makes a link; its token is told this once. Null where too many stand open. */
    async invite(mealId: string | null, expiresAt = new Date(Date.now() + INVITE_MS)) {
      if ((await db.$count(invites, isOpen())) >= MOST_INVITES) return null
      const token = newToken()
      const [made] = await db
        .insert(invites)
        .values({ householdId, memberId, digest: digestOf(token), mealId, expiresAt })
        .returning({ id: invites.id })
      return { id: made!.id, token, expiresAt: expiresAt.getTime() }
    },

    async takeBackInvite(id: string): Promise<boolean> {
      const gone = await db
        .delete(invites)
        .where(and(own(scope, invites), eq(invites.id, id)))
        .returning({ id: invites.id })
      return gone.length > 0
    },

    /** Signs a device out; false where there is none such. */
    async endDevice(id: string): Promise<boolean> {
      const ended = await db
        .update(devices)
        .set({ endedAt: new Date() })
        .where(and(own(scope, devices), eq(devices.id, id), isNull(devices.endedAt)))
        .returning({ id: devices.id })
      if (ended.length > 0) await tell()
      return ended.length > 0
    },

    /** Signs out all devices of this member but one. */
    async endOtherDevices(but: string | null): Promise<void> {
      if (!memberId) return
      await db
        .update(devices)
        .set({ endedAt: new Date() })
        .where(
          and(
            own(scope, devices),
            eq(devices.memberId, memberId),
            isNull(devices.endedAt),
            but ? ne(devices.id, but) : undefined,
          ),
        )
      await tell()
    },

    /** What the member who asks comes in by. */
    async me() {
      if (!memberId) return null
      const [found] = await db
        .select()
        .from(members)
        .where(and(isIn, eq(members.id, memberId)))
      return found ?? null
    },

    /** Changes the member who asks; false where another comes in by that name. */
    async changeMe(change: Partial<{ name: string; signInName: string | null; passwordHash: string }>) {
      if (!memberId) return false
      try {
        await db
          .update(members)
          .set(change)
          .where(and(own(scope, members), eq(members.id, memberId)))
      } catch (error) {
        const { code } = ((error as Error).cause ?? error) as { code?: string }
        if (code === UNIQUE_VIOLATION) return false
        throw error
      }
      await tell()
      return true
    },

    async setRole(id: string, role: MemberRole): Promise<'done' | 'no-member' | 'last-owner'> {
      return db.transaction(async (tx) => {
        const in_ = await tx.select().from(members).where(isIn).for('update')
        if (!in_.some((one) => one.id === id)) return 'no-member'
        if (role !== 'owner' && !in_.some((one) => one.id !== id && one.role === 'owner')) return 'last-owner'
        await tx
          .update(members)
          .set({ role })
          .where(and(isIn, eq(members.id, id)))
        await tellOthers(scope, tx, 'household', householdId)
        return 'done'
      })
    },

    /**
     * Removes a member: their devices are signed out, their passkeys and links are gone, and the calendar's address, which
     * they know, opens nothing any more. What they did keeps their name.
     */
    async letGo(id: string): Promise<'done' | 'no-member' | 'last-owner'> {
      return db.transaction(async (tx) => {
        const in_ = await tx.select().from(members).where(isIn).for('update')
        if (!in_.some((one) => one.id === id)) return 'no-member'
        if (!in_.some((one) => one.id !== id && one.role === 'owner')) return 'last-owner'
        await tx
          .update(members)
          .set({ leftAt: new Date(), signInName: null, passwordHash: null })
          .where(and(isIn, eq(members.id, id)))
        await tx
          .update(devices)
          .set({ endedAt: new Date() })
          .where(and(own(scope, devices), eq(devices.memberId, id)))
        await tx.delete(passkeys).where(and(own(scope, passkeys), eq(passkeys.memberId, id)))
        await tx.delete(invites).where(and(own(scope, invites), eq(invites.memberId, id)))
        await tx
          .update(households)
          .set({ calendarDigest: null, calendarUntil: null })
          .where(eq(households.id, householdId))
        await tellOthers(scope, tx, 'household', householdId)
        return 'done'
      })
    },

    /** Keeps a new passkey; the same one of the same member once more changes nothing. */
    async addPasskey(
      key: Omit<typeof passkeys.$inferInsert, 'householdId' | 'memberId'>,
    ): Promise<'done' | 'taken' | 'too-many'> {
      if (!memberId) return 'taken'
      return db.transaction(async (tx) => {
        const mine = await tx.select({ id: passkeys.id }).from(passkeys).where(ofMine).for('update')
        if (mine.some(({ id }) => id === key.id)) return 'done'
        if (mine.length >= MOST_PASSKEYS) return 'too-many'
        const made = await tx
          .insert(passkeys)
          .values({ ...key, householdId, memberId })
          .onConflictDoNothing()
          .returning({ id: passkeys.id })
        if (made.length === 0) return 'taken'
        await note(tx, 'passkey-added', key.label ?? '')
        return 'done'
      })
    },

    async namePasskey(id: string, label: string): Promise<boolean> {
      const named = await db
        .update(passkeys)
        .set({ label })
        .where(and(ofMine, eq(passkeys.id, id)))
        .returning({ id: passkeys.id })
      if (named.length > 0) await tell()
      return named.length > 0
    },

    async removePasskey(id: string): Promise<boolean> {
      return db.transaction(async (tx) => {
        const [gone] = await tx
          .delete(passkeys)
          .where(and(ofMine, eq(passkeys.id, id)))
          .returning({ label: passkeys.label })
        if (!gone) return false
        await note(tx, 'passkey-removed', gone.label)
        return true
      })
    },

    /** The member is told that their password was changed. */
    notePassword: () => db.transaction((tx) => note(tx, 'password', '')),

    /** They can come back by a password or a passkey. */
    async hasWayIn(): Promise<boolean> {
      if (!memberId) return false
      const [me] = await db
        .select({ passwordHash: members.passwordHash })
        .from(members)
        .where(and(isIn, eq(members.id, memberId)))
      return (me?.passwordHash ?? null) !== null || (await db.$count(passkeys, ofMine)) > 0
    },

    /** The member has given their password or a passkey at this device. */
    async confirm(): Promise<void> {
      if (scope.deviceId)
        await db
          .update(devices)
          .set({ confirmedAt: new Date() })
          .where(and(own(scope, devices), eq(devices.id, scope.deviceId)))
    },

    /** When that was last; null for never. */
    async confirmedAt(): Promise<number | null> {
      if (!scope.deviceId) return null
      const [found] = await db
        .select({ at: devices.confirmedAt })
        .from(devices)
        .where(and(own(scope, devices), eq(devices.id, scope.deviceId)))
      return found?.at?.getTime() ?? null
    },

    async passkeysOfMine() {
      return memberId
        ? db.select({ id: passkeys.id, transports: passkeys.transports }).from(passkeys).where(ofMine)
        : []
    },

    /** Takes the household away, or has it back while that is possible. */
    async setLeaving(deletedAt: Date | null): Promise<void> {
      await db.update(households).set({ deletedAt }).where(eq(households.id, householdId))
      await tell()
    },

    async leavingSince(): Promise<number | null> {
      const [found] = await db
        .select({ deletedAt: households.deletedAt })
        .from(households)
        .where(eq(households.id, householdId))
      return found?.deletedAt?.getTime() ?? null
    },
  }
}

const UNIQUE_VIOLATION = '23505'

const told = ({ id, kind, label, deviceId, createdAt }: typeof signInEvents.$inferSelect): SignInEvent => ({
  id,
  kind,
  label,
  deviceId,
  at: createdAt.getTime(),
})
