import type { Appliance, OpenPot, PressureCooker } from './appliance'
import type { ProfilePoint } from './case'

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

export interface Cooker {
  appliance: Appliance
  body: PotBody
  fixedPrograms?: FixedProgram[]
}

const ALUMINIUM_J_PER_KG_K = 900
const STEEL_J_PER_KG_K = 500
const STEEL_TIMES_MASS = 1.4

// All of this file: engineering estimates. A water test or the log replaces them.
const STOVE_TOP = {
  '3l': { metalKg: 1.2, lossWPerK: 1.5, purgeKg: 0.008, body: body(3, 180, 150) },
  '5l': { metalKg: 1.8, lossWPerK: 2.0, purgeKg: 0.01, body: body(5, 220, 200) },
  '7l': { metalKg: 2.4, lossWPerK: 2.5, purgeKg: 0.012, body: body(7, 240, 250) },
} as const
const ELECTRIC = {
  '3l': { metalKg: 1.2, lossWPerK: 0.8, heaterW: 630, body: body(3, 180, 250) },
  '6l': { metalKg: 1.6, lossWPerK: 1.0, heaterW: 900, body: body(6, 220, 300) },
  '8l': { metalKg: 2.0, lossWPerK: 1.2, heaterW: 1080, body: body(8, 240, 400) },
} as const
const RICE = {
  '0.6l': { heaterW: 255, lossWPerK: 0.8, body: body(0.6, 120, 100) },
  '1l': { heaterW: 380, lossWPerK: 1.0, body: body(1.0, 150, 120) },
  '1.8l': { heaterW: 595, lossWPerK: 1.4, body: body(1.8, 180, 150) },
} as const
const SLOW = {
  '3.5l': { metalKg: 2.8, lowW: 110, highW: 140, lossWPerK: 1.6, body: body(3.5, 210, 200) },
  '6l': { metalKg: 3.5, lowW: 136, highW: 170, lossWPerK: 2.0, body: body(6, 250, 300) },
} as const

function body(capacityL: number, innerDiameterMm: number, minimumLiquidG: number): PotBody {
  const radiusMm = innerDiameterMm / 2
  const innerHeightMm = Math.round((capacityL * 1e6) / (Math.PI * radiusMm * radiusMm))
  return { capacityL, innerDiameterMm, innerHeightMm, minimumLiquidG }
}

function stoveTop(
  size: keyof typeof STOVE_TOP,
  metal: 'aluminium' | 'steel',
  weight: { kind: 'whistling' | 'regulator'; liftPa: number; reseatPa: number },
): Cooker {
  const { metalKg, lossWPerK, purgeKg, body } = STOVE_TOP[size]
  const steel = metal === 'steel'
  const appliance: PressureCooker = {
    ...weight,
    metalKg: steel ? metalKg * STEEL_TIMES_MASS : metalKg,
    metalJPerKgK: steel ? STEEL_J_PER_KG_K : ALUMINIUM_J_PER_KG_K,
    lossWPerK,
    ventKgPerS: 0.005,
    purgeKg,
    leakKgPerS: 0.0009 / 60,
  }
  return { appliance, body }
}

const HEAVY_WEIGHT = { kind: 'whistling', liftPa: 100_000, reseatPa: 70_000 } as const
const LIGHT_WEIGHT = { kind: 'whistling', liftPa: 60_000, reseatPa: 42_000 } as const

