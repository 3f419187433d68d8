import { holdsPressure } from '../appliance/appliance'
import { cooksCovered, setsAsGrain, swells } from '../food/food'
import { failed, problem, type Outcome } from '../problem'
import { waterSum, type Drinks, type Floor, type WaterSum } from '../water/sum'
import { coveringMl } from '../water/volume'
import { bulkBefore } from './bulk'
import { baseSets, inBase, surplusOf, type Closing } from './closing'
import { freeWaterBeforeG, stoodG } from './closing-case'
import type { PreparedFood } from './prepared'
import { drinkingOn } from './drinks-on'
import { getsSpread } from './range'
import { solve, type Solution } from './solve'
import { endsByItself } from './styles'

/** Base water that must be left when the heat goes off, so that the floor never dries (engineering estimate). */
export const BASE_LEFT_G = 60
/** A basket of grain swims in at least this much per g of dry food (engineering estimate). */
const PLENTY_TIMES_DRY = 3
/** A first guess of the steam; the iteration finds the real figure. */
const STEAM_GUESS_G = 80
/** More steam than any pot at home holds water: no program that long is possible. */
const MOST_STEAM_G = 6000
const MOST_ITERATIONS = 60
/** A grain that has taken up this share of its water has its texture. */
const DRUNK_ENOUGH = 0.97

/** One closing of the lid with the water and the program that belong together. */
export interface PlannedClosing {
  closing: Closing
  /** Water to pour: from the tap into a cold pot, boiling into one that was opened. */
  water: WaterSum
  solution: Solution
  /** Nine such pots in ten are done with it; else half of them. */
  isSure: boolean
  /** The program that half of all such pots need, where this one is longer. */
  median?: PlannedClosing
}

/**
 * Plans one closing of one lid, from whatever state the pot is in: its water, and the least program that does it. A pot
 * that is shut under pressure, into which nobody can look, is planned so that nine in ten give every food what it needs.
 */
export function planClosing(closing: Closing): Outcome<PlannedClosing> {
  const { pot } = closing
  if (pot.style.kind === 'rice-cooker') return planRiceCooker(closing)
  const planned = planSteam(closing)
  if (!planned.ok || endsByItself(pot.style)) return planned
  const lectins = pot.foods.map(({ food }, i) => food.lectin && closing.needs[i]! > 0)
  // What was in before had its margin then.
  const counted = closing.needs.map((need, i) => need > 0 && (closing.adds[i]! || lectins[i]!))
  const some = (list: readonly boolean[]) => list.includes(true)
  if (holdsPressure(pot.cooker.appliance) && some(counted)) {
    const sure = surelyDone(planned.value, counted)
    if (sure && !mayBeLost(sure)) return { ok: true, value: sure }
  }
  // Where that would carry a food past its limit half of them are; what is dangerous when undercooked keeps its margin.
  if (!some(lectins)) return planned
  const safe = surelyDone(planned.value, lectins)
  // Nine in ten is said only where it holds for all that is in it.
  const isSure = counted.every((one, i) => !one || lectins[i]!)
  return { ok: true, value: safe ? { ...safe, isSure } : planned.value }
}

/** The margin is looked for in so many rounds at most, until what is certain of the food is so near to its need. */
const MARGIN_ROUNDS = 8
const NEARLY = 0.03
const NO_MORE_THAN = 0.08
/** A pot that may never come to pressure on the low side tells nothing of how much more it takes. */
const MOST_AT_ONCE = 0.7

/**
 * The program with which the foods that are `counted` have their need on the low side of what is unknown, and the water
 * for it: the needs of the closing times a margin, which is closed in on (what is unknown weighs more on some programs
 * than on others). Null where no such program can be had (a flame that hardly holds the pressure).
 */
