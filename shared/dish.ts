import { heatsItself, stylesFor, type Appliance } from '../core/appliance/appliance'
import { CATALOGUE } from '../core/food/catalogue'
import { asLearnt, learntOfFoods } from '../core/learn/apply'
import type { Believed } from '../core/learn/posterior'
import type { PlanRequest, Tin } from '../core/program/request.schema'
import { stackFaults, USUAL_TRIVETS_MM } from '../core/pot/stacking'
import { styleSaid } from '../core/program/styles'
import type { PotsToTake } from '../core/formats/recipe-dish'
import type { DishRequest, PotOfStage, PotSettings, Stage } from '../core/dish/dish.schema'
import type { StageKind } from '../core/dish/names'
import { minutesOf } from '../core/dish/stages'
import { foodOf, inUse, isOldBag, measuredCooker, openBagOf, type Kitchen } from './kitchen'
import type { KeptDishDocument } from './dish.schema'
import { DISH_SHAPE } from './shapes'

// The schema stands apart (dish.schema.ts): the browser needs what is here, and only servers and imports parse.

export type DishDocument = KeptDishDocument

export const newDish = (name: string): DishDocument => ({
  shape: DISH_SHAPE,
  name,
  servings: 4,
  lines: [],
  stages: [],
})

/** How a pot stage is programmed when nobody has said anything: the household's first cooker in its usual way. */
export function usualPot(kitchen: Kitchen): PotSettings {
  const cooker = inUse(kitchen.cookers)[0]
  return {
    cookerId: cooker?.id ?? '',
    burnerId: inUse(kitchen.burners)[0]?.id ?? '',
    style: cooker ? stylesFor(cooker.cooker)[0]! : 'whistles',
    flame: null,
    heatUp: 'high',
    level: 'high',
    freeLiquid: 'spoonable',
    foods: [],
  }
}

/** The same in a cooker that was chosen. */
export function usualPotIn(kitchen: Kitchen, cookerId: string): PotSettings {
  const cooker = inUse(kitchen.cookers).find(({ id }) => id === cookerId)
  return cooker ? { ...usualPot(kitchen), cookerId, style: stylesFor(cooker.cooker)[0]! } : usualPot(kitchen)
}

/** A trivet of middling height. */
const TRIVET_MM = USUAL_TRIVETS_MM[1]!

/** The largest metal tin of the kitchen that stands in a cooker, covered; null where none does. */
export function largestTinIn(kitchen: Kitchen, cookerId: string): Tin | null {
  const body = inUse(kitchen.cookers).find(({ id }) => id === cookerId)?.cooker.body
  if (!body) return null
  const fitting = inUse(kitchen.tins).filter(
    ({ diameterMm, heightMm, material }) =>
      material !== 'glass' &&
      material !== 'plastic' &&
      stackFaults(body, TRIVET_MM, [[{ diameterMm, heightMm, cover: 'lid' }]]).length === 0,
  )
  const [tin] = fitting.sort((a, b) => (b.volumeMl ?? 0) - (a.volumeMl ?? 0))
  if (!tin) return null
  const { diameterMm, heightMm, volumeMl, material } = tin
  return { diameterMm, heightMm, volumeMl, material, lid: true }
}

/** How a pot of this kitchen is usually programmed, and how one of each kind of cooker is that it has. */
export function potsToTake(kitchen: Kitchen): PotsToTake {
  const usual = usualPot(kitchen)
  const one = (fits: (appliance: Appliance) => boolean): PotSettings | undefined => {
    const of = inUse(kitchen.cookers).find(({ cooker }) => fits(cooker.appliance))
    return of && { ...usual, cookerId: of.id, style: stylesFor(of.cooker)[0]! }
  }
  const kinds = {
    whistling: one(({ kind }) => kind === 'whistling'),
    electric: one(({ kind }) => kind === 'electric'),
    'rice-cooker': one(({ kind }) => kind === 'rice'),
    slow: one(({ kind }) => kind === 'slow'),
  }
  return { usual, kinds: Object.fromEntries(Object.entries(kinds).filter(([, pot]) => pot)) }
}

