import { heatsItself } from '../core/appliance/appliance'
import type { Food } from '../core/food/food.schema'
import type { Addition } from '../core/food/need'
import { pieceMm } from '../core/food/pieces'
import { asLearnt, type CookedWith } from '../core/learn/apply'
import type { Believed } from '../core/learn/posterior'
import { CUTS, type StyleKind } from '../core/names'
import { withFlame } from '../core/program/count'
import type { Content, Given, PlanRequest } from '../core/program/request.schema'
import { styleSaid } from '../core/program/styles'
import { readAmount } from '../core/quantity/number'
import type { StackAsk, StackFood } from '../core/stack/ask'
import type { StackAnswer } from '../core/stack/search'
import { KETTLE_C } from '../core/water/volume'
import { foodById, foodOf, inUse, isOldBag, measuredCooker, type HouseholdCooker, type Kitchen } from './kitchen'
import { isPieceUnit, PIECE_UNITS } from './names'
import {
  burnerOf,
  emptyStack,
  itemG,
  liquidG,
  newItem,
  newPot,
  placedItems,
  soakOf,
  stackOf,
  type Pot,
  type PotItem,
  type PotStack,
} from './pot'

// A pot as a request to plan it, and back. Apart from the pot itself: lists of pots plan nothing.

/** Thickness of an item's pieces in mm; null where it is the food's usual one. */
function itemMm({ unit, cut = 'whole' }: PotItem, food: Food): number | null {
  const size = isPieceUnit(unit) ? PIECE_UNITS[unit] : 'medium'
  return size === 'medium' && cut === 'whole' ? null : pieceMm(food, size, cut)
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
