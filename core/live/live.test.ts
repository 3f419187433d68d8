import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { holdsPressure, COOKERS } from '../appliance/appliance'
import { simulate } from '../pot/simulate'
import { applianceOf } from '../program/answer'
import { plan } from '../program/plan'
import type { PlanRequest } from '../program/request.schema'
import { nextClosing } from '../program/remedy'
import { closingsOf, courseOf, createFollower, joinedState } from './follow'
import type { LivePlan } from './course'
import { figureReached, happenedIn } from './facts'
import { nextAction, runsByItself } from './next'
import { refusalOf } from './refusal'
import type { RunEvent, RunEventData } from './event.schema'
import { isRunning, lastCycle, runState } from './run'
import { createStove, type Hidden } from './stove'
import { whistlesFrom } from './too-cold'

const PRESSURE = { underPressure: true, opensFrom: () => 0 }
const START = Date.UTC(2026, 0, 1, 18)
let count = 0
const event = (data: RunEventData, minute = count): RunEvent => ({
  id: `e${++count}`,
  at: START + minute * 60_000,
  data,
})
const at = (minute: number) => START + minute * 60_000

const LONG = {
  food: 'chickpea-white',
  dryG: 250,
  soak: { hours: 9, waterC: 20, keepWater: false },
  where: 'base',
} as const
const planFor = (change: Partial<PlanRequest> = {}): LivePlan => {
  const request: PlanRequest = {
    kitchen: { altitudeM: 0, roomC: 20, tapC: 20 },
    cooker: 'whistling-5l-aluminium',
    burner: { high: 1300, medium: 520, low: 300, simmer: 200 },
    contents: [{ food: 'toor-split', dryG: 200, soak: null, where: 'base' }],
    liquids: [],
    style: { kind: 'whistles', flame: 'medium' },
    release: 'auto',
    ...change,
  }
  const outcome = plan(request)
  if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
  return { request, answer: outcome.value }
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
      cycles: [{ litAt: at(0), whistles: [{ at: at(12) }, { at: at(13) }], heatOffAt: at(14) }],
    })
  })

  it('takes back the last thing that happened, and then the one before', () => {
    const events = [event({ kind: 'lit' }, 0), event({ kind: 'whistle' }, 12), event({ kind: 'heat-off' }, 13)]
    const undo = () => event({ kind: 'undo', of: runState(events).lastEventId! }, 13)
    events.push(undo())
    expect(runState(events)).toMatchObject({ phase: 'heating', cycles: [{ whistles: [{ at: at(12) }] }] })
    events.push(undo())
    expect(runState(events)).toMatchObject({ phase: 'heating', cycles: [{ whistles: [] }] })
  })

  it('puts a recalled whistle where it belongs, and takes a false one out', () => {
    const first = event({ kind: 'whistle' }, 12)
    const last = event({ kind: 'whistle' }, 16)
    const events = [event({ kind: 'lit' }, 0), first, last, event({ kind: 'whistle', how: 'recalled' }, 14)]
    expect(lastCycle(runState(events)).whistles.map((whistle) => whistle.at)).toEqual([at(12), at(14), at(16)])
    events.push(event({ kind: 'no-whistle', of: last.id }, 17))
    expect(lastCycle(runState(events)).whistles.map((whistle) => whistle.at)).toEqual([at(12), at(14)])
    // What was recalled may lie further back than clocks may differ.
    expect(refusalOf(events, event({ kind: 'whistle', how: 'recalled' }, 13), PRESSURE, at(60))).toBeNull()
  })

  it('goes on in a second cycle when a pinch says not yet', () => {
    const events = (
      [
        [{ kind: 'lit' }, 0],
        [{ kind: 'whistle' }, 12],
        [{ kind: 'heat-off' }, 14],
        [{ kind: 'pressure-gone' }, 24],
        [{ kind: 'opened' }, 25],
        [{ kind: 'goes-on', figure: 3, addWaterG: 120, pinch: ['firm'] }, 26],
      ] as [RunEventData, number][]
    ).map(([data, minute]) => event(data, minute))
    const state = runState(events)
    expect(state).toMatchObject({
      phase: 'ready',
      cycles: [{}, { litAt: null, whistles: [], more: { figure: 3, addWaterG: 120 } }],
    })
    expect(isRunning({ closings: [] }, state)).toBe(true)
    expect(happenedIn(state.cycles[0])!.whistles).toEqual([12])
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
      { kind: 'checked' },
      { kind: 'interrupted', why: 'gas' },
      { kind: 'resumed' },
      { kind: 'goes-on', figure: 2, addWaterG: 0, pinch: [] },
    )
    fc.assert(
      fc.property(fc.array(anyData, { maxLength: 20 }), (tried) => {
        const events: RunEvent[] = []
        tried.forEach((data, i) => {
          const next = event(data, i)
          if (refusalOf(events, next, PRESSURE, at(60)) === null) events.push(next)
        })
        const state = runState(events)
        for (const cycle of state.cycles) {
          if (cycle.openedAt === null) continue
          expect(cycle.pressureGoneAt).not.toBeNull()
          expect(cycle.heatOffAt).not.toBeNull()
        }
      }),
    )
  })
})

