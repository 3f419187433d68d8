import { EAR_PARTS, FRAME_S, type Frame } from './spectrum'

const KEPT = 2048
const BANDS = EAR_PARTS + 1
/** A sound is steady that is there most of so long: words, steps and cutlery are not. */
const STEADY_FRAMES = Math.round(0.5 / FRAME_S)
const STEADY_RANK = Math.floor(0.3 * STEADY_FRAMES)
/** The steady level of a moment is known when so much more was heard. */
export const AHEAD = (STEADY_FRAMES - 1) / 2

/**
 * The last forty seconds: of every frame and part its level, its *steady* level (what three in ten of the half
 * second around it stay below, so that short sounds and their gaps vanish), and its crest.
 */
export class Past {
  /** Frames that were taken in. */
  count = 0
  private readonly db = new Float32Array(KEPT * BANDS)
  private readonly crestDb = new Float32Array(KEPT * BANDS)
  private readonly steadyDb = new Float32Array(KEPT * BANDS)
  private readonly sorted = Array.from({ length: BANDS }, () => new Float32Array(STEADY_FRAMES))

  take({ db, crestDb }: Frame): void {
    const at = this.slot(this.count)
    this.db.set(db, at)
    this.crestDb.set(crestDb, at)
    const gone = this.count >= STEADY_FRAMES ? this.slot(this.count - STEADY_FRAMES) : -1
    const ahead = this.slot(this.count - AHEAD)
    const rank = Math.min(STEADY_RANK, Math.floor(0.3 * this.count))
    for (let band = 0; band < BANDS; band++) {
      const sorted = this.sorted[band]!
      swap(sorted, Math.min(this.count, STEADY_FRAMES), gone < 0 ? null : this.db[gone + band]!, this.db[at + band]!)
      if (this.count >= AHEAD) this.steadyDb[ahead + band] = sorted[rank]!
    }
    this.count++
  }

  /** The first frame that is still kept. */
  get first(): number {
    return Math.max(0, this.count - KEPT)
  }
  level(frame: number, band: number): number {
    return this.db[this.slot(frame) + band]!
  }
  steady(frame: number, band: number): number {
    return this.steadyDb[this.slot(frame) + band]!
  }
  crest(frame: number, band: number): number {
    return this.crestDb[this.slot(frame) + band]!
  }
  private slot(frame: number): number {
    return (((frame % KEPT) + KEPT) % KEPT) * BANDS
  }
}

/** Takes one value out of so many that are sorted and puts one in, in place. */
function swap(sorted: Float32Array, count: number, out: number | null, into: number): void {
  let i = count
  if (out !== null) {
    i = 0
    while (sorted[i] !== out && i < count - 1) i++
    for (; i < count - 1; i++) sorted[i] = sorted[i + 1]!
  }
  for (; i > 0 && sorted[i - 1]! > into; i--) sorted[i] = sorted[i - 1]!
  sorted[i] = into
}
