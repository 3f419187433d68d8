import type { FoodGroup } from '../food/food.schema'
import type { FlameName } from '../names'
import { UNMEASURED } from '../unknown'
import type { Estimate } from './posterior'

/**
 * What a kitchen's log can teach, each as a factor of what is assumed: the heat of a flame into a cooker (the burner's
 * own share and the flame's), or of a cooker that heats itself; the swing of a weight; the heat that a cooker loses;
 * the steam that it loses; its pressure, which only what comes out of it tells; what a bag, and a food in this kitchen,
 * needs; how soft a group of foods, and everything, is
 * liked; what a food drinks.
 */
export type Figure =
  | { kind: 'burner-heat'; cookerId: string; burnerId: string }
  | { kind: 'flame-heat'; cookerId: string; burnerId: string; flame: FlameName }
  | { kind: 'own-heat'; cookerId: string }
  | { kind: 'swing'; cookerId: string }
  | { kind: 'loss'; cookerId: string }
  | { kind: 'steam'; cookerId: string }
  | { kind: 'pressure'; cookerId: string }
  | { kind: 'batch'; bagId: string }
  | { kind: 'need'; foodId: string }
  | { kind: 'uptake'; foodId: string }
  | { kind: 'group-taste'; group: FoodGroup }
  | { kind: 'taste' }
export type FigureKind = Figure['kind']

/** A figure's id: its kind and what it is of. Reading it back gives the same figure. */
export function idOf(figure: Figure): string {
  return Object.values(figure).join(' ')
}

const FIELDS: Record<FigureKind, readonly string[]> = {
  'burner-heat': ['cookerId', 'burnerId'],
  'flame-heat': ['cookerId', 'burnerId', 'flame'],
  'own-heat': ['cookerId'],
  swing: ['cookerId'],
  loss: ['cookerId'],
  steam: ['cookerId'],
  pressure: ['cookerId'],
  batch: ['bagId'],
  need: ['foodId'],
  uptake: ['foodId'],
  'group-taste': ['group'],
  taste: [],
}

/** The figure of an id; null for what is none. */
export function figureOfId(id: string): Figure | null {
  const [kind, ...of] = id.split(' ')
  if (!kind || !Object.hasOwn(FIELDS, kind)) return null
  const fields = FIELDS[kind as FigureKind]
  if (of.length !== fields.length || of.some((part) => part === '')) return null
  return { kind, ...Object.fromEntries(fields.map((field, i) => [field, of[i]])) } as Figure
}

/** Of the heat of a flame so much is common to its burner, and so much its own: together what is told of the flame. */
const COMMON_SHARE = 0.8
const FLAME_SHARE = 0.6

/**
 * From one run to the next a pot differs from itself by so much (load, place on the flame, how the knob was turned), and
 * what its food gets by so much: logarithms, engineering estimates.
 */
export const FROM_RUN_TO_RUN = { heat: 0.06, swing: 0.2, loss: 0.25, got: 0.05 } as const

/** One standard deviation of the logarithm of each figure before anything is known (engineering estimates). */
export const UNLEARNT = {
  heat: 0.25,
  /** After a water test. */
  measuredHeat: 0.04,
  swing: 0.25,
  measuredSwing: 0.1,
  loss: 0.3,
  measuredLoss: 0.1,
  steam: 0.3,
  pressure: UNMEASURED.lift,
  freshBatch: 0.15,
  oldBatch: 0.2,
  need: 0.2,
  taste: 0.2,
  uptake: 0.1,
} as const

/** A bag of over a year needs so much more, as a logarithm (engineering estimate). */
export const OLD_BATCH = Math.log(1.35)

/** What is believed of a figure before any run has spoken; `isMeasured` by a water test, `isOld` of a bag. */
export function priorOf({ kind }: Figure, { isMeasured = false, isOld = false } = {}): Estimate {
  const heat = isMeasured ? UNLEARNT.measuredHeat : UNLEARNT.heat
  switch (kind) {
    case 'burner-heat':
      return { mean: 0, sd: COMMON_SHARE * heat }
    case 'flame-heat':
      return { mean: 0, sd: FLAME_SHARE * heat }
    case 'own-heat':
      return { mean: 0, sd: heat }
    case 'swing':
      return { mean: 0, sd: isMeasured ? UNLEARNT.measuredSwing : UNLEARNT.swing }
    case 'loss':
      return { mean: 0, sd: isMeasured ? UNLEARNT.measuredLoss : UNLEARNT.loss }
    case 'steam':
      return { mean: 0, sd: UNLEARNT.steam }
    case 'pressure':
      return { mean: 0, sd: UNLEARNT.pressure }
    case 'batch':
      return isOld ? { mean: OLD_BATCH, sd: UNLEARNT.oldBatch } : { mean: 0, sd: UNLEARNT.freshBatch }
    case 'need':
      return { mean: 0, sd: UNLEARNT.need }
    case 'uptake':
      return { mean: 0, sd: UNLEARNT.uptake }
    case 'group-taste':
    case 'taste':
      return { mean: 0, sd: UNLEARNT.taste }
  }
}
