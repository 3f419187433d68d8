import type { KeptKind } from '~~/shared/names'

/** The shape in which this version keeps things on the device; up by one with an upgrade in storageUpgrade.ts. */
export const STORAGE_SHAPE = 4
export const STORAGE_SHAPE_KEY = 'bivvet-storage'

/** Keys under which things are kept on the device. */
export const STORED = {
  pot: 'bivvet-pot-2',
  keptPots: 'bivvet-pots-kept',
  running: 'bivvet-running',
  outbox: 'bivvet-outbox',
  starts: 'bivvet-starts',
  mealUntil: 'bivvet-meal-until',
  learnt: 'bivvet-learnt',
  dishesBegun: 'bivvet-dishes-begun',
  dishesCooked: 'bivvet-dishes-cooked',
} as const

const UNSENT = 'bivvet-unsent-'
/** Under which a document is kept on the device until the server has it. */
export const unsentKey = (kind: KeptKind, id: string) => `${UNSENT}${kind}-${id}`
/** The ids of the documents of a kind that the server does not have yet. */
export const unsentIds = (kind: KeptKind): string[] => {
  const start = unsentKey(kind, '')
  return Object.keys(localStorage).flatMap((key) => (key.startsWith(start) ? [key.slice(start.length)] : []))
}
/** Before the fourth shape they were kept by kind. */
export const UNSENT_BEFORE = {
  kitchen: 'bivvet-kitchen-unsent',
  dishes: 'bivvet-dishes-unsent',
  meals: 'bivvet-meals-unsent',
} as const

/** True if something is kept here by an earlier version. */
export function isOutdated(storage: Storage): boolean {
  const shape = Number(storage.getItem(STORAGE_SHAPE_KEY) ?? 1)
  if (shape >= STORAGE_SHAPE) return false
  const any = [...Object.values(STORED), ...Object.values(UNSENT_BEFORE)].some((key) => storage.getItem(key) !== null)
  if (!any) storage.setItem(STORAGE_SHAPE_KEY, String(STORAGE_SHAPE))
  return any
}
