import type { MemberRole } from '../../shared/names'
import type { Database } from './client'
import { archiveQueries } from './queries/archive'
import { dishQueries } from './queries/dishes'
import { eventQueries } from './queries/events'
import { calendarQueries } from './queries/calendar'
import { kitchenQueries } from './queries/kitchen'
import { logFileQueries } from './queries/log-file'
import { learningQueries } from './queries/learning'
import { mealQueries } from './queries/meals'
import { peopleQueries } from './queries/people'
import { photoQueries } from './queries/photos'
import { portionQueries } from './queries/portions'
import { potQueries } from './queries/pots'
import { runQueries } from './queries/runs'
import { versionQueries } from './queries/versions'
import type { Scope } from './scope'

/** Who asks: a household, the member of it that sits at the device, and the device, where it is known. */
export interface Asker {
  householdId: string
  memberId: string | null
  role: MemberRole
  deviceId: string | null
  /** The household was taken away, and can be had back for a while. */
  isLeaving: boolean
}

/**
 * Everything the database holds of one household, for one member of it. All queries of the application are in
 * queries/, and each is scoped by the household, so none can see or touch another's rows.
 */
export function householdStore(db: Database, asker: Asker) {
  const scope: Scope = { db, ...asker }
  const runs = runQueries(scope)
  const log = logFileQueries(scope)
  return {
    ...asker,
    ...kitchenQueries(scope),
    ...calendarQueries(scope),
    ...potQueries(scope),
    ...dishQueries(scope),
    ...mealQueries(scope),
    ...portionQueries(scope),
    ...photoQueries(scope),
    ...peopleQueries(scope),
    ...versionQueries(scope),
    ...runs,
    ...eventQueries(scope, runs.planOfRun),
    ...learningQueries(scope),
    ...log,
    ...archiveQueries(scope, log),
  }
}

export type HouseholdStore = ReturnType<typeof householdStore>
