import { heatsItself } from '../appliance/appliance'
import { needOf } from '../food/need'
import { usualTexture } from '../food/texture'
import { failed, type Outcome, type Problem } from '../problem'
import { applianceOf, unitOf, type PlanAnswer } from '../program/answer'
import { boilMinutesPerMinute } from '../pot/kinetics'
import { withFlame } from '../program/count'
import { plan } from '../program/plan'
import type { PlanRequest } from '../program/request.schema'
import { dishCautions, type Caution } from '../safety/rules'
import { openQuestions, structureProblems } from './checks'
import { clockOf } from './clock'
import { knownOf, liquidG, massG, merged, putIn, sumOf, takeFats, wetG, type Aside, type Contents } from './contents'
import type { Dish, DishLine, DishRequest, PotSettings, Stage } from './dish.schema'
import { emptyRow, type LiquidRow, type SaltRow } from './ledger'
import { withMeasuredWater } from './measured-water'
import { cookInPot, potRequest, withoutSour, type PotStageAnswer } from './pot-stage'
import { handsOf, minutesOf, STAGES, turnsOf } from './stages'
import { takeOff, thickenWithPastes, WORK } from './work'

/** What becomes of a dish at one of its stages. */
export interface StageAnswer {
  id: string
  startMinute: number
  minutes: number
  handsMinutes: number
  /** What its portions weigh, in the order in which they are taken; null for what is not measured. */
  takes: { line: string; g: number | null }[]
  liquid: LiquidRow
  salt: SaltRow
  /** g in its vessel when it is done. */
  massG: number
  /** The plan of a pot's closing, with the line of each of its contents; null for any other stage, and for one that cannot be planned. */
  pot: { request: PlanRequest; answer: PlanAnswer; lines: string[] } | null
  /** Sour things that are in before the pulses are soft: what they cost, and the stage to which they could move. */
  sour: { lines: string[]; costs: { figure: number; unit: 'whistles' | 'minutes' }; moveTo: string | null } | null
  problems: Problem[]
  cautions: Caution[]
}

export interface DishAnswer {
  stages: StageAnswer[]
  /** Of all that is served. */
  massG: number
  saltG: number
  saltShare: number
  /** What is served: its water and fat as shares, and the foods in it that decide. */
  served: {
    water: number
    fat: number
    hasRice: boolean
    foods: { food: string; dryG: number; massG: number; gets: number }[]
  }
  /** Salt that went out with liquid that was thrown away. */
  saltThrownG: number
  liquidG: number
  /** Liquid that was kept aside and is not used in it. */
  keptG: number
  /** Minutes from the first stage that is not passive, from the very first, and in the cook's hands. */
  spanMinutes: number
  aheadMinutes: number
  handsMinutes: number
  /** What the cook is asked: lines that are not understood, portions that do not add up. */
  questions: Problem[]
  cautions: Caution[]
}

/** So much salt in what is eaten is usual, as a share of it (general kitchen practice; no advice on health). */
export const USUAL_SALT = [0.005, 0.011] as const

/**
 * Works a dish out: what every stage holds, gives, drinks and loses, the program of every pot in it from what the
 * stages before have left, the salt, the sour, the clock. Fails where the stages do not hang together; what can be
 * answered in spite of an open question is. The safety rules are applied last.
 */
export function answerDish(request: DishRequest): Outcome<DishAnswer> {
  const problems = structureProblems(request.dish)
  if (problems.length > 0) return failed(...problems)
  const { kitchen } = request
  const dish = withMeasuredWater(request, (tried) => pouredBy({ ...request, dish: tried }))
  const { done, left, asides } = runStages({ ...request, dish })
  const times = clockOf(done.map(({ stage, minutes }) => ({ stage, minutes, handsMinutes: handsOf(stage, minutes) })))
  const served = merged([...left.values()], kitchen.roomC)
  const stages = done.map(({ stage: _, ...answer }, i) => ({ ...answer, ...times[i]! }))
  const counted = stages.filter((_, i) => !STAGES[dish.stages[i]!.kind].afterServing)
  const active = counted.filter((one) => !STAGES[dish.stages.find(({ id }) => id === one.id)!.kind].passive)
  const earliest = (list: typeof stages) => -Math.min(0, ...list.map(({ startMinute }) => startMinute))
  const eatenG = massG(served)
  const saltShare = eatenG > 0 ? served.saltG / eatenG : 0
  return {
    ok: true,
    value: {
      stages,
      massG: eatenG,
      saltG: served.saltG,
      saltShare,
      served: {
        water: eatenG > 0 ? wetG(served) / eatenG : 0,
        fat: eatenG > 0 ? sumOf(served.others, ({ inG, what }) => inG * what.fat) / eatenG : 0,
        hasRice:
          served.foods.some(({ food }) => food.group === 'rice') || served.others.some(({ what }) => what.hasRice),
        foods: served.foods.map(({ food, dryG, insideG, gets }) => ({
          food: food.id,
          dryG,
          massG: dryG + insideG,
          gets,
        })),
      },
      saltThrownG: sumOf(stages, ({ saltThrownG }) => saltThrownG),
      liquidG: liquidG(served),
      keptG: sumOf([...asides.values()], ({ freeG }) => freeG),
      spanMinutes: earliest(active),
      aheadMinutes: earliest(counted),
      handsMinutes: sumOf(stages, ({ handsMinutes }) => handsMinutes),
      questions: openQuestions(request),
      cautions: dishCautions({
        foods: served.foods.map((item) => ({
          food: item.food,
          gets: item.gets,
          firm: firmOf(item.food, item),
          centreC: item.centreC,
          soak: item.soak,
          inClosing: item.inClosing,
        })),
        altitudeM: kitchen.altitudeM,
        stages: stages.flatMap(({ cautions }) => cautions),
        saltShare,
        saltRange: USUAL_SALT,
        warmsRice: dish.lines.some((line) => isKeptRice(line, request)),
        chills: dish.stages.some(({ kind }) => kind === 'chill'),
        keepsWarm: dish.stages.some(({ pot }) => (pot?.keepWarmMinutes ?? 0) > 0),
      }),
    },
  }
}

