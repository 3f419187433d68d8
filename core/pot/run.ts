import { ambientPa, latentJPerKg, saturationC, saturationPa } from '../steam/steam'
import { holdsPressure } from './appliance'
import type { Ending, ProfilePoint, Release, Simulation, SimulationCase, Step, TracePoint } from './case'
import { boilMinutesPerMinute, COOKING_STARTS_C, lagSeconds, SLOWER_ABOVE_C } from './kinetics'
import { createIntegrator } from './integrate'

const WATER_J_PER_KG_K = 4220
/** Steam condenses on a tin from this far below boiling; under it the air in between hardly heats it. */
const CONDENSING_BELOW_BOILING_K = 2
const STILL_AIR_W_PER_K = 1
/** The lid can be opened below this gauge pressure. */
export const OPENS_PA = 2000
/** A rice cooker's thermostat trips when no more than this is left to boil. */
const RICE_DRY_KG = 0.005
/** No kitchen program is longer. */
const LONGEST_S = 48 * 3600
const MOST_STEPS = 400_000
/** Slower than this at full heat and the pot has found its balance: it will not get there. */
const STALLED_K_PER_S = 2e-6

const LONGEST_STEP_S = 300
/** Temperature change allowed in one step; the kinetics then err by well under 0.1 %. */
const STEP_K = 4
const WARMING_STEP_K = 2.5

export interface RunOptions {
  /** Multiplies every step length; for showing that the answer does not depend on it. */
  stepScale?: number
  /** Keep the points of the curve for drawing. */
  trace?: boolean
}

/** What the pot is doing between two events. Held: the temperature stands at a threshold. Prescribed: it follows a measured curve. */
type Regime = 'free' | 'held-condensing' | 'held-set' | 'held-boil' | 'prescribed'

/** Where the pot's temperature has just arrived. */
type Threshold = 'kinetics' | 'slower' | 'condensing' | 'boiling' | 'lift' | 'reseat' | 'set' | 'opens' | 'dry'

/** A threshold that a component of the state passes. */
interface Crossing {
  name: Threshold
  component: number
  value: number
}

/** A pot under way: steps are given to it one after another, and it can be put back to an earlier moment. */
export interface Run {
  /** Carries out one step; false when the run has ended early (see `result().ending`). */
  step(step: Step): boolean
  /** Heat off, and wait until the lid can be opened. */
  release(release: Release): boolean
  save(): RunMoment
  restore(moment: RunMoment): void
  /** Boil-minutes of each food so far. */
  boilMinutes(): number[]
  result(): Simulation
}

/** Everything that changes during a run, at one moment. */
export interface RunMoment {
  y: Float64Array
  burnerW: number
  setC: number
  thermostatW: number
  regime: Regime
  ventOpen: boolean
  purged: boolean
  condensing: boolean
  cookingMask: number
  atS: number
  boilsAtS: number | null
  pressureAtS: number | null
  heatOffS: number | null
  hottestC: number
  whistles: number
  tracePoints: number
  ending: Ending
}

/**
 * Puts a load into a pot.
 *
 * One lump for base water, base food and metal; one temperature per tin; free water; one lagged
 * temperature and one count of boil-minutes per food. Integrated by fourth-order Runge-Kutta with
 * the step bounded by temperature change. Whatever changes the equations (boiling, lift, reseat,
 * set pressure, condensing on tins, dryness, the lid's release) happens at a temperature or a water
 * level, so each is located in time to the solver's precision and never stepped over. Where the
 * equations pull towards a threshold from both sides the pot stays on it (Filippov's rule).
 *
 * The case must have been checked (checkCase).
 */
