import { eq } from 'drizzle-orm'
import { afterEach, describe, expect, it } from 'vitest'
import { settings } from '../../tests/nitro'
import { aName, codeOf, serve, useHouseholds } from '../../tests/server'
import { DEMO_KITCHEN } from '../db/demo'
import { devices } from '../db/schema'

const PASSWORD = 'five slow whistles'
const KITCHEN = '/api/documents/kitchen/own'

const { household, linkTo, letIn, db } = useHouseholds()
afterEach(() => Object.assign(settings, { defaultHouseholdId: '', behindProxy: '' }))

describe('a session', () => {
  it('begins by a link that opens nothing more, and is nobody’s without', async () => {
    const browser = await serve()
    const id = await household()
    const token = await linkTo(id)
    const cook = browser()
    expect(await cook.ask('GET', KITCHEN)).toMatchObject({ status: 401 })
    expect((await cook.ask('POST', `/api/auth/invites/${token}`, { name: 'Ada' })).status).toBe(204)
    expect(await cook.ask('GET', KITCHEN)).toMatchObject({ status: 200, body: { version: 1 } })
    expect((await browser().ask('POST', `/api/auth/invites/${token}`, { name: 'Ben' })).status).toBe(404)
  })

  it('is one person’s, of two who use the same link at the same moment', async () => {
    const browser = await serve()
    const token = await linkTo(await household())
    const both = ['Ada', 'Ben'].map((name) => browser().ask('POST', `/api/auth/invites/${token}`, { name }))
    expect((await Promise.all(both)).map(({ status }) => status).sort()).toEqual([204, 404])
  })

  it('is of one household: another one’s kitchen is not seen by it', async () => {
    const browser = await serve()
    const [one, other] = [browser(), browser()]
    await letIn(one, await household(), aName())
    await letIn(other, await household(), aName())
    const change = { version: 1, content: { ...DEMO_KITCHEN, name: 'Mine alone' } }
    expect((await one.ask('PUT', KITCHEN, change)).status).toBe(200)
    expect(await one.ask('GET', KITCHEN)).toMatchObject({ body: { content: { name: 'Mine alone' } } })
    expect(await other.ask('GET', KITCHEN)).toMatchObject({ body: { content: { name: DEMO_KITCHEN.name } } })
  })

  it('is left only by whoever can come back, or is sure', async () => {
    const browser = await serve()
    const cook = browser()
    await letIn(cook, await household(), aName())
    const refused = await cook.ask('POST', '/api/auth/leave', {})
    expect([refused.status, codeOf(refused)]).toEqual([409, 'no-way-back'])
    expect((await cook.ask('POST', '/api/auth/leave?sure', {})).status).toBe(204)
    expect((await cook.ask('GET', KITCHEN)).status).toBe(401)
  })

  it('comes back by name and password, at any device, and not by another password', async () => {
    const browser = await serve()
    const cook = browser()
    const name = aName()
    await letIn(cook, await household(), name)
    expect((await cook.ask('PATCH', '/api/people/me', { signInName: name, password: PASSWORD })).status).toBe(204)
    expect((await cook.ask('POST', '/api/auth/leave', {})).status).toBe(204)
    const wrong = await cook.ask('POST', '/api/auth/enter', { signInName: name, password: 'three slow whistles' })
    expect([wrong.status, codeOf(wrong)]).toEqual([403, 'wrong-password'])
    for (const device of [cook, browser()]) {
      expect((await device.ask('POST', '/api/auth/enter', { signInName: name, password: PASSWORD })).status).toBe(204)
      expect((await device.ask('GET', KITCHEN)).status).toBe(200)
    }
  })

  it('is not had by guessing a password, and guesses lock nobody out of their own device', async () => {
    const browser = await serve()
    const [cook, guesser] = [browser(), browser()]
    const name = aName()
    await letIn(cook, await household(), name)
    const me = async (change: object) => (await cook.ask('PATCH', '/api/people/me', change)).status
    expect(await me({})).toBe(400)
    expect(await me({ password: PASSWORD })).toBe(422)
    expect(await me({ signInName: name, password: 'short' })).toBe(422)
    expect(await me({ signInName: name, password: PASSWORD })).toBe(204)
    const guess = async (password: string) =>
      (await guesser.ask('POST', '/api/auth/enter', { signInName: name, password })).status
    // A good one takes nothing from what is left.
    for (let i = 0; i < 3; i++) expect(await guess(PASSWORD)).toBe(204)
    const guesses = []
    for (let i = 0; i < 12; i++) guesses.push(await guess(`guess number ${i}`))
    expect(guesses).toEqual([...Array<number>(10).fill(403), 429, 429])
    expect(await guess(PASSWORD)).toBe(429)
    expect((await cook.ask('GET', KITCHEN)).status).toBe(200)
    expect(await me({ password: 'another password', oldPassword: 'a guess at it' })).toBe(403)
    expect(await me({ password: 'another password', oldPassword: PASSWORD })).toBe(204)
    // Whoever knew the old one is out.
    expect((await guesser.ask('GET', KITCHEN)).status).toBe(401)
  })

  it('comes by a name that nobody else comes by', async () => {
    const browser = await serve()
    const [one, other] = [browser(), browser()]
    const name = aName()
    await letIn(one, await household(), name)
    await letIn(other, await household(), aName())
    const take = (cook: typeof one) => cook.ask('PATCH', '/api/people/me', { signInName: name, password: PASSWORD })
    expect((await take(one)).status).toBe(204)
    const taken = await take(other)
    expect([taken.status, codeOf(taken)]).toEqual([409, 'sign-in-name-taken'])
  })

  it('is named by what the browser says of itself', async () => {
    const cook = (await serve())()
    const phone = 'Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0'
    const token = await linkTo(await household())
    await cook.ask('POST', `/api/auth/invites/${token}`, { name: aName() }, { 'user-agent': phone })
    expect(await cook.ask('GET', '/api/people')).toMatchObject({ body: { devices: [{ label: 'Firefox, Linux' }] } })
  })

  it('ends where the device is signed out from another one', async () => {
    const browser = await serve()
    const [owner, other] = [browser(), browser()]
    const id = await household()
    await letIn(owner, id, aName())
    await letIn(other, id, aName(), 'member')
    expect((await other.ask('GET', KITCHEN)).status).toBe(200)
    const { body } = await other.ask('GET', '/api/people')
    const { hereId } = body as { hereId: string }
    const heard = await other.listen('/api/changes')
    await heard.next()
    expect((await owner.ask('DELETE', `/api/people/devices/${hereId}`)).status).toBe(204)
    // What it was hearing has an end.
    while (!(await heard.next()).done);
    expect((await other.ask('GET', KITCHEN)).status).toBe(401)
    expect((await owner.ask('GET', KITCHEN)).status).toBe(200)
  })

  it('does not survive a cookie that was made up, or changed', async () => {
    const browser = await serve()
    const cookie = { cookie: 'nuxt-session=Fe26.2**made*up**by*somebody' }
    expect((await browser().ask('GET', KITCHEN, undefined, cookie)).status).toBe(401)
  })

  it('travels by https alone where the address has it', async () => {
    settings.behindProxy = 'true'
    const cook = (await serve())()
    const token = await linkTo(await household())
    const { headers } = await cook.ask(
      'POST',
      `/api/auth/invites/${token}`,
      { name: aName() },
      { 'x-forwarded-proto': 'https' },
    )
    const kept = headers.getSetCookie().at(-1)!
    expect(kept).toMatch(/^__Host-bivvet=/)
    for (const part of [/; Secure/i, /; HttpOnly/i, /; SameSite=Lax/i, /; Path=\/(;|$)/i]) expect(kept).toMatch(part)
    expect(headers.get('strict-transport-security')).toMatch(/max-age=\d{8}/)
  })
})

