import { defineStore } from 'pinia'

/** The dishes of the household. */
export const useDishesStore = defineStore('dishes', () => {
  const { all: dishes, ...list } = keptList('dish')
  return { dishes, ...list }
})