export function startRun(input: Omit<SimulationCase, 'program' | 'release'>, options: RunOptions = {}): Run {
  const { appliance, load, place, foods, grain } = input
  const stepScale = options.stepScale ?? 1
  const pressurised = holdsPressure(appliance)

  const airPa = ambientPa(place.altitudeM)
  const boilC = saturationC(airPa)
  const condensingC = boilC - CONDENSING_BELOW_BOILING_K
  const opensC = saturationC(airPa + OPENS_PA)
  const liftC = appliance.kind === 'whistling' ? saturationC(airPa + appliance.liftPa) : Infinity
  const reseatC = appliance.kind === 'whistling' ? saturationC(airPa + appliance.reseatPa) : -Infinity
  const leakReferencePa = !pressurised ? 1 : appliance.kind === 'electric' ? appliance.highPa : appliance.liftPa
  const leakKgPerSPa = pressurised ? appliance.leakKgPerS / leakReferencePa : 0
  const ventKgPerS = pressurised ? appliance.ventKgPerS : 0
  const reflux = pressurised ? 0 : appliance.reflux
  const lossWPerK = appliance.lossWPerK
  const roomC = place.roomC
  const solidJPerK = appliance.metalKg * appliance.metalJPerKgK + load.foodJPerK

  const anySlower = foods.some((food) => food.zAbove110C)

  const tins = load.vessels
  const lags = foods.map((food) => lagSeconds(food.sizeMm))
  // The state: temperature, free water, heat put in, each tin, each food's lagged middle, each food's boil-minutes.
  const TIN = 3
  const MIDDLE = TIN + tins.length
  const DOSE = MIDDLE + foods.length
  const GRAIN_DOSE = DOSE + (grain?.food ?? 0)
  const size = DOSE + foods.length
  const y = new Float64Array(size)
  y[0] = load.startC
  y[1] = load.freeWaterKg
  for (let i = 0; i < tins.length + foods.length; i++) y[TIN + i] = load.startC

  let burnerW = 0
  let setC = Infinity
  /** Above zero when a thermostat may switch the heat on again at setC. */
  let thermostatW = 0
  let slopeKPerS = 0
  let prescribedSteamKgPerS = 0
  let regime: Regime = 'free'
  let ventOpen = false
  let purged = false
  // Which side of a threshold the pot is on is a fact of the run, not of a temperature: within one step it must not change.
  let condensing = load.startC >= condensingC
  let cookingMask = load.startC >= COOKING_STARTS_C ? ~0 : 0
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
  const tinsTake = (tempC: number, state: Float64Array, condensing: boolean) => {
    let sumW = 0
    for (let i = 0; i < tins.length; i++)
      sumW += (condensing ? tins[i]!.couplingWPerK : STILL_AIR_W_PER_K) * (tempC - state[TIN + i]!)
    return sumW
  }

  /** Heat left over in W once losses, leak and tins have had theirs. */
  const surplusW = (state: Float64Array, heatW: number, condensing: boolean) => {
    const tempC = state[0]!
    const leakW = leakKgPerSPa === 0 ? 0 : leakKgPerSPa * gaugeAt(tempC) * latentJPerKg(tempC)
    return heatW - lossWPerK * (tempC - roomC) - leakW - tinsTake(tempC, state, condensing)
  }

  const rates = (state: Float64Array, out: Float64Array) => {
    const tempC = state[0]!
    const latent = latentJPerKg(tempC)
    let share = condensing || regime === 'held-boil' || regime === 'held-set' ? 1 : 0
    let heatW = burnerW
    let steamKgPerS = leakKgPerSPa === 0 ? 0 : leakKgPerSPa * gaugeAt(tempC)
    if (ventOpen) steamKgPerS += ventKgPerS
    let netW = 0
    if (regime === 'prescribed') steamKgPerS = prescribedSteamKgPerS
    else if (regime === 'held-condensing') {
      const cold = surplusW(state, heatW, false)
      const hot = surplusW(state, heatW, true)
      share = cold > hot ? Math.min(1, Math.max(0, cold / (cold - hot))) : 1
    } else if (regime === 'held-set') {
      const spare = surplusW(state, heatW, true)
      if (appliance.kind === 'regulator') steamKgPerS += Math.max(0, spare) / latent
      else heatW -= spare
    } else if (regime === 'held-boil') {
      steamKgPerS += (Math.max(0, surplusW(state, heatW, true)) / latent) * (1 - reflux)
    } else {
      const tinsW = share === 1 ? tinsTake(tempC, state, true) : tinsTake(tempC, state, false)
      netW = heatW - lossWPerK * (tempC - roomC) - steamKgPerS * latent - tinsW
    }
    out[0] = regime === 'prescribed' ? slopeKPerS : netW / (solidJPerK + WATER_J_PER_KG_K * Math.max(0, state[1]!))
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
      out[DOSE + i] = cookingMask & (1 << i) ? boilMinutesPerMinute(middle, food.zC, food.zAbove110C) / 60 : 0
    }
    if (grain && state[1]! > 0) {
      const left = Math.exp((-3 * state[GRAIN_DOSE]!) / grain.tenderBoilMinutes)
      const uptakePerS = (grain.uptakeMax - grain.uptakeStart) * (3 / grain.tenderBoilMinutes) * left * out[GRAIN_DOSE]!
      out[1] -= grain.dryKg * uptakePerS
    }
  }

  const integrator = createIntegrator(size, rates)
  let atS = 0
  let steps = 0
  let boilsAtS: number | null = null
  let pressureAtS: number | null = null
  let heatOffS: number | null = null
  let hottestC = load.startC
  let ending: Ending = 'done'
  const whistleS: number[] = []
  const trace: TracePoint[] = []

  const record = () => {
    if (y[0]! > hottestC) hottestC = y[0]!
    if (!options.trace) return
    const heatNowW = regime === 'held-set' && appliance.kind === 'electric' ? holdingW() : burnerW
    trace.push({
      minute: atS / 60,
      tempC: y[0]!,
      gaugePa: gaugeAt(y[0]!),
      heatW: heatNowW,
      freeWaterKg: Math.max(0, y[1]!),
    })
  }
  const holdingW = () => Math.max(0, burnerW - surplusW(y, burnerW, true))

  /** Decides whether a pot at a threshold stays on it, and on which side it goes on if not. */
  const settle = (threshold: Threshold) => {
    if (regime === 'prescribed') {
      condensing = slopeKPerS > 0
      return
    }
    if (threshold === 'condensing' && tins.length > 0) {
      const below = surplusW(y, burnerW, false)
      const above = surplusW(y, burnerW, true)
      regime = below > 0 && above < 0 && !ventOpen ? 'held-condensing' : 'free'
      condensing = above >= 0 && !ventOpen
    } else if (threshold === 'set' || threshold === 'boiling') {
      regime = surplusW(y, burnerW, true) >= 0 ? (threshold === 'set' ? 'held-set' : 'held-boil') : 'free'
    }
  }
  const stillHeld = () => {
    if (regime === 'prescribed') return true
    if (regime === 'held-condensing') return surplusW(y, burnerW, false) > 0 && surplusW(y, burnerW, true) < 0
    return surplusW(y, burnerW, true) >= 0
  }

  const arrive = ({ name, component }: Crossing, rising: boolean) => {
    switch (name) {
      case 'kinetics':
        for (let i = 0; i < foods.length; i++)
          if (hottest(i) === component) cookingMask = rising ? cookingMask | (1 << i) : cookingMask & ~(1 << i)
        break
      case 'slower':
      case 'opens':
      case 'dry':
        break
      case 'condensing':
        settle('condensing')
        break
      case 'boiling':
        if (boilsAtS === null) boilsAtS = atS
        if (pressurised) {
          purged = true
          const purgeKg = Math.min(appliance.purgeKg, Math.max(0, y[1]!))
          y[0]! -= (purgeKg * latentJPerKg(boilC)) / (solidJPerK + WATER_J_PER_KG_K * y[1]!)
          y[1]! -= purgeKg
          regime = 'free'
          condensing = y[0]! > condensingC
        } else settle('boiling')
        break
      case 'lift':
        ventOpen = true
        if (pressureAtS === null) pressureAtS = atS
        whistleS.push(atS)
        break
      case 'reseat':
        ventOpen = false
        break
      case 'set':
        if (pressureAtS === null && pressurised) pressureAtS = atS
        if (thermostatW > 0) burnerW = thermostatW
        settle('set')
        break
    }
  }

  let crossing: Crossing | null = null
  let earliest = Infinity
  const consider = (name: Threshold, component: number, value: number) => {
    const from = y[component]!
    const to = integrator.next[component]!
    if (to > from ? from >= value || value > to : from <= value || value < to) return
    const fraction = (value - from) / (to - from)
    if (fraction >= earliest) return
    earliest = fraction
    crossing = { name, component, value }
  }
  /** The first threshold between the state `y` and the integrator's next one, by linear interpolation. */
  const firstCrossing = (releasing: boolean, dryBelowKg: number): Crossing | null => {
    crossing = null
    earliest = Infinity
    for (let i = 0; i < kineticComponents.length; i++) consider('kinetics', kineticComponents[i]!, COOKING_STARTS_C)
    if (anySlower) consider('slower', 0, SLOWER_ABOVE_C)
    if (tins.length > 0) consider('condensing', 0, condensingC)
    if (regime === 'prescribed') {
      consider('dry', 1, dryBelowKg)
      return crossing
    }
    if (integrator.next[0]! > y[0]!) {
      if (!pressurised || !purged) consider('boiling', 0, boilC)
      if (!ventOpen) consider('lift', 0, liftC)
      consider('set', 0, setC)
    } else {
      if (ventOpen && !releasing) consider('reseat', 0, reseatC)
      if (releasing) consider('opens', 0, opensC)
      if (thermostatW > 0) consider('set', 0, setC)
    }
    consider('dry', 1, dryBelowKg)
    return crossing
  }

  const shortestLagS = Math.min(...lags.filter((lag) => lag > 0), Infinity)
  const tinLagS = Math.min(
    ...tins.map((tin) => tin.heatJPerK / Math.max(tin.couplingWPerK, STILL_AIR_W_PER_K)),
    Infinity,
  )
  const now = new Float64Array(size)

  /**
   * Goes on until `untilS`, or until `stop` says so after an event.
   * Returns false when the simulation must end for good.
   */
  const advance = (
    untilS: number,
    stop: (event: Threshold | null) => boolean,
    dryBelowKg: number,
    releasing = false,
  ) => {
    while (atS < untilS) {
      if (++steps > MOST_STEPS || atS > LONGEST_S) {
        ending = 'never-ends'
        return false
      }
      if (regime !== 'free' && !stillHeld()) {
        const held = regime
        regime = 'free'
        if (held === 'held-condensing') settle('condensing')
      }
      rates(y, now)
      const speed = Math.abs(now[0]!)
      let dt = Math.min(LONGEST_STEP_S, STEP_K / Math.max(speed, 1e-9), shortestLagS, tinLagS / 4)
      // A tin or a thick piece still warming changes its own rate as it goes.
      for (let i = TIN; i < DOSE; i++) dt = Math.min(dt, WARMING_STEP_K / Math.max(Math.abs(now[i]!), 1e-9))
      dt = Math.min(dt * stepScale, untilS - atS)
      const unbounded = untilS === Infinity
      if (unbounded && regime === 'free' && speed < STALLED_K_PER_S && !ventOpen && !anyTinWarming()) {
        ending = 'never-reaches-pressure'
        return false
      }

      integrator.step(y, dt)
      let reached: Crossing | null = null
      let tookS = dt
      // Stopping at one threshold may show another just before it, on a curve that is not quite straight.
      for (let tries = 0; tries < 4; tries++) {
        const earlier = firstCrossing(releasing, dryBelowKg)
        if (!earlier || (reached && earlier.component === reached.component && earlier.value === reached.value)) break
        reached = earlier
        tookS = integrator.locate(y, tookS, reached.component, reached.value)
      }
      const rising = reached !== null && integrator.next[reached.component]! > y[reached.component]!
      integrator.accept(y)
      atS += tookS
      const event = reached?.name ?? null
      if (reached) {
        y[reached.component] = reached.value
        record()
        arrive(reached, rising)
      }
      record()
      if (event === 'dry' && dryBelowKg === 0) {
        ending = 'boiled-dry'
        return false
      }
      if (stop(event)) return true
    }
    return true
  }
  const anyTinWarming = () => tins.some((_, i) => Math.abs(now[TIN + i]!) > 1e-4)

  const runStep = (step: Step): boolean => {
    const never = () => false
    thermostatW = 0
    if (appliance.kind === 'bowl') setC = Infinity
    if ('untilDry' in step) {
      burnerW = appliance.kind === 'rice' ? appliance.heaterW : 0
      return resume() && advance(Infinity, (event) => event === 'dry' && boilsAtS !== null, RICE_DRY_KG)
    }
    if ('minutesAtPressure' in step) {
      if (appliance.kind !== 'electric') throw new TypeError('minutesAtPressure belongs to an electric cooker')
      burnerW = appliance.heaterW
      setC = saturationC(airPa + (step.level === 'high' ? appliance.highPa : appliance.lowPa))
      return (
        resume() &&
        (pressureAtS !== null || advance(Infinity, () => pressureAtS !== null, 0)) &&
        advance(atS + step.minutesAtPressure * 60, never, 0)
      )
    }
    if ('profile' in step) return followProfile(step)
    if ('tempC' in step) {
      if (appliance.kind !== 'bowl') throw new TypeError('a temperature belongs to a heated bowl')
      thermostatW = appliance.heaterW
      setC = step.tempC
      burnerW = y[0]! < setC - 1e-9 ? thermostatW : 0
      if (burnerW === 0 && Math.abs(y[0]! - setC) < 1e-6) burnerW = thermostatW
      return resume() && advance(atS + step.minutes * 60, never, 0)
    }
    if ('level' in step) {
      if (appliance.kind !== 'slow') throw new TypeError('level with minutes belongs to a slow cooker')
      burnerW = step.level === 'high' ? appliance.highW : appliance.lowW
      return resume() && advance(atS + step.minutes * 60, never, 0)
    }
    burnerW = step.heatW
    if (!resume()) return false
    if ('untilWhistles' in step) {
      const counted = () => whistleS.length >= step.untilWhistles && !ventOpen
      return counted() || advance(Infinity, counted, 0)
    }
    if ('untilPressure' in step) return pressureAtS !== null || advance(Infinity, () => pressureAtS !== null, 0)
    if ('untilBoil' in step) return boilsAtS !== null || advance(Infinity, () => boilsAtS !== null, 0)
    if ('untilMinute' in step) return advance(step.untilMinute * 60, never, 0)
    // An open pot that only rests cannot scorch: its grain may drink the last of the water.
    const resting = step.heatW === 0 && !pressurised
    return advance(atS + step.minutes * 60, never, resting ? -Infinity : 0)
  }
  /** Leads the pot along a measured curve, from wherever it is to the first point and on. */
  const followProfile = ({ profile, steamG }: { profile: ProfilePoint[]; steamG: number }): boolean => {
    const fromS = atS
    const lengthS = profile.at(-1)!.minute * 60
    prescribedSteamKgPerS = steamG / 1000 / lengthS
    for (const { minute, tempC } of profile) {
      const untilS = fromS + minute * 60
      if (untilS <= atS) continue
      regime = 'prescribed'
      slopeKPerS = (tempC - y[0]!) / (untilS - atS)
      if (!advance(untilS, () => false, 0)) return false
      y[0] = tempC
    }
    regime = 'free'
    condensing = y[0]! > condensingC
    return true
  }
  /** The burner has changed: whatever was held must be decided again. */
  const resume = () => {
    if (regime === 'held-condensing' || (tins.length > 0 && Math.abs(y[0]! - condensingC) < 1e-6)) settle('condensing')
    else if (regime === 'held-set' && Math.abs(y[0]! - setC) > 1e-6) regime = 'free'
    else if (regime !== 'free' && !stillHeld()) regime = 'free'
    record()
    return true
  }

  const runRelease = (release: Release): boolean => {
    heatOffS = atS
    if (!pressurised) return true
    burnerW = 0
    setC = Infinity
    regime = 'free'
    resume()
    const waitS = release.kind === 'natural' ? Infinity : (release.afterMinutes ?? 0) * 60
    const isOpen = () => y[0]! <= opensC + 1e-9
    if (!isOpen() && !advance(atS + waitS, isOpen, 0, true)) return false
    if (isOpen()) return true
    ventOpen = true
    record()
    return advance(Infinity, isOpen, 0, true)
  }

  if (appliance.kind === 'regulator') setC = saturationC(airPa + (appliance.liftPa + appliance.reseatPa) / 2)
  record()

  return {
    step: runStep,
    release: runRelease,
    boilMinutes: () => foods.map((_, i) => y[DOSE + i]!),
    save: () => ({
      y: y.slice(),
      burnerW,
      setC,
      thermostatW,
      regime,
      ventOpen,
      purged,
      condensing,
      cookingMask,
      atS,
      boilsAtS,
      pressureAtS,
      heatOffS,
      hottestC,
      whistles: whistleS.length,
      tracePoints: trace.length,
      ending,
    }),
    restore(moment) {
      y.set(moment.y)
      ;({
        burnerW,
        setC,
        thermostatW,
        regime,
        ventOpen,
        purged,
        condensing,
        cookingMask,
        atS,
        boilsAtS,
        pressureAtS,
        heatOffS,
        hottestC,
        ending,
      } = moment)
      whistleS.length = moment.whistles
      trace.length = moment.tracePoints
    },
    result: () => ({
      ending,
      minutesToPressure: minutes(pressureAtS),
      boilsAtMinute: minutes(boilsAtS),
      heatOffMinute: (heatOffS ?? atS) / 60,
      releaseMinutes: heatOffS === null ? 0 : (atS - heatOffS) / 60,
      whistles: whistleS.length,
      whistleMinutes: whistleS.map((s) => s / 60),
      steamLostG: steamLostG(),
      freeWaterLeftG: Math.max(0, y[1]!) * 1000,
      boilMinutes: foods.map((_, i) => y[DOSE + i]!),
      uptake: grain ? uptakeAt(y[GRAIN_DOSE]!) : null,
      heatKJ: y[2]! / 1000,
      hottestC,
      trace: trace.slice(),
    }),
  }

  function steamLostG() {
    const drunkKg = grain ? grain.dryKg * (uptakeAt(y[GRAIN_DOSE]!) - grain.uptakeStart) : 0
    return (load.freeWaterKg - y[1]! - drunkKg) * 1000
  }
  function minutes(seconds: number | null) {
    return seconds === null ? null : seconds / 60
  }
}
