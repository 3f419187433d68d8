import type { FlameName } from '../names'

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
  return flamesTimes(flameW, BEST_EFFICIENCY * Math.min(1, baseDiameterMm / (WIDE_ENOUGH * diameterMm)))
}

/** Every flame so many times as strong. */
export function flamesTimes({ high, medium, low, simmer }: Burner, times: number): Burner {
  return { high: high * times, medium: medium * times, low: low * times, simmer: simmer * times }
}

/** Two usual burners (engineering estimates). */
export const BURNERS: Readonly<Record<'strong' | 'weak', Burner>> = {
  strong: { high: 1300, medium: 400, low: 300, simmer: 200 },
  weak: { high: 800, medium: 300, low: 230, simmer: 170 },
}
