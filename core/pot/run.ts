import { saturationC } from '../steam/steam'
import { holdsPressure } from './appliance'
import type { Ending, ProfilePoint, Release, Simulation, SimulationCase, Step, TracePoint } from './case'
import { createIntegrator } from './integrate'
import { COOKING_STARTS_C, SLOWER_ABOVE_C } from './kinetics'
import { createPot, type PotState } from './physics'

/** The lid can be opened below this gauge pressure. */
export const OPENS_PA = 2000
/** A rice cooker's thermostat trips when no more than this is left to boil. */
const RICE_DRY_KG = 0.005
/** No kitchen program is longer. */
const LONGEST_S = 48 * 3600
const MOST_STEPS = 400_000
/** Slower than this at full heat and the pot has found its balance: it will not get there. */
const STALLED_K_PER_S = 2e-6
const STALLED_FOLLOWER_K_PER_S = 1e-4

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
  /** Sets the heat of a step, and leaves open how long. */
  heat(step: Exclude<Step, { profile: unknown }>): void
  /** Goes on with the heat as it is until a minute of the run; false when it has ended early. */
  until(minute: number): boolean
  /** The valve is opened, or the weight lifted; or it is shut again. */
  valve(open: boolean): void
  /** The heat is off for good. */
  off(): void
  /** Heat off, and wait until the lid can be opened. */
  release(release: Release): boolean
  save(): RunMoment
  restore(moment: RunMoment): void
  /** Boil-minutes of each food so far. */
  boilMinutes(): number[]
  /** The pot at this moment. */
  now(): { minute: number; tempC: number; gaugePa: number; freeWaterG: number; ventOpen: boolean; whistles: number }
  result(): Simulation
}

/** Everything that changes during a run, at one moment. */
export interface RunMoment {
  pot: PotState
  atS: number
  boilsAtS: number | null
  pressureAtS: number | null
  heatOffS: number | null
  hottestC: number
  whistles: number
  tracePoints: number
  valveHeld: boolean
  ending: Ending
}

/**
 * Puts a load into a pot.
 *
 * The pot's equations (physics.ts) are integrated by fourth-order Runge-Kutta with the step bounded
 * by temperature change. Whatever changes the equations (boiling, lift, reseat,
 * set pressure, condensing on tins, dryness, the lid's release) happens at a temperature or a water
 * level, so each is located in time to the solver's precision and never stepped over. Where the
 * equations pull towards a threshold from both sides the pot stays on it (Filippov's rule).
 *
 * The case must have been checked (checkCase).
 */
