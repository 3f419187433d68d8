import type { BoundName } from '../bounds'
import type { Level, StyleKind } from '../names'
import type { Burner } from './burner'
import type { ScaleName } from './parameters'
import type { ProfilePoint, Step } from './step.schema'
import type { TestMark, WaterTest } from './water-test.schema'

/** The inside of a pot: what fits and how far it is filled. */
export interface PotBody {
  capacityL: number
  innerDiameterMm: number
  innerHeightMm: number
  /** Least liquid its steam needs; the cooker's manual goes first. */
  minimumLiquidG: number
}

/** A program of a device that the household has measured once: its temperature, and the steam it costs. */
export interface FixedProgram {
  id: string
  name: string
  profile: ProfilePoint[]
  steamG: number
}

/** An appliance of a kind: the kind's name, and a number for each of its figures. */
export type ApplianceOf<Kind extends string, Figures extends readonly string[]> = { kind: Kind } & Record<
  Figures[number],
  number
>

/** A generic appliance with the inside of its pot. */
export interface Generic<A> {
  appliance: A
  body: PotBody
}

/** What sets the heat of an appliance in one step. */
export interface Setting {
  burnerW: number
  /** Gauge pressure at which it holds. */
  setPa?: number
  /** Temperature at which a thermostat holds, switching the heat on and off. */
  thermostatC?: number
}

/** How an appliance behaves, in the terms of the pot's equations (pot/physics.ts). */
export interface Equations {
  /** Steam through the open vent, lost past the gasket in proportion to the gauge pressure, and with the air at the first boil; null for what boils openly. */
  vent: { kgPerS: number; leakKgPerSPa: number; purgeKg: number } | null
  /** Share of the steam that runs back from the lid; 0 under pressure. */
  reflux: number
  /** Gauge pressures between which its weight lifts and falls back, one whistle each time. */
  weight?: { liftPa: number; reseatPa: number }
  /** Gauge pressure that it holds by letting go what is too much, whatever the heat. */
  hissesPa?: number
  /** The heat that a step sets; null for a step that it does not know. */
  setting(step: Step): Setting | null
}

/** One thing to do or wait for in a water test, ended by the mark that the cook presses. */
export interface TestStep {
  id:
    | 'light'
    | 'start'
    | 'whistles'
    | 'turn-medium'
    | 'whistles-medium'
    | 'hisses'
    | 'at-pressure'
    | 'boils'
    | 'hold'
    | 'switches-off'
    | 'turn-off'
    | 'falls'
    | 'thermometer'
  mark:
    | Omit<TestMark & { kind: 'flame' }, 'minute'>
    | { kind: Exclude<TestMark['kind'], 'flame' | 'temperature'> }
    | { kind: 'temperature' }
  /** How often the mark is pressed in this step. */
  times: number
  /** Minutes to wait before pressing, where the cook watches the clock and not the pot. */
  holdMinutes?: number
}

/** All that is particular to one kind of appliance. A new kind is one file like these, and one line in appliance.ts. */
export interface ApplianceKind<A extends { kind: string }> {
  kind: A['kind']
  /** Its figures, by the names of their bounds. */
  figures: readonly (BoundName & keyof A)[]
  holdsPressure: boolean
  /** It has its own heat, and switches itself off; the others stand on a flame that the cook turns. */
  heatsItself: boolean
  /** It never, or not for long, boils hard: no first cook for beans with lectin. */
  gentle: boolean
  /** By what the cook knows how far it is. */
  tells: 'whistles' | 'pressure' | 'boil' | 'nothing'
  /** The level that it is set to where nothing else is said; of those that have levels. */
  level?: Level
  /** The ways in which a cook can tell it what to do, the usual one first. */
  styles: readonly StyleKind[]
  /** How its pressure falls where nobody has said: by itself, or by its valve after the time that the most patient food wants. */
  release: 'natural' | 'valve' | 'none'
  equations(appliance: A): Equations
  /** Generic ones to start from, by id. */
  generic: Readonly<Record<string, Generic<A>>>
  test: {
    steps: readonly TestStep[]
    /** g of water for a pot that holds so many litres: enough not to dry, little enough to be quick. */
    waterG(capacityL: number): number
    /** What a test must hold to be complete: how often at least each mark was pressed. */
    least: Partial<Record<TestMark['kind'], number>>
    /** What it tells of the appliance besides the flames. */
    measures: readonly ScaleName[]
    /** The program that the cook ran, with what the pot decides left to the pot. */
    program(test: WaterTest, burner: Burner): Step[]
  }
}

/** The inside of a generic pot of so many litres and so wide. */
export function roundBody(capacityL: number, innerDiameterMm: number, minimumLiquidG: number): PotBody {
  const radiusMm = innerDiameterMm / 2
  const innerHeightMm = Math.round((capacityL * 1e6) / (Math.PI * radiusMm * radiusMm))
  return { capacityL, innerDiameterMm, innerHeightMm, minimumLiquidG }
}

/** The heat of a step that names it. */
export function flameSetting(step: Step): Setting | null {
  return 'heatW' in step ? { burnerW: step.heatW } : null
}
