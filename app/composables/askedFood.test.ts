import { describe, expect, it } from 'vitest'
import { USUAL_LIKES } from '~~/shared/kitchen'
import { houseId } from '~~/tests/fixtures'
import { readAsked } from './askedFood'

const cup = { id: houseId(301), name: 'Cup', volumeMl: 240 }
const bowl = { id: houseId(302), name: 'Our bowl', volumeMl: 150 }
const kitchen = { measures: [cup, bowl], likes: USUAL_LIKES }

describe('a question with an amount', () => {
  it.each([
    ['2 cups chickpeas', 'chickpeas', 2, cup.id],
    ['1 1/2 cups brown rice', 'brown rice', 1.5, cup.id],
    ['½ kg rajma', 'rajma', 0.5, 'kg'],
    ['500g navy beans', 'navy beans', 500, 'g'],
    ['2 lb potatoes', 'potatoes', 32, 'oz'],
    ['3 eggs', 'eggs', 3, ''],
    ['3 large eggs', 'eggs', 3, 'piece-large'],
    ['2 bowls of red rice', 'red rice', 2, bowl.id],
    ['1 our bowl red rice', 'red rice', 1, bowl.id],
    ['rice 2 cups', 'rice', 2, cup.id],
    ['4 tbsp quinoa', 'quinoa', 4, 'tbsp'],
  ])('%s', (text, words, count, unit) => {
    expect(readAsked(text, kitchen)).toEqual({ words, amount: { count, unit } })
  })

  it.each(['chickpeas', '', '  ', '2', 'a cup of rice'])('stays as it was typed without one: %j', (text) => {
    expect(readAsked(text, kitchen).amount).toBeNull()
    expect(readAsked(text, kitchen).words).toBe(text)
  })

  it('reads a decimal as the household writes it', () => {
    const comma = { ...kitchen, likes: { ...USUAL_LIKES, decimal: 'comma' as const } }
    expect(readAsked('1,5 kg rice', comma).amount).toEqual({ count: 1.5, unit: 'kg' })
    expect(readAsked('1.5 kg rice', kitchen).amount).toEqual({ count: 1.5, unit: 'kg' })
  })

  it('measures in a cup of 240 ml where the kitchen has none', () => {
    expect(readAsked('2 cups rice', { ...kitchen, measures: [] }).amount).toEqual({ count: 2, unit: 'cup-240' })
    expect(readAsked('2 cups rice', { ...kitchen, measures: [{ ...cup, away: true }] }).amount!.unit).toBe('cup-240')
  })
})