/** Rice that was cooked for another meal, by itself or in something. */
function isKeptRice(line: DishLine, own: DishRequest): boolean {
  if (line.own?.hasRice) return true
  const known = line.kept ? knownOf(line, own) : null
  return known !== null && 'food' in known && known.food.group === 'rice'
}

/** Boil-minutes after which it can be eaten at all, as it was prepared. */
function firmOf(food: Contents['foods'][number]['food'], { needs, texture }: Contents['foods'][number]): number {
  const asked = texture ?? usualTexture(food)
  const usual = needOf(food, asked, { soakedShare: 1, batch: 'fresh', additions: [] })
  // What changes a need moves the whole window.
  return ((needs ?? usual.boilMinutes) / usual.boilMinutes) * usual.window.firm
}

function runStages(request: DishRequest) {
  const left = new Map<string, Contents>()
  const asides = new Map<string, Aside>()
  const done = request.dish.stages.map((stage) => runStage(stage, request, left, asides))
  return { done, left, asides }
}

/** g of water that each stage pours; null where a pot cannot be planned. */
function pouredBy(request: DishRequest): ReadonlyMap<string, number> | null {
  const { done } = runStages(request)
  return done.some(({ problems }) => problems.length > 0)
    ? null
    : new Map(done.map(({ id, liquid }) => [id, liquid.pouredG]))
}

type Ran = Omit<StageAnswer, 'startMinute' | 'handsMinutes'> & { stage: Stage; saltThrownG: number }

function runStage(stage: Stage, request: DishRequest, left: Map<string, Contents>, asides: Map<string, Aside>): Ran {
  const { dish, kitchen } = request
  const row = emptyRow()
  const contents = merged(
    stage.from.flatMap(({ stage: id, part }) => {
      const found = part === 'all' ? left.get(id) : undefined
      if (found) left.delete(id)
      return found ? [found] : []
    }),
    kitchen.roomC,
  )
  row.beforeG = liquidG(contents)
  const saltBeforeG = contents.saltG
  const stoodG = contents.freeG
  for (const { stage: id, part, g } of stage.from) {
    const aside = asides.get(id)
    if (!aside || part === 'all') continue
    if (part === 'fat') contents.others.push(...takeFats(aside.fats, g ?? Infinity))
    if (part === 'fat' || aside.freeG <= 0) continue
    const backG = Math.min(aside.freeG, g ?? Infinity)
    const saltG = (aside.saltG * backG) / aside.freeG
    asides.set(id, { ...aside, freeG: aside.freeG - backG, saltG: aside.saltG - saltG })
    contents.freeG += backG
    contents.saltG += saltG
    contents.saltGoneG -= saltG
    row.backG += backG
  }
  const minutes = minutesOf(stage)
  const takes = stage.takes.map((take) => ({ line: take.line, g: portionG(take.line, stage, dish) }))
  const bring = (taken: typeof takes) => {
    for (const { line: id, g } of taken) {
      if (g === null || g <= 0) continue
      const { saltG } = contents
      const stoodG = massG(contents)
      const brought = putIn(
        contents,
        dish.lines.find((line) => line.id === id)!,
        g,
        request,
      )
      row.pouredG += brought.pouredG
      row.givenG += brought.givenG
      ran.salt.addedG += contents.saltG - saltG
      contents.tempC = mixedC(contents.tempC, stoodG, kitchen.roomC, massG(contents) - stoodG)
    }
  }
  const ran: Ran = {
    stage,
    id: stage.id,
    minutes,
    takes,
    liquid: row,
    salt: { beforeG: saltBeforeG, addedG: contents.saltG - saltBeforeG, goneG: 0, afterG: 0, share: 0 },
    massG: 0,
    pot: null,
    sour: null,
    problems: [],
    cautions: [],
    saltThrownG: 0,
  }
  const [first, ...later] = turnsOf(stage, takes, minutes)
  bring(first!.takes)
  if (stage.waterG !== undefined) {
    contents.freeG += stage.waterG
    row.pouredG += stage.waterG
  }
  if (stage.kind === 'pot') closePot(stage, contents, row, request, stoodG, ran)
  let shortG = work(stage, first!.minutes, contents, row, request, ran)
  for (const turn of later) {
    bring(turn.takes)
    if (turn.minutes > 0) shortG += work(stage, turn.minutes, contents, row, request, ran)
  }
  if (shortG > 1)
    ran.cautions.push({ id: 'simmer-dry', severity: 'warn', params: { grams: Math.ceil(shortG / 10) * 10 } })
  const aside = takeOff(stage, contents, row)
  thickenWithPastes(stage, contents, row)
  row.afterG = liquidG(contents)
  if (aside.freeG > 0 || aside.fats.length > 0) asides.set(stage.id, aside)
  left.set(stage.id, contents)
  const goneG = ran.salt.beforeG + ran.salt.addedG - contents.saltG
  return {
    ...ran,
    massG: massG(contents),
    salt: { ...ran.salt, goneG, afterG: contents.saltG, share: contents.saltG / Math.max(1, massG(contents)) },
    saltThrownG: goneG - aside.saltG,
  }
}

