import { useI18n } from 'vue-i18n'
import { readAmount } from '~~/core/quantity/number'
import { pourable, UNMENTIONED_ERROR, type PourPart } from '~~/core/measure/pourable'
import { inUnit, QUANTITIES, type Quantity, type UnitOf } from '~~/core/quantity/unit'
import type { Problem } from '~~/core/problem'
import { USUAL_LIKES, type HouseholdMeasure } from '~~/shared/kitchen'
import type { MessageKey } from '~~/locales/bundles'
import { LANGUAGES, type Locale } from '~~/locales/languages'

/** Messages and the household's way of writing figures. */
export function useI18nText() {
  const { t: translate, te, locale: shown } = useI18n()
  /** How days and lists are written in the language that is shown. */
  const locale = computed(() => LANGUAGES[shown.value as Locale].tag)
  type Params = Readonly<Record<string, unknown>>

  /** A message by its name; `plural` chooses between its forms. */
  const t = (key: MessageKey, params: Params = {}, plural?: number): string =>
    plural === undefined ? translate(key, params) : translate(key, params, plural)

  const kitchen = useKitchenStore()
  /** How this household likes its figures told. */
  const likes = computed(() => kitchen.kitchen?.likes ?? USUAL_LIKES)

  const number = (value: number, digits = 0) => numberFormat(WRITES[likes.value.decimal], digits).format(value)

  /** A name where it does not begin a sentence. */
  const inSentence = (name: string) => LANGUAGES[shown.value as Locale].inSentence(name)

  const clock = (ms: number) => dateFormat(locale.value, likes.value.hours === '12' ? CLOCK_12 : CLOCK_24).format(ms)

  /** The unit in which a quantity is told and typed. */
  function unitFor<Q extends Quantity>(quantity: Q): UnitOf<Q> {
    const { temperature, weight, pressure, length } = likes.value
    const liked: Partial<Record<Quantity, string | undefined>> = { temperature, weight, pressure, length }
    return (liked[quantity] ?? Object.keys(QUANTITIES[quantity])[0]) as UnitOf<Q>
  }
  const unitName = (unit: string) =>
    unit === 'C' || unit === 'F' ? `°${unit}` : te(`units.${unit}`) ? translate(`units.${unit}`) : unit
  /** A figure in the unit that is liked, and that unit. */
  function partsOf<Q extends Quantity>(value: number, quantity: Q, digits?: number) {
    const unit = unitFor(quantity)
    return {
      figure: number(inUnit(value, quantity, unit), digits ?? DIGITS[unit as string] ?? 0),
      unit: unitName(unit as string),
    }
  }
  function told<Q extends Quantity>(value: number, quantity: Q, digits?: number): string {
    const { figure, unit } = partsOf(value, quantity, digits)
    return `${figure} ${unit}`
  }
  const weight = (g: number) => told(g, 'weight')
  const temp = (celsius: number, digits?: number) => told(celsius, 'temperature', digits)
  const pressure = (pa: number) => told(pa, 'pressure')
  const length = (mm: number) => told(mm, 'length')

  const day = (ms: number) => dateFormat(locale.value, DAY).format(ms)
  /** A calendar day that is kept as 2026-03-07; the same in every time zone. */
  const dayOf = (date: string) => dateFormat(locale.value, DAY_KEPT).format(Date.parse(date))

  /** A day without its weekday. */
  const date = (ms: number) => dateFormat(locale.value, DATE).format(ms)
  const month = (ms: number) => dateFormat(locale.value, MONTH).format(ms)

  const weekday = (ms: number) => dateFormat(locale.value, WEEKDAY).format(ms)

  /** “beans, rice and carrots”. */
  const list = (parts: readonly string[]) => listFormat(locale.value).format(parts)

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
    return t('units.ownMeasure', { count, name: inSentence(cup.name) }, many ? 2 : 1)
  }
  /** So much water as it is measured: in cups and spoons, or on the jug's scale. */
  function measured(g: number, cup: HouseholdMeasure): string {
    if (likes.value.volume === 'ml') return t('units.millilitres', { n: number(g) })
    const { parts, errorShare } = pourable(g, cup)
    const text = parts.map((part) => partText(part, cup)).join(' + ')
    return Math.abs(errorShare) > UNMENTIONED_ERROR ? t('units.approx', { text }) : text
  }

  /** An amount that was typed, as it was understood: 1,000 and not 1000. */
  const typed = (text: string) => {
    const value = readAmount(text, likes.value.decimal)
    return Number.isInteger(value) ? number(value) : text.trim()
  }

  /** Figures of a problem or a caution: its food by name, its weights and temperatures in the units that are liked. */
  const named = (params: Params = {}): Params => ({
    ...params,
    ...(typeof params.food === 'string' ? { food: kitchen.foodName(params.food) } : {}),
    ...Object.fromEntries(
      IN_CELSIUS.flatMap((name) => (params[name] === undefined ? [] : [[name, temp(Number(params[name]))]])),
    ),
    ...(params.by === undefined ? {} : { by: length(Number(params.by)) }),
    ...Object.fromEntries(
      IN_GRAMS.flatMap((name) => (params[name] === undefined ? [] : [[name, weight(Number(params[name]))]])),
    ),
  })

  /** A problem in the reader's language, by its code where it has one. */
  const problemText = (problem: { code?: string; params?: Problem['params']; message?: string }) =>
    problem.code && te(`problems.${problem.code}`)
      ? translate(`problems.${problem.code}`, named(problem.params))
      : (problem.message ?? problem.code ?? '')

  /** Why something that was said of a run cannot be. */
  const refusalText = (code: string) =>
    te(`runs.${code}`) ? translate(`runs.${code}`) : te(`problems.${code}`) ? translate(`problems.${code}`) : code

  return {
    t,
    inSentence,
    likes,
    number,
    clock,
    day,
    dayOf,
    date,
    month,
    weekday,
    list,
    duration,
    unitFor,
    unitName,
    partsOf,
    told,
    weight,
    temp,
    pressure,
    length,
    partText,
    measured,
    typed,
    problemText,
    named,
    refusalText,
  }
}

