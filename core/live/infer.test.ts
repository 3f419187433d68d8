import { describe, expect, it } from 'vitest'
import { plan } from '../program/plan'
import type { PlanRequest } from '../program/request.schema'
import type { LivePlan } from './course'
import type { RunEvent, RunEventData } from './event.schema'
import { courseOf } from './follow'
import { expectedOf, heardOf, infer } from './infer'
import { gapSd, matchWhistles, notHeardYet, type Heard } from './match'
import { lastCycle, runState } from './run'
import { createStove, type Hidden } from './stove'
import { BEANS } from '../../tests/fixtures'

const LIT = Date.UTC(2026, 0, 1, 18)
const at = (minute: number) => LIT + minute * 60_000
const event = (id: string, data: RunEventData, minute: number): RunEvent => ({ id, at: Math.round(at(minute)), data })

function live(change: Partial<PlanRequest> = {}): LivePlan {
  const request = { ...BEANS, ...change }
  const outcome = plan(request, { range: false })
  if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
  return { request, answer: outcome.value }
}
const lit = event('lit', { kind: 'lit' }, 0)

/** Minutes at which a pot with these hidden figures whistles, on the flame as planned. */
function whistlesOf(of: LivePlan, hidden: Hidden, count: number): number[] {
  const stove = createStove(courseOf(of, [lit]), hidden)
  const first = of.answer.closings[0]!.program.steps[0]!
  stove.heat('heatW' in first ? first.heatW : 0)
  const minutes: number[] = []
  for (let minute = 0.05; minutes.length < count && minute < 120; minute += 0.05)
    for (const { kind } of stove.advance(minute)) if (kind === 'whistle') minutes.push(minute)
  return minutes
}
function inferred(of: LivePlan, minutes: readonly number[], nowMinute = minutes.at(-1)! + 0.1) {
  const events = [lit, ...minutes.map((minute, i) => event(`w${i}`, { kind: 'whistle' }, minute))]
  const belief = infer(courseOf(of, events), runState(events), at(nowMinute))
  const sd = Math.hypot(...belief.directions.map(({ logHeat }) => logHeat))
  return { ...belief, heat: Math.exp(belief.guess.logHeat), sd }
}

describe('what is inferred from whistles', () => {
  const beans = live()
  it.each([0.8, 0.9, 1, 1.15, 1.3])('is the heat that the pot had: %f of the planned', (heat) => {
    const minutes = whistlesOf(beans, { heat, load: 1, vent: 1 }, 5)
    const found = inferred(beans, minutes)
    expect(Math.abs(found.heat / heat - 1)).toBeLessThan(0.05)
    expect(found.match.of).toEqual([0, 1, 2, 3, 4])
  })

  it.each([
    ['one whistle', 1, { heat: 1.25, load: 1, vent: 1 }],
    ['three', 3, { heat: 0.85, load: 1.05, vent: 1 }],
    ['six of a pot with a narrow vent', 6, { heat: 1.1, load: 1, vent: 0.7 }],
  ])('is the likeliest that there is, by a search that knows no slopes: %s', (_, count, hidden) => {
    const minutes = whistlesOf(beans, hidden, count)
    const events = [lit, ...minutes.map((minute, i) => event(`w${i}`, { kind: 'whistle' }, minute))]
    const course = courseOf(beans, events)
    const state = runState(events)
    const now = at(minutes.at(-1)! + 0.1)
    const heard = heardOf(course, state, now)
    const likelihood = (logHeat: number, logSwing: number) => {
      const due = expectedOf(course, lastCycle(state), { logHeat, logSwing }, now)
      // Priors as they are documented: 15 % for a flame that nobody measured, 25 % for the swing of a weight.
      return matchWhistles(heard, due).score - 0.5 * ((logHeat / 0.15) ** 2 + (logSwing / 0.25) ** 2)
    }
    let best = -Infinity
    for (let heat = -0.4; heat <= 0.4; heat += 0.02)
      for (let swing = -0.5; swing <= 0.5; swing += 0.1) best = Math.max(best, likelihood(heat, swing))
    const { logHeat, logSwing } = infer(course, state, now).guess
    expect(likelihood(logHeat, logSwing)).toBeGreaterThan(best - 0.1)
  })

  it('grows surer with every whistle, and never surer than a pot is regular', () => {
    const minutes = whistlesOf(beans, { heat: 1.15, load: 1, vent: 1 }, 7)
    const sds = [1, 3, 5, 7].map((count) => inferred(beans, minutes.slice(0, count)).sd)
    for (const [i, sd] of sds.slice(1).entries()) expect(sd).toBeLessThan(sds[i]!)
    expect(sds.at(-1)!).toBeGreaterThan(0.005)
  })

  it('goes by the times between whistles: one late start tells less than a steady rhythm', () => {
    const minutes = whistlesOf(beans, { heat: 1, load: 1, vent: 1 }, 6)
    // Colder water than was thought: the first comes a fifth later, the rhythm is as planned.
    const late = 0.2 * minutes[0]!
    const { heat } = inferred(
      beans,
      minutes.map((minute) => minute + late),
    )
    expect(heat).toBeGreaterThan(0.84)
    expect(heat).toBeLessThan(1)
  })

  it('is weaker heat for a whistle that is overdue, the weaker the longer', () => {
    const minutes = whistlesOf(beans, { heat: 1, load: 1, vent: 1 }, 3)
    const gap = minutes[2]! - minutes[1]!
    const heats = [0.2, 1.6, 2.2].map((gaps) => inferred(beans, minutes, minutes.at(-1)! + gaps * gap).heat)
    expect(heats[1]!).toBeLessThan(heats[0]! + 0.001)
    expect(inferred(beans, [], 1.5 * minutes[0]!).heat).toBeLessThan(0.95)
  })

  it('is what was planned before anything was heard, with the spread of an unknown flame', () => {
    const found = inferred(beans, [], 0.5)
    expect(found.heat).toBeCloseTo(1, 2)
    expect(found.sd).toBeGreaterThan(0.1)
    const measured = inferred(live({ spread: { flame: 0.04 } }), [], 0.5)
    expect(measured.sd).toBeLessThan(0.05)
  })

  it('is the same from a rough guess before as from none', () => {
    const minutes = whistlesOf(beans, { heat: 1.2, load: 1, vent: 1 }, 4)
    const events = [lit, ...minutes.map((minute, i) => event(`w${i}`, { kind: 'whistle' }, minute))]
    const course = courseOf(beans, events)
    const state = runState(events)
    const now = at(minutes.at(-1)! + 0.1)
    const [fresh, from] = [
      infer(course, state, now),
      infer(course, state, now, { logHeat: 0.1, logSwing: 0, logLift: 0 } as never),
    ]
    expect(from.guess.logHeat).toBeCloseTo(fresh.guess.logHeat, 1)
  })

  it('is what was planned where a pot would not come to pressure at all by then', () => {
    const electric = live({ cooker: 'electric-6l', style: { kind: 'electric', level: 'high' } })
    const course = courseOf(electric, [lit])
    expect(expectedOf(course, lastCycle(runState([lit])), { logHeat: 0, logSwing: 0 }, at(1))).toEqual([])
    const [one, ...more] = expectedOf(course, lastCycle(runState([lit])), { logHeat: 0, logSwing: 0 }, at(30))
    expect(one).toBeGreaterThan(3)
    expect(more).toEqual([])
    expect(infer(course, runState([lit]), at(1)).guess.logHeat).toBeCloseTo(0, 6)
  })

  it('is told by the one moment of a pot that does not whistle, unless the heat was away', () => {
    const electric = live({ cooker: 'regulator-5l-aluminium', style: { kind: 'clock', flame: 'medium' } })
    const events = [lit, event('p', { kind: 'at-pressure' }, 9)]
    const course = courseOf(electric, events)
    expect(heardOf(course, runState(events), at(10)).minutes).toEqual([9])
    const away = [
      lit,
      event('i', { kind: 'interrupted', why: 'gas' }, 3),
      event('r', { kind: 'resumed' }, 5),
      events[1]!,
    ]
    expect(heardOf(course, runState(away), at(10)).minutes).toEqual([])
    const slow = infer(course, runState([lit, event('p', { kind: 'at-pressure' }, 30)]), at(31))
    // A weaker flame, or a pot that gives off more: nobody can tell which.
    expect(slow.guess.logHeat).toBeLessThan(-0.05)
    expect(slow.guess.logLoss).toBeGreaterThan(0.05)
  })

  it('is not told by a boil where pressure is waited for: it comes well before', () => {
    const boils = runState([lit, event('b', { kind: 'boils' }, 5)])
    const pressure = courseOf(live({ cooker: 'electric-6l', style: { kind: 'electric', level: 'high' } }), [lit])
    expect(heardOf(pressure, boils, at(6)).minutes).toEqual([])
    const open = courseOf(live({ cooker: 'open-5l', style: { kind: 'open', lid: true } }), [lit])
    expect(heardOf(open, boils, at(6)).minutes).toEqual([5])
  })
})

