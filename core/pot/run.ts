import type { Release, Step, StepOf } from '../appliance/step.schema'
import { saturationC } from '../steam/steam'
import type { LoadedPot } from './case.schema'
import { Integrator } from './integrate'
import { Pot, type Knobs } from './physics'
import type { Ending, Simulation, TracePoint } from './simulation'
import { Thresholds, type Crossing } from './thresholds'

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
/** What drinks may come so far in one step, as a share of its way to tender: it slows down as it fills. */
const DRINKING_SHARE = 0.1
/** Temperature change allowed in one step: what cooks is integrated along it (cooking.ts). */
const STEP_K = 18
/** The same where a grain drinks meanwhile, and where the curve is to be drawn. */
const DRINKING_STEP_K = 4
const DRAWN_STEP_K = 4
/** Change of a tin or a thick piece allowed in one step. */
const WARMING_STEP_K = 2.5

export interface RunOptions {
  /** Multiplies every step length; for showing that the answer does not depend on it. */
  stepScale?: number
  /** Keep the points of the curve for drawing. */
  trace?: boolean
}

/** A step whose heat can be set, leaving open how long. */
export type HeatStep = Exclude<Step, StepOf<'profile'>>

/** Moments that a run is asked for, in s from its start. */
interface Clock {
  atS: number
  boilsAtS: number | null
  pressureAtS: number | null
  heatOffS: number | null
  hottestC: number
  /** The cook holds the valve open: unlike a whistle it does not shut by itself. */
  valveHeld: boolean
  ending: Ending
}

/** Everything that changes during a run, at one moment. */
export interface RunMoment {
  y: Float64Array
  doses: Float64Array
  peaksC: Float64Array
  cookingMask: number
  knobs: Knobs
  clock: Clock
  whistleS: number[]
  trace: TracePoint[]
}

/**
 * A pot under way: steps are given to it one after another, and it can be put back to any moment that was saved.
 *
 * The pot's equations (physics.ts) are integrated by fourth-order Runge-Kutta with the step bounded by temperature
 * change. Whatever changes the equations (boiling, lift, reseat, set pressure, condensing on tins, dryness, the
 * lid's release) happens at a temperature or a water level, so each is located in time to the solver's precision
 * and never stepped over. Where the equations pull towards a threshold from both sides the pot stays on it
 * (Filippov's rule).
 */
export class Run {
  private readonly pot: Pot
  private readonly integrator: Integrator
  private readonly thresholds: Thresholds
  private readonly stepScale: number
  private readonly stepK: number
  private readonly traced: boolean
  private readonly opensC: number
  private steps = 0
  private clock: Clock
  private whistleS: number[] = []
  private trace: TracePoint[] = []

  /** Puts a load into a pot. The case must have been checked (checkCase). */
  constructor(
    private readonly input: LoadedPot,
    options: RunOptions = {},
  ) {
    this.stepScale = options.stepScale ?? 1
    this.traced = options.trace ?? false
    this.stepK = this.traced ? DRAWN_STEP_K : input.grain ? DRINKING_STEP_K : STEP_K
    this.pot = new Pot(input)
    this.integrator = new Integrator(this.pot.y.length, this.pot.rates)
    this.opensC = saturationC(this.pot.airPa + OPENS_PA)
    this.thresholds = new Thresholds(this.pot, input, this.opensC)
    this.clock = {
      atS: 0,
      boilsAtS: null,
      pressureAtS: null,
      heatOffS: null,
      hottestC: input.load.startC,
      valveHeld: false,
      ending: 'done',
    }
    const { hissesPa } = this.pot.equations
    if (hissesPa !== undefined) this.pot.knobs.setC = saturationC(this.pot.airPa + hissesPa)
    this.record()
  }

