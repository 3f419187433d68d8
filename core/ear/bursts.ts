import type { Past } from './past'
import { FRAME_S } from './spectrum'

/** A stretch in which some of the band stood above some level: from its first frame to before `to`. */
export interface Burst {
  from: number
  to: number
}

/** Shorter than this nothing is a whistle, and longer only an extractor, a tap or a kettle (engineering estimates). */
export const LEAST_S = 0.8
export const MOST_S = 15
/** The steady level begins late and ends early by a little. */
const LEAST_FRAMES = Math.round((LEAST_S - 0.25) / FRAME_S)
const MOST_FRAMES = Math.round(MOST_S / FRAME_S)
/** What sounds from the first moment on began before, nobody knows how long. */
const FIRST_FRAME = Math.round(0.3 / FRAME_S)
const LOWEST_DB = -110
const LEVELS = 140

/**
 * Finds every burst of a level that rises and falls, whatever else rises around it: one runs for each whole dB, begins
 * when that is passed upwards and ends when it is passed downwards. So a whistle over a tap that was turned on after a
 * quiet minute is a burst of its own, beside the long one of the tap.
 */
export class Bursts {
  private readonly beganAt = new Int32Array(LEVELS).fill(-1)
  private level = 0

  constructor(private readonly group: readonly number[]) {}

  /** Takes the next steady frame; `found` is told of each burst that ends with it. */
  take(past: Past, frame: number, found: (burst: Burst) => void): void {
    let sum = 0
    for (const part of this.group) sum += past.steady(frame, part)
    const level = Math.max(0, Math.min(LEVELS - 1, Math.floor(sum / this.group.length - LOWEST_DB)))
    for (let k = this.level + 1; k <= level; k++) this.beganAt[k] = frame
    let last = -1
    for (let k = this.level; k > level; k--) {
      const from = this.beganAt[k]!
      if (from >= FIRST_FRAME && from !== last && frame - from >= LEAST_FRAMES && frame - from <= MOST_FRAMES)
        found({ from, to: frame })
      last = from
    }
    this.level = level
  }
}
