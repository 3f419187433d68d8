/** What a line of the log may say: figures, ids, codes. Nothing that a household wrote goes into it. */
type Facts = Record<string, string | number | boolean | null | undefined>

function write(level: 'info' | 'warn' | 'error', what: string, facts: Facts = {}) {
  const line = JSON.stringify({ at: new Date().toISOString(), level, what, ...facts })
  ;(level === 'info' ? process.stdout : process.stderr).write(`${line}\n`)
}

/** The server's log: one JSON object a line, for whatever collects lines. */
export const logger = {
  info: (what: string, facts?: Facts) => write('info', what, facts),
  warn: (what: string, facts?: Facts) => write('warn', what, facts),
  error: (what: string, facts?: Facts) => write('error', what, facts),
}

/** Of an error what helps to find it, without what the failing query was given. */
export function factsOf(error: unknown): Facts {
  if (!(error instanceof Error)) return { error: 'thrown', reason: typeof error }
  const { name, message, code, stack, cause } = error as Error & { code?: string }
  const said = cause instanceof Error ? factsOf(cause) : {}
  // Drizzle puts the parameters of a failed query into its message, after its first line.
  return { error: name, reason: message.split('\n')[0]!.slice(0, 300), code, ...said, where: placeIn(stack) }
}

function placeIn(stack = ''): string | undefined {
  return /\n\s+at (.+)/.exec(stack)?.[1]
}
