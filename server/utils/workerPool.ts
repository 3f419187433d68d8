import { existsSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import path from 'node:path'
import Piscina from 'piscina'
import type { KitchenLog } from '../../core/learn/log'
import type { RunFit } from '../../core/learn/run-fit'
import { UnreadablePlan, type LivePlan } from '../../core/live/course'
import type { RunEvent } from '../../core/live/event.schema'
import type { Outcome } from '../../core/problem'
import type { PlanAnswer } from '../../core/program/answer'
import type { PlanRequest } from '../../core/program/request.schema'
import { logger } from '../logger'
import { answerInWorker, type WorkerQuestion, type Told } from '../worker/answer'
import type { readArchiveIn } from '../worker/archive'
import type { readLogIn } from '../worker/log'

/** Whoever has waited so long is told to come back, and the thread is ended; what is read in whole takes longer. */
const DEADLINE_MS = 10_000
const ARCHIVE_DEADLINE_MS = 60_000
const MOST_WAITING = 64
/** So much of it may be one household's: the others are not to wait for it. */
const MOST_OF_ONE = 8
const asking = new Map<string, number>()

let working: Piscina | null = null
/** Files that are read in have a thread of their own: a pot on the stove does not wait for somebody's archive. */
let reading: Piscina | null = null

/** The threads of this process; null while developing, where there is no bundle for them. */
function threadsFor({ kind }: WorkerQuestion): Piscina | null {
  const filename = path.join(path.dirname(process.argv[1] ?? ''), 'worker.mjs')
  if (!existsSync(filename)) return null
  const of = (maxThreads: number) => new Piscina({ filename, minThreads: 1, maxThreads, maxQueue: MOST_WAITING })
  if (kind === 'archive' || kind === 'log') return (reading ??= of(1))
  return (working ??= of(Math.max(1, availableParallelism() - 1)))
}

/** Asks on behalf of a household; refused while it has too much under way already. */
async function ask<Answer>(householdId: string, question: WorkerQuestion, most = MOST_OF_ONE): Promise<Answer> {
  const before = asking.get(householdId) ?? 0
  if (before >= most) throw refusal(429, { path: '', code: 'busy' })
  asking.set(householdId, before + 1)
  try {
    return await answered<Answer>(question)
  } finally {
    const left = asking.get(householdId)! - 1
    if (left === 0) asking.delete(householdId)
    else asking.set(householdId, left)
  }
}

async function answered<Answer>(question: WorkerQuestion): Promise<Answer> {
  const ready = threadsFor(question)
  if (!ready) return answerInWorker(question) as Answer
  try {
    return (await ready.run(question, {
      signal: AbortSignal.timeout(question.kind === 'archive' ? ARCHIVE_DEADLINE_MS : DEADLINE_MS),
    })) as Answer
  } catch (error) {
    const isBusy = error instanceof Error && (error.name === 'AbortError' || /queue/i.test(error.message))
    if (isBusy && question.kind === 'fit' && error.name === 'AbortError') {
      // What cannot be worked out in time says nothing, today and tomorrow.
      logger.warn('a run took too long to fit')
      return null as Answer
    }
    if (isBusy) throw refusal(503, { path: '', code: 'busy' })
    throw error
  }
}

/** Ends the threads, once what they are at is done or has taken too long. */
export const closeThreads = () => Promise.all([working?.destroy(), reading?.destroy()])

/** What takes its time, for one household. */
export const askWorker = (householdId: string) => ({
  plan: (request: PlanRequest) => ask<Outcome<PlanAnswer>>(householdId, { kind: 'plan', request }),
  fit: (plan: LivePlan, events: RunEvent[]) => ask<RunFit | null>(householdId, { kind: 'fit', plan, events }),
  learn: (log: KitchenLog) => ask<Told>(householdId, { kind: 'learn', log }),
  /** Reads an archive; a household has nothing else under way meanwhile. */
  archive: (zip: Uint8Array) => ask<ReturnType<typeof readArchiveIn>>(householdId, { kind: 'archive', zip }, 1),
  log: (text: string, isTable: boolean) =>
    ask<ReturnType<typeof readLogIn>>(householdId, { kind: 'log', text, isTable }),
  async opensFrom(plan: LivePlan, events: RunEvent[], atMs: number): Promise<number> {
    const opens = await ask<number | null>(householdId, { kind: 'opens-from', plan, events, atMs })
    if (opens === null) throw new UnreadablePlan()
    return opens
  },
})
