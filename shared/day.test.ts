import { describe, expect, it } from 'vitest'
import { dayAfter, dayIn, daysBetween, isTimeZone } from './day'

describe('a calendar day', () => {
  it('is that of its time zone', () => {
    const four = Date.parse('2026-11-26T22:30:00Z')
    expect(dayIn(four, 'Asia/Kolkata')).toBe('2026-11-27')
    expect(dayIn(four, 'Europe/Madrid')).toBe('2026-11-26')
    expect(dayIn(Date.parse('2026-11-27T03:00:00Z'), 'America/Mexico_City')).toBe('2026-11-26')
  })

  it('is counted by days, over a change to summer time too', () => {
    expect(dayAfter('2026-03-28', 2)).toBe('2026-03-30')
    expect(daysBetween('2026-03-28', '2026-03-30')).toBe(2)
    expect(daysBetween('2027-01-01', '2026-12-31')).toBe(-1)
  })

  it('has a zone that exists', () => {
    expect(isTimeZone('Asia/Kolkata')).toBe(true)
    expect(isTimeZone('Asia/Nowhere')).toBe(false)
    expect(isTimeZone('')).toBe(false)
  })
})
