import { saturationC } from '../steam/steam'
import type { LoadedPot } from './case.schema'
import { COOKING_STARTS_C, SLOWER_ABOVE_C } from './kinetics'
import type { Pot } from './physics'

/** A threshold that a component of the state passes. */
export interface Crossing {
  name: 'kinetics' | 'slower' | 'condensing' | 'boiling' | 'lift' | 'reseat' | 'set' | 'opens' | 'dry'
  component: number
  value: number
}

/** What decides which thresholds there are at the moment. */
export interface Watching {
  /** The lid is waited for. */
  releasing: boolean
  dryBelowKg: number
  valveHeld: boolean
}

const NONE: Crossing = { name: 'dry', component: -1, value: 0 }

/** The temperatures and the water level at which something happens in a pot. */
export class Thresholds {
  private readonly liftC: number
  private readonly reseatC: number
  private readonly kinetic: readonly number[]
  private readonly slower: readonly number[]
  private earliest = Infinity
  private readonly found: Crossing = { ...NONE }
  private from!: Float64Array
  private to!: Float64Array

  constructor(
    private readonly pot: Pot,
    { foods }: LoadedPot,
    private readonly opensC: number,
  ) {
    const { weight } = pot.equations
    this.liftC = weight ? saturationC(pot.airPa + weight.liftPa) : Infinity
    this.reseatC = weight ? saturationC(pot.airPa + weight.reseatPa) : -Infinity
    const heated = pot.cooking.heatedBy
    this.kinetic = [...new Set(heated)]
    this.slower = [...new Set(heated.filter((_, i) => foods[i]!.zAbove110C))]
  }

  /** The first threshold between two states, by linear interpolation; the same object each time. */
  first(from: Float64Array, to: Float64Array, { releasing, dryBelowKg, valveHeld }: Watching): Crossing | null {
    const { knobs, hasTins, condensingC, boilC, pressurised } = this.pot
    this.from = from
    this.to = to
    this.earliest = Infinity
    for (const component of this.kinetic) this.consider('kinetics', component, COOKING_STARTS_C)
    for (const component of this.slower) this.consider('slower', component, SLOWER_ABOVE_C)
    if (hasTins) this.consider('condensing', 0, condensingC)
    if (knobs.regime !== 'prescribed') {
      if (to[0]! > from[0]!) {
        if (!pressurised || !knobs.purged || valveHeld) this.consider('boiling', 0, boilC)
        if (!knobs.ventOpen) this.consider('lift', 0, this.liftC)
        this.consider('set', 0, knobs.setC)
      } else {
        if (valveHeld) this.consider('boiling', 0, boilC)
        else if (knobs.ventOpen) this.consider('reseat', 0, this.reseatC)
        if (releasing) this.consider('opens', 0, this.opensC)
        if (knobs.thermostatW > 0) this.consider('set', 0, knobs.setC)
      }
    }
    this.consider('dry', 1, dryBelowKg)
    return this.earliest === Infinity ? null : this.found
  }

  private consider(name: Crossing['name'], component: number, value: number): void {
    const from = this.from[component]!
    const to = this.to[component]!
    if (to > from ? from >= value || value > to : from <= value || value < to) return
    const fraction = (value - from) / (to - from)
    if (fraction >= this.earliest) return
    this.earliest = fraction
    this.found.name = name
    this.found.component = component
    this.found.value = value
  }
}
