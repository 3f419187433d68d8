import type { ClosingAnswer } from '~~/core/program/answer'
import type { Style } from '~~/core/appliance/style.schema'

type Text = ReturnType<typeof useI18nText>['t']

/** What the figure of a style is of: “High to the first whistle, then medium. Count”. */
export function programLabel(t: Text, style: Style): string {
  const isTurned = style.kind === 'whistles' && style.heatUp !== undefined && style.heatUp !== style.flame
  return t(`pot.answer.program.${isTurned ? 'whistles-turned' : style.kind}`, {
    heatUp: isTurned ? t(`pot.flames.${style.heatUp!}`) : '',
    flame: 'flame' in style && style.flame ? t(`pot.flames.${style.flame}`) : '',
    level: 'level' in style ? t(`levels.${style.level}`) : '',
  })
}

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
