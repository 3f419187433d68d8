import { log } from '../log'
import { Client } from 'pg'
import { newsSchema, type News } from '../../shared/run.schema'
import { NEWS_CHANNEL } from '../db/client'

/** What a listening device is told: a document that changed, or null when something may have been missed. */
type Tell = (news: Pick<News, 'kind' | 'id'> | null) => void

const LISTEN_AGAIN_MS = 1000
const listeners = new Map<string, Set<Tell>>()
let listening: Promise<void> | null = null
/** Since when this process has heard all that was told, and when it last heard of a household; in ms since 1970. */
let hearsSince = Infinity
const lastNewsAt = new Map<string, number>()

/** Begins to listen, so that what changes from now on is not missed. */
export const startListening = () => (listening ??= listen())

/** True if a household's documents may have changed since a moment, in ms since 1970. */
export function mayHaveChanged(householdId: string, sinceMs: number): boolean {
  return hearsSince > sinceMs || (lastNewsAt.get(householdId) ?? -Infinity) >= sinceMs
}

/** Tells of every change of a household's documents, whichever server process it came through, until it is called off. */
export async function onNews(householdId: string, tell: Tell): Promise<() => void> {
  await startListening()
  const own = listeners.get(householdId) ?? new Set()
  listeners.set(householdId, own.add(tell))
  return () => {
    own.delete(tell)
    if (own.size === 0 && listeners.get(householdId) === own) listeners.delete(householdId)
  }
}

/** One connection of this process listens for all its devices; when it is lost it is opened again. */
async function listen(): Promise<void> {
  const client = new Client({ connectionString: process.env.DATABASE_URL, keepAlive: true })
  client.on('notification', ({ payload }) => {
    const news = newsSchema.safeParse(JSON.parse(payload ?? 'null'))
    if (!news.success) return
    const { householdId, kind, id } = news.data
    lastNewsAt.set(householdId, Date.now())
    for (const tell of listeners.get(householdId) ?? []) tell({ kind, id })
  })
  let lost = false
  const again = () => {
    if (lost) return
    lost = true
    hearsSince = Infinity
    setTimeout(() => {
      listening = listen()
      listening.catch(() => undefined)
    }, LISTEN_AGAIN_MS)
  }
  client.on('error', (error) => {
    log.warn('lost the connection that listens for news', { reason: error.message })
    again()
  })
  client.on('end', again)
  try {
    await client.connect()
    await client.query(`listen ${NEWS_CHANNEL}`)
    hearsSince = Date.now()
  } catch (error) {
    again()
    throw error
  }
  // Whatever happened while nobody listened was missed.
  for (const own of listeners.values()) for (const tell of own) tell(null)
}
