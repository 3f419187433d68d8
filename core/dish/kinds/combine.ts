import type { KindOfStage } from './kind'

/** What was made apart comes together. */
export const combine: KindOfStage = {
  minutes: 2,
  handsMinutes: 'all',
  vessel: 'pot',
  waits: 20,
  binds: true,
  fields: ['waterG', 'takesOutPouch'],
  leaves: 'cooked',
  told: { do: 'add' },
  tone: 'food',
}
