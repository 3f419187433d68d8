import { cooksCovered } from '../food/food'
import { failed, problem, type Outcome } from '../problem'
import { liquidBroughtG, waterSum, type Drinks, type WaterRule, type WaterSum } from '../water/sum'
import { coveringMl, type Bulk } from '../water/volume'
import { baseSets, inBase, type ResolvedFood, type ResolvedPlan } from './resolve'
import { solve, surplusOf, type Solution } from './solve'

/** Base water that must be left when the heat goes off, so that the floor never dries (engineering estimate). */
const BASE_LEFT_G = 60
/** A basket of grain swims in at least this much per g of dry food (engineering estimate). */
const PLENTY_TIMES_DRY = 5
/** A first guess of the steam; the iteration finds the real figure. */
const STEAM_GUESS_G = 80
/** More steam than any pot at home holds water: no program that long is possible. */
const MOST_STEAM_G = 6000
const MOST_ITERATIONS = 60
/** A grain that has taken up this share of its water has its texture. */
const DRUNK_ENOUGH = 0.97

export interface Settled {
  water: WaterSum
  solution: Solution
}

/** The water and the program that belong together. */
export function settleWater(plan: ResolvedPlan): Outcome<Settled> {
  return plan.style.kind === 'rice-cooker' ? settleRiceCooker(plan) : settleSteam(plan)
}

/**
 * Finds the water whose own program loses just the steam that was counted in. Usually the figures
 * settle by themselves; where whole whistles make two waters take turns, the boundary between too
 * dry and wet enough is closed in on, and the wet side taken.
 */
function settleSteam(plan: ResolvedPlan): Outcome<Settled> {
  let steamG = STEAM_GUESS_G
  let baseLeftG = 0
  let tooLittleG = -Infinity
  let enough: (Settled & { steamG: number }) | null = null
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
    // Water under tins, or around foods that are drained, must not boil away; grain is meant to drink its own.
    const shortG = baseSets(plan) ? 0 : BASE_LEFT_G - solution.simulation.freeWaterLeftG
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

/**
 * The least water with which a rice cooker, which boils until it is dry, cooks the grain through and
 * lets it drink its fill: more water only makes it boil longer.
 */
function settleRiceCooker(plan: ResolvedPlan): Outcome<Settled> {
  const capacityG = plan.cooker.body.capacityL * 1000
  const attempt = (pourG: number) => {
    const solved = solve(plan, pourG)
    if (!solved.ok) return { solved, through: false }
    const { simulation, case: run } = solved.value
    const drunk = !run.grain || simulation.uptake! >= DRUNK_ENOUGH * run.grain.uptakeMax
    return { solved, through: drunk && surplusOf(plan, 1, simulation.boilMinutes) >= 0 }
  }
  let low = 1
  let high = Math.round(capacityG)
  if (!attempt(high).through) {
    const food = plan.foods[0]!.food.name
    return failed(problem('not-enough-program', 'style', { food }))
  }
  while (high - low > 1) {
    const middle = Math.round((low + high) / 2)
    if (attempt(middle).through) high = middle
    else low = middle
  }
  const { solved } = attempt(high)
  if (!solved.ok) return solved
  const solution = solved.value
  const { simulation, case: run } = solution
  const scale = run.grain ? simulation.uptake! / run.grain.uptakeMax : 1
  const drinks = drinksOf(plan).map((item) => ({ ...item, uptakeG: item.uptakeG * scale, freeLiquidG: 0 }))
  // What is left in the pan when it switches off goes with the steam: it dries while the rice rests.
  const sum = waterSum(drinks, plan.liquids, simulation.steamLostG + simulation.freeWaterLeftG, [])
  // The lines are rounded to grams; the pour keeps to them.
  return { ok: true, value: { water: sum, solution } }
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
  const looseG = base.reduce((sum, item) => sum + Math.max(item.heldG - item.insideG, item.soakWaterG), 0)
  const thereG = liquidBroughtG(plan.liquids) + looseG
  const floors: { rule: Exclude<WaterRule, 'balance' | 'given'>; pourG: number }[] = [
    { rule: 'minimum', pourG: body.minimumLiquidG - thereG },
  ]
  const toCover = base.filter(({ food }) => cooksCovered(food))
  if (toCover.length > 0)
    floors.push({ rule: 'covered', pourG: coveringMl(toCover.map(bulkBefore), body.innerDiameterMm) - thereG })
  if (plan.style.kind === 'basket') {
    const dryG = base.reduce((sum, item) => sum + item.dryG, 0)
    floors.push({ rule: 'plenty', pourG: PLENTY_TIMES_DRY * dryG - thereG })
  }
  if (baseLeftG > 0) floors.push({ rule: 'base-left', pourG: baseLeftG })
  return floors
}

/** A food as it stands in the pot when the lid goes on. */
export function bulkBefore({ food, dryG, texture, insideG }: ResolvedFood): Bulk {
  return { food, dryG, texture, waterInsideG: insideG }
}

/** A food as it stands in the pot when it is done. */
export function bulkAfter({ food, dryG, texture, uptakeG }: ResolvedFood): Bulk {
  return { food, dryG, texture, waterInsideG: uptakeG }
}
