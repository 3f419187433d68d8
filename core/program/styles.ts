import type { Appliance } from '../pot/appliance'
import type { Step } from '../pot/case'
import type { Burner } from '../pot/cookers'
import type { Style, StyleKind } from './request'

/** The ways in which a cook can tell this appliance what to do. */
export function stylesFor(appliance: Appliance): readonly StyleKind[] {
  switch (appliance.kind) {
    case 'whistling':
      return ['whistles', 'first-whistle-then-low']
    case 'electric':
      return ['electric']
    default:
      return []
  }
}

/** A style as a search sees it: steps that always come first, then one step that grows with the figure. */
export interface StyleShape {
  unit: 'whistles' | 'minutes'
  min: number
  max: number
  before: Step[]
  /** The last step for a figure counted from the start of that step. */
  last(figure: number): Step
  /** The step that leads from one figure to the next. */
  next(figure: number): Step
}

export function shapeOf(style: Style, burner: Burner): StyleShape {
  switch (style.kind) {
    case 'whistles': {
      const heatW = burner[style.flame]
      const last = (figure: number): Step => ({ heatW, untilWhistles: figure })
      return { unit: 'whistles', min: 1, max: 60, before: [], last, next: last }
    }
    case 'first-whistle-then-low': {
      const last = (figure: number): Step => ({ heatW: burner.low, minutes: figure })
      const before: Step[] = [{ heatW: burner.high, untilWhistles: 1 }]
      return { unit: 'minutes', min: 0, max: 240, before, last, next: () => last(1) }
    }
    case 'electric': {
      const last = (figure: number): Step => ({ level: style.level, minutesAtPressure: figure })
      return { unit: 'minutes', min: 0, max: 240, before: [], last, next: () => last(1) }
    }
  }
}
