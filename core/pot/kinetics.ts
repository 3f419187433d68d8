/** Food does not cook at or below this temperature (engineering estimate). */
export const COOKING_STARTS_C = 60
/** Above this a grain's rate climbs more slowly (Suzuki et al., J. Food Sci. 1976, for rice). */
export const SLOWER_ABOVE_C = 110
/** Pieces up to this size are taken to be as hot as the pot (engineering estimate). */
const NO_LAG_MM = 12
/** Thermal diffusivity of moist food (engineering estimate, close to that of water). */
const DIFFUSIVITY_M2_PER_S = 1.4e-7

/**
 * How many boil-minutes one minute at a temperature is worth: 1 at 100 °C, ten times as many for
 * each zC kelvin more; counted only above COOKING_STARTS_C. Thermal-death-time form; z from Quast and da Silva (1977) for beans and
 * Suzuki et al. (1976) for rice.
 * @example boilMinutesPerMinute(122, 22) // 10
 */
export function boilMinutesPerMinute(tempC: number, zC: number, zAbove110C?: number | null): number {
  if (zAbove110C && tempC > SLOWER_ABOVE_C)
    return Math.exp(Math.LN10 * ((SLOWER_ABOVE_C - 100) / zC + (tempC - SLOWER_ABOVE_C) / zAbove110C))
  return Math.exp((Math.LN10 * (tempC - 100)) / zC)
}

/**
 * Seconds by which the middle of a piece lags behind its surface, first order; 0 for small pieces.
 * Source: slowest mode of a sphere, r²/(π²·diffusivity).
 */
export function lagSeconds(sizeMm: number | undefined): number {
  if (!sizeMm || sizeMm <= NO_LAG_MM) return 0
  const radiusM = sizeMm / 2000
  return (radiusM * radiusM) / (Math.PI * Math.PI * DIFFUSIVITY_M2_PER_S)
}
