import { ambientPa, boilingC, latentJPerKg, saturationC } from '../steam/steam'
import type { Appliance } from './appliance'
import type { FixedProgram } from './kind'

/** What a manual or a cook tells of a device's program, in minutes. */
export interface ToldProgram {
  /** From the start until it boils or is up to pressure. */
  heatsMinutes: number
  cooksMinutes: number
  /** Until the pressure has gone by itself; 0 where there is none, or it is let out. */
  fallsMinutes: number
  /** Gauge pressure at which it cooks; an open boil where there is none. */
  pressure: 'high' | 'low' | null
}

/** The pressures at which a device cooks, those that it has. */
export const pressuresOf = (appliance: Appliance): Exclude<ToldProgram['pressure'], null>[] =>
  'highPa' in appliance ? ['high', 'low'] : []

/**
 * The curve of a program as it is told, and the steam that it costs: what goes with the air and past the gasket under
 * pressure, or what the heat boils away openly and the lid does not give back (an estimate by the appliance's own
 * figures; measuring the program with water replaces it).
 */
export function programByHand(
  appliance: Appliance,
  { heatsMinutes, cooksMinutes, fallsMinutes, pressure }: ToldProgram,
  { altitudeM, roomC }: { altitudeM: number; roomC: number },
): Pick<FixedProgram, 'profile' | 'steamG'> {
  const boilC = boilingC(altitudeM)
  const gaugePa = pressure && 'highPa' in appliance ? (pressure === 'high' ? appliance.highPa : appliance.lowPa) : 0
  const cooksC = gaugePa > 0 ? saturationC(ambientPa(altitudeM) + gaugePa) : boilC
  const [hot, off, over] = [heatsMinutes, heatsMinutes + cooksMinutes, heatsMinutes + cooksMinutes + fallsMinutes]
  return {
    profile: [
      { minute: hot, tempC: cooksC },
      { minute: off, tempC: cooksC },
      ...(fallsMinutes > 0 ? [{ minute: over, tempC: boilC }] : []),
    ],
    steamG: gaugePa > 0 ? underPressureG(appliance, cooksMinutes + fallsMinutes / 2) : openG(),
  }

  function openG(): number {
    const heatW = 'heaterW' in appliance ? appliance.heaterW : 'highW' in appliance ? appliance.highW : 0
    const spareW = Math.max(0, heatW - appliance.lossWPerK * (boilC - roomC))
    const reflux = 'reflux' in appliance ? appliance.reflux : 0
    return ((spareW * 60 * cooksMinutes) / latentJPerKg(boilC)) * 1000 * (1 - reflux)
  }
}

function underPressureG(appliance: Appliance, minutes: number): number {
  const purgeKg = 'purgeKg' in appliance ? appliance.purgeKg : 0
  const leakKgPerS = 'leakKgPerS' in appliance ? appliance.leakKgPerS : 0
  return 1000 * (purgeKg + leakKgPerS * 60 * minutes)
}
