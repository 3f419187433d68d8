import type { Caution } from '~~/core/safety/rules'

/** A caution in the reader's language: its one sentence, and why. */
export function useCautionText() {
  const { t, named } = useI18nText()
  return ({ id, params }: Pick<Caution, 'id' | 'params'>) => ({
    sentence: t(`cautions.${id}.sentence`, named(params)),
    why: t(`cautions.${id}.why`, named(params)),
  })
}
