import { describe, expect, it } from 'vitest'
import { plan } from '../program/plan'
import type { LivePlan } from './course'
import type { RunEvent, RunEventData } from './event.schema'
import { createFollower, opensFromOf } from './follow'
import { refusalOf } from './refusal'
import { lastLeg, runState } from './run'

const LIT = Date.UTC(2026, 0, 1, 18)
let count = 0
const event = (data: RunEventData, seconds: number): RunEvent => ({ id: `d${++count}`, at: LIT + seconds * 1000, data })
const request = (): LivePlan['request'] => ({
  kitchen: { altitudeM: 0, roomC: 20, tapC: 20 },
  cooker: 'whistling-5l-aluminium',
  burner: 'strong',
  contents: [{ food: 'navy-bean', dryG: 300, soak: { hours: 9, waterC: 20, keepWater: false }, where: 'base' }],
  liquids: [],
  freeLiquid: 'spoonable',
  style: { kind: 'whistles', flame: 'medium' },
  release: 'auto',
})
const planned = (): LivePlan => {
  const outcome = plan(request())
  if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
  return { request: request(), answer: outcome.value }
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
    const leg = lastLeg(runState(events))
    expect(leg.whistles.map(({ at }) => (at - LIT) / 1000)).toEqual([420, 460, 500, 540])
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
    const early = [lit, event({ kind: 'whistle' }, 420), event({ kind: 'whistle' }, 480)]
    const before = follow(early, LIT + 500_000).outlook!.gotNow[0]!.value
    // A device that was away had heard them a good deal earlier.
    const all = [...early, event({ kind: 'whistle' }, 330), event({ kind: 'whistle' }, 375)]
    const after = follow(all, LIT + 500_000).outlook!.gotNow[0]!.value
    expect(after).toBeGreaterThan(before * 1.05)
    expect(after).toBeCloseTo(createFollower(live)(all, LIT + 500_000).outlook!.gotNow[0]!.value, 6)
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

  it('is known of a whistling pot that only was said to be at pressure', () => {
    const events = [event({ kind: 'lit' }, 0), event({ kind: 'at-pressure' }, 500), event({ kind: 'heat-off' }, 1200)]
    const from = opens(events)
    expect(from).toBeGreaterThan(LIT + 1200_000)
    expect(from).toBeLessThan(LIT + 1200_000 + 60 * 60_000)
  })
})
