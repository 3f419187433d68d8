import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '../core/food/catalogue'
import ABROAD from './abroad.json'
import { namesOf } from './names'

const { exact } = namesOf()

describe('what things are called', () => {
  it('is known of every food in other languages too', () => {
    const named = ABROAD as Readonly<Record<string, string>>
    expect(CATALOGUE.filter(({ id }) => !named[id]).map(({ id }) => id)).toEqual([])
  })

  it.each([
    ['rice', 'long-white'],
    ['chawal', 'long-white'],
    ['arroz', 'long-white'],
    ['أرز', 'long-white'],
    ['dal', 'toor-split'],
    ['तूर दाल', 'toor-split'],
    ['kandi pappu', 'toor-split'],
    ['राजमा', 'kidney-red'],
    ['frijoles negros', 'black-bean'],
    ['pois chiches', 'chickpea-white'],
    ['Kichererbsen', 'chickpea-white'],
    ['nohut', 'chickpea-white'],
    ['نخود', 'chickpea-white'],
    ['lenticchie', 'brown-lentils'],
    ['grão-de-bico', 'chickpea-white'],
    ['मछली', 'fish-firm'],
  ])('%s: %s', (name, id) => expect(exact(name)).toBe(id))

  it('tells marks apart where they are another sound, and drops accents where they are typed in a hurry', () => {
    expect(exact('चना')).toBe('chickpea-white')
    expect(exact('चीनी')).toBe('sugar')
    expect(exact('epinard')).toBe('spinach')
    expect(exact('Épinards')).toBe('spinach')
  })
})
