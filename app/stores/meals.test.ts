// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { newMeal } from '~~/shared/meal'
import { closePage, openPage, playServer, settle, START_MS } from '~~/tests/house'
import { useMealsStore } from './meals'

let server: ReturnType<typeof playServer>
beforeEach(() => {
  openPage()
  server = playServer()
})
afterEach(closePage)

const meal = newMeal(START_MS + 7_200_000)
const kept = (id: string, version: number, hands = 1) => ({
  id,
  version,
  name: '',
  favourite: false,
  updatedAt: '2026-11-26T18:00:00Z',
  content: { ...meal, hands },
})

describe('a dinner', () => {
  it('whose first answer was lost goes on with what was changed since', async () => {
    const store = useMealsStore()
    const id = store.start(meal)
    await (await server.next('PUT', /meal/)).answer('no-network')
    store.change(id, (of) => ({ ...of, hands: 2 }))
    await settle()
    // The server has had the first all the same.
    await (await server.next('PUT', /meal/)).answer({ status: 409, body: { problems: [], now: kept(id, 1) } })
    const put = await server.next('PUT', /meal/)
    expect(put.body).toMatchObject({ version: 1, content: { hands: 2 } })
    await put.answer(kept(id, 2, 2))
    expect([store.isUnsent, store.failure]).toEqual([false, null])
  })

  it('that cannot be removed without a network stays, with what was changed in it', async () => {
    const store = useMealsStore()
    const id = store.start(meal)
    await (await server.next('PUT', /meal/)).answer(kept(id, 1))
    store.change(id, (of) => ({ ...of, hands: 3 }))
    await (await server.next('PUT', /meal/)).answer('no-network')
    void store.remove(store.one(id)!)
    await (await server.next('DELETE', /meal/)).answer('no-network')
    expect(store.one(id)!.content.hands).toBe(3)
    expect((await server.next('PUT', /meal/)).body).toMatchObject({ content: { hands: 3 } })
  })

  it('that the server has lost already is not put back', async () => {
    const store = useMealsStore()
    void store.load()
    await (await server.next('GET', /meal$/)).answer([kept('one', 1)])
    void store.remove(store.one('one')!)
    await (await server.next('DELETE', /meal/)).answer({ status: 404, body: { problems: [] } })
    await settle()
    expect(store.failure).toMatchObject({ status: 404 })
    expect(server.open).toEqual([])
  })

  it('is changed as the household has it now, where another device changed it meanwhile', async () => {
    const store = useMealsStore()
    const id = store.start(meal)
    await (await server.next('PUT', /meal/)).answer(kept(id, 1))
    void store.load()
    await (await server.next('GET', /meal$/)).answer([kept(id, 4, 3)])
    store.change(id, (of) => ({ ...of, servedAt: of.servedAt + 60_000 }))
    const put = await server.next('PUT', /meal/)
    expect(put.body).toMatchObject({ version: 4, content: { hands: 3, servedAt: meal.servedAt + 60_000 } })
  })

  it('is unsent until the server has it', async () => {
    const store = useMealsStore()
    expect(store.isUnsent).toBe(false)
    store.start(meal)
    await settle()
    expect(store.isUnsent).toBe(true)
    await (await server.next('PUT', /meal/)).answer(kept('any', 1))
    expect(store.isUnsent).toBe(false)
  })
})

describe('the dinners of the household', () => {
  const at = (id: string, hoursFromNow: number) => ({
    ...kept(id, 1),
    content: { ...meal, servedAt: START_MS + hoursFromNow * 3_600_000 },
  })

  it('are those of the list and those that were begun here, each once', async () => {
    const store = useMealsStore()
    const id = store.start(meal)
    await (await server.next('PUT', /meal/)).answer('no-network')
    void store.load()
    await (await server.next('GET', /meal$/)).answer([kept(id, 1), kept('other', 1)])
    expect(store.meals!.map((one) => one.id).sort()).toEqual([id, 'other'].sort())
  })

  it('that is nearest and not over is the day’s, and other places know until when', async () => {
    const store = useMealsStore()
    expect(store.current).toBeNull()
    void store.load()
    await (await server.next('GET', /meal$/)).answer([at('late', 30), at('soon', 3), at('over', -30)])
    expect(store.current!.id).toBe('soon')
    await settle()
    expect(JSON.parse(localStorage.getItem('bivvet-meal-until')!)).toBe(START_MS + 3 * 3_600_000)
    expect(store.one('over')).not.toBeNull()
  })

  it('leave nothing to look for where none is to come', async () => {
    openPage({ 'bivvet-meal-until': START_MS })
    server = playServer()
    const store = useMealsStore()
    await settle()
    // As long as the list is not there, what was known stays.
    expect(JSON.parse(localStorage.getItem('bivvet-meal-until')!)).toBe(START_MS)
    void store.load()
    await (await server.next('GET', /meal$/)).answer([at('over', -30)])
    await settle()
    expect(JSON.parse(localStorage.getItem('bivvet-meal-until')!)).toBe(0)
    expect(store.current).toBeNull()
  })

  it('go back a step, and not further than they were changed', async () => {
    const store = useMealsStore()
    void store.load()
    await (await server.next('GET', /meal$/)).answer([kept('one', 1)])
    store.change('one', (of) => ({ ...of, hands: 2 }))
    // What changes nothing is no step, and neither is what the cook does not undo.
    store.change('one', (of) => ({ ...of }))
    store.change('one', (of) => ({ ...of, hands: 3 }), { undo: false })
    expect(store.undoable).toHaveLength(1)
    store.undo()
    expect(store.one('one')!.content.hands).toBe(1)
    store.undo()
    expect(store.one('one')!.content.hands).toBe(1)
    expect(store.undoable).toEqual([])
  })
})
