import { describe, expect, it } from 'vitest'
import { plan } from '../program/plan'
import type { LivePlan } from './course'
import type { RunEvent, RunEventData } from './event.schema'
import { createFollower, opensFromOf } from './follow'
import { refusalOf } from './refusal'
import { lastCycle, runState, ventedSince } from './run'
import { BEANS } from '../../tests/fixtures'

const LIT = Date.UTC(2026, 0, 1, 18)
let count = 0
const event = (data: RunEventData, seconds: number): RunEvent => ({ id: `d${++count}`, at: LIT + seconds * 1000, data })
const planned = (): LivePlan => {
  const outcome = plan(BEANS)
  if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
  return { request: BEANS, answer: outcome.value }
}
const FACTS = { underPressure: true, opensFrom: () => 0 }
const take = (events: readonly RunEvent[], next: RunEvent, nowSeconds: number) =>
  refusalOf(events, next, FACTS, LIT + nowSeconds * 1000)

describe('what two devices saw', () => {
  const lit = event({ kind: 'lit' }, 0)
  const flame = event({ kind: 'flame', flame: 'high' }, 590)

  it('is all taken, though one was offline while the other wrote', () => {
    let events = [lit, flame]
    for (const seconds of [420, 460, 500, 540]) {
      const late = event({ kind: 'whistle' }, seconds)
      expect(take(events, late, 600)).toBeNull()
      events = [...events, late]
    }
    const cycle = lastCycle(runState(events))
    expect(cycle.whistles.map(({ at }) => (at - LIT) / 1000)).toEqual([420, 460, 500, 540])
  })

  it('tells the same in whatever order it arrives', () => {
    const live = planned()
    const whistles = [420, 470, 520].map((seconds) => event({ kind: 'whistle' }, seconds))
    const off = event({ kind: 'heat-off' }, 560)
    const inTime = [lit, ...whistles, off]
    const late = [lit, off, whistles[2]!, whistles[0]!, whistles[1]!]
    const now = LIT + 700_000
    const [one, other] = [inTime, late].map((events) => createFollower(live)(events, now))
    expect(other!.state).toEqual({ ...one!.state, lastEventId: other!.state.lastEventId })
    expect(other!.outlook!.gotNow).toEqual(one!.outlook!.gotNow)
  })

  it('changes what was worked out when it comes late', () => {
    const live = planned()
    const follow = createFollower(live)
    const early = [lit, event({ kind: 'whistle' }, 1000), event({ kind: 'whistle' }, 1100)]
    const before = follow(early, LIT + 1120_000).outlook!.gotNow[0]!.value
    // A device that was away had heard them a good deal earlier.
    const all = [...early, event({ kind: 'whistle' }, 780), event({ kind: 'whistle' }, 880)]
    const after = follow(all, LIT + 1120_000).outlook!.gotNow[0]!.value
    expect(after).toBeGreaterThan(before * 1.05)
    expect(after).toBeCloseTo(createFollower(live)(all, LIT + 1120_000).outlook!.gotNow[0]!.value, 6)
  })

  it('is taken though a hand was a little quicker at lighting than at saying so', () => {
    expect(take([lit, flame], event({ kind: 'flame', flame: 'low' }, -60), 600)).toBeNull()
    expect(take([lit, flame], event({ kind: 'flame', flame: 'low' }, -180), 600)).toBe('too-early')
  })

  it('is still refused where it cannot have been: before the pot was lit, and in the future', () => {
    expect(take([lit, flame], event({ kind: 'whistle' }, -400), 600)).toBe('too-early')
    expect(take([lit], event({ kind: 'whistle' }, 900), 600)).toBe('in-the-future')
  })
})

