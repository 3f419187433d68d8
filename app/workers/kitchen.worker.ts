import { expose } from 'comlink'
import type { fitWaterTest } from '~~/core/learn/water-test'
import { simulate } from '~~/core/pot/simulate'
import { batchesOf } from '~~/core/program/batches'
import { equivalents } from '~~/core/program/equivalents'
import { planCountable } from '~~/core/program/count'
import { plan } from '~~/core/program/plan'
import { ratiosByBatch } from '~~/core/program/ratios'
import { nextClosing, tooThick, tooThin } from '~~/core/program/remedy'
import type { PlanRequest } from '~~/core/program/request.schema'
import { soakCosts } from '~~/core/program/soak-cost'
import { together } from '~~/core/program/together'
import type { Outcome } from '~~/core/problem'
import { isRefused } from '~~/core/safety/rules'
import type { StackAsk } from '~~/core/stack/ask'
import type { Repair } from '~~/core/stack/repair'
import type { StackResult } from '~~/core/stack/search'
import type { DishWork } from './dish'
import type { MealWork } from './meal'
import type { RecipeWork } from './recipe'

const TELL_EVERY_MS = 80

/** Stacking comes when a stack is looked for. */
const stacking = async () => ({ ...(await import('~~/core/stack/search')), ...(await import('~~/core/stack/repair')) })

/** A search that tells how far it is, and what would repair it where nothing fits. */
async function searchStack(
  ask: StackAsk,
  tell: (done: number) => void,
): Promise<Outcome<StackResult & { repair: Repair | null }>> {
  const { repairStack, searchStacks } = await stacking()
  const search = searchStacks(ask)
  let told = performance.now()
  for (;;) {
    const step = search.next()
    if (step.done) {
      const outcome = step.value
      if (!outcome.ok) return outcome
      const repair = outcome.value.answers.length > 0 ? null : repairStack(ask, outcome.value)
      return { ok: true, value: { ...outcome.value, repair } }
    }
    if (performance.now() - told < TELL_EVERY_MS) continue
    told = performance.now()
    await tell(step.value.done)
  }
}

/** Of these foods, each that could go in as well, with the minutes it would take. */
/** Whether it all goes in one run. */
async function stackFits(ask: StackAsk): Promise<boolean> {
  const outcome = (await stacking()).findStacks(ask)
  return outcome.ok && outcome.value.answers.length > 0
}

async function whatElse(ask: StackAsk, more: StackAsk['foods'], tell: (done: number) => void) {
  const { findStacks } = await stacking()
  const fits: { food: string; minutes: number }[] = []
  for (const [i, food] of more.entries()) {
    const outcome = findStacks({ ...ask, foods: [...ask.foods, food] })
    const best = outcome.ok ? outcome.value.answers[0] : undefined
    if (best) fits.push({ food: food.food, minutes: best.minutes })
    await tell(i + 1)
  }
  return fits.sort((a, b) => a.minutes - b.minutes)
}

/** What a pot usually takes, in the few figures that a list shows; null where it cannot be. */
export interface Usual {
  style: PlanRequest['style']
  figure: number
  unit: 'whistles' | 'minutes'
  minutes: number
}
function usualOf(request: PlanRequest, isFree: boolean): Usual | null {
  const { request: taken, outcome } = isFree
    ? planCountable(request, { range: false })
    : { request, outcome: plan(request, { range: false }) }
  if (!outcome.ok || isRefused(outcome.value.cautions)) return null
  const { closings, readyAtMinute } = outcome.value
  const { figure, unit } = closings[0]!.range
  return { style: taken.style, figure, unit, minutes: readyAtMinute }
}

/** The great figures of a plan, which are there before its ranges are. */
export interface Lead {
  pourG: number
  figure: number
  unit: 'whistles' | 'minutes'
}

/** Dishes come when one is opened, and what reads recipes when something is typed. */
const dishes = () => import('./dish')
const recipes = () => import('./recipe')
/** And meals when one is planned. */
const meals = () => import('./meal')

/** What the computing thread answers: core, and nothing else. */
const work = {
  /** A plan, with the curve of each closing of the lid; another way is taken where its count would be lost, if that is free. */
  plan(asked: PlanRequest, isFree = false) {
    const planned = isFree ? planCountable(asked) : { request: asked, outcome: plan(asked), instead: null }
    const { outcome } = planned
    return {
      ...planned,
      curves: outcome.ok ? outcome.value.closings.map((closing) => simulate(closing.case, { trace: true })) : null,
    }
  },
  /** The great figures of the same plan, at once; null where it cannot be. */
  lead(asked: PlanRequest, isFree = false): Lead | null {
    const outcome = isFree ? planCountable(asked, { range: false }).outcome : plan(asked, { range: false })
    if (!outcome.ok) return null
    const { water, range } = outcome.value.closings[0]!
    return { pourG: water.pourG, figure: range.figure, unit: range.unit }
  },
  usual: (requests: readonly PlanRequest[], isFree: boolean) => requests.map((request) => usualOf(request, isFree)),
  dish: async (...asked: Parameters<DishWork['answerDish']>) => (await dishes()).answerDish(...asked),
  potsOfDishes: async (all: readonly Parameters<DishWork['potsOfDish']>[0][]) => all.map((await dishes()).potsOfDish),
  dishFor: async (...asked: Parameters<DishWork['dishFor']>) => (await dishes()).dishFor(...asked),
  optionCosts: async (...asked: Parameters<DishWork['optionCosts']>) => (await dishes()).optionCosts(...asked),
  waysToRun: async (...asked: Parameters<DishWork['waysToRun']>) => (await dishes()).waysToRun(...asked),
  standIns: async (...asked: Parameters<DishWork['standInsFor']>) => (await dishes()).standInsFor(...asked),
  forgotten: async (...asked: Parameters<DishWork['forgotten']>) => (await dishes()).forgotten(...asked),
  elsewhere: async (...asked: Parameters<DishWork['elsewhere']>) => (await dishes()).elsewhere(...asked),
  meantBy: async (...asked: Parameters<RecipeWork['meantBy']>) => (await recipes()).meantBy(...asked),
  englishNames: async () => (await recipes()).englishNames(),
  readLines: async (...asked: Parameters<RecipeWork['readLines']>) => (await recipes()).readLines(...asked),
  importRecipe: async (...asked: Parameters<RecipeWork['importRecipe']>) => (await recipes()).importRecipe(...asked),
  dinner: async (...asked: Parameters<MealWork['dinner']>) => (await meals()).dinner(...asked),
  otherWays: async (...asked: Parameters<MealWork['otherWays']>) => (await meals()).otherWays(...asked),
  batches: batchesOf,
  equivalents: equivalents<string>,
  /** Fitting takes a library of matrices, which comes when a test is fitted. */
  async fitWaterTest(...asked: Parameters<typeof fitWaterTest>) {
    const { fitWaterTest: fit } = await import('~~/core/learn/water-test')
    return fit(...asked)
  },
  nextClosing,
  ratiosByBatch,
  searchStack,
  soakCosts,
  stackFits,
  together,
  tooThick,
  tooThin,
  whatElse,
}
export type KitchenWork = typeof work
expose(work)
