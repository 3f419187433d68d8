import type { KeptDish } from '~~/shared/household'

/** The dish that was last taken off, so that the list can offer to put it back. */
const takenOff = shallowRef<KeptDish | null>(null)
export const useTakenOff = () => takenOff
