import type { KindOfStage } from './kind'

/** Grain is loosened with a fork. */
export const fluff: KindOfStage = {
  minutes: 2,
  handsMinutes: 'all',
  vessel: 'pot',
  waits: 20,
  servedWithin: 10,
  fields: [],
  leaves: 'cooked',
  told: { do: 'rest', before: 'add' },
  tone: 'food',
}