export function startRun(input: Omit<SimulationCase, 'program' | 'release'>, options: RunOptions = {}): Run {
  const { appliance, load, foods } = input
  const stepScale = options.stepScale ?? 1
  const pressurised = holdsPressure(appliance)

  const physics = createPot(input)
  const { state: pot, airPa, boilC, condensingC, hasTins, stillHeld, settle } = physics
  const opensC = saturationC(airPa + OPENS_PA)
  const liftC = appliance.kind === 'whistling' ? saturationC(airPa + appliance.liftPa) : Infinity
  const reseatC = appliance.kind === 'whistling' ? saturationC(airPa + appliance.reseatPa) : -Infinity
  const anySlower = foods.some((food) => food.zAbove110C)

  const integrator = createIntegrator(physics.size, physics.rates)
  const now = new Float64Array(physics.size)
  let atS = 0
  let steps = 0
  let boilsAtS: number | null = null
  let pressureAtS: number | null = null
  let heatOffS: number | null = null
  let hottestC = load.startC
  let ending: Ending = 'done'
  const whistleS: number[] = []
  /** The cook holds the valve open: unlike a whistle it does not shut by itself. */
  let valveHeld = false
  const trace: TracePoint[] = []

  const record = () => {
    if (pot.y[0]! > hottestC) hottestC = pot.y[0]!
    if (!options.trace) return
    trace.push({
      minute: atS / 60,
      tempC: pot.y[0]!,
      gaugePa: physics.gaugeAt(pot.y[0]!),
      heatW: physics.heatNowW(),
      freeWaterKg: Math.max(0, pot.y[1]!),
      boilMinutes: physics.boilMinutes(),
    })
  }

  const arrive = ({ name, component }: Crossing, rising: boolean) => {
    switch (name) {
      case 'kinetics':
        physics.cook(component, rising)
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
        if (pressurised) physics.purge()
        else settle('boiling')
        break
      case 'lift':
        pot.ventOpen = true
        if (pressureAtS === null) pressureAtS = atS
        whistleS.push(atS)
        break
      case 'reseat':
        pot.ventOpen = false
        break
      case 'set':
        if (pressureAtS === null && pressurised) pressureAtS = atS
        if (pot.thermostatW > 0) pot.burnerW = pot.thermostatW
        settle('set')
        break
    }
  }

  let crossing: Crossing | null = null
  let earliest = Infinity
  const consider = (name: Threshold, component: number, value: number) => {
    const from = pot.y[component]!
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
    for (const component of physics.kineticComponents) consider('kinetics', component, COOKING_STARTS_C)
    if (anySlower) consider('slower', 0, SLOWER_ABOVE_C)
    if (hasTins) consider('condensing', 0, condensingC)
    if (pot.regime === 'prescribed') {
      consider('dry', 1, dryBelowKg)
      return crossing
    }
    if (integrator.next[0]! > pot.y[0]!) {
      if (!pressurised || !pot.purged) consider('boiling', 0, boilC)
      if (!pot.ventOpen) consider('lift', 0, liftC)
      consider('set', 0, pot.setC)
    } else {
      if (pot.ventOpen && !valveHeld) consider('reseat', 0, reseatC)
      if (releasing) consider('opens', 0, opensC)
      if (pot.thermostatW > 0) consider('set', 0, pot.setC)
    }
    consider('dry', 1, dryBelowKg)
    return crossing
  }

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
      if (pot.regime !== 'free' && !stillHeld()) {
        const held = pot.regime
        pot.regime = 'free'
        if (held === 'held-condensing') settle('condensing')
      }
      physics.rates(pot.y, now)
      const speed = Math.abs(now[0]!)
      let dt = Math.min(LONGEST_STEP_S, STEP_K / Math.max(speed, 1e-9), physics.stiffestS)
      // A tin or a thick piece still warming changes its own rate as it goes.
      const { from, to } = physics.following
      let quickestFollower = 0
      for (let i = from; i < to; i++) quickestFollower = Math.max(quickestFollower, Math.abs(now[i]!))
      dt = Math.min(dt, WARMING_STEP_K / Math.max(quickestFollower, 1e-9))
      dt = Math.min(dt * stepScale, untilS - atS)
      const stalled = speed < STALLED_K_PER_S && quickestFollower < STALLED_FOLLOWER_K_PER_S
      if (untilS === Infinity && pot.regime === 'free' && stalled && !pot.ventOpen) {
        ending = 'never-reaches-pressure'
        return false
      }

      integrator.step(pot.y, dt)
      let reached: Crossing | null = null
      let tookS = dt
      // Stopping at one threshold may show another just before it, on a curve that is not quite straight.
      for (let tries = 0; tries < 4; tries++) {
        const earlier = firstCrossing(releasing, dryBelowKg)
        if (!earlier || (reached && earlier.component === reached.component && earlier.value === reached.value)) break
        reached = earlier
        tookS = integrator.locate(pot.y, tookS, reached.component, reached.value)
      }
      const rising = reached !== null && integrator.next[reached.component]! > pot.y[reached.component]!
      integrator.accept(pot.y)
      atS += tookS
      const event = reached?.name ?? null
      if (reached) {
        pot.y[reached.component] = reached.value
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

  const setHeat = (step: Exclude<Step, { profile: unknown }>) => {
    pot.thermostatW = 0
    if (appliance.kind === 'bowl') pot.setC = Infinity
    if ('untilDry' in step) pot.burnerW = appliance.kind === 'rice' ? appliance.heaterW : 0
    else if ('minutesAtPressure' in step) {
      if (appliance.kind !== 'electric') throw new TypeError('minutesAtPressure belongs to an electric cooker')
      pot.burnerW = appliance.heaterW
      pot.setC = saturationC(airPa + (step.level === 'high' ? appliance.highPa : appliance.lowPa))
    } else if ('tempC' in step) {
      if (appliance.kind !== 'bowl') throw new TypeError('a temperature belongs to a heated bowl')
      pot.thermostatW = appliance.heaterW
      pot.setC = step.tempC
      pot.burnerW = pot.y[0]! < pot.setC - 1e-9 ? pot.thermostatW : 0
      if (pot.burnerW === 0 && Math.abs(pot.y[0]! - pot.setC) < 1e-6) pot.burnerW = pot.thermostatW
    } else if ('level' in step) {
      if (appliance.kind !== 'slow') throw new TypeError('level with minutes belongs to a slow cooker')
      pot.burnerW = step.level === 'high' ? appliance.highW : appliance.lowW
    } else pot.burnerW = step.heatW
    resume()
  }
  const never = () => false
  const runStep = (step: Step): boolean => {
    if ('profile' in step) return followProfile(step)
    setHeat(step)
    if ('untilDry' in step) return advance(Infinity, (event) => event === 'dry' && boilsAtS !== null, RICE_DRY_KG)
    if ('minutesAtPressure' in step)
      return (
        (pressureAtS !== null || advance(Infinity, () => pressureAtS !== null, 0)) &&
        advance(atS + step.minutesAtPressure * 60, never, 0)
      )
    if ('untilWhistles' in step) {
      const counted = () => whistleS.length >= step.untilWhistles && !pot.ventOpen
      return counted() || advance(Infinity, counted, 0)
    }
    if ('untilPressure' in step) return pressureAtS !== null || advance(Infinity, () => pressureAtS !== null, 0)
    if ('untilBoil' in step) return boilsAtS !== null || advance(Infinity, () => boilsAtS !== null, 0)
    if ('untilMinute' in step) return advance(step.untilMinute * 60, never, 0)
    // An open pot that only rests cannot scorch: its grain may drink the last of the water.
    const resting = 'heatW' in step && step.heatW === 0 && !pressurised
    return advance(atS + step.minutes * 60, never, resting ? -Infinity : 0)
  }
  /** Leads the pot along a measured curve, from wherever it is to the first point and on. */
  const followProfile = ({ profile, steamG }: { profile: ProfilePoint[]; steamG: number }): boolean => {
    const fromS = atS
    const lengthS = profile.at(-1)!.minute * 60
    pot.prescribedSteamKgPerS = steamG / 1000 / lengthS
    for (const { minute, tempC } of profile) {
      const untilS = fromS + minute * 60
      if (untilS <= atS) continue
      pot.regime = 'prescribed'
      pot.slopeKPerS = (tempC - pot.y[0]!) / (untilS - atS)
      if (!advance(untilS, () => false, 0)) return false
      pot.y[0] = tempC
    }
    pot.regime = 'free'
    pot.condensing = pot.y[0]! > condensingC
    return true
  }
  /** The burner has changed: whatever was held must be decided again. */
  const resume = () => {
    if (pot.regime === 'held-condensing' || (hasTins && Math.abs(pot.y[0]! - condensingC) < 1e-6)) settle('condensing')
    else if (pot.regime === 'held-set' && Math.abs(pot.y[0]! - pot.setC) > 1e-6) pot.regime = 'free'
    else if (pot.regime !== 'free' && !stillHeld()) pot.regime = 'free'
    record()
  }
  const holdValve = (open: boolean) => {
    valveHeld = open
    pot.ventOpen = open
    pot.regime = 'free'
    resume()
  }

  const off = () => {
    heatOffS = atS
    if (!pressurised) return
    pot.burnerW = 0
    pot.setC = Infinity
    pot.regime = 'free'
    resume()
  }

  const runRelease = (release: Release): boolean => {
    if (heatOffS === null) off()
    if (!pressurised) return true
    const waitS = release.kind === 'natural' ? Infinity : (release.afterMinutes ?? 0) * 60
    const isOpen = () => pot.y[0]! <= opensC + 1e-9
    if (!isOpen() && !advance(atS + waitS, isOpen, 0, true)) return false
    if (isOpen()) return true
    holdValve(true)
    return advance(Infinity, isOpen, 0, true)
  }

  if (appliance.kind === 'regulator') pot.setC = saturationC(airPa + (appliance.liftPa + appliance.reseatPa) / 2)
  record()

  return {
    step: runStep,
    heat: setHeat,
    until: (minute) => advance(minute * 60, never, 0),
    valve: holdValve,
    off,
    release: runRelease,
    boilMinutes: physics.boilMinutes,
    now: () => ({
      minute: atS / 60,
      tempC: pot.y[0]!,
      gaugePa: physics.gaugeAt(pot.y[0]!),
      freeWaterG: Math.max(0, pot.y[1]!) * 1000,
      ventOpen: pot.ventOpen,
      whistles: whistleS.length,
    }),
    save: () => ({
      pot: { ...pot, y: pot.y.slice() },
      atS,
      boilsAtS,
      pressureAtS,
      heatOffS,
      hottestC,
      whistles: whistleS.length,
      tracePoints: trace.length,
      valveHeld,
      ending,
    }),
    restore(moment) {
      // The state's array is the one that the equations hold on to.
      const { y } = pot
      Object.assign(pot, moment.pot, { y })
      y.set(moment.pot.y)
      ;({ atS, boilsAtS, pressureAtS, heatOffS, hottestC, valveHeld, ending } = moment)
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
      steamLostG: (load.freeWaterKg - pot.y[1]! - physics.drunkKg()) * 1000,
      freeWaterLeftG: Math.max(0, pot.y[1]!) * 1000,
      boilMinutes: physics.boilMinutes(),
      uptake: physics.uptake(),
      heatKJ: pot.y[2]! / 1000,
      hottestC,
      trace: trace.slice(),
    }),
  }

  function minutes(seconds: number | null) {
    return seconds === null ? null : seconds / 60
  }
}
