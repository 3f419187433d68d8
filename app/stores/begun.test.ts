// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { closePage, openPage, playServer, settle, START_MS } from '~~/tests/house'
import { useBegunStore } from './begun'

const id = '0de70000-0000-4000-8000-000000000701'
const run = '0de70000-0000-4000-8000-000000000702'

let server: ReturnType<typeof playServer>
beforeEach(() => {
  openPage()
  server = playServer()
})
afterEach(closePage)

async function opened(told: object = {}) {
  const store = useBegunStore()
  await (await server.next('GET', /begun/)).answer(told)
  return store
}

describe('a dish that is being cooked', () => {
  it('stands where the other devices have brought it, and a pot of it is known as its own', async () => {
    const store = await opened({ [id]: { at: 2, clocks: { soak: START_MS }, runs: { pot: run } } })
    expect(store.of(id).at).toBe(2)
    expect(store.dishOfRun(run)).toBe(id)
    expect(store.dishOfRun(id)).toBeNull()
    expect(store.of(run)).toEqual({ at: 0, clocks: {}, runs: {} })
  })

  it('goes on at once, and says to the others only what was done here', async () => {
    const store = await opened({ [id]: { at: 1, clocks: { soak: START_MS }, runs: {} } })
    store.say(id, { clocks: { fry: START_MS + 1 } })
    expect(store.of(id).clocks).toEqual({ soak: START_MS, fry: START_MS + 1 })
    const put = await server.next('PUT', /begun/)
    expect(put.body).toEqual({ clocks: { fry: START_MS + 1 }, runs: {} })
    // Another device has gone on meanwhile: that stands, with what was done here.
    await put.answer({ at: 3, clocks: { soak: START_MS, fry: START_MS + 1 }, runs: {} })
    expect(store.of(id)).toEqual({ at: 3, clocks: { soak: START_MS, fry: START_MS + 1 }, runs: {} })
  })

  it('loses nothing without a network, nor what is done while something is on its way', async () => {
    const store = await opened()
    store.say(id, { at: 1 })
    await (await server.next('PUT', /begun/)).answer('no-network')
    store.say(id, { clocks: { soak: START_MS } })
    const again = await server.next('PUT', /begun/)
    expect(again.body).toMatchObject({ at: 1, clocks: { soak: START_MS } })
    store.say(id, { at: 2 })
    await again.answer({ at: 1, clocks: { soak: START_MS }, runs: {} })
    expect(store.of(id).at).toBe(2)
    const last = await server.next('PUT', /begun/)
    expect(last.body).toMatchObject({ at: 2 })
    await last.answer({ at: 2, clocks: { soak: START_MS }, runs: {} })
    expect(store.of(id)).toEqual({ at: 2, clocks: { soak: START_MS }, runs: {} })
  })

  it('goes no step back where what was asked before it was done comes after it', async () => {
    const store = await opened({ [id]: { at: 3, clocks: {}, runs: {} } })
    void store.load()
    const asked = await server.next('GET', /begun/)
    store.say(id, { at: 4 })
    await (await server.next('PUT', /begun/)).answer({ at: 4, clocks: {}, runs: {} })
    await asked.answer({ [id]: { at: 3, clocks: {}, runs: {} }, [run]: { at: 1, clocks: {}, runs: {} } })
    expect(store.of(id).at).toBe(4)
    expect(store.of(run).at).toBe(1)
    // Nor does what was ended begin again.
    void store.load()
    const before = await server.next('GET', /begun/)
    store.end(id)
    await (await server.next('DELETE', /begun/)).answer({})
    await before.answer({ [id]: { at: 4, clocks: {}, runs: {} } })
    expect(store.of(id).at).toBe(0)
  })

  it('stands where it stood after a reload without a network', async () => {
    const first = await opened({ [id]: { at: 2, clocks: { soak: START_MS }, runs: { pot: run } } })
    expect(first.of(id).at).toBe(2)
    await settle()
    setActivePinia(createPinia())
    const again = useBegunStore()
    await (await server.next('GET', /begun/)).answer('no-network')
    expect(again.of(id)).toEqual({ at: 2, clocks: { soak: START_MS }, runs: { pot: run } })
    expect(again.dishOfRun(run)).toBe(id)
  })

  it('is ended for all, and forgotten where the dish is gone', async () => {
    const store = await opened({ [id]: { at: 2, clocks: {}, runs: {} } })
    store.end(id)
    expect(store.all[id]).toBeUndefined()
    await (await server.next('DELETE', /begun/)).answer({ status: 200, body: null })
    expect(store.all[id]).toBeUndefined()
    store.say(id, { at: 1 })
    await (await server.next('PUT', /begun/)).answer({ status: 404, body: { problems: [] } })
    await settle()
    expect(store.all[id]).toBeUndefined()
  })
})
