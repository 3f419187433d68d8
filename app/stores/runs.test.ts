// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { RunEventData } from '~~/core/live/event.schema'
import { beansRun, closePage, openPage, playServer, settle, START_MS } from '~~/tests/house'
import { useCookingStore } from './cooking'
import { useOutbox } from './outbox'
import { useRunsStore, withUnsent } from './runs'

const id = (n: number) => `0de70000-0000-4000-8000-${String(n).padStart(12, '0')}`
const ONE = id(1)
const TWO = id(2)
let count = 100
const event = (data: RunEventData, seconds = 0) => ({ id: id(count++), at: START_MS + seconds * 1000, data })
const lit = (seconds = -1500) => event({ kind: 'lit' }, seconds)

let server: ReturnType<typeof playServer>
/** Answers all that ask for it: pages of tests before listen on. */
async function answerAll(path: RegExp, answer: object) {
  do await (await server.next('GET', path)).answer(answer)
  while (server.open.some((one) => path.test(one.path)))
}
/** What the server tells every device that listens. */
let tell: (change: { kind: string; id: string } | null) => void = () => undefined
beforeEach(() => {
  openPage()
  vi.stubGlobal(
    'EventSource',
    class {
      addEventListener(type: string, listener: (event: { data: string }) => void) {
        if (type === 'message') tell = (change) => listener({ data: change ? JSON.stringify(change) : '' })
      }
      removeEventListener() {}
      close() {}
    },
  )
  server = playServer()
})
afterEach(closePage)

describe('what happened and is not sent yet', () => {
  it('is let be for longer and longer where the server fails over it, up to a minute, and then sent', async () => {
    const outbox = useOutbox()
    useRunsStore().put(beansRun(ONE, [lit()]))
    outbox.add(ONE, event({ kind: 'whistle' }))
    const waits: number[] = []
    for (let i = 0; i < 7; i++) {
      await (await server.next('POST', /events/)).answer({ status: 500, body: { problems: [] } })
      waits.push(Math.round((outbox.resting.get(ONE)!.untilMs - Date.now()) / 1000))
      // Before its time it is not sent again.
      await settle()
      expect(server.open).toEqual([])
      vi.advanceTimersByTime(Math.max(0, waits.at(-1)! * 1000 - 4500))
      await settle()
      expect(server.open).toEqual([])
    }
    expect(waits).toEqual([3, 6, 12, 24, 48, 60, 60])
    await (await server.next('POST', /events/)).answer({ events: [] })
    expect(outbox.entries).toEqual([])
    expect(outbox.resting.size).toBe(0)
  })
})

