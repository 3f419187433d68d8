import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readAmount, typedAmount } from './number'
import { fromUnit, inUnit, QUANTITIES, readInUnit, type Quantity } from './unit'

describe('units', () => {
  it.each([
    ['temperature', 'F', 212, 100],
    ['temperature', 'F', 32, 0],
    ['temperature', 'F', -40, -40],
    ['pressure', 'bar', 1, 100_000],
    ['pressure', 'psi', 15, 103_421],
    ['weight', 'oz', 1, 28.35],
    ['weight', 'lb', 2, 907.18],
    ['length', 'in', 7, 177.8],
    ['height', 'ft', 4757, 1449.9],
  ] as const)('%s: %s', (quantity, unit, count, value) => {
    expect(fromUnit(count, quantity as Quantity, unit as never)).toBeCloseTo(value, value > 1000 ? -1 : 1)
  })

  it('go there and back', () => {
    const pairs = Object.entries(QUANTITIES).flatMap(([quantity, units]) =>
      Object.keys(units).map((unit) => [quantity, unit] as [Quantity, never]),
    )
    fc.assert(
      fc.property(
        fc.double({ min: -1e4, max: 1e4, noNaN: true }),
        fc.constantFrom(...pairs),
        (value, [quantity, unit]) => {
          expect(inUnit(fromUnit(value, quantity, unit), quantity, unit)).toBeCloseTo(value, 6)
        },
      ),
    )
  })

  it('are typed as the household likes, or in any other that is named', () => {
    expect(readInUnit('95', 'temperature', 'C')).toBe(95)
    expect(readInUnit('203 °F', 'temperature', 'C')).toBeCloseTo(95)
    expect(readInUnit('203', 'temperature', 'F')).toBeCloseTo(95)
    expect(readInUnit('95C', 'temperature', 'F')).toBeCloseTo(95)
    expect(readInUnit('0,9 bar', 'pressure', 'kPa', 'comma')).toBeCloseTo(90_000)
    expect(readInUnit('1 1/2 lb', 'weight', 'g')).toBeCloseTo(680.4, 1)
    for (const text of ['', 'bar', '5 cups', '1 2 kPa']) expect(readInUnit(text, 'pressure', 'kPa')).toBeNaN()
  })
})

describe('a figure in the household’s own writing', () => {
  it.each([
    ['1,000', 'point', 1000],
    ['1,000.5', 'point', 1000.5],
    ['12,345,678', 'point', 12_345_678],
    ['1,5', 'point', 1.5],
    ['1.000', 'point', 1],
    ['1.000', 'comma', 1000],
    ['1.000,5', 'comma', 1000.5],
    ['1,000', 'comma', 1],
    ['1.5', 'comma', 1.5],
    ['2,25', 'comma', 2.25],
  ] as const)('%s with a decimal %s', (text, decimal, value) => expect(readAmount(text, decimal)).toBe(value))

  it('is written so that it is read as the same', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1e5, max: 1e5, noNaN: true }),
        fc.constantFrom('point' as const, 'comma' as const),
        (value, decimal) => {
          const text = typedAmount(value, decimal, 2)
          expect(readAmount(text, decimal)).toBeCloseTo(value, 1)
          expect(text.length).toBeLessThanOrEqual(10)
        },
      ),
    )
    expect(typedAmount(NaN)).toBe('')
    expect(typedAmount(0.1 + 0.2)).toBe('0.3')
  })
})
