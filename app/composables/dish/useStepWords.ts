import { useI18n } from 'vue-i18n'
import type { Thing } from '~~/core/guide/instruction'
import { stepWords } from '~~/locales/step-words'
import type { MessageKey } from '~~/locales/bundles'

/** What is done, in this household's words, names and measures. */
export function useStepWords() {
  const { t, inSentence, weight, number, duration, list, temp, measured } = useI18nText()
  const { te } = useI18n()
  const kitchen = useKitchenStore()
  /** Small amounts in tenths: a gram of turmeric is not nothing. */
  const amount = (g: number) => (g < 3 ? t('steps.grams', { n: number(g, 1) }) : weight(g))

  function nameOf({ food, liquid, water, keptFrom, fat, what, name }: Thing): string {
    if (water) return t('steps.water')
    if (keptFrom !== undefined) return t(fat ? 'steps.fat' : 'steps.stock')
    if (liquid) return inSentence(t(`liquids.${liquid}`))
    if (name !== undefined) return inSentence(name)
    const id = food ?? what ?? ''
    // Ingredients have their names where dishes are told.
    const key = `ingredients.${id}.name`
    const called = te(key) ? t(key as MessageKey) : kitchen.foodName(id)
    return inSentence(called.replace(/\s*(\(.*\)|\d+ cm$)/, ''))
  }
  return stepWords({
    say: (key, params, plural) => t(`steps.${key}` as MessageKey, params, plural),
    weight: amount,
    number,
    duration,
    list,
    temp,
    measured: (g) => measured(g, kitchen.cup),
    nameOf,
    cookerName: (id) => kitchen.kitchen?.cookers.find((one) => one.id === id)?.name ?? t('steps.place.pot'),
    levelName: (level) => t(`levels.${level as 'high'}`),
  })
}
