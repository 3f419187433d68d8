import { MOST } from '../bounds'
import { cooksCovered, setsAsGrain, swells } from '../food/food'
import type { Outcome } from '../problem'
import type { ClosingAnswer } from './answer'
import { closingAnswers } from './plan'
import { prepare, type PreparedPot } from './prepared'
import type { PlanRequest } from './request.schema'
import { planSequence } from './sequence'

export interface Together {
  /** one-go: all from the start. in-phases: some go in later. apart: some cannot share this pot at all. */
  kind: 'one-go' | 'in-phases' | 'apart'
  /** When each food should go in: at which closing of the lid. */
  joins: number[]
  /** The closings of the lid that this takes, without ranges. */
  closings: ClosingAnswer[]
  /** Boil-minutes of each food over all closings, against its need and its limit. */
  foods: { index: number; gets: number; needs: number; max: number }[]
  /** Foods that are past their limit whatever the order. */
  apart: number[]
  /** What should go in only when its food is done: sour things keep pulses hard. */
  lateAdditions: { index: number; addition: 'acid' }[]
}

/**
 * Whether several foods in one pot can be cooked in one go, and if not who goes in late. Those that
 * the hardest food's program would ruin are kept back for a later closing, and so on among the late ones.
 * When each joins by the request is left aside: this is the question when they should.
 */
export function together(request: PlanRequest): Outcome<Together> {
  const prepared = prepare({ ...request, contents: request.contents.map((content) => ({ ...content, joins: 0 })) })
  if (!prepared.ok) return prepared
  const pot = prepared.value
  let joins = pot.foods.map(() => 0)
  let planned = planJoining(pot, joins)
  for (let closing = 0; planned.ok && closing < MOST.closings - 1; closing++) {
    const { gets } = planned.value
    const deciding = indexesOf(joins, closing)
    const late = deciding.filter((i) => gets[i]! > pot.foods[i]!.need.window.max)
    // If they are all past their limit, something that went in before keeps the pot shut too long.
    if (late.length === 0 || late.length === deciding.length) break
    joins = joins.map((was, i) => (late.includes(i) ? closing + 1 : was))
    planned = planJoining(pot, joins)
  }
  if (!planned.ok) return planned
  const { gets, closings } = planned.value
  const foods = pot.foods.map(({ need }, index) => ({
    index,
    gets: gets[index]!,
    needs: need.boilMinutes,
    max: need.window.max,
  }))
  // Vegetables that go in with what decides only soften.
  const softens = (index: number) =>
    pot.foods[index]!.food.group === 'vegetable' &&
    pot.foods.some(({ food }, i) => joins[i] === joins[index] && (setsAsGrain(food) || swells(food)))
  const apart = foods.filter((food) => food.gets > food.max && !softens(food.index)).map(({ index }) => index)
  const lateAdditions = request.contents.flatMap(({ additions }, index) =>
    additions?.includes('acid') && cooksCovered(pot.foods[index]!.food) ? [{ index, addition: 'acid' as const }] : [],
  )
  const kind = apart.length > 0 ? 'apart' : closings.length > 1 ? 'in-phases' : 'one-go'
  return { ok: true, value: { kind, joins, closings, foods, apart, lateAdditions } }
}

const indexesOf = (joins: readonly number[], closing: number) => joins.flatMap((one, i) => (one === closing ? [i] : []))

function planJoining(
  pot: PreparedPot,
  joins: readonly number[],
): Outcome<{ closings: ClosingAnswer[]; gets: number[] }> {
  const joining: PreparedPot = {
    ...pot,
    foods: pot.foods.map((item, i) => ({ ...item, joins: joins[i]! })),
    closings: Math.max(...joins) + 1,
  }
  const sequence = planSequence(joining)
  if (!sequence.ok) return sequence
  const closings = closingAnswers(sequence.value, false)
  const gets = pot.foods.map((_, i) => closings.reduce((sum, { foods }) => sum + foods[i]!.gets, 0))
  return { ok: true, value: { closings, gets } }
}
