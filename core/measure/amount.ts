/** How a household writes decimals; the other sign stands between thousands. */
export type DecimalSign = 'point' | 'comma'

const SIGNS = { point: { decimal: '.', thousands: ',' }, comma: { decimal: ',', thousands: '.' } } as const

/**
 * Reads an amount as cooks write it: 2, 1.5, 1,000, 3/4, 1 1/2, 1½. Groups of three behind the sign for thousands are
 * thousands, but after a nought; else either sign stands before decimals. NaN for anything else.
 * @example readAmount('1½') // 1.5
 */
export function readAmount(text: string | number, decimal: DecimalSign = 'point'): number {
  if (typeof text === 'number') return text
  const { decimal: point, thousands } = SIGNS[decimal]
  const spaced = String(text ?? '')
    .replace(/[½¼¾⅓⅔⅛⅜⅝⅞]/g, (glyph) => ` ${glyph.normalize('NFKC').replace('⁄', '/')}`)
    .trim()
  const grouped = new RegExp(`^-?[1-9]\\d{0,2}(\\${thousands}\\d{3})+(\\${point}\\d+)?$`)
  const plain = (grouped.test(spaced) ? spaced.replaceAll(thousands, '') : spaced).replace(',', '.')
  if (!/^-?\d*\.?\d*$|^-?(\d+\s+)?\d+\/\d+$/.test(plain) || !/\d/.test(plain)) return NaN
  if (!plain.includes('/')) return Number(plain)
  const [, sign, whole, over, under] = /^(-?)(?:(\d+)\s+)?(\d+)\/(\d+)$/.exec(plain)!
  const size = Number(whole ?? 0) + Number(over) / Number(under)
  // A denominator of nothing.
  if (!Number.isFinite(size)) return NaN
  return sign === '-' ? -size : size
}

/** A number as a household types it, to so many decimals at most; an empty text for what is none. */
export function typedAmount(value: number, decimal: DecimalSign = 'point', digits = 3): string {
  if (!Number.isFinite(value)) return ''
  return String(Number(value.toFixed(digits))).replace('.', SIGNS[decimal].decimal)
}
