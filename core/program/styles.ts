import type { Appliance } from '../pot/appliance'
import type { Step } from '../pot/case'
import type { Burner, Cooker } from '../pot/cookers'
import type { Style, StyleKind } from './request'

/** The ways in which a cook can tell this cooker what to do, the usual one first. */
export function stylesFor({ appliance, fixedPrograms }: Cooker): readonly StyleKind[] {
  const own: StyleKind[] = fixedPrograms && fixedPrograms.length > 0 ? ['fixed'] : []
  return [...BY_KIND[appliance.kind], ...own]
}

const BY_KIND: Record<Appliance['kind'], readonly StyleKind[]> = {
  whistling: ['whistles', 'first-whistle-then-low', 'clock', 'high-then-low'],
  regulator: ['first-whistle-then-low', 'clock'],
  electric: ['electric'],
  open: ['open'],
  rice: ['rice-cooker'],
  slow: ['slow'],
  bowl: ['basket'],
}

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

/** Minutes that the rice rests in a rice cooker after it has switched itself off. */
export const RICE_REST_MINUTES = 10

export function shapeOf(
  style: Exclude<Style, { kind: 'fixed' | 'rice-cooker' }>,
  burner: Burner,
  appliance: Appliance,
): StyleShape {
  const minutes = (before: Step[], last: (figure: number) => Step, min: number, max: number, by = 1): StyleShape => ({
    unit: 'minutes',
    min,
    max,
    by,
    before,
    last,
    next: () => last(by),
  })
  switch (style.kind) {
    case 'whistles': {
      const last = (figure: number): Step => ({ heatW: burner[style.flame], untilWhistles: figure })
      return { unit: 'whistles', min: 1, max: 60, by: 1, before: [], last, next: last }
    }
    case 'first-whistle-then-low': {
      const first: Step =
        appliance.kind === 'regulator'
          ? { heatW: burner.high, untilPressure: true }
          : { heatW: burner.high, untilWhistles: 1 }
      return minutes([first], (figure) => ({ heatW: burner.low, minutes: figure }), 0, 240)
    }
    case 'high-then-low':
      return minutes(
        [{ heatW: burner.high, untilWhistles: style.whistles }],
        (figure) => ({ heatW: burner.low, minutes: figure }),
        0,
        240,
      )
    case 'clock':
      return minutes([], (figure) => ({ heatW: burner[style.flame], minutes: figure }), 1, 360)
    case 'electric':
      return minutes([], (figure) => ({ level: style.level, minutesAtPressure: figure }), 0, 240)
    case 'open':
      return minutes(
        [{ heatW: burner.high, untilBoil: true }],
        (figure) => ({ heatW: burner.low, minutes: figure }),
        1,
        600,
      )
    case 'slow':
      return minutes([], (figure) => ({ level: style.level, minutes: figure }), 15, 1440, 15)
    case 'basket':
      return minutes([], (figure) => ({ tempC: style.tempC, minutes: figure }), 1, 360)
  }
}
