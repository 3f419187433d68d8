import { defineStore } from 'pinia'
import { v4 as uuid } from 'uuid'
import type { KeptPot } from '~~/shared/household'
import type { Pot } from '~~/shared/pot'
import type { SavePot } from '~~/shared/pot.schema'

/** The pots that the household has kept. */
export const usePotsStore = defineStore('pots', () => {
  const { all: pots, ...list } = keptList<KeptPot, SavePot>('pot', '/pots')
  const add = (name: string, pot: Pot) => list.save(uuid(), { version: 0, name, favourite: false, pot })
  return { pots, ...list, add }
})
