import type { KeptMeal } from '~~/shared/household'

/** The dinner that was last given up, so that it can be put back where it is no longer shown. */
export const useTakenOffMeal = () => useState<KeptMeal | null>('taken-off-meal', () => null)
