import { numericQuantity } from 'numeric-quantity'

/** How a household writes decimals; the other sign stands between thousands. */
export type DecimalSign = 'point' | 'comma'
const SIGN_OF: Record<DecimalSign, string> = { point: '.', comma: ',' }

/** A number, or two between which it lies, at the beginning of a text. */
export interface ReadNumber {
  low: number
  high: number
  /** Characters that it takes. */
  length: number
  /** It stands for no figure in particular: “a few”. */
  isGuess: boolean
}

const GLYPH = '[½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅐⅛⅜⅝⅞]'
const OVER = '\\d+\\s?[/⁄]\\s?\\d+'
const SPACE = '[ \\u00a0\\u2009\\u202f]'
/** Groups of three with spaces between them, or figures with signs in them. */
const FIGURES = `\\d{1,3}(?:${SPACE}\\d{3})+(?![\\d/⁄])|\\d+(?:[.,]\\d+)*|[.,]\\d+`
const MIXED = new RegExp(
  `^(?:(\\d+)(?:\\s*-\\s*|\\s+(?:and|&)\\s+|\\s+)(${OVER})|(\\d+)\\s*(?:-|and\\s+|&\\s*)?(${GLYPH})|(${OVER})|(${GLYPH})|(${FIGURES}))`,
  'iu',
)

const WORDS: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  fifteen: 15,
  sixteen: 16,
  eighteen: 18,
  twenty: 20,
  thirty: 30,
  forty: 40,
  'forty-five': 45,
  fifty: 50,
  sixty: 60,
  ninety: 90,
  ein: 1,
  eine: 1,
  einer: 1,
  einen: 1,
  zwei: 2,
  drei: 3,
  vier: 4,
  fünf: 5,
  sechs: 6,
  un: 1,
  una: 1,
  dos: 2,
  tres: 3,
  cuatro: 4,
  cinco: 5,
  seis: 6,
  एक: 1,
  दो: 2,
  तीन: 3,
  चार: 4,
  पाँच: 5,
  छह: 6,
  डेढ़: 1.5,
  ढाई: 2.5,
  सवा: 1.25,
  पौन: 0.75,
  आधा: 0.5,
  आधी: 0.5,
  आधे: 0.5,
  medio: 0.5,
  media: 0.5,
}
const SHARES: Readonly<Record<string, number>> = {
  half: 1 / 2,
  third: 1 / 3,
  quarter: 1 / 4,
  fourth: 1 / 4,
  eighth: 1 / 8,
}
const WORD = `(?:${Object.keys(WORDS)
  .sort((a, b) => b.length - a.length)
  .join('|')})`
const SHARE = '(half|third|quarter|fourth|eighth)s?'
/** “One and a half”, “1 and a half”. */
const AND_SHARE = new RegExp(`^(${WORD}|\\d+)\\s+and\\s+an?\\s+${SHARE}\\b`, 'i')
const DOZEN = 12
/** So many are “a few” (general kitchen practice). */
const FEW = 3

/** Word numbers, the longest first. */
const SAID: readonly [RegExp, (found: RegExpExecArray) => { value: number; isGuess?: true }][] = [
  [/^(?:eine?[nrs]?\s+)?halbe[nrs]?(?!\p{L})/iu, () => ({ value: 1 / 2 })],
  [/^half\s+(?:a\s+)?dozen\b/i, () => ({ value: DOZEN / 2 })],
  [/^(?:a\s+couple(?:\s+of)?|couple\s+of)\b/i, () => ({ value: 2 })],
  [/^(?:an?\s+few|few|several)\b/i, () => ({ value: FEW, isGuess: true })],
  [new RegExp(`^(${WORD})\\s+dozen\\b`, 'i'), ([, n]) => ({ value: valueOf(n) * DOZEN })],
  [/^(?:an?\s+)?dozen\b/i, () => ({ value: DOZEN })],
  [AND_SHARE, ([, n, share]) => ({ value: valueOf(n) + shareOf(share) })],
  [
    new RegExp(`^(two|three)[\\s-]+${SHARE}\\b(?:\\s+of(?:\\s+an?)?\\b)?`, 'i'),
    ([, n, share]) => ({ value: valueOf(n) * shareOf(share) }),
  ],
  [
    new RegExp(`^(?:an?\\s+|one[\\s-]+)?${SHARE}\\b(?:\\s+(?:an?|of(?:\\s+an?)?)\\b)?`, 'i'),
    ([, share]) => ({ value: shareOf(share) }),
  ],
  [new RegExp(`^(${WORD})(?![\\p{L}\\p{M}\\d_-])`, 'iu'), ([, n]) => ({ value: valueOf(n) })],
]
const shareOf = (name = '') => SHARES[name.toLowerCase()] ?? NaN
const valueOf = (word = '') => WORDS[word.toLowerCase()] ?? Number(word)

/** Between two figures of one amount; “to” and “or” only before another number. */
const TO = /^\s*(?:-|–|—|to\b|or\b|bis\b|a\b(?=\s*\d)|à\b)\s*/i
const BETWEEN = /^between\s+/i
const AND = /^\s*and\s+/i

