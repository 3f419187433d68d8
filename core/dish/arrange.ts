import type { Dish, DishLine, Stage } from './dish.schema'

/**
 * The stages with one of them at another place. Where two that change places flow into one another, they change places
 * in the flow too, so that nothing takes from what comes after it. As they were where there is no such place.
 */
export function moved(stages: readonly Stage[], index: number, to: number): Stage[] {
  if (Math.min(index, to) < 0 || Math.max(index, to) >= stages.length) return [...stages]
  const by = Math.sign(to - index)
  let all = [...stages]
  for (let at = index; at !== to; at += by) all = swapped(all, Math.min(at, at + by))
  return all
}

/** The stages with the one at a place and the next one changed over. */
function swapped(stages: readonly Stage[], at: number): Stage[] {
  const [first, second] = [stages[at]!, stages[at + 1]!]
  const flows = second.from.some(({ stage }) => stage === first.id)
  if (!flows) return [...stages.slice(0, at), second, first, ...stages.slice(at + 2)]
  const rest = second.from.filter(({ stage }) => stage !== first.id)
  const now = { ...second, from: unique([...first.from, ...rest]) }
  const then = { ...first, from: [{ stage: second.id, part: 'all' as const }] }
  // Who went on with the second goes on with what is now the last of the two.
  const after = stages.slice(at + 2).map((stage) => ({
    ...stage,
    from: stage.from.map((one) => (one.stage === second.id && one.part === 'all' ? { ...one, stage: first.id } : one)),
  }))
  return [...stages.slice(0, at), now, then, ...after]
}

/** The stages with one more after another: who went on with that goes on with the new one. */
export function insertedAfter(stages: readonly Stage[], id: string, stage: Omit<Stage, 'from'>): Stage[] {
  const at = stages.findIndex((one) => one.id === id)
  const later = stages.slice(at + 1).map((one) => ({
    ...one,
    from: one.from.map((from) => (from.stage === id && from.part === 'all' ? { ...from, stage: stage.id } : from)),
  }))
  return [...stages.slice(0, at + 1), { ...stage, from: [{ stage: id, part: 'all' }] }, ...later]
}

/** The stages without one of them: who went on with it goes on with what it had. */
export function without(stages: readonly Stage[], index: number): Stage[] {
  const gone = stages[index]
  if (!gone) return [...stages]
  return stages
    .filter((stage) => stage !== gone)
    .map((stage) => ({
      ...stage,
      from: unique(stage.from.flatMap((one) => (one.stage !== gone.id ? [one] : one.part === 'all' ? gone.from : []))),
    }))
}

/** The stages with a line whole in one of them, and nowhere else. */
export function withLineAt(stages: readonly Stage[], line: string, at: string): Stage[] {
  return stages.map((stage) => {
    const takes = stage.takes.filter((take) => take.line !== line)
    const here = stage.id === at
    const pot = stage.pot && { ...stage.pot, foods: stage.pot.foods.filter((food) => here || food.line !== line) }
    return { ...stage, takes: here ? [...takes, { line }] : takes, ...(pot ? { pot } : {}) }
  })
}

/** The dish without a line, wherever it goes in. */
export function withoutLine(dish: Pick<Dish, 'lines' | 'stages'>, line: string): Pick<Dish, 'lines' | 'stages'> {
  return {
    lines: dish.lines.filter(({ id }) => id !== line),
    stages: withLineAt(dish.stages, line, ''),
  }
}

/** The dish with other things in place of a line, wherever it goes in; the first of them takes the line's place. */
export function withStandIn(dish: Dish, lineId: string, parts: readonly Pick<DishLine, 'what' | 'g'>[]): Dish {
  const line = dish.lines.find(({ id }) => id === lineId)
  if (!line) return dish
  const used = new Set(dish.lines.map(({ id }) => id))
  const free = Array.from({ length: used.size + parts.length }, (_, n) => `${lineId}-${n + 1}`).filter(
    (id) => !used.has(id),
  )
  const idOf = (n: number) => (n === 0 ? lineId : free[n - 1]!)
  const { kept: _kept, own: _own, maybe: _maybe, portionId: _portion, dishId: _made, ...plain } = line
  const lines = parts.map(({ what, g }, n): DishLine => ({ ...plain, id: idOf(n), typed: what ?? '', what, g }))
  return {
    ...dish,
    lines: dish.lines.flatMap((one) => (one.id === lineId ? lines : one)),
    stages: dish.stages.map((stage) => ({
      ...stage,
      takes: stage.takes.flatMap((take) =>
        take.line === lineId
          ? parts.map(({ g }, n) => ({
              ...take,
              line: idOf(n),
              // Portions that were said in grams follow the strength of what stands in.
              ...(take.g === undefined || !line.g || g === null ? {} : { g: (take.g * g) / line.g }),
            }))
          : take,
      ),
    })),
  }
}

const unique = (from: Stage['from']): Stage['from'] =>
  from.filter((one, i) => from.findIndex((other) => other.stage === one.stage && other.part === one.part) === i)
