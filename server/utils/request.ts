import type { H3Event } from 'h3'
import type { z } from 'zod'
import { sentenceOf, type SentenceCode } from '../../locales/sentences'
import { KEPT_KINDS, type KeptKind } from '../../shared/names'
import { problemsOf } from '../../shared/problems'
import { holdsUnstorable, isTooMuch } from '../json'

/** A problem, to be said in words. */
export interface ToSay {
  path: string
  code: SentenceCode
  params?: Record<string, string | number>
}

/** An error whose answer is `{ problems }` (server/error.ts writes it), and what else helps to repair it. */
export function refusal(statusCode: number, problems: ToSay | readonly ToSay[], more: object = {}) {
  const told = [problems].flat() as ToSay[]
  return createError({ statusCode, message: sentenceOf(told[0]!), data: { problems: told, ...more } })
}

export function notFound(what: string) {
  return refusal(404, { path: '', code: 'no-such', params: { what } })
}

/** More than any document holds. */
const MOST_VALUES = 100_000

/** The body, parsed by the schema; a 4xx that says where and why if it does not fit. */
export async function readJson<T>(event: H3Event, schema: z.ZodType<T>, mostBytes?: number): Promise<T> {
  const text = await readText(event, mostBytes)
  if (isTooMuch(text, MOST_VALUES)) throw refusal(400, { path: '', code: 'nested-too-deep' })
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch {
    throw refusal(400, { path: '', code: 'not-json' })
  }
  if (holdsUnstorable(json)) throw refusal(422, { path: '', code: 'not-text' })
  const parsed = schema.safeParse(json)
  if (parsed.success) return parsed.data
  // A body that asks for nothing is no request; one that asks for something that cannot be is one.
  throw refusal(isEmpty(json) ? 400 : 422, problemsOf(parsed.error))
}

const isEmpty = (json: unknown) =>
  typeof json === 'object' && json !== null && !Array.isArray(json) && Object.keys(json).length === 0

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i

/** A UUID from the path; anything else cannot exist. */
export function idParam(event: H3Event, what: string): string {
  const id = getRouterParam(event, 'id') ?? ''
  if (!UUID.test(id)) throw notFound(what)
  return id.toLowerCase()
}

/** The kind of document that a path names. */
export function kindParam(event: H3Event): KeptKind {
  const kind = KEPT_KINDS.find((one) => one === getRouterParam(event, 'kind'))
  if (!kind) throw notFound('kind')
  return kind
}

/** The document that a path names; a household's one kitchen is its `own`. */
export function documentParams(event: H3Event, { householdId }: { householdId: string }) {
  const kind = kindParam(event)
  if (kind !== 'kitchen') return { kind, id: idParam(event, kind) }
  const id = getRouterParam(event, 'id')
  if (id !== 'own' && id !== householdId) throw notFound(kind)
  return { kind, id: householdId }
}

/** Beyond this there is no date. */
const LATEST_MS = Date.UTC(9999, 11, 31)

/** The mark at which a page of the log begins; null for the newest. */
export function pageMark(event: H3Event): { createdAt: Date; id: string } | null {
  const { after } = getQuery(event)
  const [ms, id] = String(after ?? '').split('_')
  return UUID.test(id ?? '') && Number(ms) > 0 && Number(ms) < LATEST_MS
    ? { createdAt: new Date(Number(ms)), id: id! }
    : null
}

/** What a change of the members came to, as an answer. */
export function refuseUnless(outcome: 'done' | 'no-member' | 'last-owner'): void {
  if (outcome === 'no-member') throw notFound('member')
  if (outcome === 'last-owner') throw refusal(409, { path: '', code: 'last-owner' })
}
