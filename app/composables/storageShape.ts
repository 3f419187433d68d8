/** The shape in which this version keeps things on the device; up by one with an upgrade in storageUpgrade.ts. */
export const STORAGE_SHAPE = 3
export const STORAGE_SHAPE_KEY = 'bivvet-storage'

/** Keys under which things are kept on the device. */
export const STORED = {
  pot: 'bivvet-pot-2',
  keptPots: 'bivvet-pots-kept',
  running: 'bivvet-running',
  outbox: 'bivvet-outbox',
  starts: 'bivvet-starts',
  kitchen: 'bivvet-kitchen-unsent',
  dishes: 'bivvet-dishes-unsent',
  mealUntil: 'bivvet-meal-until',
  meals: 'bivvet-meals-unsent',
  learnt: 'bivvet-learnt',
  dishesBegun: 'bivvet-dishes-begun',
  dishesCooked: 'bivvet-dishes-cooked',
} as const

/** True if something is kept here by an earlier version. */
export function isOutdated(storage: Storage): boolean {
  const shape = Number(storage.getItem(STORAGE_SHAPE_KEY) ?? 1)
  if (shape >= STORAGE_SHAPE) return false
  const any = Object.values(STORED).some((key) => storage.getItem(key) !== null)
  if (!any) storage.setItem(STORAGE_SHAPE_KEY, String(STORAGE_SHAPE))
  return any
}
