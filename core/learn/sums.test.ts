import { describe, expect, it } from 'vitest'
import { believedOf, NOTHING_LEARNT } from './sums'

describe('what was learnt, from what was sent', () => {
  // Two figures of which one knows better the more of the other.
  const learnt = believedOf({
    ids: ['need bean', 'taste', 'loss pot'],
    means: [0.2, -0.1, 0.05],
    rows: [[0.04], [-0.01, 0.09], [0, 0, 0.01]],
    said: { 'loss pot': 1.4 },
  })
  const of = (...terms: [string, number][]) => learnt.of(new Map(terms))

  it('tells one figure as it is', () => {
    expect(of(['need bean', 1])).toEqual({ mean: 0.2, sd: expect.closeTo(0.2, 12) })
    expect(of(['taste', 1])).toEqual({ mean: -0.1, sd: expect.closeTo(0.3, 12) })
  })

  it('adds figures up with what they have in common, in whatever order', () => {
    const sum = { mean: expect.closeTo(0.1, 12), sd: expect.closeTo(Math.sqrt(0.04 + 0.09 - 0.02), 12) }
    expect(of(['need bean', 1], ['taste', 1])).toEqual(sum)
    expect(of(['taste', 1], ['need bean', 1])).toEqual(sum)
  })

  it('counts each so many times', () => {
    expect(of(['need bean', 2], ['taste', -1])).toEqual({
      mean: expect.closeTo(0.5, 12),
      sd: expect.closeTo(Math.sqrt(4 * 0.04 + 0.09 + 4 * 0.01), 12),
    })
    expect(of()).toEqual({ mean: 0, sd: 0 })
  })

  it('knows what it knows, and what the kitchen said of it then', () => {
    expect(learnt.has('taste')).toBe(true)
    expect(learnt.has('swing pot')).toBe(false)
    expect(() => of(['swing pot', 1])).toThrow('swing pot')
    expect(learnt.saidOf('loss pot')).toBe(1.4)
    expect(learnt.saidOf('taste')).toBeNull()
    expect(believedOf(NOTHING_LEARNT).has('taste')).toBe(false)
  })

  it('is never less than sure, whatever rounding made of it', () => {
    const rounded = believedOf({ ids: ['a', 'b'], means: [0, 0], rows: [[1], [-1.0001, 1]], said: {} })
    expect(
      rounded.of(
        new Map([
          ['a', 1],
          ['b', 1],
        ]),
      ).sd,
    ).toBe(0)
  })
})
