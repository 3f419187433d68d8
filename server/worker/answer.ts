/**
 * Questions that take their time, answered in a thread of their own so that nobody else has to wait. Bundled apart
 * from the server (nuxt.config.ts).
 */
import { learnFrom, type KitchenLog } from '../../core/learn/log'
import { missesOf } from '../../core/learn/misses'
import { fitRun, type RunFit } from '../../core/learn/run-fit'
import { UnreadablePlan, type LivePlan } from '../../core/live/course'
import type { RunEvent } from '../../core/live/event.schema'
import { opensFromOf } from '../../core/live/follow'
import { plan } from '../../core/program/plan'
import type { PlanRequest } from '../../core/program/request.schema'
import { readArchiveIn } from './archive'
import { readLogIn } from './log'

export type WorkerQuestion =
  | { kind: 'plan'; request: PlanRequest }
  | { kind: 'opens-from'; plan: LivePlan; events: RunEvent[]; atMs: number }
  | { kind: 'fit'; plan: LivePlan; events: RunEvent[] }
  | { kind: 'learn'; log: KitchenLog }
  | { kind: 'archive'; zip: Uint8Array }
  | { kind: 'log'; text: string; isTable: boolean }

export function answerInWorker(question: WorkerQuestion) {
  switch (question.kind) {
    case 'plan':
      return plan(question.request)
    case 'fit':
      return fitOf(question.plan, question.events)
    case 'learn':
      return toldOf(question.log)
    case 'archive':
      return readArchiveIn(question.zip)
    case 'log':
      return readLogIn(question.text, question.isTable)
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

/** What a run says; nothing, where its plan can no longer be read. */
function fitOf(live: LivePlan, events: RunEvent[]): RunFit | null {
  try {
    return fitRun(live, events)
  } catch (error) {
    if (error instanceof UnreadablePlan) return null
    throw error
  }
}

/** What a log has taught, without what cannot cross a thread. */
function toldOf(log: KitchenLog) {
  const learnt = learnFrom(log)
  return { figures: learnt.figures, undecided: learnt.undecided, sums: learnt.sums, misses: missesOf(log, learnt) }
}
export type Told = ReturnType<typeof toldOf>

export default answerInWorker
