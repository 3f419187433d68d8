import type { H3Event } from 'h3'
import type { z } from 'zod'
import { database } from '../db/client'
import { householdStore, type HouseholdStore } from '../db/household'

const MOST_BYTES = 256 * 1024

export interface ProblemBody {
  path: string
  code: string
  message: string
}

/** An error whose answer is `{ problems }` (server/error.ts writes it). */
export function refusal(statusCode: number, ...problems: ProblemBody[]) {
  return createError({ statusCode, message: problems[0]!.message, data: { problems } })
}

export function notFound(what: string) {
  return refusal(404, { path: '', code: 'not-found', message: `There is no such ${what} in this household.` })
}

/** The body, parsed by the schema; a 4xx that says where and why if it does not fit. */
export async function readJson<T>(event: H3Event, schema: z.ZodType<T>): Promise<T> {
  const tooLarge = () =>
    refusal(413, { path: '', code: 'too-large', message: 'The request is larger than 256 kB. Send less at a time.' })
  if (Number(getHeader(event, 'content-length') ?? 0) > MOST_BYTES) throw tooLarge()
  const raw = (await readRawBody(event)) ?? ''
  if (raw.length > MOST_BYTES) throw tooLarge()
  let json: unknown
  try {
    json = JSON.parse(raw)
  } catch {
    throw refusal(400, { path: '', code: 'not-json', message: 'The request is not valid JSON.' })
  }
  const parsed = schema.safeParse(json)
  if (parsed.success) return parsed.data
  const problems = parsed.error.issues.slice(0, 20).map(({ path, message }) => ({
    path: path.join('.'),
    code: 'wrong-shape',
    message,
  }))
  throw refusal(422, ...problems)
}

/** A UUID from the path; anything else cannot exist. */
export function idParam(event: H3Event, what: string): string {
  const id = getRouterParam(event, 'id') ?? ''
  if (!/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i.test(id)) throw notFound(what)
  return id.toLowerCase()
}

/**
 * The store of the household that this browser cooks in. A browser that has none is given the
 * default household, where there is one (the demo); otherwise it must open its household's link.
 */
export async function useHousehold(event: H3Event): Promise<HouseholdStore> {
  const session = await getUserSession(event)
  let householdId = session.secure?.householdId
  if (!householdId) {
    householdId = useRuntimeConfig(event).defaultHouseholdId
    if (!householdId)
      throw refusal(401, {
        path: '',
        code: 'no-household',
        message: 'Open your household’s link first, on this device.',
      })
    await setUserSession(event, { secure: { householdId } })
  }
  return householdStore(database(), householdId)
}
