import type { Appliance } from './appliance'

/** A tin, as the steam sees it: its heat capacity and how well steam condensing on it heats it. */
export interface VesselLoad {
  heatJPerK: number
  couplingWPerK: number
  /** Where it does not start as hot as the base. */
  startC?: number
}

export interface Load {
  /** Water in the base that no food holds yet. */
  freeWaterKg: number
  /** Heat capacity of the food in the base, the water it holds included. */
  foodJPerK: number
  startC: number
  vessels: VesselLoad[]
}

export interface Place {
  altitudeM: number
  roomC: number
}

/** A point of a measured temperature curve, counted from the start of its step. */
export interface ProfilePoint {
  minute: number
  tempC: number
}

/**
 * One step of a program. `untilWhistles` counts from the start of the run; a bowl holds `tempC` by its
 * thermostat for so many minutes from the start of the step; a `profile` is a device's own program as
 * the household measured it, with the steam it cost.
 */
export type Step =
  | { heatW: number; untilWhistles: number }
  | { heatW: number; minutes: number }
  | { heatW: number; untilBoil: true }
  | { heatW: number; untilMinute: number }
  | { level: 'high' | 'low'; minutesAtPressure: number }
  | { level: 'high' | 'low'; minutes: number }
  | { untilDry: true }
  | { heatW: number; untilPressure: true }
  | { tempC: number; minutes: number }
  | { profile: ProfilePoint[]; steamG: number }

export type Release = { kind: 'natural' } | { kind: 'timed' | 'quick'; afterMinutes?: number }

/** What a food needs to have its cooking counted. `vessel` is a tin's index, null for the base. */
export interface CookedFood {
  zC: number
  zAbove110C?: number | null
  vessel: number | null
  /** Thickness of a piece; above 12 mm its middle lags behind the pot. */
  sizeMm?: number
  /** Of its middle, where it does not start as hot as the base. */
  startC?: number
  /** It is not in the pot yet, and gets nothing. */
  absent?: boolean
}

/** A food in the base that drinks free water as it cooks. */
export interface Grain {
  /** Which of the case's foods it is; the first if left out. */
  food?: number
  dryKg: number
  uptakeMax: number
  uptakeStart: number
  tenderBoilMinutes: number
}

/** Everything one simulation needs; the files of core/cases are these with the figures to expect. */
export interface SimulationCase {
  name?: string
  appliance: Appliance
  load: Load
  place: Place
  program: Step[]
  /** null for appliances that hold no pressure. */
  release: Release | null
  foods: CookedFood[]
  grain?: Grain
}

export interface TracePoint {
  minute: number
  tempC: number
  gaugePa: number
  heatW: number
  freeWaterKg: number
  /** Of each food, so far. */
  boilMinutes: number[]
}

/** How a simulation ended: as programmed, or why not. */
export type Ending = 'done' | 'boiled-dry' | 'never-reaches-pressure' | 'never-ends'

export interface Simulation {
  ending: Ending
  /** First whistle, or first moment at the set pressure. */
  minutesToPressure: number | null
  boilsAtMinute: number | null
  heatOffMinute: number
  /** From heat off until the pressure is gone; 0 for appliances that hold none. */
  releaseMinutes: number
  whistles: number
  whistleMinutes: number[]
  steamLostG: number
  freeWaterLeftG: number
  /** Per food, until the release is done (open appliances: until the program ends). */
  boilMinutes: number[]
  /** Water held per g of dry grain at the end, where the case has a grain. */
  uptake: number | null
  heatKJ: number
  hottestC: number
  trace: TracePoint[]
}
