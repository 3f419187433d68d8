import { and, desc, eq, lte, ne, or, sql } from 'drizzle-orm'
import { LRUCache } from 'lru-cache'
import { readDocument, readOwn, type DocumentKind, type Kept, type ToSave } from '../../../shared/document'
import { DOCUMENTS, nameOf, type Contents } from '../../../shared/documents'
import type { EarlierVersion, KeptKitchen, KeptPot } from '../../../shared/household'
import type { KeptKind } from '../../../shared/names'
import { logger } from '../../logger'
import { documents, documentVersions } from '../schema'
import { kept, LimitReached, own, tellOthers, type Scope, type Transaction } from '../scope'

/** Documents of one kind that a household may keep. */
const MOST_KEPT = 300
/** Earlier versions of a document that are kept. */
const MOST_VERSIONS = 50

/** A version of a kitchen does not change: what was read of it is known for the next time. */
const readKitchens = new LRUCache<string, KeptKitchen>({ max: 200 })

type Row = typeof documents.$inferSelect

/** What the household keeps and changes: its kitchen, pots, dishes, dinners, portions. */
export function documentQueries(scope: Scope) {
  const { db, householdId, memberId } = scope
  const isOf = (kind: KeptKind, id: string) => and(eq(documents.kind, kind), eq(documents.id, id))
  const isLive = (kind: KeptKind) => and(kept(scope, documents), eq(documents.kind, kind))

  /** In today's shape; null for one that cannot be read, which is said. */
  function read<Kind extends KeptKind>(kind: Kind, row: Row): Kept<Contents[Kind]> | null {
    const { id, name, favourite, version, updatedAt } = row
    const found = readDocument(DOCUMENTS[kind], row.content)
    if (found.ok) return { id, name, favourite, content: found.value, version, updatedAt: updatedAt.toISOString() }
    logger.error('a kept document cannot be read', { kind, id, reason: found.reason })
    return null
  }

  /** Keeps what a document was before it is changed, with the transaction that changes it. */
  async function keepVersion(tx: Transaction, { kind, id, version, name, content, updatedAt }: Row): Promise<void> {
    await tx
      .insert(documentVersions)
      .values({ householdId, kind, documentId: id, version, name, content, savedAt: updatedAt })
      .onConflictDoNothing()
    await tx
      .delete(documentVersions)
      .where(and(isVersionOf(kind, id), lte(documentVersions.version, version - MOST_VERSIONS)))
  }
  const isVersionOf = (kind: KeptKind, id: string) =>
    and(own(scope, documentVersions), eq(documentVersions.kind, kind), eq(documentVersions.documentId, id))

  async function kitchen(): Promise<KeptKitchen | null> {
    const isOurs = and(own(scope, documents), isOf('kitchen', householdId))
    const before = readKitchens.get(householdId)
    if (before) {
      const [row] = await db.select({ version: documents.version }).from(documents).where(isOurs)
      if (row?.version === before.version) return before
    }
    const [row] = await db.select().from(documents).where(isOurs)
    if (!row) return null
    const { name, favourite, version, updatedAt } = row
    const content = readOwn(DOCUMENTS.kitchen, row.content)
    const now = { id: householdId, name, favourite, content, version, updatedAt: updatedAt.toISOString() }
    readKitchens.set(householdId, now)
    return now
  }

  return {
    kitchen,

    /** All of a kind, newest change first. One that cannot be read is passed over. */
    async documents<Kind extends KeptKind>(kind: Kind): Promise<Kept<Contents[Kind]>[]> {
      const rows = await db
        .select()
        .from(documents)
        .where(isLive(kind))
        .orderBy(desc(documents.updatedAt))
        .limit(MOST_KEPT)
      return rows.flatMap((row) => read(kind, row) ?? [])
    },

    async document<Kind extends KeptKind>(kind: Kind, id: string): Promise<Kept<Contents[Kind]> | null> {
      const [row] = await db
        .select()
        .from(documents)
        .where(and(isLive(kind), eq(documents.id, id)))
      return row ? read(kind, row) : null
    },

    /**
     * Keeps a document under its id; refused if it was changed since the version that was fetched. Sent twice, because
     * the first answer was lost, it is kept once. Throws `LimitReached` where there are too many.
     */
    async save<Kind extends KeptKind>(
      kind: Kind,
      id: string,
      given: ToSave<Contents[Kind]>,
    ): Promise<Kept<Contents[Kind]> | 'changed-meanwhile'> {
      const { version, content, favourite = false } = given
      const name = nameOf(kind, given)
      const values = { name, favourite, content, memberId, deletedAt: null, updatedAt: new Date() }
      return db.transaction(async (tx) => {
        const [before] = await tx
          .select()
          .from(documents)
          .where(and(own(scope, documents), isOf(kind, id)))
        const isNew = !before || before.deletedAt !== null
        if (isNew && (await tx.$count(documents, and(isLive(kind), ne(documents.id, id)))) >= MOST_KEPT)
          throw new LimitReached('too-many-kept', MOST_KEPT)
        if (before?.version === version) await keepVersion(tx, before)
        const [stored] = await tx
          .insert(documents)
          .values({ ...values, kind, id, householdId })
          .onConflictDoUpdate({
            target: [documents.householdId, documents.kind, documents.id],
            set: { ...values, version: version + 1 },
            setWhere: or(
              eq(documents.version, version),
              and(
                eq(documents.version, version + 1),
                eq(documents.name, name),
                eq(documents.favourite, favourite),
                sql`${documents.content} = ${JSON.stringify(content)}::jsonb`,
              ),
            ),
          })
          .returning()
        if (!stored) return 'changed-meanwhile'
        await tellOthers(scope, tx, kind, id)
        return read(kind, stored)!
      })
    },

    /** Marks it as gone; saving it again brings it back. False if there was none. */
    async remove(kind: KeptKind, id: string): Promise<boolean> {
      return db.transaction(async (tx) => {
        const gone = await tx
          .update(documents)
          .set({ deletedAt: new Date() })
          .where(and(isLive(kind), eq(documents.id, id)))
          .returning({ id: documents.id })
        if (gone.length > 0) await tellOthers(scope, tx, kind, id)
        return gone.length > 0
      })
    },

    /** What it was before each change, newest first, each in today's shape; what can no longer be read is passed over. */
    async earlier(kind: KeptKind, id: string): Promise<EarlierVersion[]> {
      const rows = await db
        .select()
        .from(documentVersions)
        .where(isVersionOf(kind, id))
        .orderBy(desc(documentVersions.version))
      return rows.flatMap(({ version, name, content, savedAt }): EarlierVersion[] => {
        const found = readDocument(DOCUMENTS[kind] as DocumentKind<unknown>, content)
        return found.ok ? [{ version, name, content: found.value, savedAt: savedAt.getTime() }] : []
      })
    },

    /** What soaked for this pot is in it now. Null if there is no such pot. */
    async endSoak(id: string): Promise<KeptPot | null> {
      return db.transaction(async (tx) => {
        const [row] = await tx
          .update(documents)
          .set({
            content: sql`jsonb_set(${documents.content}, '{soakingSince}', 'null')`,
            version: sql`${documents.version} + 1`,
            updatedAt: new Date(),
            memberId,
          })
          .where(and(isLive('pot'), eq(documents.id, id)))
          .returning()
        if (row) await tellOthers(scope, tx, 'pot', id)
        return row ? read('pot', row) : null
      })
    },
  }
}