describe('the runs that this device has heard of', () => {
  it('are not forgotten by a list that was asked for before they began', async () => {
    const runs = useRunsStore()
    void runs.load()
    const list = await server.next('GET', /\/runs\?on/)
    // Meanwhile one is started on this very device.
    runs.put(beansRun(ONE, [lit()]))
    await list.answer({ runs: [beansRun(TWO, [lit()])], next: null })
    expect(runs.running.map(({ id: runId }) => runId).sort()).toEqual([ONE, TWO])
  })

  it('do not lose an event to an answer that left before it', async () => {
    const runs = useRunsStore()
    const first = lit()
    runs.put(beansRun(ONE, [first]))
    void runs.loadOne(ONE)
    const old = await server.next('GET', new RegExp(ONE))
    runs.setEvents(ONE, [first, event({ kind: 'whistle' })])
    await old.answer(beansRun(ONE, [first]))
    expect(runs.one(ONE)!.events).toHaveLength(2)
  })

  it('show what was judged last, though an older answer comes later', async () => {
    const runs = useRunsStore()
    runs.put(beansRun(ONE, [lit()]))
    void runs.loadOne(ONE)
    const old = await server.next('GET', new RegExp(ONE))
    const verdict = { content: 0, foodId: 'navy-bean', texture: 0, water: 1, note: 'With lime.' }
    void runs.judge(ONE, verdict)
    const put = await server.next('PUT', /verdict/)
    await put.answer({ ...beansRun(ONE, [lit()]), verdicts: [verdict] })
    await old.answer(beansRun(ONE, [lit()]))
    expect(runs.one(ONE)!.verdicts).toEqual([verdict])
  })

  it('are as the last that was said of them, though an answer before it comes later', async () => {
    const runs = useRunsStore()
    runs.put(beansRun(ONE, [lit()]))
    void runs.say(ONE, { teaches: false })
    void runs.say(ONE, { teaches: true })
    const first = await server.next('PATCH', new RegExp(`${ONE}$`))
    expect(first.body).toEqual({ teaches: false })
    const second = await server.next('PATCH', new RegExp(`${ONE}$`))
    expect(second.body).toEqual({ teaches: true })
    await second.answer({ ...beansRun(ONE, [lit()]), teaches: true })
    await first.answer({ ...beansRun(ONE, [lit()]), teaches: false })
    expect(runs.one(ONE)!.teaches).toBe(true)
  })

  it('are there after a reload without a network', async () => {
    useRunsStore().put(beansRun(ONE, [lit()]))
    await settle()
    const kept = JSON.parse(localStorage.getItem('bivvet-running')!) as unknown
    openPage({ 'bivvet-running': kept })
    expect(useRunsStore().running.map(({ id: runId }) => runId)).toEqual([ONE])
  })

  it('come in pages, newest first', async () => {
    const runs = useRunsStore()
    void runs.loadLog()
    await (await server.next('GET', /\/runs$/)).answer({ runs: [beansRun(ONE)], next: 'mark' })
    void runs.loadLog(true)
    await (await server.next('GET', /after=mark/)).answer({ runs: [beansRun(TWO)], next: null })
    expect(runs.log!.map(({ id: runId }) => runId)).toEqual([ONE, TWO])
    expect(runs.next).toBeNull()
  })

  it('that are on the stove stand in the order in which they were begun, the last first', () => {
    const runs = useRunsStore()
    const begunAt = (run: string, seconds: number) => ({
      ...beansRun(run, [lit()]),
      createdAt: new Date(START_MS + seconds * 1000).toISOString(),
    })
    runs.put(begunAt(id(4), 0), begunAt(id(5), 20), begunAt(id(6), 10))
    expect(runs.running.map(({ id: runId }) => runId)).toEqual([id(5), id(6), id(4)])
  })

  it('are asked for once, however often they are wanted meanwhile', async () => {
    const runs = useRunsStore()
    void runs.loadLog()
    void runs.loadLog()
    const first = await server.next('GET', /\/runs$/)
    expect(server.open).toEqual([])
    await first.answer({ runs: [beansRun(ONE)], next: null })
    expect(runs.log).toHaveLength(1)
  })
})

describe('the log', () => {
  const opened = async () => {
    const runs = useRunsStore()
    void runs.loadLog()
    await (await server.next('GET', /\/runs$/)).answer({ runs: [beansRun(ONE)], next: null })
    return runs
  }

  it('is headed by what was lit on another device, once', async () => {
    const runs = await opened()
    for (let times = 0; times < 2; times++) {
      tell({ kind: 'run', id: TWO })
      await answerAll(new RegExp(TWO), beansRun(TWO, [lit()]))
    }
    expect(runs.log!.map(({ id: runId }) => runId)).toEqual([TWO, ONE])
  })

  it('that is looked through stays what was looked for', async () => {
    const runs = await opened()
    void runs.look({ text: 'soup' })
    await (await server.next('GET', /text=soup/)).answer({ runs: [], next: null })
    tell({ kind: 'run', id: TWO })
    await answerAll(new RegExp(TWO), beansRun(TWO, [lit()]))
    expect(runs.log).toEqual([])
  })

  it('shows what was asked for last, though an answer to what was asked before comes later', async () => {
    const runs = useRunsStore()
    void runs.look({ text: 'so' })
    const first = await server.next('GET', /text=so$/)
    void runs.look({ text: 'soup' })
    await first.answer({ runs: [beansRun(ONE)], next: 'mark' })
    expect(runs.log).toBeNull()
    await (await server.next('GET', /text=soup/)).answer({ runs: [beansRun(TWO)], next: null })
    expect(runs.log!.map(({ id: runId }) => runId)).toEqual([TWO])
  })

  it('says why a page could not be had, and has it when it is asked again', async () => {
    const runs = useRunsStore()
    void runs.loadLog()
    await (await server.next('GET', /\/runs$/)).answer({ status: 500, body: { problems: [] } })
    await (await server.next('GET', /\/runs$/)).answer({ status: 500, body: { problems: [] } }).catch(() => undefined)
    expect(runs.failure).toMatchObject({ status: 500 })
    void runs.loadLog()
    await (await server.next('GET', /\/runs$/)).answer({ runs: [], next: null })
    expect([runs.failure, runs.log]).toEqual([null, []])
  })
})

