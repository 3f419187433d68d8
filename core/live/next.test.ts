import { describe, expect, it } from 'vitest'
import { plan } from '../program/plan'
import type { PlanRequest } from '../program/request.schema'
import { firstCourse } from './course'
import type { RunEvent, RunEventData } from './event.schema'
import type { Following } from './follow'
import { nextAction, runsByItself } from './next'
import type { Outlook } from './outlook'
import type { Overdue } from './overdue'
import { runState } from './run'

const MINUTE = 60_000
let count = 0
const event = (data: RunEventData, minute: number): RunEvent => ({ id: `e${count++}`, at: minute * MINUTE, data })
const CHECKED = event({ kind: 'checked' }, 0)
const LIT = event({ kind: 'lit' }, 0)
const whistle = (minute: number) => event({ kind: 'whistle' }, minute)
const OFF = event({ kind: 'heat-off' }, 20)

const request = (change: Partial<PlanRequest> = {}): PlanRequest => ({
  kitchen: { altitudeM: 400, roomC: 20, tapC: 18 },
  cooker: 'whistling-5l-aluminium',
  burner: 'strong',
  contents: [{ food: 'toor-split', dryG: 200, soak: null, where: 'base' }],
  liquids: [],
  freeLiquid: 'spoonable',
  style: { kind: 'whistles', flame: 'medium' },
  release: { kind: 'natural' },
  ...change,
})
const COUNTED = request()
const HEATED_UP = request({ style: { kind: 'whistles', heatUp: 'high', flame: 'medium' } })
const THEN_LOW = request({ style: { kind: 'first-whistle-then-low' } })
const CLOCK = request({ style: { kind: 'clock', flame: 'medium' } })
const REGULATOR = request({ cooker: 'regulator-5l-aluminium', style: { kind: 'first-whistle-then-low' } })
const ELECTRIC = request({ cooker: 'electric-6l', style: { kind: 'electric', level: 'high' } })
const TIMED = { ...ELECTRIC, release: { kind: 'timed', afterMinutes: 10 } } as const
const OPEN = request({ cooker: 'open-5l', style: { kind: 'open', lid: true } })
const SLOW = request({ cooker: 'slow-6l', style: { kind: 'slow', level: 'high' } })
const RICE = request({
  cooker: 'rice-1l',
  style: { kind: 'rice-cooker' },
  contents: [{ food: 'jasmine-white', dryG: 300, soak: null, where: 'base' }],
  freeLiquid: 'drained',
})

/** What is next for a pot of this request at a minute, with 5 as the figure to go by. */
function next(asked: PlanRequest, events: readonly RunEvent[], minute: number, known: Partial<Outlook> = {}) {
  const outcome = plan(asked, { range: false })
  if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
  const answer = outcome.value
  const state = runState(events)
  const outlook = {
    whistlesSoFar: state.cycles.at(-1)!.whistles.length,
    nextWhistleAt: 15 * MINUTE,
    heatOffAt: 20 * MINUTE,
    opensAt: { value: 30 * MINUTE, low: 28 * MINUTE, high: 33 * MINUTE },
    opensFrom: 28 * MINUTE,
    overdue: null,
    curve: { minutesToPressure: 9 },
    ...known,
  } as Outlook
  const following: Following = {
    state,
    course: firstCourse({ request: asked, answer }),
    advice: { figure: 5, planned: 5, changed: null, isShort: false, lowerFlame: null },
    outlook,
    whistleAgain: false,
    cautions: [],
  }
  return nextAction(answer, following, minute * MINUTE)
}
const at = (minute: number) => minute * MINUTE

describe('before a pot is lit', () => {
  it.each([
    ['whistling', COUNTED, [], 'check', 'checked'],
    ['whistling, looked over', COUNTED, [CHECKED], 'light', 'lit'],
    ['electric', ELECTRIC, [], 'check', 'checked'],
    ['electric, looked over', ELECTRIC, [CHECKED], 'start-electric', 'lit'],
    ['open', OPEN, [], 'light', 'lit'],
    ['slow', SLOW, [], 'start-electric', 'lit'],
    ['rice cooker', RICE, [], 'start-electric', 'lit'],
  ] as const)('%s', (_, asked, events, id, kind) => {
    expect(next(asked, events, 0)).toEqual({ id, event: { kind }, dueAt: null, whistlesLeft: 0 })
  })

  it('that was opened in between, what holds pressure is closed with care again', () => {
    const more: RunEventData = { kind: 'goes-on', figure: 3, addWaterG: 0, pinch: [null] }
    const events = [CHECKED, LIT, OFF, event({ kind: 'opened' }, 30), event(more, 31)]
    expect(next(COUNTED, events, 31).id).toBe('close-again')
    expect(next(OPEN, events, 31).id).toBe('light')
  })
})

