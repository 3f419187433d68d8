import { describe, expect, it } from 'vitest'
import { readAmount } from './amount'

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

  it.each(['', ' ', 'two', '1/0', '1 2', '1/2/3', '1e3', '0x10', '1.2.3', '½½', '-', '.'])('%j is no number', (text) =>
    expect(readAmount(text)).toBeNaN(),
  )
})
