import { findFood } from '../food/catalogue'
import { cooksCovered, setsAsGrain, type Food } from '../food/food'
import { needOf, type Need } from '../food/need'
import { heldAfterDraining, soakedShare, soakUptake, type Soak } from '../food/soak'
import { texturesOf, uptakeFor, usualTexture, type Texture } from '../food/texture'
import { BURNERS, COOKERS, heatIntoPot, type Burner, type Cooker } from '../pot/cookers'
import { checkCooker, outOfBounds, within } from '../pot/check'
import { holdsPressure } from '../pot/appliance'
import type { Release } from '../pot/case'
import { failed, problem, type Outcome, type Problem } from '../problem'
import { FREE_LIQUID, type FreeLiquid, type Liquid } from '../water/liquids'
import type { PlanRequest, Style, Tin } from './request'
import { stylesFor } from './styles'

/** Smaller than this nobody cooks; most likely kilograms were typed. */
const LEAST_G = 5
const MOST_G = 10_000

/** A food of the request with all that follows from how it was prepared. */
export interface ResolvedFood {
  food: Food
  dryG: number
  texture: Texture
  soak: Soak | null
  soakedShare: number
  need: Need
  /** g of water inside it when it goes in, and that it brings from a drained soak (surface included). */
  insideG: number
  heldG: number
  soakWaterG: number
  /** g of water it holds when it has its texture, and that should stand around it then. */
  uptakeG: number
  freeLiquidG: number
  /** Its place in `ResolvedPlan.tins`, or null for the base. */
  tin: number | null
  /** The closing of the lid at which it goes in, counted without gaps from 0, and whether it is still out. */
  joins: number
  absent: boolean
}

export interface ResolvedPlan {
  request: PlanRequest
  cooker: Cooker
  /** The pot's inside was not given, so a generic one stands in. */
  bodyAssumed: boolean
  burner: Burner
  style: Style
  release: Release | null
  foods: ResolvedFood[]
  tins: Tin[]
  liquids: Liquid[]
  /** Set when the pot does not start cold from a cook’s hands but goes on from an earlier moment. */
  goesOnFrom?: {
    tempC: number
    freeWaterG: number
    /** What joins at this closing is cold; nothing does if left out. */
    closing?: number
  }
}

/** Looks everything up, as it stands when the lid is first closed, and works out what the preparation made of each food, or says what is wrong. */
export function resolve(request: PlanRequest): Outcome<ResolvedPlan> {
  const problems = checkNumbers(request)
  const cooker = resolveCooker(request)
  if (!cooker) problems.push(problem('unknown-cooker', 'cooker', { value: String(request.cooker) }))
  if (request.contents.length === 0) problems.push(problem('no-food', 'contents'))

  const closings = [...new Set(request.contents.map(({ joins }) => joins ?? 0))].sort((a, b) => a - b)
  const tins: Tin[] = []
  const foods: ResolvedFood[] = []
  request.contents.forEach((content, i) => {
    const food = request.foods?.find(({ id }) => id === content.food) ?? findFood(content.food)
    if (!food) {
      problems.push(problem('unknown-food', `contents.${i}.food`, { value: content.food }))
      return
    }
    const texture = content.texture ?? usualTexture(food)
    if (!texturesOf(food).includes(texture)) {
      const choices = texturesOf(food).join(', ')
      problems.push(problem('wrong-texture', `contents.${i}.texture`, { food: food.name, value: texture, choices }))
      return
    }
    const tin = content.where === 'base' ? null : tins.push(content.where.tin) - 1
    const joins = closings.indexOf(content.joins ?? 0)
    foods.push({ ...resolveFood(food, texture, content, tin, request), joins, absent: joins > 0 })
  })
  if (closings.length > 1 && (request.style.kind === 'fixed' || request.style.kind === 'rice-cooker'))
    problems.push(problem('decides-itself', 'style'))
  if (cooker && !stylesFor(cooker).includes(request.style.kind))
    problems.push(
      problem('style-not-for-cooker', 'style', {
        cooker: cooker.appliance.kind,
        style: request.style.kind,
        choices: stylesFor(cooker).join(', '),
      }),
    )
  if (!cooker || problems.length > 0) return failed(...problems)
  return {
    ok: true,
    value: {
      request,
      cooker: withLid(cooker, request.style),
      bodyAssumed: typeof request.cooker !== 'string' && !request.cooker.body,
      burner: resolveBurner(request.burner ?? 'strong', cooker),
      style: request.style,
      release: resolveRelease(request, cooker, foods),
      foods,
      tins,
      liquids: request.liquids,
    },
  }
}

