import { CATALOGUE } from '../food/catalogue'
import { INGREDIENTS } from '../ingredient/ingredients'
import { knownOf, type Known } from './contents'
import { answerDish, type DishAnswer } from './dish'
import type { DishRequest } from './dish.schema'
import type { CautionId } from '../safety/rules'
import { strengthOf } from '../ingredient/strength'
import { minutesToCook } from './open-heat'

/** Something that can stand in for a line, and what it changes in the dish. */
export interface StandIn {
  what: string
  g: number | null
  change: {
    /** Water to pour, salt in all, fat, minutes in all: more (positive) or less. */
    pouredG: number
    saltG: number
    fatG: number
    minutes: number
    /** It becomes sour, or is so no more. */
    sour: 'more' | 'less' | 'same'
  }
  refused: boolean
  /** It would not be cooked in this dish as it stands; minutes in an open boil that it takes, null where none do. */
  undone: { minutes: number | null } | null
}

const MOST_TOLD = 6

/** What can stand in for a line, those that change least first. */
export function standInsFor(request: DishRequest, lineId: string): StandIn[] {
  const line = request.dish.lines.find(({ id }) => id === lineId)
  const known = line && knownOf(line, request)
  const before = answerDish(request)
  if (!line || !known || !before.ok) return []
  const found = candidates(known).flatMap((what): StandIn[] => {
    const g = line.g === null ? null : (line.g * strengthOf(line.what!)) / strengthOf(what)
    const lines = request.dish.lines.map((one) => (one.id === lineId ? { ...one, what, g, kept: undefined } : one))
    // Portions that were said in grams follow the strength of what stands in.
    const times = line.g && g !== null ? g / line.g : 1
    const stages = request.dish.stages.map((stage) => ({
      ...stage,
      takes: stage.takes.map((take) =>
        take.line === lineId && take.g !== undefined ? { ...take, g: take.g * times } : take,
      ),
    }))
    const after = answerDish({ ...request, dish: { ...request.dish, lines, stages } })
    if (!after.ok || after.value.stages.some(({ problems }) => problems.length > 0)) return []
    const is = knownOf({ what }, request)!
    return [
      {
        what,
        g,
        change: {
          pouredG: pouredOf(after.value) - pouredOf(before.value),
          saltG: after.value.saltG - before.value.saltG,
          fatG: (g ?? 0) * fatOf(is) - (line.g ?? 0) * fatOf(known),
          minutes: after.value.spanMinutes - before.value.spanMinutes,
          sour: isSour(is) === isSour(known) ? 'same' : isSour(is) ? 'more' : 'less',
        },
        refused: after.value.cautions.some(({ severity }) => severity === 'refuse'),
        undone: undoneBy(after.value, is, request),
      },
    ]
  })
  const weight = ({ change, refused, undone }: StandIn) =>
    (refused ? 1000 : 0) +
    (undone ? 500 : 0) +
    Math.abs(change.pouredG) / 50 +
    Math.abs(change.saltG) * 2 +
    Math.abs(change.minutes) / 5
  return found.sort((a, b) => weight(a) - weight(b)).slice(0, MOST_TOLD)
}

/** Cautions that say of a food that the dish does not cook it. */
const UNDONE: readonly CautionId[] = [
  'never-cooked',
  'meat-never-cooked',
  'meat-raw',
  'lectin-not-done',
  'program-short',
]

function undoneBy({ cautions }: DishAnswer, is: Known, { kitchen }: DishRequest): StandIn['undone'] {
  if (!('food' in is)) return null
  const { food } = is
  const isUndone = cautions.some(({ id, params }) => UNDONE.includes(id) && params.food === food.id)
  return isUndone ? { minutes: minutesToCook(food, kitchen) } : null
}

const pouredOf = ({ stages }: DishAnswer) => stages.reduce((sum, { liquid }) => sum + liquid.pouredG, 0)
const fatOf = (known: Known) => ('ingredient' in known ? known.ingredient.fat : 0)
const isSour = (known: Known) => 'ingredient' in known && known.ingredient.sour

/** Others of its group; the figures of the dish tell them apart. */
function candidates(known: Known): string[] {
  if ('food' in known)
    return CATALOGUE.filter(({ group, id }) => group === known.food.group && id !== known.food.id).map(({ id }) => id)
  const { group, id } = known.ingredient
  return INGREDIENTS.filter((one) => one.group === group && one.id !== id).map((one) => one.id)
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
