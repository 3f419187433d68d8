import { numberAt, type DecimalSign } from './number'

/** A time that a text tells, in minutes, and where it stands. */
export interface ReadDuration {
  low: number
  high: number
  index: number
  length: number
}

const MINUTES_OF: readonly [RegExp, number][] = [
  [/^\s*-?\s*(?:seconds?|secs?|s)\b\.?/i, 1 / 60],
  [
    /^\s*-?\s*(?:(?:more|further|extra|additional|full|whole)\s+)?(?:minutes?|mins?|min\.|m|minutos?|minuten|minuti|dakika|मिनट)(?![\p{L}\p{M}])\.?/iu,
    1,
  ],
  [
    /^\s*-?\s*(?:(?:more|further|extra|additional|full|whole)\s+)?(?:hours?|hrs?|h|horas?|stunden?|std|heures?|ore|saat|घंटे|घंटा)(?![\p{L}\p{M}])\.?/iu,
    60,
  ],
  [/^\s*-?\s*(?:days?)\b/i, 24 * 60],
]
/** A soak “overnight” (general kitchen practice). */
const OVERNIGHT_MINUTES = 8 * 60
const SAID: readonly [RegExp, number][] = [
  [/\bovernight\b/gi, OVERNIGHT_MINUTES],
  [/\b(?:an\s+)?hour\s+and\s+a\s+half\b/gi, 90],
  [/\bhalf\s+(?:an\s+)?hour\b/gi, 30],
  [/\bquarter\s+(?:of\s+an\s+)?hour\b/gi, 15],
  [/\ba\s+minute\s+or\s+two\b/gi, 1.5],
  [/\banother\s+minute\b/gi, 1],
  [/\banother\s+hour\b/gi, 60],
]
const STARTS =
  /(?<![\p{L}\d.,/½¼¾⅓⅔])(?:\d|[½¼¾⅓⅔]|(?:an?|one|two|three|four|five|six|seven|eight|nine|ten|twelve|fifteen|twenty|thirty|forty|fifty|sixty|ninety|half|between|a few|a couple)\b)/giu
/** “1 h 30”, “1h30”: the minutes after hours need no word. */
const AND_MINUTES =
  /^\s*(?:and|,|&|:)?\s*(\d{1,2})\s*(?:minutes?|mins?|min|m)?(?![\d/.,]|\s*(?:g|ml|cups?|whistles?|more|times?|x|to|-|–))/i

/** “1 hour, 10 minutes natural release” are two times. */
const FALL = /^\s*-?\s*(?:minutes?|mins?)?\s*(?:of\s+)?(?:natural|npr)/i

/** Every time that a text tells, in order: “8 to 10 minutes”, “1½ hours”, “1 hour 30 minutes”, “overnight”. */
export function durationsIn(text: string, decimal: DecimalSign = 'point'): ReadDuration[] {
  const found: ReadDuration[] = []
  const isFree = (index: number) => found.every((one) => index < one.index || index >= one.index + one.length)
  for (const [pattern, minutes] of SAID)
    for (const { index, 0: all } of text.matchAll(pattern))
      if (isFree(index)) found.push({ low: minutes, high: minutes, index, length: all.length })
  for (const { index } of text.matchAll(STARTS)) {
    if (!isFree(index)) continue
    const one = durationAt(text.slice(index), decimal)
    if (one) found.push({ ...one, index })
  }
  return found.sort((a, b) => a.index - b.index)
}

function durationAt(text: string, decimal: DecimalSign): Omit<ReadDuration, 'index'> | null {
  const number = numberAt(text, decimal)
  if (!number) return null
  const rest = text.slice(number.length)
  for (const [unit, each] of MINUTES_OF) {
    const said = unit.exec(rest)
    if (!said) continue
    const length = number.length + said[0].length
    if (each !== 60) return { low: number.low * each, high: number.high * each, length }
    // “1 to 1 hour 30” is no range of hours and minutes.
    const more = number.low === number.high ? AND_MINUTES.exec(text.slice(length)) : null
    const isFall = more && FALL.test(text.slice(length + more[0].search(/\d+/) + more[1]!.length))
    const minutes = more && !isFall && Number(more[1]) < 60 ? Number(more[1]) : 0
    return {
      low: number.low * 60 + minutes,
      high: number.high * 60 + minutes,
      length: length + (minutes > 0 ? more![0].length : 0),
    }
  }
  return null
}

/** The middle of a time that lies between two. */
export const middleMinutes = ({ low, high }: Pick<ReadDuration, 'low' | 'high'>) => (low + high) / 2

/** The first time that a text tells, in minutes; of “8 to 10 minutes” the middle. */
export function minutesIn(text: string): number | null {
  const [first] = durationsIn(text)
  return first ? middleMinutes(first) : null
}
