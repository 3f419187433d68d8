import { useI18n } from 'vue-i18n'
import type { PourPart } from '~~/core/measure/pourable'
import type { Problem } from '~~/core/problem'
import type { Caution } from '~~/core/safety/rules'
import type { HouseholdMeasure } from '~~/shared/kitchen'
import type { MessageKey } from '~~/locales/rooms'

/** Messages and the household's way of writing figures. */
export function useI18nText() {
  const { t: translate, te, locale } = useI18n()
  type Params = Readonly<Record<string, unknown>>

  /** A message by its name; `plural` chooses between its forms. */
  const t = (key: MessageKey, params: Params = {}, plural?: number): string =>
    plural === undefined ? translate(key, params) : translate(key, params, plural)

  const number = (value: number, digits = 0) =>
    new Intl.NumberFormat(locale.value, { minimumFractionDigits: digits, maximumFractionDigits: digits }).format(value)

  const clock = (ms: number) =>
    new Intl.DateTimeFormat(locale.value, { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }).format(ms)

  const day = (ms: number) =>
    new Intl.DateTimeFormat(locale.value, { weekday: 'short', day: 'numeric', month: 'short' }).format(ms)

  /** “beans, rice and carrots”. */
  const list = (parts: readonly string[]) => new Intl.ListFormat(locale.value, { type: 'conjunction' }).format(parts)

  /** 34 min, 2 h, or 1 h 05. */
  const duration = (minutes: number) => {
    const whole = Math.round(minutes)
    if (whole < 60) return t('units.minuteCount', { n: whole })
    if (whole % 60 === 0) return t('units.hourCount', { n: whole / 60 })
    return t('units.hourMinute', { h: Math.floor(whole / 60), m: String(whole % 60).padStart(2, '0') })
  }

  /** So many of a measure, as a cook would say it. */
  const partText = ({ measure, whole, fraction }: PourPart, cup: HouseholdMeasure) => {
    const glyph = fraction ? (VULGAR[fraction.join('/')] ?? fraction.join('/')) : ''
    const count = `${whole === 0 ? '' : whole}${glyph}`
    if (measure !== cup.id) return `${count} ${t(`units.${measure as 'tbsp'}`)}`
    const many = whole + (fraction ? 0.5 : 0) > 1
    return t('units.ownMeasure', { count, name: cup.name.toLowerCase() }, many ? 2 : 1)
  }

  const kitchen = useKitchenStore()
  /** Figures of a problem or a caution with its food by name. */
  const named = (params: Params = {}): Params =>
    typeof params.food === 'string' ? { ...params, food: kitchen.foodName(params.food) } : params

  /** A problem in the reader's language, by its code where it has one. */
  const problemText = (problem: { code?: string; params?: Problem['params']; message?: string }) =>
    problem.code && te(`problems.${problem.code}`)
      ? translate(`problems.${problem.code}`, named(problem.params))
      : (problem.message ?? problem.code ?? '')

  const cautionText = ({ id, params }: Pick<Caution, 'id' | 'params'>) => ({
    sentence: t(`cautions.${id}.sentence`, named(params)),
    why: t(`cautions.${id}.why`, named(params)),
  })

  /** Why something that was said of a run cannot be. */
  const refusalText = (code: string) =>
    te(`runs.${code}`) ? translate(`runs.${code}`) : te(`problems.${code}`) ? translate(`problems.${code}`) : code

  return { t, number, clock, day, list, duration, partText, problemText, cautionText, refusalText }
}

const VULGAR: Record<string, string> = { '1/4': '¼', '1/3': '⅓', '1/2': '½', '2/3': '⅔', '3/4': '¾' }