describe('what is on the stove', () => {
  it('is asked for after a gap in what the server tells', async () => {
    const runs = useRunsStore()
    tell(null)
    await answerAll(/\/runs\?on/, { runs: [beansRun(ONE, [lit()])], next: null })
    expect(runs.running.map(({ id: runId }) => runId)).toEqual([ONE])
  })

  it('is a pot that was started and not lit for some hours only, and none that was opened', () => {
    const runs = useRunsStore()
    runs.put(beansRun(ONE))
    expect(runs.running).toHaveLength(1)
    vi.setSystemTime(START_MS + 4 * 3_600_000)
    runs.put(beansRun(TWO))
    expect(runs.running).toEqual([])
  })

  it('has what this device has not sent yet after what the server has, and nothing twice', () => {
    const whistle = event({ kind: 'whistle' })
    const first = lit()
    expect(withUnsent([first], [first, whistle])).toEqual([first, whistle])
  })
})

describe('a pot as it was cooked last', () => {
  it('is the last that was judged, or else the last', async () => {
    const runs = useRunsStore()
    const judged = { ...beansRun(TWO), verdicts: [{ content: 0, foodId: 'navy-bean', texture: 0, water: 0, note: '' }] }
    const asked = runs.lastOf('navy-bean', 'blue')
    await (
      await server.next('GET', /foods=navy-bean&cookerId=blue/)
    ).answer({ runs: [beansRun(ONE), judged], next: null })
    expect((await asked)!.id).toBe(TWO)
    const again = runs.lastOf('navy-bean', 'blue')
    await (await server.next('GET', /foods=navy-bean/)).answer({ runs: [beansRun(ONE)], next: null })
    expect((await again)!.id).toBe(ONE)
    const never = runs.lastOf('rice', 'blue')
    await (await server.next('GET', /foods=rice/)).answer({ runs: [], next: null })
    expect(await never).toBeNull()
  })
})

describe('a run that is not here', () => {
  it('is missing with the reason, until it is found', async () => {
    const runs = useRunsStore()
    void runs.loadOne(ONE)
    await (await server.next('GET', new RegExp(ONE))).answer({ status: 404, body: { problems: [] } })
    expect(runs.missing.get(ONE)).toMatchObject({ status: 404 })
    void runs.loadOne(ONE)
    await (await server.next('GET', new RegExp(ONE))).answer(beansRun(ONE))
    expect(runs.missing.has(ONE)).toBe(false)
  })
})

