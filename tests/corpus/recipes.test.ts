import { readFileSync } from 'node:fs'
import path from 'node:path'
import { describe, expect, it } from 'vitest'
import { USUAL_POT } from '../../core/dish/pot-stage'
import { dishSchema, type WrittenFigure } from '../../core/dish/dish.schema'
import { readRecipe } from '../../core/formats/read-recipe'
import { dishOfRecipe, type ImportedDish } from '../../core/formats/recipe-dish'
import { LANGUAGES, type Locale } from '../../locales/languages'
import { namesOf } from '../../locales/names'
import { readingOf } from '../../locales/reading'

const POTS = {
  usual: USUAL_POT,
  kinds: { whistling: USUAL_POT, electric: USUAL_POT, 'rice-cooker': USUAL_POT, slow: USUAL_POT },
}
const COOKS = new Set(['soak', 'marinate', 'dry-roast', 'fry', 'temper', 'pot', 'simmer', 'mash', 'rest'])
/** Left out of what is compared where nothing is put in: it cooks nothing. */
const SMALL = new Set(['mash', 'rest'])

function figureText({ kind, figure, release, releaseAfterMinutes, thenLowMinutes }: WrittenFigure): string {
  const low = thenLowMinutes ? ` then ${thenLowMinutes}` : ''
  const fall = [release, releaseAfterMinutes].filter(Boolean).join(' ')
  return `${figure} ${kind}${low}${fall && `, ${fall}`}`
}

/** What is cooked in order, with what is first cooked there. */
function cookedIn({ dish }: ImportedDish): string[] {
  const { stages, lines } = dish
  const next = (id: string) => stages.find(({ from }) => from.some(({ stage }) => stage === id))
  const cookOf = (id: string): string => {
    const stage = stages.find((one) => one.id === id)!
    if (COOKS.has(stage.kind) && !(SMALL.has(stage.kind) && stage.takes.length > 0)) return id
    const after = next(id)
    return after ? cookOf(after.id) : 'end'
  }
  const first = new Map<string, string[]>()
  for (const line of lines) {
    const told = line.what ?? `(${line.typed})`
    const takers = stages.filter(({ takes }) => takes.some((take) => take.line === line.id))
    const where = takers[0] ? cookOf(takers[0].id) : 'nowhere'
    if (!first.has(where)) first.set(where, [])
    first.get(where)!.push(told)
  }
  const told = (head: string, id: string) => [head, ...(first.get(id) ?? [])].join(' ')
  return [
    ...stages
      .filter(({ kind, takes }) => COOKS.has(kind) && !(SMALL.has(kind) && takes.length > 0))
      .map(({ id, kind, minutes, pot }) => {
        const figure = pot?.written ? figureText(pot.written) : minutes
        return told(`${[kind, figure].filter(Boolean).join(' ')}${first.has(id) ? ':' : ''}`, id)
      }),
    ...['end', 'nowhere'].filter((id) => first.has(id)).map((id) => told(`${id}:`, id)),
  ]
}

const recipes = readFileSync(path.join(import.meta.dirname, 'recipes.txt'), 'utf8')
  .split(/^== /m)
  .slice(1)
  .map((one) => {
    const [text = '', truth = ''] = one.split('\n--\n')
    const locale = Object.keys(LANGUAGES).find((code) => text.startsWith(`${code} `)) as Locale | undefined
    return { locale, text: locale ? text.slice(3) : text, truth: truth.trim().split('\n') }
  })

describe('recipes as cooks type them', () => {
  it.each(recipes.map((one) => [one.text.split('\n')[0]!, one] as const))('%s', async (_, { locale, text, truth }) => {
    const names = namesOf([], locale ? await readingOf(locale) : null)
    const read = readRecipe(text)
    if (!read.ok) throw new Error(read.problems[0]!.code)
    expect(cookedIn(dishOfRecipe(read.value, names, POTS))).toEqual(truth)
  })

  it('fry what is fried beside a full pot in a pan of its own, and soak what is said to be soaked once', () => {
    const text = recipes.find((one) => one.text.startsWith('Black beans with a sofrito'))!.text
    const read = readRecipe(text)
    if (!read.ok) throw new Error(read.problems[0]!.code)
    const { stages } = dishOfRecipe(read.value, namesOf(), POTS).dish
    expect(stages.map(({ kind }) => kind)).toEqual(['soak', 'pot', 'fry', 'simmer'])
    const [soak, pot, fry, simmer] = stages
    expect([fry!.vessel, fry!.from]).toEqual(['pan', []])
    expect(pot!.from.map(({ stage }) => stage)).toEqual([soak!.id])
    expect(simmer!.from.map(({ stage }) => stage)).toEqual([pot!.id, fry!.id])
  })

  it('share a line as its steps say, and take the rest of the water without the rest of the beans', () => {
    const text = recipes.find((one) => one.text.startsWith('Black bean soup'))!.text
    const read = readRecipe(text)
    if (!read.ok) throw new Error(read.problems[0]!.code)
    const { dish } = dishOfRecipe(read.value, namesOf(), POTS)
    const taken = (what: string) => {
      const { id } = dish.lines.find((line) => line.what === what)!
      return dish.stages.flatMap(({ kind, takes }) =>
        takes.filter(({ line }) => line === id).map(({ g }) => [kind, g ?? 'the rest'] as const),
      )
    }
    expect(taken('water')).toEqual([
      ['soak', 960],
      ['pot', 'the rest'],
    ])
    expect(taken('black-bean')).toEqual([['soak', 'the rest']])
  })

  it.each([
    ['soaked overnight', true],
    ['not soaked', false],
    ['no need to soak', false],
    ['don’t soak', false],
    ['soaking optional', false],
  ])('plan beans, %s, as soaked: %s', (said, isSoaked) => {
    const read = readRecipe(`Beans\n\n1 cup kidney beans, ${said}\n\nCook the beans at high pressure for 40 minutes.`)
    if (!read.ok) throw new Error(read.problems[0]!.code)
    const { stages } = dishOfRecipe(read.value, namesOf(), POTS).dish
    expect(stages.some(({ kind }) => kind === 'soak')).toBe(isSoaked)
  })

  it('make a dish that can be kept, however much stands in one line', () => {
    const lines = Array.from({ length: 60 }, () => '1 cup rice + 2 cups lentils, 1 tsp salt')
    const text = [
      'Rice',
      ...lines,
      'Put everything but the salt in the pot and cook it at high pressure for 9 minutes.',
    ]
    const read = readRecipe(text.join('\n'))
    if (!read.ok) throw new Error(read.problems[0]!.code)
    const { dish } = dishOfRecipe(read.value, namesOf(), POTS)
    expect(dishSchema.safeParse(dish).error).toBeUndefined()
    expect(dish.lines).toHaveLength(60)
  })
})