describe('what is still needed', () => {
  it('is never less than what was given: whistles that are over, and minutes that are gone', () => {
    const follow = createFollower(planned())
    const whistles = [1500, 1595, 1690, 1785, 1880, 1975].map((seconds) => event({ kind: 'whistle' }, seconds))
    const over = follow([event({ kind: 'lit' }, 0), ...whistles], LIT + 2000_000).outlook!
    expect(over.needed!.value).toBeGreaterThan(over.whistlesSoFar)
    const asked: LivePlan['request'] = { ...BEANS, style: { kind: 'clock', flame: 'medium' } }
    const outcome = plan(asked)
    if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
    const live = { request: asked, answer: outcome.value }
    for (const minute of [5, outcome.value.closings[0]!.range.figure + 0.5]) {
      const { needed, soFar } = createFollower(live)([event({ kind: 'lit' }, 0)], LIT + minute * 60_000).outlook!
      expect(soFar).toBeCloseTo(minute, 6)
      expect(needed!.value).toBeGreaterThanOrEqual(Math.floor(minute))
    }
  })

  it('refuses what was seen of a run that was given up before it was lit', () => {
    const given = [event({ kind: 'abandoned' }, 0)]
    expect(take(given, event({ kind: 'whistle' }, 60), 100)).toBe('run-over')
    expect(take([], event({ kind: 'whistle' }, 60), 100)).toBe('not-lit')
  })
})

describe('a look at the pin', () => {
  it('by a clock that is a little ahead does not shut a pot that was opened', () => {
    const events = [
      event({ kind: 'lit' }, 0),
      event({ kind: 'heat-off' }, 1000),
      event({ kind: 'pressure-gone' }, 1800),
      event({ kind: 'pressure-gone' }, 1860),
      event({ kind: 'opened' }, 1845),
    ]
    expect(runState(events)).toMatchObject({ phase: 'opened' })
    expect(lastCycle(runState(events)).openedAt).toBe(LIT + 1845_000)
    const on = [...events, event({ kind: 'goes-on', figure: 1, addWaterG: 0, pinch: [null] }, 1850)]
    expect(runState(on)).toMatchObject({ phase: 'ready' })
    expect(lastCycle(runState(on)).pressureGoneAt).toBeNull()
  })
})

describe('a whistle that is due and was not heard', () => {
  it('has most likely not come yet: the pot is held just before it', () => {
    const follow = createFollower(planned())
    const seconds = [1560, 1663, 1766]
    const events = [event({ kind: 'lit' }, 0), ...seconds.map((one) => event({ kind: 'whistle' }, one))]
    const pressure = (after: number) => follow(events, LIT + (1766 + after) * 1000).outlook!.gaugePa
    // It falls with each whistle, and has come back when the next is due.
    expect(pressure(10)).toBeLessThan(80_000)
    expect(pressure(50)).toBeGreaterThan(pressure(10))
    for (const after of [104, 108, 112]) {
      expect(pressure(after)).toBeGreaterThan(95_000)
      expect(pressure(after)).toBeLessThan(102_000)
    }
  })
})

describe('a way out for the steam', () => {
  const cycle = (...events: RunEvent[]) => lastCycle(runState([event({ kind: 'lit' }, 0), ...events]))
  const weightOff = () => event({ kind: 'interrupted', why: 'weight' }, 300)
  it('is the valve, or a weight that came off and stayed off', () => {
    expect(ventedSince(cycle())).toBeNull()
    expect(ventedSince(cycle(weightOff()))).toBe(LIT + 300_000)
    expect(ventedSince(cycle(weightOff(), event({ kind: 'heat-off' }, 400)))).toBe(LIT + 300_000)
    expect(ventedSince(cycle(event({ kind: 'interrupted', why: 'gas' }, 300)))).toBeNull()
    const valve = [event({ kind: 'heat-off' }, 400), event({ kind: 'valve-opened' }, 500)]
    expect(ventedSince(cycle(...valve))).toBe(LIT + 500_000)
    expect(ventedSince(cycle(weightOff(), ...valve))).toBe(LIT + 300_000)
  })

  it('is none once the weight is back on', () => {
    const back = [weightOff(), event({ kind: 'resumed' }, 350), event({ kind: 'heat-off' }, 900)]
    expect(ventedSince(cycle(...back))).toBeNull()
  })
})

