import { randomBytes } from 'node:crypto'
import { eq } from 'drizzle-orm'
import { households } from '../schema'
import type { Scope } from '../scope'

/** Nobody guesses so many. */
const TOKEN_BYTES = 24

/** The private address from which a calendar reads the dinners. */
export function calendarQueries({ db, householdId }: Scope) {
  const own = eq(households.id, householdId)
  const set = (calendarToken: string | null) => db.update(households).set({ calendarToken }).where(own)
  return {
    async calendarToken(): Promise<string | null> {
      const [found] = await db.select({ token: households.calendarToken }).from(households).where(own)
      return found?.token ?? null
    },
    /** Makes a new address; the one before it no longer opens anything. */
    async newCalendarToken(): Promise<string> {
      const token = randomBytes(TOKEN_BYTES).toString('base64url')
      await set(token)
      return token
    },
    async removeCalendarToken(): Promise<void> {
      await set(null)
    },
  }
}