describe('an event out of turn', () => {
  const lit = event({ kind: 'lit' }, 0)
  const off = event({ kind: 'heat-off' }, 20)
  const gone = event({ kind: 'interrupted', why: 'gas' }, 8)
  const open = event({ kind: 'opened' }, 40)
  const down = event({ kind: 'pressure-gone' }, 39)
  it.each([
    ['a whistle before the flame', [], { kind: 'whistle' }, 5, 'not-lit'],
    ['lit twice', [lit], { kind: 'lit' }, 5, 'already-lit'],
    ['a whistle after the heat', [lit, off], { kind: 'whistle' }, 25, 'heat-is-off'],
    ['pressure gone on the flame', [lit], { kind: 'pressure-gone' }, 5, 'heat-is-on'],
    ['opened under pressure', [lit, off], { kind: 'opened' }, 25, 'pressure-not-gone'],
    ['long before the last', [lit, off], { kind: 'pressure-gone' }, 3, 'too-early'],
    ['tomorrow', [lit], { kind: 'whistle' }, 900, 'in-the-future'],
    ['undo of something else', [lit, off], { kind: 'undo', of: lit.id }, 21, 'nothing-to-undo'],
    ['a whistle while the gas is out', [lit, gone], { kind: 'whistle' }, 9, 'heat-is-away'],
    ['the gas back that never went', [lit], { kind: 'resumed' }, 9, 'heat-is-there'],
    ['going on with a shut pot', [lit, off], { kind: 'goes-on', figure: 2, addWaterG: 0, pinch: [] }, 25, 'not-open'],
    ['a whistle after opening', [lit, off, down, open], { kind: 'whistle' }, 41, 'run-over'],
    ['doubt of a whistle nobody counted', [lit], { kind: 'no-whistle', of: 'x' }, 5, 'no-such-whistle'],
    ['a recalled whistle from before the flame', [lit], { kind: 'whistle', how: 'recalled' }, -9, 'too-early'],
    ['anything after giving up', [lit, event({ kind: 'abandoned' }, 3)], { kind: 'whistle' }, 5, 'run-over'],
  ] as [string, RunEvent[], RunEventData, number, string][])('%s is refused', (_, events, data, minute, refusal) => {
    expect(refusalOf(events, event(data, minute), PRESSURE, at(60))).toBe(refusal)
  })
})

describe('a whistle of a pot that is still cold', () => {
  const live = planFor()
  const lit = event({ kind: 'lit' }, 0)
  const pressureAt = live.answer.closings[0]!.clock.pressureAtMinute!
  const refusal = (events: RunEvent[], data: RunEventData, minute: number) => {
    const facts = { ...PRESSURE, whistlesFrom: () => whistlesFrom(live, runState(events)) }
    return refusalOf(events, event(data, minute), facts, at(60))
  }

  it('is asked about where the cook can be asked, and taken where it cannot', () => {
    expect(refusal([lit], { kind: 'whistle' }, 1)).toBe('too-cold')
    expect(refusal([lit], { kind: 'whistle', how: 'ear' }, 0.15 * pressureAt)).toBe('too-cold')
    expect(refusal([lit], { kind: 'whistle', how: 'recalled' }, 1)).toBeNull()
    expect(refusalOf([lit], event({ kind: 'whistle' }, 1), PRESSURE, at(60))).toBeNull()
  })

  it('is believed from half the time that the strongest flame takes, and of a pot of which the plan says nothing', () => {
    // Planned on 520 W; somebody may have turned it to 1300 W without a word.
    expect(refusal([lit], { kind: 'whistle' }, 0.21 * pressureAt)).toBeNull()
    const closedAgain = [
      lit,
      event({ kind: 'heat-off' }, 20),
      event({ kind: 'pressure-gone' }, 30),
      event({ kind: 'opened' }, 31),
      event({ kind: 'goes-on', figure: 2, addWaterG: 0, pinch: [] }, 32),
      event({ kind: 'lit' }, 33),
    ]
    expect(refusal(closedAgain, { kind: 'whistle' }, 34)).toBeNull()
  })
})