function resolveCooker({ cooker }: PlanRequest): Cooker | undefined {
  if (typeof cooker === 'string') return Object.hasOwn(COOKERS, cooker) ? COOKERS[cooker] : undefined
  const { appliance, body, fixedPrograms } = cooker
  return { appliance, body: body ?? COOKERS['whistling-5l-aluminium']!.body, fixedPrograms }
}

function resolveBurner(burner: NonNullable<PlanRequest['burner']>, { body }: Cooker): Burner {
  if (typeof burner === 'string') return BURNERS[burner]
  return 'flameW' in burner ? heatIntoPot(burner, body.innerDiameterMm) : burner
}

/** Without its lid a pot gives all its steam to the room. */
function withLid(cooker: Cooker, style: Style): Cooker {
  if (style.kind !== 'open' || style.lid || cooker.appliance.kind !== 'open') return cooker
  return { ...cooker, appliance: { ...cooker.appliance, reflux: 0 } }
}

function resolveFood(
  food: Food,
  texture: Texture,
  content: PlanRequest['contents'][number],
  tin: number | null,
  request: PlanRequest,
): Omit<ResolvedFood, 'joins' | 'absent'> {
  const { dryG, soak } = content
  const share = soakedShare(food, soak, request.kitchen.roomC)
  const kept = soak !== null && soak.keepWater
  const free: FreeLiquid = request.freeLiquid ?? 'drained'
  return {
    food,
    dryG,
    texture,
    soak,
    soakedShare: share,
    need: needOf(food, texture, {
      soakedShare: share,
      batch: content.batch ?? 'fresh',
      additions: content.additions ?? [],
    }),
    insideG: dryG * soakUptake(food, share),
    heldG: kept ? 0 : dryG * heldAfterDraining(food, share),
    soakWaterG: kept ? (soak.waterG ?? 0) : 0,
    uptakeG: dryG * uptakeFor(food, texture),
    freeLiquidG: cooksCovered(food) ? dryG * FREE_LIQUID[free] : 0,
    tin,
  }
}

/**
 * The release to plan with. Left to us, a stove-top pot falls by itself and an electric one follows
 * the most patient of its foods; foods that want to come out at once get that unless one of them froths.
 */
function resolveRelease(request: PlanRequest, cooker: Cooker, foods: readonly ResolvedFood[]): Release | null {
  if (!holdsPressure(cooker.appliance)) return null
  if (request.release !== 'auto') return request.release
  const waits = foods.map(({ food }) => (food.release.kind === 'natural' ? food.release.minutes : 0))
  const longest = Math.max(0, ...waits)
  const froths = foods.some(({ food }) => food.froth > 0)
  if (longest === 0 && !froths) return { kind: 'quick', afterMinutes: 0 }
  if (cooker.appliance.kind === 'electric') return { kind: 'timed', afterMinutes: Math.max(longest, 5) }
  return { kind: 'natural' }
}

