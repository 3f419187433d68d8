import type { Step } from '../appliance/step.schema'
import type { ClosingAnswer } from './answer'

/** The flame of a pot is turned down while it cooks. */
export interface Turning {
  /** From when it was lit. */
  atMinute: number
  /** What the cook waits for. */
  sign: { kind: 'whistles'; whistles: number } | { kind: 'pressure' } | { kind: 'boil' }
}

const heatOf = (step: Step | undefined) => (step && 'heatW' in step ? step.heatW : 0)

/** When and at what sign the flame under a closing is turned down; null where it stays as it was lit. */
export function turningOf({ program: { steps }, clock }: Pick<ClosingAnswer, 'program' | 'clock'>): Turning | null {
  const [first, next] = steps
  if (!first || heatOf(next) === 0 || heatOf(next) >= heatOf(first)) return null
  const sign = signOf(first)
  const atMinute = next!.kind === 'minutes' ? clock.heatOffAtMinute - next!.minutes : clock.pressureAtMinute
  // One whistle alone ends before there is anything to turn.
  return sign === null || atMinute === null || atMinute >= clock.heatOffAtMinute ? null : { atMinute, sign }
}

function signOf(step: Step): Turning['sign'] | null {
  switch (step.kind) {
    case 'whistles':
      return { kind: 'whistles', whistles: step.untilWhistles }
    case 'pressure':
      return { kind: 'pressure' }
    case 'boil':
      return { kind: 'boil' }
    default:
      return null
  }
}