/** Locales that write decimals so: the sign is the household's, whatever language is shown. */
const WRITES = { point: 'en', comma: 'de' } as const
/** Decimals that a cook reads in each unit; none elsewhere. */
const DIGITS: Readonly<Record<string, number>> = { oz: 1, bar: 2, psi: 1, in: 1 }
/** Parameters of problems and cautions that are weights in g. */
const IN_GRAMS = ['grams', 'minimum', 'g', 'left', 'water'] as const
/** And those that are temperatures in °C. */
const IN_CELSIUS = ['temp', 'least'] as const

const formats = new Map<string, Intl.NumberFormat>()
/** Making a format costs far more than using it. */
function numberFormat(locale: string, digits: number): Intl.NumberFormat {
  const key = `${locale} ${digits}`
  const format =
    formats.get(key) ?? new Intl.NumberFormat(locale, { minimumFractionDigits: digits, maximumFractionDigits: digits })
  formats.set(key, format)
  return format
}

const CLOCK_12: Intl.DateTimeFormatOptions = { hour: 'numeric', minute: '2-digit', hourCycle: 'h12' }
const CLOCK_24: Intl.DateTimeFormatOptions = { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }
const DAY: Intl.DateTimeFormatOptions = { weekday: 'short', day: 'numeric', month: 'short' }
const DAY_KEPT: Intl.DateTimeFormatOptions = { ...DAY, timeZone: 'UTC' }
const DATE: Intl.DateTimeFormatOptions = { day: 'numeric', month: 'short' }
const MONTH: Intl.DateTimeFormatOptions = { month: 'long', year: 'numeric' }
const WEEKDAY: Intl.DateTimeFormatOptions = { weekday: 'short' }

const listFormats = new Map<string, Intl.ListFormat>()
function listFormat(locale: string): Intl.ListFormat {
  const made = listFormats.get(locale) ?? new Intl.ListFormat(locale, { type: 'conjunction' })
  listFormats.set(locale, made)
  return made
}

const dateFormats = new Map<Intl.DateTimeFormatOptions, { locale: string; format: Intl.DateTimeFormat }>()
/** The formats of one locale, and of the time zone in which it was first asked. */
function dateFormat(locale: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const known = dateFormats.get(options)
  if (known?.locale === locale) return known.format
  const format = new Intl.DateTimeFormat(locale, options)
  dateFormats.set(options, { locale, format })
  return format
}

const VULGAR: Record<string, string> = { '1/4': '¼', '1/3': '⅓', '1/2': '½', '2/3': '⅔', '3/4': '¾' }
