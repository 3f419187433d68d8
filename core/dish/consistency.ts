import { FREE_LIQUIDS } from '../water/liquids'
import { insertedAfter } from './arrange'
import { sumOf } from './contents'
import { answerDish, type DishAnswer } from './dish'
import type { Dish, DishRequest, Stage } from './dish.schema'
import { CONSISTENCIES, type Consistency } from './names'
import { minutesOf, STAGES } from './stages'

/**
 * Up to so much of what is served is loose liquid (engineering estimates: among pulses a pot's “thick” leaves 0.16,
 * “spoonable” 0.36, “pourable” 0.53).
 */
const MOST_LOOSE: Readonly<Record<Consistency, number>> = { dry: 0.05, coating: 0.2, thick: 0.45, thin: 1 }

/** What is served runs so: the share of it that is loose liquid, and what that is called. */
export function consistencyOf({ liquidG, massG }: Pick<DishAnswer, 'liquidG' | 'massG'>): {
  loose: number
  is: Consistency
} {
  const loose = massG > 0 ? Math.max(0, liquidG) / massG : 0
  return { loose, is: CONSISTENCIES.find((one) => loose <= MOST_LOOSE[one])! }
}

/** One way to the consistency that is wanted, and the dish with it. */
export interface WayToRun {
  how: 'rest' | 'mash' | 'simmer' | 'paste' | 'less-water' | 'more-water'
  /** Minutes of a rest or simmer, share that is mashed, g of flour, of water more or less. */
  amount: number
  /** Minutes by which the whole takes longer (positive) or shorter. */
  minutes: number
  becomes: Consistency
  dish: Dish
}

/** Flour binds most and is in most kitchens. */
const PASTE = 'wheat-flour'
/** Something of it can be seen or measured from here on. */
const STEPS: Readonly<Record<WayToRun['how'], number>> = {
  rest: 1,
  mash: 0.1,
  simmer: 1,
  paste: 1,
  'less-water': 1,
  'more-water': 10,
}
const MOST: Readonly<Record<WayToRun['how'], number>> = {
  rest: 10,
  mash: 1,
  simmer: 60,
  paste: 100,
  'less-water': FREE_LIQUIDS.length - 1,
  'more-water': 3000,
}
const PASTE_MINUTES = 3

/**
 * The ways in which the dish comes out as it is wanted, each by itself with the least of it that does, those that take
 * no longer first; none where it does already, or where no way alone leads there. Safety is the answer's own: a way
 * that would be refused is none.
 */
export function waysToRun(request: DishRequest, wanted: Consistency): WayToRun[] {
  const before = answerDish(request)
  if (!before.ok) return []
  const { is } = consistencyOf(before.value)
  if (is === wanted) return []
  const isTooThin = CONSISTENCIES.indexOf(is) > CONSISTENCIES.indexOf(wanted)
  const hows = isTooThin ? (['rest', 'mash', 'less-water', 'simmer', 'paste'] as const) : (['more-water'] as const)
  return hows.flatMap((how) => leastOf(how, request, before.value, wanted) ?? []).sort((a, b) => a.minutes - b.minutes)
}

function leastOf(how: WayToRun['how'], request: DishRequest, before: DishAnswer, wanted: Consistency): WayToRun | null {
  const rank = (one: Consistency) => CONSISTENCIES.indexOf(one)
  const tried = (steps: number): { way: WayToRun; reaches: boolean } | null => {
    const amount = steps * STEPS[how]
    const dish = dishWith(how, amount, request.dish)
    const after = dish && answerDish({ ...request, dish })
    if (!dish || !after?.ok) return null
    const { stages, cautions, spanMinutes } = after.value
    const isBad = stages.some((one) => one.problems.length > 0 || one.cautions.some(({ id }) => id === 'simmer-dry'))
    if (isBad || cautions.some(({ severity }) => severity === 'refuse')) return null
    const { is } = consistencyOf(after.value)
    const reaches = how === 'more-water' ? rank(is) >= rank(wanted) : rank(is) <= rank(wanted)
    const told = how === 'less-water' ? pouredOf(before) - pouredOf(after.value) : amount
    return { way: { how, amount: told, minutes: spanMinutes - before.spanMinutes, becomes: is, dish }, reaches }
  }
  let [low, high] = [0, Math.round(MOST[how] / STEPS[how])]
  let found: WayToRun | null = null
  // What cannot be done with so much may be with less: a pot that boils dry, say.
  while (high - low > 1 || !found) {
    const middle = found ? Math.floor((low + high) / 2) : high
    if (middle <= low) break
    const at = tried(middle)
    if (at?.reaches) {
      found = at.way
      high = middle
    } else if (!at) {
      if (found) break
      high = Math.floor((low + high) / 2)
    } else if (!found) return null
    else low = middle
  }
  return found && found.becomes === wanted ? found : null
}

