import { heightOfMm, stackFaults, USUAL_TRIVETS_MM, type StandingTin } from '../pot/stacking'
import type { PlanFacts } from '../safety/rules'
import { levelMl } from '../water/volume'
import { bulkAfter, bulkBefore } from './bulk'
import type { PreparedFood, PreparedPot } from './prepared'
import type { Tin } from './request.schema'

/** How full a tin may get, and one whose food froths (general kitchen practice). */
const TIN_FULL = 0.8
const TIN_FULL_FROTHING = 0.6

/** g of water to measure into a food's own tin; there it loses none. */
export function tinWaterG(item: PreparedFood): number {
  return Math.max(0, Math.round(item.uptakeG + item.freeLiquidG - item.heldG - item.soakWaterG))
}

/** ml that a tin holds to its brim: as measured, or by its outer size. */
export function tinVolumeMl({ diameterMm, heightMm, volumeMl }: Pick<Tin, 'diameterMm' | 'heightMm' | 'volumeMl'>) {
  return volumeMl ?? (Math.PI * (diameterMm / 2) ** 2 * heightMm) / 1000
}

/** How high what stands in one tin stands there in ml, before cooking and when swollen. */
export function tinLevelsMl(items: readonly PreparedFood[]): { beforeMl: number; afterMl: number } {
  const sum = (of: (item: PreparedFood) => number) => items.reduce((all, item) => all + of(item), 0)
  return {
    beforeMl: levelMl(items.map(bulkBefore), sum(tinWaterG)),
    afterMl: levelMl(
      items.map(bulkAfter),
      sum(({ freeLiquidG }) => freeLiquidG),
    ),
  }
}

/** The higher of the two. */
export function tinLevelMl(items: readonly PreparedFood[]): number {
  const { beforeMl, afterMl } = tinLevelsMl(items)
  return Math.max(beforeMl, afterMl)
}

/** How full a tin with these foods may get, as a share. */
export function tinLimit(items: readonly Pick<PreparedFood, 'food'>[]): number {
  return items.some(({ food }) => food.froth >= 1) ? TIN_FULL_FROTHING : TIN_FULL
}

/** What the safety rules look at where tins stand in the pot; `baseL` is how high the base reaches at most. */
export function tinFacts(pot: PreparedPot, baseL: number): PlanFacts['tins'] {
  const all = pot.request.contents.flatMap(({ where }, i) =>
    where === 'base' ? [] : [{ item: pot.foods[i]!, tin: where.tin, tier: where.tier }],
  )
  const placed = pot.tins.map((tin, place) => {
    const here = all.filter(({ item }) => item.tin === place)
    return { items: here.map(({ item }) => item), tin, tier: here[0]!.tier }
  })
  if (placed.length === 0) return null
  const levels = [...new Set(placed.map(({ tier }) => tier))].sort((a, b) => a - b)
  const tiers = levels.map((level) =>
    placed
      .filter(({ tier }) => tier === level)
      .map(({ tin }): StandingTin => ({ ...tin, cover: tin.lid ? 'lid' : 'none' })),
  )
  const { body } = pot.cooker
  const trivetMm = pot.request.trivetMm ?? USUAL_TRIVETS_MM[1]!
  const thickestMm = Math.max(0, ...pot.foods.map(({ food, tin }) => (tin === null ? food.sizeMm : 0)))
  return {
    faults: stackFaults(body, trivetMm, tiers),
    baseReachesMm: Math.max(heightOfMm(baseL, body), thickestMm) - trivetMm,
    filled: placed.flatMap(({ items, tin }) =>
      items.map(({ food }) => ({
        food,
        fullShare: tinLevelMl(items) / tinVolumeMl(tin),
        limitShare: tinLimit(items),
        thickerByMm: food.sizeMm - tin.heightMm,
        material: tin.material ?? null,
      })),
    ),
  }
}
