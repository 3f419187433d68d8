import { cooksCovered, standsInLiquid } from '../core/food/food'
import type { Food, Soak } from '../core/food/food.schema'
import { pieceG } from '../core/food/pieces'
import { texturesOf, usualTexture } from '../core/food/texture'
import { readAmount, typedAmount } from '../core/quantity/number'
import { COMMON_MEASURES, CUP_ML, gramsOf, isWeight, type Measure, type WeightUnit } from '../core/measure/measure'
import type { Texture } from '../core/names'
import { KETTLE_C } from '../core/water/volume'
import { foodById, inUse, openBagOf, type HouseholdCooker, type Kitchen } from './kitchen'
import { isPieceUnit, PIECE_UNITS } from './names'
import type { Pot } from './pot.schema'
import { POT_SHAPE } from './shapes'

// The schemas stand apart (pot.schema.ts): the browser needs what is here, and only servers and imports parse.

export type { Pot } from './pot.schema'
export type PotItem = Pot['items'][number]
export type PotLiquid = Pot['liquids'][number]
export type PotStack = NonNullable<Pot['stack']>

/** A fridge. */
const FRIDGE_C = 5

/** The texture last asked for of this food in this household, else the usual one. */
function likedTexture(food: Food, { likes }: Kitchen): Texture {
  const liked = likes.textures[food.id]
  return liked && texturesOf(food).includes(liked) ? liked : usualTexture(food)
}

/** A food as it goes into a pot when nobody has said anything yet. */
export function newItem(food: Food, kitchen: Kitchen, asked: AskedAmount | null = null): PotItem {
  const hard = kitchen.hardWater && cooksCovered(food)
  return {
    foodId: food.id,
    bagId: openBagOf(food.id, kitchen)?.id ?? '',
    ...amountOf(food, kitchen, asked),
    ...usualSoak(food),
    keepWater: false,
    soakWaterG: '',
    texture: likedTexture(food, kitchen),
    circumstances: hard ? ['hard-water'] : [],
    joins: 0,
  }
}

/** An amount that was asked for; an empty unit counts pieces, or the usual measure. */
export interface AskedAmount {
  count: number
  unit: string
}

/** What was asked for where the food can be measured so, else what is usual. */
function amountOf(food: Food, kitchen: Kitchen, asked: AskedAmount | null): Pick<PotItem, 'amount' | 'unit'> {
  const usual = { amount: usualAmount(food), unit: usualUnit(food, kitchen) }
  if (!asked || (asked.unit !== '' && !canBeIn(asked.unit, food))) return usual
  return { amount: typedAmount(asked.count, kitchen.likes.decimal), unit: asked.unit || usual.unit }
}

/** Pieces are for what is counted, measures for what is poured; weights are for all. */
const canBeIn = (unit: string, { cupG, pieceG: pieces }: Food) =>
  isWeight(unit) || (isPieceUnit(unit) ? pieces !== undefined : cupG !== null)

const usualAmount = ({ pieceG: pieces, cupG }: Food) => (pieces ? '4' : cupG === null ? '300' : '1')
const usualUnit = ({ pieceG: pieces, cupG }: Food, kitchen: Kitchen) =>
  pieces ? 'piece-medium' : cupG === null ? 'g' : (inUse(kitchen.measures)[0]?.id ?? 'cup-240')

const usualSoak = (food: Food) => ({ soakHours: String(food.soak?.adviceHours[0] ?? 0), soakIn: 'room' as const })

/** The same place in the pot with another food: what is only sensible for the one before changes with it. */
export function withFood(item: PotItem, food: Food, kitchen: Kitchen): PotItem {
  const stays = canBeIn(item.unit, food)
  const unit = stays ? item.unit : usualUnit(food, kitchen)
  return {
    ...item,
    foodId: food.id,
    bagId: openBagOf(food.id, kitchen)?.id ?? '',
    // Two cups may become two pieces, but not two grams.
    amount: !stays && isWeight(unit) ? usualAmount(food) : item.amount,
    unit,
    cut: undefined,
    ...usualSoak(food),
    texture: likedTexture(food, kitchen),
  }
}

