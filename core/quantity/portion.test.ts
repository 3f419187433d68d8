import { describe, expect, it } from 'vitest'
import { readPortion } from './portion'

describe('so much of a line', () => {
  it.each([
    ['half', 1 / 2],
    ['a half', 1 / 2],
    ['½', 1 / 2],
    ['1/3', 1 / 3],
    ['two thirds', 2 / 3],
    ['a quarter', 1 / 4],
    ['three quarters of it', 3 / 4],
    ['40 %', 0.4],
    ['12,5%', 0.125],
    ['all of it', 1],
  ])('“%s” is a share', (text, share) => {
    expect(readPortion(text, 'g', 'comma')).toEqual({ share })
  })

  it('is a weight in the household’s unit, or in the one that stands there', () => {
    expect(readPortion('5', 'g')).toEqual({ g: 5 })
    expect(readPortion('5 g', 'oz')).toEqual({ g: 5 })
    expect(readPortion('0.5', 'g')).toEqual({ g: 0.5 })
    expect((readPortion('2', 'oz') as { g: number }).g).toBeCloseTo(56.7, 1)
  })

  it('in spoons is read with its name', () => {
    expect(readPortion('1 tsp', 'g')).toEqual({ amount: '1 tsp' })
    expect(readPortion('a pinch', 'g')).toEqual({ amount: 'a pinch' })
  })

  it('says nothing where it is more than the whole, below nought, or empty', () => {
    for (const text of ['', '140 %', '3/2', '0 %', '-5', '?', '1/0']) expect(readPortion(text, 'g'), text).toBeNull()
  })
})
