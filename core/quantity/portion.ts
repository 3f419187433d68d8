import { readInUnit, type UnitOf } from './unit'
import { readAmount, type DecimalSign } from './number'

/** So much of a line: a share of it, a weight, or an amount that has to be read with its name. */
export type ReadPortion = { share: number } | { g: number } | { amount: string }

const THIRDS = /^(?:(?:a|one)\s+)?third$|^(two)\s+thirds$/i
const QUARTERS = /^(?:(?:a|one)\s+)?quarter$|^(three)\s+quarters$/i
const HALF = /^(?:(?:a|one)\s+)?half$/i
const ALL = /^(?:all|all of it|the whole)$/i
/** Written as a fraction and nothing behind it: a part of the line, and not so much of a gram. */
const FRACTION = /^(?:\d+\s*[/⁄]\s*\d+|[½⅓⅔¼¾⅕⅛])$/u

/**
 * How much of a line goes in, as a cook says it: “half”, “1/3”, “two thirds”, “40 %”, “5 g”, “1 tsp”; a bare number is
 * a weight in `unit`. Null where it says nothing, or more than the whole.
 */
export function readPortion(text: string, unit: UnitOf<'weight'>, decimal: DecimalSign = 'point'): ReadPortion | null {
  const said = text.trim().replace(/\s+of\s+it$/i, '')
  if (said === '') return null
  const share = shareOf(said, decimal)
  if (share !== null) return share > 0 && share <= 1 ? { share } : null
  const g = readInUnit(said, 'weight', unit, decimal)
  if (Number.isFinite(g)) return g >= 0 ? { g } : null
  return /\p{L}/u.test(said) ? { amount: said } : null
}

function shareOf(said: string, decimal: DecimalSign): number | null {
  if (ALL.test(said)) return 1
  if (HALF.test(said)) return 1 / 2
  const thirds = THIRDS.exec(said)
  if (thirds) return thirds[1] ? 2 / 3 : 1 / 3
  const quarters = QUARTERS.exec(said)
  if (quarters) return quarters[1] ? 3 / 4 : 1 / 4
  const percent = /^(.+?)\s*(?:%|per\s?cent)$/i.exec(said)
  if (percent) return readAmount(percent[1]!, decimal) / 100
  return FRACTION.test(said) ? readAmount(said, decimal) : null
}