describe('what has happened and is not on the server yet', () => {
  it('of one run is sent though the server fails over another’s', async () => {
    useRunsStore().put(beansRun(ONE, [lit()]), beansRun(TWO, [lit()]))
    const outbox = useOutbox()
    outbox.add(ONE, event({ kind: 'whistle' }))
    outbox.add(TWO, event({ kind: 'whistle' }))
    await (await server.next('POST', new RegExp(ONE))).answer({ status: 500, body: { problems: [] } })
    await (await server.next('POST', new RegExp(TWO))).answer({ events: [] })
    expect(outbox.of(TWO)).toEqual([])
    expect(outbox.of(ONE)).toHaveLength(1)
    // It is tried again, later and later.
    await (await server.next('POST', new RegExp(ONE))).answer({ events: [] })
    expect(outbox.of(ONE)).toEqual([])
  })

  it('is sent in its order, each once, over a network that comes and goes', async () => {
    useRunsStore().put(beansRun(ONE, [lit()]))
    const outbox = useOutbox()
    const whistles = [event({ kind: 'whistle' }, 1), event({ kind: 'whistle' }, 2)]
    for (const one of whistles) outbox.add(ONE, one)
    await (await server.next('POST', /events/)).answer('no-network')
    // Not at once again: the next one waits until there may be a network.
    expect(server.open).toEqual([])
    const sent: unknown[] = []
    for (const [i, one] of whistles.entries()) {
      const post = await server.next('POST', /events/)
      sent.push((post.body as { id: string }).id)
      await post.answer({ events: whistles.slice(0, i + 1) })
      expect(outbox.of(ONE)).not.toContainEqual(one)
    }
    expect(sent).toEqual(whistles.map(({ id: eventId }) => eventId))
  })

  it('is dropped, and said, where the run itself will not have it', async () => {
    useRunsStore().put(beansRun(ONE, [lit()]))
    const outbox = useOutbox()
    outbox.add(ONE, event({ kind: 'whistle' }))
    const problems = [{ path: '', code: 'run-over', message: 'This run is over.' }]
    await (await server.next('POST', /events/)).answer({ status: 409, body: { problems } })
    expect(outbox.refused.get(ONE)).toBe('run-over')
    expect(outbox.of(ONE)).toEqual([])
  })

  it('waits for its run, which is said to be refused only where the server will not have it', async () => {
    const outbox = useOutbox()
    const { plan } = beansRun(ONE)
    const start = { id: ONE, name: 'Beans', cookerId: id(8), request: plan.request }
    useRunsStore().put(beansRun(ONE), beansRun(TWO, [lit()]))
    outbox.addStart({ plan: start, run: { id: ONE, planId: ONE } })
    outbox.add(ONE, event({ kind: 'whistle' }))
    await (await server.next('POST', /\/plans/)).answer({ status: 500, body: { problems: [] } })
    expect(outbox.refused.has(ONE)).toBe(false)
    // What happened in another is sent meanwhile, and nothing of this one.
    outbox.add(TWO, event({ kind: 'whistle' }))
    await (await server.next('POST', new RegExp(TWO))).answer({ events: [] })
    expect(server.open.filter(({ path }) => path.includes('events'))).toEqual([])
    const problems = [{ path: '', code: 'too-many', message: 'There are too many.' }]
    await (await server.next('POST', /\/plans/)).answer({ status: 422, body: { problems } })
    expect(outbox.refused.get(ONE)).toBe('too-many')
    // It stays here: its pot is on the flame.
    expect([outbox.isStarting(ONE), outbox.of(ONE).length]).toEqual([true, 1])
    await (await server.next('POST', /\/plans/)).answer({})
    await (await server.next('POST', /\/runs$/)).answer({ ...beansRun(ONE, [lit()]), pot: null })
    await (await server.next('POST', /events/)).answer({ events: [] })
    expect([outbox.isStarting(ONE), outbox.of(ONE).length]).toEqual([false, 0])
  })
})

describe('the stove as this device sees it', () => {
  it('takes back the last thing at once, before anything was worked out', () => {
    const runs = useRunsStore()
    const cooking = useCookingStore()
    runs.put(beansRun(ONE, [lit()]))
    expect(cooking.add(ONE, { kind: 'whistle' })).toBe(true)
    cooking.undo(ONE)
    const kinds = runs.eventsOf(runs.one(ONE)!).map(({ data }) => data.kind)
    expect(kinds).toEqual(['lit', 'whistle', 'undo'])
  })

  it('asks about a whistle of a pot that is still cold, and counts the one that the cook vouches for', () => {
    const runs = useRunsStore()
    const cooking = useCookingStore()
    runs.put(beansRun(ONE, [lit(-60)]))
    const heardAt = serverNow() - 20_000
    expect(cooking.add(ONE, { kind: 'whistle', how: 'ear' }, heardAt)).toBe(false)
    expect(cooking.refused.get(ONE)).toBe('too-cold')
    cooking.addSureWhistle(ONE)
    const [, whistle, stands] = runs.eventsOf(runs.one(ONE)!)
    // When it was heard, not when the cook vouched for it.
    expect(whistle).toMatchObject({ at: heardAt, data: { kind: 'whistle', how: 'ear' } })
    expect(stands!.data).toEqual({ kind: 'whistle-stands', of: whistle!.id })
    expect(cooking.refused.has(ONE)).toBe(false)
  })

  it('says why what cannot have happened is not written down', () => {
    useRunsStore().put(beansRun(ONE))
    const cooking = useCookingStore()
    expect(cooking.add(ONE, { kind: 'whistle' })).toBe(false)
    expect(cooking.refused.get(ONE)).toBe('not-lit')
    expect(useOutbox().of(ONE)).toEqual([])
  })
})