/** A cook who does what is asked, at a stove that gives real signs; tells what was asked in turn. */
function cook(live: LivePlan, { hidden, until = 400 }: { hidden?: Hidden; until?: number } = {}) {
  const follow = createFollower(live, { bands: false })
  const itself = runsByItself(live.answer)
  const facts = { underPressure: holdsPressure(applianceOf(live.answer)) }
  const events: RunEvent[] = []
  const seen: string[] = []
  const flames = courseOf(live, []).closing.pot.burner
  let stove = createStove(courseOf(live, []), hidden)
  let minute = 0
  let litMinute = 0
  let had: number[] = live.answer.foods.map(() => 0)
  const say = (data: RunEventData) => {
    const next = event(data, minute)
    const opensFrom = () => follow(events, next.at).outlook!.opensFrom
    const cold = () => whistlesFrom(live, runState(events))
    expect(refusalOf(events, next, { ...facts, opensFrom, whistlesFrom: cold }, next.at)).toBeNull()
    events.push(next)
  }
  while (minute < until) {
    const now = follow(events, at(minute))
    const action = nextAction(live.answer, now, at(minute))
    if (seen.at(-1) !== action.id) seen.push(action.id)
    if (action.id === 'judge') break
    if (action.id === 'put-in') {
      const more = nextClosing(live.request, joinedState(live, now)!)
      if (!more.ok) throw new Error(more.problems[0]!.code)
      had = stove.left().gets
      const { figure, addWaterG } = more.value
      say({ kind: 'goes-on', figure, addWaterG, pinch: [], joins: true })
      continue
    }
    const data = action.event
    const signs = lastCycle(now.state).litAt === null ? [] : stove.advance(minute - litMinute)
    for (const { kind } of signs) {
      if (kind === 'whistle') say({ kind: 'whistle' })
      if (kind === 'pressure' && data?.kind === 'at-pressure') say({ kind: 'at-pressure' })
      if (kind === 'boils' && data?.kind === 'boils') say({ kind: 'boils' })
    }
    if (signs.length === 0 && data) {
      const isSign = ['whistle', 'at-pressure', 'boils'].includes(data.kind)
      const early =
        action.dueAt !== null &&
        ['pressure-gone', 'opened', 'heat-off'].includes(data.kind) &&
        at(minute) < action.dueAt
      const shut = data.kind === 'pressure-gone' && stove.now().gaugePa > 1000
      if (!isSign && !early && !shut) {
        say(data)
        if (data.kind === 'lit') {
          litMinute = minute
          stove = createStove(courseOf(live, events), hidden)
          const first = courseOf(live, events).program[0]!
          if (itself) stove.start()
          else stove.heat('heatW' in first ? first.heatW : 0)
        }
        if (data.kind === 'flame') stove.heat(flames[data.flame])
        if (data.kind === 'heat-off') stove.heat(0)
        if (data.kind === 'valve-opened') stove.valve(true)
      }
    }
    minute += 0.1
  }
  const gets = stove.now().boilMinutes.map((got, i) => got + had[i]!)
  return { seen, events, state: runState(events), gets, end: follow(events, at(minute)) }
}

const WHISTLES = ['check', 'light', 'wait-first-whistle', 'count', 'turn-off', 'wait-fall', 'open', 'judge']

