import { heatsItself } from '../core/appliance/appliance'
import { asLearnt, type CookedWith } from '../core/learn/apply'
import type { Believed } from '../core/learn/posterior'
import { withFlame } from '../core/program/count'
import { styleSaid } from '../core/program/styles'
import { cooksCovered, standsInLiquid } from '../core/food/food'
import type { Food, Soak } from '../core/food/food.schema'
import type { Addition } from '../core/food/need'
import { pieceG, pieceMm } from '../core/food/pieces'
import { texturesOf, usualTexture } from '../core/food/texture'
import { readAmount, typedAmount } from '../core/quantity/number'
import { COMMON_MEASURES, CUP_ML, gramsOf, isWeight, type Measure, type WeightUnit } from '../core/measure/measure'
import { CUTS, type StyleKind, type Texture } from '../core/names'
import type { Content, Given, PlanRequest } from '../core/program/request.schema'
import type { StackAsk, StackFood } from '../core/stack/ask'
import { KETTLE_C } from '../core/water/volume'
import type { StackAnswer } from '../core/stack/search'
import {
  foodById,
  foodOf,
  inUse,
  isOldBag,
  measuredCooker,
  openBagOf,
  type HouseholdCooker,
  type Kitchen,
} from './kitchen'
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

/** Thickness of an item's pieces in mm; null where it is the food's usual one. */
function itemMm({ unit, cut = 'whole' }: PotItem, food: Food): number | null {
  const size = isPieceUnit(unit) ? PIECE_UNITS[unit] : 'medium'
  return size === 'medium' && cut === 'whole' ? null : pieceMm(food, size, cut)
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

/**
 * The request that a pot makes for one cooker and style of a kitchen, with what the log has taught of them; null if a
 * food of it is unknown there.
 */
export function requestOf(
  pot: Pot,
  kitchen: Kitchen,
  of: HouseholdCooker,
  style: StyleKind,
  nowMs: number,
  learnt: Believed | null = null,
): PlanRequest | null {
  const { altitudeM, roomC, tapC } = kitchen
  const burner = burnerOf(pot, kitchen)
  const measured = measuredCooker(of, burner)
  const standing = placedItems(pot)
  const contents = standing.map((index): Content | null => {
    const item = pot.items[index]!
    const food = foodById(kitchen, item.foodId)
    const where = whereOf(stackOf(pot), index, kitchen)
    if (!food || !where) return null
    const sizeMm = itemMm(item, food)
    const bag = kitchen.bags.find(({ id }) => id === item.bagId)
    const old = item.circumstances.includes('old-bag') || (bag !== undefined && isOldBag(bag, nowMs))
    return {
      food: food.id,
      dryG: itemG(item, kitchen),
      soak: soakOf(item, food, kitchen),
      texture: item.texture,
      ...(sizeMm === null ? {} : { sizeMm }),
      where,
      batch: old ? 'old' : 'fresh',
      additions: item.circumstances.filter((one): one is Addition => one !== 'old-bag'),
      ...(item.joins ? { joins: item.joins } : {}),
    }
  })
  if (contents.length === 0 || contents.some((content) => content === null)) return null
  const ownIds = new Set(pot.items.map(({ foodId }) => foodId))
  const foods = kitchen.foods.filter(({ id }) => ownIds.has(id)).map(foodOf)
  const given = pot.given.map(({ pourG, figure }): Given => ({
    ...(pourG === null ? {} : { pourG }),
    ...(figure === null ? {} : { figure }),
  }))
  const request: PlanRequest = {
    kitchen: { altitudeM, roomC, tapC },
    cooker: measured.cooker,
    ...(measured.burner ? { burner: measured.burner } : {}),
    contents: contents as Content[],
    liquids: pot.liquids.map((liquid) => ({
      kind: liquid.kind,
      g: liquidG(liquid, kitchen),
      ...(liquid.fried ? { fried: true } : {}),
    })),
    freeLiquid: pot.freeLiquid,
    ...(pot.boilingWater ? { pourC: KETTLE_C } : {}),
    ...(stackOf(pot) ? { trivetMm: stackOf(pot)!.trivetMm } : {}),
    style: styleSaid(style, pot),
    release: 'auto',
    ...(given.length > 0 ? { given } : {}),
    ...(measured.heatSpread === null ? {} : { spread: { flame: measured.heatSpread } }),
    ...(foods.length > 0 ? { foods } : {}),
  }
  return withFlame(learnt ? asLearnt(request, cookedWith(pot, kitchen, of), learnt) : request)
}

/** What a pot is cooked with, as a household's log knows it. */
export function cookedWith(pot: Pot, kitchen: Kitchen, of: HouseholdCooker): CookedWith {
  return {
    cookerId: of.id,
    burnerId: heatsItself(of.cooker.appliance) ? null : (burnerOf(pot, kitchen)?.id ?? null),
    bagIds: placedItems(pot).map((i) => pot.items[i]!.bagId || null),
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

function whereOf(stack: PotStack | null, index: number, kitchen: Kitchen): Content['where'] | null {
  const place = stack?.places[index] ?? 'base'
  if (!stack || place === 'base') return 'base'
  const level = stack.tiers.findIndex((tier) => tier.includes(place))
  const tin = kitchen.tins.find(({ id }) => id === place)
  if (level < 0 || !tin) return null
  const { diameterMm, heightMm, volumeMl, material } = tin
  const lid = level < stack.tiers.length - 1 || stack.topCovered
  return { tin: { diameterMm, heightMm, volumeMl, material, lid }, tier: level + 1 }
}

/** What the search for a stack is asked: the pot's foods, with the locks that the cook has set. */
export function stackAskOf(
  pot: Pot,
  kitchen: Kitchen,
  of: HouseholdCooker,
  style: StyleKind,
  nowMs: number,
  learnt: Believed | null = null,
): StackAsk | null {
  const items = pot.items.map((item) => ({ ...item, joins: 0 }))
  const asked: Pot = { ...pot, items, inTins: false, given: [] }
  const request = requestOf(asked, kitchen, of, style, nowMs, learnt)
  if (!request) return null
  const { contents, foods, ...rest } = request
  const lockOf = (lock: string): StackFood['lock'] =>
    lock === 'base' || lock === 'top' || lock === 'any' ? lock : { tinId: lock }
  return {
    ...rest,
    foods: contents.map(({ where: _, ...content }, i) => ({
      ...content,
      lock: lockOf(pot.stack?.locks[i] || 'any'),
      soakMayChange: pot.stack?.soakFree[i] ?? true,
    })),
    tins: inUse(kitchen.tins).map(({ name: _, away: __, ...tin }) => tin),
    ...(foods ? { ownFoods: foods } : {}),
  }
}

/** The pot with its foods where an answer of the search puts them, and soaked as it says. */
export function withStack(pot: Pot, { arrangement, request }: Pick<StackAnswer, 'arrangement' | 'request'>): Pot {
  const { base, tiers, trivetMm } = arrangement
  const tinOf = (food: number) => tiers.flat().find((one) => one.food === food)?.tin.id ?? ''
  const items = pot.items.map((item, i) => {
    const soak = request.contents[i]?.soak ?? null
    // What was left as the cook had it, or could not be otherwise, stays as it was typed.
    const asTyped = pot.stack?.soakFree[i] === false || (readAmount(item.soakHours) || 0) === (soak?.hours ?? 0)
    return asTyped
      ? { ...item, joins: 0 }
      : { ...item, joins: 0, soakHours: String(soak?.hours ?? 0), soakIn: 'room' as const, keepWater: false }
  })
  return {
    ...pot,
    items,
    inTins: true,
    stack: {
      ...emptyStack(pot),
      ...pot.stack,
      places: pot.items.map((_, i) => (i === base ? 'base' : tinOf(i))),
      tiers: tiers.map((tier) => tier.map(({ tin }) => tin.id)),
      topCovered: tiers.at(-1)?.some(({ covered }) => covered) ?? false,
      trivetMm,
    },
  }
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

/** The unit and the cut of a middling piece that is so thick; nothing where it is the food's usual one. */
function cutTo(food: Food, sizeMm: number | undefined): Partial<PotItem> {
  const cut = CUTS.find((one) => sizeMm !== undefined && pieceMm(food, 'medium', one) === sizeMm)
  return cut ? { cut } : {}
}

/** A request's tins as this kitchen's own, each used once; loose where it has none or one of them has gone. */
function stackOfRequest({ contents, trivetMm }: PlanRequest, kitchen: Kitchen): Pick<Pot, 'inTins' | 'stack'> {
  const used = new Set<string>()
  const places = contents.map(({ where }) => {
    if (where === 'base') return 'base'
    const { diameterMm, heightMm } = where.tin
    const own = kitchen.tins.find(
      (tin) => !used.has(tin.id) && tin.diameterMm === diameterMm && tin.heightMm === heightMm,
    )
    if (own) used.add(own.id)
    return own?.id ?? null
  })
  const inTins = contents.some(({ where }) => where !== 'base')
  if (!inTins || places.includes(null)) return { inTins: false, stack: null }
  const tiers: string[][] = []
  contents.forEach(({ where }, i) => {
    if (where !== 'base') (tiers[where.tier - 1] ??= []).push(places[i]!)
  })
  const highest = contents.filter(({ where }) => where !== 'base' && where.tier === tiers.length)
  const stack: PotStack = {
    places: places as string[],
    locks: contents.map(() => 'any'),
    soakFree: contents.map(() => true),
    tiers: Array.from(tiers, (tier) => tier ?? []),
    topCovered: highest.some(({ where }) => where !== 'base' && where.tin.lid),
    trivetMm: trivetMm ?? emptyStack({ items: [] }).trivetMm,
  }
  return { inTins: true, stack }
}

const HOT_FROM_C = 50
const COLD_TO_C = 10

/** The pot that a plan was made from, in grams, to be planned once more; foods that have gone are left out. */
export function potOfRequest(
  {
    request,
    cookerId,
    burnerId,
  }: { request: PlanRequest; cookerId: string | null; burnerId?: string | null | undefined },
  kitchen: Kitchen,
): Pot | null {
  const items = request.contents.flatMap(
    ({ food: foodId, dryG, soak, texture, batch, additions, joins, sizeMm }): PotItem[] => {
      const food = foodById(kitchen, foodId)
      if (!food) return []
      const soakIn = !soak || soak.waterC <= HOT_FROM_C ? (soak && soak.waterC < COLD_TO_C ? 'fridge' : 'room') : 'hot'
      return [
        {
          ...newItem(food, kitchen),
          amount: String(Math.round(dryG)),
          unit: 'g',
          soakHours: String(soak?.hours ?? 0),
          soakIn,
          keepWater: soak?.keepWater ?? false,
          soakWaterG: soak?.waterG === undefined ? '' : String(Math.round(soak.waterG)),
          ...(texture ? { texture } : {}),
          ...cutTo(food, sizeMm),
          circumstances: [...(batch === 'old' ? (['old-bag'] as const) : []), ...(additions ?? [])],
          joins: joins ?? 0,
        },
      ]
    },
  )
  const first = items[0] && foodById(kitchen, items[0].foodId)
  if (!first) return null
  const { style } = request
  const of = kitchen.cookers.find(({ id }) => id === cookerId)
  return {
    ...newPot(first, kitchen),
    items,
    liquids: request.liquids.map(({ kind, g, fried }) => ({
      kind,
      amount: String(Math.round(g)),
      unit: 'g',
      ...(fried ? { fried } : {}),
    })),
    freeLiquid: request.freeLiquid ?? 'drained',
    cookerId: of?.id ?? '',
    ...(kitchen.burners.some(({ id }) => id === burnerId) ? { burnerId: burnerId! } : {}),
    ...stackOfRequest(request, kitchen),
    styles: of ? { [of.cooker.appliance.kind]: style.kind } : {},
    ...('flame' in style ? { flame: style.flame ?? null } : {}),
    ...(style.kind === 'whistles' ? { heatUp: style.heatUp } : {}),
    ...('level' in style ? { level: style.level } : {}),
  }
}