function checkNumbers(request: PlanRequest): Problem[] {
  const found: Problem[] = [
    ...outOfBounds(request.kitchen.altitudeM, 'altitudeM', 'kitchen.altitudeM'),
    ...outOfBounds(request.kitchen.roomC, 'roomC', 'kitchen.roomC'),
    ...outOfBounds(request.kitchen.tapC, 'tempC', 'kitchen.tapC'),
  ]
  if (request.style.kind === 'basket') found.push(...within(request.style.tempC, 40, 120, 'style.tempC'))
  if (request.style.kind === 'high-then-low') found.push(...within(request.style.whistles, 1, 20, 'style.whistles'))
  request.contents.forEach((content, i) => {
    found.push(...checkAmount(content.dryG, `contents.${i}.dryG`))
    if (content.soak) {
      const path = `contents.${i}.soak`
      found.push(
        ...within(content.soak.hours, 0, 72, `${path}.hours`, 'hours-out-of-range'),
        ...within(content.soak.waterC, 0, 100, `${path}.waterC`),
      )
      if (content.soak.waterG !== undefined) found.push(...within(content.soak.waterG, 0, MOST_G, `${path}.waterG`))
    }
    if (content.where !== 'base') {
      const path = `contents.${i}.where.tin`
      found.push(
        ...within(content.where.tin.diameterMm, 40, 400, `${path}.diameterMm`),
        ...within(content.where.tin.heightMm, 20, 300, `${path}.heightMm`),
        ...within(content.where.tin.volumeMl ?? 500, 30, 8000, `${path}.volumeMl`),
      )
    }
  })
  if (request.trivetMm !== undefined) found.push(...within(request.trivetMm, 5, 200, 'trivetMm'))
  request.liquids.forEach((liquid, i) => found.push(...within(liquid.g, 0, MOST_G, `liquids.${i}.g`)))
  if (typeof request.burner === 'object') {
    const measured = 'flameW' in request.burner
    const flames = 'flameW' in request.burner ? request.burner.flameW : request.burner
    for (const flame of ['high', 'medium', 'low', 'simmer'] as const)
      found.push(...outOfBounds(flames[flame], 'heatW', `burner.${measured ? 'flameW.' : ''}${flame}`))
    if ('diameterMm' in request.burner) found.push(...within(request.burner.diameterMm, 30, 400, 'burner.diameterMm'))
  }
  if (request.given?.pourG !== undefined) found.push(...within(request.given.pourG, 0, MOST_G, 'given.pourG'))
  if (request.given?.figure !== undefined) found.push(...within(request.given.figure, 0, 1440, 'given.figure'))
  for (const [id, share] of Object.entries(request.spread ?? {})) found.push(...within(share, 0, 1, `spread.${id}`))
  if (request.release !== 'auto' && request.release.kind !== 'natural' && request.release.afterMinutes !== undefined)
    found.push(...within(request.release.afterMinutes, 0, 240, 'release.afterMinutes'))
  if (typeof request.cooker !== 'string') {
    const prefixed = checkCooker(request.cooker).map((item) => ({ ...item, path: `cooker.${item.path}` }))
    found.push(...prefixed)
  }
  return found
}

function checkAmount(g: number, path: string): Problem[] {
  if (typeof g === 'number' && g > 0 && g < LEAST_G)
    return [problem('amount-looks-like-kg', path, { value: g, grams: Math.round(g * 1000) })]
  if (typeof g === 'number' && Number.isFinite(g) && g > MOST_G)
    return [problem('amount-too-large', path, { value: g })]
  return within(g, LEAST_G, MOST_G, path, 'amount-out-of-range')
}

/** The foods that stand in the base and not in a tin, those that are still out left out. */
export function inBase(plan: ResolvedPlan): ResolvedFood[] {
  return plan.foods.filter(({ tin, absent }) => tin === null && !absent)
}

/** The plan as it stands at a later closing of the lid. */
export function atClosing(plan: ResolvedPlan, closing: number): ResolvedPlan {
  return { ...plan, foods: plan.foods.map((item) => ({ ...item, absent: item.joins > closing })) }
}

/** Tells whether what is in the base sets as grain and leaves nothing to drain. */
export function baseSets(plan: ResolvedPlan): boolean {
  return plan.style.kind !== 'basket' && inBase(plan).some(({ food }) => setsAsGrain(food))
}
