/** Right-hand side of the equations: writes the rate of every component of `state` into `out`. */
export type Rates = (state: Float64Array, out: Float64Array) => void

export interface Integrator {
  /** The state after the last step or location. */
  readonly next: Float64Array
  step(from: Float64Array, seconds: number): void
  /**
   * Finds the moment within `seconds` at which a component reaches a value that lies between its
   * start and its end, leaves the state there in `next`, and returns the seconds taken.
   */
  locate(from: Float64Array, seconds: number, component: number, value: number): number
  accept(into: Float64Array): void
}

/** Classic fourth-order Runge-Kutta with event location; the buffers are made once. */
export function createIntegrator(size: number, rates: Rates): Integrator {
  const k1 = new Float64Array(size)
  const k2 = new Float64Array(size)
  const k3 = new Float64Array(size)
  const k4 = new Float64Array(size)
  const probe = new Float64Array(size)
  const next = new Float64Array(size)

  function step(from: Float64Array, seconds: number) {
    const half = seconds / 2
    rates(from, k1)
    for (let i = 0; i < size; i++) probe[i] = from[i]! + half * k1[i]!
    rates(probe, k2)
    for (let i = 0; i < size; i++) probe[i] = from[i]! + half * k2[i]!
    rates(probe, k3)
    for (let i = 0; i < size; i++) probe[i] = from[i]! + seconds * k3[i]!
    rates(probe, k4)
    const sixth = seconds / 6
    for (let i = 0; i < size; i++) next[i] = from[i]! + sixth * (k1[i]! + 2 * k2[i]! + 2 * k3[i]! + k4[i]!)
  }

  function locate(from: Float64Array, seconds: number, component: number, value: number) {
    // The Illinois variant of regula falsi keeps the root bracketed and converges fast on a smooth curve.
    let early = 0
    let earlyMiss = from[component]! - value
    let late = seconds
    let lateMiss = next[component]! - value
    let at = seconds
    let side = 0
    for (let i = 0; i < 40 && lateMiss !== 0; i++) {
      at = (early * lateMiss - late * earlyMiss) / (lateMiss - earlyMiss)
      step(from, at)
      const miss = next[component]! - value
      if (Math.abs(miss) < 1e-7) return at
      if (miss > 0 === lateMiss > 0) {
        late = at
        lateMiss = miss
        if (side === 1) earlyMiss /= 2
        side = 1
      } else {
        early = at
        earlyMiss = miss
        if (side === -1) lateMiss /= 2
        side = -1
      }
    }
    return at
  }

  return { next, step, locate, accept: (into) => into.set(next) }
}
