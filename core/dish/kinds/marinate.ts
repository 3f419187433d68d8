import type { KindOfStage } from './kind'

export const marinate: KindOfStage = {
  minutes: 60,
  handsMinutes: 3,
  vessel: 'bowl',
  waits: 240,
  passive: true,
  beginsAnew: true,
  fields: ['waterG'],
  leaves: 'prepared',
  told: { do: 'prepare' },
  tone: 'food',
  isWet: true,
}
