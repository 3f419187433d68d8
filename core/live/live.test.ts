import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { holdsPressure } from '../pot/appliance'
import { plan } from '../program/plan'
import type { PlanAnswer } from '../program/answer'
import type { PlanRequest } from '../program/request'
import { simulate } from '../pot/simulate'
import { figureReached, happenedIn, runTimes } from './facts'
import { nextAction } from './next'
import { refusalOf, runState, type RunEvent, type RunEventData } from './run'

const PRESSURE = { underPressure: true }
const START = Date.UTC(2026, 0, 1, 18)
let count = 0
const event = (data: RunEventData, minute = count): RunEvent => ({
  id: `e${++count}`,
  at: START + minute * 60_000,
  data,
})
const at = (minute: number) => START + minute * 60_000

const answerFor = (change: Partial<PlanRequest>): PlanAnswer => {
  const outcome = plan({
    kitchen: { altitudeM: 0, roomC: 20, tapC: 20 },
    cooker: 'whistling-5l-aluminium',
    contents: [{ food: 'toor-split', dryG: 200, soak: null, where: 'base' }],
    liquids: [],
    style: { kind: 'whistles', flame: 'medium' },
    release: 'auto',
    ...change,
  })
  if (!outcome.ok) throw new Error(outcome.problems[0]!.message)
  return outcome.value
}

describe('the state of a run', () => {
  it('follows from its events', () => {
    const events = [
      event({ kind: 'lit' }, 0),
      event({ kind: 'whistle' }, 12),
      event({ kind: 'whistle' }, 13),
      event({ kind: 'heat-off' }, 14),
    ]
    expect(runState(events)).toMatchObject({
      phase: 'releasing',
      litAt: at(0),
      whistlesAt: [at(12), at(13)],
      heatOffAt: at(14),
    })
  })

  it('takes back the last thing that happened, and then the one before', () => {
    const events = [event({ kind: 'lit' }, 0), event({ kind: 'whistle' }, 12), event({ kind: 'heat-off' }, 13)]
    const undo = () => event({ kind: 'undo', of: runState(events).lastEventId! }, 13)
    events.push(undo())
    expect(runState(events)).toMatchObject({ phase: 'heating', whistlesAt: [at(12)] })
    events.push(undo())
    expect(runState(events)).toMatchObject({ phase: 'heating', whistlesAt: [] })
  })

  it('never opens before the pressure has been said to be gone, whatever is tried', () => {
    const anyData = fc.constantFrom<RunEventData>(
      { kind: 'lit' },
      { kind: 'whistle' },
      { kind: 'heat-off' },
      { kind: 'valve-opened' },
      { kind: 'pressure-gone' },
      { kind: 'opened' },
      { kind: 'abandoned' },
      { kind: 'at-pressure' },
    )
    fc.assert(
      fc.property(fc.array(anyData, { maxLength: 20 }), (tried) => {
        const events: RunEvent[] = []
        tried.forEach((data, i) => {
          const next = event(data, i)
          if (refusalOf(events, next, PRESSURE, at(60)) === null) events.push(next)
        })
        const state = runState(events)
        if (state.openedAt !== null) {
          expect(state.pressureGoneAt).not.toBeNull()
          expect(state.heatOffAt).not.toBeNull()
        }
      }),
    )
  })
})

describe('an event out of turn', () => {
  const lit = event({ kind: 'lit' }, 0)
  const off = event({ kind: 'heat-off' }, 20)
  it.each([
    ['a whistle before the flame', [], { kind: 'whistle' }, 5, 'not-lit'],
    ['lit twice', [lit], { kind: 'lit' }, 5, 'already-lit'],
    ['a whistle after the heat', [lit, off], { kind: 'whistle' }, 25, 'heat-is-off'],
    ['pressure gone on the flame', [lit], { kind: 'pressure-gone' }, 5, 'heat-is-on'],
    ['opened under pressure', [lit, off], { kind: 'opened' }, 25, 'pressure-not-gone'],
    ['long before the last', [lit, off], { kind: 'pressure-gone' }, 3, 'too-early'],
    ['tomorrow', [lit], { kind: 'whistle' }, 900, 'in-the-future'],
    ['undo of something else', [lit, off], { kind: 'undo', of: lit.id }, 21, 'nothing-to-undo'],
    ['anything after giving up', [lit, event({ kind: 'abandoned' }, 3)], { kind: 'whistle' }, 5, 'run-over'],
  ] as [string, RunEvent[], RunEventData, number, string][])('%s is refused', (_, events, data, minute, refusal) => {
    expect(refusalOf(events, event(data, minute), PRESSURE, at(60))).toBe(refusal)
  })
})

