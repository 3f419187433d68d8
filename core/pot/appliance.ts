interface Body {
  metalKg: number
  metalJPerKgK: number
  lossWPerK: number
}

interface PressureBody extends Body {
  /** Steam through the open vent or lifted weight. */
  ventKgPerS: number
  /** Water that leaves with the air when the pot first boils. */
  purgeKg: number
  /** Steam lost past the gasket at lift or high pressure, in proportion below. */
  leakKgPerS: number
}

/** A stove-top cooker whose weight opens at one gauge pressure and shuts at a lower one. */
export interface WhistlingCooker extends PressureBody {
  kind: 'whistling'
  liftPa: number
  reseatPa: number
}

/** A stove-top cooker that hisses steadily: it holds its pressure and there is nothing to count. */
export interface RegulatorCooker extends PressureBody {
  kind: 'regulator'
  liftPa: number
  reseatPa: number
}

export interface ElectricCooker extends PressureBody {
  kind: 'electric'
  heaterW: number
  highPa: number
  lowPa: number
}

interface OpenBody extends Body {
  /** Share of the steam that runs back from the lid. */
  reflux: number
}

export interface OpenPot extends OpenBody {
  kind: 'open'
}

export interface RiceCooker extends OpenBody {
  kind: 'rice'
  heaterW: number
}

export interface SlowCooker extends OpenBody {
  kind: 'slow'
  lowW: number
  highW: number
}

/** A heated stirred bowl with a basket: its steps are a temperature and minutes; grain boils in plenty and drains. */
export interface HeatedBowl extends OpenBody {
  kind: 'bowl'
  heaterW: number
}

export type PressureCooker = WhistlingCooker | RegulatorCooker | ElectricCooker
export type Appliance = PressureCooker | OpenPot | RiceCooker | SlowCooker | HeatedBowl

export function holdsPressure(appliance: Appliance): appliance is PressureCooker {
  return appliance.kind === 'whistling' || appliance.kind === 'regulator' || appliance.kind === 'electric'
}
