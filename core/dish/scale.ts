import type { Outcome } from '../problem'
import type { CautionId } from '../safety/rules'
import { knownOf, sumOf } from './contents'
import { answerDish, type DishAnswer } from './dish'
import type { Dish, DishRequest, PotOfStage, Stage } from './dish.schema'
import { STAGES } from './stages'

/** What of a batch grows slower than its servings; each can be switched to straight. */
export interface Straight {
  spices?: boolean
  fat?: boolean
}

// Exponents of the servings (engineering estimates): spices taste stronger in a larger pot, frying fat covers a floor
// that grows slower than what is fried, and hands get quicker by the piece.
const SPICES = 0.8
const FRYING_FAT = 0.7
const HANDS = 0.6
const SPICE_GROUPS = new Set(['whole-spice', 'ground-spice', 'chilli', 'leaf'])
/** The salt is found in so many rounds: its share is nearly in proportion to it. */
const ROUNDS = 4

/**
 * The dish for so many servings. Foods and vegetables grow in proportion; spices, frying fat and hands slower; salt by
 * its share of what is eaten; what boils away of an open simmer not at all. The water of a pot is solved anew by
 * whoever asks for the answer.
 */
export function scaled(request: DishRequest, servings: number, straight: Straight = {}): Outcome<DishRequest> {
  const whole = answerDish(request)
  if (!whole.ok) return whole
  const n = servings / request.dish.servings
  let dish: Dish = scaledApartFromSalt(request, whole.value, n, straight)
  dish = { ...dish, servings }
  for (let round = 0; round < ROUNDS; round++) {
    const now = answerDish({ ...request, dish })
    if (!now.ok) return now
    const { saltG, saltShare, massG } = now.value
    // The salt that stays of each gram that goes in as such; the rest leaves with the water of a soak.
    const addedG = saltOf(dish, request)
    if (addedG <= 0 || massG <= 0 || Math.abs(saltShare - whole.value.saltShare) < 1e-9) break
    const wantedG = whole.value.saltShare * massG
    const fromSauces = saltFromOthers(dish, request)
    const stays = Math.max(0.05, (saltG - Math.min(saltG, fromSauces)) / addedG)
    const times = Math.max(0, 1 + (wantedG - saltG) / (stays * addedG))
    dish = withSaltTimes(dish, request, times)
  }
  return { ok: true, value: { ...request, dish } }
}

const isSalt = (what: string | null, request: DishRequest) => {
  const known = knownOf({ what }, request)
  return known !== null && 'ingredient' in known && known.ingredient.group === 'salt'
}

const saltOf = ({ lines }: Dish, request: DishRequest) =>
  sumOf(lines, ({ what, g }) => (isSalt(what, request) ? (g ?? 0) : 0))

function saltFromOthers({ lines }: Dish, request: DishRequest): number {
  return sumOf(lines, (line) => {
    const known = knownOf(line, request)
    if (!known || !('ingredient' in known) || known.ingredient.group === 'salt') return 0
    return (line.g ?? 0) * known.ingredient.salt
  })
}

function withSaltTimes(dish: Dish, request: DishRequest, times: number): Dish {
  const salts = new Set(dish.lines.filter(({ what }) => isSalt(what, request)).map(({ id }) => id))
  const all = (g: number | undefined) => (g === undefined ? {} : { g: g * times })
  return {
    ...dish,
    lines: dish.lines.map((line) => (salts.has(line.id) && line.g !== null ? { ...line, g: line.g * times } : line)),
    stages: dish.stages.map((stage) => ({
      ...stage,
      takes: stage.takes.map((take) => (salts.has(take.line) ? { ...take, ...all(take.g) } : take)),
    })),
  }
}