  /** Carries out one step; false when the run has ended early (see `result().ending`). */
  step(step: Step): boolean {
    if (step.kind === 'profile') return this.followProfile(step)
    this.heat(step)
    const { clock } = this
    switch (step.kind) {
      case 'dry':
        return this.advance(Infinity, (event) => event === 'dry' && clock.boilsAtS !== null, RICE_DRY_KG)
      case 'at-pressure':
        return (
          (clock.pressureAtS !== null || this.advance(Infinity, () => clock.pressureAtS !== null)) &&
          this.advance(clock.atS + step.minutesAtPressure * 60)
        )
      case 'whistles': {
        const counted = () => this.whistleS.length >= step.untilWhistles && !this.pot.knobs.ventOpen
        return counted() || this.advance(Infinity, counted)
      }
      case 'pressure':
        return clock.pressureAtS !== null || this.advance(Infinity, () => clock.pressureAtS !== null)
      case 'boil':
        return clock.boilsAtS !== null || this.advance(Infinity, () => clock.boilsAtS !== null)
      case 'clock':
        return this.advance(step.untilMinute * 60)
      default: {
        // An open pot that only rests cannot scorch: its grain may drink the last of the water.
        const rests = step.kind === 'minutes' && step.heatW === 0 && !this.pot.pressurised
        return this.advance(clock.atS + step.minutes * 60, never, rests ? null : 0)
      }
    }
  }

  /** Sets the heat of a step, and leaves open how long. */
  heat(step: HeatStep): void {
    const { knobs, equations, airPa, tempC } = this.pot
    const setting = equations.setting(step)
    if (!setting) throw new TypeError(`A ${this.input.appliance.kind} cooker has no step “${step.kind}”.`)
    const { burnerW, setPa, thermostatC } = setting
    if (knobs.thermostatW > 0) knobs.setC = Infinity
    knobs.thermostatW = 0
    knobs.burnerW = burnerW
    if (setPa !== undefined) knobs.setC = saturationC(airPa + setPa)
    if (thermostatC !== undefined) {
      knobs.thermostatW = burnerW
      knobs.setC = thermostatC
      const reached = Math.abs(tempC - thermostatC) < 1e-6
      knobs.burnerW = tempC < thermostatC - 1e-9 || reached ? burnerW : 0
    }
    this.resume()
  }

  /** Goes on with the heat as it is until a minute of the run; false when it has ended early. */
  until(minute: number): boolean {
    return this.advance(minute * 60)
  }

  /** The valve is opened, or the weight lifted; or it is shut again. */
  valve(open: boolean): void {
    const { knobs, tempC, boilC } = this.pot
    this.clock.valveHeld = open
    Object.assign(knobs, { ventOpen: open, vented: tempC <= boilC, regime: 'free' } satisfies Partial<Knobs>)
    this.resume()
  }

  /** The heat is off for good. */
  off(): void {
    this.clock.heatOffS = this.clock.atS
    if (!this.pot.pressurised) return
    Object.assign(this.pot.knobs, { burnerW: 0, setC: Infinity, regime: 'free' } satisfies Partial<Knobs>)
    this.resume()
  }

  /** Heat off, and wait until the lid can be opened. */
  release(release: Release): boolean {
    const { clock, pot } = this
    if (clock.heatOffS === null) this.off()
    if (!pot.pressurised) return true
    const waitS = release.kind === 'natural' ? Infinity : (release.afterMinutes ?? 0) * 60
    const isOpen = () => pot.tempC <= this.opensC + 1e-9
    if (!isOpen() && !this.advance(clock.atS + waitS, isOpen, 0, true)) return false
    if (isOpen()) return true
    this.valve(true)
    return this.advance(Infinity, isOpen, 0, true)
  }

  save(): RunMoment {
    const { pot } = this
    return {
      y: pot.y.slice(),
      doses: pot.cooking.doses.slice(),
      peaksC: pot.cooking.peaksC.slice(),
      cookingMask: pot.cooking.mask,
      knobs: { ...pot.knobs },
      clock: { ...this.clock },
      whistleS: this.whistleS.slice(),
      trace: this.trace.slice(),
    }
  }

  restore({ y, doses, peaksC, cookingMask, knobs, clock, whistleS, trace }: RunMoment): void {
    const { pot } = this
    pot.y.set(y)
    pot.cooking.doses.set(doses)
    pot.cooking.peaksC.set(peaksC)
    pot.cooking.mask = cookingMask
    Object.assign(pot.knobs, knobs)
    Object.assign(this.clock, clock)
    // It may be put back to a later moment than the one at which it stands.
    this.whistleS = whistleS.slice()
    this.trace = trace.slice()
  }

