import { KNOWN_AFTER } from './features'
import type { Burst } from './bursts'
import { judge, type WhistleShape } from './judge'
import { createListener, type DescribedBurst } from './listener'
import { AHEAD } from './past'
import { FRAME_S } from './spectrum'

export type { WhistleShape }

/** A sound that was a whistle, or may have been: when it began and ended, in seconds of what was listened to. */
export interface HeardSound {
  fromS: number
  toS: number
  /** How likely it was a whistle, 0 to 1. */
  sure: number
  /** False: it may have been one, and should be asked about, not counted. */
  isWhistle: boolean
}

/** What the ear hears at the moment, for showing that it works. */
export interface EarLevel {
  /** dB of the whistle's band over the quieter moments of the last ten seconds. */
  riseDb: number
  /** It is so loud that whistles are likely to drown. */
  noisy: boolean
}

export interface Ear {
  /** Takes the next samples and tells which sounds are known to be over with them. */
  push(samples: Float32Array): HeardSound[]
  level(): EarLevel
  /** What is known of the pot: log odds by which a whistle is likelier now (positive) or less likely than usual. */
  expect(logOdds: number): void
}

/** A sound likelier a whistle than this, in log odds, is counted; one likelier than the other is asked about. */
export const COUNT_LOG_ODDS = 3.5
const ASK_LOG_ODDS = 1.5
/** Two whistles of a pot are further apart than this: the weight falls, and pressure has to build again. */
const APART = Math.round(3 / FRAME_S)
/** So close to a whistle that was heard, what is heard is still of it. */
const OF_WHISTLE = Math.round(0.75 / FRAME_S)
/** A sound is told when so much later nothing likelier has ended that holds it; a doubtful one later. */
const SETTLED = Math.round(0.6 / FRAME_S)
const SETTLED_IN_DOUBT = Math.round(3 / FRAME_S)
const TOLD_KEPT = 12
const LEVEL_OVER = Math.round(10 / FRAME_S)
const NOISE_OVER = Math.round(2 / FRAME_S)
/** Without a whistle that was heard yet, noise this loud is taken to drown it (engineering estimate). */
const NOISY_DB = -28
/** A pot whistles about as loud each time; this much fainter, likeness to an example speaks for nothing (engineering estimate). */
const FAINT_DB = 6
/** A whistle that would rise less than this over the noise is not found. */
const LEAST_RISE_DB = 11

type Judged = DescribedBurst & { logOdds: number }

/**
 * Listens for whistles: sounds in the 1.5 to 9 kHz band that rise, stay and end, whatever else comes and goes around
 * them. `shape`, from one example, tells it this kitchen's whistle.
 */
