import { OPEN } from '../parameters'
import { flameSetting, roundBody, type ApplianceKind, type ApplianceOf, type Generic } from '../kind'
import { offMinute, readThermometer, START, usualTestWaterG } from '../test-guide'

const figures = [...OPEN, 'lowW', 'highW'] as const

/** A slow cooker: one of two constant heats. */
export type SlowCooker = ApplianceOf<'slow', typeof figures>

const generic = (
  size: { metalKg: number; lowW: number; highW: number; lossWPerK: number },
  body: Generic<SlowCooker>['body'],
): Generic<SlowCooker> => ({ appliance: { kind: 'slow', metalJPerKgK: 850, reflux: 0.95, ...size }, body })

export const slow: ApplianceKind<SlowCooker> = {
  kind: 'slow',
  figures,
  holdsPressure: false,
  heatsItself: true,
  gentle: true,
  tells: 'nothing',
  level: 'high',
  styles: ['slow'],
  release: 'none',
  equations: ({ reflux, lowW, highW }) => ({
    vent: null,
    reflux,
    setting: (step) => (step.kind === 'level' ? { burnerW: step.level === 'high' ? highW : lowW } : flameSetting(step)),
  }),
  // Engineering estimates.
  generic: {
    'slow-3.5l': generic({ metalKg: 2.8, lowW: 110, highW: 140, lossWPerK: 1.6 }, roundBody(3.5, 210, 200)),
    'slow-6l': generic({ metalKg: 3.5, lowW: 136, highW: 170, lossWPerK: 2.0 }, roundBody(6, 250, 300)),
  },
  test: {
    steps: [START, readThermometer(3)],
    waterG: usualTestWaterG,
    least: { temperature: 2 },
    measures: ['heat', 'loss'],
    program: (test) => [{ kind: 'level', level: test.level ?? 'high', minutes: offMinute(test) }],
  },
}
