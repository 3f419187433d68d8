import { describe, expect, it } from 'vitest'
import { readAmount, typedAmount } from './amount'

describe('an amount as it is typed', () => {
  it.each([
    ['2', 2],
    [' 1.5 ', 1.5],
    ['1,5', 1.5],
    ['.5', 0.5],
    ['3/4', 0.75],
    ['1 1/2', 1.5],
    ['1½', 1.5],
    ['⅔', 2 / 3],
    ['-3', -3],
    [12, 12],
  ])('%j is %d', (text, value) => expect(readAmount(text)).toBeCloseTo(value, 10))

  it.each([
    ['1,000', 1000, 1],
    ['1.000', 1, 1000],
    ['1,234,500', 1_234_500, NaN],
    ['1,234.5', 1234.5, NaN],
    ['1.234,5', NaN, 1234.5],
    ['0,250', 0.25, 0.25],
    ['0.250', 0.25, 0.25],
    ['12,50', 12.5, 12.5],
  ])('%s is %d where a point stands before decimals, and %d where a comma does', (text, point, comma) => {
    expect(readAmount(text, 'point')).toBe(point)
    expect(readAmount(text, 'comma')).toBe(comma)
  })

  it('is typed as it is read', () => {
    expect(typedAmount(1.5, 'comma')).toBe('1,5')
    expect(typedAmount(2 / 3)).toBe('0.667')
    expect(typedAmount(2 / 3, 'point', 1)).toBe('0.7')
    expect(typedAmount(NaN)).toBe('')
    expect(typedAmount(Infinity)).toBe('')
  })

  it.each(['', ' ', 'two', '1/0', '1 2', '1/2/3', '1e3', '0x10', '1.2.3', '½½', '-', '.'])('%j is no number', (text) =>
    expect(readAmount(text)).toBeNaN(),
  )
})
