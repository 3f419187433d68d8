import { kindOf } from '../appliance/appliance'
import type { Equations } from '../appliance/kind'
import { ambientPa, latentJPerKg, saturationC, saturationPa } from '../steam/steam'
import type { LoadedPot } from './case.schema'
import { Cooking } from './cooking'
import { lagSeconds } from './kinetics'

export const WATER_J_PER_KG_K = 4220
/** Steam condenses on a tin from this far below boiling; under it the air in between hardly heats it. */
const CONDENSING_BELOW_BOILING_K = 2
const STILL_AIR_W_PER_K = 1

/** What the pot is doing between two events. Held: the temperature stands at a threshold. Prescribed: it follows a measured curve. */
type Regime = 'free' | 'held-condensing' | 'held-set' | 'held-boil' | 'prescribed'

/** All of a pot that changes while it cooks, its temperatures and its water apart. */
export interface Knobs {
  burnerW: number
  /** The temperature at which a pressure switch, a regulator or a thermostat holds. */
  setC: number
  /** Above zero when a thermostat may switch the heat on again at setC. */
  thermostatW: number
  slopeKPerS: number
  prescribedSteamKgPerS: number
  regime: Regime
  ventOpen: boolean
  /** Through the open vent all pressure has gone: the pot boils openly, or not at all. */
  vented: boolean
  purged: boolean
  // Which side of a threshold the pot is on is a fact of the run, not of a temperature: within one step it must not change.
  condensing: boolean
  /** The last of the water is gone: nothing is left to drink. */
  dry: boolean
}

/** Where each thing stands in the state: temperature, free water, heat put in, each tin, each food's lagged middle. */
const TEMP = 0
const WATER = 1
const HEAT = 2
const TIN = 3

/**
 * The equations of one pot with its load, and its state. One lump for base water, base food and metal; one
 * temperature per tin; free water; one lagged temperature per food; and, where a grain drinks, what it got.
 */
export class Pot {
  readonly y: Float64Array
  readonly knobs: Knobs
  readonly cooking: Cooking
  readonly equations: Equations
  readonly pressurised: boolean
  readonly airPa: number
  readonly boilC: number
  readonly condensingC: number
  readonly hasTins: boolean
  /** Components that warm behind the base: tins and middles. */
  readonly following: { from: number; to: number }
  /** The longest step that the quickest tin and the thinnest lagging piece allow. */
  readonly stiffestS: number
  private readonly solidJPerK: number
  private readonly lossWPerK: number
  private readonly roomC: number
  private readonly tins: LoadedPot['load']['vessels']
  private readonly lags: readonly number[]
  private readonly middle: number
  private readonly grainDose: number

  constructor(private readonly input: LoadedPot) {
    const { appliance, load, place, foods, grain } = input
    this.equations = kindOf(appliance).equations(appliance)
    this.pressurised = this.equations.vent !== null
    this.airPa = ambientPa(place.altitudeM)
    this.boilC = saturationC(this.airPa)
    this.condensingC = this.boilC - CONDENSING_BELOW_BOILING_K
    this.lossWPerK = appliance.lossWPerK
    this.roomC = place.roomC
    this.solidJPerK = appliance.metalKg * appliance.metalJPerKgK + load.foodJPerK
    this.tins = load.vessels
    this.hasTins = this.tins.length > 0
    this.lags = foods.map(({ sizeMm }) => lagSeconds(sizeMm))
    this.middle = TIN + this.tins.length
    const end = this.middle + foods.length
    this.grainDose = end
    this.following = { from: TIN, to: end }
    this.y = new Float64Array(end + (grain ? 1 : 0))
    this.y[TEMP] = load.startC
    this.y[WATER] = load.freeWaterKg
    this.tins.forEach((tin, i) => (this.y[TIN + i] = tin.startC ?? load.startC))
    foods.forEach((food, i) => (this.y[this.middle + i] = food.startC ?? load.startC))
    this.cooking = new Cooking(foods, { tin: TIN, middle: this.middle }, this.y)
    this.knobs = {
      burnerW: 0,
      setC: Infinity,
      thermostatW: 0,
      slopeKPerS: 0,
      prescribedSteamKgPerS: 0,
      regime: 'free',
      ventOpen: false,
      vented: false,
      purged: false,
      condensing: load.startC >= this.condensingC,
      dry: load.freeWaterKg <= 0,
    }
    // A thick piece may warm by whole lags: what it does in one is bounded by how fast it warms (nextStep).
    this.stiffestS = Math.min(
      Infinity,
      ...this.lags.filter((lag) => lag > 0),
      ...this.tins.map((tin) => tin.heatJPerK / Math.max(tin.couplingWPerK, STILL_AIR_W_PER_K) / 4),
    )
  }

