import type { KindOfStage } from './kind'

/** Its liquid is kept aside, or thrown away (core/dish/dish). */
export const drain: KindOfStage = {
  minutes: 2,
  handsMinutes: 'all',
  vessel: 'bowl',
  waits: 30,
  fields: ['keepsG', 'throwsLiquid', 'takesOutPouch'],
  leaves: 'drained',
  told: { do: 'drain' },
  tone: 'food',
  isWet: true,
}
