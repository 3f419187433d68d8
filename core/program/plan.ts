import { cooksCovered } from '../food/food'
import { failed, problem, type Outcome } from '../problem'
import { cautionsFor } from '../safety/rules'
import { coveringMl, frothTimes, heapMl, levelMl, liquidLineMl, type Bulk } from '../water/volume'
import { waterSum, liquidBroughtG, type Drinks, type WaterRule, type WaterSum } from '../water/sum'
import type { Doneness, FoodAnswer, PlanAnswer } from './answer'
import { tinWaterG } from './load'
import { spreadOf } from './range'
import type { PlanRequest } from './request'
import { baseSets, resolve, type ResolvedFood, type ResolvedPlan } from './resolve'
import { solve, type Solution } from './solve'

/** Base water that must be left when the heat goes off, so that the floor never dries (engineering estimate). */
const BASE_LEFT_G = 60
/** A first guess of the steam; the iteration finds the real figure. */
const STEAM_GUESS_G = 80
/** More steam than any pot at home holds water: no program that long is possible. */
const MOST_STEAM_G = 6000
const MOST_ITERATIONS = 60
const FULL = 2 / 3
const HALF = 1 / 2
const CUP_ML = 240

/**
 * Plans one load of one cooker: water, program, release, and what becomes of every food, with the
 * reasons. The water depends on the steam, the steam on the program and the program on the water;
 * they are iterated until the water stands still to a gram. Safety rules are applied last.
 */
export function plan(request: PlanRequest, options: { range?: boolean } = {}): Outcome<PlanAnswer> {
  const resolved = resolve(request)
  if (!resolved.ok) return resolved
  const settled = settleWater(resolved.value)
  if (!settled.ok) return settled
  const { water, solution } = settled.value
  const answer = describe(resolved.value, water, solution, options.range ?? true)
  const { capacityL, beforeL } = answer.fill
  if (beforeL > capacityL)
    return failed(
      problem('water-over-capacity', 'contents', { litres: beforeL.toFixed(1), capacity: String(capacityL) }),
    )
  return { ok: true, value: { ...answer, cautions: cautionsFor(factsOf(resolved.value, answer)) } }
}

/**
 * Finds the water whose own program loses just the steam that was counted in. Usually the figures
 * settle by themselves; where whole whistles make two waters take turns, the boundary between too
 * dry and wet enough is closed in on, and the wet side taken.
 */
function settleWater(plan: ResolvedPlan): Outcome<{ water: WaterSum; solution: Solution }> {
  let steamG = STEAM_GUESS_G
  let baseLeftG = 0
  let tooLittleG = -Infinity
  let enough: { steamG: number; water: WaterSum; solution: Solution } | null = null
  for (let i = 0; i < MOST_ITERATIONS; i++) {
    const water = waterSum(drinksOf(plan), plan.liquids, steamG, floorsOf(plan, baseLeftG))
    const solved = solve(plan, water.pourG)
    if (!solved.ok) {
      // The guess was too dry for a program that long, not the plan.
      if (solved.problems[0]!.code !== 'boils-dry' || steamG > MOST_STEAM_G) return solved
      tooLittleG = Math.max(tooLittleG, steamG)
      steamG = enough ? (steamG + enough.steamG) / 2 : steamG + STEAM_GUESS_G
      continue
    }
    const solution = solved.value
    const lostG = solution.simulation.steamLostG
    const shortG = needsBaseWater(plan) ? BASE_LEFT_G - solution.simulation.freeWaterLeftG : 0
    if (shortG > 0.5) {
      baseLeftG = water.pourG + shortG
      continue
    }
    const settled = Math.abs(lostG - steamG) <= 0.5
    if (lostG <= steamG + 0.5 && (!enough || steamG < enough.steamG)) enough = { steamG, water, solution }
    if (settled || (enough && enough.steamG - tooLittleG <= 1)) return { ok: true, value: enough! }
    if (lostG > steamG) tooLittleG = Math.max(tooLittleG, steamG)
    const within = lostG > tooLittleG && (!enough || lostG < enough.steamG)
    steamG = within || !enough ? lostG : (Math.max(tooLittleG, 0) + enough.steamG) / 2
  }
  return enough ? { ok: true, value: enough } : failed(problem('never-ends', 'contents'))
}

const inBase = (plan: ResolvedPlan) => plan.foods.filter(({ tin }) => tin === null)

/** Water under tins, or around foods that are drained, must not boil away; grain is meant to drink its own. */
function needsBaseWater(plan: ResolvedPlan): boolean {
  return !baseSets(plan)
}

function drinksOf(plan: ResolvedPlan): Drinks[] {
  return inBase(plan).map((item) => ({
    foodId: item.food.id,
    uptakeG: item.uptakeG,
    heldG: item.heldG,
    soakWaterG: item.soakWaterG,
    freeLiquidG: item.freeLiquidG,
  }))
}

