import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '~~/core/food/catalogue'
import { messagesOf } from '~~/locales/bundles'
import { LOCALES } from '~~/locales/languages'
import { namesOf } from '~~/locales/names'
import { readingOf } from '~~/locales/reading'
import { searchNames } from './searchNames'

describe.each(LOCALES)('foods in %s', (locale) => {
  it('are known by their name and by their three commonest other names, and found by each of them', async () => {
    const { exact } = namesOf([], await readingOf(locale))
    const { catalogue } = (await messagesOf(locale, 'everywhere')) as {
      catalogue: Record<string, { name: string; aliases: string }>
    }
    const foods = CATALOGUE.map(({ id }) => ({ id, ...catalogue[id]! }))
    const named = foods.flatMap(({ id, name, aliases }) =>
      [name.replace(/\s*\(.*\)/, ''), ...aliases.split(',').slice(0, 3)]
        .map((one) => one.trim())
        .filter(Boolean)
        .map((one) => ({ id, one })),
    )
    expect(named.length).toBeGreaterThan(CATALOGUE.length * 2)
    const unknown = named.filter(({ one }) => exact(one) === null).map(({ one }) => one)
    const lost = named.filter(({ id, one }) => !searchNames(one, foods).some((food) => food.id === id))
    expect({ unknown, lost }).toEqual({ unknown: [], lost: [] })
  })
})
