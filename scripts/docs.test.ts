import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { COMMON_PRACTICE } from './common-practice'
import { modelRange, modelText, SCHEMAS } from './docs'

// What is generated must be what the code would generate now: npm run docs brings it up to date.
describe('the generated documents', () => {
  it.each(Object.entries(SCHEMAS))('%s is current', async (file, text) => {
    expect(readFileSync(file, 'utf8')).toBe(await text())
  })

  it('the table of docs/model.md is current', async () => {
    const now = readFileSync('docs/model.md', 'utf8')
    expect(await modelText(now)).toBe(now)
  })
})

describe('the model beside common practice', () => {
  /** Of these common figures, how many have their middle within the range that the model gives. */
  function within(soaked: boolean, electric: boolean) {
    const key = `${electric ? 'minutes' : 'whistles'}${soaked ? 'Soaked' : 'Dry'}` as const
    const held = COMMON_PRACTICE.map(({ food, ...common }) => {
      const span = common[key]!.split('–').map(Number)
      const { low, high } = modelRange(food, soaked, electric)!
      // A span of counts is met by any of them.
      return low <= span.at(-1)! && span[0]! <= high
    })
    return { held: held.filter(Boolean).length, of: held.length }
  }

  it('holds nearly every whistle count that cooks commonly use in its range', () => {
    const [soaked, dry] = [within(true, false), within(false, false)]
    expect(soaked.of + dry.of).toBe(56)
    expect(soaked.held + dry.held).toBeGreaterThanOrEqual(53)
  })

  it('lies below the electric charts, which allow for any bag, and by how much is known', () => {
    const shares = COMMON_PRACTICE.flatMap(({ food, minutesSoaked, minutesDry }) =>
      [
        [minutesSoaked, true],
        [minutesDry, false],
      ].map(([text, soaked]) => {
        const span = (text as string).split('–').map(Number)
        const middle = (span[0]! + span.at(-1)!) / 2
        return modelRange(food, soaked as boolean, true)!.figure / middle
      }),
    ).sort((a, b) => a - b)
    const median = shares[shares.length >> 1]!
    expect(median).toBeGreaterThan(0.5)
    expect(median).toBeLessThan(0.95)
  })
})
