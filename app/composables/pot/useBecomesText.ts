import type { PlanAnswer } from '~~/core/program/answer'

/** How each food comes out and how wet it all is, in one line. */
export function useBecomesText() {
  const { t } = useI18nText()
  const kitchen = useKitchenStore()
  return ({ becomes, foods }: Pick<PlanAnswer, 'becomes' | 'foods'>) => {
    const wet = becomes ? [t('pot.try.becomes', { fate: t(`pot.fates.${becomes}`) })] : []
    const states = foods.map((food) =>
      t('pot.try.state', { food: kitchen.foodName(food.food), state: t(`window.states.${food.doneness}`) }),
    )
    return [...states, ...wet].join('; ')
  }
}
