import { readFileSync } from 'node:fs'
import path from 'node:path'
import { describe, expect, it } from 'vitest'
import { USUAL_POT } from '../../core/dish/pot-stage'
import { dishSchema } from '../../core/dish/dish.schema'
import { nameKey } from '../../core/formats/name-key'
import { readRecipe } from '../../core/formats/read-recipe'
import { dishOfRecipe } from '../../core/formats/recipe-dish'
import { actionsOf } from '../../core/formats/step'
import { namesOf } from '../../locales/names'
import { RECIPES, SHAPES, type ToldRecipe } from './pages'

const names = namesOf()
const POTS = {
  usual: USUAL_POT,
  kinds: { whistling: USUAL_POT, electric: { ...USUAL_POT, cookerId: 'electric', style: 'electric' as const } },
}
const found = (text: string) => {
  const outcome = readRecipe(text)
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
  return outcome.value
}
const bare = (text: string) => nameKey(text.replace(/½/g, ' 1/2').replace(/¾/g, ' 3/4'))

describe('pages in the shapes in which recipes are published', () => {
  const pages = Object.entries(SHAPES).flatMap(([shape, write]) =>
    RECIPES.map((recipe) => ({ shape, recipe, text: write(recipe) })),
  )

  it('are sixty and more', () => expect(pages.length).toBeGreaterThanOrEqual(60))

  it.each(pages.map((one) => [one.shape, one.recipe.name, one] as const))(
    '%s: %s comes through whole',
    (_, __, { recipe, text, shape }) => {
      const read = found(text)
      expect(read.name).toBe(recipe.name)
      expect(read.servings).toBe(recipe.servings)
      expect(read.ingredients.map((one) => bare(one.replace(/^- /, '')))).toEqual(recipe.ingredients.map(bare))
      expect(read.steps.map(({ text: said }) => bare(said))).toEqual(recipe.steps.map(bare))
      if (!/plain|prefixes|text only/.test(shape)) expect(read.totalMinutes).toBe(recipe.totalMinutes)
      expect(read.leftOut).toEqual([])
    },
  )

  it.each(RECIPES.map((recipe) => [recipe.name, recipe] as const))('%s becomes a dish', (_, recipe: ToldRecipe) => {
    const { dish, lines, missing } = dishOfRecipe(found(SHAPES['JSON-LD alone']!(recipe)), names, POTS)
    expect(dishSchema.safeParse(dish).error).toBeUndefined()
    expect(dish.stages.map(({ kind, minutes }) => (minutes === undefined ? kind : `${kind} ${minutes}`))).toEqual(
      recipe.stages,
    )
    expect(lines.filter(({ doubt }) => doubt !== null).map(({ typed }) => typed)).toEqual([])
    expect(missing).toEqual([])
    // Every line goes in somewhere.
    const placed = new Set(dish.stages.flatMap(({ takes }) => takes.map(({ line }) => line)))
    expect(dish.lines.filter(({ id }) => !placed.has(id)).map(({ typed }) => typed)).toEqual([])
  })

  it('of a paragraph finds what is measured in its sentences', () => {
    const read = found(
      'Cook 1 cup toor dal with 3 cups water and 1/2 tsp turmeric for 4 whistles. Heat 1 tbsp ghee, sizzle 1 tsp cumin seeds for 2 minutes and pour over.',
    )
    expect(read.ingredients).toEqual([
      '1 cup toor dal',
      '3 cups water',
      '1/2 tsp turmeric',
      '1 tbsp ghee',
      '1 tsp cumin seeds',
    ])
  })

  it('tells what is no text', () => {
    const { leftOut, ingredients } = found(
      JSON.stringify({
        '@type': 'Recipe',
        name: 'x',
        recipeIngredient: ['1 onion', { amount: 3 }, null],
        recipeInstructions: ['Fry it.', 7],
      }),
    )
    expect(ingredients).toEqual(['1 onion'])
    expect(leftOut).toHaveLength(3)
  })
})

describe('steps of recipes', () => {
  const steps = readFileSync(path.join(import.meta.dirname, 'steps.tsv'), 'utf8')
    .split('\n')
    .filter(Boolean)
    .map((line) => line.split('\t') as [string, string?])

  it('are read rightly in kind and minutes, 90 in 100', () => {
    const wrong = steps.filter(([text, wanted = '']) => {
      const told = actionsOf(text).map(({ kind, minutes, figure, isRelease }) =>
        isRelease ? 'release' : minutes === null || figure ? kind : `${kind} ${minutes}`,
      )
      return told.join(';') !== wanted
    })
    expect(steps.length).toBeGreaterThanOrEqual(100)
    expect(wrong.length / steps.length, wrong.join('\n')).toBeLessThanOrEqual(0.1)
  })
})
