import { heightOfMm, stackFaults, tierWidthMm, type StandingTin } from '../pot/stacking'
import type { PotBody } from '../appliance/kind'
import type { PreparedFood } from '../program/prepared'
import { tinLevelMl, tinLimit } from '../program/tins'
import { trivetsOf, type OwnedTin, type StackAsk } from './ask'

/** Where every food stands: in the base, or in a tin of a tier. */
export interface Arrangement {
  /** The food in the base, by its place in the ask; null for water alone. */
  base: number | null
  /** From below; a tier holds one tin, or two side by side. */
  tiers: { food: number; tin: OwnedTin; covered: boolean }[][]
  trivetMm: number
}

/** Whether a food fits a tin at all: by its width in the pot, its level, and the thickness of its pieces. */
export function fitsTin(item: PreparedFood, tin: OwnedTin, body: PotBody): boolean {
  return (
    stackFaults(body, 0, [[standingTin(tin, false)]]).every(({ id }) => id !== 'tin-too-wide') &&
    tinLevelMl([item]) <= tinLimit([item]) * tin.volumeMl &&
    item.food.sizeMm <= tin.heightMm
  )
}

/** Every arrangement that fits, stands and keeps its locks. `baseL` is how high a food reaches in the base. */
export function* arrangements(
  ask: StackAsk,
  foods: readonly PreparedFood[],
  body: PotBody,
  baseL: (food: number) => number,
): Generator<Arrangement> {
  const trivets = [...trivetsOf(ask)].sort((a, b) => a - b)
  for (const base of basesOf(ask)) {
    const reachesMm = base === null ? 0 : Math.max(heightOfMm(baseL(base), body), foods[base]!.food.sizeMm)
    const trivetMm = trivets.find((mm) => reachesMm <= mm)
    if (trivetMm === undefined) continue
    const inTins = foods.map((_, i) => i).filter((i) => i !== base)
    const room = roomFor(body, trivetMm)
    for (const tins of assignments(ask, foods, inTins, body, room))
      yield* stacks(ask, body, base, trivetMm, inTins, tins)
  }
}

/** Which food may be the dish in the base: one at most, and water alone unless one must be there. */
function basesOf({ foods }: StackAsk): (number | null)[] {
  const must = foods.flatMap(({ lock }, i) => (lock === 'base' ? [i] : []))
  if (must.length > 1) return []
  if (must.length === 1) return must
  return [null, ...foods.flatMap(({ lock }, i) => (lock === 'any' ? [i] : []))]
}

/** Every way to give each food a tin of its own. Tins that are alike are taken in their order, once. */
function* assignments(
  ask: StackAsk,
  foods: readonly PreparedFood[],
  inTins: readonly number[],
  body: PotBody,
  room: (tins: readonly OwnedTin[]) => boolean,
  taken: OwnedTin[] = [],
): Generator<OwnedTin[]> {
  const food = inTins[taken.length]
  if (food === undefined) {
    yield taken
    return
  }
  const { lock } = ask.foods[food]!
  const tried = new Set<string>()
  for (const tin of ask.tins) {
    if (taken.includes(tin) || (typeof lock === 'object' && lock.tinId !== tin.id)) continue
    const { id: _, ...size } = tin
    const alike = JSON.stringify(size)
    if (tried.has(alike) || !fitsTin(foods[food]!, tin, body)) continue
    tried.add(alike)
    // What does not fit now fits no better with another tin.
    if (room([...taken, tin])) yield* assignments(ask, foods, inTins, body, room, [...taken, tin])
  }
}

/** Every stable stack of these tins that fits under the lid, each with the covers it may have. */
function* stacks(
  ask: StackAsk,
  body: PotBody,
  base: number | null,
  trivetMm: number,
  inTins: readonly number[],
  tins: readonly OwnedTin[],
): Generator<Arrangement> {
  const placed = inTins.map((food, i) => ({ food, tin: tins[i]! }))
  if (placed.length === 0) {
    yield { base, tiers: [], trivetMm }
    return
  }
  // Only what becomes of the foods matters, and the tiers' order changes none of it: the first that stands will do.
  for (const groups of tierings(placed)) {
    const ordered = orderOf(ask, groups)
    const top = ordered.at(-1)!
    if (placed.some(({ food }) => ask.foods[food]!.lock === 'top' && !top.some((one) => one.food === food))) continue
    const covers = coversOf(top.map(({ tin }) => tin))
    const standing = (lastCovered: readonly boolean[]) =>
      ordered.map((tier, level) =>
        tier.map(({ food, tin }, i) => ({ food, tin, covered: level < ordered.length - 1 || lastCovered[i]! })),
      )
    const fits = (tiers: Arrangement['tiers']) =>
      stackFaults(
        body,
        trivetMm,
        tiers.map((tier) => tier.map(({ tin, covered }) => standingTin(tin, covered))),
      ).length === 0
    const able = covers.map(standing).filter(fits)
    if (able.length === 0) continue
    for (const tiers of able) yield { base, tiers, trivetMm }
    return
  }
}

/** Tells whether tins can be stacked on a trivet at all, whatever is in them; each set is worked out once. */
function roomFor(body: PotBody, trivetMm: number): (tins: readonly OwnedTin[]) => boolean {
  const known = new Map<string, boolean>()
  return (tins) => {
    const key = tins
      .map(({ id }) => id)
      .sort()
      .join()
    const before = known.get(key)
    if (before !== undefined) return before
    const placed = tins.map((tin, food) => ({ food, tin }))
    let fits = false
    for (const groups of tierings(placed)) {
      const standing = [...groups]
        .sort((a, b) => widthOf(b) - widthOf(a))
        .map((tier, i, all) => tier.map(({ tin }) => standingTin(tin, i < all.length - 1)))
      fits = stackFaults(body, trivetMm, standing).length === 0
      if (fits) break
    }
    known.set(key, fits)
    return fits
  }
}

const standingTin = (tin: OwnedTin, covered: boolean): StandingTin => ({
  ...tin,
  cover: !covered ? 'none' : tin.lid ? 'lid' : 'foil',
})
const widthOf = (tier: readonly Placed[]) => tierWidthMm(tier.map(({ tin }) => standingTin(tin, false)))

type Placed = { food: number; tin: OwnedTin }

/** Every way to put tins into tiers of one or two. */
function* tierings(placed: readonly Placed[]): Generator<Placed[][]> {
  const [first, ...rest] = placed
  if (!first) {
    yield []
    return
  }
  for (const groups of tierings(rest)) yield [[first], ...groups]
  for (const [i, other] of rest.entries())
    for (const groups of tierings(rest.filter((_, j) => j !== i))) yield [[first, other], ...groups]
}

/** The widest tier below; of those that must be on top, above all others. */
function orderOf({ foods }: StackAsk, groups: readonly Placed[][]): Placed[][] {
  const onTop = (tier: readonly Placed[]) => tier.some(({ food }) => foods[food]!.lock === 'top')
  return [...groups].sort((a, b) => Number(onTop(a)) - Number(onTop(b)) || widthOf(b) - widthOf(a))
}

/** Covered or not, for the tins of the top tier; those below are covered in any case. */
function coversOf(tins: readonly OwnedTin[]): boolean[][] {
  return tins.reduce<boolean[][]>(
    (all) =>
      all.flatMap((one) => [
        [...one, false],
        [...one, true],
      ]),
    [[]],
  )
}
