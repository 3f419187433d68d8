// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { KeptPot } from '~~/shared/household'
import { closePage, openPage, playServer } from '~~/tests/house'
import { failureOf } from '~/composables/documents/useApi'
import { usePotsStore } from './pots'

const id = (n: number) => `0de70000-0000-4000-8000-${String(n).padStart(12, '0')}`
const kept = (n: number, version = 1): KeptPot => ({
  id: id(n),
  name: `Pot ${n}`,
  favourite: false,
  version,
  updatedAt: '2026-11-25T18:00:00Z',
  content: { shape: 2, items: [] } as never,
})

let server: ReturnType<typeof playServer>
beforeEach(() => {
  openPage()
  server = playServer()
})
afterEach(closePage)

async function loaded(...all: KeptPot[]) {
  const pots = usePotsStore()
  void pots.load()
  await (await server.next('GET', /pot$/)).answer(all)
  return pots
}

describe('the pots that were kept', () => {
  it('head the list as they are kept, each once', async () => {
    const pots = await loaded(kept(1), kept(2))
    const { id: potId, updatedAt: _, ...body } = kept(2)
    void pots.save(potId, body)
    const put = await server.next('PUT', new RegExp(potId))
    expect(put.body).toMatchObject({ version: 1, name: 'Pot 2' })
    await put.answer(kept(2, 2))
    expect(pots.pots!.map((pot) => [pot.name, pot.version])).toEqual([
      ['Pot 2', 2],
      ['Pot 1', 1],
    ])
  })

  it('stay as they are where the server refuses, and the reason is told', async () => {
    const pots = await loaded(kept(1))
    const saving = pots.save(id(1), kept(1)).catch(failureOf)
    const problems = [{ path: '', code: 'changed-elsewhere', message: 'Changed.' }]
    await (await server.next('PUT', /pot/)).answer({ status: 409, body: { problems } })
    expect(await saving).toMatchObject({ kind: 'refused', status: 409, problems })
    expect(pots.pots).toEqual([kept(1)])
  })

  it('go when they are taken off, and come back when they are kept again', async () => {
    const pots = await loaded(kept(1), kept(2))
    void pots.remove(kept(1))
    await (await server.next('DELETE', new RegExp(id(1)))).answer({})
    expect(pots.pots!.map(({ name }) => name)).toEqual(['Pot 2'])
    pots.put(kept(1, 2))
    expect(pots.pots!.map(({ name }) => name)).toEqual(['Pot 1', 'Pot 2'])
  })

  it('are missing, and said to be so, where nothing answers', async () => {
    const pots = usePotsStore()
    void pots.load()
    await (await server.next('GET', /pot/)).answer('no-network')
    // The library tries a fetch that failed once more by itself.
    await (await server.next('GET', /pot/)).answer('no-network').catch(() => undefined)
    expect(pots.pots).toBeNull()
    expect(pots.failure).toMatchObject({ kind: 'network' })
  })
})
