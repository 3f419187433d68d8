import { OPEN } from '../parameters'
import { flameSetting, roundBody, type ApplianceKind, type ApplianceOf } from '../kind'
import { BOILS, hold, offMinute, START, usualTestWaterG } from '../test-guide'

const figures = [...OPEN, 'heaterW'] as const

/** A heated stirred bowl with a basket: its steps are a temperature and minutes; grain boils in plenty and drains. */
export type HeatedBowl = ApplianceOf<'bowl', typeof figures>

export const bowl: ApplianceKind<HeatedBowl> = {
  kind: 'bowl',
  figures,
  holdsPressure: false,
  heatsItself: true,
  gentle: false,
  tells: 'nothing',
  styles: ['basket'],
  release: 'none',
  equations: ({ reflux, heaterW }) => ({
    vent: null,
    reflux,
    setting: (step) =>
      step.kind === 'temperature' ? { burnerW: heaterW, thermostatC: step.tempC } : flameSetting(step),
  }),
  // Engineering estimates.
  generic: {
    'bowl-2.2l': {
      appliance: { kind: 'bowl', metalKg: 1.5, metalJPerKgK: 600, lossWPerK: 1.5, reflux: 0.5, heaterW: 950 },
      body: roundBody(2.2, 160, 500),
    },
  },
  test: {
    steps: [START, BOILS, hold(5)],
    waterG: usualTestWaterG,
    least: { boils: 1 },
    measures: ['heat', 'loss'],
    program: (test) => [{ kind: 'temperature', tempC: 100, minutes: offMinute(test) }],
  },
}
