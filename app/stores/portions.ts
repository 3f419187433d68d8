import { defineStore } from 'pinia'
import { v4 as uuid } from 'uuid'
import type { KeptPortion } from '~~/shared/household'
import type { Portion } from '~~/shared/portion'
import type { SavePortion } from '~~/shared/portion.schema'

/** What was cooked and is kept in fridge and freezer. */
export const usePortionsStore = defineStore('portions', () => {
  const { all: portions, ...list } = keptList<KeptPortion, SavePortion>('portion', '/portions')
  const add = (portion: Portion, id = uuid()) => list.save(id, { version: 0, portion })
  /** So many fewer or more of them; what is used up goes off the list. */
  async function changeLeft(kept: KeptPortion, by: number) {
    const left = Math.max(0, kept.portion.left + by)
    const { id, version } = kept
    if (left === 0) await list.remove({ id })
    else await list.save(id, { version, portion: { ...kept.portion, left } })
  }
  return { portions, ...list, add, changeLeft }
})
