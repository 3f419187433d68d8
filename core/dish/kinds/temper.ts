import type { KindOfStage } from './kind'

/** Spices in hot fat, poured over. */
export const temper: KindOfStage = {
  minutes: 3,
  handsMinutes: 'all',
  vessel: 'pan',
  waits: 15,
  servedWithin: 5,
  flame: 'medium',
  critical: true,
  fields: ['inTurn'],
  leaves: 'fried',
  told: { do: 'fry', after: 'pour-over' },
  tone: 'heat',
}
