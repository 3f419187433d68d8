import { logger } from '../logger'
import { Client } from 'pg'
import { changeEventSchema, type ChangeEvent } from '../../shared/run.schema'
import { CHANGE_CHANNEL } from '../db/client'

/** What a listening device is told: a document that changed, or null when something may have been missed. */
type Tell = (changeEvent: Pick<ChangeEvent, 'kind' | 'id'> | null) => void

const LISTEN_AGAIN_MS = 1000
const listeners = new Map<string, Set<Tell>>()
let listening: Promise<void> | null = null
let hearing: Client | null = null
let isStopped = false
/** How each open stream is ended. */
const streams = new Set<() => void>()
/** Devices of one household that hear at once. */
const MOST_STREAMS = 60
/** Since when this process has heard all that was told, and when it last heard of a household; in ms since 1970. */
let hearsSince = Infinity
const lastChangeAt = new Map<string, number>()

/** What this server itself does about change events, of whatever household. */
const hearers = new Set<(changeEvent: ChangeEvent) => unknown>()
export const onAnyChangeEvent = (hear: (changeEvent: ChangeEvent) => unknown) => void hearers.add(hear)

/** True while nothing that is told is missed. */
export const isHearing = () => Number.isFinite(hearsSince)

/** Begins to listen, so that what changes from now on is not missed. */
export const startListening = () => (listening ??= listen())

/** True if a household's documents may have changed since a moment, in ms since 1970. */
export function mayHaveChanged(householdId: string, sinceMs: number): boolean {
  return hearsSince > sinceMs || (lastChangeAt.get(householdId) ?? -Infinity) >= sinceMs
}

/**
 * Tells of every change of a household's documents, whichever server process it came through, until it is called off;
 * `end` is called when this server stops.
 */
export async function onChangeEvent(householdId: string, tell: Tell, end: () => void): Promise<() => void> {
  await startListening()
  const own = listeners.get(householdId) ?? new Set()
  if (own.size >= MOST_STREAMS)
    throw refusal(429, { path: '', code: 'too-many-devices', params: { max: MOST_STREAMS } })
  listeners.set(householdId, own.add(tell))
  streams.add(end)
  return () => {
    streams.delete(end)
    own.delete(tell)
    if (own.size === 0 && listeners.get(householdId) === own) listeners.delete(householdId)
  }
}

/** What was told; null for what is no change event of ours: whoever reaches the database may tell anything. */
function readChangeEvent(payload = ''): ChangeEvent | null {
  try {
    return changeEventSchema.parse(JSON.parse(payload))
  } catch {
    logger.warn('strange change event', { length: payload.length })
    return null
  }
}

/** Ends the streams of all devices: they ask another server, or this one when it is back. */
export function endStreams(): void {
  for (const end of streams) end()
}

/** Hears no more. */
export async function stopListening(): Promise<void> {
  isStopped = true
  await hearing?.end()
}

/** One connection of this process listens for all its devices; when it is lost it is opened again. */
async function listen(): Promise<void> {
  const client = new Client({ connectionString: process.env.DATABASE_URL, keepAlive: true })
  hearing = client
  client.on('notification', ({ payload }) => {
    const changeEvent = readChangeEvent(payload)
    if (!changeEvent) return
    const { householdId, kind, id } = changeEvent
    lastChangeAt.set(householdId, Date.now())
    for (const hear of hearers) hear(changeEvent)
    for (const tell of listeners.get(householdId) ?? []) tell({ kind, id })
  })
  let lost = false
  const again = () => {
    if (lost || isStopped) return
    lost = true
    hearsSince = Infinity
    setTimeout(() => {
      listening = listen()
      listening.catch(() => undefined)
    }, LISTEN_AGAIN_MS)
  }
  client.on('error', (error) => {
    logger.warn('lost the connection that listens for change events', { reason: error.message })
    again()
  })
  client.on('end', again)
  try {
    await client.connect()
    await client.query(`listen ${CHANGE_CHANNEL}`)
    hearsSince = Date.now()
  } catch (error) {
    again()
    throw error
  }
  // Whatever happened while nobody listened was missed.
  for (const own of listeners.values()) for (const tell of own) tell(null)
}
