import type { BoundName } from '../bounds'
import { holdsPressure, kindOf, type Appliance } from './appliance'
import type { Step, StepKind, StepOf } from './step.schema'

/** What is particular to one kind of program step. */
interface StepTraits<S extends Step> {
  /** Its numbers, by the names of their bounds. */
  bounds: Partial<Record<keyof S, BoundName>>
  /** What the figure of a program is when it ends with this step. */
  figure?: { unit: 'whistles' | 'minutes'; of(step: S): number; with(step: S, figure: number): S }
  /** It waits for something that only heat brings about. */
  waits?: true
  /** It needs a weight that whistles, or a pot that holds pressure. */
  needs?: 'weight' | 'pressure'
}

/** Every kind of program step. */
export const STEPS: { readonly [Kind in StepKind]: StepTraits<StepOf<Kind>> } = {
  whistles: {
    bounds: { heatW: 'heatW', untilWhistles: 'whistles' },
    figure: {
      unit: 'whistles',
      of: ({ untilWhistles }) => untilWhistles,
      with: (step, untilWhistles) => ({ ...step, untilWhistles }),
    },
    waits: true,
    needs: 'weight',
  },
  pressure: { bounds: { heatW: 'heatW' }, waits: true, needs: 'pressure' },
  boil: { bounds: { heatW: 'heatW' }, waits: true },
  minutes: { bounds: { heatW: 'heatW', minutes: 'minutes' }, figure: itsMinutes() },
  clock: { bounds: { heatW: 'heatW', untilMinute: 'minutes' } },
  'at-pressure': {
    bounds: { minutesAtPressure: 'minutes' },
    figure: {
      unit: 'minutes',
      of: ({ minutesAtPressure }) => minutesAtPressure,
      with: (step, minutesAtPressure) => ({ ...step, minutesAtPressure }),
    },
  },
  level: { bounds: { minutes: 'minutes' }, figure: itsMinutes() },
  dry: { bounds: {} },
  temperature: {
    bounds: { tempC: 'tempC', minutes: 'minutes' },
    figure: itsMinutes(),
  },
  profile: { bounds: { steamG: 'steamG' } },
}

/** The figure of a step that lasts its minutes. */
function itsMinutes<S extends { minutes: number }>() {
  return {
    unit: 'minutes' as const,
    of: ({ minutes }: S) => minutes,
    with: (step: S, minutes: number): S => ({ ...step, minutes }),
  }
}

export const traitsOf = (step: Step) => STEPS[step.kind] as StepTraits<Step>

/** True if an appliance can be told this step. */
export function understands(appliance: Appliance, step: Step): boolean {
  if (step.kind === 'profile') return true
  const { setting, weight } = kindOf(appliance).equations(appliance)
  const { needs } = traitsOf(step)
  if (needs === 'weight' && !weight) return false
  if (needs === 'pressure' && !holdsPressure(appliance)) return false
  return setting(step) !== null
}

/** The same step with another figure: whistles, or minutes. A step without one stays as it is. */
export function withFigure(step: Step, figure: number): Step {
  return traitsOf(step).figure?.with(step, figure) ?? step
}

/** The figure of a program that ends with this step; null where there is none. */
export function figureOfStep(step: Step): number | null {
  return traitsOf(step).figure?.of(step) ?? null
}
