import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { COMMON_PRACTICE } from './common-practice'
import { modelText, practicePlan } from './docs'

describe('the generated documents', () => {
  // npm run docs brings it up to date.
  it('the table of docs/model.md is current', async () => {
    const now = readFileSync('docs/model.md', 'utf8')
    expect(await modelText(now)).toBe(now)
  })
})

describe('the figure that is told, beside common practice', () => {
  /** What is told over the middle of what is common, for each of the 56 figures. */
  function shares(electric: boolean) {
    return COMMON_PRACTICE.flatMap(({ food, ...common }) =>
      [true, false].map((soaked) => {
        const span = common[`${electric ? 'minutes' : 'whistles'}${soaked ? 'Soaked' : 'Dry'}`]!.split('–').map(Number)
        const middle = (span[0]! + span.at(-1)!) / 2
        const { range, clock } = practicePlan(food, soaked, electric)!
        return { share: range.figure / middle, off: Math.abs(range.figure - middle), first: clock.pressureAtMinute! }
      }),
    )
  }
  const median = (of: { share: number }[]) => of.map(({ share }) => share).sort((a, b) => a - b)[of.length >> 1]!
  const near = (of: { share: number; off: number }[]) =>
    of.filter(({ share, off }) => Math.abs(share - 1) <= 0.3 || off <= 1).length

  it('is near to most whistle counts, and the first comes soon', () => {
    const whistles = shares(false)
    expect(whistles.length).toBe(56)
    expect(near(whistles)).toBeGreaterThanOrEqual(48)
    expect(median(whistles)).toBeGreaterThan(0.85)
    expect(median(whistles)).toBeLessThanOrEqual(1.2)
    expect(Math.max(...whistles.map(({ first }) => first))).toBeLessThan(16)
  })

  it('is near to most electric charts', () => {
    const minutes = shares(true)
    expect(near(minutes)).toBeGreaterThanOrEqual(40)
    expect(median(minutes)).toBeGreaterThan(0.85)
    expect(median(minutes)).toBeLessThan(1.2)
  })
})
