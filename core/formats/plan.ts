import type { DishAnswer } from '../dish/dish'
import type { Instruction } from '../guide/instruction'
import { COMMON_MEASURES } from '../measure/measure'
import { pourable } from '../measure/pourable'
import type { ClosingAnswer, PlanAnswer } from '../program/answer'

/** An answer as the command line and the API print it. */
export type PublishedAnswer = PlanAnswer &
  Pick<ClosingAnswer, 'water' | 'planned' | 'program' | 'range' | 'firstCheck' | 'clock'> & {
    simulation: ClosingAnswer['case']
  }

/**
 * A plan as it is published: most pots are closed once, so the figures of the first closing stand beside the totals;
 * `closings` has every one.
 */
export function publishedAnswer(answer: PlanAnswer): PublishedAnswer {
  const { water, planned, program, range, firstCheck, clock, fill, case: simulation } = answer.closings[0]!
  return { ...answer, fill: { ...fill, ...answer.fill }, water, planned, program, range, firstCheck, clock, simulation }
}

/** A dish as it is published: the plan of each of its pots as a plan is. */
export function publishedDish({ stages, ...totals }: DishAnswer) {
  return {
    ...totals,
    stages: stages.map(({ pot, ...stage }) => ({
      ...stage,
      pot: pot && { request: pot.request, lines: pot.lines, answer: publishedAnswer(pot.answer) },
    })),
  }
}

/** Instructions as they are published: water with how it is measured in cups of 240 ml and spoons. */
export function publishedInstructions(instructions: readonly Instruction[]) {
  return instructions.map((one) => ({
    ...one,
    things: one.things.map((thing) => ({
      ...thing,
      measure: thing.water && thing.g !== null ? pourable(thing.g, COMMON_MEASURES['cup-240']).parts : null,
    })),
  }))
}
