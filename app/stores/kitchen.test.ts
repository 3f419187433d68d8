// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { COOKERS } from '~~/core/appliance/appliance'
import { BURNERS } from '~~/core/appliance/burner'
import { USUAL_LIKES } from '~~/shared/kitchen'
import type { KeptKitchen } from '~~/shared/household'
import type { Kitchen } from '~~/shared/kitchen'
import { KITCHEN_SHAPE } from '~~/shared/shapes'
import { closePage, openPage, playServer, settle } from '~~/tests/house'
import { useKitchenStore } from './kitchen'

const id = (n: number) => `0de70000-0000-4000-8000-${String(n).padStart(12, '0')}`
const versioned = (version: number, change: Partial<Kitchen> = {}): KeptKitchen => ({
  id: id(9),
  name: 'A kitchen',
  favourite: false,
  updatedAt: '2026-11-26T18:00:00Z',
  version,
  content: {
    shape: KITCHEN_SHAPE,
    name: 'A kitchen',
    altitudeM: 0,
    roomC: 20,
    tapC: 18,
    hardWater: false,
    likes: USUAL_LIKES,
    cookers: [{ id: id(1), name: 'Blue', cooker: COOKERS['whistling-5l-aluminium']!, tests: [] }],
    burners: [{ id: id(2), name: 'Strong', burner: BURNERS.strong }],
    measures: [{ id: id(3), name: 'Cup', volumeMl: 240 }],
    tins: [],
    foods: [],
    bags: [],
    ...change,
  },
})
const KEY = 'bivvet-unsent-kitchen-own'
const unsent = () => JSON.parse(localStorage.getItem(KEY) ?? 'null') as { version: number; content: Kitchen } | null

let server: ReturnType<typeof playServer>
beforeEach(() => {
  openPage()
  server = playServer()
})
afterEach(closePage)

async function loaded(change = {}) {
  const store = useKitchenStore()
  void store.load()
  await (await server.next('GET', /kitchen/)).answer(versioned(1, change))
  return store
}

describe('the kitchen that screens share', () => {
  it('sends changes one after another, each upon the version before', async () => {
    const store = await loaded()
    store.kitchen!.roomC = 21
    const first = await server.next('PUT', /kitchen/)
    expect(first.body).toMatchObject({ version: 1, content: { roomC: 21 } })
    // Changed again while the first is on its way: it waits its turn.
    store.kitchen!.tapC = 9
    void store.save()
    await settle()
    expect(server.open).toEqual([])
    await first.answer(versioned(2, { roomC: 21 }))
    const second = await server.next('PUT', /kitchen/)
    expect(second.body).toMatchObject({ version: 2, content: { roomC: 21, tapC: 9 } })
    await second.answer(versioned(3, { roomC: 21, tapC: 9 }))
    expect(store.state).toBe('kept')
    expect(store.kitchen).toMatchObject({ roomC: 21, tapC: 9 })
    expect(unsent()).toBeNull()
  })

  it('never shows an older answer over what was typed since', async () => {
    const store = await loaded()
    store.kitchen!.name = 'One'
    const put = await server.next('PUT', /kitchen/)
    store.kitchen!.name = 'One and more'
    await put.answer(versioned(2, { name: 'One' }))
    expect(store.kitchen!.name).toBe('One and more')
    expect(store.state).toBe('waiting')
  })

  it('keeps what could not be sent on the device, and sends it after a reload', async () => {
    const store = await loaded()
    store.kitchen!.roomC = 25
    await (await server.next('PUT', /kitchen/)).answer('no-network')
    expect(store.state).toBe('offline')
    expect(store.kitchen!.roomC).toBe(25)
    const left = unsent()
    expect(left).toMatchObject({ version: 1, content: { roomC: 25 } })

    openPage({ [KEY]: left })
    const again = useKitchenStore()
    void again.load()
    await (await server.next('GET', /kitchen/)).answer(versioned(1))
    const put = await server.next('PUT', /kitchen/)
    expect(put.body).toMatchObject({ version: 1, content: { roomC: 25 } })
    await put.answer(versioned(2, { roomC: 25 }))
    expect(again.state).toBe('kept')
  })

  it('lets the cook choose where another device has changed it too', async () => {
    const store = await loaded()
    const conflict = async () => {
      store.kitchen!.roomC++
      const put = await server.next('PUT', /kitchen/)
      await put.answer({ status: 409, body: { problems: [], now: versioned(7, { name: 'Theirs' }) } })
      expect(store.state).toBe('conflict')
    }
    await conflict()
    // Nothing is lost, and nothing more is sent, until one of the two is chosen.
    expect(store.kitchen).toMatchObject({ name: 'A kitchen', roomC: 21 })
    const chosen = store.putOurs()
    const put = await server.next('PUT', /kitchen/)
    expect(put.body).toMatchObject({ version: 7, content: { name: 'A kitchen', roomC: 21 } })
    await put.answer(versioned(8, { roomC: 21 }))
    await chosen
    expect(store.state).toBe('kept')

    await conflict()
    store.takeTheirs()
    expect(store.kitchen!.name).toBe('Theirs')
    expect(store.state).toBe('kept')
    await settle()
    expect(unsent()).toBeNull()
  })

  it('says what is refused, and sends again once that is repaired', async () => {
    const store = await loaded()
    store.kitchen!.altitudeM = 90_000
    const problems = [{ path: 'content.altitudeM', code: 'above-most', params: { max: 5000 }, message: 'Too high.' }]
    await (await server.next('PUT', /kitchen/)).answer({ status: 422, body: { problems } })
    expect(store.state).toBe('refused')
    expect(store.failure!.problems[0]!.path).toBe('content.altitudeM')
    store.kitchen!.altitudeM = 900
    const put = await server.next('PUT', /kitchen/)
    await put.answer(versioned(2, { altitudeM: 900 }))
    expect(store.state).toBe('kept')
    expect(store.failure).toBeNull()
  })
})
