import { heightOfMm, stackFaults, USUAL_TRIVETS_MM, type StandingTin } from '../pot/stacking'
import type { PlanFacts } from '../safety/rules'
import { levelMl } from '../water/volume'
import type { Fill } from './answer'
import { tinWaterG } from './load'
import type { Tin } from './request'
import type { ResolvedFood, ResolvedPlan } from './resolve'
import { bulkAfter, bulkBefore } from './settle'

/** How full a tin may get, and one whose food froths (general kitchen practice). */
const TIN_FULL = 0.8
const TIN_FULL_FROTHING = 0.6

/** ml that a tin holds to its brim: as measured, or by its outer size. */
export function tinVolumeMl({ diameterMm, heightMm, volumeMl }: Pick<Tin, 'diameterMm' | 'heightMm' | 'volumeMl'>) {
  return volumeMl ?? (Math.PI * (diameterMm / 2) ** 2 * heightMm) / 1000
}

/** How high a food stands in its tin in ml, before cooking and when swollen. */
export function tinLevelsMl(item: ResolvedFood): { beforeMl: number; afterMl: number } {
  return {
    beforeMl: levelMl([bulkBefore(item)], tinWaterG(item)),
    afterMl: levelMl([bulkAfter(item)], item.freeLiquidG),
  }
}

/** The higher of the two. */
export function tinLevelMl(item: ResolvedFood): number {
  const { beforeMl, afterMl } = tinLevelsMl(item)
  return Math.max(beforeMl, afterMl)
}

/** How full a tin with this food may get, as a share. */
export function tinLimit({ food }: Pick<ResolvedFood, 'food'>): number {
  return food.froth >= 1 ? TIN_FULL_FROTHING : TIN_FULL
}

/** What the safety rules look at where tins stand in the pot. */
export function standingOf(plan: ResolvedPlan, fill: Fill): PlanFacts['standing'] {
  const placed = plan.request.contents.flatMap(({ where }, i) => {
    const item = plan.foods[i]!
    return where === 'base' ? [] : [{ item, tin: where.tin, tier: where.tier }]
  })
  if (placed.length === 0) return null
  const levels = [...new Set(placed.map(({ tier }) => tier))].sort((a, b) => a - b)
  const tiers = levels.map((level) =>
    placed
      .filter(({ tier }) => tier === level)
      .map(({ tin }): StandingTin => ({ ...tin, cover: tin.lid ? 'lid' : 'none' })),
  )
  const { body } = plan.cooker
  const trivetMm = plan.request.trivetMm ?? USUAL_TRIVETS_MM[1]!
  const inBase = plan.foods.filter(({ tin }) => tin === null)
  const levelMm = heightOfMm(Math.max(fill.beforeL, fill.afterL), body)
  const thickestMm = Math.max(0, ...inBase.map(({ food }) => food.sizeMm))
  return {
    faults: stackFaults(body, trivetMm, tiers),
    baseReachesMm: Math.max(levelMm, thickestMm) - trivetMm,
    tins: placed.map(({ item, tin }) => ({
      food: item.food,
      fullShare: tinLevelMl(item) / tinVolumeMl(tin),
      limitShare: tinLimit(item),
      thickerByMm: item.food.sizeMm - tin.heightMm,
      material: tin.material ?? null,
    })),
  }
}
