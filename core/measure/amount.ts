import Fraction from 'fraction.js'

/**
 * Reads an amount as cooks write it: 2, 1.5, 1,5, 3/4, 1 1/2, 1½. NaN for anything else.
 * @example readAmount('1½') // 1.5
 */
export function readAmount(text: string | number): number {
  const plain = String(text ?? '')
    .replace(/[½¼¾⅓⅔⅛⅜⅝⅞]/g, (glyph) => ` ${glyph.normalize('NFKC').replace('⁄', '/')}`)
    .trim()
    .replace(',', '.')
  if (!/^-?\d*\.?\d*$|^-?(\d+\s+)?\d+\/\d+$/.test(plain) || !/\d/.test(plain)) return NaN
  if (!plain.includes('/')) return Number(plain)
  try {
    return new Fraction(plain).valueOf()
  } catch {
    // A denominator of nothing.
    return NaN
  }
}
