import { holdsPressure } from '../appliance/appliance'
import { CUP_ML } from '../measure/measure'
import { boilingC } from '../steam/steam'
import { frothTimes, heapMl, levelMl, liquidLineMl, solidMl } from '../water/volume'
import type { ClosingAnswer, ClosingFill, FirstCheck } from './answer'
import { standsIn } from './closing-case'
import { bulkAfter, bulkBefore } from './bulk'
import { baseSets, inBase } from './closing'
import type { PlannedClosing } from './plan-closing'
import type { PreparedFood } from './prepared'
import { mayLosePressure, noSpread, spreadOf, type FigureRange } from './range'
import type { SequenceStep } from './sequence'
import { RICE_REST_MINUTES } from './styles'

/** A boil this close to the boiling point is one. */
const BOILS_WITHIN_K = 0.5

/** What is told of one closing; `isLast` says that nothing goes in after it. */
export function closingAnswer(step: SequenceStep, withRange: boolean, isLast: boolean): ClosingAnswer {
  const { planned, taken } = step
  const { closing, water, solution } = taken
  const { pot } = closing
  const { simulation, case: run, figure, unit } = solution
  const spread = withRange ? spreadOf(planned, taken) : noSpread(taken)
  // A rice cooker is off when it has switched itself off, and is opened after its rest.
  const restMinutes = pot.style.kind === 'rice-cooker' ? RICE_REST_MINUTES : 0
  return {
    adds: closing.adds.flatMap((added, i) => (added ? [i] : [])),
    water: { ...water, ratioByVolume: ratioOf(inBase(closing, 'added'), water.pourG) },
    planned: { pourG: planned.water.pourG, figure: planned.solution.figure },
    program: {
      steps: run.program,
      whistles: simulation.whistles,
      whistleEveryS: everyS(simulation.whistleMinutes),
      minutes: unit === 'whistles' ? simulation.heatOffMinute : figure,
      fixedProgram: solution.fixedProgram,
    },
    range: spread.range,
    isSure: planned.isSure,
    firstCheck: isLast ? firstCheckOf(step, spread.range) : { figure: spread.range.figure, reason: 'opened-anyway' },
    clock: {
      pressureAtMinute: simulation.minutesToPressure,
      heatOffAtMinute: simulation.heatOffMinute - restMinutes,
      openAtMinute: simulation.heatOffMinute + simulation.releaseMinutes,
    },
    foods: simulation.boilMinutes.map((gets, i) => ({
      gets,
      getsLow: spread.gets[i]!.low,
      getsHigh: spread.gets[i]!.high,
      centreC: simulation.hottestFoodC[i]!,
    })),
    fill: fillOf(taken),
    steamLostG: simulation.steamLostG,
    freeWaterLeftG: simulation.freeWaterLeftG,
    energyKJ: simulation.heatKJ,
    hottestC: simulation.hottestC,
    mayLosePressure: withRange && mayLosePressure(taken),
    boils: simulation.boilsAtMinute !== null || simulation.hottestC >= boilingC(run.place.altitudeM) - BOILS_WITHIN_K,
    case: run,
  }
}

/** Seconds between whistles, as they come on the whole. */
function everyS(minutes: readonly number[]): number | null {
  const [first, last] = [minutes[0], minutes.at(-1)]
  return minutes.length < 2 ? null : ((last! - first!) / (minutes.length - 1)) * 60
}

/** How high food and liquid stand: what was there before is swollen, what goes in now is not yet. */
function fillOf({ closing, solution: { simulation, case: run } }: PlannedClosing): ClosingFill {
  const base = inBase(closing)
  const added = inBase(closing, 'added')
  const bulks = base.map((item) => (added.includes(item) ? bulkBefore(item) : bulkAfter(item)))
  // What else stands in the pot takes its room among the liquid.
  const otherMl = standsIn(closing.pot).otherG
  const liquidMl = run.load.freeWaterKg * 1000 + otherMl
  const leftG = waterLeftG(base, simulation.freeWaterLeftG, run.grain !== undefined)
  const beforeL = levelMl(bulks, liquidMl) / 1000
  const afterL = levelMl(base.map(bulkAfter), leftG + otherMl) / 1000
  const foam = frothTimes(base.map(({ food }) => food))
  // Grain that has drunk its water in an open pot has nothing left that foams: it foams while it boils.
  const foamsAtLast = holdsPressure(closing.pot.cooker.appliance) || !baseSets(closing)
  return {
    foodL: bulks.reduce((sum, bulk) => sum + heapMl(bulk), 0) / 1000,
    layers: base.map((item, i) => ({ content: closing.pot.foods.indexOf(item), heapL: heapMl(bulks[i]!) / 1000 })),
    solidL: bulks.reduce((sum, bulk) => sum + solidMl(bulk), 0) / 1000,
    liquidL: liquidLineMl(bulks, liquidMl) / 1000,
    beforeL,
    afterL: foamsAtLast ? afterL * foam : Math.max(afterL, beforeL * foam),
  }
}

/** Free water at the end: where the simulation let the food drink what is left is left; else the drinking comes off here. */
export function waterLeftG(base: readonly PreparedFood[], freeWaterLeftG: number, hasDrunk: boolean): number {
  return hasDrunk ? freeWaterLeftG : Math.max(0, freeWaterLeftG - drunkG(base))
}

/** g of water that foods take up while they cook. */
function drunkG(base: readonly PreparedFood[]): number {
  return base.reduce((sum, item) => sum + Math.max(0, item.uptakeG - item.insideG), 0)
}

function ratioOf(foods: readonly PreparedFood[], pourG: number): number | null {
  let dryMl = 0
  for (const { food, dryG } of foods) {
    if (food.cupG === null) return null
    dryMl += (dryG * CUP_ML) / food.cupG
  }
  return dryMl > 0 ? pourG / dryMl : null
}

/**
 * Where to look first. A closed pot costs a come-up each time it is opened too early, so it is looked at where nine in
 * ten are done, or where half of them are if more would spoil it; an open one from where one in ten is done.
 */
function firstCheckOf({ planned, taken }: SequenceStep, range: FigureRange): FirstCheck {
  const { figure } = taken.solution
  // Of a figure that the cook gives nothing is said: its foods are told by what they get.
  if (figure !== planned.solution.figure) return { figure, reason: 'no-range' }
  if (!holdsPressure(taken.closing.pot.cooker.appliance)) return { figure: range.low, reason: 'free' }
  if (planned.isSure) return { figure: (planned.median ?? planned).solution.figure, reason: 'sure' }
  if (range.low === range.high) return { figure, reason: 'no-range' }
  return { figure, reason: 'half' }
}
