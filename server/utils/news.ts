import { Client } from 'pg'
import { newsSchema, type News } from '../../shared/run.schema'
import { NEWS_CHANNEL } from '../db/client'

/** What a listening device is told: a document that changed, or null when something may have been missed. */
type Tell = (news: Pick<News, 'kind' | 'id'> | null) => void

const LISTEN_AGAIN_MS = 1000
const listeners = new Map<string, Set<Tell>>()
let listening: Promise<void> | null = null

/** Tells of every change of a household's documents, whichever server process it came through, until it is called off. */
export async function onNews(householdId: string, tell: Tell): Promise<() => void> {
  await (listening ??= listen())
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
    for (const tell of listeners.get(householdId) ?? []) tell({ kind, id })
  })
  let lost = false
  const again = () => {
    if (lost) return
    lost = true
    setTimeout(() => {
      listening = listen()
      listening.catch(() => undefined)
    }, LISTEN_AGAIN_MS)
  }
  client.on('error', (error) => {
    console.error('Lost the connection that listens for news:', error.message)
    again()
  })
  client.on('end', again)
  try {
    await client.connect()
    await client.query(`listen ${NEWS_CHANNEL}`)
  } catch (error) {
    again()
    throw error
  }
  // Whatever happened while nobody listened was missed.
  for (const own of listeners.values()) for (const tell of own) tell(null)
}
