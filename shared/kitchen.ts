import { v4 as uuid } from 'uuid'
import { findFood } from '../core/food/catalogue'
import type { Food } from '../core/food/food.schema'
import type { Burner } from '../core/appliance/burner'
import { withFigures, type Cooker } from '../core/appliance/appliance'
import { DAY_MS } from '../core/measure/time'
import { LANGUAGES } from '../locales/languages'
import type { Kitchen } from './kitchen.schema'
import { KITCHEN_SHAPE } from './shapes'

export type { Kitchen } from './kitchen.schema'
export type Likes = Kitchen['likes']
export type HouseholdCooker = Kitchen['cookers'][number]
export type HouseholdBurner = Kitchen['burners'][number]
export type HouseholdMeasure = Kitchen['measures'][number]
export type HouseholdTin = Kitchen['tins'][number]
export type OwnFood = Kitchen['foods'][number]
export type Bag = Kitchen['bags'][number]

/** What is assumed to be liked until the household says otherwise. */
export const USUAL_LIKES: Likes = {
  counts: 'usual',
  temperature: 'C',
  weight: 'g',
  volume: 'measures',
  pressure: 'kPa',
  hours: '24',
  decimal: 'point',
  textures: {},
}

/** A kitchen in which no pot stands yet: a cup, and the spoons and the scale that every kitchen has. */
export const newKitchen = (
  name: string,
  altitudeM: number,
  { timeZone, language }: Pick<Likes, 'timeZone' | 'language'> = {},
): Kitchen => ({
  shape: KITCHEN_SHAPE,
  name,
  altitudeM,
  roomC: 20,
  tapC: 18,
  hardWater: false,
  likes: {
    ...USUAL_LIKES,
    ...(language ? { language, decimal: LANGUAGES[language].decimal } : {}),
    ...(timeZone ? { timeZone } : {}),
  },
  cookers: [],
  burners: [],
  measures: [{ id: uuid(), name: 'Cup', volumeMl: 240 }],
  tins: [],
  foods: [],
  bags: [],
})

/** What is not put away. */
export function inUse<T extends { away?: boolean | undefined }>(rows: readonly T[]): T[] {
  return rows.filter(({ away }) => !away)
}

/** A food of the household's own as core knows foods; what was started from a dangerous bean stays one. */
export function foodOf({ id, name, basedOn, figures }: OwnFood): Food {
  return { id, name, ...figures, lectin: figures.lectin || (findFood(basedOn)?.lectin ?? false) }
}

/** A food of the household's own or of the catalogue. */
export function foodById(kitchen: Pick<Kitchen, 'foods'>, id: string): Food | undefined {
  const own = kitchen.foods.find((food) => food.id === id)
  return own ? foodOf(own) : findFood(id)
}

export interface MeasuredCooker {
  cooker: Cooker
  burner: Burner | undefined
  /** One standard deviation of the heat, where it was measured. */
  heatSpread: number | null
}

/**
 * A cooker on a burner as the newest water test measured them; the figures as they stand in the kitchen
 * where there is none.
 */
export function measuredCooker(of: HouseholdCooker, burner: HouseholdBurner | null): MeasuredCooker {
  const stands = { cooker: of.cooker, burner: burner?.burner, heatSpread: null }
  const test = of.tests.findLast(({ burnerId }) => burnerId === null || burnerId === burner?.id)
  // Its own body was measured on another burner too: only the flames are this one's.
  const body = test ?? of.tests.at(-1)
  if (!body) return stands
  const cooker: Cooker = { ...of.cooker, appliance: withFigures(of.cooker.appliance, body.fitted.appliance) }
  if (!test) return { ...stands, cooker }
  return { cooker, burner: test.fitted.burner ?? burner?.burner, heatSpread: test.fitted.heatSpread }
}

const YEAR_MS = 365.25 * DAY_MS

/** Pulses that were bought over a year ago count as old. */
export function isOldBag({ boughtOn }: Pick<Bag, 'boughtOn'>, nowMs: number): boolean {
  return nowMs - Date.parse(boughtOn) > YEAR_MS
}

/** The bag that is used up first: the oldest of that food. */
export function openBagOf(foodId: string, { bags }: Pick<Kitchen, 'bags'>): Bag | null {
  const own = bags.filter((bag) => bag.foodId === foodId)
  return own.sort((a, b) => a.boughtOn.localeCompare(b.boughtOn))[0] ?? null
}
