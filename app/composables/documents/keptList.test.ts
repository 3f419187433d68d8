// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { closePage, openPage, playServer, settle } from '~~/tests/house'
import { keptList } from './keptList'

const thing = (id: string, version = 1) => ({ id, version })
const content = {} as never

let server: ReturnType<typeof playServer>
let tell: (data: string) => void
beforeEach(() => {
  openPage()
  vi.stubGlobal(
    'EventSource',
    class {
      addEventListener(type: string, listener: (event: { data: string }) => void) {
        if (type === 'message') tell = (data) => listener({ data })
      }
      removeEventListener() {}
      close() {}
    },
  )
  server = playServer()
})
afterEach(closePage)

/** A list that is on its way, and its answer. */
async function loading(kind: 'meal' | 'pot' | 'dish' = 'meal') {
  const list = keptList(kind)
  void list.load()
  const asked = await server.next('GET', new RegExp(`documents/${kind}$`))
  return { list, answer: (...things: object[]) => asked.answer(things) }
}
const ids = ({ all }: { all: { value: { id: string; version: number }[] | null } }) =>
  all.value?.map(({ id, version }) => `${id}${version}`)

describe('a list that is on its way', () => {
  it('has what was kept meanwhile, which it was written without', async () => {
    const { list, answer } = await loading()
    void list.save('new', { version: 0, content })
    await (await server.next('PUT', /meal\/new/)).answer(thing('new'))
    await answer(thing('old'))
    expect(ids(list)).toEqual(['new1', 'old1'])
  })

  it('has it as it is now, not as it was', async () => {
    const { list, answer } = await loading()
    for (const version of [2, 3]) {
      void list.save('one', { version: 0, content })
      await (await server.next('PUT', /meal\/one/)).answer(thing('one', version))
    }
    await answer(thing('other'), thing('one', 1))
    expect(ids(list)).toEqual(['one3', 'other1'])
  })

  it('does not bring back what was taken off meanwhile', async () => {
    const { list, answer } = await loading()
    void list.remove({ id: 'gone' })
    await (await server.next('DELETE', /meal\/gone/)).answer({})
    await answer(thing('gone'), thing('stays'))
    expect(ids(list)).toEqual(['stays1'])
  })

  it('keeps what was kept after another device’s change was asked about', async () => {
    const { list, answer } = await loading('dish')
    await answer(thing('one', 1))
    tell(JSON.stringify({ kind: 'dish', id: 'one' }))
    const asked = await server.next('GET', /dish\/one/)
    void list.save('one', { version: 0, content })
    await (await server.next('PUT', /dish\/one/)).answer(thing('one', 3))
    await asked.answer(thing('one', 2))
    expect(ids(list)).toEqual(['one3'])
  })

  it('is asked about once more for what another device has changed meanwhile', async () => {
    const { list, answer } = await loading('pot')
    tell(JSON.stringify({ kind: 'pot', id: 'one' }))
    await settle()
    expect(server.open).toEqual([])
    await answer(thing('one', 1))
    await (await server.next('GET', /pot\/one/)).answer(thing('one', 2))
    expect(ids(list)).toEqual(['one2'])
  })
})
