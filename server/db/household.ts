import type { MemberRole } from '../../shared/names'
import type { Database } from './client'
import { archiveQueries } from './queries/archive'
import { begunQueries } from './queries/begun'
import { documentQueries } from './queries/documents'
import { eventQueries } from './queries/events'
import { calendarQueries } from './queries/calendar'
import { logFileQueries } from './queries/log-file'
import { learningQueries } from './queries/learning'
import { peopleQueries } from './queries/people'
import { photoQueries } from './queries/photos'
import { runQueries } from './queries/runs'
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
    ...documentQueries(scope),
    ...begunQueries(scope),
    ...calendarQueries(scope),
    ...photoQueries(scope),
    ...peopleQueries(scope),
    ...runs,
    ...eventQueries(scope, runs.planOfRun),
    ...learningQueries(scope),
    ...log,
    ...archiveQueries(scope, log),
  }
}

export type HouseholdStore = ReturnType<typeof householdStore>