function surelyDone(median: PlannedClosing, counted: readonly boolean[]): PlannedClosing | null {
  const { closing } = median
  /** Logarithm of what is certain over what is needed, of the food that is worst off. */
  const certain = (planned: PlannedClosing) =>
    Math.min(
      ...getsSpread(planned).flatMap(({ low }, i) =>
        counted[i] ? [Math.log(Math.max(low, 1e-3) / closing.needs[i]!)] : [],
      ),
    )
  const withMargin = (logMargin: number): PlannedClosing | null => {
    const needs = closing.needs.map((need, i) => (counted[i] ? need * Math.exp(logMargin) : need))
    const longer = planSteam({ ...closing, needs })
    return longer.ok ? { ...longer.value, closing, isSure: true, median } : null
  }
  let short = { logMargin: 0, certain: certain(median) }
  let enough: { logMargin: number; certain: number; planned: PlannedClosing } | null = null
  if (short.certain >= -NEARLY) return { ...median, isSure: true }
  for (let round = 0; round < MARGIN_ROUNDS; round++) {
    const logMargin: number = enough
      ? round % 2 === 1
        ? (short.logMargin * enough.certain - enough.logMargin * short.certain) / (enough.certain - short.certain)
        : (short.logMargin + enough.logMargin) / 2
      : short.logMargin + Math.min(MOST_AT_ONCE, -short.certain)
    const planned = withMargin(logMargin)
    if (!planned) return enough?.planned ?? null
    const found = { logMargin, certain: certain(planned), planned }
    if (found.certain < -NEARLY) short = found
    else enough = found
    if (enough && (enough.certain <= NO_MORE_THAN || enough.logMargin - short.logMargin <= NEARLY)) break
    // A whistle more or less is the least that there is.
    if (enough && enough.planned.solution.figure <= median.solution.figure + 1) break
  }
  return enough?.planned ?? null
}

/** True if more than one such pot in ten carries a food past its limit; vegetables that go in with grain or pulses only soften. */
function mayBeLost(planned: PlannedClosing): boolean {
  const { pot, before, needs } = planned.closing
  const decides = (joins: number) =>
    pot.foods.some((item) => item.joins === joins && (setsAsGrain(item.food) || swells(item.food)))
  return getsSpread(planned).some(({ high }, i) => {
    const { food, need, hadBoilMinutes, joins } = pot.foods[i]!
    if (needs[i] === 0 || (food.group === 'vegetable' && decides(joins))) return false
    return hadBoilMinutes + (before?.gets[i] ?? 0) + high > need.window.max
  })
}

/**
 * Finds the water whose own program loses just the steam that was counted in. Usually the figures
 * settle by themselves; where whole whistles make two waters take turns, the boundary between too
 * dry and wet enough is closed in on, and the wet side taken.
 */
function planSteam(closing: Closing): Outcome<PlannedClosing> {
  let steamG = STEAM_GUESS_G
  let baseLeftG = 0
  let tooLittleG = -Infinity
  let enough: (PlannedClosing & { steamG: number }) | null = null
  for (let i = 0; i < MOST_ITERATIONS; i++) {
    const water = waterOf(closing, steamG, baseLeftG)
    const solved = solve(closing, water.pourG)
    if (!solved.ok) {
      const { code } = solved.problems[0]!
      // The guess was too dry for a program that long, not the plan. With little water a pot also whistles oftener.
      const isTooDry = code === 'boils-dry' || code === 'too-many-whistles'
      if (!isTooDry || steamG > MOST_STEAM_G) return solved
      tooLittleG = Math.max(tooLittleG, steamG)
      const furtherG = code === 'boils-dry' ? steamG + STEAM_GUESS_G : steamG * 2
      steamG = enough ? (steamG + enough.steamG) / 2 : furtherG
      continue
    }
    const solution = solved.value
    const { steamLostG: lostG, freeWaterLeftG } = solution.simulation
    const shortG = mustStayWet(closing) ? BASE_LEFT_G - freeWaterLeftG : 0
    if (shortG > 0.5) {
      baseLeftG = water.pourG + shortG
      continue
    }
    const stands = Math.abs(lostG - steamG) <= 0.5
    if (lostG <= steamG + 0.5 && (!enough || steamG < enough.steamG))
      enough = { closing, steamG, water, solution, isSure: false }
    if (stands || (enough && enough.steamG - tooLittleG <= 1)) return { ok: true, value: plannedOf(enough!) }
    if (lostG > steamG) tooLittleG = Math.max(tooLittleG, steamG)
    const within = lostG > tooLittleG && (!enough || lostG < enough.steamG)
    steamG = within || !enough ? lostG : (Math.max(tooLittleG, 0) + enough.steamG) / 2
  }
  return enough ? { ok: true, value: plannedOf(enough) } : failed(problem('never-ends', 'contents'))
}

const plannedOf = ({ closing, water, solution }: PlannedClosing): PlannedClosing => ({
  closing,
  water,
  solution,
  isSure: false,
})

/** Water under tins, or around foods that are drained, must not boil away; grain is meant to drink its own. */
function mustStayWet(closing: Closing): boolean {
  return closing.before !== null || !baseSets(closing)
}

