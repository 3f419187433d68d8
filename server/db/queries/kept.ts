import { log } from '../../log'
import { and, desc, eq, ne, or, sql } from 'drizzle-orm'
import { readDocument, type DocumentKind } from '../../../shared/document'
import type { ChangeEvent } from '../../../shared/run.schema'
import type { Database } from '../client'
import type { dishes, meals, portions, pots } from '../schema'
import { kept, LimitReached, own, tellOthers, type Scope } from '../scope'
import { putBy } from './versions'

const MOST_KEPT = 300

/** A document that the household has kept under a name. */
export interface Kept<Content> {
  id: string
  name: string
  favourite: boolean
  content: Content
  version: number
  updatedAt: string
}
export type ToKeep<Content> = Pick<Kept<Content>, 'name' | 'favourite' | 'content' | 'version'>

/** What can be done with documents that are kept under a name; `kind` is what the other devices are told. */
export function keptQueries<Content>(
  scope: Scope,
  kind: ChangeEvent['kind'],
  anyTable: typeof pots | typeof dishes | typeof portions | typeof meals,
  document: DocumentKind<Content>,
) {
  const { db, householdId, memberId } = scope
  // The tables have the same columns but for the name of the document's.
  const table = anyTable as typeof pots

  function read({ id, name, favourite, content, version, updatedAt }: typeof pots.$inferSelect): Kept<Content> | null {
    const found = readDocument(document, content)
    if (found.ok) return { id, name, favourite, content: found.value, version, updatedAt: updatedAt.toISOString() }
    log.error('a kept document cannot be read', { kind, id, reason: found.reason })
    return null
  }

  return {
    read,
    tell: (tx: Pick<Database, 'execute'>, id: string) => tellOthers(scope, tx, kind, id),

    /** All that is kept, newest change first. One that cannot be read is passed over, and said. */
    async all(): Promise<Kept<Content>[]> {
      const rows = await db
        .select()
        .from(table)
        .where(kept(scope, table))
        .orderBy(desc(table.updatedAt))
        .limit(MOST_KEPT)
      return rows.flatMap((row) => read(row) ?? [])
    },

    async one(id: string): Promise<Kept<Content> | null> {
      const [row] = await db
        .select()
        .from(table)
        .where(and(kept(scope, table), eq(table.id, id)))
      return row ? read(row) : null
    },

    /** Keeps a document under its id; refused if it was changed since the version that was fetched. */
    async save(
      id: string,
      { name, favourite, content, version }: ToKeep<Content>,
    ): Promise<Kept<Content> | 'changed-meanwhile'> {
      if (version === 0 && (await db.$count(table, and(kept(scope, table), ne(table.id, id)))) >= MOST_KEPT)
        throw new LimitReached('too-many-kept', MOST_KEPT)
      const values = { name, favourite, content, memberId, deletedAt: null, updatedAt: new Date() }
      return refusingTaken(
        db.transaction(async (tx) => {
          const [before] = await tx
            .select()
            .from(table)
            .where(and(own(scope, table), eq(table.id, id)))
          if (before?.version === version) await putBy(scope, tx, kind, { ...before, savedAt: before.updatedAt })
          const [stored] = await tx
            .insert(table)
            .values({ ...values, id, householdId })
            .onConflictDoUpdate({
              target: table.id,
              set: { ...values, version: version + 1 },
              // Sent twice, because the first answer was lost, it is kept once.
              setWhere: and(
                own(scope, table),
                or(
                  eq(table.version, version),
                  and(
                    eq(table.version, version + 1),
                    eq(table.name, name),
                    eq(table.favourite, favourite),
                    sql`${table.content} = ${JSON.stringify(content)}::jsonb`,
                  ),
                ),
              ),
            })
            .returning()
          if (!stored) return 'changed-meanwhile'
          await tellOthers(scope, tx, kind, id)
          return read(stored)!
        }),
      )
    },

    /** Marks it as gone; saving it again brings it back. False if there was none. */
    async remove(id: string): Promise<boolean> {
      return db.transaction(async (tx) => {
        const gone = await tx
          .update(table)
          .set({ deletedAt: new Date() })
          .where(and(kept(scope, table), eq(table.id, id)))
          .returning({ id: table.id })
        if (gone.length > 0) await tellOthers(scope, tx, kind, id)
        return gone.length > 0
      })
    },
  }
}

/** An id that stands for something of another household: the database shows nothing of it, and writes nothing. */
async function refusingTaken<Done>(writing: Promise<Done>): Promise<Done | 'changed-meanwhile'> {
  try {
    return await writing
  } catch (error) {
    const { code } = ((error as Error).cause ?? error) as { code?: string }
    if (code === ROW_SECURITY) return 'changed-meanwhile'
    throw error
  }
}

const ROW_SECURITY = '42501'
