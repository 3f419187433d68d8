/** What is believed of a figure: the mean and one standard deviation of its logarithm. */
export interface Estimate {
  mean: number
  sd: number
}

/** What a plan needs of what was learnt. */
export interface Believed {
  /** What is believed of a sum of figures, all of which must be known. */
  of(terms: Terms): Estimate
  has(id: string): boolean
  /** W or W/K that a figure of a cooker is a factor of, as the last run had it; null where no run had it. */
  saidOf(id: string): number | null
}

/** A sum of figures, each so many times. */
export type Terms = ReadonlyMap<string, number>

/** What one observation said of a sum, and how far each figure moved by it. */
export interface Move {
  /** What the sum of the terms would have to be, and what it was taken to be. */
  says: number
  was: number
  /** One standard deviation of what it says. */
  sd: number
  moved: Map<string, number>
}

/** Beyond so many standard deviations an observation is taken to be less exact than it says. */
const ABSURD_SDS = 2.5
/** One judgement in so many is a slip of the finger, or of another pot (engineering estimate). */
const SLIP = 0.03
/** Below this likelihood a judgement is nothing but a slip. */
const LEAST_LIKELY = 1e-5

/**
 * A Gaussian over the logarithms of figures with one joint covariance, so that what one observation cannot tell
 * apart stays undecided until another one tells.
 */
export class Posterior {
  private readonly places = new Map<string, number>()
  private readonly means: number[] = []
  private readonly rows: number[][] = []

  /** Figures that are known, in the order in which they came. */
  get ids(): string[] {
    return [...this.places.keys()]
  }

  has(id: string): boolean {
    return this.places.has(id)
  }

  /** A figure of which nothing has been said yet; one that is known stays as it is. */
  add(id: string, { mean, sd }: Estimate): void {
    if (this.places.has(id)) return
    this.places.set(id, this.means.push(mean) - 1)
    for (const row of this.rows) row.push(0)
    this.rows.push([...this.means.map(() => 0)])
    this.rows.at(-1)![this.means.length - 1] = sd * sd
  }

  /** The figure is known no more; all others stay as they are. */
  drop(id: string): void {
    const place = this.place(id)
    this.places.delete(id)
    for (const [other, at] of this.places) if (at > place) this.places.set(other, at - 1)
    this.means.splice(place, 1)
    this.rows.splice(place, 1)
    for (const row of this.rows) row.splice(place, 1)
  }

  /** The figure as if nothing had ever been said of it: what it shared with others is forgotten too. */
  reset(id: string, { mean, sd }: Estimate): void {
    const place = this.place(id)
    this.means[place] = mean
    this.rows.forEach((row) => (row[place] = 0))
    this.rows[place]!.fill(0)
    this.rows[place]![place] = sd * sd
  }

  /** What a figure is measured against has changed: its logarithm is so much more. */
  shift(id: string, by: number): void {
    this.means[this.place(id)]! += by
  }

  /** A figure has become less sure with time. */
  drift(id: string, variance: number): void {
    const place = this.place(id)
    this.rows[place]![place]! += variance
  }

  /** What is believed of a sum of figures. */
  of(terms: Terms): Estimate {
    let mean = 0
    let variance = 0
    for (const [id, times] of terms) {
      const place = this.place(id)
      mean += times * this.means[place]!
      for (const [other, timesOther] of terms) variance += times * timesOther * this.rows[place]![this.place(other)]!
    }
    return { mean, sd: Math.sqrt(Math.max(0, variance)) }
  }

  /** Means, and the covariance as rows of its lower triangle, in the order of `ids`. */
  get content(): { means: number[]; rows: number[][] } {
    return { means: [...this.means], rows: this.rows.map((row, i) => row.slice(0, i + 1)) }
  }

  correlation(a: string, b: string): number {
    const [i, j] = [this.place(a), this.place(b)]
    return this.rows[i]![j]! / Math.sqrt(this.rows[i]![i]! * this.rows[j]![j]!)
  }

  /**
   * The sum was measured, with a standard deviation. What lies further off than 2.5 of all that was uncertain is taken
   * to be as uncertain as that, so that one absurd measurement does not carry a figure away.
   */
  measured(terms: Terms, value: number, sd: number): Move {
    const { mean, sd: before } = this.of(terms)
    const miss = value - mean
    const variance = Math.max(sd * sd, (miss / ABSURD_SDS) ** 2 - before * before)
    const total = before * before + variance
    const moved = this.update(terms, total, miss, 0)
    return { says: value, was: mean, sd: Math.sqrt(variance), moved }
  }

  /**
   * The sum, blurred by a standard deviation, was judged to lie between two limits, of which either may be infinite:
   * the first two moments of what remains (assumed density filtering). `choices` is how many judgements there were to
   * choose from: one that is hardly possible is likelier a slip.
   */
  judged(terms: Terms, [low, high]: readonly [number, number], sd: number, choices: number): Move {
    const { mean, sd: before } = this.of(terms)
    const total = before * before + sd * sd
    const root = Math.sqrt(total)
    const [a, b] = [(low - mean) / root, (high - mean) / root]
    const likely = normalBelow(b) - normalBelow(a)
    if (likely < LEAST_LIKELY) return { says: mean, was: mean, sd: Infinity, moved: new Map() }
    const shift = (density(a) - density(b)) / likely
    const narrowed = 1 + (timesDensity(a) - timesDensity(b)) / likely - shift * shift
    const weight = ((1 - SLIP) * likely) / ((1 - SLIP) * likely + SLIP / choices)
    const meant = root * shift
    const miss = weight * meant
    const left = weight * (narrowed * total + (meant - miss) ** 2) + (1 - weight) * (total + miss * miss)
    const moved = this.update(terms, total, miss, Math.min(left, total))
    const middle = Number.isFinite(low) && Number.isFinite(high) ? (low + high) / 2 : mean + meant
    return { says: middle, was: mean, sd, moved }
  }

  /** The sum with all that blurs it has moved by `miss`, and its variance goes from `total` to `left`. */
  private update(terms: Terms, total: number, miss: number, left: number): Map<string, number> {
    const size = this.means.length
    const shared = new Array<number>(size).fill(0)
    for (const [id, times] of terms) {
      const row = this.rows[this.place(id)]!
      for (let i = 0; i < size; i++) shared[i]! += times * row[i]!
    }
    const moved = new Map<string, number>()
    const shrink = (total - left) / (total * total)
    for (const [id, i] of this.places) {
      const share = shared[i]!
      if (share === 0) continue
      const by = (share / total) * miss
      this.means[i]! += by
      moved.set(id, by)
      const row = this.rows[i]!
      for (let j = 0; j < size; j++) row[j]! -= share * shared[j]! * shrink
    }
    return moved
  }

  private place(id: string): number {
    const place = this.places.get(id)
    if (place === undefined) throw new TypeError(`No figure ${id} is known.`)
    return place
  }
}

const density = (x: number) => (Number.isFinite(x) ? Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI) : 0)
const timesDensity = (x: number) => (Number.isFinite(x) ? x * density(x) : 0)

/** Share of a standard normal below x (Abramowitz and Stegun 7.1.26, to 1.5e-7). */
function normalBelow(x: number): number {
  if (!Number.isFinite(x)) return x > 0 ? 1 : 0
  const z = Math.abs(x) / Math.SQRT2
  const t = 1 / (1 + 0.3275911 * z)
  const tail =
    t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) * Math.exp(-z * z)
  return x < 0 ? tail / 2 : 1 - tail / 2
}
