import type { Outcome } from '../problem'
import { plan } from './plan'
import type { PlanRequest } from './request'
import { resolve, type ResolvedFood, type ResolvedPlan } from './resolve'
import { settleWater } from './settle'
import { solve } from './solve'

/** After opening, a pot is about this much below its boiling point when food is added (engineering estimate). */
const COOLED_C = 92

export interface Phase {
  /** Indexes into the request's contents that go in at the start of this phase. */
  adds: number[]
  unit: 'whistles' | 'minutes'
  figure: number
  /** Minutes from lighting this phase until the lid can be opened. */
  minutes: number
}

export interface Together {
  /** one-go: all from the start. in-phases: some go in later. apart: some cannot share this pot at all. */
  kind: 'one-go' | 'in-phases' | 'apart'
  phases: Phase[]
  /** Boil-minutes of each food over all phases, against its need and its limit. */
  foods: { index: number; gets: number; needs: number; max: number }[]
  /** Foods that are past their limit whatever the order. */
  apart: number[]
}

/**
 * Whether several foods in one pot can be cooked in one go, and if not who goes in late. Those that
 * the hardest food's program would ruin are kept back for a second phase of their own length, in which
 * the hard ones go on cooking and which therefore shortens the first.
 */
export function together(request: PlanRequest): Outcome<Together> {
  const whole = plan(request, { range: false })
  if (!whole.ok) return whole
  const resolved = resolve(request)
  if (!resolved.ok) return resolved
  const all = resolved.value
  const { foods: answers, range, clock } = whole.value
  const soFar = answers.map(({ gets, needs, window }, index) => ({ index, gets, needs, max: window.max }))
  const late = soFar.filter(({ gets, max }) => gets > max).map(({ index }) => index)
  const firstPhase: Phase = {
    adds: answers.map((_, i) => i),
    unit: range.unit,
    figure: range.figure,
    minutes: clock.openAtMinute,
  }
  if (late.length === 0) return { ok: true, value: { kind: 'one-go', phases: [firstPhase], foods: soFar, apart: [] } }

  const early = answers.map((_, i) => i).filter((i) => !late.includes(i))
  if (early.length === 0) return { ok: true, value: { kind: 'apart', phases: [], foods: soFar, apart: late } }

  // The second phase: the late foods set its length, all foods are in the pot.
  const second = solvePhase(
    { ...all, goesOnFrom: { tempC: COOLED_C, freeWaterG: whole.value.waterLeftG } },
    late,
    all.cooker.body.minimumLiquidG,
  )
  if (!second.ok) return second
  const inSecond = second.value.simulation.boilMinutes
  // The first phase: the hard foods alone, less what the second will give them.
  const hard = early.map((i) => withNeed(all.foods[i]!, Math.max(0.01, all.foods[i]!.need.boilMinutes - inSecond[i]!)))
  const first = settleWater({ ...all, foods: hard })
  if (!first.ok) return first
  const inFirst = first.value.solution.simulation.boilMinutes
  const foods = soFar.map(({ index, needs, max }) => {
    const place = early.indexOf(index)
    return { index, needs, max, gets: inSecond[index]! + (place >= 0 ? inFirst[place]! : 0) }
  })
  const apart = foods.filter(({ gets, max }) => gets > max).map(({ index }) => index)
  const { solution } = first.value
  const phases: Phase[] = [
    {
      adds: early,
      unit: solution.unit,
      figure: solution.figure,
      minutes: solution.simulation.heatOffMinute + solution.simulation.releaseMinutes,
    },
    {
      adds: late,
      unit: second.value.unit,
      figure: second.value.figure,
      minutes: second.value.simulation.heatOffMinute + second.value.simulation.releaseMinutes,
    },
  ]
  return { ok: true, value: { kind: apart.length > 0 ? 'apart' : 'in-phases', phases, foods, apart } }
}

/** The program that the foods of `deciding` need, with every food in the pot. */
function solvePhase(plan: ResolvedPlan, deciding: readonly number[], addWaterG: number) {
  const foods = plan.foods.map((item, i) => (deciding.includes(i) ? item : withNeed(item, 0.01)))
  return solve({ ...plan, foods }, addWaterG)
}

function withNeed(item: ResolvedFood, boilMinutes: number): ResolvedFood {
  return { ...item, need: { ...item.need, boilMinutes } }
}
