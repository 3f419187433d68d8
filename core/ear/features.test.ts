import { describe, expect, it } from 'vitest'
import { describeBurst, FEATURES } from './features'
import { Past } from './past'
import { BELOW, EAR_PARTS, FRAME_S } from './spectrum'

const QUIET_DB = -70
const at = (seconds: number) => Math.round(seconds / FRAME_S)
const BURST = { from: at(30), to: at(33) }

interface Sound {
  from: number
  to: number
  /** dB over quiet, by the second since it began. */
  riseDb: (seconds: number) => number
  parts: readonly number[]
}
const ALL = Array.from({ length: EAR_PARTS }, (_, part) => part)
const whistle = (change: Partial<Sound> = {}): Sound => ({ from: 30, to: 33, riseDb: () => 15, parts: ALL, ...change })

/** What 36 seconds with these sounds are like from second 30 to 33. */
function told(sounds: readonly Sound[], { crestDb = 0, wasWhistle = (_: number): boolean => false } = {}) {
  const past = new Past()
  for (let frame = 0; frame < at(36); frame++) {
    const seconds = frame * FRAME_S
    const db = new Float64Array(EAR_PARTS + 1).fill(QUIET_DB)
    for (const { from, to, riseDb, parts } of sounds)
      if (seconds >= from && seconds < to) for (const part of parts) db[part] = QUIET_DB + riseDb(seconds - from)
    past.take({ db, crestDb: new Float64Array(EAR_PARTS + 1).fill(crestDb) })
  }
  const likeness = describeBurst(past, BURST, EAR_PARTS, wasWhistle)
  const feature = (name: (typeof FEATURES)[number]) => likeness!.features[FEATURES.indexOf(name)]!
  return { likeness, feature }
}

describe('what a burst is like', () => {
  it('is nothing where nothing of the band stands out', () => {
    expect(told([]).likeness).toBeNull()
    expect(told([whistle({ riseDb: () => 0.4 })]).likeness).toBeNull()
    // What goes on before and after it is none of it.
    expect(told([whistle({ from: 20, to: 36 })]).likeness).toBeNull()
  })

  it('is how far it rises over what is around it, how long and how broad it is', () => {
    const { likeness, feature } = told([whistle()])
    expect(likeness!.riseDb.map(Math.round)).toEqual(ALL.map(() => 15))
    expect(likeness!.levelDb.map(Math.round)).toEqual(ALL.map(() => QUIET_DB + 15))
    expect(feature('bias')).toBe(1)
    expect(feature('rise')).toBeCloseTo(1.5, 2)
    expect(feature('rise squared')).toBeCloseTo(2.25, 2)
    expect(feature('length')).toBeCloseTo(Math.log(3 / 2), 6)
    expect(feature('length squared')).toBeCloseTo(0, 6)
    expect(feature('breadth')).toBeCloseTo(1, 2)
    expect(told([whistle({ parts: [2, 3] })]).feature('breadth')).toBeCloseTo(2 / EAR_PARTS, 2)
  })

  it('is how abruptly it begins and ends', () => {
    const sudden = told([whistle()])
    expect(sudden.feature('abrupt')).toBeCloseTo(1, 2)
    expect(sudden.feature('abrupt end')).toBeCloseTo(1, 2)
    const swelling = told([whistle({ riseDb: (seconds) => Math.min(15, 15 * seconds) })])
    expect(swelling.feature('abrupt')).toBeLessThan(0.2)
    expect(swelling.feature('abrupt end')).toBeCloseTo(1, 2)
    const dying = told([whistle({ riseDb: (seconds) => Math.min(15, 15 * (3 - seconds)) })])
    expect(dying.feature('abrupt')).toBeCloseTo(1, 2)
    expect(dying.feature('abrupt end')).toBeLessThan(0.2)
  })

  it('is whether it grows, by the second, either way', () => {
    const flat = told([whistle()]).feature('slope')
    const growing = told([whistle({ riseDb: (seconds) => 10 + 4 * seconds })]).feature('slope')
    const falling = told([whistle({ riseDb: (seconds) => 22 - 4 * seconds })]).feature('slope')
    expect(flat).toBeLessThan(0.15)
    expect(growing).toBeGreaterThan(flat + 0.15)
    expect(falling).toBeGreaterThan(flat + 0.15)
    expect(told([whistle({ riseDb: (seconds) => 6 + 8 * seconds })]).feature('slope')).toBeGreaterThan(growing + 0.2)
  })

  it('is whether voices and motors rise with it, and how much of it they are', () => {
    const alone = told([whistle()])
    const spoken = told([whistle(), whistle({ parts: [BELOW], riseDb: () => 12 })])
    expect(alone.feature('below')).toBeCloseTo(0, 2)
    expect(spoken.feature('below')).toBeCloseTo(1.2, 2)
    expect(spoken.feature('low share')).toBeGreaterThan(alone.feature('low share'))
    const loud = told([whistle(), whistle({ parts: [BELOW], riseDb: () => 25 })])
    expect(loud.feature('low share')).toBeGreaterThan(spoken.feature('low share'))
  })

  it('is how like a tone it is, which counts for more where it is abrupt', () => {
    const tone = told([whistle()], { crestDb: 6 })
    expect(tone.feature('tonality')).toBeCloseTo(1, 2)
    expect(tone.feature('abrupt tone')).toBeCloseTo(1, 2)
    const noise = told([whistle()], { crestDb: -3 })
    expect(noise.feature('tonality')).toBeCloseTo(-0.5, 2)
    expect(noise.feature('abrupt tone')).toBe(0)
  })

  it('is whether such a sound is usual here, but for what is known to have been a whistle', () => {
    const before = [8, 13, 18, 23].map((from) => whistle({ from, to: from + 3 }))
    expect(told([whistle()]).feature('usual')).toBe(0)
    const usual = told([...before, whistle()])
    expect(usual.feature('usual')).toBeGreaterThan(0.3)
    const known = told([...before, whistle()], {
      wasWhistle: (frame) => before.some(({ from, to }) => frame >= at(from) && frame < at(to)),
    })
    expect(known.feature('usual')).toBeLessThan(0.1)
    // Over all that was heard before it, too.
    expect(told([whistle()]).feature('over history')).toBeCloseTo(1.5, 1)
    expect(usual.feature('over history')).toBeLessThan(0.5)
  })

  it('is how much louder it is after than before, and how restless it is itself', () => {
    const tap = told([whistle(), whistle({ from: 33, to: 36, riseDb: () => 6 })])
    expect(tap.feature('uneven')).toBeCloseTo(0.6, 1)
    expect(told([whistle()]).feature('uneven')).toBeCloseTo(0, 2)
    expect(told([whistle()]).feature('restless')).toBeCloseTo(0, 2)
    const swaying = told([whistle({ riseDb: (seconds) => (seconds % 2 < 1 ? 10 : 20) })])
    expect(swaying.feature('restless')).toBeGreaterThan(1)
    expect(swaying.feature('sway') + swaying.feature('sway above')).toBeGreaterThan(0.9)
  })
})
