import { describe, expect, it } from 'vitest'
import { plan } from '../program/plan'
import type { PlanRequest } from '../program/request.schema'
import type { RunEvent, RunEventData } from './event.schema'
import { createFollower } from './follow'
import { paceAtStove } from './pace'

const REQUEST: PlanRequest = {
  kitchen: { altitudeM: 0, roomC: 20, tapC: 20 },
  cooker: 'whistling-5l-aluminium',
  burner: 'strong',
  contents: [{ food: 'chana-split', dryG: 250, soak: null, where: 'base' }],
  liquids: [],
  freeLiquid: 'spoonable',
  style: { kind: 'whistles', heatUp: 'high', flame: 'medium' },
  release: 'auto',
}
const planned = plan(REQUEST)
if (!planned.ok) throw new Error(planned.problems[0]!.code)
const live = { request: REQUEST, answer: planned.value }
const everyMinutes = planned.value.closings[0]!.program.whistleEveryS! / 60

/** What is made of a pot that was turned down after its first whistle and then whistles so often. */
function pace(times: number, whistles: number, turned = true) {
  let n = 0
  const say = (data: RunEventData, minute: number): RunEvent => ({
    id: `e${n++}`,
    at: Math.round(minute * 60_000),
    data,
  })
  const events = [say({ kind: 'lit' }, 0), say({ kind: 'whistle' }, 8)]
  if (turned) events.push(say({ kind: 'flame', flame: 'medium' }, 8.2))
  for (let i = 1; i <= whistles; i++) events.push(say({ kind: 'whistle' }, 8 + i * times * everyMinutes))
  return paceAtStove(live, createFollower(live)(events, events.at(-1)!.at + 1000))
}

describe('the pace of a flame that is set by its whistles', () => {
  it('is told once two gaps on it tell', () => {
    expect(pace(0.4, 2)).toBeNull()
    expect(pace(0.4, 3)).toMatchObject({ is: 'quick' })
    expect(pace(2, 3)).toMatchObject({ is: 'slow' })
  })

  it('is not spoken of while it is as planned, nor before it was turned down', () => {
    expect(pace(1, 3)).toBeNull()
    expect(pace(0.8, 3)).toBeNull()
    expect(pace(0.4, 3, false)).toBeNull()
  })

  it('says how often they come and how often they should', () => {
    const found = pace(0.5, 3)!
    expect(found.everyS).toBeCloseTo(30 * everyMinutes, 0)
    expect(found.plannedS / found.everyS).toBeCloseTo(2, 1)
  })
})