/** Generic cookers to start from, by id. */
export const COOKERS: Readonly<Record<string, Cooker>> = {
  ...Object.fromEntries(
    (['3l', '5l', '7l'] as const).flatMap((size) =>
      (['aluminium', 'steel'] as const).flatMap((metal) => [
        [`whistling-${size}-${metal}`, stoveTop(size, metal, HEAVY_WEIGHT)],
        [`whistling-${size}-${metal}-light`, stoveTop(size, metal, LIGHT_WEIGHT)],
        [`regulator-${size}-${metal}`, stoveTop(size, metal, { kind: 'regulator', liftPa: 80_000, reseatPa: 78_000 })],
        [
          `regulator-${size}-${metal}-high`,
          stoveTop(size, metal, { kind: 'regulator', liftPa: 100_000, reseatPa: 98_000 }),
        ],
      ]),
    ),
  ),
  ...Object.fromEntries(
    Object.entries(ELECTRIC).map(([size, { body, ...heat }]) => [
      `electric-${size}`,
      {
        appliance: {
          kind: 'electric',
          metalJPerKgK: 600,
          highPa: 70_000,
          lowPa: 40_000,
          ventKgPerS: 0.004,
          purgeKg: 0.02,
          leakKgPerS: 0.0002 / 60,
          ...heat,
        },
        body,
      } satisfies Cooker,
    ]),
  ),
  ...Object.fromEntries(
    Object.entries(RICE).map(([size, { body, ...heat }]) => [
      `rice-${size}`,
      { appliance: { kind: 'rice', metalKg: 0.7, metalJPerKgK: 800, reflux: 0.45, ...heat }, body } satisfies Cooker,
    ]),
  ),
  ...Object.fromEntries(
    Object.entries(SLOW).map(([size, { body, ...heat }]) => [
      `slow-${size}`,
      { appliance: { kind: 'slow', metalJPerKgK: 850, reflux: 0.95, ...heat }, body } satisfies Cooker,
    ]),
  ),
  'bowl-2.2l': {
    appliance: { kind: 'bowl', metalKg: 1.5, metalJPerKgK: 600, lossWPerK: 1.5, reflux: 0.5, heaterW: 950 },
    body: body(2.2, 160, 500),
  },
  ...Object.fromEntries(
    Object.entries(STOVE_TOP).map(([size, { metalKg, lossWPerK, body }]) => [
      `open-${size}`,
      { appliance: openPot(metalKg, lossWPerK), body: { ...body, minimumLiquidG: 0 } } satisfies Cooker,
    ]),
  ),
}

/** With the lid on about two fifths of the steam runs back (engineering estimate); with it off none does. */
function openPot(metalKg: number, lossWPerK: number): OpenPot {
  return { kind: 'open', metalKg: metalKg * 0.7, metalJPerKgK: ALUMINIUM_J_PER_KG_K, lossWPerK, reflux: 0.4 }
}

export type FlameName = 'high' | 'medium' | 'low' | 'simmer'
/** Heat in W that reaches the pot on each flame of a burner. */
export type Burner = Record<FlameName, number>

/** A burner by its own power: what reaches a pot depends on how wide both are. */
export interface MeasuredBurner {
  diameterMm: number
  /** Heat of each flame in W before any of it is lost. */
  flameW: Burner
}

/** Share of a flame's heat that reaches a pot wider than the flame: gas on thin metal (engineering estimate). */
const BEST_EFFICIENCY = 0.5
/** The flame licks past the rim below this ratio of base to flame (engineering estimate). */
const WIDE_ENOUGH = 1.4

/**
 * Heat in W that each flame of a burner brings into a pot with so wide a base: the best efficiency from
 * 1.4 times the burner's width, less in proportion below. Engineering estimate; a water test measures it.
 */
export function heatIntoPot({ diameterMm, flameW }: MeasuredBurner, baseDiameterMm: number): Burner {
  const efficiency = BEST_EFFICIENCY * Math.min(1, baseDiameterMm / (WIDE_ENOUGH * diameterMm))
  const { high, medium, low, simmer } = flameW
  return { high: high * efficiency, medium: medium * efficiency, low: low * efficiency, simmer: simmer * efficiency }
}

export const BURNERS: Readonly<Record<'strong' | 'weak', Burner>> = {
  strong: { high: 1300, medium: 800, low: 400, simmer: 230 },
  weak: { high: 800, medium: 500, low: 300, simmer: 190 },
}
