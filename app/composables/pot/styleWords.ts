import type { ClosingAnswer } from '~~/core/program/answer'

type Text = ReturnType<typeof useI18nText>['t']

/** How sure the figure of a closing is, and when to look first: one sentence each, empty where there is nothing to say. */
export function surenessWords(t: Text, number: (value: number) => string, closing: ClosingAnswer) {
  const { firstCheck, range } = closing
  const { reason, figure } = firstCheck
  const of = { n: number(figure) }
  return {
    sure:
      reason === 'sure' || reason === 'half'
        ? t(`pot.answer.${reason}`)
        : reason === 'opened-anyway'
          ? t('pot.answer.openedAnyway')
          : '',
    look:
      reason === 'sure' && figure < range.figure
        ? t('pot.answer.mayBe', of)
        : reason === 'free'
          ? t('pot.answer.lookFrom', of)
          : '',
  }
}

/** How often a pot whistles: “40 s”, “2.5 min”. */
export function everyWords(t: Text, number: (value: number, digits?: number) => string, seconds: number): string {
  return seconds < 90
    ? t('pot.answer.seconds', { n: number(seconds) })
    : t('units.minuteCount', { n: number(seconds / 60, 1) })
}
