import type { DishLine, Stage } from '../core/dish/dish.schema'
import type { DishDocument } from './dish'

/** What two devices have both changed, each in its own way. */
export type DishClash =
  | { what: 'name' | 'servings' | 'note' | 'wanted' | 'order' }
  | { what: 'line'; line: DishLine }
  | { what: 'stage'; stage: Stage }

const same = (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other)

/** The one of two values that was changed since `base`; ours, and `clash`, where both were, each in its own way. */
function picked<Value>(base: Value, theirs: Value, ours: Value, clash: () => void): Value {
  if (same(ours, base) || same(ours, theirs)) return theirs
  if (!same(theirs, base)) clash()
  return ours
}

/**
 * What two devices have done to the same dish at once, put together: lines and stages that either has added, changed or
 * taken out, and what neither has touched. Where both have changed the same thing, ours stands, and it is told.
 */
export function mergedDish(
  base: DishDocument,
  theirs: DishDocument,
  ours: DishDocument,
): { dish: DishDocument; clashes: DishClash[] } {
  const clashes: DishClash[] = []
  const field = <Key extends 'name' | 'servings' | 'note' | 'wanted'>(key: Key): DishDocument[Key] =>
    picked(base[key], theirs[key], ours[key], () => clashes.push({ what: key }))
  const list = <One extends { id: string }>(
    of: (dish: DishDocument) => readonly One[],
    merge: (before: One | undefined, theirOne: One, ourOne: One) => One,
    clash: (one: One) => DishClash,
  ) =>
    mergedList({
      base: of(base),
      theirs: of(theirs),
      ours: of(ours),
      idOf: ({ id }) => id,
      merge,
      onClash: (one) => clashes.push(one ? clash(one) : { what: 'order' }),
    })
  const lines = list(
    ({ lines: all }) => all,
    (before, theirOne, ourOne) =>
      picked(before, theirOne, ourOne, () => clashes.push({ what: 'line', line: ourOne })) as DishLine,
    (line) => ({ what: 'line', line }),
  )
  const stages = list(
    ({ stages: all }) => all,
    (before, theirOne, ourOne) =>
      mergedStage(before, theirOne, ourOne, () => clashes.push({ what: 'stage', stage: ourOne })),
    (stage) => ({ what: 'stage', stage }),
  )
  const [note, wanted] = [field('note'), field('wanted')]
  const { note: _note, wanted: _wanted, ...rest } = theirs
  const dish = {
    ...rest,
    name: field('name'),
    servings: field('servings'),
    ...(note ? { note } : {}),
    ...(wanted ? { wanted } : {}),
  }
  return { dish: { ...dish, lines, stages: withoutGone(stages, lines) }, clashes }
}

function mergedStage(before: Stage | undefined, theirs: Stage, ours: Stage, clash: () => void): Stage {
  const base = before ?? ({ ...ours, takes: [], from: [] } satisfies Stage)
  const keys = new Set([...Object.keys(theirs), ...Object.keys(ours)]) as Set<keyof Stage>
  const fields = [...keys].flatMap((key) => {
    if (key === 'takes' || key === 'from') return []
    const value = picked(base[key], theirs[key], ours[key], clash)
    return value === undefined ? [] : [[key, value]]
  })
  const part = <One>(of: (stage: Stage) => readonly One[], idOf: (one: One) => string) =>
    mergedList({
      base: of(base),
      theirs: of(theirs),
      ours: of(ours),
      idOf,
      merge: (was, theirOne, ourOne) => picked(was, theirOne, ourOne, clash) as One,
      onClash: clash,
    })
  return {
    ...(Object.fromEntries(fields) as Stage),
    takes: part(
      ({ takes }) => takes,
      ({ line }) => line,
    ),
    from: part(
      ({ from }) => from,
      ({ stage, part: which }) => `${stage} ${which}`,
    ),
  }
}

/** Lists put together one by one; their order is that of whoever has changed it. */
function mergedList<One>({
  base,
  theirs,
  ours,
  idOf,
  merge,
  onClash,
}: {
  base: readonly One[]
  theirs: readonly One[]
  ours: readonly One[]
  idOf: (one: One) => string
  merge: (before: One | undefined, theirs: One, ours: One) => One
  onClash: (one: One | null) => void
}): One[] {
  const by = (all: readonly One[]) => new Map(all.map((one) => [idOf(one), one]))
  const [before, their, our] = [by(base), by(theirs), by(ours)]
  const merged = new Map<string, One>()
  for (const id of new Set([...their.keys(), ...our.keys()])) {
    const [was, theirOne, ourOne] = [before.get(id), their.get(id), our.get(id)]
    if (theirOne && ourOne) merged.set(id, merge(was, theirOne, ourOne))
    else {
      // Taken out by one, it is gone, unless the other has changed it meanwhile.
      const left = (theirOne ?? ourOne)!
      if (was && same(left, was)) continue
      if (was) onClash(left)
      merged.set(id, left)
    }
  }
  const inAll = (all: readonly One[]) => all.map(idOf).filter((id) => before.has(id) && their.has(id) && our.has(id))
  const order = [...picked(inAll(base), inAll(theirs), inAll(ours), () => onClash(null))]
  // What is in one of them only stands behind what it stood behind there.
  for (const all of [theirs, ours])
    all.map(idOf).forEach((id, i, ids) => {
      if (order.includes(id) || !merged.has(id)) return
      const behind = ids.slice(0, i).findLast((other) => order.includes(other))
      order.splice(behind === undefined ? 0 : order.indexOf(behind) + 1, 0, id)
    })
  return order.flatMap((id) => merged.get(id) ?? [])
}

/** Stages that take nothing of lines, and go on with no stage, that are not there or come later. */
function withoutGone(stages: readonly Stage[], lines: readonly DishLine[]): Stage[] {
  const known = new Set(lines.map(({ id }) => id))
  return stages.map((stage, i) => {
    const earlier = new Set(stages.slice(0, i).map(({ id }) => id))
    return {
      ...stage,
      takes: stage.takes.filter(({ line }) => known.has(line)),
      from: stage.from.filter((one) => earlier.has(one.stage)),
    }
  })
}
