/**
 * Questions that take their time, answered in a thread of their own so that nobody else has to wait. Bundled apart
 * from the server (nuxt.config.ts); only core is in it.
 */
import { UnreadablePlan, type LivePlan } from '../../core/live/course'
import type { RunEvent } from '../../core/live/event.schema'
import { opensFromOf } from '../../core/live/follow'
import { plan } from '../../core/program/plan'
import type { PlanRequest } from '../../core/program/request.schema'

export type HeavyQuestion =
  { kind: 'plan'; request: PlanRequest } | { kind: 'opens-from'; plan: LivePlan; events: RunEvent[]; atMs: number }

export function answerHeavy(question: HeavyQuestion) {
  switch (question.kind) {
    case 'plan':
      return plan(question.request)
    case 'opens-from':
      try {
        return opensFromOf(question.plan, question.events, question.atMs)
      } catch (error) {
        // Errors cross the thread without their class.
        if (error instanceof UnreadablePlan) return null
        throw error
      }
  }
}

export default answerHeavy
