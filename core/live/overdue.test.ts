import { describe, expect, it } from 'vitest'
import { plan } from '../program/plan'
import type { LivePlan } from './course'
import type { RunEvent, RunEventData } from './event.schema'
import { createFollower } from './follow'
import { nextAction } from './next'
import { BEANS } from '../../tests/fixtures'

const LIT = Date.UTC(2026, 0, 1, 18)
const at = (minute: number) => LIT + minute * 60_000
let count = 0
const event = (data: RunEventData, minute: number): RunEvent => ({ id: `o${++count}`, at: at(minute), data })

function planned(change: Partial<LivePlan['request']> = {}): LivePlan {
  const request = { ...BEANS, ...change }
  const outcome = plan(request)
  if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
  return { request, answer: outcome.value }
}

/** What is said at each of these minutes of a pot that was lit and of which nothing more was heard. */
function silence(live: LivePlan, minutes: number[], more: RunEvent[] = []) {
  const follow = createFollower(live)
  const events = [event({ kind: 'lit' }, 0), ...more]
  return minutes.map((minute) => {
    const now = follow(events, at(minute))
    return { minute, now, action: nextAction(live.answer, now, at(minute)), cautions: now.cautions.map(({ id }) => id) }
  })
}
const everyMinute = Array.from({ length: 90 }, (_, i) => i + 1)

describe('a first whistle that does not come', () => {
  const live = planned()
  const due = live.answer.closings[0]!.clock.pressureAtMinute!
  const said = silence(live, everyMinute)
  const first = (id: string) => said.find(({ action }) => action.id === id)?.minute ?? Infinity

  it('is waited for a little longer than planned, and then asked about', () => {
    expect(first('overdue')).toBeGreaterThan(due * 1.1)
    expect(first('overdue')).toBeLessThan(due * 1.6)
    expect(said[Math.ceil(due)]!.action.id).toBe('wait-first-whistle')
  })

  it('is a danger while there is still water in the pot, and stays one', () => {
    const dry = first('overdue-dry')
    expect(dry).toBeLessThan(Infinity)
    const { now, action } = said[dry - 1]!
    expect(now.outlook!.overdue!.leastWaterG).toBeGreaterThan(100)
    expect(action.event).toEqual({ kind: 'heat-off' })
    for (const { minute, cautions, action: then } of said) {
      if (minute < first('overdue')) expect(cautions).toEqual([])
      else if (minute < dry) expect(cautions).toEqual(['overdue'])
      else expect([cautions, then.id]).toEqual([['overdue-dry'], 'overdue-dry'])
    }
  })

  it('changes nothing of the figure: nobody knows what the pot is doing', () => {
    const { figure } = live.answer.closings[0]!.range
    for (const { now } of said) {
      expect(now.advice!.figure).toBeGreaterThanOrEqual(figure)
      if (now.outlook!.overdue) expect([now.advice!.figure, now.outlook!.needed]).toEqual([figure, null])
    }
  })

  it('is forgotten when it comes, however late', () => {
    const late = [event({ kind: 'whistle' }, 35)]
    const [now] = silence(live, [36], late)
    expect(now!.now.outlook!.overdue).toBeNull()
    expect(now!.cautions).toEqual([])
  })

  it('is waited for anew when the flame was low, and not while the gas is away', () => {
    const low = silence(live, [25], [event({ kind: 'flame', flame: 'simmer' }, 0.5)])
    expect(low[0]!.now.outlook!.overdue).toBeNull()
    const away = silence(live, [60], [event({ kind: 'interrupted', why: 'gas' }, 5)])
    expect(away[0]!.now.outlook!.overdue).toBeNull()
  })
})

describe('pressure that does not come', () => {
  it('is asked about at an electric pot too', () => {
    const live = planned({ cooker: 'electric-6l', style: { kind: 'electric', level: 'high' } })
    const said = silence(live, everyMinute.slice(0, 60))
    expect(said[5]!.action.id).toBe('wait-pressure')
    const asked = said.find(({ action }) => action.id === 'overdue')!
    expect(asked.action.event).toEqual({ kind: 'at-pressure' })
    const [up] = silence(live, [asked.minute], [event({ kind: 'at-pressure' }, asked.minute - 1)])
    expect(up!.action.id).toBe('wait-at-pressure')
  })

  it('is nothing to wait for where the clock is what counts', () => {
    const live = planned({ style: { kind: 'clock', flame: 'medium' } })
    for (const { now, cautions } of silence(live, everyMinute)) {
      expect(now.outlook!.overdue).toBeNull()
      expect(cautions).not.toContain('overdue')
    }
  })

  it('is nothing to wait for in an open pot', () => {
    const live = planned({ cooker: 'open-5l', style: { kind: 'open', lid: true } })
    for (const { now } of silence(live, [10, 30, 60])) expect(now.outlook!.overdue).toBeNull()
  })
})