describe('the next action', () => {
  it('leads through counted whistles to the verdict', () => {
    const live = planFor()
    const { seen, state } = cook(live)
    expect(seen).toEqual(WHISTLES)
    const { range, firstCheck } = live.answer.closings[0]!
    expect(lastCycle(state).whistles.length).toBeLessThanOrEqual(range.figure + 1)
    expect(lastCycle(state).whistles.length).toBeGreaterThanOrEqual(firstCheck.figure)
  })

  it.each([
    [
      'high to the first whistle, then a count on the flame that whistles as cooks want it',
      { style: { kind: 'whistles', heatUp: 'high' } },
      ['check', 'light', 'wait-first-whistle', 'turn-down', 'count', 'turn-off', 'wait-fall', 'open', 'judge'],
    ],
    [
      'the first whistle to low and by the clock',
      { style: { kind: 'first-whistle-then-low' } },
      ['check', 'light', 'wait-first-whistle', 'turn-down', 'wait-low', 'turn-off', 'wait-fall', 'open', 'judge'],
    ],
    [
      'the electric cooker and its valve',
      {
        cooker: 'electric-6l',
        style: { kind: 'electric', level: 'high' },
        release: { kind: 'timed', afterMinutes: 5 },
      },
      [
        'check',
        'start-electric',
        'wait-pressure',
        'wait-at-pressure',
        'let-finish',
        'wait-fall',
        'open-valve',
        'wait-valve',
        'open',
        'judge',
      ],
    ],
    [
      'minutes by the clock',
      { style: { kind: 'clock', flame: 'medium' } },
      ['check', 'light', 'wait-clock', 'turn-off', 'wait-fall', 'open', 'judge'],
    ],
    [
      'two whistles, then low',
      { style: { kind: 'high-then-low', whistles: 2 } },
      [
        'check',
        'light',
        'wait-first-whistle',
        'count',
        'turn-down',
        'wait-low',
        'turn-off',
        'wait-fall',
        'open',
        'judge',
      ],
    ],
    [
      'a regulator',
      { cooker: 'regulator-5l-steel', style: { kind: 'first-whistle-then-low' } },
      ['check', 'light', 'wait-pressure', 'turn-down', 'wait-low', 'turn-off', 'wait-fall', 'open', 'judge'],
    ],
    [
      'an open pot',
      { cooker: 'open-5l', style: { kind: 'open', lid: true } },
      ['light', 'wait-boil', 'turn-down', 'wait-low', 'turn-off', 'open', 'judge'],
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
      ['start-electric', 'wait-dry', 'wait-rest', 'open', 'judge'],
    ],
  ] as [string, Partial<PlanRequest>, string[]][])('leads through %s', (_, change, wanted) => {
    expect(cook(planFor(change), { until: 900 }).seen).toEqual(wanted)
  })

  it('lets an open pot be opened without asking for its pressure, but not on the flame', () => {
    const lit = event({ kind: 'lit' }, 0)
    const off = event({ kind: 'heat-off' }, 20)
    const open = { underPressure: false, opensFrom: () => 0 }
    expect(refusalOf([lit], event({ kind: 'opened' }, 25), open, at(60))).toBe('heat-is-on')
    expect(refusalOf([lit, off], event({ kind: 'opened' }, 25), open, at(60))).toBeNull()
  })

  it('does not open on the cook’s word alone: the sum has to agree, or the weight be lifted', () => {
    const live = planFor()
    const follow = createFollower(live)
    const ran = cook(live)
    const off = ran.events.findIndex(({ data }) => data.kind === 'heat-off')
    const events = ran.events.slice(0, off + 1)
    const offMs = events.at(-1)!.at
    const soon = offMs + 60_000
    events.push({ id: 'down', at: soon, data: { kind: 'pressure-gone' } })
    const now = follow(events, soon)
    expect(nextAction(live.answer, now, soon)).toMatchObject({ id: 'wait-sum', event: { kind: 'valve-opened' } })
    const opened: RunEvent = { id: 'open', at: soon, data: { kind: 'opened' } }
    const facts = { underPressure: true, opensFrom: () => now.outlook!.opensFrom }
    expect(refusalOf(events, opened, facts, soon)).toBe('sum-says-pressure')
    events.push({ id: 'lifted', at: soon + 120_000, data: { kind: 'valve-opened' } })
    const later = soon + 4 * 60_000
    const fallen = follow(events, later)
    expect(fallen.outlook!.gaugePa).toBeLessThan(2000)
    // What was said too early has to be seen again.
    expect(nextAction(live.answer, fallen, later)).toMatchObject({ id: 'look-again', event: { kind: 'pressure-gone' } })
    const late: RunEvent = { id: 'open', at: later, data: { kind: 'opened' } }
    const then = { underPressure: true, opensFrom: () => fallen.outlook!.opensFrom }
    expect(refusalOf(events, late, then, later)).toBe('look-again')
    const look: RunEvent = { id: 'looked', at: later, data: { kind: 'pressure-gone' } }
    expect(refusalOf(events, look, then, later)).toBeNull()
    events.push(look)
    expect(nextAction(live.answer, follow(events, later), later).id).toBe('open')
    expect(refusalOf(events, late, then, later)).toBeNull()
  })

  it('knows from when on the lid may come off, however late it is asked', () => {
    const live = planFor()
    const ran = cook(live)
    const off = ran.events.findIndex(({ data }) => data.kind === 'heat-off')
    const events = ran.events.slice(0, off + 1)
    const from = (minutes: number) =>
      createFollower(live)(events, events.at(-1)!.at + minutes * 60_000).outlook!.opensFrom
    const first = from(0.2)
    expect(first).toBeGreaterThan(events.at(-1)!.at + 3 * 60_000)
    for (const minutes of [1, 5, 30, 90]) expect(Math.abs(from(minutes) - first)).toBeLessThan(1000)
  })
})

