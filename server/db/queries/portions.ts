import type { KeptPortion } from '../../../shared/household'
import { PORTION, type Portion, type SavePortion } from '../../../shared/portion.schema'
import { portions } from '../schema'
import type { Scope } from '../scope'
import { keptQueries, type Kept } from './kept'

const portionOf = ({ content: portion, name: _, favourite: __, ...rest }: Kept<Portion>): KeptPortion => ({
  ...rest,
  portion,
})

/** What was cooked and is kept in fridge and freezer. */
export function portionQueries(scope: Scope) {
  const queries = keptQueries(scope, 'portion', portions, PORTION)
  return {
    portions: async (): Promise<KeptPortion[]> => (await queries.all()).map(portionOf),

    async portion(id: string): Promise<KeptPortion | null> {
      const found = await queries.one(id)
      return found && portionOf(found)
    },

    async savePortion(id: string, { portion, version }: SavePortion): Promise<KeptPortion | 'changed-meanwhile'> {
      const outcome = await queries.save(id, { version, favourite: false, name: portion.name, content: portion })
      return outcome === 'changed-meanwhile' ? outcome : portionOf(outcome)
    },

    removePortion: queries.remove,
  }
}
