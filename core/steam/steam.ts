/**
 * Water at saturation and the air around the pot.
 *
 * Everything here is a function of one number and is cheap enough to be called at every step of a
 * simulation.
 */

const CRITICAL_K = 647.096
const CRITICAL_PA = 22.064e6
const [A1, A2, A3, A4, A5, A6] = [-7.85951783, 1.84408259, -11.7866497, 22.6807411, -15.9618719, 1.80122502] as const

export const ZERO_C_IN_K = 273.15
export const SEA_LEVEL_PA = 101325

/** ln(p/pc) and its derivative by T (1/K): Wagner and Pruss, J. Phys. Chem. Ref. Data 31 (2002), eq. 2.5. */
function logReducedPressure(tempK: number): { value: number; perK: number } {
  const x = 1 - tempK / CRITICAL_K
  const root = Math.sqrt(x)
  const x3 = x * x * x
  const x4 = x3 * x
  const sum = A1 * x + A2 * x * root + A3 * x3 + A4 * x3 * root + A5 * x4 + A6 * x4 * x3 * root
  const slope =
    A1 + 1.5 * A2 * root + 3 * A3 * x * x + 3.5 * A4 * x * x * root + 4 * A5 * x3 + 7.5 * A6 * x4 * x * x * root
  const factor = CRITICAL_K / tempK
  return { value: factor * sum, perK: -(factor / tempK) * sum - slope / tempK }
}

/**
 * Saturation pressure in Pa of water at a temperature in °C (0 to 370).
 * Source: Wagner and Pruss (2002).
 * @example saturationPa(100) // 101418
 */
export function saturationPa(tempC: number): number {
  return CRITICAL_PA * Math.exp(logReducedPressure(tempC + ZERO_C_IN_K).value)
}

/**
 * Temperature in °C at which water boils under an absolute pressure in Pa (650 Pa to 20 MPa); the
 * inverse of saturationPa to 1e-6 K. NaN for a pressure outside that range.
 */
export function saturationC(pressurePa: number): number {
  if (!(pressurePa > 650 && pressurePa < 20e6)) return NaN
  const target = Math.log(pressurePa / CRITICAL_PA)
  // The August form is within a few kelvin everywhere in the kitchen; Newton does the rest.
  let tempK = 1 / (1 / 373.124 - Math.log(pressurePa / SEA_LEVEL_PA) / 4890)
  for (let i = 0; i < 12; i++) {
    const { value, perK } = logReducedPressure(tempK)
    const stepK = (value - target) / perK
    tempK -= stepK
    if (Math.abs(stepK) < 1e-9) break
  }
  return tempK - ZERO_C_IN_K
}

// Newton's form of the quartic through the five tabulated points: no fitted constants to copy.
const LATENT_POINTS: readonly (readonly [tempC: number, joulePerKg: number])[] = [
  [60, 2357.7e3],
  [80, 2308.0e3],
  [100, 2256.4e3],
  [120, 2202.1e3],
  [140, 2144.3e3],
]
const LATENT_DIFFERENCES = dividedDifferences(LATENT_POINTS)

function dividedDifferences(points: readonly (readonly [number, number])[]): number[] {
  const table = points.map(([, y]) => y)
  for (let order = 1; order < points.length; order++)
    for (let i = points.length - 1; i >= order; i--)
      table[i] = (table[i]! - table[i - 1]!) / (points[i]![0] - points[i - order]![0])
  return table
}

/**
 * Latent heat of evaporation in J/kg at a temperature in °C (0 to 160).
 * Source: steam-table values at 60, 80, 100, 120, 140 °C with a quartic through them; the test
 * checks it against Clapeyron's equation with the Wagner and Pruss densities.
 */
export function latentJPerKg(tempC: number): number {
  let value = LATENT_DIFFERENCES[4]!
  for (let i = 3; i >= 0; i--) value = value * (tempC - LATENT_POINTS[i]![0]) + LATENT_DIFFERENCES[i]!
  return value
}

/** Pressure of the air in Pa at an altitude in m (standard atmosphere, ICAO Doc 7488). */
export function ambientPa(altitudeM: number): number {
  return SEA_LEVEL_PA * Math.pow(1 - 2.25577e-5 * altitudeM, 5.25588)
}

/** Boiling point in °C in an open pot at an altitude in m. */
export function boilingC(altitudeM: number): number {
  return saturationC(ambientPa(altitudeM))
}

/** Altitude in m at which the air has a pressure in Pa; the inverse of ambientPa. */
export function altitudeM(pressurePa: number): number {
  return (1 - Math.pow(pressurePa / SEA_LEVEL_PA, 1 / 5.25588)) / 2.25577e-5
}

/** Altitude in m at which water boils at a temperature in °C in an open pot. */
export function altitudeOfBoilingM(tempC: number): number {
  return altitudeM(saturationPa(tempC))
}
