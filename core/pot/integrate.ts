/** Right-hand side of the equations: writes the rate of every component of `state` into `out`. */
export type Rates = (state: Float64Array, out: Float64Array) => void

/** A located event is left within this of its value, which is then set exactly. */
const MISS = 1e-5
const MOST_TRIES = 40

/**
 * Classic fourth-order Runge-Kutta, with the cubic through the ends of a step and their slopes (Hermite) for what
 * lies between: to find events, and for integrals along the way. The buffers are made once.
 */
export class Integrator {
  /** The state after the last step or location, and the rates before and after it. */
  readonly next: Float64Array
  readonly before: Float64Array
  readonly after: Float64Array
  private readonly k2: Float64Array
  private readonly k3: Float64Array
  private readonly k4: Float64Array
  private readonly probe: Float64Array

  constructor(
    private readonly size: number,
    private readonly rates: Rates,
  ) {
    const buffer = () => new Float64Array(size)
    this.next = buffer()
    this.before = buffer()
    this.after = buffer()
    this.k2 = buffer()
    this.k3 = buffer()
    this.k4 = buffer()
    this.probe = buffer()
  }

  /** Works out the rates from which the next steps start. */
  begin(from: Float64Array): void {
    this.rates(from, this.before)
  }

  step(from: Float64Array, seconds: number): void {
    const { size, rates, before, k2, k3, k4, probe, next } = this
    const half = seconds / 2
    for (let i = 0; i < size; i++) probe[i] = from[i]! + half * before[i]!
    rates(probe, k2)
    for (let i = 0; i < size; i++) probe[i] = from[i]! + half * k2[i]!
    rates(probe, k3)
    for (let i = 0; i < size; i++) probe[i] = from[i]! + seconds * k3[i]!
    rates(probe, k4)
    const sixth = seconds / 6
    for (let i = 0; i < size; i++) next[i] = from[i]! + sixth * (before[i]! + 2 * k2[i]! + 2 * k3[i]! + k4[i]!)
    rates(next, this.after)
  }

  /** A component at a share of the last step, by the cubic. */
  between(from: Float64Array, seconds: number, component: number, share: number): number {
    const rest = 1 - share
    const start = from[component]!
    const end = this.next[component]!
    const bow = rest * (seconds * this.before[component]! - (end - start))
    const back = share * (end - start - seconds * this.after[component]!)
    return start + share * (end - start) + share * rest * (bow + back)
  }

  /**
   * Finds the moment within `seconds` at which a component reaches a value that lies between its
   * start and its end, leaves the state there in `next`, and returns the seconds taken. The cubic tells where to
   * look first; then the root stays bracketed (Illinois' regula falsi over steps).
   */
  locate(from: Float64Array, seconds: number, component: number, value: number): number {
    let early = 0
    let earlyMiss = from[component]! - value
    let late = seconds
    let lateMiss = this.next[component]! - value
    let tookS = seconds * this.shareAt(from, seconds, component, value)
    let side = 0
    for (let i = 0; i < MOST_TRIES; i++) {
      this.step(from, tookS)
      const miss = this.next[component]! - value
      if (Math.abs(miss) < MISS) break
      if (miss > 0 === lateMiss > 0) {
        late = tookS
        lateMiss = miss
        if (side === 1) earlyMiss /= 2
        side = 1
      } else {
        early = tookS
        earlyMiss = miss
        if (side === -1) lateMiss /= 2
        side = -1
      }
      tookS = (early * lateMiss - late * earlyMiss) / (lateMiss - earlyMiss)
    }
    return tookS
  }

  /** The share of the last step after which the cubic of a component passes a value. */
  private shareAt(from: Float64Array, seconds: number, component: number, value: number): number {
    let early = 0
    let late = 1
    const rises = this.next[component]! > from[component]!
    let at = (value - from[component]!) / (this.next[component]! - from[component]!)
    for (let i = 0; i < 30; i++) {
      const miss = this.between(from, seconds, component, at) - value
      if (Math.abs(miss) < 1e-9) break
      if (miss > 0 === rises) late = at
      else early = at
      const slope = (this.between(from, seconds, component, at + 1e-4) - value - miss) / 1e-4
      const next = at - miss / slope
      at = next > early && next < late ? next : (early + late) / 2
    }
    return at
  }

  accept(into: Float64Array): void {
    into.set(this.next)
  }
}
