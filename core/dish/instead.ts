import { foodsFor, servingFor, type Serves, type Serving } from '../ingredient/serves'
import { withStandIn } from './arrange'
import { knownOf, sumOf } from './contents'
import { answerDish, type DishAnswer } from './dish'
import type { DishLine, DishRequest } from './dish.schema'
import type { CautionId } from '../safety/rules'
import { minutesToCook } from './open-heat'

/** Something that can stand in for a line, what it does as well, and what it changes in the dish. */
export interface StandIn {
  serves: Serves
  /** What goes in instead, with its g: one thing, or what it is made of. */
  parts: { what: string; g: number | null }[]
  change: {
    /** Water to pour, salt in all, fat, minutes in all: more (positive) or less. */
    pouredG: number
    saltG: number
    fatG: number
    minutes: number
    /** It becomes sour, or is so no more. */
    sour: 'more' | 'less' | 'same'
  }
}

const MOST_TOLD = 8

/**
 * What can stand in for a line by what it does, those that change least first. Each is worked out with the whole dish:
 * what the dish would refuse, or not cook, is not offered.
 */
export function standInsFor(request: DishRequest, lineId: string): StandIn[] {
  const line = request.dish.lines.find(({ id }) => id === lineId)
  const known = line && knownOf(line, request)
  const before = answerDish(request)
  if (!line || !known || !before.ok) return []
  const servings = 'food' in known ? foodsFor(known.food) : servingFor(known.ingredient)
  const found = servings.flatMap((serving) => standIn(request, line, before.value, serving) ?? [])
  const weight = ({ change }: StandIn) =>
    Math.abs(change.pouredG) / 50 + Math.abs(change.saltG) * 2 + Math.abs(change.minutes) / 5
  return found.sort((a, b) => weight(a) - weight(b)).slice(0, MOST_TOLD)
}

function standIn(
  request: DishRequest,
  line: DishLine,
  before: DishAnswer,
  { serves, parts: times }: Serving,
): StandIn | null {
  const parts = times.map((part) => ({ what: part.what, g: line.g === null ? null : line.g * part.times }))
  const dish = withStandIn(request.dish, line.id, parts)
  const after = answerDish({ ...request, dish })
  if (!after.ok || after.value.stages.some(({ problems }) => problems.length > 0)) return null
  const isNew = ({ id, severity, params }: DishAnswer['cautions'][number]) =>
    (severity === 'refuse' || UNDONE.includes(id)) &&
    !before.cautions.some((one) => one.id === id && one.params.food === params.food)
  if (after.value.cautions.some(isNew)) return null
  const [isSourNow, wasSour] = [parts.some(({ what }) => isSour({ what }, request)), isSour(line, request)]
  return {
    serves,
    parts,
    change: {
      pouredG: pouredOf(after.value) - pouredOf(before),
      saltG: after.value.saltG - before.saltG,
      fatG: sumOf(parts, (part) => fatG(part, request)) - fatG(line, request),
      minutes: after.value.spanMinutes - before.spanMinutes,
      sour: isSourNow === wasSour ? 'same' : isSourNow ? 'more' : 'less',
    },
  }
}

/** Cautions that say of a food that the dish does not cook it. */
const UNDONE: readonly CautionId[] = [
  'never-cooked',
  'meat-never-cooked',
  'meat-raw',
  'lectin-not-done',
  'program-short',
]

const pouredOf = ({ stages }: DishAnswer) => sumOf(stages, ({ liquid }) => liquid.pouredG)
function fatG({ what, g }: { what: string | null; g: number | null }, request: DishRequest): number {
  const known = knownOf({ what }, request)
  return known && 'ingredient' in known ? (g ?? 0) * known.ingredient.fat : 0
}
function isSour(line: Pick<DishLine, 'what' | 'own'>, request: DishRequest): boolean {
  const known = knownOf(line, request)
  return known !== null && 'ingredient' in known && known.ingredient.sour
}

/** How something that was forgotten can still go in. */
export type StillIn =
  | { how: 'not-yet' }
  /** Into the dish as it is; salt with so much that it is as salty as planned. */
  | { how: 'stir-in'; g: number | null }
  /** Sizzled in a little fat, and poured over. */
  | { how: 'temper'; minutes: number }
  /** Fried apart until it is golden, and stirred in. */
  | { how: 'fry-apart'; minutes: number }
  /** In an open simmer of so many minutes. */
  | { how: 'simmer'; minutes: number }
  /** It needs so much longer that it is cooked by itself. */
  | { how: 'cook-apart'; minutes: number }
  | { how: 'too-late' }

/** Longer than this nobody lets a finished dish simmer for one thing. */
const LONGEST_SIMMER_MINUTES = 20
/** What was cooked before is hot through in a simmer of so many minutes (general kitchen practice). */
const WARMS_MINUTES = 5

/** What can be done about a line that was forgotten, seen at a stage: the stages before it are done. */
export function forgotten(request: DishRequest, lineId: string, atStage: string): StillIn {
  const { lines, stages } = request.dish
  const line = lines.find(({ id }) => id === lineId)
  const known = line && knownOf(line, request)
  if (!known) return { how: 'stir-in', g: line?.g ?? null }
  const now = stages.findIndex(({ id }) => id === atStage)
  const planned = stages.findIndex(({ takes }) => takes.some((take) => take.line === lineId))
  if (planned >= now) return { how: 'not-yet' }
  if ('food' in known) {
    const minutes = line.kept ? WARMS_MINUTES : minutesToCook(known.food, request.kitchen)
    if (minutes === null) return { how: 'too-late' }
    return minutes <= LONGEST_SIMMER_MINUTES ? { how: 'simmer', minutes } : { how: 'cook-apart', minutes }
  }
  const stirIn = { how: 'stir-in', g: line.g } as const
  switch (known.ingredient.group) {
    case 'whole-spice':
    case 'chilli':
      return { how: 'temper', minutes: 1 }
    case 'ground-spice':
      return { how: 'temper', minutes: 0.5 }
    case 'onion':
      return { how: 'fry-apart', minutes: 9 }
    case 'garlic':
    case 'paste':
      return { how: 'fry-apart', minutes: 2 }
    case 'leaf':
      return { how: 'simmer', minutes: 10 }
    case 'tomato':
      return { how: 'simmer', minutes: 8 }
    case 'root':
    case 'squash':
    case 'firm-vegetable':
      return { how: 'simmer', minutes: 12 }
    case 'soft-vegetable':
    case 'mushroom':
      return { how: 'simmer', minutes: 7 }
    case 'greens':
    case 'thickener':
    case 'cooked-pulse':
      return { how: 'simmer', minutes: 4 }
    case 'raising':
      // Soda softens while it cooks; afterwards it only tastes.
      return { how: 'too-late' }
    default:
      return stirIn
  }
}