describe('when a pot may be opened', () => {
  const live = planned()
  const opens = (events: RunEvent[]) => opensFromOf(live, events, events.at(-1)!.at)
  it('is known though the weight came off long before the heat', () => {
    const events = [
      event({ kind: 'lit' }, 0),
      event({ kind: 'interrupted', why: 'weight' }, 900),
      event({ kind: 'heat-off' }, 1500),
    ]
    expect(opens(events)).toBeLessThan(LIT + 1500_000 + 20 * 60_000)
  })

  it('is known after hundreds of whistles', () => {
    const whistles = Array.from({ length: 480 }, (_, i) => event({ kind: 'whistle' }, 420 + i * 30))
    const events = [event({ kind: 'lit' }, 0), ...whistles, event({ kind: 'heat-off' }, 420 + 480 * 30)]
    const from = opens(events)
    expect(Number.isFinite(from)).toBe(true)
  })

  const { openAtMinute, heatOffAtMinute } = planned().answer.closings[0]!.clock
  const FALL_MS = (openAtMinute - heatOffAtMinute) * 60_000

  it.each([
    ['every half minute for hours, as if the pot had long been dry', 480, 30],
    ['three a minute, which no such pot gives', 60, 20],
    ['from a water tap that the ear took for a whistle', 200, 2],
  ])('is not at once, whatever was heard: %s', (_, times, gap) => {
    const whistles = Array.from({ length: times }, (_, i) => event({ kind: 'whistle' }, 420 + i * gap))
    const offS = 420 + times * gap
    const off = [event({ kind: 'lit' }, 0), ...whistles, event({ kind: 'heat-off' }, offS)]
    expect(opens(off)).toBeGreaterThan(LIT + offS * 1000 + FALL_MS / 2)
    const vented = [...off, event({ kind: 'valve-opened' }, offS + 10)]
    expect(opens(vented)).toBeLessThanOrEqual(LIT + (offS + 10) * 1000 + 5 * 60_000)
    expect(opens(vented)).toBeGreaterThan(LIT + (offS + 10) * 1000)
  })

  it.each([1000, 1200, 1800])('is not at once though nobody counted in %d s', (seconds) => {
    const events = [event({ kind: 'lit' }, 0), event({ kind: 'heat-off' }, seconds)]
    expect(opens(events)).toBeGreaterThan(LIT + seconds * 1000 + FALL_MS / 2)
    const vented = [...events, event({ kind: 'valve-opened' }, seconds + 30)]
    expect(opens(vented)).toBeLessThan(LIT + (seconds + 30) * 1000 + 6 * 60_000)
  })

  it('is at once where it cannot have come to pressure yet', () => {
    const events = [event({ kind: 'lit' }, 0), event({ kind: 'heat-off' }, 120)]
    expect(opens(events)).toBeLessThanOrEqual(LIT + 120_000)
  })

  it('is not at once at an electric pot of which nobody said that its pin is up', () => {
    const asked: LivePlan['request'] = {
      ...BEANS,
      cooker: 'electric-6l',
      style: { kind: 'electric', level: 'high' },
      release: { kind: 'natural' },
    }
    const outcome = plan(asked)
    if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
    const events = [event({ kind: 'lit' }, 0), event({ kind: 'heat-off' }, 2400)]
    const from = opensFromOf({ request: asked, answer: outcome.value }, events, LIT + 2400_000)
    expect(from).toBeGreaterThan(LIT + 2400_000 + 5 * 60_000)
  })

  it('is a few minutes after a weight that no longer sits, though the pot is not understood', () => {
    const whistles = Array.from({ length: 60 }, (_, i) => event({ kind: 'whistle' }, 420 + i * 20))
    const events = [
      event({ kind: 'lit' }, 0),
      ...whistles,
      event({ kind: 'interrupted', why: 'weight' }, 1620),
      event({ kind: 'heat-off' }, 1650),
    ]
    expect(opens(events)).toBeLessThanOrEqual(LIT + 1620_000 + 5 * 60_000)
  })

  it('is known of a whistling pot that only was said to be at pressure', () => {
    const events = [event({ kind: 'lit' }, 0), event({ kind: 'at-pressure' }, 500), event({ kind: 'heat-off' }, 1200)]
    const from = opens(events)
    expect(from).toBeGreaterThan(LIT + 1200_000)
    expect(from).toBeLessThan(LIT + 1200_000 + 60 * 60_000)
  })
})
