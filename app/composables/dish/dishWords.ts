import type { DishLine, Stage, WrittenFigure } from '~~/core/dish/dish.schema'
import type { StageAnswer } from '~~/core/dish/dish'
import { STAGES } from '~~/core/dish/stages'
import { findIngredient } from '~~/core/ingredient/ingredients'
import type { MessageKey } from '~~/locales/bundles'

/** The words in which a dish is told: what its lines are, what its stages take. */
export function useDishWords() {
  const { t, inSentence, weight, number, duration, measured } = useI18nText()
  const kitchen = useKitchenStore()

  /** What something is called by its id: a food, an ingredient, or one of the household's own. */
  function thing(id: string): string {
    return findIngredient(id) ? t(`ingredients.${id}.name` as MessageKey) : kitchen.foodName(id)
  }
  /** What a line is, shortly; as it was typed where nobody has said. */
  const lineName = ({ what, typed, own }: Pick<DishLine, 'what' | 'typed' | 'own'>) =>
    what === null
      ? own?.name === undefined
        ? typed
        : inSentence(own.name)
      : inSentence(thing(what).replace(/\s*(\(.*\)|\d+ cm$)/, ''))

  /** “white beans 300 g · water 1.2 L · salt 12 g”. */
  function takesText(stage: Stage, takes: readonly { line: string; g: number | null }[], lines: readonly DishLine[]) {
    const parts = takes.map(({ line: id, g }) => {
      const line = lines.find((one) => one.id === id)
      const name = line ? lineName(line) : id
      return g === null ? name : t('dishes.of', { name, g: amount(g) })
    })
    if (stage.waterG !== undefined && stage.waterG > 0)
      parts.push(t('dishes.of', { name: t('dishes.water'), g: amount(stage.waterG) }))
    return parts
  }
  /** Small amounts in tenths: a gram of turmeric is not nothing. */
  const amount = (g: number) => (g < 3 ? t('dishes.grams', { n: number(g, 1) }) : weight(g))

  /** The great figure of a stage: its whistles, or how long it takes; in the colour of what it is. */
  function stageFigure({ kind, minutes = 0 }: Stage, answer: StageAnswer | null) {
    const range = answer?.pot?.answer.closings[0]!.range
    // What is counted or set, and not how long it all takes.
    if (range)
      return {
        n: number(range.figure),
        unit: t(range.unit === 'whistles' ? 'units.whistles' : 'units.min', {}, range.figure),
        tone: 'tone-heat',
      }
    const [n = '', ...unit] = duration(answer?.minutes ?? minutes).split(' ')
    return { n, unit: unit.join(' '), tone: STAGES[kind].tone === 'food' ? '' : `tone-${STAGES[kind].tone}` }
  }
  const told = (g: number) => `${weight(g)}, ${measured(g, kitchen.cup)}`
  /** The water that goes into the tins of a pot stage, each with its food. */
  const tinTexts = (answer: StageAnswer | null) =>
    (answer?.pot?.answer.foods ?? []).flatMap(({ food, tinWaterG }) =>
      tinWaterG ? [t('dishes.inTin', { food: inSentence(thing(food)), g: told(tinWaterG) })] : [],
    )
  const waterText = (g: number) => t('dishes.of', { name: t('dishes.water'), g: told(g) })
  /** The water of a pot stage, by weight and in the household's measures; null where none is poured. */
  function pourText(answer: StageAnswer | null): string | null {
    const pourG = answer?.pot?.answer.closings[0]!.water.pourG ?? 0
    if (pourG <= 0) return null
    return waterText(pourG)
  }
  /** “12 min at high pressure, natural release”: what a recipe says of its own pot. */
  function writtenFigure({ kind, figure, release }: WrittenFigure): string {
    const told = t(`dishes.written.${kind}`, { n: number(figure) })
    return release ? `${told}, ${t(`dishes.written.${release}`)}` : told
  }
  return { thing, lineName, takesText, writtenFigure, amount, stageFigure, pourText, waterText, tinTexts }
}