  /** Boil-minutes of each food so far. */
  boilMinutes(): number[] {
    // Without the iterator, which costs more than all the figures.
    const { doses } = this.pot.cooking
    const all = new Array<number>(doses.length)
    for (let i = 0; i < doses.length; i++) all[i] = doses[i]!
    return all
  }

  /** The pot at this moment. */
  now() {
    const { pot, clock, whistleS } = this
    return {
      minute: clock.atS / 60,
      tempC: pot.tempC,
      gaugePa: pot.gaugeAt(pot.tempC),
      freeWaterG: Math.max(0, pot.waterKg) * 1000,
      ventOpen: pot.knobs.ventOpen,
      whistles: whistleS.length,
    }
  }

  result(): Simulation {
    const { pot, input, whistleS, trace } = this
    const { atS, boilsAtS, pressureAtS, heatOffS, hottestC, ending } = this.clock
    return {
      ending,
      minutesToPressure: inMinutes(pressureAtS),
      boilsAtMinute: inMinutes(boilsAtS),
      heatOffMinute: (heatOffS ?? atS) / 60,
      releaseMinutes: heatOffS === null ? 0 : (atS - heatOffS) / 60,
      whistles: whistleS.length,
      whistleMinutes: whistleS.map((s) => s / 60),
      steamLostG: (input.load.freeWaterKg - pot.waterKg - pot.drunkKg()) * 1000,
      freeWaterLeftG: Math.max(0, pot.waterKg) * 1000,
      boilMinutes: this.boilMinutes(),
      uptake: pot.uptake(),
      heatKJ: pot.heatJ / 1000,
      hottestC,
      hottestFoodC: [...pot.cooking.peaksC],
      trace: trace.slice(),
    }
  }

  /**
   * Goes on until `untilS`, or until `stop` says so after an event; `dryBelowKg` is the water below which it is
   * dry, null for a pot that may dry up. Returns false when the run must end for good.
   */
  private advance(
    untilS: number,
    stop: (event: Crossing['name'] | null) => boolean = never,
    dryBelowKg: number | null = 0,
    releasing = false,
  ): boolean {
    const { pot, clock, integrator, thresholds } = this
    const { knobs } = pot
    while (clock.atS < untilS) {
      if (++this.steps > MOST_STEPS || clock.atS > LONGEST_S) {
        clock.ending = 'never-ends'
        return false
      }
      if (knobs.regime !== 'free' && !pot.stillHeld()) {
        const held = knobs.regime
        knobs.regime = 'free'
        if (held === 'held-condensing') pot.settle('condensing')
      }
      integrator.begin(pot.y)
      const { dt, stalled } = this.nextStep(untilS)
      if (untilS === Infinity && knobs.regime === 'free' && stalled && !knobs.ventOpen) {
        clock.ending = 'never-reaches-pressure'
        return false
      }
      integrator.step(pot.y, dt)
      let reached: Crossing | null = null
      let tookS = dt
      // Stopping at one threshold may show another just before it, on a curve that is not quite straight.
      for (let tries = 0; tries < 4; tries++) {
        const earlier = thresholds.first(pot.y, integrator.next, {
          releasing,
          dryBelowKg: dryBelowKg ?? 0,
          valveHeld: clock.valveHeld,
        })
        if (!earlier || (reached && earlier.component === reached.component && earlier.value === reached.value)) break
        reached = { ...earlier }
        tookS = integrator.locate(pot.y, tookS, reached.component, reached.value)
      }
      const rising = reached !== null && integrator.next[reached.component]! > pot.y[reached.component]!
      pot.cooking.add(integrator, pot.y, tookS)
      integrator.accept(pot.y)
      clock.atS += tookS
      if (reached) {
        pot.y[reached.component] = reached.value
        this.record()
        this.arrive(reached, rising)
      }
      this.record()
      const event = reached?.name ?? null
      if (event === 'dry' && dryBelowKg === 0) {
        clock.ending = 'boiled-dry'
        return false
      }
      if (stop(event)) return true
    }
    return true
  }

