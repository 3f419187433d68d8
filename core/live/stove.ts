import { scaled } from '../appliance/parameters'
import type { LoadedPot } from '../pot/case.schema'
import { Run } from '../pot/run'
import type { OpenedPot } from '../program/closing'
import { flameStep, type Course } from './course'

/** How a real pot differs from the planned one, as shares of what was planned; nobody at the stove knows them. */
export interface Hidden {
  heat: number
  load: number
  vent: number
  swing?: number
  loss?: number
  pressure?: number
}

export const AS_PLANNED: Hidden = { heat: 1, load: 1, vent: 1 }

/** What can be heard and seen of a pot, in minutes from its start. */
export interface Sign {
  minute: number
  kind: 'whistle' | 'whistle-ends' | 'boils' | 'pressure' | 'switched-off' | 'dry'
}

/** A simulated stove with its pot: it does what the knobs say, and gives signs as a real one would. */
export interface Stove {
  /** Turns the flame; 0 W is off. Pots with their own heat take `start` instead. */
  heat(watts: number): void
  start(): void
  valve(open: boolean): void
  /** Goes on until a minute and tells what happened meanwhile. */
  advance(untilMinute: number): Sign[]
  now(): ReturnType<Run['now']> & { boilMinutes: number[]; isOn: boolean; isDry: boolean }
  /** The pot as it is, for a second closing. */
  left(): OpenedPot
}

const TICK_MINUTES = 1 / 60

/** Puts a course on a stove whose heat, load and vent are not quite the planned ones. */
export function createStove(course: Course, hidden: Hidden = AS_PLANNED): Stove {
  const run = new Run(hiddenPot(course.pot, hidden))
  const program = course.program.at(-1)!
  let minute = 0
  let isOn = false
  let isDry = false
  let wasOpen = false
  let valveOpen = false
  const told = { boils: false, pressure: false }
  let offAtMinute = Infinity
  run.heat(flameStep(0))

  return {
    heat(watts) {
      isOn = watts > 0
      run.heat(flameStep(watts * hidden.heat))
    },
    start() {
      if (program.kind === 'profile') return
      isOn = true
      run.heat(program)
      if (program.kind !== 'at-pressure' && 'minutes' in program) offAtMinute = minute + program.minutes
    },
    valve(open) {
      valveOpen = open
      run.valve(open)
    },
    advance(untilMinute) {
      const signs: Sign[] = []
      while (minute < untilMinute - 1e-9) {
        minute = Math.min(untilMinute, minute + TICK_MINUTES)
        if (!isDry && !run.until(minute)) {
          isDry = true
          signs.push({ minute, kind: 'dry' })
        }
        if (isDry) continue
        const { ventOpen } = run.now()
        if (!told.boils || !told.pressure) {
          const { boilsAtMinute, minutesToPressure } = run.result()
          if (boilsAtMinute !== null && !told.boils) {
            told.boils = true
            signs.push({ minute, kind: 'boils' })
          }
          if (minutesToPressure !== null && !told.pressure) {
            told.pressure = true
            signs.push({ minute, kind: 'pressure' })
            if (program.kind === 'at-pressure') offAtMinute = minute + program.minutesAtPressure
          }
        }
        if (ventOpen !== wasOpen && !valveOpen) signs.push({ minute, kind: ventOpen ? 'whistle' : 'whistle-ends' })
        wasOpen = ventOpen
        if (minute >= offAtMinute && isOn) {
          isOn = false
          run.off()
          signs.push({ minute, kind: 'switched-off' })
        }
      }
      return signs
    },
    now: () => ({ ...run.now(), minute, boilMinutes: run.boilMinutes(), isOn, isDry }),
    left() {
      const { tempC, freeWaterG } = run.now()
      return { tempC, freeWaterG, gets: run.boilMinutes().map((got, i) => got + course.had[i]!) }
    },
  }
}

/** The pot of a course as it really is. */
export function hiddenPot(pot: LoadedPot, { load, ...ofAppliance }: Hidden): LoadedPot {
  return {
    ...pot,
    appliance: scaled(pot.appliance, ofAppliance),
    load: { ...pot.load, freeWaterKg: pot.load.freeWaterKg * load, foodJPerK: pot.load.foodJPerK * load },
  }
}
