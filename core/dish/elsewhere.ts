import type { PlanAnswer } from '../program/answer'
import { plan } from '../program/plan'
import type { PlanRequest, ReleaseChoice } from '../program/request.schema'
import { failed, problem, type Outcome } from '../problem'
import type { Style } from '../appliance/style.schema'
import type { WrittenFigure } from './dish.schema'

/** The pot and place that a figure was written for. */
export interface Writer {
  cooker: PlanRequest['cooker']
  burner: 'strong' | 'weak'
  altitudeM: number
}

/** A figure of another kitchen beside this one's. */
export interface Elsewhere {
  foods: {
    food: string
    /** Boil-minutes that it needs, gets here, and gets there by the figure that was written. */
    needs: number
    gets: number
    getsThere: number
    /** What the same figure does in this kitchen; null where this cooker has no such figure. */
    sameHere: number | null
  }[]
}

/** The usual pot of who writes so, where nobody said (a stated guess). */
export const USUAL_WRITER: Readonly<Record<WrittenFigure['kind'], Writer>> = {
  whistles: { cooker: 'whistling-5l-aluminium', burner: 'strong', altitudeM: 200 },
  'high-pressure': { cooker: 'electric-6l', burner: 'strong', altitudeM: 200 },
  'low-pressure': { cooker: 'electric-6l', burner: 'strong', altitudeM: 200 },
  simmer: { cooker: 'open-5l', burner: 'strong', altitudeM: 200 },
  slow: { cooker: 'slow-6l', burner: 'strong', altitudeM: 200 },
}

const STYLES: Readonly<Record<WrittenFigure['kind'], Style>> = {
  whistles: { kind: 'whistles', heatUp: 'high' },
  'high-pressure': { kind: 'electric', level: 'high' },
  'low-pressure': { kind: 'electric', level: 'low' },
  simmer: { kind: 'open', lid: true },
  slow: { kind: 'slow', level: 'low' },
}

function releaseOf({ release, releaseAfterMinutes, kind }: WrittenFigure): ReleaseChoice {
  if (kind === 'simmer' || kind === 'slow' || release === null) return 'auto'
  if (release === 'quick') return { kind: 'quick', afterMinutes: 0 }
  return releaseAfterMinutes === null || kind === 'whistles'
    ? { kind: 'natural' }
    : { kind: 'timed', afterMinutes: releaseAfterMinutes }
}

/**
 * What a figure that was written for another pot and place gives the foods there, beside what they need and what this
 * kitchen's program gives. Of a pot that is opened in between only the first closing is compared.
 */
export function elsewhere(
  request: PlanRequest,
  answer: PlanAnswer,
  written: WrittenFigure,
  writer: Writer = USUAL_WRITER[written.kind],
): Outcome<Elsewhere> {
  if (answer.closings.length > 1) return failed(problem('decides-itself', 'style'))
  const { thenLowMinutes } = written
  const style: Style =
    written.kind === 'whistles' && thenLowMinutes !== undefined
      ? { kind: 'high-then-low', whistles: written.figure }
      : STYLES[written.kind]
  const figure = thenLowMinutes ?? written.figure
  const there = plan(
    {
      ...request,
      kitchen: { ...request.kitchen, altitudeM: writer.altitudeM },
      cooker: writer.cooker,
      burner: writer.burner,
      style,
      release: releaseOf(written),
      given: [{ figure }],
      // What this kitchen has learnt of its own pot says nothing of the writer's.
      learnt: undefined,
    },
    { range: false },
  )
  if (!there.ok) return there
  const here =
    request.style.kind === style.kind
      ? plan({ ...request, given: [{ ...request.given?.[0], figure }] }, { range: false })
      : null
  return {
    ok: true,
    value: {
      foods: answer.foods.map(({ food, needs, gets }, i) => ({
        food,
        needs,
        gets,
        getsThere: there.value.foods[i]!.gets,
        sameHere: here?.ok ? here.value.foods[i]!.gets : null,
      })),
    },
  }
}
