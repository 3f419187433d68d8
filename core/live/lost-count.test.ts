import { describe, expect, it } from 'vitest'
import { BEANS, START_MS } from '../../tests/fixtures'
import { simulate } from '../pot/simulate'
import { plan } from '../program/plan'
import type { LivePlan } from './course'
import type { RunEvent } from './event.schema'
import { createFollower } from './follow'
import { lostAtStove } from './lost-count'

const planned = (style: typeof BEANS.style, food = 'navy-bean'): LivePlan => {
  const request = { ...BEANS, style, contents: [{ ...BEANS.contents[0]!, food }] }
  const outcome = plan(request)
  if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
  return { request, answer: outcome.value }
}
const medium = planned({ kind: 'whistles', flame: 'medium' })
const event = (data: RunEvent['data'], minute: number): RunEvent => ({
  id: `${data.kind}-${minute}`,
  at: START_MS + minute * 60_000,
  data,
})
/** Whistles heard from the tenth minute on, so far apart. */
const heard = (everyS: number, count: number) => [
  event({ kind: 'checked' }, 0),
  event({ kind: 'lit' }, 0),
  ...Array.from({ length: count }, (_, i) => event({ kind: 'whistle' }, 12 + (i * everyS) / 60)),
]
const seen = (live: LivePlan, events: RunEvent[]) => {
  const following = createFollower(live)(events, events.at(-1)!.at + 5000)
  return lostAtStove(live, following)
}

describe('a count at the stove', () => {
  it('is kept while the whistles come as planned', () => {
    expect(seen(medium, heard(100, 3))).toBeNull()
  })

  it('is given up when they come much closer than planned, for a lower flame or the clock', () => {
    const events = heard(30, 4)
    const lost = seen(medium, events)!
    expect(lost).toMatchObject({ reason: 'too-close', everyS: 30, canTurnLow: true })
    // Nothing in the plan whistles like this: no time is told by which to go.
    expect(lost.offAt).toBeNull()
  })

  it('tells until when, where the pot is understood', () => {
    const quick = planned({ kind: 'whistles', flame: 'medium' }, 'kidney-red')
    expect(quick.answer.closings[0]!.range.figure).toBeLessThanOrEqual(8)
    const truth = simulate({
      ...quick.answer.closings[0]!.case,
      program: [{ kind: 'whistles', heatW: 1.45 * 520, untilWhistles: 14 }],
    })
    const events = [...heard(0, 0), ...truth.whistleMinutes.map((minute) => event({ kind: 'whistle' }, minute))]
    const lost = seen(quick, events.slice(0, 8))!
    expect(lost).toMatchObject({ reason: 'too-many' })
    expect(lost.whistles).toBeGreaterThan(8)
    expect(lost.offAt).toBeGreaterThan(events[7]!.at)
  })

  it('has no lower flame to offer once it is turned down', () => {
    const events = [...heard(30, 4), event({ kind: 'flame', flame: 'low' }, 14), event({ kind: 'whistle' }, 14.4)]
    expect(seen(medium, events)?.canTurnLow ?? false).toBe(false)
  })

  it('is not spoken of before two were heard, nor to a cook who wanted that many', () => {
    expect(seen(medium, heard(30, 2))).toBeNull()
    expect(seen(planned({ kind: 'whistles', flame: 'high' }), heard(30, 4))).toBeNull()
    expect(seen(planned({ kind: 'first-whistle-then-low' }), heard(30, 4))).toBeNull()
  })
})
