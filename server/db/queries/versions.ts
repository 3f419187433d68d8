import { and, desc, eq, lte } from 'drizzle-orm'
import { readDocument } from '../../../shared/document'
import { DOCUMENTS, type VersionedKind } from '../../../shared/documents'
import type { EarlierVersion } from '../../../shared/household'
import type { ChangeEvent } from '../../../shared/run.schema'
import type { Database } from '../client'
import { documentVersions } from '../schema'
import { own, type Scope } from '../scope'

/** So many earlier ones of a document are kept. */
const MOST = 50

interface Before {
  id: string
  version: number
  name: string
  content: unknown
  savedAt: Date
}

/** Puts by what a document was before it is changed, with the transaction that changes it. */
export async function putBy(
  scope: Scope,
  tx: Pick<Database, 'insert' | 'delete'>,
  kind: ChangeEvent['kind'],
  { id, version, name, content, savedAt }: Before,
): Promise<void> {
  const { householdId } = scope
  await tx
    .insert(documentVersions)
    .values({ householdId, kind, documentId: id, version, name, content, savedAt })
    .onConflictDoNothing()
  await tx.delete(documentVersions).where(and(isOf(scope, kind, id), lte(documentVersions.version, version - MOST)))
}

const isOf = (scope: Scope, kind: ChangeEvent['kind'], id: string) =>
  and(own(scope, documentVersions), eq(documentVersions.kind, kind), eq(documentVersions.documentId, id))

/** What kept documents were. */
export function versionQueries(scope: Scope) {
  const { db } = scope
  return {
    /** Newest first, each in today's shape; what can no longer be read is passed over. */
    async earlier(kind: VersionedKind, id: string): Promise<EarlierVersion[]> {
      const rows = await db
        .select()
        .from(documentVersions)
        .where(isOf(scope, kind, id))
        .orderBy(desc(documentVersions.version))
      return rows.flatMap(({ version, name, content, savedAt }): EarlierVersion[] => {
        const read = readDocument(DOCUMENTS[kind], content)
        return read.ok ? [{ version, name, content: read.value, savedAt: savedAt.getTime() }] : []
      })
    },
  }
}
