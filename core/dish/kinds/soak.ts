import { soakedShare, soakUptake } from '../../food/soak'
import { sumOf, takeLiquid } from '../contents'
import type { KindOfStage, Work } from './kind'

export const soak: KindOfStage = {
  minutes: 480,
  handsMinutes: 2,
  vessel: 'bowl',
  waits: 240,
  passive: true,
  beginsAnew: true,
  fields: ['waterG', 'measured', 'keepWater'],
  leaves: 'soaked',
  told: { do: 'soak', after: 'drain' },
  tone: 'water',
  isWet: true,
}

/** g of water on the surface of each g of dry food when it is drained. */
const SURFACE_G_PER_G = 0.1
/** Water of a soak that nobody measured, for each g of dry food (general kitchen practice). */
const SOAK_TIMES = 3

/** Soaks every food; the water is thrown away unless it is kept. */
export const soakWork: Work = (stage, contents, row, { kitchen }) => {
  const hours = stage.minutes / 60
  const dryG = sumOf(contents.foods, (one) => one.dryG)
  if (stage.waterG === undefined) {
    contents.freeG += dryG * SOAK_TIMES
    row.pouredG += dryG * SOAK_TIMES
  }
  const waterG = contents.freeG
  const kept = stage.keepWater || stage.measured || false
  const salted = contents.saltG > 0
  for (const item of contents.foods) {
    const each = dryG > 0 ? (waterG * item.dryG) / dryG : 0
    const bath = { hours, waterC: stage.waterC ?? kitchen.tapC, keepWater: kept, ...(kept ? { waterG: each } : {}) }
    const share = soakedShare(item.food, bath, kitchen.roomC)
    const inside = Math.max(item.insideG, Math.min(each, item.dryG * soakUptake(item.food, share)))
    if (share === 0) continue
    item.soak = bath
    item.saltedSoak = salted
    contents.freeG -= inside - item.insideG
    row.drunkG += inside - item.insideG
    item.insideG = inside
    item.looseG = kept ? each - inside : Math.min(item.dryG * SURFACE_G_PER_G, each - inside)
    contents.freeG -= item.looseG
  }
  if (!kept) row.thrownG += takeLiquid(contents, Math.max(0, contents.freeG)).freeG
  return {}
}
