import type { DishAnswer } from '~~/core/dish/dish'
import type { Instruction } from '~~/core/guide/instruction'
import { dishOf, type DishDocument } from '~~/shared/dish'

/** So long a browser may take to fetch what it is given. */
const FETCHED_MS = 60_000

/** Gives a dish out as a file that other programs read too: with its steps in words, as worked out for this kitchen. */
export function useSendDish() {
  const { t, list, number } = useI18nText()
  const { language } = useLanguage()
  const words = useStepWords()
  const kitchen = useKitchen()

  return async (dish: DishDocument, answer: DishAnswer | null, stepsOf: (stageId: string) => Instruction[]) => {
    const { recipeOfDish } = await import('~~/core/formats/write-recipe')
    const used = kitchen.value.cookers.filter(({ id }) => dish.stages.some(({ pot }) => pot?.cookerId === id))
    const cookers = used.map(({ name, cooker }) =>
      t(`steps.cookers.${cooker.appliance.kind}`, { name, litres: number(cooker.body.capacityL) }),
    )
    const recipe = recipeOfDish(dishOf(dish), answer, {
      steps: dish.stages.map((stage) => ({
        name: t(`dishes.kinds.${stage.kind}`),
        sentences: stepsOf(stage.id).map(words.sentence),
      })),
      workedOutFor: t('steps.workedOutFor', {
        name: dish.name,
        cookers: list(cookers),
        altitude: number(kitchen.value.altitudeM),
      }),
      cookers,
      author: kitchen.value.name,
      language: language.value,
    })
    const link = document.createElement('a')
    link.href = URL.createObjectURL(new Blob([JSON.stringify(recipe, null, 2)], { type: 'application/ld+json' }))
    link.download = `${dish.name.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '-')}.recipe.json`
    link.click()
    setTimeout(() => URL.revokeObjectURL(link.href), FETCHED_MS)
  }
}
