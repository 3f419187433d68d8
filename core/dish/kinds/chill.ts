import type { KindOfStage } from './kind'

/** Cooled and put into the fridge or freezer. */
export const chill: KindOfStage = {
  minutes: 90,
  handsMinutes: 5,
  vessel: 'box',
  waits: 0,
  passive: true,
  afterServing: true,
  fields: [],
  leaves: 'cooked',
  told: { do: 'keep' },
  tone: 'food',
}
