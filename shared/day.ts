import { tz } from '@date-fns/tz'
import { addDays, differenceInCalendarDays, formatISO, parseISO } from 'date-fns'

const asDate = { representation: 'date' } as const

/** The calendar day of a moment (ms since 1970) in a time zone, as 2026-03-07. */
export const dayIn = (ms: number, timeZone: string): string => formatISO(ms, { ...asDate, in: tz(timeZone) })

/** The day so many days later. */
export const dayAfter = (day: string, days: number): string => formatISO(addDays(parseISO(day), days), asDate)

/** Days from one to the other; negative where it lies before. */
export const daysBetween = (from: string, to: string): number => differenceInCalendarDays(parseISO(to), parseISO(from))

/** Whether a name is one of the time zones that this machine knows. */
export function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name })
    return true
  } catch {
    return false
  }
}