describe('the next action', () => {
  const walk = (answer: PlanAnswer, until = 300) => {
    const events: RunEvent[] = []
    const seen: string[] = []
    let minute = 0
    for (let i = 0; i < 200 && minute < until; i++) {
      const action = nextAction(answer, runState(events), at(minute))
      if (seen.at(-1) !== action.id) seen.push(action.id)
      if (action.id === 'judge') break
      if (action.event) {
        const next = event(action.event, minute)
        expect(
          refusalOf(events, next, { underPressure: holdsPressure(answer.simulation.appliance) }, at(minute)),
        ).toBeNull()
        events.push(next)
      }
      minute += 1
    }
    return { seen, whistles: runState(events).whistlesAt.length }
  }

  it('leads through counted whistles to the verdict', () => {
    const answer = answerFor({})
    const { seen, whistles } = walk(answer)
    expect(whistles).toBe(answer.range.figure)
    expect(seen).toEqual(['light', 'wait-first-whistle', 'count', 'turn-off', 'wait-fall', 'open', 'judge'])
  })

  it('leads from the first whistle to low and by the clock', () => {
    const { seen, whistles } = walk(answerFor({ style: { kind: 'first-whistle-then-low' } }))
    expect(whistles).toBe(1)
    expect(seen).toEqual([
      'light',
      'wait-first-whistle',
      'turn-low',
      'wait-low',
      'turn-off',
      'wait-fall',
      'open',
      'judge',
    ])
  })

  it('leads through the electric cooker and its valve', () => {
    const answer = answerFor({
      cooker: 'electric-6l',
      style: { kind: 'electric', level: 'high' },
      release: { kind: 'timed', afterMinutes: 10 },
    })
    expect(walk(answer).seen).toEqual([
      'start-electric',
      'wait-pressure',
      'wait-at-pressure',
      'let-finish',
      'wait-fall',
      'open',
      'judge',
    ])
  })

  it('asks for the valve when its time has come', () => {
    const answer = answerFor({
      cooker: 'electric-6l',
      style: { kind: 'electric', level: 'high' },
      release: { kind: 'timed', afterMinutes: 10 },
    })
    const events = [event({ kind: 'lit' }, 0), event({ kind: 'heat-off' }, 30)]
    expect(nextAction(answer, runState(events), at(35))).toMatchObject({ id: 'wait-fall', dueAt: at(40) })
    expect(nextAction(answer, runState(events), at(41)).id).toBe('open-valve')
    events.push(event({ kind: 'valve-opened' }, 41))
    expect(nextAction(answer, runState(events), at(42)).id).toBe('wait-valve')
  })

  it.each([
    [
      'by the clock',
      { style: { kind: 'clock', flame: 'medium' } },
      ['light', 'wait-clock', 'turn-off', 'wait-fall', 'open', 'judge'],
    ],
    [
      'two whistles, then low',
      { style: { kind: 'high-then-low', whistles: 2 } },
      ['light', 'wait-first-whistle', 'count', 'turn-low', 'wait-low', 'turn-off', 'wait-fall', 'open', 'judge'],
    ],
    [
      'a regulator',
      { cooker: 'regulator-5l-steel', style: { kind: 'first-whistle-then-low' } },
      ['light', 'wait-pressure', 'turn-low', 'wait-low', 'turn-off', 'wait-fall', 'open', 'judge'],
    ],
    [
      'an open pot',
      { cooker: 'open-5l', style: { kind: 'open', lid: true } },
      ['light', 'wait-boil', 'turn-low', 'wait-low', 'turn-off', 'open', 'judge'],
    ],
    [
      'a slow cooker',
      { cooker: 'slow-6l', style: { kind: 'slow', level: 'high' } },
      ['start-electric', 'wait-clock', 'let-finish', 'open', 'judge'],
    ],
    [
      'a rice cooker and its rest',
      {
        cooker: 'rice-1.8l',
        style: { kind: 'rice-cooker' },
        contents: [{ food: 'long-white', dryG: 200, soak: null, where: 'base' }],
      },
      ['start-electric', 'wait-dry', 'wait-rest', 'judge'],
    ],
  ] as [string, Partial<PlanRequest>, string[]][])('leads through %s', (_, change, wanted) => {
    expect(walk(answerFor(change), 600).seen).toEqual(wanted)
  })

  it('lets an open pot be opened without asking for its pressure, but not on the flame', () => {
    const lit = event({ kind: 'lit' }, 0)
    const off = event({ kind: 'heat-off' }, 20)
    const open = { underPressure: false }
    expect(refusalOf([lit], event({ kind: 'opened' }, 25), open, at(60))).toBe('heat-is-on')
    expect(refusalOf([lit, off], event({ kind: 'opened' }, 25), open, at(60))).toBeNull()
  })
})

