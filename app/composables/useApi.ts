import { FetchError } from 'ofetch'
import type { Problem } from '~~/core/problem'

/** What went wrong with a request: no answer at all, or the reasons that the server gave. */
export interface ApiFailure {
  kind: 'network' | 'refused'
  status: number | null
  problems: (Pick<Problem, 'path' | 'message'> & { code?: string })[]
}

/** Reads the failure out of whatever $fetch threw. */
export function failureOf(error: unknown): ApiFailure {
  if (error instanceof FetchError && error.response) {
    const problems = (error.data as { problems?: ApiFailure['problems'] } | undefined)?.problems
    const known = problems ?? [{ path: '', message: error.message }]
    return {
      kind: error.response.status >= 500 ? 'network' : 'refused',
      status: error.response.status,
      problems: known,
    }
  }
  return { kind: 'network', status: null, problems: [] }
}
