import { describe, expect, it } from 'vitest'
import { plan } from '../../core/program/plan'
import { accidents, ACCIDENT_STYLES, countAccidents, type AccidentStyle } from './accidents'

// `npx tsx scripts/bench-accidents.ts 500` goes through five hundred of each.
describe('drawn runs at pots that are not the product’s own', () => {
  it.each(Object.keys(ACCIDENT_STYLES) as AccidentStyle[])(
    'never run dry with the advice followed, and no beans with lectin come out far short without a word: %s',
    (style) => {
      const { cooked, dry, below75Unwarned, late } = countAccidents(accidents(8, style, plan))
      expect(cooked).toBeGreaterThan(5)
      expect([dry, late, below75Unwarned]).toEqual([0, 0, 0])
    },
    300_000,
  )

  it('are called off before they are dry when nobody counts any more', () => {
    const { dry, late, cooked } = countAccidents(accidents(8, 'whistles', plan, { deafAfter: 3 }))
    expect([cooked, dry, late]).toEqual([8, 0, 0])
  }, 300_000)
})
