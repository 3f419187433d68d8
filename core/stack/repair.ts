import { findFood } from '../food/catalogue'
import { pieceMm } from '../food/pieces'
import { together, type Together } from '../program/together'
import { MOST_STACKED_TINS, type StackAsk } from './ask'
import { findStacks, type StackResult } from './search'

/** The single change with which it would all go in one run, or what to do instead. */
export type Repair =
  | { id: 'soak'; food: number; hours: number }
  | { id: 'unlock'; food: number }
  | { id: 'halve-pieces'; food: number }
  | { id: 'less'; food: number }
  | { id: 'tin'; diameterMm: number; heightMm: number; volumeMl: number }
  | ({ id: 'phases' } & Pick<Together, 'joins' | 'closings'>)
  | { id: 'apart'; food: number }

/** Pieces thinner than this are not worth cutting. */
const CUT_FROM_MM = 25
/** A tin that any household could get: low, with a lid, and a finger's breadth narrower than the pot. */
const COMMON_TIN_MM = { narrower: 30, height: 40 }

/** The first single change that makes a stack possible, the least trouble first; null where none does. */
export function repairStack(ask: StackAsk, result: StackResult): Repair | null {
  const works = (changed: Partial<StackAsk>): boolean => {
    const found = findStacks({ ...ask, ...changed })
    return found.ok && found.value.answers.length > 0
  }
  const withFood = (index: number, change: Partial<StackAsk['foods'][number]>) =>
    ask.foods.map((food, i) => (i === index ? { ...food, ...change } : food))
  const foodOf = ({ food }: StackAsk['foods'][number]) => ask.ownFoods?.find(({ id }) => id === food) ?? findFood(food)
  const indexes = ask.foods.map((_, i) => i)

  for (const food of indexes) {
    const { soak } = foodOf(ask.foods[food]!) ?? { soak: null }
    if (!soak || soak.dryPenalty === 0 || ask.foods[food]!.soakMayChange) continue
    for (const hours of soak.adviceHours.filter((one) => one > 0 && one !== ask.foods[food]!.soak?.hours))
      if (works({ foods: withFood(food, { soak: { hours, waterC: ask.kitchen.tapC, keepWater: false } }) }))
        return { id: 'soak', food, hours }
  }
  for (const food of indexes)
    if (ask.foods[food]!.lock !== 'any' && works({ foods: withFood(food, { lock: 'any' }) }))
      return { id: 'unlock', food }
  for (const food of indexes) {
    const whole = foodOf(ask.foods[food]!)
    const sizeMm = ask.foods[food]!.sizeMm ?? whole?.sizeMm ?? 0
    if (!whole || sizeMm < CUT_FROM_MM) continue
    if (works({ foods: withFood(food, { sizeMm: pieceMm({ ...whole, sizeMm }, 'medium', 'halves') }) }))
      return { id: 'halve-pieces', food }
  }
  if (result.nearest) {
    const phased = together(result.nearest.request)
    if (phased.ok && phased.value.kind === 'in-phases') {
      const { joins, closings } = phased.value
      return { id: 'phases', joins, closings }
    }
  }
  const width = typeof ask.cooker === 'string' ? null : (ask.cooker.body?.innerDiameterMm ?? null)
  if (width !== null && ask.tins.length < MOST_STACKED_TINS) {
    const diameterMm = width - COMMON_TIN_MM.narrower
    const heightMm = COMMON_TIN_MM.height
    const volumeMl = Math.round((Math.PI * (diameterMm / 2) ** 2 * heightMm * 0.9) / 1000)
    const tin = { id: 'another', diameterMm, heightMm, volumeMl, lid: true, material: 'steel' as const }
    if (works({ tins: [...ask.tins, tin] })) return { id: 'tin', diameterMm, heightMm, volumeMl }
  }
  for (const food of indexes)
    if (works({ foods: withFood(food, { dryG: ask.foods[food]!.dryG / 2 }) })) return { id: 'less', food }
  for (const food of indexes)
    if (ask.foods.length > 1 && works({ foods: ask.foods.filter((_, i) => i !== food) })) return { id: 'apart', food }
  return null
}
