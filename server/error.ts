import type { NitroErrorHandler } from 'nitropack'
import Negotiator from 'negotiator'
import { localeAmong, type Locale } from '../locales/languages'
import { isProblem, refusalSentence, sentenceOf, type RunRefusal } from '../locales/sentences'
import { LimitReached } from './db/scope'
import { factsOf, logger } from './logger'

interface Told {
  path: string
  code: string
  params?: Record<string, string | number>
}

/** Every error of the API has one shape: `{ problems: [{ path, code, message }] }`, told in the reader's language. */
const handler: NitroErrorHandler = (error, event) => {
  const cause = error.cause ?? error
  const known = cause instanceof LimitReached ? told(cause) : (error.data as { problems?: Told[] } | undefined)
  const isReadOnly = !known?.problems && codeOf(cause) !== null && CANNOT_WRITE.test(codeOf(cause)!)
  const isDatabase = isReadOnly || (!known?.problems && isOfDatabase(cause))
  const status = isDatabase ? 503 : cause instanceof LimitReached ? 409 : error.statusCode || 500
  if (status >= 500 && !known?.problems)
    logger.error('a request failed', {
      method: event.method,
      route: event.context.matchedRoute?.path,
      ...factsOf(cause),
    })
  const code = isReadOnly ? 'database-reads-only' : isDatabase ? 'database' : status >= 500 ? 'server' : 'not-found'
  const { res } = event.node
  if (res.headersSent) return void res.end()
  res.statusCode = status
  res.setHeader('content-type', 'application/json; charset=utf-8')
  res.setHeader('cache-control', 'no-store')
  const locale = localeAmong(new Negotiator(event.node.req).languages())
  const problems = known?.problems ?? [{ path: '', code }]
  res.end(
    // Of an error that was not meant nothing else is told.
    JSON.stringify({
      ...(known?.problems ? known : {}),
      problems: problems.map((one) => ({ ...one, message: sentenceFor(one, locale) })),
    }),
  )
}

const told = ({ code, max }: LimitReached) => ({
  problems: [{ path: '', code, params: { max } }],
})

/** A problem’s sentence, or that of an event which a run refuses. */
const sentenceFor = ({ code, params }: Told, locale: Locale) =>
  isProblem(code) ? sentenceOf({ code, params }, locale) : refusalSentence(code as RunRefusal, locale)

/** It only reads, or has no room left: read_only_sql_transaction, disk_full, out_of_memory. */
const CANNOT_WRITE = /^(25006|53100|53200)$/
function codeOf(error: unknown): string | null {
  const { code, cause } = (error ?? {}) as { code?: unknown; cause?: unknown }
  if (cause) return codeOf(cause)
  return typeof code === 'string' ? code : null
}

/** True where the database stood still, was locked, or is gone, and not where a query was wrong. */
function isOfDatabase(error: unknown): boolean {
  const { code, message = '', cause } = (error ?? {}) as { code?: unknown; message?: string; cause?: unknown }
  if (cause) return isOfDatabase(cause)
  if (/^(Query read timeout|timeout exceeded|Connection terminated|Client has encountered)/i.test(message)) return true
  return typeof code === 'string' && /^(57|53|08|55P03|40|25P03|ECONN|EPIPE|ETIMEDOUT)/.test(code)
}

export default handler
