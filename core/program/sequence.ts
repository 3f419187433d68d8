import type { Outcome } from '../problem'
import { boilingC } from '../steam/steam'
import { givenWater } from '../water/sum'
import type { Closing, OpenedPot } from './closing'
import { drinkingOn } from './drinks-on'
import { planClosing, type PlannedClosing } from './plan-closing'
import type { PreparedPot } from './prepared'
import { runFigure } from './solve'

/** After opening, a pot is about this much below its boiling point when food is added (engineering estimate). */
const COOLED_BY_K = 8

/** How hot a pot is that has been opened to put something in. */
export function openedC(altitudeM: number): number {
  return boilingC(altitudeM) - COOLED_BY_K
}

/** A closing as it was computed, and as the cook means to take it. */
export interface SequenceStep {
  planned: PlannedClosing
  taken: PlannedClosing
}

/** The closings are brought together in so many rounds at most, until every food has this share of its need. */
const MOST_ROUNDS = 7
const ENOUGH = 0.999

/**
 * Every closing of a plan, each from where the one before leaves the pot. A closing must at least do what joins in
 * it, and each is shortened by what the later ones give: what they give is first not known, then taken from the
 * round before. In the last round each closing makes up for what the estimate of the later ones missed.
 */
export function planSequence(pot: PreparedPot): Outcome<SequenceStep[]> {
  let later: number[][] = Array.from({ length: pot.closings }, () => pot.foods.map(() => 0))
  if (pot.closings > 1)
    for (let round = 1; round <= MOST_ROUNDS; round++) {
      const tried = runThrough(pot, later, 'who-joins')
      // A closing that no program can do by itself is told below, by what it is.
      if (!tried.ok) break
      const gets = tried.value.map(({ taken }) => taken.solution.simulation.boilMinutes)
      const done = pot.foods.every(
        ({ need, hadBoilMinutes }, i) => sumAt(gets, i, 0) >= ENOUGH * (need.boilMinutes - hadBoilMinutes),
      )
      if (done && round > 1) break
      later = gets.map((closing, c) => closing.map((got, i) => (round > 2 ? Math.min(got, later[c]![i]!) : got)))
    }
  return runThrough(pot, later, 'all')
}

/**
 * Plans the closings one after another. `later` is what each closing is expected to give each food; in the first
 * every food decides how long it takes, afterwards those that join, or all that still lack something.
 */
function runThrough(
  pot: PreparedPot,
  later: readonly number[][],
  decides: 'who-joins' | 'all',
): Outcome<SequenceStep[]> {
  const steps: SequenceStep[] = []
  let before: OpenedPot | null = null
  for (let number = 0; number < pot.closings; number++) {
    const closing = closingOf(pot, number, before, (i, joins) =>
      number === 0 || decides === 'all' || joins === number ? sumAt(later, i, number + 1) : Infinity,
    )
    const planned = planClosing(closing)
    if (!planned.ok) return planned
    const taken = takenOf(planned.value)
    if (!taken.ok) return taken
    steps.push({ planned: planned.value, taken: taken.value })
    before = openedAfter(taken.value, before?.gets)
  }
  return { ok: true, value: steps }
}

/** One of a plan's closings from a state of the pot; `later` tells what each food will get at those after it. */
export function closingOf(
  pot: PreparedPot,
  number: number,
  before: OpenedPot | null,
  later: (food: number, joins: number) => number,
): Closing {
  return {
    pot,
    number,
    before,
    inside: pot.foods.map(({ joins }) => joins <= number),
    adds: pot.foods.map(({ joins }) => joins === number),
    needs: pot.foods.map(({ need, hadBoilMinutes, joins }, i) =>
      joins > number ? 0 : Math.max(0, need.boilMinutes - hadBoilMinutes - (before?.gets[i] ?? 0) - later(i, joins)),
    ),
    keepsWet: true,
  }
}

/** The pot as a closing leaves it when it is opened for more. */
function openedAfter({ closing, solution: { simulation } }: PlannedClosing, had?: readonly number[]): OpenedPot {
  return {
    tempC: openedC(closing.pot.request.kitchen.altitudeM),
    freeWaterG: simulation.freeWaterLeftG,
    gets: simulation.boilMinutes.map((got, i) => got + (had?.[i] ?? 0)),
  }
}

/** What was computed, or what the cook gave instead, simulated as it is. */
function takenOf(planned: PlannedClosing): Outcome<PlannedClosing> {
  const { closing, solution } = planned
  const given = closing.pot.request.given?.[closing.number]
  if (given?.pourG === undefined && given?.figure === undefined) return { ok: true, value: planned }
  const water = given.pourG === undefined ? planned.water : givenWater(planned.water, given.pourG)
  const figure = given.figure ?? solution.figure
  const ran = runFigure(closing, water.pourG, solution, figure)
  if (!ran.ok) return ran
  const drunk = drinkingOn(closing, ran.value, water.pourG - planned.water.pourG, (wetter) =>
    runFigure(wetter, water.pourG, solution, figure),
  )
  return drunk.ok ? { ok: true, value: { closing, water, solution: drunk.value, isSure: false } } : drunk
}

const sumAt = (doses: readonly (readonly number[])[], food: number, from: number) =>
  doses.slice(from).reduce((sum, of) => sum + of[food]!, 0)
