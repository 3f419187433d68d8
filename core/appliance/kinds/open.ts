import { OPEN } from '../parameters'
import { flameSetting, type ApplianceKind, type ApplianceOf } from '../kind'
import { BOILS, flamesFrom, flamesIn, hold, LIGHT, minuteOf, offMinute, usualTestWaterG } from '../test-guide'
import { openPots } from './stove-top'

const figures = OPEN

/** A pot that boils at the local boiling point and no hotter. */
export type OpenPot = ApplianceOf<'open', typeof figures>

export const open: ApplianceKind<OpenPot> = {
  kind: 'open',
  figures,
  holdsPressure: false,
  heatsItself: false,
  gentle: false,
  tells: 'boil',
  styles: ['open'],
  release: 'none',
  equations: ({ reflux }) => ({ vent: null, reflux, setting: flameSetting }),
  // With the lid on about two fifths of the steam runs back (engineering estimate); with it off none does.
  generic: openPots((sized): OpenPot => ({ kind: 'open', ...sized, reflux: 0.4 })),
  test: {
    steps: [LIGHT, BOILS, hold(10)],
    waterG: usualTestWaterG,
    least: { flame: 1, boils: 1, 'heat-off': 1 },
    measures: ['loss', 'reflux'],
    program: (test, burner) => [
      { kind: 'boil', heatW: burner[flamesIn(test)[0]?.flame ?? 'high'], untilBoil: true },
      ...flamesFrom(test, minuteOf(test, 'boils') ?? offMinute(test)).map(
        ({ flame, minutes }) => ({ kind: 'minutes', heatW: burner[flame], minutes }) as const,
      ),
    ],
  },
}
