import type { RunWithPlan } from '~~/shared/household'

type Verdict = RunWithPlan['verdicts'][number]

type Step = '-2' | '-1' | '0' | '1' | '2'
const step = (value: number) => String(value) as Step

/** What was said of a food in words: how soft it came out, and of the water where that was not right. */
export function useVerdictWords() {
  const { t, inSentence } = useI18nText()
  return ({ texture, water }: Pick<Verdict, 'texture' | 'water'>): string => {
    const words = [t(`verdict.textures.${step(texture)}`)]
    if (water !== 0) words.push(`${inSentence(t('verdict.water'))} ${t(`verdict.waters.${step(water)}`)}`)
    return words.join(', ')
  }
}
