import { promisify } from 'node:util'
import { strToU8, zip, type AsyncZippable } from 'fflate'
import type { Kitchen } from '../../shared/kitchen.schema'
import type { HouseholdStore } from '../db/household'
import type { Restored } from '../db/queries/archive'
import { HOUSEHOLD, type ReadArchive } from '../worker/archive'

const zipped = promisify((files: AsyncZippable, done: (error: Error | null, bytes: Uint8Array) => void) =>
  zip(files, done),
)

export const MOST_ARCHIVE_BYTES = 64 * 1024 * 1024

/** A household as a ZIP file: all of it as JSON, the log as a table too, and the photographs. */
export async function archiveOf(store: HouseholdStore): Promise<Uint8Array> {
  const kept = await store.kitchen()
  if (!kept) throw notFound('kitchen')
  const archive = await store.archive(kept.content)
  const photos = [...(await store.photos())].map(([runId, jpeg]): [string, AsyncZippable[string]] => [
    `photos/${runId}.jpg`,
    [jpeg, { level: 0 }],
  ])
  // Packed in threads of the library's own.
  return zipped({
    [HOUSEHOLD]: strToU8(JSON.stringify(archive, null, 1)),
    'log.csv': strToU8(tableOf(archive.log, kept.content)),
    ...Object.fromEntries(photos),
  })
}

/** Reads an archive; every problem is told by its place, and nothing has been written. */
export async function readArchive(bytes: Uint8Array, here: Kitchen, householdId: string): Promise<Restored> {
  const read = await askWorker(householdId).archive(bytes)
  if (!read.ok) throw refusal(422, read.problems)
  const { kitchen, documents, log, photos } = read.value
  return {
    kitchen: isBare(here) ? kitchen : null,
    documents,
    runs: await planned(log, householdId),
    forgotten: (log.forgotten ?? []).map(({ figure, at }) => ({ figure, at: new Date(at).getTime() })),
    photos: await photosOf(photos, householdId),
  }
}

/** A kitchen in which nothing stands takes over the archive's; any other stays as it is. */
const isBare = ({ cookers, burners, tins, measures, foods, bags }: Kitchen) =>
  [cookers, burners, tins, measures, foods, bags].every((rows) => rows.length === 0)

/** Each run with the answer that this server gives to its request. */
async function planned(log: ReadArchive['log'], householdId: string): Promise<Restored['runs']> {
  const found: Restored['runs'] = []
  const worker = askWorker(householdId)
  for (const [i, run] of log.runs.entries()) {
    const answer = await worker.plan(run.request)
    if (!answer.ok)
      throw refusal(
        422,
        answer.problems.map((one) => ({ ...one, path: `log.runs.${i}.request.${one.path}` })),
      )
    found.push({ run, answer: answer.value })
  }
  return found
}

/** Photographs are made anew: whatever else was put into the file stays out. */
async function photosOf(read: ReadArchive['photos'], householdId: string): Promise<Map<string, Buffer>> {
  const photos = new Map<string, Buffer>()
  for (const [runId, bytes] of read) photos.set(runId, await smallPhoto(Buffer.from(bytes), householdId))
  return photos
}
