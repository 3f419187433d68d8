import type { Liquid } from './liquid.schema'
import { isPoured, LEFT_WHEN_FRIED, LIQUID_YIELD } from './liquids'

/** One line of the water sum: what asks for water (positive) or already brings it (negative). */
export interface WaterLine {
  id:
    | 'uptake'
    /** Of a food, or of the steam, what the log has taught. */
    | 'learnt-uptake'
    | 'learnt-steam'
    | 'steam'
    | 'free-liquid'
    | 'held'
    | 'soak-water'
    | 'liquid'
    /** In the pot from what was done in it before. */
    | 'stood'
    /** In the pot already when it is closed again, and what of that shall stay. */
    | 'there'
    | 'stays'
    | 'floor'
    | 'surplus'
    | 'given'
  g: number
  /** The food or the liquid that the line speaks of; of a floor, its rule. */
  of?: string
}

export type WaterRule = 'balance' | 'minimum' | 'covered' | 'base-left' | 'plenty' | 'given'

export interface WaterSum {
  /** Water to pour in; always the exact sum of the lines. */
  pourG: number
  rule: WaterRule
  lines: WaterLine[]
}

export interface Drinks {
  foodId: string
  uptakeG: number
  /** Of that, what the log has taught. */
  learntG?: number
  /** Already in a food that was soaked and drained. */
  heldG: number
  /** Measured soaking water that goes into the pot with the food. */
  soakWaterG: number
  freeLiquidG: number
}

/** g of free liquid that an ingredient brings; `fried` where it is fried before the lid is shut. */
export const broughtG = ({ kind, g, fried }: Liquid): number =>
  g * LIQUID_YIELD[kind] * (fried && !isPoured(kind) ? LEFT_WHEN_FRIED : 1)

/** g of free liquid that the other liquids bring. */
export function liquidBroughtG(liquids: readonly Liquid[]): number {
  return liquids.reduce((sum, liquid) => sum + broughtG(liquid), 0)
}

/** A pot that is closed again: the free water in it, and whether that was set right for foods that are in it. */
export interface ThereAlready {
  freeWaterG: number
  isWanted: boolean
}

export interface Floor {
  rule: Exclude<WaterRule, 'balance' | 'given'>
  pourG: number
}

/**
 * The water to pour: what the foods drink, plus steam lost, plus liquid wanted, less what is there
 * already; then raised to the highest floor. Each line is rounded to a gram so that the lines add
 * up to the figure. Liquids that bring more than is wanted leave nothing to pour and a `surplus` line; of the
 * water in a pot that is closed again, what is more than is wanted simply stays. `steamTimes` is what the log has
 * taught of the steam.
 */
export function waterSum(
  foods: readonly Drinks[],
  liquids: readonly Liquid[],
  steamLostG: number,
  floors: readonly Floor[],
  {
    there = null,
    stoodG = 0,
    steamTimes = 1,
  }: { there?: ThereAlready | null; stoodG?: number; steamTimes?: number } = {},
): WaterSum {
  const lines: WaterLine[] = []
  const add = (id: WaterLine['id'], g: number, of?: string) => {
    const rounded = Math.round(g)
    if (rounded !== 0) lines.push(of === undefined ? { id, g: rounded } : { id, g: rounded, of })
  }
  for (const food of foods) add('uptake', food.uptakeG - (food.learntG ?? 0), food.foodId)
  for (const food of foods) add('learnt-uptake', food.learntG ?? 0, food.foodId)
  add('steam', steamLostG)
  add('learnt-steam', steamLostG * (steamTimes - 1))
  for (const food of foods) add('free-liquid', food.freeLiquidG, food.foodId)
  for (const food of foods) add('held', -food.heldG, food.foodId)
  for (const food of foods) add('soak-water', -food.soakWaterG, food.foodId)
  for (const liquid of liquids) add('liquid', -broughtG(liquid), liquid.kind)
  add('stood', -stoodG)

  const sumSoFar = () => lines.reduce((sum, line) => sum + line.g, 0)
  if (there) {
    const wantedG = sumSoFar()
    add('there', -there.freeWaterG)
    add('stays', there.isWanted ? there.freeWaterG : Math.max(0, Math.round(there.freeWaterG) - wantedG))
  }

  let pourG = sumSoFar()
  let rule: WaterRule = 'balance'
  const highest = [...floors].sort((a, b) => b.pourG - a.pourG)[0]
  const floorG = Math.max(0, Math.ceil(highest?.pourG ?? 0))
  // A floor that is reached by what is there already asks for nothing: what is too much then is a surplus.
  if (highest && floorG > 0 && pourG < floorG) {
    lines.push({ id: 'floor', g: floorG - pourG, of: highest.rule })
    pourG = floorG
    rule = highest.rule
  } else if (pourG < 0) {
    lines.push({ id: 'surplus', g: -pourG })
    pourG = 0
  }
  return { pourG, rule, lines }
}

/** The sum when the cook pours another amount: the same lines, and one for what was added or left out. */
export function givenWater(sum: WaterSum, pourG: number): WaterSum {
  const rounded = Math.round(pourG)
  if (rounded === sum.pourG) return sum
  return { pourG: rounded, rule: 'given', lines: [...sum.lines, { id: 'given', g: rounded - sum.pourG }] }
}
