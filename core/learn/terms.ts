import type { FoodGroup } from '../food/food.schema'
import { idOf, type Figure } from './figure'

/**
 * By how many hundredths what a pot gives grows with each hundredth of its pressure, told or heard of alike (found by
 * simulation of pulses at 40 to 100 kPa: 1.0 to 2.1, by program).
 */
const GAIN_BY_PRESSURE = 1.5

/**
 * What the need of a food is made of, besides what is assumed of it: each figure, so many times. `pressedIn` is the
 * cooker that it cooks in, if that holds pressure.
 */
export function doneTerms(
  { foodId, group }: { foodId: string; group: FoodGroup },
  bagId: string | null,
  pressedIn: string | null,
): { figure: Figure; times: number }[] {
  const figures: Figure[] = [
    ...(bagId === null ? [] : [{ kind: 'batch', bagId } as const]),
    { kind: 'need', foodId },
    { kind: 'group-taste', group },
    { kind: 'taste' },
  ]
  return [
    ...figures.map((figure) => ({ figure, times: 1 })),
    // What a pot of lower pressure does not give has to be made up for.
    ...(pressedIn === null ? [] : [pressureTerm(pressedIn)]),
  ]
}

/** What of a need is the pressure of the cooker. */
export const pressureTerm = (cookerId: string) => ({
  figure: { kind: 'pressure', cookerId } as const,
  times: -GAIN_BY_PRESSURE,
})

/** The terms of which something is believed, by their ids. */
export function knownTerms(
  terms: readonly { figure: Figure; times: number }[],
  has: (id: string) => boolean,
): Map<string, number> {
  return new Map(terms.map(({ figure, times }) => [idOf(figure), times] as const).filter(([id]) => has(id)))
}
