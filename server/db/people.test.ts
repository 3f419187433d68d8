import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { throwAwayDatabase } from '../../scripts/postgres.mjs'
import { databaseOf, openDatabase } from './client'
import { DEMO_KITCHEN } from './demo'
import { householdStore } from './household'
import { migrateDatabase } from './migrate'
import { devices, documents, households, members } from './schema'

let cluster: { url: string; stop(): void }
let opened: ReturnType<typeof openDatabase>
const HOUSEHOLD = randomUUID()
const [OWNER, MEMBER] = [randomUUID(), randomUUID()]

beforeAll(async () => {
  cluster = await throwAwayDatabase()
  opened = openDatabase(cluster.url)
  const { db } = opened
  await migrateDatabase(opened.owner)
  await db.insert(households).values({ id: HOUSEHOLD })
  await db
    .insert(documents)
    .values({ householdId: HOUSEHOLD, kind: 'kitchen', id: HOUSEHOLD, name: 'Two cooks', content: DEMO_KITCHEN })
  await db.insert(members).values([
    { id: OWNER, householdId: HOUSEHOLD, name: 'Ada', role: 'owner', createdAt: new Date(1000) },
    { id: MEMBER, householdId: HOUSEHOLD, name: 'Ben', role: 'member', createdAt: new Date(2000) },
  ])
})
afterAll(async () => {
  await opened.pool.end()
  cluster.stop()
})

const as = (memberId: string | null, deviceId: string | null = null) =>
  householdStore(databaseOf(HOUSEHOLD, opened.pool), {
    householdId: HOUSEHOLD,
    memberId,
    deviceId,
    role: memberId === OWNER ? 'owner' : 'member',
    isLeaving: false,
  })
const aKey = (id: string, label = 'phone') => ({ id, label, publicKey: 'k', counter: 0, backedUp: false })

describe('passkeys', () => {
  it('belong to one member, and the same one once more changes nothing', async () => {
    expect(await as(OWNER).addPasskey(aKey('one'))).toBe('done')
    expect(await as(OWNER).addPasskey(aKey('one'))).toBe('done')
    expect(await as(MEMBER).addPasskey(aKey('one'))).toBe('taken')
    expect(await as(null).addPasskey(aKey('two'))).toBe('taken')
    expect((await as(OWNER).passkeysOfMine()).map(({ id }) => id)).toEqual(['one'])
    expect([await as(OWNER).hasWayIn(), await as(MEMBER).hasWayIn(), await as(null).hasWayIn()]).toEqual([
      true,
      false,
      false,
    ])
  })

  it('are named and removed by their member alone', async () => {
    expect(await as(MEMBER).namePasskey('one', 'mine')).toBe(false)
    expect(await as(MEMBER).removePasskey('one')).toBe(false)
    expect(await as(OWNER).namePasskey('one', 'laptop')).toBe(true)
    expect(await as(OWNER).removePasskey('one')).toBe(true)
    expect(await as(OWNER).removePasskey('one')).toBe(false)
  })

  it('are twenty at most', async () => {
    for (let n = 0; n < 20; n++) expect(await as(MEMBER).addPasskey(aKey(`m${n}`))).toBe('done')
    expect(await as(MEMBER).addPasskey(aKey('one more'))).toBe('too-many')
    // One of those that are there is still the same.
    expect(await as(MEMBER).addPasskey(aKey('m3'))).toBe('done')
    expect(await as(MEMBER).removePasskey('m0')).toBe(true)
    expect(await as(MEMBER).addPasskey(aKey('one more'))).toBe('done')
  })
})

describe('what a member is told of their sign-ins', () => {
  it('is what was done on another device since this one signed in, and nothing of others', async () => {
    const aDevice = async () => {
      const [made] = await opened.db
        .insert(devices)
        .values({ householdId: HOUSEHOLD, memberId: OWNER, label: 'phone' })
        .returning({ id: devices.id })
      return made!.id
    }
    const [here, there] = [await aDevice(), await aDevice()]
    const heard = async () => (await as(OWNER, here).whoami())!.signIn ?? null
    const before = await heard()
    await as(OWNER, here).notePassword()
    expect(await heard()).toEqual(before)
    await as(MEMBER).notePassword()
    expect(await heard()).toEqual(before)
    await as(OWNER, there).addPasskey(aKey('three', 'key on the ring'))
    expect(await heard()).toMatchObject({ kind: 'passkey-added', label: 'key on the ring' })
  })
})

