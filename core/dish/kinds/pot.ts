import type { KindOfStage } from './kind'

/** The lid is closed and the pot cooks: planned as a pot by itself is (pot-stage.ts). */
export const pot: KindOfStage = {
  minutes: 0,
  handsMinutes: 4,
  vessel: 'pot',
  waits: 20,
  cooks: true,
  binds: true,
  fields: ['keepsG', 'takesOutPouch'],
  leaves: 'cooked',
  // Its instructions are those of its closings (core/guide/closing).
  told: { do: 'add' },
  tone: 'heat',
  isCovered: true,
}