function scaledApartFromSalt(request: DishRequest, answer: DishAnswer, n: number, straight: Straight): Dish {
  const { dish } = request
  const timesAt = (line: string, stage: Stage) => {
    const known = knownOf(
      dish.lines.find(({ id }) => id === line)!,
      request,
    )
    if (!known || !('ingredient' in known)) return n
    const { group } = known.ingredient
    if (SPICE_GROUPS.has(group)) return straight.spices ? n : n ** SPICES
    const fries = stage.kind === 'fry' || stage.kind === 'temper'
    return group === 'fat' && fries && !straight.fat ? n ** FRYING_FAT : n
  }
  const portions = answer.stages.flatMap(({ takes }, i) =>
    takes.map(({ line, g }) => ({ line, g: g === null ? null : g * timesAt(line, dish.stages[i]!) })),
  )
  return {
    ...dish,
    lines: dish.lines.map((line) => {
      const own = portions.filter((one) => one.line === line.id)
      const g = line.g === null ? null : own.length === 0 ? line.g * n : sumOf(own, (one) => one.g ?? 0)
      const kept = line.kept && {
        ...line.kept,
        dryG: line.kept.dryG * (g ?? 0) * (line.g ? 1 / line.g : 0),
        saltG: line.kept.saltG * n,
      }
      return { ...line, g, ...(kept ? { kept } : {}) }
    }),
    stages: dish.stages.map((stage, i) => scaledStage(stage, answer.stages[i]!, n, timesAt)),
  }
}

function scaledStage(
  stage: Stage,
  { liquid }: DishAnswer['stages'][number],
  n: number,
  timesAt: (line: string, stage: Stage) => number,
): Stage {
  const { handsMinutes: usual } = STAGES[stage.kind]
  const inHands = usual === 'all'
  const slower = n ** HANDS
  const { waterG, keepsG, keepsFatG, minutes, handsMinutes, pot, reminders } = stage
  const later = minutes !== undefined && inHands ? slower : 1
  // What boils away goes by the surface and the minutes, not by how much there is.
  const water = waterG === undefined ? undefined : Math.max(0, waterG * n - liquid.boiledG * (n - 1))
  return {
    ...stage,
    takes: stage.takes.map((take) => ({
      ...take,
      ...(take.g === undefined ? {} : { g: take.g * timesAt(take.line, stage) }),
      ...(take.atMinute === undefined ? {} : { atMinute: take.atMinute * later }),
    })),
    ...(reminders ? { reminders: reminders.map((one) => ({ ...one, atMinute: one.atMinute * later })) } : {}),
    from: stage.from.map((one) => (one.g === undefined ? one : { ...one, g: one.g * n })),
    ...(water === undefined ? {} : { waterG: water }),
    ...(keepsG === undefined ? {} : { keepsG: keepsG * n }),
    ...(keepsFatG === undefined ? {} : { keepsFatG: keepsFatG * n }),
    ...(minutes === undefined ? {} : { minutes: minutes * later }),
    ...(handsMinutes === undefined ? {} : { handsMinutes: handsMinutes * slower }),
    ...(pot?.pourG === undefined ? {} : { pot: { ...pot, pourG: pot.pourG * n } }),
  }
}

/** A way to get a dish into pots that it does not fit, with the minutes that all of it takes then. */
export type WayToFit =
  | { kind: 'batches'; batches: number; servingsEach: number; minutes: number }
  | { kind: 'cooker'; cookerId: string; stage: string; minutes: number }
  /** In two cookers at once; the first of them is the dish's own where it is null. */
  | { kind: 'two'; cookerIds: [string | null, string]; servings: [number, number]; minutes: number }

/** More often than this nobody fills one pot for a meal. */
const MOST_BATCHES = 12

const TOO_FULL: readonly CautionId[] = ['too-full', 'tin-too-full']

/** Tells whether every pot of the dish can be closed with it. */
export function fits(answer: DishAnswer): boolean {
  const tooFull = (one: DishAnswer['stages'][number]) =>
    one.problems.some(({ code }) => code === 'water-over-capacity') ||
    one.cautions.some(({ id }) => TOO_FULL.includes(id))
  return !answer.stages.some(tooFull)
}

/** Something else than how full it is stands in its way: beans in a pot that does not boil, say. */
const isRefused = ({ cautions }: DishAnswer) =>
  cautions.some(({ id, severity }) => severity === 'refuse' && !TOO_FULL.includes(id))

