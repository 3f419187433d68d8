// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import names from '~~/locales/en/catalogue.json'
import ABROAD from '~~/locales/abroad.json'
import { CATALOGUE } from '~~/core/food/catalogue'
import { closePage, houseId, onScreen, openKitchen, openPage } from '~~/tests/house'
import { useKitchenStore } from '~/stores/kitchen'
import { holdsName, searchNames } from './searchNames'
import { useNamedFoods } from './useNamedFoods'

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

  it('puts those first that are called so, before those that are also known as that', () => {
    expect(found('rice')).toEqual(['Açaí rice', 'Barley'])
    expect(found('beans')).toHaveLength(2)
  })

  it('takes a word that is begun, in the plural, or typed amiss', () => {
    expect(found('kid')).toEqual(['Kidney beans, red'])
    expect(found('barleys')).toEqual(['Barley'])
    expect(found('haricto beans')).toEqual(['Navy beans'])
  })

  it('finds nothing where nothing is', () => {
    expect(found('tea')).toEqual([])
  })
})

describe('the catalogue', () => {
  const named = CATALOGUE.map(({ id }) => ({
    id,
    ...(names as Record<string, { name: string; aliases: string }>)[id]!,
  }))

  it.each([
    ['black beans', 'black-bean'],
    ['black eyed peas', 'black-eyed'],
    ['black-eyed peas', 'black-eyed'],
    ['carrots', 'carrot-chunks'],
    ['steel cut oats', 'steel-oats'],
    ['toor', 'toor-split'],
    ['toor daal', 'toor-split'],
    ['tur dal', 'toor-split'],
    ['arhar dal', 'toor-split'],
    ['chick peas', 'chickpea-white'],
    ['chickpea', 'chickpea-white'],
    ['garbanzo beans', 'chickpea-white'],
    ['red lentil', 'masoor-split'],
    ['kidny beans', 'kidney-red'],
    ['basmati', 'basmati-white'],
    ['brown rice', 'brown-long'],
    ['eggs', 'egg'],
    ['beets', 'beetroot-whole'],
  ])('finds %s first', (query, id) => expect(searchNames(query, named)[0]?.id).toBe(id))
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

describe('a name in a text', () => {
  const rajma = { name: 'Red kidney beans', aliases: 'rajma, frijol rojo' }

  it('is found as whole words, however it is written', () => {
    expect(holdsName('Our old Rajma', rajma)).toBe(true)
    expect(holdsName('200 g red-kidney beans, soaked', rajma)).toBe(true)
    expect(holdsName('rajmahal paste', rajma)).toBe(false)
    expect(holdsName('moon dust', { name: 'Red kidney beans', aliases: '' })).toBe(false)
  })
})

describe('the catalogue in other languages', () => {
  const named = CATALOGUE.map(({ id }) => ({
    id,
    ...(names as Record<string, { name: string; aliases: string }>)[id]!,
    abroad: (ABROAD as Readonly<Record<string, string>>)[id]!,
  }))

  it.each([
    ['toor', 'toor-split'],
    ['nohut', 'chickpea-white'],
    ['राजमा', 'kidney-red'],
    ['lentejas', 'brown-lentils'],
    ['Kichererbsen', 'chickpea-white'],
    ['sabut moong', 'moong-whole'],
    ['carrots', 'carrot-chunks'],
    ['black beans', 'black-bean'],
    ['lobia', 'black-eyed'],
  ])('%s: %s before all others', (query, id) => expect(searchNames(query, named)[0]!.id).toBe(id))

  it('finds one food where one is called so', () => expect(searchNames('nohut', named)).toHaveLength(1))
})
