// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { CATALOGUE } from '~~/core/food/catalogue'
import { closePage, houseId, onScreen, openKitchen, openPage } from '~~/tests/house'
import { useKitchenStore } from '~/stores/kitchen'
import { searchNames, useNamedFoods } from './foodNames'

const foods = [
  { name: 'Kidney beans, red', aliases: 'rajma, red beans' },
  { name: 'Navy beans', aliases: 'haricot beans, white beans' },
  { name: 'Açaí rice', aliases: '' },
  { name: 'Barley', aliases: 'rice of the poor' },
]
const found = (query: string) => searchNames(query, foods).map(({ name }) => name)

describe('finding a food', () => {
  it('shows all of them before anything is typed', () => {
    expect(found('')).toHaveLength(foods.length)
    expect(found('   ')).toHaveLength(foods.length)
  })

  it('goes by any of its names, in any case, with or without accents', () => {
    expect(found('RAJMA')).toEqual(['Kidney beans, red'])
    expect(found('acai')).toEqual(['Açaí rice'])
    expect(found(' haricot ')).toEqual(['Navy beans'])
  })

  it('puts those first that begin so', () => {
    expect(found('rice')).toEqual(['Barley', 'Açaí rice'])
    expect(found('beans')).toEqual(['Kidney beans, red', 'Navy beans'])
  })

  it('finds nothing where nothing is', () => {
    expect(found('tea')).toEqual([])
  })
})

describe('the foods of a kitchen', () => {
  beforeEach(() => openPage())
  afterEach(closePage)

  it('are the household’s own and then the catalogue’s, each with its name', async () => {
    const based = CATALOGUE.find(({ id }) => id === 'navy-bean')!
    const { id: _, ...figures } = based
    await openKitchen(useKitchenStore().load, {
      foods: [{ id: houseId(8), name: 'Grandmother’s beans', basedOn: 'navy-bean', figures: figures as never }],
    })
    const named = await onScreen(useNamedFoods)
    expect(named.value).toHaveLength(CATALOGUE.length + 1)
    expect(named.value[0]).toMatchObject({ name: 'Grandmother’s beans', food: { id: houseId(8) } })
    expect(searchNames('haricot', named.value).map(({ food }) => food.id)).toContain('navy-bean')
    // A name that is missing would be its own key.
    for (const { name } of named.value) expect(name).not.toMatch(/^catalogue\./)
  })
})
