import type { Food } from '~~/core/food/food.schema'
import type { COMMON_MEASURES } from '~~/core/measure/measure'
import { inUse } from '~~/shared/kitchen'
import { PIECE_UNITS, type PieceUnit } from '~~/shared/names'

const COMMON = ['rice-cup', 'tbsp', 'tsp', 'ml'] as const satisfies readonly (keyof typeof COMMON_MEASURES)[]

/** Things of the kitchen as the choices of a list. */
export const byName = (rows: readonly { id: string; name: string }[]) =>
  rows.map(({ id, name }) => ({ value: id, title: name }))

/** What an amount can be measured in: weights, the household's own measures, and the common ones. */
export function useUnits() {
  const { t, inSentence } = useI18nText()
  const kitchen = useKitchenStore()
  const weights = computed(() => (['g', 'kg', 'oz'] as const).map((value) => ({ value, title: t(`units.${value}`) })))
  const measures = computed(() => [
    ...inUse(kitchen.kitchen?.measures ?? []).map(({ id, name }) => ({
      value: id as string,
      title: inSentence(name),
    })),
    ...COMMON.map((value) => ({ value, title: t(`units.${value}`) })),
  ])
  const pieces = computed(() =>
    (Object.keys(PIECE_UNITS) as PieceUnit[]).map((value) => ({ value, title: t(`units.${value}`) })),
  )
  /** By number and size for what is counted, by volume for what can be poured, by weight for all; and what is in use. */
  function unitsFor({ cupG, pieceG }: Pick<Food, 'cupG' | 'pieceG'>, used = '') {
    const units = [
      ...(pieceG ? pieces.value : []),
      weights.value[0]!,
      ...(cupG === null ? [] : measures.value),
      ...weights.value.slice(1),
    ]
    const away = kitchen.kitchen?.measures.find(({ id }) => id === used && !units.some(({ value }) => value === id))
    if (away) return [...units, { value: away.id, title: t('units.away', { name: inSentence(away.name) }) }]
    const isKnown = used === '' || units.some(({ value }) => value === used)
    return isKnown ? units : [...units, { value: used, title: t('units.gone') }]
  }
  return { unitsFor }
}
