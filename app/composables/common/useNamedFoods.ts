import { useI18n } from 'vue-i18n'
import { CATALOGUE } from '~~/core/food/catalogue'
import type { Food } from '~~/core/food/food.schema'
import { foodOf } from '~~/shared/kitchen'

/** A food with what it is called. */
export interface NamedFood {
  food: Food
  name: string
  aliases: string
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
