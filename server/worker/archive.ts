import { Unzip, UnzipInflate } from 'fflate'
import { problemsOfRun } from '../../core/learn/log-file'
import type { LogFile } from '../../core/learn/log-file.schema'
import type { Problem } from '../../core/problem'
import { archiveSchema, LIST_NAMES, LISTED, type ArchivedDocument, type ListName } from '../../shared/archive.schema'
import { readDocument, type DocumentKind } from '../../shared/document'
import { DOCUMENTS } from '../../shared/documents'
import { KITCHEN, type Kitchen } from '../../shared/kitchen.schema'
import { problemsOf, type ShapeProblem } from '../../shared/problems'
import { holdsUnstorable, isTooMuch } from '../json'

/** What unfolds to more than this was made to. */
const MOST_JSON_BYTES = 64 * 1024 * 1024
const MOST_PHOTO_BYTES = 256 * 1024 * 1024
const MOST_PHOTOS = 5000
/** Ten thousand runs hold about so many values. */
const MOST_VALUES = 2_000_000
/** Unfolded a piece at a time, so that no piece becomes much before it is counted. */
const PIECE_BYTES = 16 * 1024
export const HOUSEHOLD = 'household.json'
const PHOTO = /^photos\/([0-9a-f-]{36})\.jpg$/

export interface ReadArchive {
  kitchen: Kitchen
  documents: Record<ListName, ArchivedDocument[]>
  log: LogFile
  /** Photographs by the id of their run, as they came. */
  photos: [runId: string, bytes: Uint8Array][]
}
type Said = Problem | ShapeProblem | { path: string; code: ArchiveProblem }
type ArchiveProblem = 'not-an-archive' | 'not-text' | 'archive-too-large' | 'newer-document' | 'unreadable-document'

class TooLarge extends Error {}

/** Reads an archive as it came; every problem is told by its place. */
export function readArchiveIn(zip: Uint8Array): { ok: true; value: ReadArchive } | { ok: false; problems: Said[] } {
  const failed = (code: ArchiveProblem) => ({ ok: false as const, problems: [{ path: '', code }] })
  let files: Map<string, Uint8Array>
  let json: unknown
  try {
    files = unfolded(zip)
    const text = new TextDecoder('utf-8', { fatal: true }).decode(files.get(HOUSEHOLD))
    if (isTooMuch(text, MOST_VALUES)) return failed('archive-too-large')
    json = JSON.parse(text)
  } catch (error) {
    return failed(error instanceof TooLarge ? 'archive-too-large' : 'not-an-archive')
  }
  if (holdsUnstorable(json)) return failed('not-text')
  const parsed = archiveSchema.safeParse(json)
  if (!parsed.success) return { ok: false, problems: problemsOf(parsed.error) }
  const archive = parsed.data
  const problems: Said[] = archive.log.runs.flatMap((run, i) => problemsOfRun(run, `log.runs.${i}`))
  const read = <T>(kind: DocumentKind<T>, content: unknown, path: string): T | null => {
    const found = readDocument(kind, content)
    if (found.ok) return found.value
    problems.push({ path, code: found.reason === 'newer' ? 'newer-document' : 'unreadable-document' })
    return null
  }
  const kitchen = read(KITCHEN, archive.kitchen, 'kitchen')
  const documents = Object.fromEntries(
    LIST_NAMES.map((name) => [
      name,
      archive[name].flatMap((one, i) => {
        const kind = DOCUMENTS[LISTED[name]] as DocumentKind<unknown>
        const content = read(kind, one.content, `${name}.${i}`) as ArchivedDocument['content'] | null
        return content ? [{ ...one, content }] : []
      }),
    ]),
  ) as ReadArchive['documents']
  if (problems.length > 0 || !kitchen) return { ok: false, problems }
  const cooked = new Set(archive.log.runs.map(({ id }) => id))
  const photos = [...files].flatMap(([name, bytes]): ReadArchive['photos'] => {
    const runId = PHOTO.exec(name)?.[1]
    return runId && cooked.has(runId) ? [[runId, bytes]] : []
  })
  return { ok: true, value: { kitchen, documents, log: archive.log, photos } }
}

/** The files of an archive that are read; what the directory says of their size is not believed, but counted. */
function unfolded(zip: Uint8Array): Map<string, Uint8Array> {
  const files = new Map<string, Uint8Array>()
  let photoBytes = 0
  let seen = 0
  let broken: Error | null = null
  const unzip = new Unzip((file) => {
    seen++
    const isPhoto = PHOTO.test(file.name)
    if (file.name !== HOUSEHOLD && !isPhoto) return
    if (files.size > MOST_PHOTOS) throw new TooLarge()
    const pieces: Uint8Array[] = []
    let bytes = 0
    file.ondata = (error, piece, isLast) => {
      if (error) broken = error
      if (broken) return
      bytes += piece.length
      if (isPhoto) photoBytes += piece.length
      if (photoBytes > MOST_PHOTO_BYTES || (!isPhoto && bytes > MOST_JSON_BYTES)) broken = new TooLarge()
      pieces.push(piece)
      if (isLast) files.set(file.name, Buffer.concat(pieces))
    }
    file.start()
  })
  unzip.register(UnzipInflate)
  for (let at = 0; at < zip.length && !broken; at += PIECE_BYTES)
    unzip.push(zip.subarray(at, at + PIECE_BYTES), at + PIECE_BYTES >= zip.length)
  if (broken) throw broken as Error
  if (seen !== entriesOf(zip)) throw new Error('It ends before its end')
  return files
}

const END = 0x06054b50
const END_BYTES = 22
const MOST_COMMENT_BYTES = 0xffff

/** How many files the end of a ZIP says that there are; -1 where it has no end (APPNOTE 4.3.16). */
function entriesOf(zip: Uint8Array): number {
  const view = new DataView(zip.buffer, zip.byteOffset, zip.byteLength)
  for (let at = zip.length - END_BYTES; at >= Math.max(0, zip.length - END_BYTES - MOST_COMMENT_BYTES); at--)
    if (view.getUint32(at, true) === END) return view.getUint16(at + 10, true)
  return -1
}
