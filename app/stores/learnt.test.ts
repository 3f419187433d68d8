// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { NOTHING_LEARNT, type LearntSums } from '~~/core/learn/sums'
import { closePage, openPage, playServer, settle } from '~~/tests/house'
import { useLearntStore } from './learnt'

let server: ReturnType<typeof playServer>
beforeEach(() => {
  openPage()
  server = playServer()
})
afterEach(closePage)

const SUMS: LearntSums = { ids: ['food:navy-bean'], means: [0.1], rows: [[0.04]], said: {} }

describe('what the log says, for plans', () => {
  it('is nothing until something was learnt', async () => {
    const store = useLearntStore()
    expect(store.believed).toBeNull()
    await (await server.next('GET', /learnt$/)).answer({ sums: NOTHING_LEARNT })
    expect(store.believed).toBeNull()
  })

  it('is what was heard, with how sure it is', async () => {
    const store = useLearntStore()
    await (await server.next('GET', /learnt$/)).answer({ sums: SUMS })
    expect(store.believed!.has('food:navy-bean')).toBe(true)
    expect(store.believed!.of(new Map([['food:navy-bean', 1]]) as never)).toMatchObject({ mean: 0.1, sd: 0.2 })
  })

  it('is the same as long as nothing new was learnt: no plan is worked out anew', async () => {
    const store = useLearntStore()
    await (await server.next('GET', /learnt$/)).answer({ sums: SUMS })
    const before = store.believed
    void store.load()
    await (await server.next('GET', /learnt$/)).answer({ sums: JSON.parse(JSON.stringify(SUMS)) })
    expect(store.believed).toBe(before)
  })

  it('is kept on the device as it was heard last, and stays where the server does not answer', async () => {
    openPage({ 'bivvet-learnt': SUMS })
    server = playServer()
    const store = useLearntStore()
    const ask = await server.next('GET', /learnt$/)
    await ask.answer({ sums: NOTHING_LEARNT })
    await settle()
    expect(JSON.parse(localStorage.getItem('bivvet-learnt')!)).toEqual(NOTHING_LEARNT)
    void store.load()
    await (await server.next('GET', /learnt$/)).answer('no-network')
    await (await server.next('GET', /learnt$/)).answer('no-network').catch(() => undefined)
    expect(JSON.parse(localStorage.getItem('bivvet-learnt')!)).toEqual(NOTHING_LEARNT)
  })
})