describe('which whistle is which', () => {
  const expected = [6, 7, 8, 9, 10, 11, 12]
  const heard = (minutes: number[], change: Partial<Heard> = {}): Heard => ({
    minutes,
    standing: minutes.map(() => false),
    noneMissedBefore: minutes.map(() => false),
    untilMinute: minutes.at(-1)! + 0.2,
    noneMissedUntilMinute: 0,
    ...change,
  })

  it('is plain where all were heard', () => {
    expect(matchWhistles(heard([6, 7, 8]), expected).of).toEqual([0, 1, 2])
  })
  it('knows that one slipped by, unless the cook says none did', () => {
    expect(matchWhistles(heard([6, 8, 9]), expected).of).toEqual([0, 2, 3])
    const said = heard([6, 8, 9], { noneMissedBefore: [false, true, false] })
    expect(matchWhistles(said, expected).of).not.toEqual([0, 2, 3])
  })
  it('knows one that was none, unless the cook vouches for it', () => {
    expect(matchWhistles(heard([6, 7, 7.45, 8, 9]), expected).of).toEqual([0, 1, null, 2, 3])
    const vouched = heard([6, 7, 7.45, 8, 9], { standing: [false, false, true, false, false] })
    expect(matchWhistles(vouched, expected).of[2]).not.toBeNull()
  })
  it('finds what fits better likelier', () => {
    const [fits, off] = [heard([6, 7, 8]), heard([6.2, 6.9, 8.3])].map((one) => matchWhistles(one, expected).score)
    expect(fits!).toBeGreaterThan(off!)
  })

  it('allows more for a long gap than for a short one, and for the first', () => {
    expect(gapSd(4, false)).toBeGreaterThan(gapSd(1, false))
    expect(gapSd(10, true)).toBeGreaterThan(gapSd(10, false))
    expect(gapSd(0, false)).toBeCloseTo(0.08, 6)
  })
  it('takes a whistle that is long overdue for missed rather than still to come', () => {
    const [early, late] = [notHeardYet(0.2, 1, false), notHeardYet(2, 1, false)]
    expect(early.waiting).toBeGreaterThan(0.99)
    expect(late.waiting).toBeLessThan(0.01)
    expect(late.missed).toBeGreaterThan(early.missed)
  })
})
