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

/** What became of the water and of every food. */
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
  /** Per food, of its middle, since it was hot enough to cook; 0 where it never was. */
  hottestFoodC: number[]
  trace: TracePoint[]
}
