import { numberAt, type DecimalSign, type ReadNumber } from './number'
import { unitAt, type OwnMeasure, type Unit } from './units'
import type { PieceSize } from '../names'

/** How a household writes and measures. */
export interface QuantityStyle {
  decimal?: DecimalSign
  measures?: readonly OwnMeasure[]
  /** The thing itself was named before: a part behind the number is its unit. */
  isAlone?: boolean
}

/** One amount: a number, or two between which it lies, and what it counts. */
export interface Amount {
  low: number
  high: number
  /** Null where pieces are counted. */
  unit: Unit | null
  size: PieceSize | null
  /** What one of them weighs or holds, where that is said: “2 x 400 g tins”. */
  each: { unit: Unit; count: number } | null
  /** It stands for no figure in particular. */
  isGuess: boolean
}

export interface ReadQuantity {
  /** What is to be added up; none where no amount stands there. */
  amounts: Amount[]
  /** The same in weight or volume, as the text itself says: “1½ cups (300 g)”. */
  stated: Amount | null
  /** All other words, in their order. */
  words: string
}

/** Words before an amount, or between a number and its unit, that change nothing that can be measured. */
const SOFT =
  /^(?:(?:about|approximately|approx\.?|around|roughly|circa|ca\.?|nearly|almost|up to|at least|say|scant|heaped|heaping|rounded|level|generous|good|full|packed|firmly packed|lightly packed|small|large|big|medium)\s+|~\s*|≈\s*)/i
