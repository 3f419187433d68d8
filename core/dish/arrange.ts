import type { Dish, DishLine, Stage, Take } from './dish.schema'
import { flameOf, minutesOf, STAGES, vesselOf } from './stages'

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

/** The stage with which one can be joined: the same thing done in the same vessel, from which alone it goes on. */
export function joinsWith(stages: readonly Stage[], id: string): Stage | null {
  const stage = stages.find((one) => one.id === id)
  const [from, ...others] = stage?.from ?? []
  const before = from?.part === 'all' && others.length === 0 ? stages.find((one) => one.id === from.stage) : undefined
  if (!stage || !before || !canPart(stage) || before.kind !== stage.kind) return null
  const isSame =
    vesselOf(before) === vesselOf(stage) &&
    flameOf(before) === flameOf(stage) &&
    (before.lid ?? false) === (stage.lid ?? false)
  // What is kept back or taken out in between would have no moment any more.
  const endsThere = before.keepsG ?? before.keepsFatG ?? (before.takesOutPouch ? 1 : undefined)
  return isSame && endsThere === undefined ? before : null
}

/** The stages with one joined to the one before it: what went in later goes in at its minute. As they were where it cannot be. */
export function joined(stages: readonly Stage[], id: string): Stage[] {
  const first = joinsWith(stages, id)
  const second = stages.find((one) => one.id === id)
  if (!first || !second) return [...stages]
  const begins = minutesOf(first)
  const inTurn = STAGES[first.kind].fields.includes('inTurn')
  const later = second.takes.map((take): Take => (inTurn ? { ...take, atMinute: (take.atMinute ?? 0) + begins } : take))
  const hands = [first, second].flatMap(({ handsMinutes }) => handsMinutes ?? [])
  const water = [first, second].flatMap(({ waterG }) => waterG ?? [])
  const reminders = [
    ...(first.reminders ?? []),
    ...(second.reminders ?? []).map((one) => ({ ...one, atMinute: one.atMinute + begins })),
  ]
  const { id: _, takes: __, from: ___, reminders: ____, ...rest } = second
  const one: Stage = {
    ...first,
    ...rest,
    minutes: begins + minutesOf(second),
    takes: [...first.takes, ...later.filter(({ line }) => !first.takes.some((take) => take.line === line))].map(
      (take) => withAll(take, later),
    ),
    ...(hands.length === 2 ? { handsMinutes: hands[0]! + hands[1]! } : {}),
    ...(water.length > 0 ? { waterG: water.reduce((sum, g) => sum + g, 0) } : {}),
    ...(reminders.length > 0 ? { reminders } : {}),
  }
  return stages.flatMap((stage) => {
    if (stage.id === id) return []
    if (stage.id === first.id) return [one]
    return [{ ...stage, from: stage.from.map((of) => (of.stage === id ? { ...of, stage: first.id } : of)) }]
  })
}

/** A portion with what the other stage took of the same line. */
function withAll(take: Take, later: readonly Take[]): Take {
  const more = later.find(({ line }) => line === take.line)
  if (!more || more === take) return take
  const { g, ...rest } = take
  return g === undefined || more.g === undefined ? rest : { ...rest, g: g + more.g }
}

/** A pot is one closing of its lid, and what goes on alone is one thing. */
export const canPart = ({ kind }: Pick<Stage, 'kind'>): boolean =>
  kind !== 'pot' && kind !== 'drain' && !STAGES[kind].passive && !STAGES[kind].afterServing

/**
 * The stages with one parted in two: before what goes in last, or half way where all goes in at once. What is kept,
 * taken out or waited for at its end belongs to the second. As they were where it is too short.
 */
export function parted(stages: readonly Stage[], id: string, newId: string): Stage[] {
  const stage = stages.find((one) => one.id === id)
  const minutes = stage ? minutesOf(stage) : 0
  if (!stage || !canPart(stage) || minutes < 2) return [...stages]
  const lastTurn = Math.max(0, ...stage.takes.map(({ atMinute }) => atMinute ?? 0))
  const at = lastTurn > 0 && lastTurn < minutes ? lastTurn : Math.round(minutes / 2)
  const isLater = ({ atMinute = 0 }: { atMinute?: number }) => atMinute >= at
  const shifted = <T extends { atMinute?: number }>(one: T): T => ({ ...one, atMinute: (one.atMinute ?? 0) - at })
  const hands = stage.handsMinutes
  const { until, keepsG, keepsFatG, takesOutPouch, waterG, measured, ...common } = stage
  const ends = { until, keepsG, keepsFatG, takesOutPouch }
  const first: Stage = {
    ...common,
    minutes: at,
    takes: stage.takes.filter((take) => !isLater(take)),
    ...(waterG === undefined ? {} : { waterG }),
    ...(measured === undefined ? {} : { measured }),
    ...(hands === undefined ? {} : { handsMinutes: (hands * at) / minutes }),
    ...(stage.reminders ? { reminders: stage.reminders.filter((one) => !isLater(one)) } : {}),
  }
  const second: Stage = {
    ...common,
    ...Object.fromEntries(Object.entries(ends).filter(([, value]) => value !== undefined)),
    id: newId,
    minutes: minutes - at,
    from: [{ stage: id, part: 'all' }],
    takes: stage.takes.filter(isLater).map(shifted),
    ...(hands === undefined ? {} : { handsMinutes: (hands * (minutes - at)) / minutes }),
    ...(stage.reminders ? { reminders: stage.reminders.filter(isLater).map(shifted) } : {}),
  }
  return stages.flatMap((one) =>
    one.id === id
      ? [first, second]
      : [{ ...one, from: one.from.map((of) => (of.stage === id ? { ...of, stage: newId } : of)) }],
  )
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
