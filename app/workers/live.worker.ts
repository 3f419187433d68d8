import { expose } from 'comlink'
import type { LivePlan } from '~~/core/live/course'
import type { RunEvent } from '~~/core/live/event.schema'
import { createFollower, type Following } from '~~/core/live/follow'
import { nextClosing } from '~~/core/program/remedy'

/** What was worked out of a run is kept between its events, for as many as a stove could hold; the longest unused goes. */
const followers = new Map<string, ReturnType<typeof createFollower>>()
const MOST_FOLLOWED = 8

const work = {
  /** How a run stands. The plan is the same for a run's whole life. */
  follow(runId: string, plan: LivePlan, events: RunEvent[], nowMs: number): Following {
    const follow = followers.get(runId) ?? createFollower(plan)
    followers.delete(runId)
    followers.set(runId, follow)
    if (followers.size > MOST_FOLLOWED) followers.delete(followers.keys().next().value!)
    return follow(events, nowMs)
  },
  /** Nobody looks at that run any more. */
  forget(runId: string): void {
    followers.delete(runId)
  },
  nextClosing,
}
export type LiveWork = typeof work
expose(work)
