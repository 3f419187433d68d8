import type { Burner } from '../appliance/burner'
import { scaled } from '../appliance/parameters'
import { kindOf, stylesFor, type Cooker } from '../appliance/appliance'
import type { Release } from '../appliance/step.schema'
import type { SetStyle, Style } from '../appliance/style.schema'
import { findFood } from '../food/catalogue'
import { setsAsGrain, standsInLiquid } from '../food/food'
import type { Food, Soak } from '../food/food.schema'
import { needOf, type Need } from '../food/need'
import { heldAfterDraining, soakedShare, soakUptake } from '../food/soak'
import { texturesOf, uptakeFor, usualTexture, type GrainVessel } from '../food/texture'
import type { Texture } from '../names'
import { failed, problem, type Outcome } from '../problem'
import type { Liquid } from '../water/liquid.schema'
import { FREE_LIQUID, FREE_LIQUID_AROUND_MEAT, isSour, type FreeLiquid } from '../water/liquids'
import { checkRequest } from './request-check'
import { flameToCountOn } from './flame'
import { burnerOf, cookerOf } from './stove'
import type { Content, PlanRequest, Tin } from './request.schema'
import { endsByItself } from './styles'

/** A food of the request with all that follows from how it was prepared. */
export interface PreparedFood {
  food: Food
  dryG: number
  texture: Texture
  soak: Soak | null
  soakedShare: number
  need: Need
  /** Boil-minutes that it has had before this pot. */
  hadBoilMinutes: number
  /** g of water inside it when it goes in, and that it brings from a drained soak (surface included). */
  insideG: number
  heldG: number
  soakWaterG: number
  /** g of water it holds when it has its texture, and that should stand around it then. */
  uptakeG: number
  /** Of that, what the log has taught; it may be less than was assumed. */
  learntUptakeG: number
  /** In what it drinks. */
  vessel: GrainVessel
  freeLiquidG: number
  /** Its place in `PreparedPot.tins`, which others may share, or null for the base. */
  tin: number | null
  /** The closing of the lid at which it goes in, counted without gaps from 0. */
  joins: number
}

/** A request with everything looked up, and what the preparation made of each food. */
export interface PreparedPot {
  request: PlanRequest
  cooker: Cooker
  /** The pot's inside was not given, so a generic one stands in. */
  bodyAssumed: boolean
  burner: Burner
  style: SetStyle
  release: Release | null
  foods: PreparedFood[]
  tins: Tin[]
  liquids: Liquid[]
  /** How often the lid is closed. */
  closings: number
}

/** Looks everything up and works out what the preparation made of each food, or says what is wrong. */
export function prepare(request: PlanRequest): Outcome<PreparedPot> {
  const problems = checkRequest(request)
  const cooker = cookerOf(request)
  if (!cooker) problems.push(problem('unknown-cooker', 'cooker', { value: String(request.cooker) }))
  if (request.contents.length === 0) problems.push(problem('no-food', 'contents'))

  const closings = [...new Set(request.contents.map(({ joins }) => joins ?? 0))].sort((a, b) => a - b)
  const tins: Tin[] = []
  const foods: PreparedFood[] = []
  const bowls = new Map<string, number>()
  const tinOf = ({ where }: Content): number | null => {
    if (where === 'base') return null
    const shared = where.bowl === undefined ? undefined : bowls.get(where.bowl)
    if (shared !== undefined) return shared
    const tin = tins.push(where.tin) - 1
    if (where.bowl !== undefined) bowls.set(where.bowl, tin)
    return tin
  }
  request.contents.forEach((content, i) => {
    const usual = request.foods?.find(({ id }) => id === content.food) ?? findFood(content.food)
    if (!usual) {
      problems.push(problem('unknown-food', `contents.${i}.food`, { value: content.food }))
      return
    }
    const food = content.sizeMm === undefined ? usual : { ...usual, sizeMm: content.sizeMm }
    const texture = content.texture ?? usualTexture(food)
    if (!texturesOf(food).includes(texture)) {
      const choices = texturesOf(food).join(', ')
      problems.push(problem('wrong-texture', `contents.${i}.texture`, { food: food.id, value: texture, choices }))
      return
    }
    const tin = tinOf(content)
    const joins = closings.indexOf(content.joins ?? 0)
    foods.push({ ...prepareFood(food, texture, content, request, learntOfContent(request, i)), tin, joins })
  })
  if (closings.length > 1 && endsByItself(request.style)) problems.push(problem('decides-itself', 'style'))
  if (cooker && !stylesFor(cooker).includes(request.style.kind))
    problems.push(
      problem('style-not-for-cooker', 'style', {
        cooker: cooker.appliance.kind,
        style: request.style.kind,
        choices: stylesFor(cooker).join(', '),
      }),
    )
  if (!cooker || problems.length > 0) return failed(...problems)
  const burner = learntBurner(burnerOf(request.burner ?? 'strong', cooker), request)
  const asItIs = asLearnt(withLid(cooker, request.style), request)
  return {
    ok: true,
    value: {
      request,
      cooker: asItIs,
      bodyAssumed: typeof request.cooker !== 'string' && !request.cooker.body,
      burner,
      style: setStyle(request, asItIs, burner, foods),
      release: releaseOf(request, cooker, foods),
      foods,
      tins,
      liquids: request.liquids,
      closings: closings.length,
    },
  }
}

