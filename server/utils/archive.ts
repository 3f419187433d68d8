import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { problemsOfRun } from '../../core/learn/log-file'
import { archiveSchema, type Archive } from '../../shared/archive.schema'
import { readDocument, type DocumentKind } from '../../shared/document'
import { DOCUMENTS } from '../../shared/documents'
import { KITCHEN, type Kitchen } from '../../shared/kitchen.schema'
import { problemsOf } from '../../shared/problems'
import type { HouseholdStore } from '../db/household'
import type { ToSay } from './request'
import { LIST_NAMES, LISTED, type Restored } from '../db/queries/archive'

export const MOST_ARCHIVE_BYTES = 64 * 1024 * 1024
/** What unfolds to more than this was made to. */
const MOST_UNFOLDED_BYTES = 256 * 1024 * 1024
const HOUSEHOLD = 'household.json'
const PHOTO = /^photos\/([0-9a-f-]{36})\.jpg$/

/** A household as a ZIP file: all of it as JSON, the log as a table too, and the photographs. */
export async function archiveOf(store: HouseholdStore): Promise<Uint8Array> {
  const kept = await store.kitchen()
  if (!kept) throw notFound('kitchen')
  const archive = await store.archive(kept.content)
  const photos = [...(await store.photos())].map(([runId, jpeg]) => [`photos/${runId}.jpg`, [jpeg, { level: 0 }]])
  return zipSync({
    [HOUSEHOLD]: strToU8(JSON.stringify(archive, null, 1)),
    'log.csv': strToU8(tableOf(archive.log, kept.content)),
    ...Object.fromEntries(photos),
  })
}

/** Reads an archive; every problem is told by its place, and nothing has been written. */
export async function readArchive(bytes: Uint8Array, here: Kitchen, householdId: string): Promise<Restored> {
  const files = unfolded(bytes)
  let json: unknown
  try {
    json = JSON.parse(strFromU8(files[HOUSEHOLD]!))
  } catch {
    throw refusal(422, { path: '', code: 'not-an-archive' })
  }
  if (holdsUnstorable(json)) throw refusal(422, { path: '', code: 'not-text' })
  const parsed = archiveSchema.safeParse(json)
  if (!parsed.success) throw refusal(422, problemsOf(parsed.error))
  const archive = parsed.data
  const problems: ToSay[] = []
  const kitchen = read(KITCHEN, archive.kitchen, 'kitchen', problems)
  const documents = Object.fromEntries(
    LIST_NAMES.map((name) => [
      name,
      archive[name].flatMap((one, i) => {
        const content = read(
          DOCUMENTS[LISTED[name]] as DocumentKind<unknown>,
          one.content,
          `${name}.${i}`,
          problems,
        ) as typeof one.content | null
        return content ? [{ ...one, content }] : []
      }),
    ]),
  ) as Restored['documents']
  problems.push(...archive.log.runs.flatMap((run, i) => problemsOfRun(run, `log.runs.${i}`)))
  if (problems.length > 0) throw refusal(422, problems)
  return {
    kitchen: isBare(here) ? kitchen : null,
    documents,
    runs: await planned(archive, householdId),
    forgotten: (archive.log.forgotten ?? []).map(({ figure, at }) => ({ figure, at: new Date(at).getTime() })),
    photos: await photosOf(files),
  }
}

/** A kitchen in which nothing stands takes over the archive's; any other stays as it is. */
const isBare = ({ cookers, burners, tins, measures, foods, bags }: Kitchen) =>
  [cookers, burners, tins, measures, foods, bags].every((rows) => rows.length === 0)

function unfolded(bytes: Uint8Array): Record<string, Uint8Array> {
  let left = MOST_UNFOLDED_BYTES
  try {
    return unzipSync(bytes, {
      filter({ name, originalSize }) {
        if (name !== HOUSEHOLD && !PHOTO.test(name)) return false
        left -= originalSize
        if (left < 0) throw new RangeError('It unfolds to too much')
        return true
      },
    })
  } catch {
    throw refusal(422, { path: '', code: 'not-an-archive' })
  }
}

function read<T>(kind: DocumentKind<T>, content: unknown, path: string, problems: ToSay[]): T | null {
  const found = readDocument(kind, content)
  if (found.ok) return found.value
  problems.push({ path, code: found.reason === 'newer' ? 'newer-document' : 'unreadable-document' })
  return null
}

/** Each run with the answer that this server gives to its request. */
async function planned({ log }: Archive, householdId: string): Promise<Restored['runs']> {
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
async function photosOf(files: Record<string, Uint8Array>): Promise<Map<string, Buffer>> {
  const photos = new Map<string, Buffer>()
  for (const [name, bytes] of Object.entries(files)) {
    const runId = PHOTO.exec(name)?.[1]
    if (runId) photos.set(runId, await smallPhoto(Buffer.from(bytes)))
  }
  return photos
}
