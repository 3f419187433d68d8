import type { KindOfStage } from './kind'

/** Washing, cutting, grinding. */
export const prepare: KindOfStage = {
  minutes: 8,
  handsMinutes: 'all',
  vessel: 'board',
  waits: 120,
  beginsAnew: true,
  fields: [],
  leaves: 'prepared',
  told: { do: 'prepare' },
  tone: 'food',
}