describe('while it is counted', () => {
  it('the first whistle is waited for, then the others, as many as are left', () => {
    expect(next(COUNTED, [LIT], 5)).toEqual({
      id: 'wait-first-whistle',
      event: { kind: 'whistle' },
      dueAt: at(9),
      whistlesLeft: 5,
    })
    expect(next(COUNTED, [LIT, whistle(9), whistle(11)], 12)).toEqual({
      id: 'count',
      event: { kind: 'whistle' },
      dueAt: at(15),
      whistlesLeft: 3,
    })
    // One that the sum takes for missed is counted.
    expect(next(COUNTED, [LIT, whistle(9), whistle(11)], 12, { whistlesSoFar: 3 }).whistlesLeft).toBe(2)
  })

  it('it is turned off after the last', () => {
    const all = [9, 11, 13, 15, 17].map(whistle)
    expect(next(COUNTED, [LIT, ...all], 17)).toEqual({
      id: 'turn-off',
      event: { kind: 'heat-off' },
      dueAt: null,
      whistlesLeft: 0,
    })
  })

  it('the flame is turned down after the first, and what is still to come is counted on it', () => {
    const first = [LIT, whistle(6)]
    expect(next(HEATED_UP, [LIT], 5)).toMatchObject({ id: 'wait-first-whistle', whistlesLeft: 5 })
    expect(next(HEATED_UP, first, 6)).toEqual({
      id: 'turn-down',
      event: { kind: 'flame', flame: 'medium' },
      dueAt: null,
      whistlesLeft: 4,
    })
    const turned = [...first, event({ kind: 'flame', flame: 'medium' }, 6.5)]
    expect(next(HEATED_UP, turned, 7)).toMatchObject({ id: 'count', whistlesLeft: 4 })
    // Nobody turned it, and all were heard: off it goes.
    expect(next(HEATED_UP, [LIT, ...[6, 7, 8, 9, 10].map(whistle)], 10).id).toBe('turn-off')
  })

  it('half a minute after the last was due the clock tells as well', () => {
    const four = [LIT, ...[9, 11, 13, 15].map(whistle)]
    expect(next(COUNTED, four, 20.4).id).toBe('count')
    expect(next(COUNTED, four, 20.5).id).toBe('turn-off')
    // But never before anything was heard.
    expect(next(COUNTED, [LIT], 25).id).toBe('wait-first-whistle')
  })

  it('whose time nobody knows is waited for without a time', () => {
    expect(next(COUNTED, [LIT], 5, { curve: { minutesToPressure: null } as never }).dueAt).toBeNull()
  })
})

