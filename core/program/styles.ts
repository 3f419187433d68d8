import type { Burner } from '../appliance/burner'
import { kindOf, type Appliance } from '../appliance/appliance'
import type { Step } from '../appliance/step.schema'
import type { SetStyle, Style } from '../appliance/style.schema'
import type { FlameName, Level, StyleKind } from '../names'

/** A style as a search sees it: steps that always come first, then one step that grows with the figure. */
export interface StyleShape {
  unit: 'whistles' | 'minutes'
  min: number
  max: number
  /** The figure grows by this much. */
  by: number
  before: Step[]
  /** The last step for a figure counted from the start of that step. */
  last(figure: number): Step
  /** The step that leads from the figure before to this one. */
  next(figure: number): Step
}

/** Styles whose figure is searched for; the others end by themselves. */
type Searched = Exclude<SetStyle, { kind: 'fixed' | 'rice-cooker' }>

/** The device decides by itself when it is over: nothing is counted, and it cannot be opened in between. */
export function endsByItself(style: Style): style is Extract<Style, { kind: 'fixed' | 'rice-cooker' }> {
  return style.kind === 'fixed' || style.kind === 'rice-cooker'
}

/** Minutes that the rice rests in a rice cooker after it has switched itself off. */
export const RICE_REST_MINUTES = 10

export function shapeOf(style: Searched, burner: Burner, appliance: Appliance): StyleShape {
  const minutes = (before: Step[], last: (figure: number) => Step, min: number, max: number, by = 1): StyleShape => ({
    unit: 'minutes',
    min,
    max,
    by,
    before,
    last,
    next: () => last(by),
  })
  const onFlame = (flame: FlameName) => (figure: number) =>
    ({ kind: 'minutes', heatW: burner[flame], minutes: figure }) as const
  switch (style.kind) {
    case 'whistles': {
      const last = (figure: number): Step => ({
        kind: 'whistles',
        heatW: burner[style.flame],
        untilWhistles: figure,
      })
      const { heatUp = style.flame } = style
      const before: Step[] =
        burner[heatUp] === burner[style.flame] ? [] : [{ kind: 'whistles', heatW: burner[heatUp], untilWhistles: 1 }]
      return { unit: 'whistles', min: 1, max: 60, by: 1, before, last, next: last }
    }
    case 'first-whistle-then-low': {
      const first: Step =
        kindOf(appliance).tells === 'whistles'
          ? { kind: 'whistles', heatW: burner.high, untilWhistles: 1 }
          : { kind: 'pressure', heatW: burner.high, untilPressure: true }
      return minutes([first], onFlame('low'), 0, 240)
    }
    case 'high-then-low':
      return minutes([{ kind: 'whistles', heatW: burner.high, untilWhistles: style.whistles }], onFlame('low'), 0, 240)
    case 'clock':
      return minutes([], onFlame(style.flame), 1, 360)
    case 'electric':
      return minutes([], (figure) => ({ kind: 'at-pressure', level: style.level, minutesAtPressure: figure }), 0, 240)
    case 'open':
      return minutes([{ kind: 'boil', heatW: burner.high, untilBoil: true }], onFlame('low'), 1, 600)
    case 'slow':
      return minutes([], (figure) => ({ kind: 'level', level: style.level, minutes: figure }), 15, 1440, 15)
    case 'basket':
      return minutes([], (figure) => ({ kind: 'temperature', tempC: style.tempC, minutes: figure }), 1, 360)
  }
}

/** The flame on which a pot is lit. */
export function litOn(style: Style): FlameName {
  if (style.kind === 'whistles') return style.heatUp ?? style.flame ?? 'high'
  return style.kind === 'clock' ? style.flame : 'high'
}

/** The style that a document says, which may be from before the flame until the first whistle could be told. */
export function styleSaid(style: StyleKind, said: Parameters<typeof styleOf>[1]): Style {
  return styleOf(style, { ...said, heatUp: said?.heatUp ?? null })
}

/** The usual style of a kind, with the flame and level that the cook prefers; whistles are counted from high. */
export function styleOf(
  kind: StyleKind,
  prefer: { flame?: FlameName | null; heatUp?: FlameName | null; level?: Level } = {},
): Style {
  const { flame, heatUp = 'high', level = 'high' } = prefer
  switch (kind) {
    case 'whistles':
      return { kind, ...(heatUp ? { heatUp } : {}), ...(flame ? { flame } : {}) }
    case 'clock':
      return { kind, flame: flame ?? 'medium' }
    case 'high-then-low':
      return { kind, whistles: 2 }
    case 'electric':
    case 'slow':
      return { kind, level }
    case 'open':
      return { kind, lid: true }
    case 'basket':
      return { kind, tempC: 100 }
    default:
      return { kind }
  }
}
