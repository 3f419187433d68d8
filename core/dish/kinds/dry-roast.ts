import type { KindOfStage } from './kind'

export const dryRoast: KindOfStage = {
  minutes: 4,
  handsMinutes: 'all',
  vessel: 'pan',
  waits: 60,
  flame: 'medium',
  fields: ['inTurn'],
  leaves: 'fried',
  told: { do: 'fry' },
  tone: 'heat',
}