/**
 * The number with which a text begins: 2, 1.5, 1,5, 1,000, 1 500, 3/4, 1 1/2, 1-1/2, 1½, “two”, “half a dozen”, “2 to
 * 3”, “½–¾”. A sign before three figures follows the household, but after a nought; before any other number of figures it
 * is a decimal sign. Null where the text begins with none.
 */
export function numberAt(text: string, decimal: DecimalSign = 'point'): ReadNumber | null {
  const between = BETWEEN.exec(text)?.[0].length ?? 0
  const first = oneAt(text.slice(between), decimal)
  if (!first) return null
  const from = between + first.length
  const to = (between > 0 ? AND : TO).exec(text.slice(from))
  const second = to && oneAt(text.slice(from + to[0].length), decimal)
  // “1 to a pan” is no range, and neither is “4 - 2”.
  if (!second || second.value <= first.value || (second.isWord && !first.isWord))
    return { low: first.value, high: first.value, length: from, isGuess: first.isGuess }
  const length = from + to[0].length + second.length
  return { low: first.value, high: second.value, length, isGuess: first.isGuess || second.isGuess }
}

interface One {
  value: number
  length: number
  isWord: boolean
  isGuess: boolean
}

function oneAt(text: string, decimal: DecimalSign): One | null {
  const found = MIXED.exec(text)
  if (!found) {
    for (const [pattern, value] of SAID) {
      const said = pattern.exec(text)
      if (said) return { isGuess: false, ...value(said), length: said[0].length, isWord: true }
    }
    return null
  }
  const andShare = AND_SHARE.exec(text)
  if (andShare) {
    const value = valueOf(andShare[1]) + shareOf(andShare[2])
    return { value, length: andShare[0].length, isWord: false, isGuess: false }
  }
  const [all, whole, over, wholeOfGlyph, glyphAfter, overAlone, glyph, figures] = found
  const value =
    figures === undefined
      ? fraction(over ?? overAlone ?? glyphAfter ?? glyph!) + Number(whole ?? wholeOfGlyph ?? 0)
      : decimalOf(figures, decimal)
  if (!Number.isFinite(value)) return null
  const dozen = /^\s+dozen\b/i.exec(text.slice(all.length))
  const times = dozen ? DOZEN : 1
  return { value: value * times, length: all.length + (dozen?.[0].length ?? 0), isWord: false, isGuess: false }
}

const fraction = (text: string) => numericQuantity(text.replace(/\s/g, ''), { round: false })

function decimalOf(figures: string, decimal: DecimalSign): number {
  const text = figures.replace(/\s/g, '')
  const signs = [...text].filter((sign) => sign === '.' || sign === ',')
  if (signs.length === 0) return Number(text)
  const last = signs.at(-1)!
  const after = text.length - text.lastIndexOf(last) - 1
  const thousandsOnly = signs.every((sign) => sign === last)
  const groups = /^[1-9]\d{0,2}([.,]\d{3})+$/.test(text)
  const isDecimal = !thousandsOnly
    ? signs.filter((sign) => sign === last).length === 1
    : signs.length === 1 && !(groups && last !== SIGN_OF[decimal])
  if (signs.length > 1 && thousandsOnly && !groups) return NaN
  if (!isDecimal && after !== 3) return NaN
  const plain = isDecimal
    ? `${text.slice(0, text.lastIndexOf(last)).replace(/[.,]/g, '')}.${text.slice(-after)}`
    : text.replace(/[.,]/g, '')
  return numericQuantity(plain, { round: false })
}

/**
 * Reads a field that holds a number and nothing else; one below nought too. NaN for anything else.
 * @example readAmount('1½') // 1.5
 */
export function readAmount(text: string | number, decimal: DecimalSign = 'point'): number {
  if (typeof text === 'number') return text
  const trimmed = String(text ?? '').trim()
  const sign = /^[-−]/.test(trimmed) ? -1 : 1
  const plain = sign < 0 ? trimmed.slice(1) : trimmed
  const found = oneAt(plain, decimal)
  return found && !found.isGuess && found.length === plain.length ? sign * found.value : NaN
}

/** A number as a household types it, to so many decimals at most; an empty text for what is none. */
export function typedAmount(value: number, decimal: DecimalSign = 'point', digits = 3): string {
  if (!Number.isFinite(value)) return ''
  return String(Number(value.toFixed(digits))).replace('.', SIGN_OF[decimal])
}

/**
 * Minutes as a clock tells them, or as a number; NaN for anything else.
 * @example readMinutes('7:06') // 7.1
 */
export function readMinutes(text: string, decimal: DecimalSign = 'point'): number {
  const [, minutes, seconds] = /^\s*(\d+):([0-5]\d)\s*$/.exec(text) ?? []
  return minutes === undefined ? readAmount(text, decimal) : Number(minutes) + Number(seconds) / 60
}

/** Minutes as a clock tells them; an empty text for what is none. */
export function minutesText(minutes: number): string {
  if (!Number.isFinite(minutes)) return ''
  const seconds = Math.round(minutes * 60)
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
}
