import { describe, expect, it } from 'vitest'
import { MINUTE_MS } from '../measure/time'
import { upcoming } from './upcoming'

const NOW = Date.parse('2026-03-07T18:00:00Z')
const stage = (startMinute: number, minutes: number) => ({ startMinute, minutes })
/** A fry, a pot, a gravy beside the pot, and what brings them together. */
const STAGES = [stage(0, 8), stage(8, 40), stage(20, 12), stage(48, 5)]
const minutes = (of: number[]) => of.map((ms) => (ms - NOW) / MINUTE_MS)

describe('when the stages after one begin', () => {
  it('is as planned where that one ends as planned', () => {
    expect(minutes(upcoming(STAGES, 0, { endMs: NOW + 8 * MINUTE_MS, nowMs: NOW }))).toEqual([8, 20, 48])
  })

  it('is later by what a pot takes longer, and sooner by what it is over sooner', () => {
    const after = (end: number) => minutes(upcoming(STAGES, 1, { endMs: NOW + end * MINUTE_MS, nowMs: NOW }))
    expect(after(40)).toEqual([12, 40])
    expect(after(55)).toEqual([27, 55])
    expect(after(33)).toEqual([5, 33])
  })

  it('is never past', () => {
    const end = NOW + 3 * MINUTE_MS
    expect(minutes(upcoming(STAGES, 1, { endMs: end, nowMs: NOW }))).toEqual([0, 3])
    expect(minutes(upcoming(STAGES, 2, { endMs: NOW - 60 * MINUTE_MS, nowMs: NOW }))).toEqual([0])
  })

  it('is nothing after the last', () => {
    expect(upcoming(STAGES, 3, { endMs: NOW, nowMs: NOW })).toEqual([])
    expect(upcoming(STAGES, 4, { endMs: NOW, nowMs: NOW })).toEqual([])
  })
})
