import { describe, expect, it } from 'vitest'
import { readLine } from '~~/core/formats/line'
import { namesOf } from '~~/locales/names'
import { USUAL_LIKES } from '~~/shared/kitchen'
import { houseId } from '~~/tests/fixtures'
import { readAsked, sortAlso } from './askedFood'

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
    ['a cup of rice', 'rice', 1, cup.id],
    ['two cups rice', 'rice', 2, cup.id],
    ['1 and a half cups rice', 'rice', 1.5, cup.id],
    ['0,5 kg rajma', 'rajma', 0.5, 'kg'],
    ['1,5 cups rice', 'rice', 1.5, cup.id],
    ['200gr rice', 'rice', 200, 'g'],
    ['1 l red rice', 'red rice', 1000, 'ml'],
    ['2 rice cups jasmine rice', 'jasmine rice', 2, 'rice-cup'],
  ])('%s', (text, words, count, unit) => {
    expect(readAsked(text, kitchen)).toMatchObject({ words, amount: { count, unit }, also: [] })
  })

  it.each(['chickpeas', '', '  ', '2', 'a few beans'])('stays as it was typed without one: %j', (text) => {
    expect(readAsked(text, kitchen).amount).toBeNull()
    expect(readAsked(text, kitchen).words).toBe(text)
  })

  it('reads a decimal as the household writes it', () => {
    const comma = { ...kitchen, likes: { ...USUAL_LIKES, decimal: 'comma' as const } }
    expect(readAsked('1,5 kg rice', comma).amount).toEqual({ count: 1.5, unit: 'kg' })
    expect(readAsked('1.5 kg rice', kitchen).amount).toEqual({ count: 1.5, unit: 'kg' })
  })

  it.each([
    ['1 katori dal', 'dal', 'katori'],
    ['1 tin chickpeas', 'chickpeas', 'can'],
    ['2 glasses rice', 'rice', 'glasses'],
  ])('asks how much a measure holds that nobody has told: %s', (text, words, unknownMeasure) => {
    expect(readAsked(text, kitchen)).toMatchObject({ words, amount: null, unknownMeasure })
  })

  it('tells several things apart, and what was said of the soak', () => {
    expect(readAsked('rice and dal', kitchen)).toMatchObject({ words: 'rice', also: ['dal'] })
    expect(readAsked('1 cup toor dal with 2 tomatoes', kitchen)).toMatchObject({
      words: 'toor dal',
      amount: { count: 1, unit: cup.id },
      also: ['2 tomatoes'],
    })
    expect(readAsked('unsoaked rajma', kitchen)).toMatchObject({ words: 'rajma', isUnsoaked: true })
    const lines = ['2 tomatoes', '200 g potatoes', 'moon dust'].map((text) => readLine(text, namesOf()))
    const also = sortAlso(lines, kitchen)
    expect(also).toEqual({
      foods: [{ foodId: 'potato-cubes', amount: { count: 200, unit: 'g' } }],
      liquids: [{ kind: 'chopped-tomato', amount: '240', unit: 'g' }],
      unknown: ['moon dust'],
    })
  })

  it('measures in a cup of 240 ml where the kitchen has none', () => {
    expect(readAsked('2 cups rice', { ...kitchen, measures: [] }).amount).toEqual({ count: 2, unit: 'cup-240' })
    expect(readAsked('2 cups rice', { ...kitchen, measures: [{ ...cup, away: true }] }).amount!.unit).toBe('cup-240')
  })
})