describe('while it cooks by minutes', () => {
  it('on low: the whistle, then the flame, then the minutes, then off', () => {
    expect(next(THEN_LOW, [LIT], 5)).toMatchObject({ id: 'wait-first-whistle', dueAt: at(9), whistlesLeft: 1 })
    expect(next(THEN_LOW, [LIT, whistle(9)], 9)).toEqual({
      id: 'turn-down',
      event: { kind: 'flame', flame: 'low' },
      dueAt: null,
      whistlesLeft: 0,
    })
    const low = [LIT, whistle(9), event({ kind: 'flame', flame: 'low' }, 10)]
    expect(next(THEN_LOW, low, 12)).toEqual({ id: 'wait-low', event: null, dueAt: at(15), whistlesLeft: 0 })
    expect(next(THEN_LOW, low, 15).id).toBe('turn-off')
  })

  it('on low: turned up for one whistle, it is never left on high, however long it still takes', () => {
    const up = [
      LIT,
      whistle(9),
      event({ kind: 'flame', flame: 'low' }, 9.5),
      event({ kind: 'flame', flame: 'high' }, 15),
    ]
    // Five minutes on low were advised, and it has had them; or it takes longer by what was heard meanwhile.
    expect(next(THEN_LOW, up, 15.5)).toMatchObject({ id: 'count', whistlesLeft: 1 })
    expect(next(THEN_LOW, [...up, whistle(16)], 16).id).toBe('turn-off')
    const early = up.map((one) =>
      one.data.kind === 'flame' && one.data.flame === 'high' ? { ...one, at: at(11) } : one,
    )
    expect(next(THEN_LOW, early, 12)).toMatchObject({ id: 'count', whistlesLeft: 1 })
    expect(next(THEN_LOW, [...early, whistle(12.5)], 13)).toMatchObject({
      id: 'turn-down',
      event: { kind: 'flame', flame: 'low' },
    })
  })

  it('on low in a pot that does not whistle: the pressure first', () => {
    expect(next(REGULATOR, [LIT], 5)).toEqual({
      id: 'wait-pressure',
      event: { kind: 'at-pressure' },
      dueAt: at(9),
      whistlesLeft: 0,
    })
    expect(next(REGULATOR, [LIT, event({ kind: 'at-pressure' }, 9)], 9).id).toBe('turn-down')
  })

  it('by the clock: minutes from lighting', () => {
    expect(next(CLOCK, [LIT], 4)).toEqual({ id: 'wait-clock', event: null, dueAt: at(5), whistlesLeft: 0 })
    expect(next(CLOCK, [LIT], 5).id).toBe('turn-off')
  })

  it('at pressure: from when it was reached, until the device is done', () => {
    expect(next(ELECTRIC, [LIT], 5)).toMatchObject({ id: 'wait-pressure', dueAt: at(9) })
    const reached = [LIT, event({ kind: 'at-pressure' }, 8)]
    expect(next(ELECTRIC, reached, 12)).toEqual({
      id: 'wait-at-pressure',
      event: null,
      dueAt: at(13),
      whistlesLeft: 0,
    })
    expect(next(ELECTRIC, reached, 13)).toEqual({
      id: 'let-finish',
      event: { kind: 'heat-off' },
      dueAt: at(13),
      whistlesLeft: 0,
    })
  })

  it('in an open pot: the boil, the flame, the minutes', () => {
    expect(next(OPEN, [LIT], 5)).toEqual({
      id: 'wait-boil',
      event: { kind: 'boils' },
      dueAt: null,
      whistlesLeft: 0,
    })
    expect(next(OPEN, [LIT, event({ kind: 'boils' }, 8)], 9).id).toBe('turn-down')
  })

  it('in a slow cooker: its minutes; in a rice cooker: until it switches off', () => {
    expect(next(SLOW, [LIT], 3)).toMatchObject({ id: 'wait-clock', dueAt: at(5) })
    expect(next(SLOW, [LIT], 5).id).toBe('let-finish')
    expect(next(RICE, [LIT], 3)).toEqual({
      id: 'wait-dry',
      event: { kind: 'heat-off' },
      dueAt: at(20),
      whistlesLeft: 0,
    })
  })
})

describe('when something is the matter', () => {
  it('the heat is waited for where it is away', () => {
    expect(next(COUNTED, [LIT, event({ kind: 'interrupted', why: 'gas' }, 5)], 6)).toMatchObject({
      id: 'interrupted',
      event: { kind: 'resumed' },
    })
  })

  it('what is overdue is asked about, and turned off before it is dry', () => {
    const overdue = (leastWaterG: number, after: Overdue['after'] = 'lit') => ({
      overdue: { after, slippedAt: [], untilThereG: 200, dueAt: at(9), leastWaterG },
    })
    expect(next(COUNTED, [LIT], 14, overdue(300))).toMatchObject({ id: 'overdue', event: { kind: 'whistle' } })
    expect(next(REGULATOR, [LIT], 14, overdue(300))).toMatchObject({ id: 'overdue', event: { kind: 'at-pressure' } })
    expect(next(COUNTED, [LIT], 14, overdue(100))).toMatchObject({ id: 'overdue-dry', event: { kind: 'heat-off' } })
    const silent = overdue(300, 'whistle')
    expect(next(COUNTED, [LIT], 14, silent)).toMatchObject({ id: 'silent', event: { kind: 'whistle' } })
    expect(next(COUNTED, [LIT], 14, { ...silent, hasEnough: true })).toMatchObject({
      id: 'enough',
      event: { kind: 'heat-off' },
    })
    expect(next(COUNTED, [LIT], 14, { ...overdue(100, 'whistle'), hasEnough: true }).id).toBe('overdue-dry')
  })
})

