import { describe, expect, it } from 'vitest'
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
