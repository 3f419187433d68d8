import { OPEN } from '../parameters'
import { flameSetting, roundBody, type ApplianceKind, type ApplianceOf, type Generic } from '../kind'
import { BOILS, START, SWITCHES_OFF } from '../test-guide'

const figures = [...OPEN, 'heaterW'] as const

/** A rice cooker: it boils until nothing is left to boil, and then rests. */
export type RiceCooker = ApplianceOf<'rice', typeof figures>

/** Rice cookers are sold by the dry rice that they take; their vessel holds about so many times that (engineering estimate). */
export const VESSEL_TIMES_RICE = 2.7

const generic = (
  riceL: number,
  { innerDiameterMm, ...size }: { lossWPerK: number; heaterW: number; innerDiameterMm: number },
): Generic<RiceCooker> => ({
  appliance: { kind: 'rice', metalKg: 0.7, metalJPerKgK: 800, reflux: 0.45, ...size },
  body: roundBody(Number((riceL * VESSEL_TIMES_RICE).toFixed(2)), innerDiameterMm, 100),
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
  // By litres of dry rice: 3, 5½ and 10 rice-cups (engineering estimates).
  generic: {
    'rice-0.6l': generic(0.6, { heaterW: 330, lossWPerK: 0.8, innerDiameterMm: 165 }),
    'rice-1l': generic(1, { heaterW: 550, lossWPerK: 1.0, innerDiameterMm: 200 }),
    'rice-1.8l': generic(1.8, { heaterW: 800, lossWPerK: 1.4, innerDiameterMm: 240 }),
  },
  test: {
    steps: [START, BOILS, SWITCHES_OFF],
    waterG: (capacityL) => Math.round((capacityL * 300) / 50) * 50,
    least: { boils: 1, 'heat-off': 1 },
    measures: ['heat', 'loss', 'reflux'],
    program: () => [{ kind: 'dry', untilDry: true }],
  },
}
