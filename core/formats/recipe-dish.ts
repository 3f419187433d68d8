import { knownOf } from '../dish/contents'
import type { Dish, DishLine, PotSettings, Stage, WrittenFigure } from '../dish/dish.schema'
import type { StageKind } from '../dish/names'
import { readLine, nameKey, type Measuring, type Names, type ReadLine } from './line'
import type { Recipe } from './recipe'
import { figureIn, kindIn, minutesIn } from './step'

/** A dish made of a recipe, with what is open in it. */
export interface ImportedDish {
  dish: Dish
  lines: ReadLine[]
  /** What the recipe says of a pot, by stage; it was written for another kitchen. */
  written: { stage: string; figure: WrittenFigure }[]
}

/** Long words of a line's name by which a step speaks of it. */
const LEAST_WORD = 3

const USUAL_MINUTES_OF_SOAK = 480

/** Makes a dish of a recipe: its lines as typed, its steps as stages, each ingredient at the step that names it first. */
export function dishOfRecipe(
  recipe: Recipe,
  names: Names,
  settings: PotSettings,
  measuring: Measuring = {},
): ImportedDish {
  const read = recipe.ingredients.map((one) => readLine(one, names, measuring)).filter(({ isHeading }) => !isHeading)
  const lines = read.map(({ typed, what, g, maybe }, i): DishLine => ({
    id: `l${i + 1}`,
    typed,
    what,
    g,
    ...(maybe ? { maybe } : {}),
  }))
  const stages: Stage[] = []
  const written: ImportedDish['written'] = []
  for (const { text, minutes } of recipe.steps) {
    const kind = kindIn(text)
    const figure = kind === 'pot' || kind === 'simmer' ? figureIn(text) : null
    const takes = minutes ?? minutesIn(text)
    const id = `s${stages.length + 1}`
    if (kind === 'pot' && figure) written.push({ stage: id, figure })
    stages.push({
      id,
      kind,
      takes: [],
      from: [],
      until: text.slice(0, 1000),
      ...(kind !== 'pot' && takes !== null ? { minutes: Math.min(takes, 4320) } : {}),
      ...(kind === 'soak' && takes === null ? { minutes: USUAL_MINUTES_OF_SOAK } : {}),
      ...(kind === 'pot' ? { pot: { ...settings, ...(figure ? { written: figure } : {}) } } : {}),
    })
  }
  chain(stages)
  lines.forEach((line, i) => place(line, read[i]!, recipe, stages, measuring))
  const dish: Dish = { name: recipe.name, servings: recipe.servings ?? 4, lines, stages }
  return { dish, lines: read, written }
}

/** Each stage goes on with what the one before left; a soak and what is made beside it join at the next. */
function chain(stages: Stage[]): void {
  let open: string[] = []
  for (const stage of stages) {
    // What is soaked or fried first meets in what comes next.
    const beginsAnew: StageKind[] = ['soak', 'marinate', 'prepare', 'dry-roast']
    const starts =
      stage.kind === 'fry' && stages.slice(0, stages.indexOf(stage)).every(({ kind }) => beginsAnew.includes(kind))
    if (
      beginsAnew.includes(stage.kind) &&
      open.every((id) => beginsAnew.includes(stages.find((one) => one.id === id)!.kind))
    )
      open.push(stage.id)
    else if (starts) open.push(stage.id)
    else {
      stage.from = open.map((id) => ({ stage: id, part: 'all' as const }))
      open = [stage.id]
    }
  }
}

/** Puts a line where a step first speaks of it; what no step names stays open and is asked about. */
function place({ id, what }: DishLine, { typed }: ReadLine, { steps }: Recipe, stages: Stage[], own: Measuring): void {
  const words = nameKey(typed)
    .split(' ')
    .filter((word) => word.length >= LEAST_WORD && !/\d/.test(word))
    .map((word) => word.replace(/(es|s)$/, ''))
  const known = knownOf({ what }, own)
  const wanted = known && 'food' in known ? words.reverse() : words
  const at = steps.findIndex(({ text }) => {
    const said = ` ${nameKey(text)}`
    return wanted.some((word) => said.includes(` ${word}`))
  })
  if (at >= 0) stages[at]!.takes.push({ line: id })
}
