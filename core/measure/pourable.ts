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
const MOST_TBSP = 12
const { tbsp, tsp } = COMMON_MEASURES

/**
 * A volume as a cook would measure it with one cup or bowl and spoons: the fewest parts that come
 * within 3 %, and among those the closest.
 * @example pourable(285, cup240) // 1 cup + 3 tbsp
 */
export function pourable(volumeMl: number, cup: Measure): Pourable {
  if (!(volumeMl > 0)) return { parts: [], errorShare: 0 }
  const candidates: PourPart[][] = []
  const whole = Math.floor(volumeMl / cup.volumeMl)
  for (const count of [whole, whole + 1])
    for (const fraction of CUP_FRACTIONS) {
      const cups = part(cup, count, fraction)
      if (cups) candidates.push([cups])
      const restMl = volumeMl - (cups ? partMl(cups, cup) : 0)
      if (restMl <= 0) continue
      const spoons = Math.round(restMl / tbsp.volumeMl)
      if (spoons >= 1 && spoons <= MOST_TBSP) candidates.push([...(cups ? [cups] : []), part(tbsp, spoons, null)!])
    }
  if (volumeMl < 4 * tbsp.volumeMl)
    for (const spoon of [tbsp, tsp])
      for (const fraction of SPOON_FRACTIONS)
        for (const count of [Math.floor(volumeMl / spoon.volumeMl), Math.ceil(volumeMl / spoon.volumeMl)]) {
          const spoons = part(spoon, count, fraction)
          if (spoons) candidates.push([spoons])
        }

  const measured = candidates.map((parts) => {
    const totalMl = parts.reduce((sum, item) => sum + partMl(item, cup), 0)
    return { parts, errorShare: totalMl / volumeMl - 1 }
  })
  const cost = ({ parts, errorShare }: Pourable) => {
    const error = Math.abs(errorShare)
    return (error > UNMENTIONED_ERROR ? 1000 * error : 0) + 10 * parts.length + error
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
