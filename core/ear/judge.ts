import type { Likeness } from './features'
import { ALONE, LIKE_EXAMPLE } from './weights'

/** The shape of this kitchen's whistle: how loud each part of it is, in dB against the loudest (0 or less). */
export type WhistleShape = readonly number[]

/** A sum of a few bent sums: each row weighs the features, is bent by tanh, and weighs in by its last figure. */
export interface Weights {
  rows: readonly (readonly number[])[]
  bias: number
}

/** Fainter parts are taken to be so faint. */
const FAINTEST_DB = -25
/** A part that rises less tells nothing of the sound. */
const LEAST_RISE_DB = 1.5
/** So far apart on average two whistles of a pot may be. */
const ALIKE_DB = 7

// Likeness to the pot's example, 0 to 1. Nine in ten of the whistles that the ear is fitted on lie above the first
// figure (half of the weak ones under noise), and fewer than one in fifty below the second.
const LIKE = 0.75
const UNLIKE = 0.5
/** More than this an example does not add, in log odds: what was hardly a whistle without it stays none. */
const MOST_ADDED = 2

/**
 * Log odds that a burst was a whistle. An example raises what is like it and lowers what is not; of the rest it says
 * nothing, so that it can do no harm.
 */
export function judge(burst: Likeness, shape: WhistleShape | null): number {
  const alone = weigh(ALONE, burst.features)
  if (!shape) return alone
  const like = likeness(burst, shape)
  const taught = weigh(LIKE_EXAMPLE, [...burst.features, like])
  return like > LIKE
    ? Math.max(alone, Math.min(taught, alone + MOST_ADDED))
    : like < UNLIKE
      ? Math.min(alone, taught)
      : alone
}

/** The bent sum of a burst's features. */
export function weigh({ rows, bias }: Weights, features: readonly number[]): number {
  let sum = bias
  for (const row of rows) {
    let bent = 0
    for (let i = 0; i < features.length; i++) bent += row[i]! * features[i]!
    sum += row[features.length]! * Math.tanh(bent)
  }
  return sum
}

/** The shape of the whistle that a burst is taken to be: what it adds to each part, against the part it adds most to. */
export function shapeOf({ riseDb, levelDb }: Likeness): WhistleShape {
  const added = levelDb.map((level, part) => addedDb(level, riseDb[part]!) ?? -Infinity)
  const most = Math.max(...added)
  return added.map((db) => Math.max(FAINTEST_DB, db - most))
}

/**
 * How alike a burst is to the example's shape, 0 to 1. Where noise hides a part, it is unlike only if the whistle would
 * have stood out there too.
 */
export function likeness({ riseDb, levelDb }: Likeness, shape: WhistleShape): number {
  // An example at fewer samples a second may lack the highest parts.
  const added = levelDb.slice(0, shape.length).map((level, part) => addedDb(level, riseDb[part]!))
  const known = Array.from(added.keys()).filter((part) => added[part] !== null && shape[part]! > FAINTEST_DB)
  if (known.length === 0) return 0
  // As loud as it has to be for the parts that the example's whistle is loudest in.
  const weight = (part: number) => 10 ** (shape[part]! / 20)
  const all = known.reduce((sum, part) => sum + weight(part), 0)
  const loudDb = known.reduce((sum, part) => sum + (weight(part) / all) * (added[part]! - shape[part]!), 0)
  const squares = added.map((db, part) => {
    const meantDb = loudDb + shape[part]!
    if (db === null) return Math.max(0, meantDb - levelDb[part]!) ** 2
    return (Math.max(loudDb + FAINTEST_DB, db) - meantDb) ** 2
  })
  return Math.exp(-squares.reduce((sum, one) => sum + one, 0) / squares.length / ALIKE_DB ** 2)
}

/** What a sound adds to a part that rises so much with it; null where that is not to be told. */
function addedDb(levelDb: number, riseDb: number): number | null {
  return riseDb < LEAST_RISE_DB ? null : levelDb + 10 * Math.log10(1 - 10 ** (-riseDb / 10))
}
