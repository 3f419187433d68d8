/** The pot being planned, for a screen that shows none: what plans it is loaded when one is begun or opened. */
export const potStore = async () => (await import('~/stores/pot')).usePotStore()
