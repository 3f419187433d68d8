/**
 * Which of the whistles that a pot should give were heard. Some are missed, and some of what is counted was
 * none; what tells them apart is the time between one and the next.
 */
export interface Heard {
  /** Minutes from lighting, in order. */
  minutes: readonly number[]
  /** The cook has vouched for it. */
  standing: readonly boolean[]
  /** The cook says that none slipped by before it. */
  noneMissedBefore: readonly boolean[]
  /** Until when it was listened, in minutes from lighting. */
  untilMinute: number
  /** The cook says that after the last one none came until then; 0 where nothing was said. */
  noneMissedUntilMinute: number
}

export interface Match {
  /** Log likelihood of what was heard. */
  score: number
  /** Per whistle heard, which of the expected ones it is; null for one that was none. */
  of: (number | null)[]
}

/** A time between two whistles that a pot would give, so many of which were missed between them. */
interface ExpectedGap {
  /** The expected one at which it begins; -1 where that is lighting. */
  last: number
  missed: number
  expectedMinutes: number
  sd: number
  /** Log likelihood of all but how well it is hit. */
  log: number
}

/** One whistle in ten slips by, and one counted in twenty was none (engineering estimates). */
const MISSED = 0.1
const FALSE = 0.05
/** A hand on the counter is so exact, and a pot so regular (engineering estimates). */
const HAND_MINUTES = 0.08
const IRREGULAR = 0.05
const FIRST_IRREGULAR = 0.06
/** Now and then a hand is much later than usual. */
const CLUMSY_SHARE = 0.1
const CLUMSY_TIMES = 3
/** No more than so many in a row are taken to be missed or false. */
const MOST_IN_A_ROW = 3
/** What was heard may be so many whistles ahead of or behind the pot's, and a third of them more. */
const OUT_OF_STEP = 5

/** One standard deviation, in minutes, of a time between two whistles; `first` from lighting to the first. */
export function gapSd(gapMinutes: number, first: boolean): number {
  const irregular = (first ? FIRST_IRREGULAR : IRREGULAR) * gapMinutes
  return Math.sqrt(HAND_MINUTES * HAND_MINUTES + irregular * irregular)
}

/** That it slipped by all the same, where the cook says that none did (engineering estimate). */
const MISSED_UNAWARES = 0.002

/**
 * How likely it is that a whistle due after `gap` has not been heard `elapsed` minutes on; that none came until
 * `noneUntil` was said by the cook.
 */
export function notHeardYet(
  elapsed: number,
  gap: number,
  first: boolean,
  noneUntil = 0,
): { waiting: number; missed: number } {
  const z = (elapsed - gap) / gapSd(gap, first)
  const due = 1 / (1 + Math.exp(-1.7 * z))
  return { waiting: 1 - due, missed: due * (gap < noneUntil ? MISSED_UNAWARES : MISSED) }
}

/** No hand is later than so many standard deviations: less likely than this nothing is. */
const OUT_OF_THE_QUESTION = 22
const LEAST_DENSITY = 1e-12
const LEAST_LOG = Math.log(LEAST_DENSITY)

/** Log density of a gap that misses the expected one by so many standard deviations, times that deviation. */
function logMiss(z: number): number {
  if (Math.abs(z) > OUT_OF_THE_QUESTION) return LEAST_LOG
  const usual = (1 - CLUMSY_SHARE) * Math.exp((-z * z) / 2)
  const clumsy = (CLUMSY_SHARE / CLUMSY_TIMES) * Math.exp((-z * z) / (2 * CLUMSY_TIMES * CLUMSY_TIMES))
  return Math.log(usual + clumsy + LEAST_DENSITY)
}

/**
 * The likeliest way in which what was heard belongs to the whistles that a pot would give (`expected`, in
 * minutes from lighting, going on past what was heard). Dynamic programming over pairs of the two.
 */
