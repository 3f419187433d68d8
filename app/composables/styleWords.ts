import type { Style } from '~~/core/appliance/style.schema'

type Text = ReturnType<typeof useI18nText>['t']

/** What the figure of a style is of: “On medium, count”. */
export function programLabel(t: Text, style: Style): string {
  return t(`pot.answer.program.${style.kind}`, {
    flame: 'flame' in style ? t(`pot.flames.${style.flame}`) : '',
    level: 'level' in style ? t(`levels.${style.level}`) : '',
  })
}
