import { heatsItself, holdsPressure } from '../appliance/appliance'
import { parameterOf } from '../appliance/parameters'
import type { Food, FoodGroup } from '../food/food.schema'
import { FLAMES, type FlameName } from '../names'
import { findFood } from '../food/catalogue'
import { prepare } from '../program/prepared'
import { burnerOf, cookerOf } from '../program/stove'
import type { LearntFactors, PlanRequest } from '../program/request.schema'
import { UNMEASURED } from '../unknown'
import { FROM_RUN_TO_RUN, idOf, OLD_BATCH, priorOf, UNLEARNT, type Figure } from './figure'
import type { Believed, Estimate } from './posterior'
import { doneTerms, knownTerms, pressureTerm } from './terms'

/** What of a kitchen a pot is cooked with, by the ids that its log knows. */
export interface CookedWith {
  cookerId: string
  burnerId: string | null
  /** By content; null where nobody said. */
  bagIds: (string | null)[]
}

/** So far off what was assumed a figure must be before a plan is changed by it. */
const LEAST_CHANGE = 0.005
/** No learnt factor goes beyond this, whatever was heard and said (engineering estimate). */
const MOST_LOG = Math.log(4)

/** The flame on which a pot cooks: that on which its whistles are counted, or high where it is turned down by the clock. */
function countedOn(request: PlanRequest): FlameName {
  const { style } = request
  if (style.kind === 'clock') return style.flame
  if (style.kind !== 'whistles') return 'high'
  const prepared = style.flame ? null : prepare(request)
  return (
    style.flame ?? (prepared!.ok && prepared!.value.style.kind === 'whistles' ? prepared!.value.style.flame : 'high')
  )
}

/**
 * The request with what the log has taught of its cooker, burner, bags and foods: the means as factors, and how sure they
 * are as the spread of what is unknown, which learning narrows and never widens. A request whose figures cannot be
 * read comes back as it is; planning says what is wrong with it.
 */
export function asLearnt(request: PlanRequest, pot: CookedWith, learnt: Believed): PlanRequest {
  const plain: PlanRequest = { ...request, learnt: undefined }
  const cooker = cookerOf(plain)
  const foods = plain.contents.map((content) => ({
    ...content,
    of: plain.foods?.find(({ id }) => id === content.food) ?? findFood(content.food),
  }))
  if (!cooker || foods.some(({ of }) => !of)) return plain
  const burner = burnerOf(plain.burner ?? 'strong', cooker)
  const { cookerId, burnerId, bagIds } = pot
  const of = (...figures: Figure[]): Estimate => {
    const known = figures.map(idOf).filter((id) => learnt.has(id))
    return learnt.of(new Map(known.map((id) => [id, 1])))
  }
  /** A figure that is a factor of W or W/K, as the kitchen says it now. */
  const ofSaid = (saidNow: number, own: Figure, ...figures: Figure[]): Estimate => {
    const { mean, sd } = of(own, ...figures)
    const said = learnt.saidOf(idOf(own))
    return { mean: said === null ? mean : mean + Math.log(said / saidNow), sd }
  }
  const knows = (...figures: Figure[]) => figures.every((figure) => learnt.has(idOf(figure)))

  const factors: LearntFactors = {}
  const spread = { ...request.spread }
  const narrow = (name: 'flame' | 'batch', sd: number) => {
    spread[name] = Math.min(spread[name] ?? UNMEASURED[name === 'flame' ? 'heat' : 'batch'], sd)
  }
  if (heatsItself(cooker.appliance)) {
    const own: Figure = { kind: 'own-heat', cookerId }
    if (knows(own)) {
      const { mean, sd } = ofSaid(parameterOf(cooker.appliance, 'heat'), own)
      factors.heat = timesOf(mean)
      narrow('flame', nextRun(sd))
    }
  } else if (burnerId !== null) {
    const common: Figure = { kind: 'burner-heat', cookerId, burnerId }
    if (knows(common)) {
      const flames = FLAMES.map((flame) => {
        const own: Figure = { kind: 'flame-heat', cookerId, burnerId, flame }
        return { flame, own, is: knows(own) ? ofSaid(burner[flame], own, common) : of(common) }
      })
      factors.flames = Object.fromEntries(flames.map(({ flame, is }) => [flame, timesOf(is.mean)])) as never
      const used = countedOn({ ...request, learnt: factors })
      const { own, is } = flames.find(({ flame }) => flame === used)!
      if (knows(own)) narrow('flame', nextRun(is.sd))
    }
  }
  const ofCooker = (kind: 'swing' | 'loss' | 'steam') => {
    const figure: Figure = { kind, cookerId }
    if (!knows(figure)) return
    const { mean } = kind === 'loss' ? ofSaid(cooker.appliance.lossWPerK, figure) : of(figure)
    factors[kind] = timesOf(mean)
  }
  ofCooker('swing')
  ofCooker('loss')
  ofCooker('steam')

  let vaguest = 0
  const pressedIn = holdsPressure(cooker.appliance) ? cookerId : null
  const byPressure =
    pressedIn === null ? 0 : learnt.of(knownTerms([pressureTerm(pressedIn)], (id) => learnt.has(id))).mean
  if (timesOf(byPressure) !== 1) factors.needByPressure = timesOf(byPressure)
  factors.contents = foods.map(({ of: food, batch }, i) => {
    const { id, group, soak } = food!
    const done = needShift(
      { id, group, isOld: batch === 'old' && soak !== null },
      { bagId: bagIds[i] ?? null, pressedIn },
      learnt,
    )
    vaguest = Math.max(vaguest, done.sd)
    const uptake = of({ kind: 'uptake', foodId: id }).mean
    return { ...timesIf('need', done.mean - byPressure), ...timesIf('uptake', uptake) }
  })
  if (vaguest > 0) narrow('batch', vaguest)
  if (factors.contents.every((one) => Object.keys(one).length === 0)) delete factors.contents
  const changes = Object.values(factors).some((one) => one !== undefined && one !== 1)
  const { spread: _, learnt: __, ...rest } = plain
  return {
    ...rest,
    ...(Object.keys(spread).length > 0 ? { spread } : {}),
    ...(changes ? { learnt: factors } : {}),
  }
}

