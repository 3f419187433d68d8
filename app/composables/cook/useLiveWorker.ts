import { wrap, type Remote } from 'comlink'
import type { LiveWork } from '~/workers/live.worker'

let answers: Remote<LiveWork> | null = null

/** The thread that follows what is on the stove, apart from the planner's so that neither waits for the other. */
export function useLiveWorker(): Remote<LiveWork> {
  answers ??= wrap<LiveWork>(new Worker(new URL('../../workers/live.worker.ts', import.meta.url), { type: 'module' }))
  return answers
}
