import { ambientPa, boilingC, saturationC } from '../steam/steam'
import type { Appliance } from './appliance'
import type { FixedProgram } from './kind'

/** What a manual or a cook tells of a device's program under pressure, in minutes. */
export interface ToldProgram {
  /** From the start until it is up to pressure. */
  heatsMinutes: number
  cooksMinutes: number
  /** Until the pressure has gone by itself; 0 where it is let out. */
  fallsMinutes: number
  /** Gauge pressure at which it cooks. */
  pressure: 'high' | 'low'
}

/** What a program can be told of. */
export type ToldAppliance = Extract<Appliance, { highPa: number }>

/**
 * Whether a program can be told of it. Under pressure the temperature follows from the pressure; without, nobody knows
 * how hot a program is, and beans or meat must not be taken for boiled: it has to be measured.
 */
export const canBeTold = (appliance: Appliance): appliance is ToldAppliance => 'highPa' in appliance

/**
 * The curve of a program as it is told, and the steam that it costs: what goes with the air and past the gasket (an
 * estimate by the appliance's own figures; measuring the program with water replaces it).
 */
export function programByHand(
  { highPa, lowPa, purgeKg, leakKgPerS }: ToldAppliance,
  { heatsMinutes, cooksMinutes, fallsMinutes, pressure }: ToldProgram,
  { altitudeM }: { altitudeM: number },
): Pick<FixedProgram, 'profile' | 'steamG'> {
  const cooksC = saturationC(ambientPa(altitudeM) + (pressure === 'high' ? highPa : lowPa))
  const off = heatsMinutes + cooksMinutes
  return {
    profile: [
      { minute: heatsMinutes, tempC: cooksC },
      { minute: off, tempC: cooksC },
      ...(fallsMinutes > 0 ? [{ minute: off + fallsMinutes, tempC: boilingC(altitudeM) }] : []),
    ],
    // While it falls, the pressure is half of it on average.
    steamG: 1000 * (purgeKg + leakKgPerS * 60 * (cooksMinutes + fallsMinutes / 2)),
  }
}
