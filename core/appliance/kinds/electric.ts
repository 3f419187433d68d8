import { PRESSURE } from '../parameters'
import { flameSetting, roundBody, type ApplianceKind, type ApplianceOf, type Generic } from '../kind'
import { AT_PRESSURE, FALLS, minuteOf, offMinute, START, SWITCHES_OFF, usualTestWaterG } from '../test-guide'

const figures = [...PRESSURE, 'heaterW', 'highPa', 'lowPa'] as const

/** An electric multicooker: a pressure switch holds one of two pressures. */
export type ElectricCooker = ApplianceOf<'electric', typeof figures>

const generic = (
  size: { metalKg: number; lossWPerK: number; heaterW: number },
  body: Generic<ElectricCooker>['body'],
): Generic<ElectricCooker> => ({
  appliance: {
    kind: 'electric',
    metalJPerKgK: 600,
    highPa: 70_000,
    lowPa: 40_000,
    ventKgPerS: 0.004,
    purgeKg: 0.02,
    leakKgPerS: 0.0002 / 60,
    ...size,
  },
  body,
})

export const electric: ApplianceKind<ElectricCooker> = {
  kind: 'electric',
  figures,
  holdsPressure: true,
  heatsItself: true,
  gentle: false,
  tells: 'pressure',
  level: 'high',
  styles: ['electric'],
  release: 'valve',
  equations: ({ ventKgPerS, purgeKg, leakKgPerS, heaterW, highPa, lowPa }) => ({
    vent: { kgPerS: ventKgPerS, leakKgPerSPa: leakKgPerS / highPa, purgeKg },
    reflux: 0,
    setting: (step) =>
      step.kind === 'at-pressure'
        ? { burnerW: heaterW, setPa: step.level === 'high' ? highPa : lowPa }
        : flameSetting(step),
  }),
  // Engineering estimates.
  generic: {
    'electric-3l': generic({ metalKg: 1.2, lossWPerK: 0.8, heaterW: 630 }, roundBody(3, 180, 250)),
    'electric-6l': generic({ metalKg: 1.6, lossWPerK: 1.0, heaterW: 900 }, roundBody(6, 220, 300)),
    'electric-8l': generic({ metalKg: 2.0, lossWPerK: 1.2, heaterW: 1080 }, roundBody(8, 240, 400)),
  },
  test: {
    // Set to 10 minutes at high pressure.
    steps: [START, AT_PRESSURE, SWITCHES_OFF, FALLS],
    waterG: usualTestWaterG,
    least: { pressure: 1, 'heat-off': 1 },
    measures: ['heat', 'loss', 'leak'],
    program: (test) => [
      {
        kind: 'at-pressure',
        level: test.level ?? 'high',
        minutesAtPressure: offMinute(test) - (minuteOf(test, 'pressure') ?? offMinute(test)),
      },
    ],
  },
}
