import { useLocalStorage } from '@vueuse/core'

/** Where a pot is looked at. */
export type PotView = 'loose' | 'tins'
export const LOOSE_PATH = '/pot'
export const TINS_PATH = '/pot/tins'

/** Loose or in tins: how this device looks at the pot. The frame of every screen knows it without the pot. */
export const usePotView = () => useLocalStorage<PotView>('bivvet-pot-view', 'loose')