const SIZES: readonly [RegExp, PieceSize][] = [
  [/^(?:small|little|baby|sm\.?)(?:[\s-]+sized?)?(?:\s+|$)/i, 'small'],
  [/^(?:medium|med\.?|average)(?:[\s-]+(?:sized?|large|small))?(?:\s+|$)/i, 'medium'],
  [/^(?:extra[\s-]+large|very large|large|big|lg\.?)(?:[\s-]+sized?)?(?:\s+|$)/i, 'large'],
]
const LONG =
  /^\s*\(\s*([\d½¼¾.,/\s]+?)[\s-]*(inch|inches|in|cm|")(?:es)?\s*\)\s*(?:piece|knob|stick|slice|length)?s?\b/i
const THOUSANDTHS = /^[1-9]\d{0,2}[.,]\d{3}(?![\d.,])/
const TIMES = /^\s*(?:x|×|\*)\s*(?=[\d½¼¾])/i
const CONTAINER_AHEAD =
  /^\s*-?\s*\)?\s*(?:\w+\s+){0,2}?(?:can|tin|jar|pack|packet|package|bag|box|block|carton|pouch|tub|bottle|sachet)s?\b/i

/**
 * Reads the amount with which a text begins, and what stands after it: “2½ cups”, “2-3 large”, “1 (400 g) tin”, “2 x
 * 400 g cans”, “1 cup plus 2 tbsp”, “1 cup less 2 tbsp”, “1½ cups (300 g)”, “250 g / 9 oz”. Where none stands there, all of it are words.
 */
export function readQuantity(text: string, style: QuantityStyle = {}): ReadQuantity {
  const first = amountAt(text, style)
  if (!first) return { amounts: [], stated: null, words: text.trim() }
  const amounts = [first.amount]
  let stated: Amount | null = null
  let rest = text.slice(first.length)
  for (;;) {
    const more = /^\s*(?:plus|\+|and|&)\s+(?=[\d½¼¾⅓⅔]|an?\s|one\s|two\s|half\s)/i.exec(rest)
    const added = more && amountAt(rest.slice(more[0].length), style)
    // “1 onion and 2 carrots” adds nothing up.
    if (added && added.amount.unit && added.amount.unit.kind !== 'part' && first.amount.unit) {
      amounts.push(added.amount)
      rest = rest.slice(more[0].length + added.length)
      continue
    }
    // “A cup and a half of rice”.
    const [part = '', share] = /^\s*and\s+a\s+(half|quarter)\b/i.exec(rest) ?? []
    if (share && first.amount.unit) {
      const count = /half/i.test(share) ? 0.5 : 0.25
      amounts.push({ ...first.amount, low: count, high: count })
      rest = rest.slice(part.length)
      continue
    }
    // “1 cup less 2 tbsp”.
    const less = /^\s*(?:less|minus)\s+(?=[\d½¼¾⅓⅔]|an?\s|one\s|two\s)/i.exec(rest)
    const taken = less && amountAt(rest.slice(less[0].length), style)
    if (taken?.amount.unit && first.amount.unit) {
      const { amount, length } = taken
      amounts.push({ ...amount, low: -amount.high, high: -amount.low })
      rest = rest.slice(less![0].length + length)
      continue
    }
    // “1 kg 200 g”, “2 lb 3 oz”: one amount in two units.
    const smaller = /^\s+(?=\d)/.exec(rest) && amountAt(rest, style)
    if (smaller && isRestOf(smaller.amount, amounts.at(-1)!)) {
      amounts.push(smaller.amount)
      rest = rest.slice(smaller.length)
      continue
    }
    // The same again in another unit.
    const same = /^\s*(?:\/|\||=|or about)\s*/i.exec(rest)
    const other = same && amountAt(rest.slice(same[0].length), style)
    if (other && isMeasured(other.amount)) {
      stated ??= isBetter(other.amount, first.amount) ? other.amount : null
      rest = rest.slice(same[0].length + other.length)
      continue
    }
    break
  }
  // Brackets: a weight is what it weighs, all else are words about it.
  rest = rest.replace(/[([]([^)\]]*)[)\]]/g, (_, inner: string) => {
    for (const part of inner.split(/[;,/=]|\bor\b/)) {
      const found = amountAt(softly(part.trim()), style)
      if (!found || !isMeasured(found.amount)) continue
      // “2 cans (400 g)” are 400 g each.
      const isEach =
        /\beach\b|\bapiece\b/i.test(part) ||
        (first.amount.unit?.kind === 'container' && !/\btotal\b|\bin all\b|\babout\b/i.test(inner))
      if (isEach) amounts[0] = { ...amounts[0]!, each: { unit: found.amount.unit!, count: middleOf(found.amount) } }
      else if (isBetter(found.amount, first.amount)) stated ??= found.amount
      return ' '
    }
    return ` , ${inner} `
  })
  return {
    amounts,
    stated,
    words: rest
      .replace(/^\s*(?:of\b|de\b|d['’])\s*/i, '')
      .replace(/\s+/g, ' ')
      .trim(),
  }
}

/** So many of a unit that goes into the other's a whole number of times, and of it less than one. */
function isRestOf({ unit, high }: Amount, whole: Amount): boolean {
  const size = sizeOf(unit)
  const wholeSize = sizeOf(whole.unit)
  if (unit?.kind !== whole.unit?.kind || size === null || wholeSize === null || whole.each) return false
  const times = wholeSize / size
  return times > 1.5 && Math.abs(times - Math.round(times)) < 0.01 && high < times
}
/** g or ml of one; null for what neither weighs nor holds so much. */
const sizeOf = (unit: Unit | null) => (unit?.kind === 'weight' ? unit.g : unit?.kind === 'volume' ? unit.ml : null)

const isMeasured = ({ unit }: Amount) => unit?.kind === 'weight' || unit?.kind === 'volume'
/** A weight says more than a measure, and a measure more than a count. */
const isBetter = (one: Amount, than: Amount) => rank(one) > rank(than)
const rank = ({ unit, each }: Amount) => (each ? 3 : unit?.kind === 'weight' ? 3 : unit?.kind === 'volume' ? 2 : 1)
export const middleOf = ({ low, high }: Pick<Amount, 'low' | 'high'>) => (low + high) / 2

/** “Handful of mint” and “handful mint” are one; “clove” alone is the spice. */
const BY_HAND: ReadonlySet<string> = new Set(['handful', 'bunch', 'sprig', 'knob'])

const softly = (text: string): string => {
  const soft = SOFT.exec(text)
  return soft && !numberAt(text) ? softly(text.slice(soft[0].length)) : text
}

/** The amount with which a text begins, and how many characters it takes. */
export function amountAt(text: string, style: QuantityStyle = {}): { amount: Amount; length: number } | null {
  const begins = text.length - softly(text.trimStart()).length
  const from = text.slice(begins)
  const number = numberAt(from, style.decimal)
  const base = { size: null, each: null, isGuess: false }
  if (!number) {
    // “Pinch of salt”, “handful of mint”: one of it.
    const unit = unitAt(from)
    const isOne =
      unit &&
      (unit.unit.kind === 'trace' ||
        (unit.unit.kind === 'part' &&
          (BY_HAND.has(unit.unit.part) || /^\s*(?:of|de)\s/i.test(from.slice(unit.length)))))
    return isOne ? { amount: { ...base, low: 1, high: 1, unit: unit.unit }, length: begins + unit.length } : null
  }
  const counted = split(number, from, style)
  let at = counted.length
  // “1 (2-inch) piece”: so many of such a length.
  const long = LONG.exec(from.slice(at))
  const longOne = long && numberAt(long[1]!, style.decimal)
  const longUnit = long && unitAt(long[2]!)
  if (longOne && longUnit) {
    const times = middleOf(longOne)
    const amount: Amount = { ...base, low: counted.low * times, high: counted.high * times, unit: longUnit.unit }
    return { amount, length: begins + at + long[0].length }
  }
  const each = eachAt(from.slice(at), style)
  if (each) at += each.length
  let size: PieceSize | null = null
  const skip = (pattern: RegExp) => {
    const found = pattern.exec(from.slice(at))
    if (found) at += found[0].length
    return found !== null
  }
  skip(/^\s*-?\s*/)
  for (const [pattern, is] of SIZES) if (skip(pattern)) size = is
  while (skip(SOFT)) void 0
  const found = unitAt(from.slice(at), style.measures)
  const unit = found && (style.isAlone || isUnit(found.unit, from.slice(at + found.length))) ? found : null
  if (unit) at += unit.length
  // Nobody weighs to a thousandth of a gram: “1.250 g” are thousands as another country writes them.
  const isForeign = THOUSANDTHS.test(from) && sizeOf(unit?.unit ?? null) === 1 && counted.high < 1000
  const { low, high, isGuess } = isForeign
    ? { low: counted.low * 1000, high: counted.high * 1000, isGuess: true }
    : counted
  // “400 g tin”: one of so much.
  if (unit && !each && size === null && (unit.unit.kind === 'weight' || unit.unit.kind === 'volume')) {
    const gap = /^\s*-?\s*/.exec(from.slice(at))![0]
    const holds = unitAt(from.slice(at + gap.length))
    if (holds?.unit.kind === 'container' && !/^\s*gourd/i.test(from.slice(at + gap.length + holds.length))) {
      const one = { unit: unit.unit, count: middleOf(counted) }
      const amount: Amount = { low: 1, high: 1, unit: holds.unit, size, each: one, isGuess }
      return { amount, length: begins + at + gap.length + holds.length }
    }
  }
  if (size === null && unit?.unit.kind === 'length') skip(/^\s*-?\s*(?:piece|knob|stick|long|cube)s?\b/i)
  return {
    amount: { low, high, unit: unit?.unit ?? null, size, each: each?.each ?? null, isGuess },
    length: begins + at,
  }
}

/** “1 400 g tin” is one tin, not a weight of 1400 g. */
function split(number: ReadNumber, text: string, style: QuantityStyle): ReadNumber {
  const spaced = /^(\d{1,2})\s(\d{3})(?=\s*(?:g|ml)\b)/.exec(text)
  if (!spaced) return number
  const unit = unitAt(text.slice(spaced[0].length).trimStart(), style.measures)
  const after = text
    .slice(spaced[0].length)
    .trimStart()
    .slice(unit?.length ?? 0)
  const count = Number(spaced[1])
  return CONTAINER_AHEAD.test(after) ? { low: count, high: count, length: spaced[1]!.length, isGuess: false } : number
}

/** What one of what is counted weighs, before the container that it is in: “(400 g)”, “x 400 g”, “400-gram”. */
function eachAt(text: string, style: QuantityStyle): { each: NonNullable<Amount['each']>; length: number } | null {
  const opens = /^\s*(?:\(\s*|(?:x|×|\*)\s*|-?\s*)/i.exec(text)![0]
  const inside = softly(text.slice(opens.length))
  const from = text.length - inside.length
  const number = numberAt(inside, style.decimal)
  if (!number || !/^\s*[\d½¼¾.,]/.test(inside)) return null
  const gap = /^\s*-?\s*/.exec(inside.slice(number.length))![0]
  const unit = unitAt(inside.slice(number.length + gap.length), style.measures)
  if (!unit || (unit.unit.kind !== 'weight' && unit.unit.kind !== 'volume')) return null
  let length = from + number.length + gap.length + unit.length
  const alternative = /^\s*(?:\/|,|or)\s*[\d.,½¼¾\s/]+\s*-?\s*(?:g|oz|ounces?|ml|lb|fl oz)\b/i.exec(text.slice(length))
  if (alternative) length += alternative[0].length
  const times = TIMES.test(text)
  if (!times && !CONTAINER_AHEAD.test(text.slice(length))) return null
  const closes = /^\s*-?\s*(?:\)|each\b)?/i.exec(text.slice(length))![0]
  return { each: { unit: unit.unit, count: middleOf(number) }, length: length + closes.length }
}

/** “4 cloves” and “2 pods” are the thing itself, and no part of another. */
const isUnit = (unit: Unit, after: string) => unit.kind !== 'part' || after.trim().replace(/^[,(].*$/, '') !== ''