describe('a measured program of a pressure cooker', () => {
  it('stopped before its time does not open on the cook’s word alone', () => {
    const electric = COOKERS['electric-6l']!
    const profile = [
      { minute: 12, tempC: 114 },
      { minute: 32, tempC: 114 },
      { minute: 52, tempC: 96 },
    ]
    const live = planFor({
      cooker: { ...electric, fixedPrograms: [{ id: 'beans', name: 'Beans', profile, steamG: 40 }] },
      style: { kind: 'fixed' },
    })
    const events = [event({ kind: 'lit' }, 0), event({ kind: 'heat-off' }, 20), event({ kind: 'pressure-gone' }, 21)]
    const follow = createFollower(live)
    expect(nextAction(live.answer, follow(events, at(21)), at(21)).id).toBe('wait-sum')
    expect(follow(events, at(21)).outlook!.opensFrom).toBeGreaterThanOrEqual(at(52))
    events.push(event({ kind: 'valve-opened' }, 22))
    expect(nextAction(live.answer, follow(events, at(28)), at(28)).id).toBe('look-again')
    events.push(event({ kind: 'pressure-gone' }, 28))
    expect(nextAction(live.answer, follow(events, at(28)), at(28)).id).toBe('open')
  })
})

describe('following a run', () => {
  it('asks for more whistles of a hotter flame, and fewer of a weaker one, and says why', () => {
    const live = planFor({
      contents: [{ food: 'navy-bean', dryG: 300, soak: { hours: 9, waterC: 20, keepWater: false }, where: 'base' }],
    })
    const { figure } = live.answer.closings[0]!.range
    const needs = live.answer.foods[0]!.needs
    const hot = cook(live, { hidden: { heat: 1.6, load: 1, vent: 1 } })
    expect(hot.end.advice).toMatchObject({ planned: figure, changed: { from: figure, why: 'faster' } })
    expect(hot.end.advice!.figure).toBeGreaterThan(figure)
    expect(hot.gets[0]! / needs).toBeGreaterThan(0.94)
    expect(hot.gets[0]! / needs).toBeLessThan(1.6)
    const cool = cook(live, { hidden: { heat: 0.75, load: 1, vent: 1 } })
    expect(cool.end.advice).toMatchObject({ changed: { from: figure, why: 'slower' } })
    expect(cool.end.advice!.figure).toBeLessThan(figure)
    expect(cool.gets[0]! / needs).toBeGreaterThan(0.94)
    expect(cool.gets[0]! / needs).toBeLessThan(1.6)
    expect(hot.end.outlook!.heatShare.value).toBeGreaterThan(1.2)
    expect(cool.end.outlook!.heatShare.value).toBeLessThan(0.82)
  })

  it('leaves the count alone while a pot does as planned whose half is the figure', () => {
    const half = planFor({ contents: [{ food: 'fish-firm', dryG: 300, soak: null, where: 'base' }] })
    expect(half.answer.closings[0]!.isSure).toBe(false)
    const { figure } = half.answer.closings[0]!.range
    expect(cook(half).end.advice).toEqual({ figure, planned: figure, changed: null, isShort: false, lowerFlame: null })
  })

  it('comes down with what the whistles tell, and not below where half of such pots are done', () => {
    const live = planFor({ style: { kind: 'whistles', heatUp: 'high' }, contents: [LONG] })
    const { range, firstCheck } = live.answer.closings[0]!
    expect(firstCheck.reason).toBe('sure')
    const { end, gets } = cook(live)
    expect(end.advice!.figure).toBeLessThanOrEqual(range.figure)
    expect(end.advice!.figure).toBeGreaterThanOrEqual(firstCheck.figure)
    expect(gets[0]! / live.answer.foods[0]!.needs).toBeGreaterThan(1)
  })

  const counted = planFor()
  const whistles = () => {
    const stove = createStove(courseOf(counted, []))
    stove.heat(courseOf(counted, []).closing.pot.burner.medium)
    return stove.advance(40).flatMap(({ kind, minute }) => (kind === 'whistle' ? [minute] : []))
  }
  const told = (minutes: number[]) => [
    event({ kind: 'lit' }, 0),
    ...minutes.map((minute) => event({ kind: 'whistle' }, minute)),
  ]

  it('recognises a whistle that slipped by, counts it in and asks', () => {
    const minutes = whistles().slice(0, 6)
    const missed = minutes[3]!
    const events = told(minutes.filter((minute) => minute !== missed))
    const { outlook } = createFollower(counted)(events, events.at(-1)!.at)
    expect(outlook!.whistlesSoFar).toBe(6)
    expect(outlook!.questions).toMatchObject([{ kind: 'missed', before: events[4]!.id }])
    const [question] = outlook!.questions
    expect((question as { at: number[] }).at[0]).toBeGreaterThan(at(missed - 0.3))
    expect((question as { at: number[] }).at[0]).toBeLessThan(at(missed + 0.3))
    // The cook is sure that there was none: it is believed.
    const denied = [...events, event({ kind: 'none-missed', before: events[4]!.id }, minutes[5]! + 0.1)]
    const after = createFollower(counted)(denied, denied.at(-1)!.at).outlook!
    expect(after.questions).toEqual([])
    expect(after.whistlesSoFar).toBe(5)
  })

  it('asks nothing of whistles that come as a pot’s do, a hand a little late or early', () => {
    const minutes = whistles().slice(0, 7)
    minutes.forEach((_, n) => {
      const shaky = minutes.slice(0, n + 1).map((minute, i) => minute + [0.04, -0.05, 0.06][i % 3]!)
      const events = told(shaky)
      expect(createFollower(counted)(events, events.at(-1)!.at).outlook!.questions).toEqual([])
    })
  })

  it('recognises a whistle that was none, leaves it out and asks', () => {
    const minutes = whistles().slice(0, 6)
    const events = told([...minutes.slice(0, 4), (minutes[3]! + minutes[4]!) / 2, ...minutes.slice(4)])
    const { outlook } = createFollower(counted)(events, events.at(-1)!.at)
    expect(outlook!.whistlesSoFar).toBe(6)
    expect(outlook!.questions).toMatchObject([{ kind: 'false', of: events[5]!.id }])
    const vouched = [...events, event({ kind: 'whistle-stands', of: events[5]!.id }, minutes[5]! + 0.1)]
    expect(createFollower(counted)(vouched, vouched.at(-1)!.at).outlook!.questions).toEqual([])
  })

  it('goes by the cook’s count when a pot whistles like none that was planned', () => {
    const events = told([5, 5.2, 9, 9.1, 16, 16.1, 16.2])
    const { outlook, advice } = createFollower(counted)(events, events.at(-1)!.at)
    expect(outlook).toMatchObject({ understood: false, whistlesSoFar: 7, questions: [] })
    expect(advice!.figure).toBe(counted.answer.closings[0]!.range.figure)
  })

  it('counts what cooks while the gas is out, and what it takes to go on', () => {
    const minutes = whistles().slice(0, 5)
    const out = minutes[4]! + 0.3
    const events = [...told(minutes), event({ kind: 'interrupted', why: 'gas' }, out)]
    const follow = createFollower(counted)
    const before = follow(events, at(out)).outlook!
    const cooled = follow(events, at(out + 15))
    expect(nextAction(counted.answer, cooled, at(out + 15))).toMatchObject({
      id: 'interrupted',
      event: { kind: 'resumed' },
    })
    expect(cooled.outlook!.tempC).toBeLessThan(before.tempC - 5)
    expect(cooled.outlook!.gotNow[0]!.value).toBeGreaterThan(before.gotNow[0]!.value + 1)
    events.push(event({ kind: 'resumed' }, out + 15))
    const back = follow(events, at(out + 15))
    // What it cooked on its own is counted: fewer whistles are left than were.
    expect(back.advice!.figure).toBeLessThanOrEqual(counted.answer.closings[0]!.range.figure)
    expect(back.outlook!.willGet[0]!.value).toBeGreaterThan(0.94 * counted.answer.foods[0]!.needs)
  })

  it('knows that a weight that fell off lets the steam go', () => {
    const minutes = whistles().slice(0, 3)
    const off = minutes[2]! + 0.4
    const events = [...told(minutes), event({ kind: 'interrupted', why: 'weight' }, off)]
    const follow = createFollower(counted)
    const gas = follow([...told(minutes), event({ kind: 'interrupted', why: 'gas' }, off)], at(off + 4)).outlook!
    const weight = follow(events, at(off + 4)).outlook!
    expect(weight.gaugePa).toBeLessThan(gas.gaugePa - 10_000)
    expect(weight.waterNowG.value).toBeLessThan(gas.waterNowG.value - 20)
  })

  it('goes on from the present pot when a pinch says not yet', () => {
    const live = planFor()
    const first = cook(live)
    const events = [...first.events]
    const openMs = events.at(-1)!.at
    events.push({
      id: 'more',
      at: openMs + 60_000,
      data: { kind: 'goes-on', figure: 3, addWaterG: 100, pinch: ['hard'] },
    })
    const follow = createFollower(live)
    const ready = follow(events, openMs + 60_000)
    expect(nextAction(live.answer, ready, openMs + 60_000).id).toBe('close-again')
    expect(ready.course.had[0]).toBeCloseTo(first.gets[0]!, -1)
    expect(ready.course.pot.load.startC).toBeGreaterThan(70)
    events.push({ id: 'again', at: openMs + 90_000, data: { kind: 'lit' } })
    const lit = follow(events, openMs + 90_000)
    expect(lit.outlook!.gotNow[0]!.value).toBeCloseTo(ready.course.had[0]!, 1)
    expect(lit.outlook!.willGet[0]!.value).toBeGreaterThan(ready.course.had[0]! + 5)
  })

  const phased = planFor({
    contents: [
      { food: 'chickpea-white', dryG: 200, soak: { hours: 10, waterC: 20, keepWater: false }, where: 'base' },
      { food: 'chicken-thigh', dryG: 200, soak: null, where: 'base', joins: 1 },
    ],
  })

  it.each([
    ['as planned', { heat: 1, load: 1, vent: 1 }],
    ['with a hotter flame', { heat: 1.2, load: 0.95, vent: 1.1 }],
    ['with a weaker flame', { heat: 0.85, load: 1.05, vent: 0.9 }],
  ])('leads through two closings to foods that are all done: %s', (_, hidden) => {
    const { seen, events, gets, end } = cook(phased, { hidden })
    const until = seen.indexOf('put-in')
    // So close to done, one whistle may be all that is left to count.
    const uncounted = (ids: readonly string[]) => ids.filter((id) => id !== 'count')
    expect(uncounted(seen.slice(0, until))).toEqual(uncounted(WHISTLES.slice(0, -1)))
    expect(uncounted(seen.slice(until))).toEqual(['put-in', 'close-again', ...uncounted(WHISTLES.slice(1))])
    const closings = closingsOf(phased, events)
    expect(closings.map(({ course }) => course.closing.number)).toEqual([0, 1])
    expect(closings[0]!.cycle.openedAt).toBeLessThan(closings[1]!.cycle.litAt!)
    expect(closings[1]!.course.had[0]).toBeGreaterThan(20)
    phased.answer.foods.forEach(({ needs, window }, i) => {
      expect(gets[i]! / needs).toBeGreaterThan(0.88)
      expect(gets[i]!).toBeLessThan(window.max)
      expect(end.outlook!.gotNow[i]!.value / gets[i]!).toBeCloseTo(1, 0)
    })
  })

  it('draws the pot by the whistles that were heard, and goes on from the last', () => {
    const live = planFor({
      contents: [{ food: 'navy-bean', dryG: 300, soak: null, where: 'base' }],
    })
    const stove = createStove(courseOf(live, []), { heat: 1.15, load: 0.95, vent: 1.2 })
    stove.heat(courseOf(live, []).closing.pot.burner.medium)
    const minutes = stove.advance(90).flatMap(({ kind, minute }) => (kind === 'whistle' ? [minute] : []))
    const heard = minutes.slice(0, 5).map((minute, i) => (i < 4 ? minute + (i % 2 ? 0.06 : -0.05) : minute))
    const events = [event({ kind: 'lit' }, 0), ...heard.map((minute) => event({ kind: 'whistle' }, minute))]
    const { curve } = createFollower(live)(events, at(heard[4]! + 0.2)).outlook!
    heard.forEach((minute, i) => expect(curve.whistleMinutes[i]).toBeCloseTo(minute, 1))
    expect(curve.minutesToPressure).toBeCloseTo(heard[0]!, 1)
    expect(curve.whistleMinutes[5]).toBeGreaterThan(heard[4]!)
    const times = curve.trace.map(({ minute }) => minute)
    expect(times).toEqual([...times].sort((a, b) => a - b))
  })

  it('tells nothing of what is not in the pot yet, and counts what is still to come', () => {
    const follow = createFollower(phased)
    const { course, outlook, cautions } = follow([event({ kind: 'lit' }, 0)], at(8))
    expect(outlook!.willGet[1]!.value).toBe(0)
    expect(course.still[1]).toBeGreaterThan(phased.answer.foods[1]!.needs - 1e-6)
    expect(course.closing.needs[0]! + course.still[0]!).toBeCloseTo(phased.answer.foods[0]!.needs, 6)
    expect(cautions).toEqual([])
  })

  it('is not over while more is to go in, and can be given up there', () => {
    const opened = [
      event({ kind: 'lit' }, 0),
      event({ kind: 'heat-off' }, 20),
      event({ kind: 'pressure-gone' }, 50),
      event({ kind: 'opened' }, 51),
    ]
    expect(isRunning(phased.answer, runState(opened))).toBe(true)
    expect(isRunning(planFor().answer, runState(opened))).toBe(false)
    const next = event({ kind: 'goes-on', figure: 2, addWaterG: 100, pinch: [], joins: true }, 52)
    expect(refusalOf(opened, next, PRESSURE, next.at)).toBeNull()
    expect(isRunning(phased.answer, runState([...opened, next]))).toBe(true)
    const end = [...opened, next, event({ kind: 'lit' }, 53), event({ kind: 'heat-off' }, 60)]
    const last = [...end, event({ kind: 'pressure-gone' }, 75), event({ kind: 'opened' }, 76)]
    expect(isRunning(phased.answer, runState(last))).toBe(false)
  })

  it('warns while there is still time that the water will not last', () => {
    const live = planFor({ style: { kind: 'whistles', flame: 'high' } })
    const dry = { ...live, request: { ...live.request, given: [{ pourG: 260 }] } }
    const outcome = plan(dry.request)
    if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
    const short: LivePlan = { request: dry.request, answer: outcome.value }
    const stove = createStove(courseOf(short, []), { heat: 1.5, load: 0.9, vent: 1 })
    stove.heat(courseOf(short, []).closing.pot.burner.high)
    const signs = stove.advance(60).filter(({ kind }) => kind === 'whistle')
    const follow = createFollower(short)
    const events = told(signs.map(({ minute }) => minute))
    const warned = events.some(
      (_, i) => i > 0 && follow(events.slice(0, i + 1), events[i]!.at).cautions.some(({ id }) => id === 'runs-dry'),
    )
    expect(warned).toBe(true)
  })

  it('never counts what a later closing will give: open in between, beans with lectin are not done', () => {
    const soak = { hours: 10, waterC: 20, keepWater: false }
    const live = planFor({
      contents: [
        { food: 'kidney-red', dryG: 250, soak, where: 'base' },
        { food: 'carrot-chunks', dryG: 200, soak: null, where: 'base', joins: 1 },
      ],
    })
    const { whistleMinutes } = simulate(live.answer.closings[0]!.case)
    const events = told(whistleMinutes)
    const end = whistleMinutes.at(-1)! + 0.5
    expect(createFollower(live)(events, at(end - 0.2)).cautions).toEqual([])
    events.push(event({ kind: 'heat-off' }, end), event({ kind: 'pressure-gone' }, end + 40))
    events.push(event({ kind: 'opened' }, end + 41))
    const open = createFollower(live)(events, at(end + 42))
    expect(nextAction(live.answer, open, at(end + 42)).id).toBe('put-in')
    expect(open.cautions).toMatchObject([{ id: 'lectin-not-yet', severity: 'warn' }])
  })

  it('says of beans with lectin that they are half-cooked when the heat goes off too early', () => {
    const live = planFor({
      contents: [{ food: 'kidney-red', dryG: 250, soak: { hours: 10, waterC: 20, keepWater: false }, where: 'base' }],
    })
    const events = [event({ kind: 'lit' }, 0), event({ kind: 'heat-off' }, 16)]
    expect(createFollower(live)(events, at(17)).cautions).toMatchObject([{ id: 'lectin-not-done', severity: 'refuse' }])
  })
})

