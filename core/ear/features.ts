import type { Burst } from './bursts'
import type { Past } from './past'
import { BELOW, FRAME_S } from './spectrum'

const frames = (seconds: number) => Math.round(seconds / FRAME_S)
const EDGE = frames(0.2)
const BEFORE = frames(1)
const AFTER = frames(0.6)
/** A burst is looked at when so much after it was heard. */
export const KNOWN_AFTER = EDGE + AFTER
const HISTORY = frames(25)
const HISTORY_STEP = frames(0.2)
/** So many moments of it say what is usual here. */
const HISTORY_ENOUGH = 25
/** The band below sways by so much of itself. */
const LOW_SWAY_DB = 1.5
const JUMP = 2
const JUMP_WITHIN = frames(0.4)

/** What a burst is like. */
export interface Likeness {
  /** One figure for each of FEATURES, about 0 to 1. */
  features: number[]
  /** dB by which each part rises over both what was before and what is after it. */
  riseDb: number[]
  /** And how loud each is. */
  levelDb: number[]
}

export const FEATURES = [
  'bias',
  'rise',
  'rise squared',
  'length',
  'length squared',
  'sway',
  'sway above',
  'below',
  'low share',
  'breadth',
  'tonality',
  'abrupt',
  'abrupt tone',
  'abrupt end',
  'over history',
  'usual',
  'slope',
  'uneven',
  'restless',
] as const

/**
 * Describes a burst by what is heard before, during and after it; null if nothing of the band stands out in it.
 * `wasWhistle` says of a frame whether it is known to be one of a whistle: then it tells nothing of the kitchen.
 */
export function describeBurst(
  past: Past,
  { from, to }: Burst,
  parts: number,
  wasWhistle: (frame: number) => boolean,
): Likeness | null {
  const edge = Math.min(EDGE, Math.floor((to - from) / 5))
  const middle: [number, number] = [from + edge, to - edge]
  const before: [number, number] = [Math.max(past.first, from - EDGE - BEFORE), Math.max(past.first + 1, from - EDGE)]
  const after: [number, number] = [to + EDGE, to + EDGE + AFTER]
  const riseDb: number[] = []
  const levelDb: number[] = []
  const uneven: number[] = []
  const restless: number[] = []
  let weight = 0
  for (let part = 0; part < parts; part++) {
    // Of whole arrays of numbers the machine knows how to sort them itself, many times as fast.
    const values = new Float64Array(Math.ceil((middle[1] - middle[0]) / 2))
    for (let i = 0; i < values.length; i++) values[i] = past.steady(middle[0] + 2 * i, part)
    values.sort()
    const level = values[values.length >> 1]!
    const was = meanOf(past, before, part)
    const is = meanOf(past, after, part)
    levelDb.push(level)
    riseDb.push(level - Math.max(was, is))
    uneven.push(was - is)
    restless.push(values[Math.floor(0.8 * values.length)]! - values[Math.floor(0.2 * values.length)]!)
    weight += Math.max(0, riseDb[part]!) ** 2
  }
  if (weight < 4) return null
  const shares = riseDb.map((rise) => Math.max(0, rise) ** 2 / weight)
  const weighed = (values: readonly number[]) => values.reduce((sum, one, part) => sum + shares[part]! * one, 0)
  const level = (frame: number) => {
    let sum = 0
    for (let part = 0; part < parts; part++) sum += shares[part]! * past.level(frame, part)
    return sum
  }

  const rise = weighed(riseDb)
  const during = new Float64Array(middle[1] - middle[0])
  let crest = 0
  let slope = 0
  const half = (middle[1] - middle[0]) / 2
  for (let frame = middle[0]; frame < middle[1]; frame++) {
    const now = level(frame)
    during[frame - middle[0]] = now
    slope += now * (frame - middle[0] - half)
    for (let part = 0; part < parts; part++) crest += shares[part]! * past.crest(frame, part)
  }
  slope /= ((2 * half) ** 3 / 12) * FRAME_S
  crest /= during.length
  during.sort()
  const at = (share: number) => during[Math.floor(share * during.length)]!
  const mostRise = Math.max(...riseDb)

  let up = 0
  for (let frame = Math.max(past.first, from - JUMP_WITHIN); frame < from + JUMP_WITHIN; frame++)
    up = Math.max(up, level(frame + JUMP) - level(frame))
  let down = 0
  for (let frame = to - JUMP_WITHIN; frame < to + JUMP_WITHIN; frame++)
    down = Math.max(down, level(frame) - level(frame + JUMP))

  const plateau = weighed(levelDb)
  const history: number[] = []
  for (let frame = from - EDGE; frame >= Math.max(past.first, from - HISTORY); frame -= HISTORY_STEP) {
    if (wasWhistle(frame)) continue
    let sum = 0
    for (let part = 0; part < parts; part++) sum += shares[part]! * past.steady(frame, part)
    history.push(sum)
  }
  history.sort((a, b) => a - b)
  const usual = history.filter((one) => one > plateau - rise / 2).length / Math.max(10, history.length)
  const loudest = history[Math.floor(0.92 * history.length)] ?? plateau - rise

  const lengthS = (to - from) * FRAME_S
  const below = meanOf(past, middle, BELOW)
  const belowElse = Math.max(meanOf(past, before, BELOW), meanOf(past, after, BELOW))
  const added = riseDb.reduce((sum, one, part) => sum + addedPower(levelDb[part]!, levelDb[part]! - one), 0)
  const lowShareDb = 10 * Math.log10((addedPower(below, belowElse + LOW_SWAY_DB) + 1e-12) / (added + 1e-12))
  const tonality = clamp(crest / 6, -0.5, 1.5)
  const abrupt = clamp(up / rise, 0, 1)
  return {
    riseDb,
    levelDb,
    features: [
      1,
      clamp(rise / 10, 0, 2.5),
      clamp(rise / 10, 0, 2.5) ** 2,
      Math.log(lengthS / 2),
      Math.log(lengthS / 3) ** 2,
      clamp((at(0.5) - at(0.1)) / 5, 0, 3),
      clamp((at(0.9) - at(0.5)) / 5, 0, 3),
      clamp((below - belowElse) / 10, -0.5, 2),
      clamp(lowShareDb / 10, -3, 2),
      riseDb.reduce((sum, one) => sum + clamp(one / mostRise, 0, 1), 0) / parts,
      tonality,
      abrupt,
      abrupt * Math.max(0, tonality),
      clamp(down / rise, 0, 1),
      clamp((plateau - loudest) / 10, -1, 2) * Math.min(1, history.length / HISTORY_ENOUGH),
      usual,
      clamp(Math.abs(slope) / 10, 0, 2),
      clamp(Math.abs(weighed(uneven)) / 10, 0, 2),
      clamp(weighed(restless) / 5, 0, 3),
    ],
  }
}

const addedPower = (db: number, elseDb: number) => Math.max(0, 10 ** (db / 10) - 10 ** (elseDb / 10))

function meanOf(past: Past, [from, to]: readonly [number, number], part: number): number {
  let sum = 0
  let count = 0
  for (let frame = from; frame < to; frame += 2, count++) sum += past.steady(frame, part)
  return sum / count
}

const clamp = (value: number, least: number, most: number) => Math.max(least, Math.min(most, value))
