import type { ApiFailure } from '~/composables/documents/useApi'

type SaidProblem = ApiFailure['problems'][number]

/** So many runs go to the server at once. */
const PART = 500
const ROW = /^runs\.(\d+)/

export interface ReadIn {
  added: number
  /** Pots that were here already, of which a table said something else. */
  changed: number
  of: number
}

/** The rows of a log in which something is wrong, by the places that they have in the whole of it. */
export class WrongRows extends Error {
  constructor(readonly problems: readonly SaidProblem[]) {
    super()
  }
}

/**
 * Sends the runs of a log to the server part by part: all of them are looked through before the first is stored, so that a
 * wrong one leaves the log as it was. What is sent twice is there once.
 */
export async function readLogIn(
  runs: readonly unknown[],
  send: (part: { runs: readonly unknown[] }, check: boolean) => Promise<ReadIn>,
  tell: (done: number) => void = () => undefined,
): Promise<ReadIn> {
  const parts = Array.from({ length: Math.max(1, Math.ceil(runs.length / PART)) }, (_, i) => ({
    runs: runs.slice(i * PART, (i + 1) * PART),
  }))
  const sent = async (i: number, check: boolean) => {
    tell((i + (check || parts.length === 1 ? 0 : parts.length)) / (2 * parts.length))
    try {
      return await send(parts[i]!, check)
    } catch (error) {
      const { kind, problems } = failureOf(error)
      if (kind !== 'refused' || !problems.some(({ path }) => ROW.test(path))) throw error
      throw new WrongRows(
        problems.map((one) => ({
          ...one,
          path: one.path.replace(ROW, (_, row: string) => `runs.${i * PART + Number(row)}`),
        })),
      )
    }
  }
  if (parts.length > 1) for (const [i] of parts.entries()) await sent(i, true)
  const all: ReadIn = { added: 0, changed: 0, of: 0 }
  for (const [i] of parts.entries()) {
    const { added, changed, of } = await sent(i, false)
    all.added += added
    all.changed += changed
    all.of += of
  }
  return all
}
