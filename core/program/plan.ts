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
import { firstClosing, laterClosings, type LaterClosing } from './later'
import { tinWaterG } from './load'
import { spreadOf } from './range'
import type { PlanRequest, Tin } from './request'
import { inBase, resolve, type ResolvedFood, type ResolvedPlan } from './resolve'
import { bulkAfter, bulkBefore, type Settled } from './settle'
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
  const whole = resolved.value
  const first = firstClosing(whole)
  if (!first.ok) return first
  const { plan: closed, settled, doses } = first.value
  const taken = takenBy(closed, settled)
  if (!taken.ok) return taken
  const withRange = options.range ?? true
  const later = laterClosings(whole, taken.value, doses, withRange)
  if (!later.ok) return later
  const described = describe(closed, settled, taken.value, withRange)
  const answer = later.value.length === 0 ? described : withLater(described, whole, later.value)
  const { capacityL, beforeL } = answer.fill
  if (beforeL > capacityL)
    return failed(
      problem('water-over-capacity', 'contents', { litres: beforeL.toFixed(1), capacity: String(capacityL) }),
    )
  return { ok: true, value: { ...answer, cautions: cautionsFor(factsOf(whole, answer)) } }
}

/** The answer of the first closing with what the later ones make of it. */
function withLater(first: Described, whole: ResolvedPlan, later: LaterClosing[]): Described {
  const end = later.at(-1)!
  const base = whole.foods.filter(({ tin }) => tin === null)
  const swollenOrNew = base.map((item) => (item.joins === 0 ? bulkAfter(item) : bulkBefore(item)))
  const closedMl = Math.max(...later.map(({ case: { load } }) => levelMl(swollenOrNew, load.freeWaterKg * 1000)))
  const drunkG = drunkBy(base)
  const leftG = end.case.grain ? end.freeWaterLeftG : Math.max(0, end.freeWaterLeftG - drunkG)
  const sumOf = (index: number, of: 'gets' | 'getsLow' | 'getsHigh') =>
    later.reduce((sum, closing) => sum + closing[of][index]!, first.foods[index]![of])
  return {
    ...first,
    becomes: fateOf(base, end.freeWaterLeftG),
    foods: first.foods.map((food, i) => {
      const gets = sumOf(i, 'gets')
      const needs = whole.foods[i]!.need.boilMinutes
      const doneness = donenessOf(gets, food.window)
      return { ...food, needs, gets, getsLow: sumOf(i, 'getsLow'), getsHigh: sumOf(i, 'getsHigh'), doneness }
    }),
    fill: {
      ...first.fill,
      beforeL: Math.max(first.fill.beforeL, closedMl / 1000),
      afterL: Math.max(first.fill.afterL, (levelMl(base.map(bulkAfter), leftG) / 1000) * frothTimes(foodsOf(base))),
      limitL: limitL(whole, base),
    },
    steamLostG: first.steamLostG + later.reduce((sum, closing) => sum + steamOfG(closing), 0),
    waterLeftG: leftG,
    boils: first.boils && later.every(({ boils }) => boils),
    later,
  }
}

const foodsOf = (items: readonly ResolvedFood[]) => items.map(({ food }) => food)
const steamOfG = ({ case: { load }, freeWaterLeftG }: LaterClosing) => load.freeWaterKg * 1000 - freeWaterLeftG

/** g of water that foods take up while they cook. */
function drunkBy(base: readonly ResolvedFood[]): number {
  return base.reduce((sum, item) => sum + Math.max(0, item.uptakeG - item.insideG), 0)
}

/** The line up to which a pot with this in its base may be filled, in L. */
function limitL({ cooker }: ResolvedPlan, base: readonly ResolvedFood[]): number {
  const half = base.some(({ food }) => cooksCovered(food) || food.froth >= 1)
  return cooker.body.capacityL * (holdsPressure(cooker.appliance) ? (half ? HALF : FULL) : OPEN_FULL)
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

type Described = Omit<PlanAnswer, 'cautions'>

function describe(plan: ResolvedPlan, planned: Settled, taken: Settled, withRange: boolean): Described {
  const { water, solution } = taken
  const { simulation, case: simulated, figure } = solution
  const base = inBase(plan)
  const drunkG = drunkBy(base)
  // Where the simulation let the grain drink, what is left is left; else the drinking is taken off here.
  const leftG = simulated.grain ? simulation.freeWaterLeftG : Math.max(0, simulation.freeWaterLeftG - drunkG)
  const froth = frothTimes(foodsOf(base))
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
      limitL: limitL(plan, base),
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

function factsOf(plan: ResolvedPlan, answer: Described): PlanFacts {
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
