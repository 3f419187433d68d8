// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { KeptPortion } from '~~/shared/household'
import { closePage, houseId, openPage, playServer, settle } from '~~/tests/house'
import { usePortionsStore } from './portions'

const kept = (left: number, version = 1) =>
  ({
    id: houseId(1),
    name: 'Pea soup',
    favourite: false,
    version,
    updatedAt: '2026-11-25T18:00:00Z',
    content: { name: 'Pea soup', left },
  }) as unknown as KeptPortion

let server: ReturnType<typeof playServer>
beforeEach(() => {
  openPage()
  server = playServer()
})
afterEach(closePage)

async function loaded(left: number) {
  const store = usePortionsStore()
  void store.load()
  await (await server.next('GET', /portion$/)).answer([kept(left)])
  return store
}

describe('leftovers', () => {
  it('are so many fewer or more when some are taken or put back', async () => {
    const store = await loaded(3)
    void store.changeLeft(store.portions![0]!, -1)
    const taken = await server.next('PUT', /portion/)
    expect(taken.body).toMatchObject({ version: 1, content: { left: 2 } })
    await taken.answer(kept(2, 2))
    void store.changeLeft(store.portions![0]!, 1)
    expect((await server.next('PUT', /portion/)).body).toMatchObject({ version: 2, content: { left: 3 } })
  })

  it('are off the list when none is left, and more cannot be taken than there are', async () => {
    const store = await loaded(1)
    void store.changeLeft(store.portions![0]!, -2)
    await (await server.next('DELETE', new RegExp(houseId(1)))).answer({})
    await settle()
    expect(store.portions).toEqual([])
    expect(server.open).toEqual([])
  })
})
