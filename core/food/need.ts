import type { ADDITIONS, BATCHES, Texture } from '../names'
import { cooksCovered } from './food'
import type { BoilMinuteWindow, Food } from './food.schema'
import { boilMinutesFor } from './texture'

export type Addition = (typeof ADDITIONS)[number]
export type Batch = (typeof BATCHES)[number]

/** What changes how long a food takes. */
export interface Circumstances {
  soakedShare: number
  batch: Batch
  additions: readonly Addition[]
  /** What the household's log says of this food, bag and liking, as a factor. */
  learnt?: number
}

interface Factor {
  applies(food: Food, circumstances: Circumstances): boolean
  times(food: Food, circumstances: Circumstances): number
}

const added = (addition: Addition, times: number): Factor => ({
  applies: (food, { additions }) => cooksCovered(food) && additions.includes(addition),
  times: () => times,
})

/** Every factor of a need, in the order in which they are told (engineering estimates, corrected by the log). */
const FACTORS = {
  dry: {
    applies: ({ soak }) => soak !== null && soak.dryPenalty > 0,
    times: ({ soak }, { soakedShare }) => 1 + soak!.dryPenalty * (1 - soakedShare),
  },
  'old-batch': { applies: ({ soak }, { batch }) => soak !== null && batch === 'old', times: () => 1.35 },
  'hard-water': added('hard-water', 1.2),
  acid: added('acid', 1.4),
  soda: added('soda', 0.65),
  sugar: added('sugar', 1.1),
  'salted-soak': {
    applies: (food, { additions, soakedShare }) =>
      cooksCovered(food) && additions.includes('salted-soak') && soakedShare > 0,
    times: () => 0.9,
  },
  // Beans that carry lectin are never given less than is assumed of them, whatever is liked.
  learnt: {
    applies: (food, { learnt = 1 }) => (food.lectin ? learnt > 1 : learnt !== 1),
    times: (_, { learnt = 1 }) => learnt,
  },
} satisfies Record<string, Factor>
type FactorId = keyof typeof FACTORS

export interface NeedFactor {
  id: FactorId
  times: number
}

export interface Need {
  /** Boil-minutes for the texture asked for. */
  boilMinutes: number
  window: BoilMinuteWindow
  factors: NeedFactor[]
}

/** What a need would be without what the log has taught. */
export function unlearntBoilMinutes({ boilMinutes, factors }: Need): number {
  return boilMinutes / (factors.find(({ id }) => id === 'learnt')?.times ?? 1)
}

/**
 * What a food needs in boil-minutes, with a line for every circumstance that changes it.
 * The same factors move the whole window, `max` included.
 */
export function needOf(food: Food, texture: Texture, circumstances: Circumstances): Need {
  const factors = (Object.entries(FACTORS) as [FactorId, Factor][]).flatMap(([id, factor]) =>
    factor.applies(food, circumstances) ? [{ id, times: factor.times(food, circumstances) }] : [],
  )
  const times = factors.reduce((product, factor) => product * factor.times, 1)
  const { firm, tender, soft, max } = food.boilMinutes
  return {
    boilMinutes: boilMinutesFor(food, texture) * times,
    window: { firm: firm * times, tender: tender * times, soft: soft * times, max: max * times },
    factors,
  }
}
