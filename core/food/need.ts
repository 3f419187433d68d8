import { cooksCovered, type BoilMinuteWindow, type Food } from './food'
import { boilMinutesFor, type Texture } from './texture'

export const ADDITIONS = ['salt', 'salted-soak', 'soda', 'acid', 'sugar', 'hard-water'] as const
export type Addition = (typeof ADDITIONS)[number]
export type Batch = 'fresh' | 'old'

export interface NeedFactor {
  id: 'dry' | 'old-batch' | 'hard-water' | 'soda' | 'acid' | 'sugar' | 'salted-soak'
  times: number
}

export interface Need {
  /** Boil-minutes for the texture asked for. */
  boilMinutes: number
  window: BoilMinuteWindow
  factors: NeedFactor[]
}

// Engineering estimates, corrected by the log.
const OLD_BATCH = 1.35
const HARD_WATER = 1.2
const SODA = 0.65
const ACID = 1.4
const SUGAR = 1.1
const SALTED_SOAK = 0.9

/**
 * What a food needs in boil-minutes, with a line for every circumstance that changes it.
 * The same factors move the whole window, `max` included.
 */
export function needOf(
  food: Food,
  texture: Texture,
  circumstances: { soakedShare: number; batch: Batch; additions: readonly Addition[] },
): Need {
  const { soakedShare, batch, additions } = circumstances
  const factors: NeedFactor[] = []
  const add = (id: NeedFactor['id'], times: number) => factors.push({ id, times })
  const with_ = (addition: Addition) => additions.includes(addition)
  if (food.soak && food.soak.dryPenalty > 0) add('dry', 1 + food.soak.dryPenalty * (1 - soakedShare))
  if (food.soak && batch === 'old') add('old-batch', OLD_BATCH)
  if (cooksCovered(food)) {
    if (with_('hard-water')) add('hard-water', HARD_WATER)
    if (with_('acid')) add('acid', ACID)
    if (with_('soda')) add('soda', SODA)
    if (with_('sugar')) add('sugar', SUGAR)
    if (with_('salted-soak') && soakedShare > 0) add('salted-soak', SALTED_SOAK)
  }
  const times = factors.reduce((product, factor) => product * factor.times, 1)
  const { firm, tender, soft, max } = food.boilMinutes
  return {
    boilMinutes: boilMinutesFor(food, texture) * times,
    window: { firm: firm * times, tender: tender * times, soft: soft * times, max: max * times },
    factors,
  }
}