function floorsOf(plan: ResolvedPlan, baseLeftG: number) {
  const { body } = plan.cooker
  const base = inBase(plan)
  const thereG =
    liquidBroughtG(plan.liquids) +
    base.reduce((sum, item) => sum + Math.max(item.heldG - item.insideG, item.soakWaterG), 0)
  const floors: { rule: Exclude<WaterRule, 'balance'>; pourG: number }[] = [
    { rule: 'minimum', pourG: body.minimumLiquidG - thereG },
  ]
  const toCover = base.filter(({ food }) => cooksCovered(food))
  if (toCover.length > 0)
    floors.push({ rule: 'covered', pourG: coveringMl(toCover.map(bulkBefore), body.innerDiameterMm) - thereG })
  if (baseLeftG > 0) floors.push({ rule: 'base-left', pourG: baseLeftG })
  return floors
}

function bulkBefore({ food, dryG, texture, insideG }: ResolvedFood): Bulk {
  return { food, dryG, texture, waterInsideG: insideG }
}

function bulkAfter({ food, dryG, texture, uptakeG }: ResolvedFood): Bulk {
  return { food, dryG, texture, waterInsideG: uptakeG }
}

function describe(
  plan: ResolvedPlan,
  water: WaterSum,
  solution: Solution,
  withRange: boolean,
): Omit<PlanAnswer, 'cautions'> {
  const { simulation, case: simulated, figure } = solution
  const base = inBase(plan)
  const drunkG = base.reduce((sum, item) => sum + Math.max(0, item.uptakeG - item.insideG), 0)
  const leftG = Math.max(0, simulation.freeWaterLeftG - drunkG)
  const froth = frothTimes(base.map(({ food }) => food))
  const half = base.some(({ food }) => cooksCovered(food) || food.froth >= 1)
  const { capacityL } = plan.cooker.body
  const unit = plan.style.kind === 'whistles' ? 'whistles' : 'minutes'
  const spread = withRange
    ? spreadOf(plan, water.pourG, solution)
    : {
        range: { unit, figure, low: figure, high: figure } as const,
        gets: simulation.boilMinutes.map((got) => ({ low: got, high: got })),
      }
  const bulks = base.map(bulkBefore)
  const liquidMl = simulated.load.freeWaterKg * 1000
  return {
    water: { ...water, ratioByVolume: ratioOf(base, water.pourG) },
    program: {
      steps: simulated.program,
      whistles: simulation.whistles,
      minutes: plan.style.kind === 'whistles' ? simulation.heatOffMinute : figure,
    },
    release: plan.release,
    foods: plan.foods.map((item, i) => foodAnswer(item, simulation.boilMinutes[i]!, spread.gets[i]!)),
    clock: {
      pressureAtMinute: simulation.minutesToPressure,
      heatOffAtMinute: simulation.heatOffMinute,
      openAtMinute: simulation.heatOffMinute + simulation.releaseMinutes,
    },
    fill: {
      foodL: bulks.reduce((sum, bulk) => sum + heapMl(bulk), 0) / 1000,
      liquidL: liquidLineMl(bulks, liquidMl) / 1000,
      beforeL: levelMl(bulks, liquidMl) / 1000,
      afterL: (levelMl(base.map(bulkAfter), leftG) / 1000) * froth,
      limitL: capacityL * (half ? HALF : FULL),
      capacityL,
    },
    steamLostG: simulation.steamLostG,
    waterLeftG: leftG,
    energyKJ: simulation.heatKJ,
    hottestC: simulation.hottestC,
    range: spread.range,
    simulation: simulated,
  }
}

function foodAnswer(item: ResolvedFood, gets: number, spread: { low: number; high: number }): FoodAnswer {
  const { food, dryG, texture, soakedShare, need } = item
  return {
    food: food.id,
    dryG,
    texture,
    soakedShare,
    needs: need.boilMinutes,
    gets,
    getsLow: spread.low,
    getsHigh: spread.high,
    doneness: donenessOf(gets, item),
    window: need.window,
    factors: need.factors,
    tinWaterG: item.tin === null ? null : tinWaterG(item),
  }
}

function donenessOf(gets: number, { need: { window } }: ResolvedFood): Doneness {
  if (gets > window.max) return 'lost'
  if (gets >= window.soft) return 'soft'
  if (gets >= window.tender) return 'tender'
  return gets >= window.firm ? 'firm' : 'hard'
}

function ratioOf(foods: readonly ResolvedFood[], pourG: number): number | null {
  let dryMl = 0
  for (const { food, dryG } of foods) {
    if (food.cupG === null) return null
    dryMl += (dryG * CUP_ML) / food.cupG
  }
  return dryMl > 0 ? pourG / dryMl : null
}

function factsOf(plan: ResolvedPlan, answer: Omit<PlanAnswer, 'cautions'>) {
  return {
    applianceKind: plan.cooker.appliance.kind,
    bodyAssumed: plan.bodyAssumed,
    altitudeM: plan.request.kitchen.altitudeM,
    roomC: plan.request.kitchen.roomC,
    release: plan.release,
    fill: answer.fill,
    surplusG: answer.water.lines.find(({ id }) => id === 'surplus')?.g ?? 0,
    foods: plan.foods.map((item, i) => ({
      food: item.food,
      soak: item.soak,
      inTin: item.tin !== null,
      acid: plan.request.contents[i]!.additions?.includes('acid') ?? false,
      ...{ gets: answer.foods[i]!.gets, needs: answer.foods[i]!.needs, max: answer.foods[i]!.window.max },
    })),
  }
}