/** A stage of a kind, as cooks usually do it. */
export function newStage(id: string, kind: StageKind, from: string | null, kitchen: Kitchen): Stage {
  return {
    id,
    kind,
    takes: [],
    from: from === null ? [] : [{ stage: from, part: 'all' }],
    ...(kind === 'pot' ? { pot: usualPot(kitchen) } : { minutes: minutesOf({ kind }) }),
  }
}

/** The cooker and burner of a pot stage as this kitchen has measured and learnt them; null where it has no cooker. */
export function potOfStage(
  settings: PotSettings,
  kitchen: Kitchen,
  believed: Believed | null = null,
): PotOfStage | null {
  const { cookerId, burnerId } = settings
  const of = kitchen.cookers.find(({ id }) => id === cookerId) ?? inUse(kitchen.cookers)[0]
  if (!of) return null
  const burner = kitchen.burners.find(({ id }) => id === burnerId) ?? inUse(kitchen.burners)[0] ?? null
  const { cooker, burner: flames, heatSpread } = measuredCooker(of, burner)
  const pot = { cooker, ...(flames ? { burner: flames } : {}), ...(heatSpread === null ? {} : { heatSpread }) }
  if (!believed) return pot
  // Of the cooker alone: any food will do, and none is asked about.
  const { altitudeM, roomC, tapC } = kitchen
  const request: PlanRequest = {
    kitchen: { altitudeM, roomC, tapC },
    cooker,
    ...(flames ? { burner: flames } : {}),
    contents: [{ food: 'navy-bean', dryG: 200, soak: null, where: 'base' }],
    liquids: [],
    style: styleSaid(settings.style, settings),
    release: 'auto',
  }
  const on = { cookerId: of.id, burnerId: heatsItself(of.cooker.appliance) ? null : (burner?.id ?? null), bagIds: [] }
  const { learnt, spread } = asLearnt(request, on, believed)
  const { contents: _, ...ofCooker } = learnt ?? {}
  return {
    ...pot,
    ...(spread?.flame === undefined ? {} : { heatSpread: Math.min(heatSpread ?? 1, spread.flame) }),
    ...(Object.keys(ofCooker).length > 0 ? { learnt: ofCooker } : {}),
  }
}

/**
 * A dish with the kitchen that it is cooked in, the bags that its foods are taken from at this moment, and what its log
 * has taught; null where that has no cooker at all.
 */
export function dishRequestOf(
  dish: DishDocument,
  kitchen: Kitchen,
  nowMs: number,
  believed: Believed | null = null,
): DishRequest | null {
  const { altitudeM, roomC, tapC, hardWater } = kitchen
  const pot = potOfStage(usualPot(kitchen), kitchen, believed)
  if (!pot) return null
  const pots = dish.stages.flatMap(({ id, pot: settings }) => {
    const found = settings && potOfStage(settings, kitchen, believed)
    return found ? [[id, found] as const] : []
  })
  const { shape: _, ...content } = dish
  const own = kitchen.foods.map(foodOf)
  const bags = [...CATALOGUE, ...own].map((food) => {
    const bag = openBagOf(food.id, kitchen)
    return { food, bagId: bag?.id ?? null, isOld: bag !== null && isOldBag(bag, nowMs) }
  })
  const old = bags.filter(({ isOld }) => isOld).map(({ food }) => food.id)
  return {
    kitchen: { altitudeM, roomC, tapC, hardWater },
    pots: Object.fromEntries(pots),
    pot,
    dish: content,
    ...(old.length > 0 ? { old } : {}),
    ...(believed ? { learnt: learntOfFoods(bags, believed) } : {}),
    ...(own.length > 0 ? { foods: own } : {}),
  }
}

/** What has a clock while a dish is cooked: its stages, and its lines once they are taken out of fridge or freezer. */
export const clockOfLine = (line: string) => `out ${line}`
export const clocksOf = ({ stages, lines }: DishDocument) =>
  new Set([...stages.map(({ id }) => id), ...lines.map(({ id }) => clockOfLine(id))])

/** The bags that what goes into a pot is taken from, as the log knows them. */
export const bagIdsOf = ({ contents }: PlanRequest, kitchen: Kitchen) =>
  contents.map(({ food }) => openBagOf(food, kitchen)?.id ?? null)

/** What two devices or a file call the same dish: without its shape. */
export const dishOf = (document: DishDocument) => {
  const { shape: _, ...dish } = document
  return dish
}
