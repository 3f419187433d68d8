// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { COOKERS } from '~~/core/appliance/appliance'
import { closePage, houseId, openKitchen, openPage, settle } from '~~/tests/house'
import { useKitchenStore } from '~/stores/kitchen'
import { usePotStore } from '~/stores/pot'
import { useStackSearch } from './useStackSearch'

const asked: { name: string; answer: (found: unknown) => void; fail: () => void; tell: (n: number) => void }[] = []
const stopped = vi.fn()
vi.mock('comlink', () => ({ proxy: (tell: unknown) => tell }))
vi.mock('~/composables/common/useWorker', () => {
  const ask =
    (name: string) =>
    (...given: unknown[]) =>
      new Promise((answer, fail) =>
        asked.push({ name, answer, fail: () => fail(new Error('gone')), tell: given.at(-1) as never }),
      )
  return {
    useWorker: () => ({ searchStack: ask('search'), whatElse: ask('more'), stackFits: ask('elsewhere') }),
    toPlain: <T>(value: T) => JSON.parse(JSON.stringify(value)) as T,
    stopWorker: (thread: string) => stopped(thread),
    useWorked: () => ({}),
  }
})

beforeEach(async () => {
  openPage()
  asked.length = 0
  stopped.mockClear()
  await openKitchen(useKitchenStore().load, {
    cookers: [{ id: houseId(1), name: 'Electric', cooker: COOKERS['electric-6l']!, tests: [] }],
  })
  usePotStore().view = 'tins'
})
afterEach(closePage)
const searching = () => effectScope().run(useStackSearch)!
const result = { answers: [], nearest: null, tried: 12, repair: null }

describe('the search for a stack', () => {
  it('tells how far it is, and what it found', async () => {
    const search = searching()
    void search.search()
    expect(search.busy.value).toBe('search')
    asked[0]!.tell(7)
    expect(search.done.value).toBe(7)
    asked[0]!.answer({ ok: true, value: result })
    await settle()
    expect(search.busy.value).toBeNull()
    expect(search.result.value).toEqual(result)
  })

  it('looks whether another cooker takes it all, where this one does not', async () => {
    const { cookers } = useKitchenStore().kitchen!
    cookers.push({ id: houseId(2), name: 'Blue 7 L', cooker: COOKERS['whistling-7l-aluminium']!, tests: [] })
    cookers.push({ id: houseId(3), name: 'Rice', cooker: COOKERS['rice-1l']!, tests: [] })
    const search = searching()
    void search.search()
    asked[0]!.answer({ ok: true, value: result })
    await settle()
    expect(search.elsewhere.value).toBeNull()
    expect(asked.map(({ name }) => name)).toEqual(['search', 'elsewhere'])
    asked[1]!.answer(true)
    await settle()
    expect(search.elsewhere.value?.name).toBe('Blue 7 L')
  })

  it('is over at once when it is stopped, and what comes then is not shown', async () => {
    const search = searching()
    void search.search()
    search.stop()
    expect(search.busy.value).toBeNull()
    expect(stopped).toHaveBeenCalledWith('search')
    asked[0]!.answer({ ok: true, value: result })
    await settle()
    expect(search.result.value).toBeNull()
  })

  it('is not busy for ever where the thread fails: it says so, and can be asked again', async () => {
    vi.spyOn(console, 'error').mockImplementation(() => undefined)
    const search = searching()
    void search.search()
    asked[0]!.fail()
    await settle()
    expect([search.busy.value, search.failed.value]).toEqual([null, true])
    void search.whatElse()
    expect([search.busy.value, search.failed.value]).toEqual(['more', false])
    asked[1]!.answer([{ food: 'red-rice', minutes: 30 }])
    await settle()
    expect(search.more.value).toEqual([{ food: 'red-rice', minutes: 30 }])
  })

  it('says what is wrong with what was asked', async () => {
    const search = searching()
    void search.search()
    asked[0]!.answer({ ok: false, problems: [{ path: 'tins', code: 'no-tins' }] })
    await settle()
    expect(search.problems.value).toMatchObject([{ code: 'no-tins' }])
  })
})
