import { isPoured, isSour, LIQUID_YIELD } from '../water/liquids'
import { broughtG } from '../water/sum'
import { KETTLE_C } from '../water/volume'
import type { Outcome } from '../problem'
import type { PlanAnswer } from '../program/answer'
import { plan } from '../program/plan'
import type { Content, PlanRequest } from '../program/request.schema'
import { styleSaid } from '../program/styles'
import { boilingC } from '../steam/steam'
import type { Addition } from '../food/need'
import { uptakeFor, usualTexture } from '../food/texture'
import { TOMATO_TIMES } from '../ingredient/serves'
import { sumOf, type Contents, type OtherIn } from './contents'
import type { DishRequest, PotOfStage, PotSettings } from './dish.schema'
import type { LiquidRow } from './ledger'

/** What is sourer than tomato: g of tomato that a g of it is worth (engineering estimate, by their acid). */
const SOUR_TIMES = 10

/** A closing of which nobody has said anything. */
export const USUAL_POT: PotSettings = {
  cookerId: '',
  burnerId: '',
  style: 'whistles',
  flame: null,
  heatUp: 'high',
  level: 'high',
  freeLiquid: 'spoonable',
  foods: [],
}

export interface PotStageAnswer {
  request: PlanRequest
  answer: PlanAnswer
}

/** What a pot closing starts from, besides what was put in at its own stage. */
interface Before {
  /** Liquid that stood in it, and how much of the contents' free liquid that is. */
  freeG: number
}

export const additionsOf = ({ others, saltG }: Contents, salted: boolean, hard: boolean): Addition[] => {
  const has = (of: (other: OtherIn) => boolean) => others.some(of)
  return [
    ...(saltG > 0 ? ['salt' as const] : []),
    ...(salted ? ['salted-soak' as const] : []),
    ...(has(({ what }) => what.id === 'baking-soda') ? ['soda' as const] : []),
    ...(has(({ what }) => what.group === 'sweet') ? ['sugar' as const] : []),
    ...(hard ? ['hard-water' as const] : []),
  ]
}

/** g of what is sour, as tomato; what the planner knows as sour by its kind is counted there. */
export function sourOf(others: readonly OtherIn[], liquids: PlanRequest['liquids']): number {
  const counted = sumOf(liquids, ({ kind, g }) => (isSour(kind) ? g : 0))
  const all = sumOf(
    others.filter(({ what }) => what.sour),
    ({ inG, what }) => inG * (what.group === 'sour' ? SOUR_TIMES : (TOMATO_TIMES[what.id] ?? 1)),
  )
  return Math.max(0, all - counted)
}

/** What the planner is asked for one closing of a cooker, with all that the stages before have left in it. */
export function potRequest(
  settings: PotSettings,
  of: PotOfStage,
  contents: Contents,
  before: Before,
  { kitchen, foods, old, learnt }: DishRequest,
): PlanRequest {
  // What gives its liquid now is named in the water sum; what is liquid already stands in the pot.
  const liquids = contents.others
    .filter(({ what, latentG }) => what.liquid !== null && !isPoured(what.liquid) && latentG > 0)
    .map(({ what, latentG }) => ({ kind: what.liquid!, g: latentG / LIQUID_YIELD[what.liquid!] }))
  const asked = contents.foods.map((item): Content => {
    const chosen = settings.foods.find(({ line }) => line === item.line)
    // What came along from its soak, and has mixed with the rest since, is not with it any more.
    const isMixed = item.insideG > 0 && item.looseG === 0
    const had = item.gets > 0 || isMixed ? { boilMinutes: item.gets, waterG: item.insideG } : null
    return {
      food: item.food.id,
      dryG: item.dryG,
      soak: item.soak,
      texture: chosen?.texture ?? item.texture ?? usualTexture(item.food),
      where: chosen?.where ?? 'base',
      batch: (chosen?.old ?? old?.includes(item.food.id)) ? 'old' : 'fresh',
      additions: additionsOf(contents, item.saltedSoak, kitchen.hardWater ?? false),
      ...(chosen?.sizeMm === undefined ? {} : { sizeMm: chosen.sizeMm }),
      ...(chosen?.joins ? { joins: chosen.joins } : {}),
      ...(had ? { had } : {}),
    }
  })
  const otherG = sumOf(contents.others, ({ restG }) => restG)
  const own = (foods ?? []).filter(({ id }) => contents.foods.some(({ food }) => food.id === id))
  return {
    kitchen: { altitudeM: kitchen.altitudeM, roomC: kitchen.roomC, tapC: kitchen.tapC },
    cooker: of.cooker,
    ...(of.burner === undefined ? {} : { burner: of.burner }),
    contents: asked,
    liquids,
    stands: {
      freeWaterG: Math.max(0, contents.freeG),
      otherG,
      tempC: contents.inPot && before.freeG + otherG > 0 ? contents.tempC : kitchen.roomC,
      sourG: sourOf(contents.others, liquids),
    },
    freeLiquid: settings.freeLiquid,
    ...(settings.boilingWater ? { pourC: KETTLE_C } : {}),
    style: styleSaid(settings.style, settings),
    release: 'auto',
    ...givenOf(settings),
    ...(of.heatSpread === undefined ? {} : { spread: { flame: of.heatSpread } }),
    ...learntOf(of, contents, learnt),
    ...(own.length > 0 ? { foods: own } : {}),
  }
}

