import { expose } from 'comlink'
import type { LivePlan } from '~~/core/live/course'
import { createFollower, type Following } from '~~/core/live/follow'
import type { RunEvent } from '~~/core/live/run'
import { notDone, type PotState } from '~~/core/program/remedy'
import type { PlanRequest } from '~~/core/program/request'

/** What was worked out of a run is kept between its events. */
const followers = new Map<string, ReturnType<typeof createFollower>>()

const work = {
  /** How a run stands. The plan is the same for a run's whole life. */
  follow(runId: string, plan: LivePlan, events: RunEvent[], nowMs: number): Following {
    let follow = followers.get(runId)
    if (!follow) followers.set(runId, (follow = createFollower(plan)))
    return follow(events, nowMs)
  },
  notDone: (request: PlanRequest, state: PotState) => notDone(request, state),
}
export type LiveWork = typeof work
expose(work)
