import { describe, expect, it } from 'vitest'
import { judge, likeness, shapeOf, weigh } from './judge'
import { ALONE } from './weights'

/** A burst that stands out of quiet by 20 dB in every part: what it adds is nearly what is heard. */
const heard = (levelDb: number[], riseDb = levelDb.map(() => 20)) => ({
  features: ALONE.rows[0]!.slice(1).map(() => 0.5),
  levelDb,
  riseDb,
})
const example = heard([-30, -20, -26, -60])
const shape = shapeOf(example)

describe('the shape of a whistle', () => {
  it('is told against the loudest part, and no part is fainter than the faintest', () => {
    expect(shape.map(Math.round)).toEqual([-10, 0, -6, -25])
  })

  it('holds nothing of what was there before it', () => {
    // A part that rose by 3 dB was as loud before as what was added to it; one that did not rise adds nothing.
    const [first, second, third] = shapeOf(heard([-20, -20, -20], [20, 3.01, 0.5]))
    expect(first).toBe(0)
    expect(second).toBeCloseTo(-3, 1)
    expect(third).toBe(-25)
  })
})

describe('how alike a burst is to the example', () => {
  it('is all of it for the same, however loud', () => {
    expect(likeness(example, shape)).toBeCloseTo(1, 6)
    expect(likeness(heard([-50, -40, -46, -80]), shape)).toBeCloseTo(1, 6)
  })

  it('falls with every part that is louder or fainter than it should be', () => {
    const by = (part: number, db: number) =>
      likeness(heard(example.levelDb.map((level, i) => (i === part ? level + db : level))), shape)
    expect(by(2, 6)).toBeLessThan(0.95)
    expect(by(2, 12)).toBeLessThan(by(2, 6))
    expect(by(2, -12)).toBeLessThan(by(2, -6))
    // What the example had nothing of makes it another sound, however loud the rest.
    expect(by(3, 45)).toBeLessThan(0.3)
  })

  it('does not hold against it what noise hides, and does where it would have stood out', () => {
    const hidden = (levelDb: number) => likeness(heard([-30, -20, levelDb, -60], [20, 20, 0, 20]), shape)
    expect(hidden(-10)).toBeCloseTo(likeness(heard([-30, -20, -26, -60]), shape), 2)
    expect(hidden(-50)).toBeLessThan(0.3)
  })

  it('is none where nothing of the whistle rose', () => {
    expect(likeness(heard([-30, -20, -26, -60], [0, 0, 0, 20]), shape)).toBe(0)
    expect(likeness(heard([-30, -20, -26, -60], [0, 0, 0, 0]), shape)).toBe(0)
  })

  it('is told by the parts that are there where the example has fewer', () => {
    expect(likeness(heard([-30, -20, -26, -60, -5]), shape)).toBeCloseTo(1, 6)
  })
})

describe('what a burst is taken for', () => {
  const alone = weigh(ALONE, example.features)

  it('is the features’ alone without an example, and where it is neither like nor unlike', () => {
    expect(judge(example, null)).toBe(alone)
  })

  it('is never lowered by likeness, never raised by unlikeness, and raised by so much at most', () => {
    expect(judge(example, shape)).toBeGreaterThanOrEqual(alone)
    expect(judge(example, shape)).toBeLessThanOrEqual(alone + 2)
    const other = heard([-60, -60, -60, -10])
    expect(likeness(other, shape)).toBeLessThan(0.5)
    expect(judge(other, shape)).toBeLessThanOrEqual(weigh(ALONE, other.features))
  })
})
