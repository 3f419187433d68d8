// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { beansRun, closePage, openPage, playServer, START_MS } from '~~/tests/house'
import { useHouseholdStore } from './household'

let server: ReturnType<typeof playServer>
beforeEach(() => {
  openPage()
  server = playServer()
})
afterEach(closePage)

const WHO = {
  household: { id: 'h', name: 'Larkspur Terrace' },
  member: { id: 'm1', name: 'Ada', role: 'owner' },
  device: 'd1',
  names: { m1: 'Ada', m2: 'Ben' },
}
const litBy = (by: string) => beansRun('a', [{ id: 'e', at: START_MS, data: { kind: 'lit' }, by }])

async function known(who: object) {
  const store = useHouseholdStore()
  void store.load()
  await (await server.next('GET', /household$/)).answer(who)
  return store
}

describe('whose kitchen this is', () => {
  it('is known once the server has said so, and who is here at which device', async () => {
    const store = useHouseholdStore()
    expect([store.household, store.member, store.device, store.signIn]).toEqual([null, null, null, null])
    await known(WHO)
    expect(store.household).toMatchObject({ name: 'Larkspur Terrace' })
    expect(store.member).toMatchObject({ name: 'Ada' })
    expect(store.device).toBe('d1')
  })

  it('is still known where the server does not answer', async () => {
    const store = await known(WHO)
    void store.load()
    await (await server.next('GET', /household$/)).answer('no-network')
    await (await server.next('GET', /household$/)).answer('no-network').catch(() => undefined)
    expect(store.member).toMatchObject({ name: 'Ada' })
  })

  it('tells who lit a pot where there is more than one who could have', async () => {
    const store = await known(WHO)
    expect(store.lighterOf(litBy('m2'))).toBe('Ben')
    expect(store.lighterOf(litBy('somebody else'))).toBeNull()
    expect(store.lighterOf(beansRun('b'))).toBeNull()
    await known({ ...WHO, names: { m1: 'Ada' } })
    expect(store.lighterOf(litBy('m1'))).toBeNull()
    expect([store.nameOf('m1'), store.nameOf(null)]).toEqual(['Ada', null])
  })

  it('is asked anew when something about it has changed, and that is counted', async () => {
    const store = await known(WHO)
    const before = store.heard
    window.dispatchEvent(new Event('online'))
    await (await server.next('GET', /household$/)).answer({ ...WHO, member: { ...WHO.member, name: 'Adela' } })
    expect(store.heard).toBe(before + 1)
    expect(store.member).toMatchObject({ name: 'Adela' })
  })
})