describe('what is said of a run', () => {
  const counted = answerFor({})
  const { whistleMinutes } = simulate(counted.simulation)
  const times = (
    answer: PlanAnswer,
    events: RunEvent[],
    minute: number,
    whistles: readonly number[] = whistleMinutes,
  ) => {
    const state = runState(events)
    return runTimes(answer, whistles, state, nextAction(answer, state, at(minute)), at(minute))
  }
  const minutes = (ms: number) => (ms - START) / 60_000

  it('keeps to the plan until something comes early or late, and then moves with it', () => {
    const { heatOffAtMinute, openAtMinute } = counted.clock
    const lit = event({ kind: 'lit' }, 0)
    expect(minutes(times(counted, [lit], 1).heatOffMs)).toBeCloseTo(heatOffAtMinute, 6)
    const late = [lit, event({ kind: 'whistle' }, Math.ceil(whistleMinutes[0]!) + 3)]
    const moved = times(counted, late, Math.ceil(whistleMinutes[0]!) + 3)
    const lateBy = Math.ceil(whistleMinutes[0]!) + 3 - whistleMinutes[0]!
    expect(minutes(moved.heatOffMs)).toBeCloseTo(heatOffAtMinute + lateBy, 6)
    expect(minutes(moved.openMs)).toBeCloseTo(openAtMinute + lateBy, 6)
  })

  it('never promises a heat-off that is past', () => {
    expect(minutes(times(counted, [event({ kind: 'lit' }, 0)], 90).heatOffMs)).toBe(90)
  })

  it('knows the end of a wait by the clock', () => {
    const electric = answerFor({ cooker: 'electric-6l', style: { kind: 'electric', level: 'high' } })
    const events = [event({ kind: 'lit' }, 0), event({ kind: 'at-pressure' }, 14)]
    expect(minutes(times(electric, events, 15, []).heatOffMs)).toBe(14 + electric.range.figure)
  })

  it('sets the figure that was reached beside the planned one', () => {
    const lit = event({ kind: 'lit' }, 0)
    const whistles = [event({ kind: 'whistle' }, 12), event({ kind: 'whistle' }, 13)]
    expect(figureReached(counted, runState([lit, ...whistles]))).toBe(2)
    const electric = answerFor({ cooker: 'electric-6l', style: { kind: 'electric', level: 'high' } })
    const events = [lit, event({ kind: 'at-pressure' }, 14)]
    expect(figureReached(electric, runState(events))).toBeNull()
    expect(figureReached(electric, runState([...events, event({ kind: 'heat-off' }, 24)]))).toBe(10)
    const low = answerFor({ style: { kind: 'first-whistle-then-low' } })
    const turned = [
      lit,
      event({ kind: 'whistle' }, 9),
      event({ kind: 'flame', flame: 'low' }, 10),
      event({ kind: 'heat-off' }, 17),
    ]
    expect(figureReached(low, runState(turned))).toBe(7)
    expect(happenedIn(runState(turned))).toEqual({ whistles: [9], heatOff: 17, opened: null })
    expect(happenedIn(runState([]))).toBeNull()
  })
})