describe('devices', () => {
  const aDevice = async (memberId: string, label: string, more: Partial<typeof devices.$inferInsert> = {}) => {
    const [made] = await opened.db
      .insert(devices)
      .values({ householdId: HOUSEHOLD, memberId, label, ...more })
      .returning({ id: devices.id })
    return made!.id
  }
  const labels = async () => (await as(OWNER).people()).devices.map(({ label }) => label)

  it('are signed out once, and by their household alone', async () => {
    const id = await aDevice(OWNER, 'tablet')
    const elsewhere = householdStore(databaseOf(randomUUID(), opened.pool), {
      ...{ householdId: randomUUID(), memberId: null, deviceId: null, role: 'owner', isLeaving: false },
    })
    expect(await elsewhere.endDevice(id)).toBe(false)
    expect(await labels()).toContain('tablet')
    expect([await as(OWNER).endDevice(id), await as(OWNER).endDevice(id)]).toEqual([true, false])
    expect(await labels()).not.toContain('tablet')
    expect(await as(OWNER).endDevice(randomUUID())).toBe(false)
  })

  it('of a member are all signed out but the one that they sit at, and nobody else’s', async () => {
    const here = await aDevice(OWNER, 'here')
    await aDevice(OWNER, 'there')
    await aDevice(MEMBER, 'Ben’s')
    await as(null).endOtherDevices(null)
    expect(await labels()).toEqual(expect.arrayContaining(['here', 'there', 'Ben’s']))
    await as(OWNER, here).endOtherDevices(here)
    const left = await labels()
    expect([left.includes('here'), left.includes('there'), left.includes('Ben’s')]).toEqual([true, false, true])
    await as(MEMBER).endOtherDevices(null)
    expect(await labels()).not.toContain('Ben’s')
  })

  it('stand in order of when they were last seen', async () => {
    const seen = (minutes: number) => ({ seenAt: new Date(Date.now() - minutes * 60_000) })
    await aDevice(OWNER, 'long ago', seen(500))
    await aDevice(OWNER, 'a while ago', seen(400))
    const order = await labels()
    expect(order.indexOf('a while ago')).toBeLessThan(order.indexOf('long ago'))
  })

  it('say when the member has confirmed who they are at them', async () => {
    const device = await aDevice(OWNER, 'phone', { confirmedAt: new Date(1000) })
    const other = await aDevice(OWNER, 'other')
    expect([await as(OWNER, device).confirmedAt(), await as(OWNER, other).confirmedAt()]).toEqual([1000, null])
    await as(OWNER, device).confirm()
    expect(await as(OWNER, device).confirmedAt()).toBeGreaterThan(1000)
    expect(await as(OWNER, other).confirmedAt()).toBeNull()
    await as(OWNER).confirm()
    expect(await as(OWNER).confirmedAt()).toBeNull()
  })
})

describe('what a member changes of themselves', () => {
  it('is theirs alone, and shown of others only as far as all may know', async () => {
    expect(await as(OWNER).changeMe({ name: 'Ada', signInName: 'ada', passwordHash: 'hashed' })).toBe(true)
    expect(await as(MEMBER).changeMe({ signInName: 'ada' })).toBe(false)
    expect(await as(null).changeMe({ name: 'Nobody' })).toBe(false)
    expect(await as(OWNER).me()).toMatchObject({ name: 'Ada', signInName: 'ada' })
    expect([await as(null).me(), (await as(MEMBER).me())!.name]).toEqual([null, 'Ben'])
    const seenBy = async (memberId: string) => {
      const { members: all } = await as(memberId).people()
      return all.map(({ name, signInName, hasPassword }) => [name, signInName, hasPassword])
    }
    expect(await seenBy(OWNER)).toEqual([
      ['Ada', 'ada', true],
      ['Ben', null, false],
    ])
    expect(await seenBy(MEMBER)).toEqual([
      ['Ada', null, true],
      ['Ben', null, false],
    ])
    expect([await as(OWNER).hasWayIn(), await as(null).hasWayIn()]).toEqual([true, false])
  })

  it('passkeys are told with their names to their member, to others by their number', async () => {
    await as(MEMBER).removePasskey('one more')
    expect(await as(MEMBER).addPasskey(aKey('ring', 'key ring'))).toBe('done')
    const mine = await as(MEMBER).people()
    expect(mine.passkeys.map(({ label }) => label)).toContain('key ring')
    const seen = await as(OWNER).people()
    expect(seen.passkeys.map(({ label }) => label)).not.toContain('key ring')
    const count = (from: typeof seen) => from.members.find(({ id }) => id === MEMBER)!.passkeys
    expect([count(seen), count(mine)]).toEqual([mine.passkeys.length, mine.passkeys.length])
  })
})

describe('a household that is taken away', () => {
  it('is so since then, until an owner has it back', async () => {
    expect(await as(OWNER).leavingSince()).toBeNull()
    await as(OWNER).setLeaving(new Date(5000))
    expect(await as(OWNER).leavingSince()).toBe(5000)
    await as(OWNER).setLeaving(null)
    expect(await as(OWNER).leavingSince()).toBeNull()
  })
})

describe('owners and members', () => {
  it('there is always an owner', async () => {
    expect(await as(OWNER).setRole(OWNER, 'member')).toBe('last-owner')
    expect(await as(OWNER).letGo(OWNER)).toBe('last-owner')
    expect(await as(OWNER).setRole(randomUUID(), 'owner')).toBe('no-member')
    expect(await as(OWNER).setRole(MEMBER, 'owner')).toBe('done')
    expect(await as(OWNER).setRole(OWNER, 'member')).toBe('done')
    expect(await as(MEMBER).letGo(MEMBER)).toBe('last-owner')
    expect(await as(MEMBER).setRole(OWNER, 'owner')).toBe('done')
  })

  it('who is removed has no way in any more, and is named in the log still', async () => {
    expect(await as(OWNER).letGo(MEMBER)).toBe('done')
    expect(await as(MEMBER).passkeysOfMine()).toEqual([])
    expect(await as(OWNER).letGo(MEMBER)).toBe('no-member')
    const { names } = (await as(OWNER).whoami())!
    expect(names).toMatchObject({ [OWNER]: 'Ada', [MEMBER]: 'Ben' })
    expect((await as(OWNER).people()).members.map(({ name }) => name)).toEqual(['Ada'])
  })
})

describe('invitations', () => {
  it('are open until they are cancelled, and no more than a household needs', async () => {
    const first = await as(OWNER).invite(null)
    expect((await as(OWNER).people()).invites).toHaveLength(1)
    expect(await as(OWNER).takeBackInvite(first!.id)).toBe(true)
    expect(await as(OWNER).takeBackInvite(first!.id)).toBe(false)
    for (let n = 0; n < 20; n++) expect(await as(OWNER).invite(null)).not.toBeNull()
    const beyond = await as(OWNER)
      .invite(null)
      .catch(() => null)
    expect(beyond).toBeNull()
  })
})
