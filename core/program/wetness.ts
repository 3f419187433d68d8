import { setsAsGrain } from '../food/food'
import { mostUptake } from '../food/texture'
import { grainFate, pulseFate, type WaterFate } from '../water/folk'
import type { FoodAnswer } from './answer'
import { waterLeftG } from './closing-answer'
import { freeWaterBeforeG } from './closing-case'
import type { PreparedFood, PreparedPot } from './prepared'
import type { SequenceStep } from './sequence'

/** How wet the base comes out. */
export interface Wetness {
  /** In words; null where nothing in it drinks. */
  becomes: WaterFate | null
  /** g of free water that is left, and how much of that is more than was wanted. */
  waterLeftG: number
  overG: number
}

/**
 * How wet the base comes out with what was poured. Foods drink what their texture asks for; of free water that is
 * neither planned for them nor wanted around them grain drinks on.
 */
export function wetnessOf(pot: PreparedPot, sequence: readonly SequenceStep[], foods: readonly FoodAnswer[]): Wetness {
  const base = pot.foods.filter(({ tin }) => tin === null)
  const drinking = base.filter(({ food }) => food.soak !== null)
  const grain = drinking.filter(({ food }) => setsAsGrain(food))
  const steps = sequence.map(({ taken }) => taken)
  const { simulation, case: last } = steps.at(-1)!.solution
  const steamG = total(steps, ({ solution }) => solution.simulation.steamLostG) * (pot.request.learnt?.steam ?? 1)
  const liquidG = wateredG(sequence) - steamG
  const hasDrunk = last.grain !== undefined
  const leftG = waterLeftG(base, simulation.freeWaterLeftG, hasDrunk)
  const wantedG = total(base, ({ freeLiquidG }) => freeLiquidG)

  const plannedG = total(drinking, ({ uptakeG, insideG }) => uptakeG - insideG)
  const thirstG = total(grain, (item) => {
    const doseShare = foods[pot.foods.indexOf(item)]!.gets / item.need.window.tender
    return Math.max(0, mostUptake(item.food, doseShare, item.vessel) * item.dryG - item.uptakeG)
  })
  // Where the simulation let the grain drink, it has drunk on already.
  const drunkOnG = hasDrunk ? Math.max(0, liquidG - leftG - plannedG) : Math.min(Math.max(0, leftG - wantedG), thirstG)
  const waterLeft = hasDrunk ? leftG : leftG - drunkOnG

  const insideG = liquidG + total(drinking, (item) => item.insideG)
  const becomes = () => {
    if (drinking.length === 0) return null
    if (grain.length === 0) return pulseFate((insideG - total(drinking, ({ uptakeG }) => uptakeG)) / dryOf(drinking))
    const othersG = total(drinking, ({ uptakeG }) => uptakeG) - total(grain, ({ uptakeG }) => uptakeG)
    const drunkG = Math.min(total(grain, ({ uptakeG }) => uptakeG) + drunkOnG, insideG - othersG)
    return grainFate(grain[0]!.food, grain[0]!.vessel, drunkG / dryOf(grain))
  }
  return { becomes: becomes(), waterLeftG: waterLeft, overG: Math.max(0, waterLeft - wantedG) }
}

/** g of free water that went into the base at all closings together, what foods drank of it not counted off. */
function wateredG(sequence: readonly SequenceStep[]): number {
  return total(sequence, ({ taken: { closing, water } }) => {
    const stoodG = closing.before?.freeWaterG ?? 0
    return water.pourG + freeWaterBeforeG(closing) - stoodG
  })
}

const total = <T>(items: readonly T[], of: (item: T) => number) => items.reduce((sum, item) => sum + of(item), 0)
const dryOf = (items: readonly PreparedFood[]) => total(items, ({ dryG }) => dryG)
