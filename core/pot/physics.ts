import { ambientPa, latentJPerKg, saturationC, saturationPa } from '../steam/steam'
import { holdsPressure } from './appliance'
import type { SimulationCase } from './case'
import { boilMinutesPerMinute, COOKING_STARTS_C, lagSeconds } from './kinetics'

export const WATER_J_PER_KG_K = 4220
/** Steam condenses on a tin from this far below boiling; under it the air in between hardly heats it. */
const CONDENSING_BELOW_BOILING_K = 2
const STILL_AIR_W_PER_K = 1

/** What the pot is doing between two events. Held: the temperature stands at a threshold. Prescribed: it follows a measured curve. */
export type Regime = 'free' | 'held-condensing' | 'held-set' | 'held-boil' | 'prescribed'

/** All of a pot that changes while it cooks. */
export interface PotState {
  /** Temperature, free water, heat put in, each tin, each food's lagged middle, each food's boil-minutes. */
  y: Float64Array
  burnerW: number
  /** The temperature at which a pressure switch, a regulator or a thermostat holds. */
  setC: number
  /** Above zero when a thermostat may switch the heat on again at setC. */
  thermostatW: number
  slopeKPerS: number
  prescribedSteamKgPerS: number
  regime: Regime
  ventOpen: boolean
  purged: boolean
  // Which side of a threshold the pot is on is a fact of the run, not of a temperature: within one step it must not change.
  condensing: boolean
  /** One bit a food: whether it is hot enough to cook. */
  cookingMask: number
}

/**
 * The equations of one pot with its load, and the pot's state. One lump for base water, base food and
 * metal; one temperature per tin; free water; one lagged temperature and one count of boil-minutes per
 * food.
 */