describe('what only some may do', () => {
  it('is an owner’s: a member lets nobody in, and removes nobody', async () => {
    const browser = await serve()
    const id = await household()
    const [owner, member] = [browser(), browser()]
    await letIn(owner, id)
    await letIn(member, id, aName(), 'member')
    type People = { members: { id: string; role: string }[] }
    const { members } = (await owner.ask<People>('GET', '/api/people')).body
    const first = members.find(({ role }) => role === 'owner')!.id
    const second = members.find(({ role }) => role === 'member')!.id
    const statuses = async (by: typeof owner, asked: [string, string, object?][]) => {
      const told = []
      for (const [method, path, body] of asked) told.push((await by.ask(method, path, body)).status)
      return told
    }
    expect(
      await statuses(member, [
        ['POST', '/api/people/invites', {}],
        ['DELETE', `/api/people/members/${first}`],
        ['PATCH', `/api/people/members/${second}`, { role: 'owner' }],
      ]),
    ).toEqual([403, 403, 403])
    expect(
      await statuses(owner, [
        ['PATCH', `/api/people/members/${first}`, { role: 'member' }],
        ['DELETE', `/api/people/members/${first}`],
        ['DELETE', `/api/people/members/${second}`],
        ['DELETE', `/api/people/members/${second}`],
      ]),
    ).toEqual([409, 409, 204, 404])
    expect((await member.ask('GET', KITCHEN)).status).toBe(401)
  })

  it('is an owner’s: a member does not take the household away', async () => {
    const browser = await serve()
    const id = await household()
    const [owner, member] = [browser(), browser()]
    await letIn(owner, id, aName())
    await letIn(member, id, aName(), 'member')
    const refused = await member.ask('DELETE', '/api/household')
    expect([refused.status, codeOf(refused)]).toEqual([403, 'owners-only'])
    expect((await owner.ask('DELETE', '/api/household')).status).toBe(204)
    // Nobody cooks in it any more, until an owner has it back.
    const gone = await owner.ask('GET', KITCHEN)
    expect([gone.status, codeOf(gone)]).toEqual([410, 'household-leaving'])
    expect((await member.ask('GET', KITCHEN)).status).toBe(401)
    expect((await member.ask('POST', '/api/household/keep', {})).status).toBe(401)
    expect((await owner.ask('POST', '/api/household/keep', {})).status).toBe(204)
    expect((await member.ask('GET', KITCHEN)).status).toBe(200)
  })

  it('asks for the password anew once it was given too long ago', async () => {
    const browser = await serve()
    const cook = browser()
    const name = aName()
    const id = await household()
    await letIn(cook, id, name)
    await cook.ask('PATCH', '/api/people/me', { signInName: name, password: PASSWORD })
    const before = new Date(Date.now() - 11 * 60_000)
    await db().update(devices).set({ confirmedAt: before }).where(eq(devices.householdId, id))
    const other = { password: 'seven slow whistles' }
    const asked = await cook.ask('PATCH', '/api/people/me', other)
    expect([asked.status, codeOf(asked)]).toEqual([403, 'confirm-first'])
    expect((await cook.ask('POST', '/api/people/confirm', { password: 'guessed whistles' })).status).toBe(403)
    const key = await cook.ask('GET', '/api/people/passkey')
    expect([key.status, codeOf(key)]).toEqual([403, 'confirm-first'])
    expect((await cook.ask('POST', '/api/people/confirm', { password: PASSWORD })).status).toBe(204)
    expect((await cook.ask('GET', '/api/people/passkey')).status).toBe(200)
    expect((await cook.ask('PATCH', '/api/people/me', other)).status).toBe(204)
    const { body } = await cook.ask<{ events: { kind: string }[] }>('GET', '/api/people')
    expect(body.events.map(({ kind }) => kind)).toEqual(expect.arrayContaining(['password', 'device']))
  })

  it('leaves a household that is open to all without a way to change who comes in', async () => {
    const cook = (await serve())()
    const id = await household()
    await letIn((await serve())(), id, aName())
    settings.defaultHouseholdId = id
    expect((await cook.ask('GET', KITCHEN)).status).toBe(200)
    const refused = await cook.ask('PATCH', '/api/people/me', { signInName: aName(), password: PASSWORD })
    expect([refused.status, codeOf(refused)]).toEqual([403, 'open-to-all'])
    settings.defaultHouseholdId = ''
    expect((await cook.ask('GET', KITCHEN)).status).toBe(401)
  })
})

describe('the middleware', () => {
  it('keeps out foreign pages, foreign names and what is no JSON', async () => {
    const cook = (await serve())()
    await letIn(cook, await household(), aName())
    const ask = async (headers: Record<string, string>, body: unknown = {}) =>
      (await cook.ask('PUT', KITCHEN, body, headers)).status
    expect(await ask({ origin: 'http://elsewhere.test' })).toBe(403)
    expect(await ask({ 'sec-fetch-site': 'cross-site' })).toBe(403)
    expect(await ask({ 'content-type': 'text/plain' })).toBe(415)
    expect(await ask({}, '{"version":')).toBe(400)
    expect(await ask({}, { version: 1, content: 'none' })).toBe(422)
    expect((await cook.ask('POST', KITCHEN, {})).status).toBe(405)
    expect((await cook.ask('GET', '/api/nowhere')).status).toBe(404)
    expect((await cook.ask('GET', '/api/documents/%ff')).status).toBe(400)
  })
})
