import { BOUNDS } from '../bounds'
import { problem, type Problem } from '../problem'
import { knownOf } from './contents'
import type { Dish, DishRequest, Stage } from './dish.schema'
import { STAGES } from './stages'

/** g by which portions may miss a line's amount without being asked about. */
const NEARLY_G = 0.5

/** What makes a dish one that cannot be worked out at all, each where it is. */
export function structureProblems({ lines, stages }: Dish): Problem[] {
  const found: Problem[] = []
  const at = new Map(stages.map(({ id }, i) => [id, i]))
  const twice = (ids: readonly string[], path: string) =>
    ids.forEach((id, i) => {
      if (ids.indexOf(id) !== i) found.push(problem('id-twice', `${path}.${i}.id`, { value: id }))
    })
  twice(
    lines.map(({ id }) => id),
    'lines',
  )
  twice(
    stages.map(({ id }) => id),
    'stages',
  )
  if (stages.length === 0) found.push(problem('dish-without-stage', 'stages'))
  stages.forEach(({ id, takes, from, kind, pot }, i) => {
    takes.forEach(({ line }, n) => {
      if (!lines.some((one) => one.id === line))
        found.push(problem('takes-no-line', `stages.${i}.takes.${n}`, { number: i + 1 }))
    })
    from.forEach(({ stage }, n) => {
      const source = at.get(stage)
      const path = `stages.${i}.from.${n}`
      if (source === undefined) found.push(problem('takes-nothing', path, { number: i + 1 }))
      else if (stage === id || reaches(stages, stage, id))
        found.push(problem('stage-circle', path, { number: i + 1, other: source + 1 }))
      else if (source > i) found.push(problem('takes-from-later', path, { number: i + 1, other: source + 1 }))
    })
    if (kind === 'pot' && !pot) found.push(problem('stage-without-pot', `stages.${i}.pot`, { number: i + 1 }))
  })
  return found
}

/** True if the stage takes, directly or by others, from the one that is looked for. */
function reaches(stages: readonly Stage[], from: string, wanted: string, seen = new Set<string>()): boolean {
  if (seen.has(from)) return false
  seen.add(from)
  const stage = stages.find(({ id }) => id === from)
  return stage?.from.some((one) => one.stage === wanted || reaches(stages, one.stage, wanted, seen)) ?? false
}

/** What is asked about an otherwise sound dish: the rest of it is answered all the same. */
export function openQuestions(request: DishRequest): Problem[] {
  const { lines, stages } = request.dish
  const found: Problem[] = []
  lines.forEach((line, i) => {
    const path = `lines.${i}`
    const name = { typed: line.typed }
    if (line.what === null && !line.own) found.push(problem('not-understood', path, name))
    else if (!knownOf(line, request)) found.push(problem('not-understood', path, name))
    const takes = stages.flatMap((stage) => stage.takes.filter((take) => take.line === line.id))
    if (takes.length === 0) return void found.push(problem('in-no-stage', path, name))
    const rests = takes.filter(({ g }) => g === undefined).length
    if (rests > 1) found.push(problem('in-two-stages', path, name))
    if (line.g === null) return
    const said = takes.reduce((sum, { g = 0 }) => sum + g, 0)
    if (said > line.g + NEARLY_G)
      found.push(problem('portions-too-much', path, { ...name, grams: Math.round(said), left: Math.round(line.g) }))
    else if (rests === 0 && said < line.g - NEARLY_G)
      found.push(problem('portions-too-little', path, { ...name, grams: Math.round(line.g - said) }))
  })
  const food = (line: string) => {
    const known = knownOf(lines.find(({ id }) => id === line) ?? { what: null }, request)
    return known !== null && 'food' in known
  }
  const cooks = stages.some(({ kind }) => STAGES[kind].cooks)
  if (!cooks && lines.some(({ id }) => food(id))) found.push(problem('dish-without-pot', 'stages'))
  if (request.dish.servings < BOUNDS.servings[0]) found.push(problem('out-of-range', 'servings'))
  return found
}