export function createEar(sampleRate: number, shape: WhistleShape | null = null): Ear {
  const { past, parts, push } = createListener(sampleRate, { wasWhistle, onBurst: consider, onFrame: tell })
  /** Judged, and not yet told. */
  let pending: Judged[] = []
  let told: Judged[] = []
  /** Pieces of those that are told. */
  let more: Burst[] = []
  let ended: HeardSound[] = []
  let expected = 0
  /** How loud this kitchen's whistle was in each part when it was heard. */
  let whistleDb: number[] | null = null

  return {
    push(samples) {
      ended = []
      push(samples)
      return ended
    },
    level: () => ({ riseDb: riseDb(), noisy: isNoisy() }),
    expect: (logOdds) => void (expected = logOdds),
  }

  function consider(burst: DescribedBurst): void {
    const alone = judge(burst, null)
    const taught = judge(burst, shape)
    const judged: Judged = { ...burst, logOdds: (isFaint(burst) ? Math.min(alone, taught) : taught) + expected }
    if (judged.logOdds < ASK_LOG_ODDS) return
    if (told.some((one) => isNear(one, judged))) {
      // More of a whistle that is told already.
      if (judged.logOdds >= COUNT_LOG_ODDS) more = [...more, judged].slice(-TOLD_KEPT)
      return
    }
    const near = [judged, ...pending.filter((one) => isNear(one, judged))]
    const best = near.reduce((most, one) => (one.logOdds > most.logOdds ? one : most))
    // Pieces of one whistle, between which it was lost for a moment.
    const pieces = near.filter((one) => one.logOdds >= COUNT_LOG_ODDS && (one === best || !overlap(one, best)))
    const whole = {
      ...best,
      from: Math.min(best.from, ...pieces.map(({ from }) => from)),
      to: Math.max(best.to, ...pieces.map(({ to }) => to)),
    }
    pending = [...pending.filter((one) => !near.includes(one)), whole]
  }

  function tell(now: number): void {
    const settled = pending.filter(
      ({ to, logOdds }) => now >= to + KNOWN_AFTER + (logOdds >= COUNT_LOG_ODDS ? SETTLED : SETTLED_IN_DOUBT),
    )
    if (settled.length === 0) return
    pending = pending.filter((one) => !settled.includes(one))
    for (const one of settled.sort((a, b) => a.from - b.from)) {
      const { from, to, logOdds, levelDb } = one
      const isWhistle = logOdds >= COUNT_LOG_ODDS
      if (isWhistle) {
        whistleDb = whistleDb ? whistleDb.map((db, part) => db + 0.3 * (levelDb[part]! - db)) : levelDb
        told = [...told, one].slice(-TOLD_KEPT)
      }
      ended.push({ fromS: from * FRAME_S, toS: to * FRAME_S, sure: 1 / (1 + Math.exp(-logOdds)), isWhistle })
    }
  }

  /** Much fainter than the pot's whistles were: it may sound like one, but is no such thing nearby. */
  function isFaint({ levelDb }: DescribedBurst): boolean {
    if (!whistleDb) return false
    const loudest = whistleDb.indexOf(Math.max(...whistleDb))
    return whistleDb[loudest]! - levelDb[loudest]! > FAINT_DB
  }

  function wasWhistle(frame: number): boolean {
    const holds = ({ from, to }: Burst) => frame >= from - OF_WHISTLE && frame < to + OF_WHISTLE
    return told.some(holds) || more.some(holds)
  }

  function riseDb(): number {
    const now = past.count - 1
    if (now < AHEAD) return 0
    const bandDb = (frame: number) => {
      let sum = 0
      for (let part = 0; part < parts; part++) sum += past.level(frame, part)
      return sum / parts
    }
    const before: number[] = []
    for (let frame = now; frame >= Math.max(past.first, now - LEVEL_OVER); frame -= 10) before.push(bandDb(frame))
    before.sort((a, b) => a - b)
    return Math.max(0, bandDb(now) - before[Math.floor(0.2 * before.length)]!)
  }

  /** Would this kitchen's whistle, or one as loud as usual, stand out of what is heard now? */
  function isNoisy(): boolean {
    const now = past.count - 1 - AHEAD
    if (now < NOISE_OVER || pending.length > 0) return false
    const noiseDb = Array.from({ length: parts }, (_, part) => {
      const values: number[] = []
      for (let frame = now; frame > now - NOISE_OVER; frame -= 5) values.push(past.steady(frame, part))
      return values.sort((a, b) => a - b)[values.length >> 1]!
    })
    if (!whistleDb) return 10 * Math.log10(noiseDb.reduce((sum, db) => sum + 10 ** (db / 10), 0)) > NOISY_DB
    const rises = noiseDb.map((db, part) => 10 * Math.log10(1 + 10 ** ((whistleDb![part]! - db) / 10)))
    return Math.max(...rises) < LEAST_RISE_DB
  }
}

const overlap = (one: Burst, other: Burst) => one.from < other.to && other.from < one.to
const isNear = (one: Burst, other: Burst) => one.from < other.to + APART && other.from < one.to + APART
