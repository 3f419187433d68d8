import { defineStore } from 'pinia'

/** The pots that the household has kept. */
export const usePotsStore = defineStore('pots', () => {
  const { all: pots, ...list } = keptList('pot')
  return { pots, ...list }
})
