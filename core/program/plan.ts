import { holdsPressure } from '../appliance/appliance'
import { setsAsGrain, swells } from '../food/food'
import { unlearntBoilMinutes } from '../food/need'
import { failed, problem, type Outcome } from '../problem'
import { cautionsFor, isThrough, type PlanFacts } from '../safety/rules'
import { donenessOf, OPENING_MINUTES, type ClosingAnswer, type FoodAnswer, type PlanAnswer } from './answer'
import { closingAnswer } from './closing-answer'
import { prepare, type PreparedFood, type PreparedPot } from './prepared'
import type { PlanRequest } from './request.schema'
import { planSequence, type SequenceStep } from './sequence'
import { wetnessOf } from './wetness'
import { tinFacts, tinLevelsMl, tinVolumeMl, tinWaterG } from './tins'

// Under pressure, from the makers' common rule; an open pot only must not boil over (engineering estimate).
const FULL = 2 / 3
const HALF = 1 / 2
const OPEN_FULL = 0.9

/**
 * Plans one load of one cooker: water, program, release of every closing of the lid, and what becomes of every
 * food, with the reasons. Safety rules are applied last.
 */
export function plan(request: PlanRequest, options: { range?: boolean } = {}): Outcome<PlanAnswer> {
  const prepared = prepare(request)
  if (!prepared.ok) return prepared
  const pot = prepared.value
  const sequence = planSequence(pot)
  if (!sequence.ok) return sequence
  const closings = closingAnswers(sequence.value, options.range ?? true)
  const answer = answerOf(pot, sequence.value, closings)
  const { capacityL, beforeL } = answer.fill
  if (beforeL > capacityL)
    return failed(
      problem('water-over-capacity', 'contents', { litres: beforeL.toFixed(1), capacity: String(capacityL) }),
    )
  return { ok: true, value: { ...answer, cautions: cautionsFor(factsOf(pot, answer)) } }
}

/** What is told of each closing of a sequence. */
export function closingAnswers(sequence: readonly SequenceStep[], withRange: boolean): ClosingAnswer[] {
  return sequence.map((step, i) => closingAnswer(step, withRange, i === sequence.length - 1))
}

type WithoutCautions = Omit<PlanAnswer, 'cautions'> & { overG: number }

function answerOf(pot: PreparedPot, sequence: readonly SequenceStep[], closings: ClosingAnswer[]): WithoutCautions {
  const sum = (of: (closing: ClosingAnswer) => number) => closings.reduce((all, one) => all + of(one), 0)
  const most = (of: (closing: ClosingAnswer) => number) => Math.max(...closings.map(of))
  const base = pot.foods.filter(({ tin }) => tin === null)
  const steamLostG = sum((closing) => closing.steamLostG)
  const foods = pot.foods.map((item, i) => foodAnswer(pot, item, i, closings))
  const { becomes, waterLeftG, overG } = wetnessOf(pot, sequence, foods)
  return {
    closings,
    release: closings[0]!.case.release,
    foods,
    becomes,
    fill: {
      beforeL: most(({ fill }) => fill.beforeL),
      afterL: most(({ fill }) => fill.afterL),
      limitL: limitL(pot, base),
      capacityL: pot.cooker.body.capacityL,
    },
    steamLostG,
    waterLeftG,
    overG,
    energyKJ: sum(({ energyKJ }) => energyKJ),
    hottestC: most(({ hottestC }) => hottestC),
    readyAtMinute: sum(({ clock }) => clock.openAtMinute) + OPENING_MINUTES * (closings.length - 1),
  }
}

function foodAnswer(
  { tins, foods }: PreparedPot,
  item: PreparedFood,
  index: number,
  closings: readonly ClosingAnswer[],
): FoodAnswer {
  const { food, dryG, texture, soakedShare, need, hadBoilMinutes } = item
  const tin = item.tin === null ? null : tins[item.tin]!
  const sum = (of: 'gets' | 'getsLow' | 'getsHigh') =>
    closings.reduce((all, { foods }) => all + foods[index]![of], hadBoilMinutes)
  const gets = sum('gets')
  const centreC = Math.max(...closings.map(({ foods }) => foods[index]!.centreC))
  return {
    food: food.id,
    dryG,
    texture,
    soakedShare,
    needs: need.boilMinutes,
    gets,
    getsLow: sum('getsLow'),
    getsHigh: sum('getsHigh'),
    doneness: isThrough(food, centreC) ? donenessOf(gets, need.window) : 'hard',
    centreC,
    window: need.window,
    factors: need.factors,
    tinWaterG: tin ? tinWaterG(item) : null,
    tinFill: tin ? { ...tinLevelsMl(foods.filter((one) => one.tin === item.tin)), holdsMl: tinVolumeMl(tin) } : null,
  }
}

/** The line up to which a pot with this in its base may be filled, in L. */
function limitL({ cooker }: PreparedPot, base: readonly PreparedFood[]): number {
  const full = base.some(({ food }) => swells(food)) ? HALF : FULL
  return cooker.body.capacityL * (holdsPressure(cooker.appliance) ? full : OPEN_FULL)
}

function factsOf(pot: PreparedPot, answer: WithoutCautions): PlanFacts {
  const { closings, fill } = answer
  const sum = (of: (closing: ClosingAnswer) => number) => closings.reduce((total, one) => total + of(one), 0)
  return {
    appliance: pot.cooker.appliance,
    bodyAssumed: pot.bodyAssumed,
    altitudeM: pot.request.kitchen.altitudeM,
    roomC: pot.request.kitchen.roomC,
    release: answer.release,
    fill,
    liquidG: Math.min(...closings.map(({ case: { load } }) => load.freeWaterKg * 1000)),
    minimumLiquidG: pot.cooker.body.minimumLiquidG,
    mayLosePressure: closings.some(({ mayLosePressure }) => mayLosePressure),
    boils: closings.every(({ boils }) => boils),
    becomes: answer.becomes,
    overG: answer.overG,
    dryGrainG: pot.foods.reduce((all, { food, tin, dryG }) => all + (tin === null && setsAsGrain(food) ? dryG : 0), 0),
    shortG: Math.max(
      0,
      sum(({ planned, water }) => planned.pourG - water.pourG),
    ),
    tins: tinFacts(pot, Math.max(fill.beforeL, fill.afterL)),
    surplusG: sum(({ water }) => water.lines.find(({ id }) => id === 'surplus')?.g ?? 0),
    foods: pot.foods.map((item, i) => ({
      food: item.food,
      soak: item.soak,
      inTin: item.tin !== null,
      acid: item.need.factors.some(({ id }) => id === 'acid'),
      salted: pot.request.contents[i]!.additions?.includes('salt') ?? false,
      gets: answer.foods[i]!.gets,
      getsLow: answer.foods[i]!.getsLow,
      // What is dangerous when undercooked is held to what is assumed of it, whatever the log says.
      needs: item.food.lectin
        ? Math.max(item.need.boilMinutes, unlearntBoilMinutes(item.need))
        : answer.foods[i]!.needs,
      max: answer.foods[i]!.window.max,
      centreC: answer.foods[i]!.centreC,
    })),
  }
}
