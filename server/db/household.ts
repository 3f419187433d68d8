import { asc, eq } from 'drizzle-orm'
import type { Database } from './client'
import { dishQueries } from './queries/dishes'
import { eventQueries } from './queries/events'
import { calendarQueries } from './queries/calendar'
import { kitchenQueries } from './queries/kitchen'
import { logFileQueries } from './queries/log-file'
import { learningQueries } from './queries/learning'
import { mealQueries } from './queries/meals'
import { photoQueries } from './queries/photos'
import { portionQueries } from './queries/portions'
import { potQueries } from './queries/pots'
import { runQueries } from './queries/runs'
import { households, members } from './schema'
import type { Scope } from './scope'

/** Who asks: a household, and the member of it that sits at the device. */
export interface Asker {
  householdId: string
  memberId: string | null
}

/**
 * Everything the database holds of one household, for one member of it. All queries of the application are in
 * queries/, and each is scoped by the household, so none can see or touch another's rows.
 */
export function householdStore(db: Database, asker: Asker) {
  const scope: Scope = { db, ...asker }
  const runs = runQueries(scope)
  return {
    ...asker,
    ...kitchenQueries(scope),
    ...calendarQueries(scope),
    ...potQueries(scope),
    ...dishQueries(scope),
    ...mealQueries(scope),
    ...portionQueries(scope),
    ...photoQueries(scope),
    ...runs,
    ...eventQueries(scope, runs.run),
    ...learningQueries(scope),
    ...logFileQueries(scope),
  }
}

export type HouseholdStore = ReturnType<typeof householdStore>

/** The household that a join link opens, or null. */
export async function householdByToken(db: Database, token: string): Promise<string | null> {
  const [found] = await db.select({ id: households.id }).from(households).where(eq(households.joinToken, token))
  return found?.id ?? null
}

/** The household whose calendar this address is, or null. */
export async function householdByCalendar(db: Database, token: string): Promise<string | null> {
  const [found] = await db.select({ id: households.id }).from(households).where(eq(households.calendarToken, token))
  return found?.id ?? null
}

/** The first member of a household: whoever sits at a device that has not said who it is. */
export async function firstMember(db: Database, householdId: string): Promise<string | null> {
  const [found] = await db
    .select({ id: members.id })
    .from(members)
    .where(eq(members.householdId, householdId))
    .orderBy(asc(members.createdAt))
    .limit(1)
  return found?.id ?? null
}