/** What the cook gives for it instead of what is computed. */
function givenOf({ pourG, figure }: PotSettings): Pick<PlanRequest, 'given'> {
  if (pourG === undefined && figure === undefined) return {}
  return { given: [{ ...(pourG === undefined ? {} : { pourG }), ...(figure === undefined ? {} : { figure }) }] }
}

/** What the log has taught of this cooker and of what is in it; nothing where it has taught nothing. */
function learntOf({ learnt: ofCooker }: PotOfStage, { foods }: Contents, ofFoods: DishRequest['learnt'] = {}) {
  const contents = foods.map(({ food }) => ofFoods[food.id] ?? {})
  const isTaught = contents.some((one) => Object.keys(one).length > 0)
  return ofCooker || isTaught ? { learnt: { ...ofCooker, ...(isTaught ? { contents } : {}) } } : {}
}

/** The same pot without what is sour, its liquid replaced by water. */
export function withoutSour(request: PlanRequest): PlanRequest {
  const { liquids, stands } = request
  const sour = liquids.filter(({ kind }) => isSour(kind))
  const liquid = sumOf(sour, broughtG)
  return {
    ...request,
    liquids: liquids.filter(({ kind }) => !isSour(kind)),
    stands: { ...stands!, freeWaterG: stands!.freeWaterG + liquid, sourG: 0 },
  }
}

/** Cooks it: plans the closing and leaves the contents as the plan says they come out. */
export function cookInPot(request: PlanRequest, contents: Contents, row: LiquidRow): Outcome<PotStageAnswer> {
  const planned = plan(request, { range: false })
  if (!planned.ok) return planned
  const answer = planned.value
  const brought = sumOf(request.liquids, broughtG)
  const tinG = sumOf(answer.foods, ({ tinWaterG }) => tinWaterG ?? 0)
  const pouredG = sumOf(answer.closings, ({ water }) => water.pourG) + tinG
  const looseG = sumOf(contents.foods, (item) => item.looseG)
  for (const other of contents.others) other.latentG = 0
  row.givenG += brought
  row.pouredG += pouredG
  row.steamG = answer.steamLostG * (request.learnt?.steam ?? 1)
  const drunkG = contents.freeG + looseG + brought + pouredG - row.steamG - answer.waterLeftG
  row.drunkG += drunkG
  contents.freeG = answer.waterLeftG
  const wants = contents.foods.map(({ food, dryG, insideG }, i) =>
    Math.max(0, dryG * uptakeFor(food, answer.foods[i]!.texture) - insideG),
  )
  const wanted = sumOf(wants, (g) => g)
  contents.foods.forEach((item, i) => {
    const { gets, needs, texture, centreC } = answer.foods[i]!
    item.insideG += wanted > 0 ? (drunkG * wants[i]!) / wanted : drunkG / contents.foods.length
    Object.assign(item, {
      looseG: 0,
      gets,
      needs,
      texture,
      centreC: Math.max(item.centreC ?? -Infinity, centreC),
      inClosing: true,
    })
  })
  contents.tempC = boilingC(request.kitchen.altitudeM)
  contents.inPot = true
  return { ok: true, value: { request, answer } }
}
