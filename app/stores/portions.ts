import { defineStore } from 'pinia'
import type { KeptPortion } from '~~/shared/household'

/** What was cooked and is kept in fridge and freezer. */
export const usePortionsStore = defineStore('portions', () => {
  const { all: portions, ...list } = keptList('portion')
  /** So many fewer or more of them; what is used up goes off the list. */
  async function changeLeft({ id, version, content }: KeptPortion, by: number) {
    const left = Math.max(0, content.left + by)
    if (left === 0) await list.remove({ id })
    else await list.save(id, { version, content: { ...content, left } })
  }
  return { portions, ...list, changeLeft }
})
