import { PRESSURE } from '../parameters'
import { flameSetting, type ApplianceKind, type ApplianceOf } from '../kind'
import {
  FALLS,
  flamesFrom,
  flamesIn,
  HISSES,
  hold,
  LIGHT,
  minuteOf,
  offMinute,
  TURN_MEDIUM,
  usualTestWaterG,
} from '../test-guide'
import { underWeights } from './stove-top'

const figures = [...PRESSURE, 'liftPa', 'reseatPa'] as const

/** A stove-top cooker that hisses steadily: it holds its pressure and there is nothing to count. */
export type RegulatorCooker = ApplianceOf<'regulator', typeof figures>

export const regulator: ApplianceKind<RegulatorCooker> = {
  kind: 'regulator',
  figures,
  holdsPressure: true,
  heatsItself: false,
  gentle: false,
  tells: 'pressure',
  styles: ['first-whistle-then-low', 'clock'],
  release: 'natural',
  equations: ({ ventKgPerS, purgeKg, leakKgPerS, liftPa, reseatPa }) => ({
    vent: { kgPerS: ventKgPerS, leakKgPerSPa: leakKgPerS / liftPa, purgeKg },
    reflux: 0,
    hissesPa: (liftPa + reseatPa) / 2,
    setting: flameSetting,
  }),
  generic: underWeights('regulator', {
    '': { kind: 'regulator', liftPa: 80_000, reseatPa: 78_000 },
    '-high': { kind: 'regulator', liftPa: 100_000, reseatPa: 98_000 },
  }),
  test: {
    steps: [LIGHT, HISSES, TURN_MEDIUM, hold(8), FALLS],
    waterG: usualTestWaterG,
    least: { flame: 1, pressure: 1, 'heat-off': 1 },
    measures: ['loss', 'leak'],
    program: (test, burner) => [
      { kind: 'pressure', heatW: burner[flamesIn(test)[0]?.flame ?? 'high'], untilPressure: true },
      ...flamesFrom(test, minuteOf(test, 'pressure') ?? offMinute(test)).map(
        ({ flame, minutes }) => ({ kind: 'minutes', heatW: burner[flame], minutes }) as const,
      ),
    ],
  },
}
