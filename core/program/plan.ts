import { cooksCovered, setsAsGrain } from '../food/food'
import { holdsPressure } from '../pot/appliance'
import { failed, problem, type Outcome } from '../problem'
import { cautionsFor, type PlanFacts } from '../safety/rules'
import { boilingC } from '../steam/steam'
import { frothTimes, heapMl, levelMl, liquidLineMl, solidMl } from '../water/volume'
import { grainFate, pulseFate, type WaterFate } from '../water/folk'
import { givenWater } from '../water/sum'
import { donenessOf, type FoodAnswer, type PlanAnswer } from './answer'
import { firstCheckOf } from './first-check'
import { tinWaterG } from './load'
import { spreadOf } from './range'
import type { PlanRequest, Tin } from './request'
import { inBase, resolve, type ResolvedFood, type ResolvedPlan } from './resolve'
import { bulkAfter, bulkBefore, settleWater, type Settled } from './settle'
import { runFigure } from './solve'
import { standingOf, tinLevelsMl, tinVolumeMl } from './standing'
import { RICE_REST_MINUTES } from './styles'

// Under pressure, from the makers' common rule; an open pot only must not boil over (engineering estimate).
const FULL = 2 / 3
const HALF = 1 / 2
const OPEN_FULL = 0.9
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
  const taken = takenBy(resolved.value, settled.value)
  if (!taken.ok) return taken
  const answer = describe(resolved.value, settled.value, taken.value, options.range ?? true)
  const { capacityL, beforeL } = answer.fill
  if (beforeL > capacityL)
    return failed(
      problem('water-over-capacity', 'contents', { litres: beforeL.toFixed(1), capacity: String(capacityL) }),
    )
  return { ok: true, value: { ...answer, cautions: cautionsFor(factsOf(resolved.value, answer)) } }
}

/** What was computed, or what the cook gave instead, simulated as it is. */
function takenBy(plan: ResolvedPlan, settled: Settled): Outcome<Settled> {
  const { given } = plan.request
  if (given?.pourG === undefined && given?.figure === undefined) return { ok: true, value: settled }
  const water = given.pourG === undefined ? settled.water : givenWater(settled.water, given.pourG)
  const figure = given.figure ?? settled.solution.figure
  const ran = runFigure(plan, water.pourG, settled.solution, figure)
  return ran.ok ? { ok: true, value: { water, solution: ran.value } } : ran
}

function describe(
  plan: ResolvedPlan,
  planned: Settled,
  taken: Settled,
  withRange: boolean,
): Omit<PlanAnswer, 'cautions'> {
  const { water, solution } = taken
  const { simulation, case: simulated, figure } = solution
  const base = inBase(plan)
  const drunkG = base.reduce((sum, item) => sum + Math.max(0, item.uptakeG - item.insideG), 0)
  // Where the simulation let the grain drink, what is left is left; else the drinking is taken off here.
  const leftG = simulated.grain ? simulation.freeWaterLeftG : Math.max(0, simulation.freeWaterLeftG - drunkG)
  const froth = frothTimes(base.map(({ food }) => food))
  const half = base.some(({ food }) => cooksCovered(food) || food.froth >= 1)
  const { capacityL } = plan.cooker.body
  const { unit } = solution
  // A rice cooker is off when it has switched itself off, and is opened after its rest.
  const restMinutes = plan.style.kind === 'rice-cooker' ? RICE_REST_MINUTES : 0
  const spread = withRange
    ? spreadOf(plan, planned, taken)
    : {
        range: { unit, figure, low: figure, high: figure } as const,
        gets: simulation.boilMinutes.map((got) => ({ low: got, high: got })),
      }
  const bulks = base.map(bulkBefore)
  const liquidMl = simulated.load.freeWaterKg * 1000
  return {
    water: { ...water, ratioByVolume: ratioOf(base, water.pourG) },
    planned: { pourG: planned.water.pourG, figure: planned.solution.figure },
    becomes: fateOf(base, liquidMl - simulation.steamLostG),
    program: {
      steps: simulated.program,
      whistles: simulation.whistles,
      minutes: unit === 'whistles' ? simulation.heatOffMinute : figure,
      fixedProgram: solution.fixedProgram,
    },
    release: simulated.release,
    foods: plan.foods.map((item, i) =>
      foodAnswer(item, simulation.boilMinutes[i]!, spread.gets[i]!, item.tin === null ? null : plan.tins[item.tin]!),
    ),
    clock: {
      pressureAtMinute: simulation.minutesToPressure,
      heatOffAtMinute: simulation.heatOffMinute - restMinutes,
      openAtMinute: simulation.heatOffMinute + simulation.releaseMinutes,
    },
    fill: {
      foodL: bulks.reduce((sum, bulk) => sum + heapMl(bulk), 0) / 1000,
      solidL: bulks.reduce((sum, bulk) => sum + solidMl(bulk), 0) / 1000,
      liquidL: liquidLineMl(bulks, liquidMl) / 1000,
      beforeL: levelMl(bulks, liquidMl) / 1000,
      afterL: (levelMl(base.map(bulkAfter), leftG) / 1000) * froth,
      limitL: capacityL * (holdsPressure(plan.cooker.appliance) ? (half ? HALF : FULL) : OPEN_FULL),
      capacityL,
    },
    steamLostG: simulation.steamLostG,
    waterLeftG: leftG,
    energyKJ: simulation.heatKJ,
    hottestC: simulation.hottestC,
    boils: simulation.boilsAtMinute !== null || simulation.hottestC >= boilingC(plan.request.kitchen.altitudeM) - 0.5,
    range: spread.range,
    firstCheck: firstCheckOf(plan, spread.range, solution),
    simulation: simulated,
  }
}