describe('minutes on low', () => {
  const live = planFor({ style: { kind: 'high-then-low', whistles: 2 } })
  const lit = event({ kind: 'lit' }, 0)
  const whistles = [event({ kind: 'whistle' }, 9), event({ kind: 'whistle' }, 9.6)]
  const soFar = (...flames: RunEvent[]) => {
    const following = createFollower(live)([lit, ...whistles, ...flames], at(15))
    return { minutes: following.outlook!.soFar, next: nextAction(live.answer, following, at(15)).id }
  }

  it('count from the flame, and from the whistle where the flame was turned a little before it', () => {
    expect(soFar(event({ kind: 'flame', flame: 'low' }, 10)).minutes).toBeCloseTo(5, 6)
    const { minutes, next } = soFar(event({ kind: 'flame', flame: 'low' }, 9.5))
    expect(minutes).toBeCloseTo(5.4, 6)
    expect(next).not.toBe('turn-down')
  })

  it('do not count on another flame than the program says', () => {
    expect(soFar(event({ kind: 'flame', flame: 'medium' }, 9.5))).toEqual({ minutes: 0, next: 'turn-down' })
  })
})

describe('what is said of a run', () => {
  it('sets the figure that was reached beside the planned one', () => {
    const counted = planFor().answer
    const lit = event({ kind: 'lit' }, 0)
    const two = [event({ kind: 'whistle' }, 12), event({ kind: 'whistle' }, 13)]
    expect(figureReached(counted, runState([lit, ...two]))).toBe(2)
    const electric = planFor({ cooker: 'electric-6l', style: { kind: 'electric', level: 'high' } }).answer
    const events = [lit, event({ kind: 'at-pressure' }, 14)]
    expect(figureReached(electric, runState(events))).toBeNull()
    expect(figureReached(electric, runState([...events, event({ kind: 'heat-off' }, 24)]))).toBe(10)
    const low = planFor({ style: { kind: 'first-whistle-then-low' } }).answer
    const turned = [
      lit,
      event({ kind: 'whistle' }, 9),
      event({ kind: 'flame', flame: 'low' }, 10),
      event({ kind: 'heat-off' }, 17),
    ]
    expect(figureReached(low, runState(turned))).toBe(7)
    expect(happenedIn(lastCycle(runState(turned)))).toEqual({ whistles: [9], heatOff: 17, opened: null })
    expect(happenedIn(lastCycle(runState([])))).toBeNull()
  })
})
