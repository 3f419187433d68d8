import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { minutesText, numberAt, readAmount, readMinutes, typedAmount } from './number'

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
    ['1,234,500', 1_234_500, 1_234_500],
    ['1,234.5', 1234.5, 1234.5],
    ['1.234,5', 1234.5, 1234.5],
    ['0,250', 0.25, 0.25],
    ['0.250', 0.25, 0.25],
    ['12,50', 12.5, 12.5],
  ])('%s is %d where a point stands before decimals, and %d where a comma does', (text, point, comma) => {
    expect(readAmount(text, 'point')).toBe(point)
    expect(readAmount(text, 'comma')).toBe(comma)
  })

  it('minutes are typed as a clock shows them, or as a number', () => {
    expect(['7:06', ' 0:30 ', '12', '7,5'].map((text) => readMinutes(text, 'comma'))).toEqual([7.1, 0.5, 12, 7.5])
    expect(['7:6', '7:60', ':30', 'soon'].map((text) => readMinutes(text))).toEqual([NaN, NaN, NaN, NaN])
    expect([7.1, 0, 59.999, NaN].map(minutesText)).toEqual(['7:06', '0:00', '60:00', ''])
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 36_000 }), (seconds) => {
        expect(readMinutes(minutesText(seconds / 60)) * 60).toBeCloseTo(seconds, 6)
      }),
    )
  })

  it('is typed as it is read', () => {
    expect(typedAmount(1.5, 'comma')).toBe('1,5')
    expect(typedAmount(2 / 3)).toBe('0.667')
    expect(typedAmount(2 / 3, 'point', 1)).toBe('0.7')
    expect(typedAmount(NaN)).toBe('')
    expect(typedAmount(Infinity)).toBe('')
  })

  it.each(['', ' ', 'too', '1/0', '1 2', '1/2/3', '1e3', '0x10', '1.2.3', '½½', '-', '.'])('%j is no number', (text) =>
    expect(readAmount(text)).toBeNaN(),
  )
})

describe('the number with which a text begins', () => {
  it.each([
    ['2 cups', 2, 2],
    ['1-1/2 cups', 1.5, 1.5],
    ['1 and 1/2 cups', 1.5, 1.5],
    ['one and a half cups', 1.5, 1.5],
    ['two cups', 2, 2],
    ['a cup', 1, 1],
    ['half a cup', 0.5, 0.5],
    ['half cup', 0.5, 0.5],
    ['three quarters of a cup', 0.75, 0.75],
    ['half a dozen eggs', 6, 6],
    ['a dozen eggs', 12, 12],
    ['a couple of onions', 2, 2],
    ['a few leaves', 3, 3],
    ['1 500 g', 1500, 1500],
    ['2-3 onions', 2, 3],
    ['2 to 3 onions', 2, 3],
    ['one or two onions', 1, 2],
    ['½–¾ cup', 0.5, 0.75],
    ['1/2 - 3/4 cup', 0.5, 0.75],
    ['1 1/2-2 cups', 1.5, 2],
    ['between 2 and 3 cups', 2, 3],
    ['4 - 2', 4, 4],
  ])('%s: %d to %d', (text, low, high) => {
    const found = numberAt(text)!
    expect(found.low).toBeCloseTo(low, 10)
    expect(found.high).toBeCloseTo(high, 10)
  })

  it('is the same half however it is written, in every household', () => {
    for (const decimal of ['point', 'comma'] as const)
      for (const half of ['½', '1/2', '0.5', '0,5', '.5', ',5', 'half', 'a half', 'one half'])
        expect(numberAt(`${half} cup`, decimal), half).toMatchObject({ low: 0.5, high: 0.5 })
  })

  it('is read back as it is typed', () =>
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1e6, noNaN: true }), fc.constantFrom('point', 'comma'), (value, decimal) => {
        const typed = typedAmount(value, decimal)
        expect(readAmount(typed, decimal)).toBeCloseTo(Number(value.toFixed(3)), 9)
      }),
    ))

  it('is none, or a number: never NaN', () =>
    fc.assert(
      fc.property(fc.stringMatching(/^[\d .,/½¼⅔-]{1,12}$/), fc.constantFrom('point', 'comma'), (text, decimal) => {
        const found = numberAt(text, decimal)
        if (found) for (const figure of [found.low, found.high]) expect(Number.isFinite(figure)).toBe(true)
      }),
    ))
})