function foodAnswer(
  item: ResolvedFood,
  gets: number,
  spread: { low: number; high: number },
  tin: Tin | null,
): FoodAnswer {
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
    doneness: donenessOf(gets, need.window),
    window: need.window,
    factors: need.factors,
    tinWaterG: item.tin === null ? null : tinWaterG(item),
    tinFill: tin ? { ...tinLevelsMl(item), holdsMl: tinVolumeMl(tin) } : null,
  }
}

/** How wet the base comes out, with so much free liquid when the lid went on, less its steam. */
function fateOf(base: readonly ResolvedFood[], liquidG: number): WaterFate | null {
  const drinking = base.filter(({ food }) => food.soak !== null)
  if (drinking.length === 0) return null
  const sum = (of: (item: ResolvedFood) => number, items = drinking) =>
    items.reduce((total, item) => total + of(item), 0)
  const insideG = sum((item) => item.insideG)
  const grain = drinking.filter(({ food }) => setsAsGrain(food))
  const others = drinking.filter(({ food }) => !setsAsGrain(food))
  const othersG = sum((item) => item.uptakeG, others)
  if (grain.length > 0) return grainFate(grain[0]!.food, (liquidG + insideG - othersG) / sum(({ dryG }) => dryG, grain))
  return pulseFate((liquidG + insideG - othersG) / sum(({ dryG }) => dryG))
}

function ratioOf(foods: readonly ResolvedFood[], pourG: number): number | null {
  let dryMl = 0
  for (const { food, dryG } of foods) {
    if (food.cupG === null) return null
    dryMl += (dryG * CUP_ML) / food.cupG
  }
  return dryMl > 0 ? pourG / dryMl : null
}

function factsOf(plan: ResolvedPlan, answer: Omit<PlanAnswer, 'cautions'>): PlanFacts {
  const { load, appliance } = answer.simulation
  return {
    applianceKind: appliance.kind,
    bodyAssumed: plan.bodyAssumed,
    altitudeM: plan.request.kitchen.altitudeM,
    roomC: plan.request.kitchen.roomC,
    release: answer.release,
    fill: answer.fill,
    liquidG: load.freeWaterKg * 1000,
    minimumLiquidG: plan.cooker.body.minimumLiquidG,
    boils: answer.boils,
    becomes: answer.becomes,
    shortG: Math.max(0, answer.planned.pourG - answer.water.pourG),
    standing: standingOf(plan, answer.fill),
    surplusG: answer.water.lines.find(({ id }) => id === 'surplus')?.g ?? 0,
    foods: plan.foods.map((item, i) => ({
      food: item.food,
      soak: item.soak,
      inTin: item.tin !== null,
      acid: plan.request.contents[i]!.additions?.includes('acid') ?? false,
      salted: plan.request.contents[i]!.additions?.includes('salt') ?? false,
      gets: answer.foods[i]!.gets,
      needs: answer.foods[i]!.needs,
      max: answer.foods[i]!.window.max,
    })),
  }
}
