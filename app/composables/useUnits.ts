import type { COMMON_MEASURES } from '~~/core/measure/measure'

const COMMON = ['rice-cup', 'tbsp', 'tsp', 'ml'] as const satisfies readonly (keyof typeof COMMON_MEASURES)[]

/** What an amount can be measured in: weights, the household's own measures, and the common ones. */
export function useUnits() {
  const { t } = useI18nText()
  const kitchen = useKitchenStore()
  const weights = computed(() => (['g', 'kg', 'oz'] as const).map((value) => ({ value, title: t(`units.${value}`) })))
  const measures = computed(() => [
    ...(kitchen.kitchen?.measures ?? []).map(({ id, name }) => ({ value: id, title: name.toLowerCase() })),
    ...COMMON.map((value) => ({ value, title: t(`units.${value}`) })),
  ])
  /** By weight only, for what is counted in pieces. */
  const unitsFor = (byVolume: boolean) => [
    weights.value[0]!,
    ...(byVolume ? measures.value : []),
    ...weights.value.slice(1),
  ]
  return { unitsFor }
}
