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
