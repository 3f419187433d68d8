// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createFollower, type Following } from '~~/core/live/follow'
import type { LivePlan } from '~~/core/live/course'
import type { RunEvent } from '~~/core/live/event.schema'
import { beansRun, closePage, houseId, openPage, playServer, settle, START_MS } from '~~/tests/house'
import { useCookingStore } from './cooking'
import { useRunsStore } from './runs'

// The thread that follows, without a thread.
vi.mock('~/composables/cook/useLiveWorker', () => ({
  useLiveWorker: () => ({
    follow: (_: string, plan: LivePlan, events: RunEvent[], nowMs: number): Promise<Following> =>
      Promise.resolve(createFollower(plan, { bands: false })(events, nowMs)),
    forget: () => Promise.resolve(),
  }),
}))

beforeEach(() => {
  openPage()
  playServer()
})
afterEach(closePage)

const lit = (n: number) => ({ id: houseId(n), at: START_MS - 60_000, data: { kind: 'lit' as const } })
/** What is followed is worked out again twice a second. */
async function pass() {
  for (let i = 0; i < 4; i++) {
    vi.advanceTimersByTime(600)
    await settle()
  }
}

describe('what is on the stove', () => {
  it('is each pot that is begun, with what to do next, until it is over', async () => {
    const [one, two, unlit] = [houseId(1), houseId(2), houseId(3)]
    const cooking = useCookingStore()
    useRunsStore().put(beansRun(one, [lit(11)]), beansRun(two, [lit(12)]), beansRun(unlit))
    await pass()
    expect(cooking.lanes.map(({ run }) => run.id).sort()).toEqual([one, two, unlit])
    expect(cooking.laneOf(two)!.events).toHaveLength(1)
    expect(cooking.laneOf(two)!.action).toBeTruthy()
    expect(cooking.laneOf(houseId(4))).toBeNull()
    // One that is over leaves, and the others stay.
    useRunsStore().setEvents(one, [lit(11), { id: houseId(13), at: START_MS, data: { kind: 'abandoned' } }])
    await pass()
    expect(cooking.lanes.map(({ run }) => run.id).sort()).toEqual([two, unlit])
    // What is looked at afterwards is followed as well, and what goes on is no second time.
    cooking.lookedAt = one
    await pass()
    expect(cooking.laneOf(one)?.events).toHaveLength(2)
    cooking.lookedAt = two
    await pass()
    expect(cooking.laneOf(one)).toBeNull()
    expect(cooking.lanes.map(({ run }) => run.id).sort()).toEqual([two, unlit])
  })
})