  get tempC(): number {
    return this.y[TEMP]!
  }
  get waterKg(): number {
    return this.y[WATER]!
  }
  get heatJ(): number {
    return this.y[HEAT]!
  }

  gaugeAt(tempC: number): number {
    return tempC > this.boilC ? saturationPa(tempC) - this.airPa : 0
  }

  private leakKgPerS(tempC: number): number {
    const { vent } = this.equations
    return vent === null || vent.leakKgPerSPa === 0 || tempC <= this.boilC ? 0 : vent.leakKgPerSPa * this.gaugeAt(tempC)
  }

  /** Heat into the tins in W, by still air alone or by condensing steam. */
  private tinsTakeW(state: Float64Array, steamy: boolean): number {
    let sumW = 0
    const tempC = state[TEMP]!
    for (let i = 0; i < this.tins.length; i++)
      sumW += (steamy ? this.tins[i]!.couplingWPerK : STILL_AIR_W_PER_K) * (tempC - state[TIN + i]!)
    return sumW
  }

  /** Heat left over in W once losses, leak and tins have had theirs. */
  private surplusW(state: Float64Array, heatW: number, steamy: boolean): number {
    const tempC = state[TEMP]!
    const leakW = this.leakKgPerS(tempC) * latentJPerKg(tempC)
    return heatW - this.lossWPerK * (tempC - this.roomC) - leakW - this.tinsTakeW(state, steamy)
  }

  readonly rates = (state: Float64Array, out: Float64Array): void => {
    const { knobs } = this
    const { regime } = knobs
    const tempC = state[TEMP]!
    let share = knobs.condensing || regime === 'held-boil' || regime === 'held-set' ? 1 : 0
    let heatW = knobs.burnerW
    let steamKgPerS = this.leakKgPerS(tempC)
    if (knobs.ventOpen && !knobs.vented) steamKgPerS += this.equations.vent!.kgPerS
    let netW = 0
    if (regime === 'free') {
      const steamW = steamKgPerS === 0 ? 0 : steamKgPerS * latentJPerKg(tempC)
      netW = heatW - this.lossWPerK * (tempC - this.roomC) - steamW
      if (this.hasTins) netW -= this.tinsTakeW(state, share === 1)
    } else if (regime === 'prescribed') steamKgPerS = knobs.prescribedSteamKgPerS
    else if (regime === 'held-condensing') {
      const cold = this.surplusW(state, heatW, false)
      const hot = this.surplusW(state, heatW, true)
      share = cold > hot ? Math.min(1, Math.max(0, cold / (cold - hot))) : 1
    } else {
      const spareW = this.surplusW(state, heatW, true)
      if (regime === 'held-boil')
        steamKgPerS += (Math.max(0, spareW) / latentJPerKg(tempC)) * (1 - this.equations.reflux)
      else if (this.equations.hissesPa !== undefined) steamKgPerS += Math.max(0, spareW) / latentJPerKg(tempC)
      else heatW -= spareW
    }
    out[TEMP] =
      regime === 'prescribed'
        ? knobs.slopeKPerS
        : netW / (this.solidJPerK + WATER_J_PER_KG_K * Math.max(0, state[WATER]!))
    out[WATER] = -steamKgPerS
    out[HEAT] = heatW
    this.followers(state, out, share)
    if (this.input.grain) this.drink(state, out)
  }

  /** Tins warm behind the base, and the middles of thick pieces behind what is around them. */
  private followers(state: Float64Array, out: Float64Array, share: number): void {
    const tempC = state[TEMP]!
    for (let i = 0; i < this.tins.length; i++) {
      const tin = this.tins[i]!
      const wPerK = STILL_AIR_W_PER_K + share * (tin.couplingWPerK - STILL_AIR_W_PER_K)
      out[TIN + i] = (wPerK * (tempC - state[TIN + i]!)) / tin.heatJPerK
    }
    const { foods } = this.input
    for (let i = 0; i < foods.length; i++) {
      const lagS = this.lags[i]!
      if (lagS === 0) continue
      const { vessel } = foods[i]!
      const around = vessel === null ? tempC : state[TIN + vessel]!
      out[this.middle + i] = (around - state[this.middle + i]!) / lagS
    }
  }

