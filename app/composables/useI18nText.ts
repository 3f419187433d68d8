import { useI18n } from 'vue-i18n'
import type { Problem } from '~~/core/problem'
import type { PourPart } from '~~/core/measure/pourable'
import type { HouseholdMeasure } from '~~/shared/kitchen'

/** Messages and the household's way of writing figures. */
export function useI18nText() {
  const { t, te, locale } = useI18n()

  const number = (value: number, digits = 0) =>
    new Intl.NumberFormat(locale.value, { minimumFractionDigits: digits, maximumFractionDigits: digits }).format(value)

  const clock = (ms: number) =>
    new Intl.DateTimeFormat(locale.value, { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }).format(ms)

  const day = (ms: number) =>
    new Intl.DateTimeFormat(locale.value, { weekday: 'short', day: 'numeric', month: 'short' }).format(ms)

  /** 34 min, 2 h, or 1 h 05. */
  const duration = (minutes: number) => {
    const whole = Math.round(minutes)
    if (whole < 60) return t('units.minuteCount', { n: whole })
    if (whole % 60 === 0) return t('units.hourCount', { n: whole / 60 })
    return t('units.hourMinute', { h: Math.floor(whole / 60), m: String(whole % 60).padStart(2, '0') })
  }

  const partText = ({ measure, whole, fraction }: PourPart, cup: HouseholdMeasure) => {
    const glyph = fraction ? (VULGAR[fraction.join('/')] ?? fraction.join('/')) : ''
    const count = `${whole === 0 ? '' : whole}${glyph}`
    const name = measure === cup.id ? cup.name.toLowerCase() : t(`units.${measure}`)
    const plural = whole + (fraction ? 0.5 : 0) > 1 && measure === cup.id ? `${name}s` : name
    return `${count} ${plural}`
  }

  /** A problem in the reader's language, by its code where it has one. */
  const problemText = (problem: Pick<Problem, 'message'> & { code?: string; params?: Problem['params'] }) =>
    problem.code && te(`problems.${problem.code}`)
      ? t(`problems.${problem.code}`, problem.params ?? {})
      : problem.message

  return { t, te, number, clock, day, duration, partText, problemText }
}

const VULGAR: Record<string, string> = { '1/4': '¼', '1/3': '⅓', '1/2': '½', '2/3': '⅔', '3/4': '¾' }