function waterOf(closing: Closing, steamG: number, baseLeftG: number): WaterSum {
  const { before, pot, keepsWet } = closing
  const added = inBase(closing, 'added')
  const floors = floorsOf(closing, baseLeftG)
  const steamTimes = pot.request.learnt?.steam
  if (!before) return waterSum(added.map(drinksOf), pot.liquids, steamG, floors, { stoodG: stoodG(pot), steamTimes })
  // What stands around the foods that were there was set right when they went in.
  const isWanted = keepsWet && inBase(closing).length > added.length
  return waterSum(added.map(drinksOf), [], steamG, floors, {
    there: { freeWaterG: before.freeWaterG, isWanted },
    steamTimes,
  })
}

/**
 * The least water with which a rice cooker, which boils until it is dry, cooks the grain through and
 * lets it drink its fill: more water only makes it boil longer.
 */
function planRiceCooker(closing: Closing): Outcome<PlannedClosing> {
  const { pot } = closing
  const attempt = (pourG: number) => {
    const solved = solve(closing, pourG)
    if (!solved.ok) return { solved, through: false }
    const { simulation, case: run } = solved.value
    const drunk = !run.grain || simulation.uptake! >= DRUNK_ENOUGH * run.grain.uptakeMax
    return { solved, through: drunk && surplusOf(closing, simulation.boilMinutes) >= 0 }
  }
  // What other liquids bring may be more than it needs: then it would need less than none.
  let low = 1 - Math.floor(freeWaterBeforeG(closing))
  let high = Math.round(pot.cooker.body.capacityL * 1000)
  if (!attempt(high).through) return failed(problem('not-enough-program', 'style', { food: pot.foods[0]!.food.id }))
  while (high - low > 1) {
    const middle = Math.round((low + high) / 2)
    if (attempt(middle).through) high = middle
    else low = middle
  }
  const pourG = Math.max(0, high)
  const { solved } = attempt(pourG)
  if (!solved.ok) return solved
  const drunk = drinkingOn(closing, solved.value, pourG - high, (wetter) => solve(wetter, pourG))
  if (!drunk.ok) return drunk
  const solution = drunk.value
  const { simulation, case: run } = solution
  const scale = run.grain ? simulation.uptake! / run.grain.uptakeMax : 1
  const drinks = inBase(closing)
    .map(drinksOf)
    .map((item) => ({ ...item, uptakeG: item.uptakeG * scale, learntG: (item.learntG ?? 0) * scale, freeLiquidG: 0 }))
  // What is left in the pan when it switches off goes with the steam: it dries while the rice rests.
  const water = waterSum(drinks, pot.liquids, simulation.steamLostG + simulation.freeWaterLeftG, [], {
    stoodG: stoodG(pot),
  })
  // The lines are rounded to grams; the pour keeps to them.
  return { ok: true, value: { closing, water, solution, isSure: false } }
}

const drinksOf = ({ food, uptakeG, learntUptakeG, heldG, soakWaterG, freeLiquidG }: PreparedFood): Drinks => ({
  foodId: food.id,
  uptakeG,
  learntG: learntUptakeG,
  heldG,
  soakWaterG,
  freeLiquidG,
})

/** The least that must be poured, whatever the balance says. */
function floorsOf(closing: Closing, baseLeftG: number): Floor[] {
  const { body, appliance } = closing.pot.cooker
  const base = inBase(closing)
  const thereG = freeWaterBeforeG(closing)
  const floors: Floor[] = []
  // An open pot that goes on needs no more than it has.
  if (!closing.before || holdsPressure(appliance)) floors.push({ rule: 'minimum', pourG: body.minimumLiquidG - thereG })
  if (inBase(closing, 'added').some(({ food }) => cooksCovered(food))) {
    const toCover = base.filter(({ food }) => cooksCovered(food)).map(bulkBefore)
    floors.push({ rule: 'covered', pourG: coveringMl(toCover, body.innerDiameterMm) - thereG })
  }
  if (closing.pot.style.kind === 'basket' && !closing.before) {
    const dryG = base.reduce((sum, item) => sum + item.dryG, 0)
    floors.push({ rule: 'plenty', pourG: PLENTY_TIMES_DRY * dryG - thereG })
  }
  if (baseLeftG > 0) floors.push({ rule: 'base-left', pourG: baseLeftG })
  return floors
}