  /**
   * A grain that cooks drinks of the free water. Whether there is any is a fact of the run: a step that overshoots
   * the last drop must not meet other equations there.
   */
  private drink(state: Float64Array, out: Float64Array): void {
    const { dryKg, uptakeMax, uptakeStart, tenderBoilMinutes, food = 0 } = this.input.grain!
    const dosePerS = this.knobs.dry ? 0 : this.cooking.rateAt(food, state[this.cooking.heatedBy[food]!]!)
    out[this.grainDose] = dosePerS
    const left = Math.exp((-3 * state[this.grainDose]!) / tenderBoilMinutes)
    out[WATER]! -= dryKg * (uptakeMax - uptakeStart) * (3 / tenderBoilMinutes) * left * dosePerS
  }

  /** Seconds in which what drinks would come from raw to tender at these rates; Infinity where nothing does. */
  drinkingS(rates: Float64Array): number {
    const { grain } = this.input
    const dosePerS = grain ? rates[this.grainDose]! : 0
    return dosePerS > 0 ? grain!.tenderBoilMinutes / dosePerS : Infinity
  }

  /** Decides whether a pot at a threshold stays on it, and on which side it goes on if not. */
  settle(threshold: 'condensing' | 'set' | 'boiling'): void {
    const { knobs, y } = this
    if (knobs.regime === 'prescribed') {
      knobs.condensing = knobs.slopeKPerS > 0
      return
    }
    if (threshold === 'condensing') {
      if (!this.hasTins) return
      const below = this.surplusW(y, knobs.burnerW, false)
      const above = this.surplusW(y, knobs.burnerW, true)
      knobs.regime = below > 0 && above < 0 && !knobs.ventOpen ? 'held-condensing' : 'free'
      knobs.condensing = above >= 0 && !knobs.ventOpen
      return
    }
    const holds = this.surplusW(y, knobs.burnerW, true) >= 0
    knobs.regime = !holds ? 'free' : threshold === 'set' ? 'held-set' : 'held-boil'
  }

  stillHeld(): boolean {
    const { knobs, y } = this
    if (knobs.regime === 'prescribed') return true
    if (knobs.regime === 'held-condensing')
      return this.surplusW(y, knobs.burnerW, false) > 0 && this.surplusW(y, knobs.burnerW, true) < 0
    return this.surplusW(y, knobs.burnerW, true) >= 0
  }

  /** The first boil under a lid: air and a mass of water leave at once, with their latent heat. */
  purge(): void {
    const { y, knobs } = this
    knobs.purged = true
    const purgeKg = Math.min(this.equations.vent!.purgeKg, Math.max(0, y[WATER]!))
    y[TEMP]! -= (purgeKg * latentJPerKg(this.boilC)) / (this.solidJPerK + WATER_J_PER_KG_K * y[WATER]!)
    y[WATER]! -= purgeKg
    knobs.regime = 'free'
    knobs.condensing = y[TEMP]! > this.condensingC
  }

  /** Heat in W that goes in now: what holds itself at a temperature takes no more than it needs. */
  heatNowW(): number {
    const { knobs, equations } = this
    if (knobs.regime !== 'held-set' || equations.hissesPa !== undefined) return knobs.burnerW
    return Math.max(0, knobs.burnerW - this.surplusW(this.y, knobs.burnerW, true))
  }

  /** g of water per g of dry grain that it holds now; null where there is none. */
  uptake(): number | null {
    const { grain } = this.input
    if (!grain) return null
    const { uptakeMax, uptakeStart, tenderBoilMinutes } = grain
    return uptakeStart + (uptakeMax - uptakeStart) * (1 - Math.exp((-3 * this.y[this.grainDose]!) / tenderBoilMinutes))
  }

  drunkKg(): number {
    const { grain } = this.input
    return grain ? grain.dryKg * (this.uptake()! - grain.uptakeStart) : 0
  }
}
