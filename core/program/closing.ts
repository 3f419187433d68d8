import type { PreparedFood, PreparedPot } from './prepared'

/** A pot that stands open: how hot, how wet, and what its foods have had. */
export interface OpenedPot {
  tempC: number
  freeWaterG: number
  /** Boil-minutes of each food of the request so far. */
  gets: number[]
}

/**
 * One closing of the lid, whatever led to it: a cold pot, a half-cooked one, one that was opened in between. Lists
 * go by the foods of the request.
 */
export interface Closing {
  pot: PreparedPot
  /** Which of the plan's closings it is. */
  number: number
  /** The pot as it stands before; null for a cold one, into which everything is poured now. */
  before: OpenedPot | null
  /** Foods that are in the pot, and those of them that go in now. */
  inside: boolean[]
  adds: boolean[]
  /** Boil-minutes that each food is to get; 0 for one that decides nothing. */
  needs: number[]
  /** It is to come out as wet as was asked for; otherwise only the base must not dry. */
  keepsWet: boolean
  /** g of water per g of dry grain that it drinks of what is there, where the cook pours more than it is planned with. */
  mostUptakePerG?: number
}

/** Foods that are in the pot and stand in the base, those that go in now or all. */
export function inBase({ pot, inside, adds }: Closing, only: 'all' | 'added' = 'all'): PreparedFood[] {
  const counted = only === 'added' ? adds : inside
  return pot.foods.filter(({ tin }, i) => tin === null && counted[i])
}

/** The foods in tins that are in the pot, in the order in which the load counts them. */
export function inTins({ pot, inside }: Closing): PreparedFood[] {
  return pot.foods.filter(({ tin }, i) => tin !== null && inside[i])
}

/** A food that goes into a pot that was opened, and is cold. */
export function isColdIn({ pot, before, adds }: Closing, item: PreparedFood): boolean {
  return before !== null && adds[pot.foods.indexOf(item)]!
}

/** How far the food worst off is over its need, as a share of it; `needTimes` multiplies every need. */
export function surplusOf({ needs }: Pick<Closing, 'needs'>, gets: readonly number[], needTimes = 1): number {
  return Math.min(Infinity, ...needs.map((need, i) => (need > 0 ? gets[i]! / (need * needTimes) - 1 : Infinity)))
}

/** Tells whether what is in the base sets as grain and leaves nothing to drain. */
export function baseSets(closing: Closing): boolean {
  return closing.pot.style.kind !== 'basket' && inBase(closing).some(({ food }) => food.zAbove110C !== null)
}
