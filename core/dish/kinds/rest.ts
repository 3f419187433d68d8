import { cooksCovered, setsAsGrain } from '../../food/food'
import { bind } from '../contents'
import type { KindOfStage, Work } from './kind'

export const rest: KindOfStage = {
  minutes: 5,
  handsMinutes: 0,
  vessel: 'pot',
  waits: 20,
  binds: true,
  fields: ['takesOutPouch'],
  leaves: 'cooked',
  told: { do: 'rest', before: 'add' },
  tone: 'steam',
  isCovered: true,
}

// g of liquid that is bound for each g of dry pulses or grain that rest covered so long (engineering estimates).
const RESTING_BINDS = 0.15
const RESTS_MINUTES = 10

/** Pulses and grain go on binding what is free, up to a rest of ten minutes in all. */
export const restWork: Work = (stage, contents, row) => {
  for (const item of contents.foods)
    if (item.insideG > 0 && (cooksCovered(item.food) || setsAsGrain(item.food))) {
      const share = Math.min(1 - (item.rested ?? 0), stage.minutes / RESTS_MINUTES)
      item.rested = (item.rested ?? 0) + share
      item.insideG += bind(contents, row, RESTING_BINDS * share * item.dryG)
    }
  return {}
}
