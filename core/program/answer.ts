import type { BoilMinuteWindow } from '../food/food'
import type { NeedFactor } from '../food/need'
import type { Texture } from '../food/texture'
import type { Release, SimulationCase, Step } from '../pot/case'
import type { Caution } from '../safety/rules'
import type { WaterSum } from '../water/sum'

/** How far a food came: short of firm, at one of its textures, or past its limit. */
export type Doneness = 'hard' | 'firm' | 'tender' | 'soft' | 'lost'

export interface FoodAnswer {
  food: string
  dryG: number
  texture: Texture
  soakedShare: number
  needs: number
  gets: number
  doneness: Doneness
  window: BoilMinuteWindow
  factors: NeedFactor[]
  /** Water for the food's own tin; null in the base. */
  tinWaterG: number | null
}

export interface PlanAnswer {
  water: WaterSum & {
    /** Water per cup of dry food, both by volume; null where a food has no cup figure. */
    ratioByVolume: number | null
  }
  program: { steps: Step[]; whistles: number; minutes: number }
  release: Release | null
  foods: FoodAnswer[]
  clock: { pressureAtMinute: number | null; heatOffAtMinute: number; openAtMinute: number }
  fill: { beforeL: number; afterL: number; limitL: number; capacityL: number }
  steamLostG: number
  waterLeftG: number
  energyKJ: number
  hottestC: number
  /** The program's figure over the spread of what is unknown: whistles, or minutes. */
  range: { unit: 'whistles' | 'minutes'; figure: number; low: number; high: number }
  cautions: Caution[]
  /** The case the plan was solved on. */
  simulation: SimulationCase
}
