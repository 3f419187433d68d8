import { PRESSURE } from '../parameters'
import { flameSetting, type ApplianceKind, type ApplianceOf } from '../kind'
import type { Step } from '../step.schema'
import { FALLS, flamesIn, LIGHT, TURN_MEDIUM, TURN_OFF, usualTestWaterG, whistles } from '../test-guide'
import { underWeights } from './stove-top'

const figures = [...PRESSURE, 'liftPa', 'reseatPa'] as const

/** A stove-top cooker whose weight opens at one gauge pressure and shuts at a lower one. */
export type WhistlingCooker = ApplianceOf<'whistling', typeof figures>

/** The hand at the flame and the one that writes differ by less (engineering estimate). */
const AT_ONCE_MINUTES = 0.1

export const whistling: ApplianceKind<WhistlingCooker> = {
  kind: 'whistling',
  figures,
  holdsPressure: true,
  heatsItself: false,
  gentle: false,
  tells: 'whistles',
  styles: ['whistles', 'first-whistle-then-low', 'clock', 'high-then-low'],
  release: 'natural',
  equations: ({ ventKgPerS, purgeKg, leakKgPerS, liftPa, reseatPa }) => ({
    vent: { kgPerS: ventKgPerS, leakKgPerSPa: leakKgPerS / liftPa, purgeKg },
    reflux: 0,
    weight: { liftPa, reseatPa },
    setting: flameSetting,
  }),
  generic: underWeights('whistling', {
    '': { kind: 'whistling', liftPa: 100_000, reseatPa: 70_000 },
    '-light': { kind: 'whistling', liftPa: 60_000, reseatPa: 42_000 },
  }),
  test: {
    steps: [LIGHT, whistles('whistles', 5), TURN_MEDIUM, whistles('whistles-medium', 3), TURN_OFF, FALLS],
    waterG: usualTestWaterG,
    least: { flame: 1, whistle: 3, 'heat-off': 1 },
    measures: ['loss', 'swing', 'vent', 'leak'],
    // Flames are changed after a whistle: so many whistles on each, whenever they come. One that was written down a
    // moment before its whistle was turned for it all the same.
    program(test, burner) {
      const minutes = test.marks.flatMap(({ kind, minute }) => (kind === 'whistle' ? [minute] : []))
      const flames = flamesIn(test)
      return flames.flatMap(({ flame }, i): Step[] => {
        const until = flames[i + 1]?.minute ?? Infinity
        const untilWhistles = minutes.filter((minute) => minute < until + AT_ONCE_MINUTES).length
        return untilWhistles > 0 ? [{ kind: 'whistles', heatW: burner[flame], untilWhistles }] : []
      })
    },
  },
}
