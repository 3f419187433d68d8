import type { BoilMinuteWindow } from '../food/food'
import type { NeedFactor } from '../food/need'
import type { Texture } from '../food/texture'
import type { Release, SimulationCase, Step } from '../pot/case'
import type { Caution } from '../safety/rules'
import type { WaterFate } from '../water/folk'
import type { WaterSum } from '../water/sum'
import type { FirstCheck } from './first-check'
import { OPENING_MINUTES, type LaterClosing } from './later'
import type { FigureRange } from './range'

/** How far a food came: short of firm, at one of its textures, or past its limit. */
export type Doneness = 'hard' | 'firm' | 'tender' | 'soft' | 'lost'

/** How far a food of this window is with so many boil-minutes. */
export function donenessOf(boilMinutes: number, { firm, tender, soft, max }: BoilMinuteWindow): Doneness {
  if (boilMinutes > max) return 'lost'
  if (boilMinutes >= soft) return 'soft'
  if (boilMinutes >= tender) return 'tender'
  return boilMinutes >= firm ? 'firm' : 'hard'
}

export interface FoodAnswer {
  food: string
  dryG: number
  texture: Texture
  soakedShare: number
  needs: number
  gets: number
  /** What it may get over the spread of what is unknown; the same as `gets` when no range was asked for. */
  getsLow: number
  getsHigh: number
  doneness: Doneness
  window: BoilMinuteWindow
  factors: NeedFactor[]
  /** Water for the food's own tin; null in the base. */
  tinWaterG: number | null
  /** ml in its tin before cooking and when swollen, and what the tin holds; null in the base. */
  tinFill: { beforeMl: number; afterMl: number; holdsMl: number } | null
}

/** Levels in litres of pot. */
export interface Fill {
  /** The heap of food before cooking, the liquid's line, and the higher of the two. */
  foodL: number
  /** The food in that heap, without the gaps between its pieces. */
  solidL: number
  liquidL: number
  beforeL: number
  /** Food and liquid when done, foam included. */
  afterL: number
  limitL: number
  capacityL: number
}

export interface PlanAnswer {
  water: WaterSum & {
    /** Water per cup of dry food, both by volume; null where a food has no cup figure. */
    ratioByVolume: number | null
  }
  /** What was computed, also where the cook gave other figures. */
  planned: { pourG: number; figure: number }
  /** How wet what stands in the base comes out; null where nothing in it drinks. */
  becomes: WaterFate | null
  program: {
    steps: Step[]
    whistles: number
    minutes: number
    /** The device's own program, and how often it runs. */
    fixedProgram: { id: string; name: string; times: number } | null
  }
  release: Release | null
  foods: FoodAnswer[]
  clock: { pressureAtMinute: number | null; heatOffAtMinute: number; openAtMinute: number }
  fill: Fill
  steamLostG: number
  waterLeftG: number
  energyKJ: number
  hottestC: number
  /** The water comes to a full boil at some time. */
  boils: boolean
  /** The program's figure over the spread of what is unknown: whistles, or minutes. */
  range: FigureRange
  /** The figure at which to stop and pinch one first. */
  firstCheck: FirstCheck
  cautions: Caution[]
  /** Where some foods go in later: what comes after the first closing of the lid. All the rest is of the first. */
  later?: LaterClosing[]
  /** The case the plan was solved on. */
  simulation: SimulationCase
}

/** Minutes from first lighting the pot until everything in it is done and the lid is off. */
export function readyAtMinute({ clock, later = [] }: Pick<PlanAnswer, 'clock' | 'later'>): number {
  return later.reduce((sum, { minutes }) => sum + OPENING_MINUTES + minutes, clock.openAtMinute)
}