/** The style with its flame, where the cook leaves that to how often the pot whistles. */
function setStyle(
  { style, kitchen: { altitudeM, roomC } }: PlanRequest,
  cooker: Cooker,
  burner: Burner,
  foods: readonly PreparedFood[],
): SetStyle {
  if (style.kind !== 'whistles') return style
  return { ...style, flame: style.flame ?? flameToCountOn({ cooker, foods, altitudeM, roomC }, burner) }
}

function learntBurner(burner: Burner, { learnt }: PlanRequest): Burner {
  const times = learnt?.flames
  if (!times) return burner
  const { high, medium, low, simmer } = burner
  return { high: high * times.high, medium: medium * times.medium, low: low * times.low, simmer: simmer * times.simmer }
}

function asLearnt(cooker: Cooker, { learnt }: PlanRequest): Cooker {
  if (!learnt) return cooker
  const { heat, swing, loss } = learnt
  return { ...cooker, appliance: scaled(cooker.appliance, { heat, swing, loss }) }
}

function learntOfContent({ learnt }: PlanRequest, content: number): { need: number; uptake: number } {
  const { need = 1, uptake = 1 } = learnt?.contents?.[content] ?? {}
  return { need: need * (learnt?.needByPressure ?? 1), uptake }
}

/** Without its lid a pot gives all its steam to the room. */
function withLid(cooker: Cooker, style: Style): Cooker {
  const { appliance } = cooker
  if (style.kind !== 'open' || style.lid || !('reflux' in appliance)) return cooker
  return { ...cooker, appliance: { ...appliance, reflux: 0 } }
}

/** g of liquid that should stand around so much of a food. */
function freeLiquidG(food: Food, dryG: number, wanted: FreeLiquid): number {
  if (!standsInLiquid(food)) return 0
  return dryG * FREE_LIQUID[wanted] * (food.group === 'meat' ? FREE_LIQUID_AROUND_MEAT : 1)
}

function prepareFood(
  food: Food,
  texture: Texture,
  { dryG, soak, batch, additions = [], where, had }: Content,
  { kitchen, freeLiquid, liquids, stands, style }: PlanRequest,
  learnt: { need: number; uptake: number },
): Omit<PreparedFood, 'joins' | 'tin'> {
  const share = soakedShare(food, soak, kitchen.roomC)
  const kept = soak !== null && soak.keepWater
  const vessel = style.kind === 'rice-cooker' ? 'rice-cooker' : 'pot'
  const uptakeG = dryG * uptakeFor(food, texture, vessel)
  return {
    food,
    dryG,
    texture,
    soak,
    soakedShare: share,
    // A rice cooker's ordinary cycle cooks grain until it is tender; how soft it is then the water decides.
    need: needOf(food, vessel === 'rice-cooker' && setsAsGrain(food) ? 'separate' : texture, {
      soakedShare: share,
      batch: batch ?? 'fresh',
      learnt: learnt.need,
      additions:
        where === 'base' && isSoured(dryG, liquids, stands?.sourG)
          ? [...new Set([...additions, 'acid' as const])]
          : additions,
    }),
    hadBoilMinutes: had?.boilMinutes ?? 0,
    insideG: had ? had.waterG : dryG * soakUptake(food, share),
    // What was cooked before has left its soaking water behind.
    heldG: had ? had.waterG : kept ? 0 : dryG * heldAfterDraining(food, share),
    soakWaterG: kept && !had ? (soak.waterG ?? 0) : 0,
    uptakeG: uptakeG * learnt.uptake,
    learntUptakeG: uptakeG * (learnt.uptake - 1),
    vessel,
    freeLiquidG: freeLiquidG(food, dryG, freeLiquid ?? 'drained'),
  }
}

/** So much of what is sour to each g of dry pulses keeps them hard, ticked or not (engineering estimate). */
const SOUR_SHARE = 0.25

/** True where so much that is sour is in with so much dry food that it stays hard. */
export function isSoured(dryG: number, liquids: readonly Liquid[], stoodG = 0): boolean {
  const sourG = liquids.reduce((sum, { kind, g }) => sum + (isSour(kind) ? g : 0), stoodG)
  return sourG >= SOUR_SHARE * dryG
}

/** Minutes that a valve is left shut at least, unless everything wants to come out at once (engineering estimate). */
const VALVE_WAITS_MINUTES = 5

/**
 * The release to plan with. Left to us, a stove-top pot falls by itself and one with a valve follows
 * the most patient of its foods; foods that want to come out at once get that unless one of them froths.
 */
function releaseOf(request: PlanRequest, { appliance }: Cooker, foods: readonly PreparedFood[]): Release | null {
  const { release } = kindOf(appliance)
  if (release === 'none') return null
  if (request.release !== 'auto') return request.release
  const waits = foods.map(({ food }) => (food.release.kind === 'natural' ? food.release.minutes : 0))
  const longest = Math.max(0, ...waits)
  const froths = foods.some(({ food }) => food.froth > 0)
  if (longest === 0 && !froths) return { kind: 'quick', afterMinutes: 0 }
  if (release === 'valve') return { kind: 'timed', afterMinutes: Math.max(longest, VALVE_WAITS_MINUTES) }
  return { kind: 'natural' }
}

/** Water that comes with a food but not inside it: on its surface, or what it was soaked in and has not drunk. */
export function looseWaterG({ heldG, insideG, soakWaterG }: PreparedFood): number {
  return heldG > 0 ? heldG - insideG : Math.max(0, soakWaterG - insideG)
}
