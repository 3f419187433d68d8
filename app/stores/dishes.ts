import { defineStore } from 'pinia'
import { v4 as uuid } from 'uuid'
import type { DishDocument } from '~~/shared/dish'
import type { SaveDish } from '~~/shared/dish.schema'
import type { KeptDish } from '~~/shared/household'

/** The dishes of the household. */
export const useDishesStore = defineStore('dishes', () => {
  const { all: dishes, ...list } = keptList<KeptDish, SaveDish>('dish', '/dishes')
  const add = (dish: DishDocument) => list.save(uuid(), { version: 0, favourite: false, dish })
  return { dishes, ...list, add }
})