/** How a dish that is too much for its pots can be cooked all the same, the quickest first; empty if it fits. */
export function waysToFit(request: DishRequest, others: Readonly<Record<string, PotOfStage>>): WayToFit[] {
  const answer = answerDish(request)
  if (!answer.ok || fits(answer.value)) return []
  const full = answer.value.stages.filter((one) => !fits({ ...answer.value, stages: [one] }))
  const ways = [
    ...full.flatMap(({ id }) => cookersFor(request, id, others)),
    ...inTwo(
      request,
      full.map(({ id }) => id),
      others,
    ),
    ...inBatches(request),
  ]
  return ways.sort((a, b) => a.minutes - b.minutes)
}

function cookersFor(request: DishRequest, id: string, others: Readonly<Record<string, PotOfStage>>): WayToFit[] {
  return Object.entries(others).flatMap(([cookerId, pot]): WayToFit[] => {
    const tried = answerDish({ ...request, pots: { ...request.pots, [id]: pot } })
    const stage = tried.ok && tried.value.stages.find((one) => one.id === id)
    return tried.ok &&
      stage &&
      stage.problems.length === 0 &&
      !isRefused(tried.value) &&
      fits({ ...tried.value, stages: [stage] })
      ? [{ kind: 'cooker', cookerId, stage: id, minutes: tried.value.spanMinutes }]
      : []
  })
}

/** What a part of the dish takes in these pots; null where it does not fit or cannot be cooked. */
function partOf(request: DishRequest, servings: number): DishAnswer | null {
  const part = scaled(request, servings)
  const answer = part.ok ? answerDish(part.value) : null
  if (!answer?.ok || !fits(answer.value) || isRefused(answer.value)) return null
  return answer.value.stages.some(({ problems }) => problems.length > 0) ? null : answer.value
}

/** The pot is filled so often: each time it takes its own minutes again, all else once. */
function inBatches(request: DishRequest): WayToFit[] {
  const { servings } = request.dish
  for (let batches = 2; batches <= MOST_BATCHES; batches++) {
    const each = partOf(request, servings / batches)
    if (!each) continue
    const potMinutes = sumOf(each.stages, ({ pot, minutes }) => (pot ? minutes : 0))
    const minutes = each.spanMinutes + (batches - 1) * potMinutes
    return [{ kind: 'batches', batches, servingsEach: servings / batches, minutes }]
  }
  return []
}

/** As many as fit in the one, the rest in another beside it. */
function inTwo(
  request: DishRequest,
  full: readonly string[],
  others: Readonly<Record<string, PotOfStage>>,
): WayToFit[] {
  const all = request.dish.servings
  const inPot = (pot: PotOfStage | null): DishRequest =>
    pot ? { ...request, pots: { ...request.pots, ...Object.fromEntries(full.map((id) => [id, pot])) } } : request
  const own = mostThatFit(inPot(null), all)
  return Object.entries(others).flatMap(([cookerId, pot]): WayToFit[] => {
    const rest = all - own.servings
    const beside = own.answer && rest > 0 ? partOf(inPot(pot), rest) : null
    if (!own.answer || !beside) return []
    const minutes = Math.max(own.answer.spanMinutes, beside.spanMinutes)
    return [{ kind: 'two', cookerIds: [null, cookerId], servings: [own.servings, rest], minutes }]
  })
}

/** The most whole servings of it that fit, below so many. */
function mostThatFit(request: DishRequest, below: number): { servings: number; answer: DishAnswer | null } {
  let [low, high] = [0, Math.ceil(below)]
  let answer: DishAnswer | null = null
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2)
    const found = partOf(request, middle)
    if (found) [low, answer] = [middle, found]
    else high = middle
  }
  return { servings: low, answer }
}

/** Where the least that a pot must hold decides how much water is poured, and did not in the dish for more; in g. */
export function floorsReached(small: DishAnswer, was: DishAnswer): { stage: string; leastG: number }[] {
  const rule = (answer: DishAnswer, id: string) =>
    answer.stages.find((one) => one.id === id)?.pot?.answer.closings[0]?.water
  return small.stages.flatMap(({ id }) => {
    const [now, before] = [rule(small, id), rule(was, id)]
    return now && before?.rule === 'balance' && now.rule !== 'balance' && now.rule !== 'given'
      ? [{ stage: id, leastG: now.pourG }]
      : []
  })
}
