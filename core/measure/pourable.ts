import { COMMON_MEASURES, type Measure } from './measure'

/** One part of an amount that a cook can pour: so many quarters or thirds of a measure. */
export interface PourPart {
  measure: string
  whole: number
  /** A vulgar fraction as [numerator, denominator], or null. */
  fraction: readonly [number, number] | null
}

export interface Pourable {
  parts: PourPart[]
  /** Volume of the parts, less what was asked for, as a share of it. */
  errorShare: number
}

/** A rounding error up to this needs no mention. */
export const UNMENTIONED_ERROR = 0.03

const CUP_FRACTIONS = [null, [1, 4], [1, 3], [1, 2], [2, 3], [3, 4]] as const
const SPOON_FRACTIONS = [null, [1, 2]] as const
/** Nobody counts more spoons than these. */
const MOST_SPOONS = 3
/** One spoon more is worth so much of an error. */
const SPOON = 0.005
const { tbsp, tsp } = COMMON_MEASURES
/** Less than this is not measured with any spoon. */
const LEAST_ML = tsp.volumeMl / 2

/**
 * A volume as a cook would measure it with one cup or bowl and spoons: one measure, or with at most three of a smaller
 * spoon, that come within 3 %, and among those the closest. Nothing of what no spoon measures.
 * @example pourable(285, cup240) // 1 cup + 3 tbsp
 */
export function pourable(volumeMl: number, cup: Measure): Pourable {
  if (!(volumeMl >= LEAST_ML * (1 - UNMENTIONED_ERROR))) return { parts: [], errorShare: 0 }
  const whole = Math.floor(volumeMl / cup.volumeMl)
  const cups = [whole, whole + 1].flatMap((count) => CUP_FRACTIONS.map((fraction) => part(cup, count, fraction)))
  const spoons = (spoon: Measure) =>
    [0, 1, 2, MOST_SPOONS].flatMap((count) => SPOON_FRACTIONS.map((fraction) => part(spoon, count, fraction)))
  const few = (spoon: Measure) => [1, 2, MOST_SPOONS].map((count) => part(spoon, count, null))
  const first = [...cups, ...spoons(tbsp), ...spoons(tsp)].filter((one) => one !== null)
  const candidates = first.flatMap((one) => {
    const isWholeSpoons = one.measure === tbsp.id && !one.fraction
    const smaller = one.measure === cup.id ? [...few(tbsp), ...few(tsp)] : isWholeSpoons ? few(tsp) : []
    return [[one], ...smaller.map((other) => [one, other!])]
  })

  const measured = candidates.map((parts) => {
    const totalMl = parts.reduce((sum, item) => sum + partMl(item, cup), 0)
    return { parts, errorShare: totalMl / volumeMl - 1 }
  })
  const cost = ({ parts, errorShare }: Pourable) => {
    const error = Math.abs(errorShare)
    return (error > UNMENTIONED_ERROR ? 1000 * error : 0) + 10 * parts.length + error + SPOON * (parts[1]?.whole ?? 0)
  }
  return measured.reduce((best, candidate) => (cost(candidate) < cost(best) ? candidate : best))
}

function part(measure: Measure, whole: number, fraction: PourPart['fraction']): PourPart | null {
  return whole === 0 && !fraction ? null : { measure: measure.id, whole, fraction }
}

function partMl({ measure, whole, fraction }: PourPart, cup: Measure): number {
  const volumeMl = measure === tbsp.id ? tbsp.volumeMl : measure === tsp.id ? tsp.volumeMl : cup.volumeMl
  return (whole + (fraction ? fraction[0] / fraction[1] : 0)) * volumeMl
}
