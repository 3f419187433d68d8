import type { Step } from '../pot/case'
import type { Leg } from './run'

/** The same step with another figure: whistles, or minutes. */
export function withFigure(step: Step, figure: number): Step {
  if ('untilWhistles' in step) return { ...step, untilWhistles: figure }
  if ('minutesAtPressure' in step) return { ...step, minutesAtPressure: figure }
  if ('minutes' in step) return { ...step, minutes: figure }
  return step
}

/** When the step in which the figure is counted began, in ms since 1970; null before. */
export function lastStepSince(program: readonly Step[], leg: Leg): number | null {
  if ('minutesAtPressure' in program.at(-1)!) return leg.atPressureAt
  const before = program.at(-2)
  if (!before) return leg.litAt
  const from =
    'untilWhistles' in before
      ? leg.whistles[before.untilWhistles - 1]?.at
      : 'untilPressure' in before
        ? leg.atPressureAt
        : leg.boilsAt
  return leg.flameChanges.findLast(({ at }) => from == null || at >= from)?.at ?? null
}
