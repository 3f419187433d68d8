import type { Release, Step } from '../appliance/step.schema'
import type { BoilMinuteWindow } from '../food/food.schema'
import type { NeedFactor } from '../food/need'
import type { Texture } from '../names'
import type { SimulationCase } from '../pot/case.schema'
import type { Caution } from '../safety/rules'
import type { WaterFate } from '../water/folk'
import type { WaterSum } from '../water/sum'
import type { FigureRange } from './range'

/** Opening the pot, putting in what comes now and closing it again takes about so long (engineering estimate). */
export const OPENING_MINUTES = 3

/** How far a food came: short of firm, at one of its textures, or past its limit. */
export type Doneness = 'hard' | 'firm' | 'tender' | 'soft' | 'lost'

/** How far a food of this window is with so many boil-minutes. */
export function donenessOf(boilMinutes: number, { firm, tender, soft, max }: BoilMinuteWindow): Doneness {
  if (boilMinutes > max) return 'lost'
  if (boilMinutes >= soft) return 'soft'
  if (boilMinutes >= tender) return 'tender'
  return boilMinutes >= firm ? 'firm' : 'hard'
}

/** What a food gets in all. */
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
  /** The highest temperature that its middle comes to. */
  centreC: number
  window: BoilMinuteWindow
  factors: NeedFactor[]
  /** Water for the food's own tin; null in the base. */
  tinWaterG: number | null
  /** ml in its tin before cooking and when swollen, and what the tin holds; null in the base. */
  tinFill: { beforeMl: number; afterMl: number; holdsMl: number } | null
}

/** Levels in litres of pot, at one closing of the lid. */
export interface ClosingFill {
  /** The heap of food before cooking, the liquid's line, and the higher of the two. */
  foodL: number
  /** The food in that heap, without the gaps between its pieces. */
  solidL: number
  /** The heap of each food of the base, from below, by its place in the request; kept plans may lack it. */
  layers?: { content: number; heapL: number }[]
  liquidL: number
  beforeL: number
  /** Food and liquid when done, foam included. */
  afterL: number
}

/** When to look first. */
export interface FirstCheck {
  /** The figure at which a look may pay. */
  figure: number
  /**
   * Nine pots in ten are done with the figure, and half of them with this; half of them are done with the figure, and it
   * is looked at then; looking costs nothing; there is nothing to choose; or it is opened then anyway.
   */
  reason: 'sure' | 'half' | 'free' | 'no-range' | 'opened-anyway'
}

/** One closing of the lid: what goes in, with what water, for how long, and what it does. */
export interface ClosingAnswer {
  /** Indexes into the request's contents that go in now. */
  adds: number[]
  /** Water to pour: from the tap into a cold pot, boiling into one that was opened. */
  water: WaterSum & {
    /** Water per cup of dry food that goes into the base now, both by volume; null where a food has no cup figure. */
    ratioByVolume: number | null
  }
  /** What was computed, also where the cook gave other figures. */
  planned: { pourG: number; figure: number }
  program: {
    steps: Step[]
    whistles: number
    /** Seconds from one whistle to the next; null where there are not two. */
    whistleEveryS: number | null
    minutes: number
    /** The device's own program, and how often it runs. */
    fixedProgram: { id: string; name: string; times: number } | null
  }
  /** The program's figure over the spread of what is unknown: whistles, or minutes. */
  range: FigureRange
  /** Nine such pots in ten are done with what was computed, else half of them; kept plans may lack it. */
  isSure?: boolean
  /** The figure at which to stop and pinch one first. */
  firstCheck: FirstCheck
  /** Minutes from lighting it for this closing. */
  clock: { pressureAtMinute: number | null; heatOffAtMinute: number; openAtMinute: number }
  /** Boil-minutes that each food of the request gets in it, and over the spread of what is unknown. */
  foods: { gets: number; getsLow: number; getsHigh: number; centreC: number }[]
  fill: ClosingFill
  steamLostG: number
  /** Free water when it is opened, as the simulation has it. */
  freeWaterLeftG: number
  energyKJ: number
  hottestC: number
  /** The flame counted on is so near to what the pot gives off that its pressure may be lost; kept plans may lack it. */
  mayLosePressure?: boolean
  /** The water comes to a full boil at some time. */
  boils: boolean
  /** The case it was solved on. */
  case: SimulationCase
}

/** What is answered to a request: every closing of the lid, and what becomes of it all. */
export interface PlanAnswer {
  closings: ClosingAnswer[]
  release: Release | null
  foods: FoodAnswer[]
  /** How wet what stands in the base comes out; null where nothing in it drinks. */
  becomes: WaterFate | null
  /** The fullest that the pot gets, against its line and what it holds, in litres. */
  fill: { beforeL: number; afterL: number; limitL: number; capacityL: number }
  steamLostG: number
  /** g of free water that is left in the base, and what of it is more than was wanted; kept plans may lack the second. */
  waterLeftG: number
  overG?: number
  energyKJ: number
  hottestC: number
  /** Minutes from first lighting the pot until everything in it is done and the lid is off. */
  readyAtMinute: number
  cautions: Caution[]
}

/** What the style of all closings counts. */
export function unitOf({ closings }: Pick<PlanAnswer, 'closings'>): FigureRange['unit'] {
  return closings[0]!.range.unit
}

/** The appliance that a plan is for. */
export function applianceOf({ closings }: Pick<PlanAnswer, 'closings'>): SimulationCase['appliance'] {
  return closings[0]!.case.appliance
}