  /** The length of the next step in s, and whether the pot has come to rest, by the rates at its start. */
  private nextStep(untilS: number): { dt: number; stalled: boolean } {
    const { before } = this.integrator
    const speed = Math.abs(before[0]!)
    // A tin or a thick piece still warming changes its own rate as it goes.
    const { from, to } = this.pot.following
    let quickestFollower = 0
    for (let i = from; i < to; i++) quickestFollower = Math.max(quickestFollower, Math.abs(before[i]!))
    const longest = Math.min(
      LONGEST_STEP_S,
      this.pot.drinkingS(before) * DRINKING_SHARE,
      this.stepK / Math.max(speed, 1e-9),
      this.pot.stiffestS,
      WARMING_STEP_K / Math.max(quickestFollower, 1e-9),
    )
    return {
      dt: Math.min(longest * this.stepScale, untilS - this.clock.atS),
      stalled: speed < STALLED_K_PER_S && quickestFollower < STALLED_FOLLOWER_K_PER_S,
    }
  }

  /** What happens where the pot has just arrived. */
  private arrive({ name, component }: Crossing, rising: boolean): void {
    const { pot, clock } = this
    const { knobs } = pot
    switch (name) {
      case 'kinetics':
        pot.cooking.turn(component, rising, pot.y)
        break
      case 'slower':
      case 'opens':
        break
      case 'dry':
        knobs.dry = pot.waterKg <= 0
        break
      case 'condensing':
        pot.settle('condensing')
        break
      case 'boiling':
        clock.boilsAtS ??= clock.atS
        knobs.vented = true
        if (pot.pressurised && !knobs.purged) pot.purge()
        else pot.settle('boiling')
        break
      case 'lift':
        knobs.vented = false
        knobs.ventOpen = true
        clock.pressureAtS ??= clock.atS
        this.whistleS.push(clock.atS)
        break
      case 'reseat':
        knobs.ventOpen = false
        break
      case 'set':
        if (pot.pressurised) clock.pressureAtS ??= clock.atS
        if (knobs.thermostatW > 0) knobs.burnerW = knobs.thermostatW
        pot.settle('set')
        break
    }
  }

  /** Leads the pot along a measured curve, from wherever it is to the first point and on. */
  private followProfile({ profile, steamG }: StepOf<'profile'>): boolean {
    const { pot, clock } = this
    const { knobs } = pot
    const fromS = clock.atS
    knobs.prescribedSteamKgPerS = steamG / 1000 / (profile.at(-1)!.minute * 60)
    for (const { minute, tempC } of profile) {
      const untilS = fromS + minute * 60
      if (untilS <= clock.atS) continue
      knobs.regime = 'prescribed'
      knobs.slopeKPerS = (tempC - pot.tempC) / (untilS - clock.atS)
      if (!this.advance(untilS)) return false
      pot.y[0] = tempC
    }
    knobs.regime = 'free'
    knobs.condensing = pot.tempC > pot.condensingC
    return true
  }

  /** The heat has changed: whatever was held must be decided again. */
  private resume(): void {
    const { pot } = this
    const { knobs } = pot
    const atCondensing = pot.hasTins && Math.abs(pot.tempC - pot.condensingC) < 1e-6
    if (knobs.regime === 'held-condensing' || atCondensing) pot.settle('condensing')
    else if (knobs.regime === 'held-set' && Math.abs(pot.tempC - knobs.setC) > 1e-6) knobs.regime = 'free'
    else if (knobs.regime !== 'free' && !pot.stillHeld()) knobs.regime = 'free'
    this.record()
  }

  private record(): void {
    const { pot, clock } = this
    if (pot.tempC > clock.hottestC) clock.hottestC = pot.tempC
    if (!this.traced) return
    this.trace.push({
      minute: clock.atS / 60,
      tempC: pot.tempC,
      gaugePa: pot.gaugeAt(pot.tempC),
      heatW: pot.heatNowW(),
      freeWaterKg: Math.max(0, pot.waterKg),
      boilMinutes: this.boilMinutes(),
    })
  }
}

const never = () => false
const inMinutes = (seconds: number | null) => (seconds === null ? null : seconds / 60)
