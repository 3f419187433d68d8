import { useI18n } from 'vue-i18n'
import { CATALOGUE } from '~~/core/food/catalogue'
import type { Food } from '~~/core/food/food.schema'
import { foodOf } from '~~/shared/kitchen'

/** Letters without case and accents, as they are typed in a hurry. */
const plain = (name: string) => name.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()

/** A food with what it is called. */
export interface NamedFood {
  food: Food
  name: string
  aliases: string
}

/** Foods among which one of the names contains the words, best matches first; all for an empty query. */
export function searchNames<N extends Pick<NamedFood, 'name' | 'aliases'>>(query: string, foods: readonly N[]): N[] {
  const words = plain(query.trim())
  if (words === '') return [...foods]
  const rank = ({ name, aliases }: N) => {
    const names = [name, ...aliases.split(',')].map((one) => plain(one.trim()))
    if (names.some((one) => one.startsWith(words))) return 0
    return names.some((one) => one.includes(words)) ? 1 : 2
  }
  return foods.filter((food) => rank(food) < 2).sort((a, b) => rank(a) - rank(b))
}

/** Every food of this kitchen with its names: the household's own first, then the catalogue's. */
export function useNamedFoods() {
  const { t } = useI18n()
  const kitchen = useKitchenStore()
  return computed<NamedFood[]>(() => [
    ...(kitchen.kitchen?.foods ?? []).map((own) => ({ food: foodOf(own), name: own.name, aliases: '' })),
    ...CATALOGUE.map((food) => ({
      food,
      name: t(`catalogue.${food.id}.name`),
      aliases: t(`catalogue.${food.id}.aliases`),
    })),
  ])
}
