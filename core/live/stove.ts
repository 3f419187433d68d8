import type { PotState } from '../program/remedy'
import { startRun, type Run } from '../pot/run'
import type { SimulationCase } from '../pot/case'
import type { Appliance } from '../pot/appliance'
import type { Course } from './course'

/** How a real pot differs from the planned one, as shares of what was planned; nobody at the stove knows them. */
export interface Hidden {
  heat: number
  load: number
  vent: number
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
  left(): Pick<PotState, 'tempC' | 'freeWaterG' | 'gets'>
}

const TICK_MINUTES = 1 / 60
const SWITCHED_OFF = { heatW: 0, minutes: 0 }

/** Puts a course on a stove whose heat, load and vent are not quite the planned ones. */
export function createStove(course: Course, hidden: Hidden = AS_PLANNED): Stove {
  const run = startRun(hiddenCase(course.pot, hidden))
  const program = course.program.at(-1)!
  let minute = 0
  let isOn = false
  let isDry = false
  let wasOpen = false
  let valveOpen = false
  const told = { boils: false, pressure: false }
  let offAtMinute = Infinity
  run.heat(SWITCHED_OFF)

  return {
    heat(watts) {
      isOn = watts > 0
      run.heat({ heatW: watts * hidden.heat, minutes: 0 })
    },
    start() {
      if ('profile' in program) return
      isOn = true
      run.heat(program)
      if (!('minutesAtPressure' in program) && 'minutes' in program) offAtMinute = minute + program.minutes
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
            if ('minutesAtPressure' in program) offAtMinute = minute + program.minutesAtPressure
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
export function hiddenCase(
  pot: Course['pot'],
  { heat, load, vent }: Hidden,
): Omit<SimulationCase, 'program' | 'release'> {
  const appliance: Appliance = {
    ...pot.appliance,
    ...('ventKgPerS' in pot.appliance ? { ventKgPerS: pot.appliance.ventKgPerS * vent } : {}),
    ...('heaterW' in pot.appliance ? { heaterW: pot.appliance.heaterW * heat } : {}),
  } as Appliance
  return {
    ...pot,
    appliance,
    load: { ...pot.load, freeWaterKg: pot.load.freeWaterKg * load, foodJPerK: pot.load.foodJPerK * load },
  }
}