export function matchWhistles(heard: Heard, expected: readonly number[]): Match {
  const { minutes, standing, noneMissedBefore, untilMinute, noneMissedUntilMinute } = heard
  const logFalse = Math.log(FALSE / typicalGap(expected))
  const logMissed = Math.log(MISSED)
  const timeOf = (i: number) => (i < 0 ? 0 : minutes[i]!)
  const dueOf = (j: number) => (j < 0 ? 0 : expected[j]!)

  // best[i][j]: the score of everything up to whistle i heard being whistle j of the pot.
  const best = minutes.map(() => new Float64Array(expected.length).fill(-Infinity))
  const from = minutes.map((): [before: number, last: number][] => [])
  const falseSince = (i: number, until: number) => {
    let sum = 0
    for (let k = i + 1; k < until; k++) sum += standing[k] ? -Infinity : logFalse
    return sum
  }
  // The gaps that can end at each expected one: since lighting, or since another before it.
  const gap = (last: number, j: number): ExpectedGap => {
    const expectedMinutes = dueOf(j) - dueOf(last)
    const sd = gapSd(expectedMinutes, last < 0)
    const missed = j - last - 1
    return { last, missed, expectedMinutes, sd, log: missed * logMissed - Math.log(sd) }
  }
  const missedInARow = Array.from({ length: MOST_IN_A_ROW + 1 }, (_, missed) => missed)
  const sinceLit = expected.map((_, j) => (j <= MOST_IN_A_ROW ? [gap(-1, j)] : []))
  const sinceAnother = expected.map((_, j) =>
    missedInARow.flatMap((missed) => (missed < j ? [gap(j - missed - 1, j)] : [])),
  )

  for (let i = 0; i < minutes.length; i++)
    // The likeliest first: of the others most cannot be better, and need not be weighed.
    for (let before = i - 1; before >= Math.max(-1, i - 1 - MOST_IN_A_ROW); before--) {
      const falses = falseSince(before, i)
      if (falses === -Infinity) continue
      const observed = timeOf(i) - timeOf(before)
      const gaps = before < 0 ? sinceLit : sinceAnother
      for (let j = Math.max(0, i - reach(i)); j < Math.min(expected.length, i + reach(i)); j++)
        for (const { last, missed, expectedMinutes, sd, log } of gaps[j]!) {
          if (missed > 0 && noneMissedBefore[i]) continue
          const most = falses + (before < 0 ? 0 : best[before]![last]!) + log
          if (most <= best[i]![j]!) continue
          const score = most + logMiss((observed - expectedMinutes) / sd)
          if (score > best[i]![j]!) {
            best[i]![j] = score
            from[i]![j] = [before, last]
          }
        }
    }

  const afterwards = (i: number, j: number) => {
    let sum = falseSince(i, minutes.length)
    const elapsed = untilMinute - timeOf(i)
    for (let k = j + 1; k < Math.min(expected.length, j + 4); k++) {
      const { waiting, missed } = notHeardYet(elapsed, dueOf(k) - dueOf(j), j < 0, noneMissedUntilMinute - timeOf(i))
      sum += Math.log(waiting + missed)
    }
    return sum
  }
  let top: { score: number; i: number; j: number } = { score: afterwards(-1, -1), i: -1, j: -1 }
  for (let i = 0; i < minutes.length; i++)
    for (let j = 0; j < expected.length; j++) {
      if (best[i]![j]! <= top.score) continue
      const score = best[i]![j]! + afterwards(i, j)
      if (score > top.score) top = { score, i, j }
    }
  const of: (number | null)[] = minutes.map(() => null)
  for (let { i, j } = top; i >= 0; [i, j] = from[i]![j]!) of[i] = j
  return { score: top.score, of }
}

function reach(i: number): number {
  return OUT_OF_STEP + Math.ceil(i / 3)
}

function typicalGap(expected: readonly number[]): number {
  const gaps = expected.slice(1).map((minute, i) => minute - expected[i]!)
  return gaps.length > 0 ? gaps.sort((a, b) => a - b)[Math.floor(gaps.length / 2)]! : 3
}
