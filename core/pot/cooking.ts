import type { LoadedPot } from './case.schema'
import type { Integrator } from './integrate'
import { boilMinutesPerMinute, COOKING_STARTS_C, lagSeconds } from './kinetics'

// Gauss-Legendre, four points: exact for polynomials of the seventh degree, so a step may be as long as the
// temperature is smooth, however steeply the rate grows with it.
const NODES = [0.06943184420297371, 0.33000947820757187, 0.6699905217924281, 0.9305681557970262] as const
const WEIGHTS = [0.17392742256872692, 0.3260725774312731, 0.3260725774312731, 0.17392742256872692] as const

/** Pieces of one thickness are of one temperature, but for rounding. */
const SAME_K = 1e-6

/** Where the temperatures of tins and of lagging middles stand in the pot's state. */
export interface StateLayout {
  tin: number
  middle: number
}

/** How far each food of a pot is cooked. */
export class Cooking {
  /** Boil-minutes of each food so far. */
  readonly doses: Float64Array
  /** The highest temperature in °C of the middle of each food since it was hot enough to cook; 0 before. */
  readonly peaksC: Float64Array
  /** The component of the state whose temperature cooks each food. */
  readonly heatedBy: readonly number[]
  /** One bit a food: whether it is hot enough to cook. */
  mask: number

  constructor(
    private readonly foods: LoadedPot['foods'],
    layout: StateLayout,
    start: Float64Array,
  ) {
    this.doses = new Float64Array(foods.length)
    this.peaksC = new Float64Array(foods.length)
    this.heatedBy = foods.map(({ sizeMm, vessel }, i) =>
      lagSeconds(sizeMm) > 0 ? layout.middle + i : vessel === null ? 0 : layout.tin + vessel,
    )
    this.mask = 0
    this.heatedBy.forEach((component, i) => {
      if (start[component]! >= COOKING_STARTS_C) this.mask |= 1 << i
    })
  }

  /** Foods whose temperature is that component, or the same at the same moment, start or stop cooking. */
  turn(component: number, on: boolean, state: Float64Array): void {
    this.heatedBy.forEach((other, i) => {
      if (other !== component && Math.abs(state[other]! - state[component]!) > SAME_K) return
      this.mask = on ? this.mask | (1 << i) : this.mask & ~(1 << i)
    })
  }

  isCooking(food: number): boolean {
    return (this.mask & (1 << food)) !== 0 && !this.foods[food]!.absent
  }

  /** Boil-minutes per second that a food gets at a temperature, if it cooks. */
  rateAt(food: number, tempC: number): number {
    if (!this.isCooking(food)) return 0
    const { zC, zAbove110C } = this.foods[food]!
    return boilMinutesPerMinute(tempC, zC, zAbove110C) / 60
  }

  /** Counts what the foods got in the step that the integrator has just made. */
  add(integrator: Integrator, from: Float64Array, seconds: number): void {
    for (let i = 0; i < this.foods.length; i++) {
      if (!this.isCooking(i)) continue
      const { zC, zAbove110C } = this.foods[i]!
      const component = this.heatedBy[i]!
      const start = from[component]!
      let mean = 0
      if (integrator.next[component] === start && integrator.before[component] === 0)
        mean = boilMinutesPerMinute(start, zC, zAbove110C)
      else
        for (let n = 0; n < NODES.length; n++) {
          const tempC = integrator.between(from, seconds, component, NODES[n]!)
          mean += WEIGHTS[n]! * boilMinutesPerMinute(tempC, zC, zAbove110C)
        }
      this.doses[i]! += (mean * seconds) / 60
      this.peaksC[i] = Math.max(this.peaksC[i]!, start, integrator.next[component]!)
    }
  }
}
