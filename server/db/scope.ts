import { and, eq, isNull, sql, type SQL } from 'drizzle-orm'
import type { AnyPgColumn } from 'drizzle-orm/pg-core'
import type { ChangeEvent } from '../../shared/run.schema'
import { CHANGE_CHANNEL, type Database } from './client'

/** Whose rows a query may see, and who asks. Every query of the application goes through one of these. */
export interface Scope {
  db: Database
  householdId: string
  memberId: string | null
  /** Where they sit; null for who has not signed in. */
  deviceId?: string | null
}

export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]

/** Rows of the household. */
export function own({ householdId }: Scope, table: { householdId: AnyPgColumn }): SQL {
  return eq(table.householdId, householdId)
}

/** Rows of the household that have not been taken off. */
export function kept(scope: Scope, table: { householdId: AnyPgColumn; deletedAt: AnyPgColumn }): SQL {
  return and(own(scope, table), isNull(table.deletedAt))!
}

/**
 * Tells every server process, and through them every device, that a document has changed; with the transaction in
 * which it is asked, or not at all.
 */
export async function tellOthers(
  { householdId }: Pick<Scope, 'householdId'>,
  db: Pick<Database, 'execute'>,
  kind: ChangeEvent['kind'],
  id: string,
): Promise<void> {
  const changeEvent: ChangeEvent = { householdId, kind, id }
  await db.execute(sql`select pg_notify(${CHANGE_CHANNEL}, ${JSON.stringify(changeEvent)})`)
}

/** More than a household may keep of something; answered with its sentence (server/error.ts). */
export class LimitReached extends Error {
  constructor(
    readonly code: 'too-many-kept' | 'too-many-runs' | 'too-many-in-log' | 'too-many-plans' | 'too-many-events',
    readonly max: number,
  ) {
    super(code)
  }
}