/**
 * What the log has taught of foods and of the bags that they are taken from, whatever they are cooked in: factors of
 * what they need and drink.
 */
export function learntOfFoods(
  foods: readonly { food: Pick<Food, 'id' | 'group' | 'soak'>; bagId: string | null; isOld: boolean }[],
  learnt: Believed,
): Record<string, { need?: number; uptake?: number }> {
  const found = foods.map(({ food: { id, group, soak }, bagId, isOld }) => {
    const uptake = idOf({ kind: 'uptake', foodId: id })
    const drinks = learnt.has(uptake) ? learnt.of(new Map([[uptake, 1]])).mean : 0
    const { mean } = needShift({ id, group, isOld: isOld && soak !== null }, { bagId, pressedIn: null }, learnt)
    return [id, { ...timesIf('need', mean), ...timesIf('uptake', drinks) }] as const
  })
  return Object.fromEntries(found.filter(([, factors]) => Object.keys(factors).length > 0))
}

/** What a food needs here beside what is assumed of it: its bag, its kitchen, and how it is liked. */
export function needShift(
  { id, group, isOld }: { id: string; group: FoodGroup; isOld: boolean },
  { bagId, pressedIn }: { bagId: string | null; pressedIn: string | null },
  learnt: Believed,
): Estimate {
  const terms = doneTerms({ foodId: id, group }, bagId, pressedIn)
  const { mean, sd } = learnt.of(knownTerms(terms, (id) => learnt.has(id)))
  // What nobody has spoken of yet is as unsure as it was assumed to be, a bag by its age.
  const unknown = terms
    .filter(({ figure }) => figure.kind !== 'batch' && !learnt.has(idOf(figure)))
    .map(({ figure, times }) => times * priorOf(figure).sd)
  const bagKnown = terms.some(({ figure }) => figure.kind === 'batch' && learnt.has(idOf(figure)))
  const bagSd = bagKnown ? 0 : isOld ? UNLEARNT.oldBatch : UNLEARNT.freshBatch
  // An old bag has its factor in the plan already.
  return { mean: mean - (bagKnown && isOld ? OLD_BATCH : 0), sd: Math.hypot(sd, bagSd, ...unknown) }
}

/** How unsure the heat of the next run is: as the figure, and as one run is from another. */
const nextRun = (sd: number) => Math.hypot(sd, FROM_RUN_TO_RUN.heat)

const timesOf = (mean: number) =>
  Math.abs(mean) < LEAST_CHANGE ? 1 : Math.exp(Math.min(MOST_LOG, Math.max(-MOST_LOG, mean)))

function timesIf<K extends 'need' | 'uptake'>(key: K, mean: number): Partial<Record<K, number>> {
  const times = timesOf(mean)
  return times === 1 ? {} : ({ [key]: times } as Record<K, number>)
}
