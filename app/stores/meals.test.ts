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
})
