import { roundBody, type Generic } from '../kind'

// Pots that stand on a flame, as whistling, regulator and open ones are made (engineering estimates).
const ALUMINIUM_J_PER_KG_K = 900
const STEEL_J_PER_KG_K = 500
const STEEL_TIMES_MASS = 1.4
const SIZES = {
  '3l': { metalKg: 1.2, lossWPerK: 1.5, purgeKg: 0.008, body: roundBody(3, 180, 150) },
  '5l': { metalKg: 1.8, lossWPerK: 2.0, purgeKg: 0.01, body: roundBody(5, 220, 200) },
  '7l': { metalKg: 2.4, lossWPerK: 2.5, purgeKg: 0.012, body: roundBody(7, 240, 250) },
} as const
type Size = keyof typeof SIZES
type Metal = 'aluminium' | 'steel'

/** A generic per size and metal for each weight: its suffix in the id, and its figures. */
export function underWeights<Weight extends object>(
  kind: string,
  weights: Readonly<Record<string, Weight>>,
): Record<string, Generic<Weight & ReturnType<typeof pressureFigures>>> {
  return Object.fromEntries(
    (Object.keys(SIZES) as Size[]).flatMap((size) =>
      (['aluminium', 'steel'] as const).flatMap((metal) =>
        Object.entries(weights).map(([suffix, weight]) => [
          `${kind}-${size}-${metal}${suffix}`,
          { appliance: { ...weight, ...pressureFigures(size, metal) }, body: SIZES[size].body },
        ]),
      ),
    ),
  )
}

function pressureFigures(size: Size, metal: Metal) {
  const { metalKg, lossWPerK, purgeKg } = SIZES[size]
  return {
    metalKg: metal === 'steel' ? metalKg * STEEL_TIMES_MASS : metalKg,
    metalJPerKgK: metal === 'steel' ? STEEL_J_PER_KG_K : ALUMINIUM_J_PER_KG_K,
    lossWPerK,
    ventKgPerS: 0.005,
    purgeKg,
    leakKgPerS: 0.0009 / 60,
  }
}

/** Ordinary pots are lighter than pressure cookers of their size by this much. */
const OPEN_TIMES_MASS = 0.7

/** A generic open pot per size. */
export function openPots<A>(make: (figures: { metalKg: number; metalJPerKgK: number; lossWPerK: number }) => A) {
  return Object.fromEntries(
    Object.entries(SIZES).map(([size, { metalKg, lossWPerK, body }]) => [
      `open-${size}`,
      {
        appliance: make({ metalKg: metalKg * OPEN_TIMES_MASS, metalJPerKgK: ALUMINIUM_J_PER_KG_K, lossWPerK }),
        body: { ...body, minimumLiquidG: 0 },
      },
    ]),
  ) as Record<string, Generic<A>>
}
