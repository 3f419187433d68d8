import type { Following } from './follow'
import type { NextAction } from './next'
import { lastCycle } from './run'

/** A count as the cook keeps it: so many of so many. */
export interface ToldCount {
  counted: number
  of: number
}

/**
 * What is told of the whistles. The count is the cook's: what was tapped, with what is said to have slipped by; what is
 * doubted stays in until the cook has answered. What it is to come to is that and what is still to be heard, so that
 * count, whistles to come and target agree whatever is doubted.
 */
export function toldCount({ state, outlook, advice, course }: Following, { whistlesLeft }: NextAction): ToldCount {
  const slipped = (outlook?.questions ?? []).reduce(
    (sum, question) => sum + (question.kind === 'missed' ? question.at.length : 0),
    0,
  )
  const counted = lastCycle(state).whistles.length + slipped
  const last = course.program.at(-1)!
  const figure = last.kind === 'whistles' ? (advice?.figure ?? last.untilWhistles) : 0
  return { counted, of: whistlesLeft > 0 ? counted + whistlesLeft : Math.max(counted, figure) }
}
