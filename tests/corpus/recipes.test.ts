import { readFileSync } from 'node:fs'
import path from 'node:path'
import { describe, expect, it } from 'vitest'
import { USUAL_POT } from '../../core/dish/pot-stage'
import type { WrittenFigure } from '../../core/dish/dish.schema'
import { readRecipe } from '../../core/formats/recipe'
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

const figureText = ({ kind, figure, release, releaseAfterMinutes, thenLowMinutes }: WrittenFigure) =>
  `${figure} ${kind}${thenLowMinutes ? ` then ${thenLowMinutes}` : ''}${release ? `, ${release}${releaseAfterMinutes ? ` ${releaseAfterMinutes}` : ''}` : ''}`

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
    first.set(where, [...(first.get(where) ?? []), told])
  }
  const told = (head: string, id: string) => [head, ...(first.get(id) ?? [])].join(' ').replace(' ', ' ')
  return [
    ...stages
      .filter(({ kind, takes }) => COOKS.has(kind) && !(SMALL.has(kind) && takes.length > 0))
      .map(({ id, kind, minutes, pot }) => {
        const said = pot
          ? pot.written
            ? ` ${figureText(pot.written)}`
            : ''
          : minutes === undefined
            ? ''
            : ` ${minutes}`
        return told(`${kind}${said}${first.has(id) ? ':' : ''}`, id)
      }),
    ...['end', 'nowhere'].filter((id) => first.has(id)).map((id) => told(`${id}:`, id)),
  ]
}

const recipes = readFileSync(path.resolve(import.meta.dirname, process.env.RECIPES ?? 'recipes.txt'), 'utf8')
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
})