export function newPot(food: Food, kitchen: Kitchen, asked: AskedAmount | null = null): Pot {
  return {
    shape: POT_SHAPE,
    items: [newItem(food, kitchen, asked)],
    liquids: [],
    freeLiquid: standsInLiquid(food) ? 'spoonable' : 'drained',
    cookerId: inUse(kitchen.cookers)[0]?.id ?? '',
    burnerId: inUse(kitchen.burners)[0]?.id ?? '',
    flame: null,
    heatUp: 'high',
    styles: {},
    level: 'high',
    given: [],
    inTins: false,
    stack: null,
    soakingSince: null,
  }
}

/** What the cook gave at a closing of the lid; nothing if nothing. */
export function givenAt({ given }: Pick<Pot, 'given'>, closing: number): Pot['given'][number] {
  return given[closing] ?? { pourG: null, figure: null }
}

/** The pot with another given figure at one closing; an empty list where nothing is given any more. */
export function withGiven(given: Pot['given'], closing: number, change: Partial<Pot['given'][number]>): Pot['given'] {
  const length = Math.max(given.length, closing + 1)
  const next = Array.from({ length }, (_, i) => ({ ...givenAt({ given }, i), ...(i === closing ? change : {}) }))
  return next.every(({ pourG, figure }) => pourG === null && figure === null) ? [] : next
}

/** What a unit's id stands for: a weight, a common measure, or one of the household's. */
export function unitOf(id: string, kitchen: Kitchen): WeightUnit | Measure {
  if (isWeight(id)) return id
  const own = kitchen.measures.find((measure) => measure.id === id)
  if (own) return own
  if (Object.hasOwn(COMMON_MEASURES, id)) return COMMON_MEASURES[id as keyof typeof COMMON_MEASURES]
  // A measure that nobody knows measures nothing: another one in its place would change the pot unseen.
  return { id, volumeMl: NaN }
}

/** g of dry food in an item; NaN while the amount cannot be read. */
export function itemG(item: PotItem, kitchen: Kitchen): number {
  const food = foodById(kitchen, item.foodId)
  if (!food) return NaN
  const count = readAmount(item.amount, kitchen.likes.decimal)
  if (isPieceUnit(item.unit)) return count * pieceG(food, PIECE_UNITS[item.unit])
  return gramsOf(count, unitOf(item.unit, kitchen), food)
}

/** Kitchen liquids weigh nearly what water does. */
const LIQUID_CUP_G = CUP_ML

export function liquidG({ amount, unit }: PotLiquid, kitchen: Kitchen): number {
  return gramsOf(readAmount(amount, kitchen.likes.decimal), unitOf(unit, kitchen), { cupG: LIQUID_CUP_G })
}

/** How an item was soaked; null for not at all. */
export function soakOf(item: PotItem, food: Food, kitchen: Kitchen): Soak | null {
  const hours = item.soakHours.trim() === '' ? 0 : readAmount(item.soakHours, kitchen.likes.decimal)
  if (food.soak === null || hours === 0) return null
  const waterC = { room: kitchen.tapC, hot: KETTLE_C, fridge: FRIDGE_C }[item.soakIn]
  const measured = item.keepWater && item.soakWaterG.trim() !== ''
  return {
    hours,
    waterC,
    keepWater: item.keepWater,
    ...(measured ? { waterG: readAmount(item.soakWaterG, kitchen.likes.decimal) } : {}),
  }
}

/** The arrangement by which the pot is cooked: null where it is cooked loose. */
export function stackOf({ inTins, stack }: Pick<Pot, 'inTins' | 'stack'>): PotStack | null {
  return inTins ? stack : null
}

/** The items that go into the pot: all, or of a stack those that stand somewhere, by their place in the list. */
export function placedItems(pot: Pot): number[] {
  const all = pot.items.map((_, i) => i)
  const stack = stackOf(pot)
  return stack ? all.filter((i) => (stack.places[i] ?? '') !== '') : all
}

export function emptyStack({ items }: Pick<Pot, 'items'>): PotStack {
  return {
    places: items.map(() => ''),
    locks: items.map(() => 'any'),
    soakFree: items.map(() => true),
    tiers: [],
    topCovered: false,
    trivetMm: 25,
  }
}

export function cookerOf(pot: Pot, kitchen: Kitchen): HouseholdCooker | null {
  return kitchen.cookers.find(({ id }) => id === pot.cookerId) ?? inUse(kitchen.cookers)[0] ?? null
}

export function burnerOf(pot: Pot, kitchen: Kitchen) {
  return kitchen.burners.find(({ id }) => id === pot.burnerId) ?? inUse(kitchen.burners)[0] ?? null
}
