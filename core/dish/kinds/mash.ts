import { cooksCovered } from '../../food/food'
import { bind, giveLiquid, letLooseGo } from '../contents'
import type { KindOfStage, Work } from './kind'

export const mash: KindOfStage = {
  minutes: 4,
  handsMinutes: 'all',
  vessel: 'pot',
  waits: 20,
  fields: ['mashesShare', 'takesOutPouch'],
  leaves: 'cooked',
  told: { do: 'mash', before: 'add' },
  tone: 'food',
}

/** g of liquid that is bound for each g of dry pulses that are mashed (engineering estimate). */
const MASHED_BINDS = 0.4

/** What it still holds of liquid comes out, and pulses bind what is free, each part of them once. */
export const mashWork: Work = ({ mashesShare = 1 }, contents, row) => {
  letLooseGo(contents)
  row.givenG += giveLiquid(contents)
  for (const item of contents.foods)
    if (item.insideG > 0 && cooksCovered(item.food)) {
      const share = Math.max(0, mashesShare - (item.mashed ?? 0))
      item.mashed = (item.mashed ?? 0) + share
      item.insideG += bind(contents, row, MASHED_BINDS * share * item.dryG)
    }
  return {}
}
