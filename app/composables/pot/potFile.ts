import { readAmount, typedAmount } from '~~/core/quantity/number'
import { foodFiguresSchema } from '~~/core/food/food.schema'
import { readDocument } from '~~/shared/document'
import type { Kitchen } from '~~/shared/kitchen'
import { cookerOf, type Pot } from '~~/shared/pot'
import type { PotFile } from '~~/shared/pot.schema'
import { POT_FILE } from '~~/shared/pot.schema'
import { POT_FILE_SHAPE } from '~~/shared/shapes'

const MOST_BYTES = 100_000

/** A pot as a file that another device or household can read. */
export function potFile(name: string, pot: Pot, kitchen: Kitchen): PotFile {
  const cooker = cookerOf(pot, kitchen)
  const used = new Set(pot.items.map(({ foodId }) => foodId))
  return {
    format: 'bivvet-pot',
    version: POT_FILE_SHAPE,
    name,
    pot,
    measures: kitchen.measures
      .filter(({ id }) => [...pot.items, ...pot.liquids].some(({ unit }) => unit === id))
      .map(({ id, name: called, volumeMl }) => ({ id, name: called, volumeMl })),
    foods: kitchen.foods.filter(({ id }) => used.has(id)),
    cooker: cooker && { name: cooker.name, kind: cooker.cooker.appliance.kind },
  }
}

export type PotFileOutcome =
  { ok: true; name: string; pot: Pot } | { ok: false; reason: 'tooLarge' | 'notJson' | 'notAPot' | 'newer' | 'noFood' }

/**
 * Reads a pot out of a file. A cooker that this kitchen lacks is left to one like it, a measure to one of its size;
 * foods of the other household's own are taken as the foods that they were started from.
 */
export async function readPotFile(file: Blob): Promise<PotFileOutcome> {
  if (file.size > MOST_BYTES) return { ok: false, reason: 'tooLarge' }
  let json: unknown
  try {
    json = JSON.parse(await file.text())
  } catch {
    return { ok: false, reason: 'notJson' }
  }
  const version = (json as { version?: unknown } | null)?.version
  const read = readDocument(POT_FILE, json, typeof version === 'number' ? version : 1)
  if (!read.ok) return { ok: false, reason: read.reason === 'newer' ? 'newer' : 'notAPot' }
  const kitchen = useKitchenStore()
  const { name, pot, foods, cooker, measures = [] } = read.value
  /** A bowl that this kitchen lacks is measured by what it holds: by one that holds the same, or in millilitres. */
  const inOurs = <T extends { amount: string; unit: string }>(one: T): T => {
    const { decimal } = kitchen.loaded.likes
    const theirs = measures.find(({ id }) => id === one.unit)
    if (!theirs || kitchen.loaded.measures.some(({ id }) => id === one.unit)) return one
    const same = kitchen.loaded.measures.find(({ volumeMl }) => volumeMl === theirs.volumeMl)
    if (same) return { ...one, unit: same.id }
    return { ...one, amount: typedAmount(readAmount(one.amount, decimal) * theirs.volumeMl, decimal), unit: 'ml' }
  }
  const items = pot.items.map(inOurs).map((item) => {
    if (kitchen.food(item.foodId)) return item
    const own = foods.find(({ id }) => id === item.foodId)
    return { ...item, foodId: own && foodFiguresSchema.safeParse(own.figures).success ? own.basedOn : item.foodId }
  })
  if (items.some(({ foodId }) => !kitchen.food(foodId))) return { ok: false, reason: 'noFood' }
  const known = kitchen.loaded.cookers.some(({ id }) => id === pot.cookerId)
  const alike = kitchen.loaded.cookers.find((one) => one.cooker.appliance.kind === cooker?.kind)
  return {
    ok: true,
    name,
    pot: { ...pot, items, liquids: pot.liquids.map(inOurs), cookerId: known ? pot.cookerId : (alike?.id ?? '') },
  }
}