export function createPot({ appliance, load, place, foods, grain }: Omit<SimulationCase, 'program' | 'release'>) {
  const pressurised = holdsPressure(appliance)
  const airPa = ambientPa(place.altitudeM)
  const boilC = saturationC(airPa)
  const condensingC = boilC - CONDENSING_BELOW_BOILING_K
  const leakReferencePa = !pressurised ? 1 : appliance.kind === 'electric' ? appliance.highPa : appliance.liftPa
  const leakKgPerSPa = pressurised ? appliance.leakKgPerS / leakReferencePa : 0
  const ventKgPerS = pressurised ? appliance.ventKgPerS : 0
  const reflux = pressurised ? 0 : appliance.reflux
  const lossWPerK = appliance.lossWPerK
  const roomC = place.roomC
  const solidJPerK = appliance.metalKg * appliance.metalJPerKgK + load.foodJPerK

  const tins = load.vessels
  const lags = foods.map((food) => lagSeconds(food.sizeMm))
  // The state: temperature, free water, heat put in, each tin, each food's lagged middle, each food's boil-minutes.
  const TIN = 3
  const MIDDLE = TIN + tins.length
  const DOSE = MIDDLE + foods.length
  const GRAIN_DOSE = DOSE + (grain?.food ?? 0)
  const size = DOSE + foods.length

  const pot: PotState = {
    y: new Float64Array(size),
    burnerW: 0,
    setC: Infinity,
    thermostatW: 0,
    slopeKPerS: 0,
    prescribedSteamKgPerS: 0,
    regime: 'free',
    ventOpen: false,
    purged: false,
    condensing: load.startC >= condensingC,
    cookingMask: load.startC >= COOKING_STARTS_C ? ~0 : 0,
  }
  pot.y[0] = load.startC
  pot.y[1] = load.freeWaterKg
  tins.forEach((tin, i) => (pot.y[TIN + i] = tin.startC ?? load.startC))
  foods.forEach((food, i) => (pot.y[MIDDLE + i] = food.startC ?? load.startC))

  /** The component of the state whose temperature cooks a food. */
  const hottest = (i: number) => (lags[i]! > 0 ? MIDDLE + i : foods[i]!.vessel === null ? 0 : TIN + foods[i]!.vessel!)
  const kineticComponents = [...new Set(foods.map((_, i) => hottest(i)))]

  const gaugeAt = (tempC: number) => (tempC > boilC ? saturationPa(tempC) - airPa : 0)
  const uptakeAt = (doseBoilMinutes: number) =>
    grain
      ? grain.uptakeStart +
        (grain.uptakeMax - grain.uptakeStart) * (1 - Math.exp((-3 * doseBoilMinutes) / grain.tenderBoilMinutes))
      : 0

  /** Heat into the tins in W, by still air alone or by condensing steam. */
  const tinsTake = (tempC: number, state: Float64Array, steamy: boolean) => {
    let sumW = 0
    for (let i = 0; i < tins.length; i++)
      sumW += (steamy ? tins[i]!.couplingWPerK : STILL_AIR_W_PER_K) * (tempC - state[TIN + i]!)
    return sumW
  }

  /** Heat left over in W once losses, leak and tins have had theirs. */
  const surplusW = (state: Float64Array, heatW: number, steamy: boolean) => {
    const tempC = state[0]!
    const leakW = leakKgPerSPa === 0 ? 0 : leakKgPerSPa * gaugeAt(tempC) * latentJPerKg(tempC)
    return heatW - lossWPerK * (tempC - roomC) - leakW - tinsTake(tempC, state, steamy)
  }

  const rates = (state: Float64Array, out: Float64Array) => {
    const tempC = state[0]!
    const latent = latentJPerKg(tempC)
    let share = pot.condensing || pot.regime === 'held-boil' || pot.regime === 'held-set' ? 1 : 0
    let heatW = pot.burnerW
    let steamKgPerS = leakKgPerSPa === 0 ? 0 : leakKgPerSPa * gaugeAt(tempC)
    if (pot.ventOpen) steamKgPerS += ventKgPerS
    let netW = 0
    if (pot.regime === 'prescribed') steamKgPerS = pot.prescribedSteamKgPerS
    else if (pot.regime === 'held-condensing') {
      const cold = surplusW(state, heatW, false)
      const hot = surplusW(state, heatW, true)
      share = cold > hot ? Math.min(1, Math.max(0, cold / (cold - hot))) : 1
    } else if (pot.regime === 'held-set') {
      const spare = surplusW(state, heatW, true)
      if (appliance.kind === 'regulator') steamKgPerS += Math.max(0, spare) / latent
      else heatW -= spare
    } else if (pot.regime === 'held-boil') {
      steamKgPerS += (Math.max(0, surplusW(state, heatW, true)) / latent) * (1 - reflux)
    } else {
      const tinsW = share === 1 ? tinsTake(tempC, state, true) : tinsTake(tempC, state, false)
      netW = heatW - lossWPerK * (tempC - roomC) - steamKgPerS * latent - tinsW
    }
    out[0] =
      pot.regime === 'prescribed' ? pot.slopeKPerS : netW / (solidJPerK + WATER_J_PER_KG_K * Math.max(0, state[1]!))
    out[1] = -steamKgPerS
    out[2] = heatW
    for (let i = 0; i < tins.length; i++) {
      const tin = tins[i]!
      const wPerK = STILL_AIR_W_PER_K + share * (tin.couplingWPerK - STILL_AIR_W_PER_K)
      out[TIN + i] = (wPerK * (tempC - state[TIN + i]!)) / tin.heatJPerK
    }
    for (let i = 0; i < foods.length; i++) {
      const food = foods[i]!
      const around = food.vessel === null ? tempC : state[TIN + food.vessel]!
      const lagS = lags[i]!
      let middle = around
      if (lagS > 0) {
        middle = state[MIDDLE + i]!
        out[MIDDLE + i] = (around - middle) / lagS
      } else out[MIDDLE + i] = 0
      out[DOSE + i] =
        pot.cookingMask & (1 << i) && !food.absent ? boilMinutesPerMinute(middle, food.zC, food.zAbove110C) / 60 : 0
    }
    if (grain && state[1]! > 0) {
      const left = Math.exp((-3 * state[GRAIN_DOSE]!) / grain.tenderBoilMinutes)
      const uptakePerS = (grain.uptakeMax - grain.uptakeStart) * (3 / grain.tenderBoilMinutes) * left * out[GRAIN_DOSE]!
      out[1] -= grain.dryKg * uptakePerS
    }
  }

  /** Decides whether a pot at a threshold stays on it, and on which side it goes on if not. */
  const settle = (threshold: 'condensing' | 'set' | 'boiling') => {
    if (pot.regime === 'prescribed') {
      pot.condensing = pot.slopeKPerS > 0
      return
    }
    if (threshold === 'condensing' && tins.length > 0) {
      const below = surplusW(pot.y, pot.burnerW, false)
      const above = surplusW(pot.y, pot.burnerW, true)
      pot.regime = below > 0 && above < 0 && !pot.ventOpen ? 'held-condensing' : 'free'
      pot.condensing = above >= 0 && !pot.ventOpen
    } else if (threshold === 'set' || threshold === 'boiling') {
      pot.regime = surplusW(pot.y, pot.burnerW, true) >= 0 ? (threshold === 'set' ? 'held-set' : 'held-boil') : 'free'
    }
  }
  const stillHeld = () => {
    if (pot.regime === 'prescribed') return true
    if (pot.regime === 'held-condensing')
      return surplusW(pot.y, pot.burnerW, false) > 0 && surplusW(pot.y, pot.burnerW, true) < 0
    return surplusW(pot.y, pot.burnerW, true) >= 0
  }

  /** The first boil: air and a mass of water leave at once, with their latent heat. */
  const purge = () => {
    if (!pressurised) return
    pot.purged = true
    const purgeKg = Math.min(appliance.purgeKg, Math.max(0, pot.y[1]!))
    pot.y[0]! -= (purgeKg * latentJPerKg(boilC)) / (solidJPerK + WATER_J_PER_KG_K * pot.y[1]!)
    pot.y[1]! -= purgeKg
    pot.regime = 'free'
    pot.condensing = pot.y[0]! > condensingC
  }

  /** Foods whose temperature is that component start or stop cooking. */
  const cook = (component: number, rising: boolean) => {
    for (let i = 0; i < foods.length; i++)
      if (hottest(i) === component) pot.cookingMask = rising ? pot.cookingMask | (1 << i) : pot.cookingMask & ~(1 << i)
  }

  /** Heat in W that an electric cooker gives now. */
  const heatNowW = () =>
    pot.regime === 'held-set' && appliance.kind === 'electric'
      ? Math.max(0, pot.burnerW - surplusW(pot.y, pot.burnerW, true))
      : pot.burnerW

  const shortestLagS = Math.min(...lags.filter((lag) => lag > 0), Infinity)
  const tinLagS = Math.min(
    ...tins.map((tin) => tin.heatJPerK / Math.max(tin.couplingWPerK, STILL_AIR_W_PER_K)),
    Infinity,
  )

  return {
    state: pot,
    size,
    airPa,
    boilC,
    condensingC,
    kineticComponents,
    hasTins: tins.length > 0,
    /** The longest step that the quickest tin and the thinnest lagging piece allow. */
    stiffestS: Math.min(shortestLagS, tinLagS / 4),
    /** Components that warm behind the base: tins and middles. */
    following: { from: TIN, to: DOSE },
    rates,
    settle,
    stillHeld,
    purge,
    cook,
    heatNowW,
    gaugeAt,
    boilMinutes: () => foods.map((_, i) => pot.y[DOSE + i]!),
    uptake: () => (grain ? uptakeAt(pot.y[GRAIN_DOSE]!) : null),
    drunkKg: () => (grain ? grain.dryKg * (uptakeAt(pot.y[GRAIN_DOSE]!) - grain.uptakeStart) : 0),
  }
}
