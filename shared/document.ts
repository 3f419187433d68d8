import type { z } from 'zod'
import type { Problem } from '../core/problem'
import { problemsOf, type ShapeProblem } from './problems'

/** Something that is kept: in the database, a file or the browser's storage. */
export interface DocumentKind<T> {
  /** The shape that is written now; every kept document says in which it was written. */
  shape: number
  schema: z.ZodType<T>
  /** From each earlier shape to the one after it: the first makes 2 of 1. */
  upgrades: readonly ((older: never) => unknown)[]
  /** What is wrong with one that is of the right shape; paths are in the document. */
  check?: (value: T) => readonly Problem[]
}

/** A document that the household keeps, changed by version. */
export interface Kept<Content> {
  id: string
  name: string
  favourite: boolean
  content: Content
  version: number
  updatedAt: string
}

/** What is sent to keep a document; the version is the one it was fetched with, 0 for a new one. */
export type ToSave<Content> = Pick<Kept<Content>, 'version' | 'content'> &
  Partial<Pick<Kept<Content>, 'name' | 'favourite'>>

export type Read<T> =
  | { ok: true; value: T }
  /** Written by a later version of the program, or not such a document at all. */
  | { ok: false; reason: 'newer' | 'unreadable'; problems: ShapeProblem[] }

/** Reads a document in whatever shape it was written; one that does not say was written in the first. */
export function readDocument<T>(
  { shape, schema, upgrades }: DocumentKind<T>,
  kept: unknown,
  writtenIn?: number,
): Read<T> {
  const from = writtenIn ?? shapeOf(kept)
  if (from > shape) return { ok: false, reason: 'newer', problems: [] }
  let value = kept
  try {
    for (const upgrade of upgrades.slice(from - 1)) value = upgrade(value as never)
  } catch {
    // An upgrade met something that was never such a document.
    return { ok: false, reason: 'unreadable', problems: [] }
  }
  const parsed = schema.safeParse(value)
  return parsed.success
    ? { ok: true, value: parsed.data }
    : { ok: false, reason: 'unreadable', problems: problemsOf(parsed.error) }
}

/** The same for what this program wrote itself: it throws where that cannot be read. */
export function readOwn<T>(kind: DocumentKind<T>, kept: unknown, writtenIn?: number): T {
  const read = readDocument(kind, kept, writtenIn)
  if (read.ok) return read.value
  const where = read.problems.map(({ path, code }) => `${path} ${code}`).join(', ')
  throw new TypeError(`A kept document cannot be read (${read.reason}): ${where}`)
}

function shapeOf(kept: unknown): number {
  const shape = (kept as { shape?: unknown } | null)?.shape
  return typeof shape === 'number' && shape >= 1 ? shape : 1
}