/** g of a line that a stage takes; what is not said is all that the others leave. */
function portionG(id: string, stage: Stage, { lines, stages }: Dish): number | null {
  const line = lines.find((one) => one.id === id)!
  if (line.g === null) return null
  const take = stage.takes.find((one) => one.line === id)!
  if (take.g !== undefined) return take.g
  const elsewhere = sumOf(stages, (one) => sumOf(one.takes, ({ line: of, g = 0 }) => (of === id ? g : 0)))
  const sharing = stages.filter((one) => one.takes.some(({ line: of, g }) => of === id && g === undefined)).length
  return Math.max(0, line.g - elsewhere) / sharing
}

/** °C of what comes together, by weight: near enough among wet things. */
const mixedC = (firstC: number, firstG: number, secondC: number, secondG: number) =>
  firstG + secondG > 0 ? (firstC * firstG + secondC * secondG) / (firstG + secondG) : firstC

/** Does to the contents for so long what the stage does; g of water that would be missing. */
function work(
  stage: Stage,
  minutes: number,
  contents: Contents,
  row: LiquidRow,
  request: DishRequest,
  ran: Ran,
): number {
  const worked = WORK[stage.kind]?.({ ...stage, minutes }, contents, row, request)
  const { comeUpMinutes = 0, shortG = 0, cautions = [] } = worked ?? {}
  ran.minutes += Math.round(comeUpMinutes)
  ran.cautions.push(...cautions.filter(({ id }) => !ran.cautions.some((one) => one.id === id)))
  return shortG
}

function closePot(
  stage: Stage,
  contents: Contents,
  row: LiquidRow,
  request: DishRequest,
  stoodG: number,
  ran: Ran,
): void {
  const of = request.pots?.[stage.id] ?? request.pot
  const asked = withFlame(potRequest(stage.pot!, of, contents, { freeG: stoodG }, request))
  const sourLines = contents.others.filter(({ what }) => what.sour).map(({ line }) => line)
  const cooked = cookInPot(asked, contents, row)
  if (!cooked.ok) {
    ran.problems.push(...cooked.problems)
    return
  }
  const { answer } = cooked.value
  ran.pot = { ...cooked.value, lines: contents.foods.map(({ line }) => line) }
  ran.minutes = answer.readyAtMinute + keepWarm(stage.pot!, cooked.value, contents)
  ran.cautions.push(...answer.cautions)
  if (sourLines.length > 0 && answer.foods.some(({ factors }) => factors.some(({ id }) => id === 'acid')))
    ran.sour = sourOf(stage, sourLines, cooked.value, request)
}

/** At which a device keeps its food warm (engineering estimate; no less than 60 °C is safe). */
const KEPT_WARM_C = 70

/**
 * Minutes for which a device keeps warm what it has cooked. It goes on cooking a little; what is dangerous undercooked
 * is not taken to.
 */
function keepWarm({ keepWarmMinutes = 0 }: PotSettings, { answer }: PotStageAnswer, contents: Contents): number {
  if (!heatsItself(applianceOf(answer))) return 0
  for (const item of contents.foods)
    if (!item.food.lectin)
      item.gets += keepWarmMinutes * boilMinutesPerMinute(KEPT_WARM_C, item.food.zC, item.food.zAbove110C)
  return keepWarmMinutes
}

/** What the sour costs, by planning the same pot without it. */
function sourOf(
  stage: Stage,
  lines: string[],
  { request: asked, answer }: { request: PlanRequest; answer: PlanAnswer },
  { dish }: DishRequest,
): StageAnswer['sour'] {
  const sweet = plan(withoutSour(asked), { range: false })
  if (!sweet.ok) return null
  const figure = (of: PlanAnswer) => of.closings[0]!.range.figure
  const after = dish.stages.slice(dish.stages.indexOf(stage) + 1)
  const moveTo =
    after.find(({ kind }) => kind === 'simmer') ?? after.find(({ kind }) => kind === 'combine' || kind === 'rest')
  return {
    lines,
    costs: { figure: figure(answer) - figure(sweet.value), unit: unitOf(answer) },
    moveTo: moveTo?.id ?? null,
  }
}
