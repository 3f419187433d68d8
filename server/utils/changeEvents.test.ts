import { randomUUID } from 'node:crypto'
import { describe, expect, it } from 'vitest'
import { beansWithSquash } from '../../tests/dishes'
import { serve, useHouseholds } from '../../tests/server'
import { DEMO_KITCHEN } from '../db/demo'
import { mayHaveChanged } from './changeEvents'

const { household, letIn } = useHouseholds()
const KITCHEN = '/api/documents/kitchen/own'
const CHANGES = '/api/changes'
const renamed = (version: number, name: string) => ({ version, content: { ...DEMO_KITCHEN, name } })

describe('change events', () => {
  it('tell every device of a household what has changed, and no other household', async () => {
    const browser = await serve()
    const [cook, tablet, stranger] = [browser(), browser(), browser()]
    const id = await household()
    await letIn(cook, id)
    await letIn(tablet, id)
    await letIn(stranger, await household())
    const heard = await tablet.listen(CHANGES)
    const elsewhere = await stranger.listen(CHANGES)
    // What was before is to be looked at once.
    expect((await heard.next()).value).toBe('')
    expect((await elsewhere.next()).value).toBe('')
    expect((await cook.ask('PUT', KITCHEN, renamed(1, 'Larkspur'))).status).toBe(200)
    const told = JSON.parse((await heard.next()).value as string) as object
    expect(told).toEqual({ kind: 'kitchen', id })
    expect((await stranger.ask('PUT', KITCHEN, renamed(1, 'Their own'))).status).toBe(200)
    expect(JSON.parse((await elsewhere.next()).value as string)).not.toMatchObject({ id })
  })

  it('tell of a dish that is begun, gone on with and ended', async () => {
    const browser = await serve()
    const [cook, tablet] = [browser(), browser()]
    const id = await household()
    await letIn(cook, id)
    await letIn(tablet, id)
    const [dishId, none] = [randomUUID(), randomUUID()]
    const dish = { version: 0, favourite: false, content: { shape: 1, ...beansWithSquash() } }
    expect((await cook.ask('PUT', `/api/documents/dish/${dishId}`, dish)).status).toBe(200)
    const heard = await tablet.listen(CHANGES)
    await heard.next()
    const next = async () => JSON.parse((await heard.next()).value as string) as object
    expect((await cook.ask('PUT', `/api/dishes/${dishId}/begun`, { at: 1 })).status).toBe(200)
    expect(await next()).toEqual({ kind: 'begun', id: dishId })
    expect((await cook.ask('DELETE', `/api/dishes/${none}/begun`)).status).toBe(404)
    expect((await cook.ask('DELETE', `/api/dishes/${dishId}/begun`)).status).toBe(204)
    expect(await next()).toEqual({ kind: 'begun', id: dishId })
    expect((await cook.ask('PUT', KITCHEN, renamed(1, 'Larkspur'))).status).toBe(200)
    // Nothing else was told in between.
    expect(await next()).toEqual({ kind: 'kitchen', id })
  })

  it('say of a device that looked a while ago whether it may have missed something', async () => {
    const cook = (await serve())()
    const [id, quiet] = [await household(), await household()]
    await letIn(cook, id)
    const heard = await cook.listen(CHANGES)
    await heard.next()
    const before = Date.now()
    await cook.ask('PUT', KITCHEN, renamed(1, 'Larkspur'))
    await heard.next()
    expect(mayHaveChanged(id, before)).toBe(true)
    expect(mayHaveChanged(id, Date.now() + 1000)).toBe(false)
    expect(mayHaveChanged(quiet, before)).toBe(false)
    // Long before this server began to listen nobody knows.
    expect(mayHaveChanged(quiet, before - 86_400_000)).toBe(true)
  })
})
