import { OPEN } from '../figures'
import { flameSetting, roundBody, type ApplianceKind, type ApplianceOf, type Generic } from '../kind'
import { BOILS, START, SWITCHES_OFF } from '../test-guide'

const figures = [...OPEN, 'heaterW'] as const

/** A rice cooker: it boils until nothing is left to boil, and then rests. */
export type RiceCooker = ApplianceOf<'rice', typeof figures>

const generic = (
  size: { lossWPerK: number; heaterW: number },
  body: Generic<RiceCooker>['body'],
): Generic<RiceCooker> => ({
  appliance: { kind: 'rice', metalKg: 0.7, metalJPerKgK: 800, reflux: 0.45, ...size },
  body,
})

export const rice: ApplianceKind<RiceCooker> = {
  kind: 'rice',
  figures,
  holdsPressure: false,
  heatsItself: true,
  gentle: true,
  tells: 'nothing',
  styles: ['rice-cooker'],
  release: 'none',
  equations: ({ reflux, heaterW }) => ({
    vent: null,
    reflux,
    setting: (step) => (step.kind === 'dry' ? { burnerW: heaterW } : flameSetting(step)),
  }),
  // Engineering estimates.
  generic: {
    'rice-0.6l': generic({ heaterW: 255, lossWPerK: 0.8 }, roundBody(0.6, 120, 100)),
    'rice-1l': generic({ heaterW: 380, lossWPerK: 1.0 }, roundBody(1.0, 150, 120)),
    'rice-1.8l': generic({ heaterW: 595, lossWPerK: 1.4 }, roundBody(1.8, 180, 150)),
  },
  test: {
    steps: [START, BOILS, SWITCHES_OFF],
    waterG: (capacityL) => Math.round((capacityL * 300) / 50) * 50,
    least: { boils: 1, 'heat-off': 1 },
    measures: ['heat', 'loss', 'reflux'],
    program: () => [{ kind: 'dry', untilDry: true }],
  },
}