describe('after the heat', () => {
  it('what falls by itself is waited for', () => {
    expect(next(COUNTED, [LIT, OFF], 21)).toEqual({
      id: 'wait-fall',
      event: { kind: 'pressure-gone' },
      dueAt: at(30),
      whistlesLeft: 0,
    })
  })

  it('the valve is opened after its minutes, and then waited for', () => {
    expect(next(TIMED, [LIT, OFF], 29)).toEqual({
      id: 'wait-fall',
      event: { kind: 'pressure-gone' },
      dueAt: at(30),
      whistlesLeft: 0,
    })
    expect(next(TIMED, [LIT, OFF], 30)).toMatchObject({ id: 'open-valve', event: { kind: 'valve-opened' } })
    const lifted = [LIT, OFF, event({ kind: 'valve-opened' }, 30)]
    expect(next(TIMED, lifted, 31)).toMatchObject({ id: 'wait-valve', event: { kind: 'pressure-gone' }, dueAt: at(30) })
    const quick = { ...ELECTRIC, release: { kind: 'quick' } } as const
    expect(next(quick, [LIT, OFF], 20).id).toBe('open-valve')
  })

  it('an open pot rests as long as was planned', () => {
    expect(next(SLOW, [LIT, OFF], 20).id).toBe('open')
    const resting = next(RICE, [LIT, OFF], 20)
    expect(resting).toMatchObject({ id: 'wait-rest', event: { kind: 'opened' } })
    expect(resting.dueAt! - at(20)).toBeCloseTo(10 * MINUTE, -4)
    expect(next(RICE, [LIT, OFF], 20 + (resting.dueAt! - at(20)) / MINUTE).id).toBe('open')
  })
})

describe('once the cook says that the pressure is gone', () => {
  const gone = (minute: number) => [LIT, OFF, event({ kind: 'pressure-gone' }, minute)]

  it('the sum has to agree, and a valve may help', () => {
    expect(next(COUNTED, gone(24), 27)).toEqual({
      id: 'wait-sum',
      event: { kind: 'valve-opened' },
      dueAt: at(28),
      whistlesLeft: 0,
    })
    const lifted = [LIT, OFF, event({ kind: 'valve-opened' }, 22), event({ kind: 'pressure-gone' }, 24)]
    expect(next(COUNTED, lifted, 27)).toMatchObject({ id: 'wait-sum', event: null })
  })

  it('it is looked at once more where that was hope, and opened otherwise', () => {
    expect(next(COUNTED, gone(24), 28)).toMatchObject({ id: 'look-again', event: { kind: 'pressure-gone' } })
    expect(next(COUNTED, gone(28), 28)).toMatchObject({ id: 'open', event: { kind: 'opened' } })
  })
})

describe('at the end', () => {
  const opened = [LIT, OFF, event({ kind: 'pressure-gone' }, 30), event({ kind: 'opened' }, 31)]

  it('it is judged, or what goes in later is put in', () => {
    expect(next(COUNTED, opened, 32)).toMatchObject({ id: 'judge', event: null })
    const [first] = COUNTED.contents
    const later = { ...COUNTED, contents: [first!, { ...first!, food: 'carrot-chunks', joins: 1 }] }
    expect(next(later, opened, 32)).toMatchObject({ id: 'put-in', event: null })
  })

  it('it is over where it was given up', () => {
    expect(next(COUNTED, [LIT, event({ kind: 'abandoned' }, 3)], 4)).toMatchObject({ id: 'abandoned', event: null })
  })
})

describe('what runs by itself', () => {
  it.each([
    [COUNTED, false],
    [REGULATOR, false],
    [OPEN, false],
    [ELECTRIC, true],
    [SLOW, true],
    [RICE, true],
  ])('is what has its own heat', (asked, itself) => {
    const outcome = plan(asked, { range: false })
    expect(outcome.ok && runsByItself(outcome.value)).toBe(itself)
  })
})
