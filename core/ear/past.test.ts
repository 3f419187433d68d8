import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { AHEAD, Past } from './past'
import { EAR_PARTS } from './spectrum'

const BANDS = EAR_PARTS + 1
/** Whole dB, so that nothing is lost in single precision. */
const loudness = fc.integer({ min: -110, max: 0 })
const frames = fc.array(fc.array(loudness, { minLength: BANDS, maxLength: BANDS }), { minLength: 1, maxLength: 90 })

function heard(all: readonly number[][]): Past {
  const past = new Past()
  for (const db of all) past.take({ db: Float64Array.from(db), crestDb: Float64Array.from(db, (one) => one + 1) })
  return past
}

describe('the last forty seconds', () => {
  it('keep every level and crest as it was heard', () => {
    fc.assert(
      fc.property(frames, (all) => {
        const past = heard(all)
        expect(past.count).toBe(all.length)
        expect(past.first).toBe(0)
        all.forEach((db, frame) =>
          db.forEach((one, band) => {
            expect(past.level(frame, band)).toBe(one)
            expect(past.crest(frame, band)).toBe(one + 1)
          }),
        )
      }),
      { numRuns: 20 },
    )
  })

  it('know of every frame what three in ten of the half second around it stay below', () => {
    fc.assert(
      fc.property(frames, (all) => {
        const past = heard(all)
        for (let frame = 0; frame + AHEAD < all.length; frame++)
          for (let band = 0; band < BANDS; band++) {
            const around = all.slice(Math.max(0, frame - AHEAD), frame + AHEAD + 1).map((db) => db[band]!)
            const sorted = around.sort((a, b) => a - b)
            // Of less than the half second, at the beginning, as great a share.
            const rank = Math.floor(0.3 * (frame < AHEAD ? frame + AHEAD : sorted.length))
            expect(past.steady(frame, band)).toBe(sorted[rank])
          }
      }),
      { numRuns: 20 },
    )
  })

  it('lose a click and a gap, and keep a sound that lasts', () => {
    const quiet = Array.from({ length: BANDS }, () => -80)
    const loud = quiet.map(() => -20)
    const clicked = Array.from({ length: 75 }, (_, i) => (i >= 35 && i < 40 ? loud : quiet))
    const whistled = Array.from({ length: 75 }, (_, i) => (i >= 20 && i < 60 && i !== 40 ? loud : quiet))
    expect(heard(clicked).steady(37, 0)).toBe(-80)
    expect(heard(whistled).steady(40, 0)).toBe(-20)
  })

  it('go on for as long as anybody listens, and are no longer than that', () => {
    const one = Array.from({ length: BANDS }, () => -50)
    const past = heard(Array.from({ length: 3000 }, (_, i) => one.map((db) => db - (i % 20))))
    expect(past.first).toBe(past.count - 2048)
    for (const frame of [past.first, 2500, 2999]) expect(past.level(frame, 3)).toBe(-50 - (frame % 20))
  })
})