/** The stage after which the dish is as runny as it will be: the last that cooks, mashes or brings together. */
function lastHot({ stages }: Dish): Stage | undefined {
  return stages
    .filter(({ kind }) => kind === 'pot' || kind === 'simmer' || kind === 'combine' || kind === 'mash')
    .at(-1)
}

function dishWith(how: WayToRun['how'], amount: number, dish: Dish): Dish | null {
  const last = lastHot(dish)
  if (!last) return null
  const id = freeId(dish)
  const changed = (stage: Stage, change: Partial<Stage>): Dish => ({
    ...dish,
    stages: dish.stages.map((one) => (one === stage ? { ...one, ...change } : one)),
  })
  const added = (stage: Omit<Stage, 'from' | 'id' | 'takes'>, takes: Stage['takes'] = []): Dish => ({
    ...dish,
    stages: insertedAfter(dish.stages, last.id, { id, takes, ...stage }),
  })
  switch (how) {
    case 'rest': {
      const rests = dish.stages.find(({ kind }, i) => kind === 'rest' && i > dish.stages.indexOf(last))
      return rests ? changed(rests, { minutes: minutesOf(rests) + amount }) : added({ kind: 'rest', minutes: amount })
    }
    case 'mash':
      return dish.stages.some(({ kind }) => kind === 'mash')
        ? null
        : added({ kind: 'mash', minutes: STAGES.mash.minutes, mashesShare: amount })
    case 'simmer':
      return last.kind === 'simmer'
        ? changed(last, { minutes: minutesOf(last) + amount, lid: false })
        : added({ kind: 'simmer', minutes: amount, flame: 'simmer' })
    case 'paste': {
      const lineId = `${id}-flour`
      const line = { id: lineId, typed: PASTE, what: PASTE, g: amount }
      const takes = [{ line: lineId }]
      const into =
        last.kind === 'simmer'
          ? changed(last, { takes: [...last.takes, ...takes] })
          : added({ kind: 'simmer', minutes: PASTE_MINUTES, flame: 'simmer' }, takes)
      return { ...into, lines: [...dish.lines, line] }
    }
    case 'less-water':
      return lessWater(dish, amount)
    case 'more-water':
      return last.kind === 'simmer'
        ? changed(last, { waterG: (last.waterG ?? 0) + amount })
        : added({ kind: 'simmer', minutes: PASTE_MINUTES, flame: 'simmer', waterG: amount })
  }
}

/** So many steps less around what cooks in the pot; a pot whose water the cook gives is left alone. */
function lessWater(dish: Dish, steps: number): Dish | null {
  const pot = dish.stages.filter(({ kind }) => kind === 'pot').at(-1)
  const at = pot?.pot && pot.pot.pourG === undefined ? FREE_LIQUIDS.indexOf(pot.pot.freeLiquid) : 0
  if (at < steps) return null
  const freeLiquid = FREE_LIQUIDS[at - steps]!
  return {
    ...dish,
    stages: dish.stages.map((one) => (one === pot ? { ...one, pot: { ...one.pot!, freeLiquid } } : one)),
  }
}

const pouredOf = ({ stages }: DishAnswer) => sumOf(stages, ({ liquid }) => liquid.pouredG)

/** An id that no stage and no line has. */
function freeId({ stages, lines }: Dish): string {
  const used = new Set([...stages, ...lines].map(({ id }) => id))
  let n = stages.length + 1
  while (used.has(`s${n}`) || used.has(`s${n}-flour`)) n++
  return `s${n}`
}
