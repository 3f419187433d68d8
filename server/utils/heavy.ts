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
import { answerHeavy, type HeavyQuestion, type Told } from '../heavy/work'

/** Whoever has waited so long is told to come back. */
const DEADLINE_MS = 10_000
const MOST_WAITING = 64

let pool: Piscina | null = null

/** The threads of this process; null while developing, where there is no bundle for them. */
function threads(): Piscina | null {
  const filename = path.join(path.dirname(process.argv[1] ?? ''), 'heavy.mjs')
  if (!pool && existsSync(filename))
    pool = new Piscina({
      filename,
      minThreads: 1,
      maxThreads: Math.max(1, availableParallelism() - 1),
      maxQueue: MOST_WAITING,
    })
  return pool
}

async function ask<Answer>(question: HeavyQuestion): Promise<Answer> {
  const ready = threads()
  if (!ready) return answerHeavy(question) as Answer
  try {
    return (await ready.run(question, { signal: AbortSignal.timeout(DEADLINE_MS) })) as Answer
  } catch (error) {
    const isBusy = error instanceof Error && (error.name === 'AbortError' || /queue/i.test(error.message))
    if (isBusy) throw refusal(503, { path: '', code: 'busy' })
    throw error
  }
}

export const planInThread = (request: PlanRequest) => ask<Outcome<PlanAnswer>>({ kind: 'plan', request })

export const fitInThread = (plan: LivePlan, events: RunEvent[]) => ask<RunFit | null>({ kind: 'fit', plan, events })

export const learnInThread = (log: KitchenLog) => ask<Told>({ kind: 'learn', log })

export async function opensFromInThread(plan: LivePlan, events: RunEvent[], atMs: number): Promise<number> {
  const opens = await ask<number | null>({ kind: 'opens-from', plan, events, atMs })
  if (opens === null) throw new UnreadablePlan()
  return opens
}
