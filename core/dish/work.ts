import { BURNERS } from '../appliance/burner'
import { soakedShare, soakUptake } from '../food/soak'
import { needOf } from '../food/need'
import { usualTexture } from '../food/texture'
import { isSoured } from '../program/prepared'
import { boilingC } from '../steam/steam'
import { giveLiquid, letLooseGo, liquidG, sumOf, takeLiquid, type Aside, type Contents } from './contents'
import type { DishRequest, Stage } from './dish.schema'
import type { LiquidRow } from './ledger'
import { heatOpen, type OpenHeat } from './open-heat'
import { additionsOf, sourOf } from './pot-stage'

/** A pot that was fried in, once nothing wet is left in it (engineering estimate). */
const FRYING_C = 140
/** Share of the steam that runs back from a lid (engineering estimate). */
const LID_REFLUX = 0.4
/** g of water on the surface of each g of dry food when it is drained. */
const SURFACE_G_PER_G = 0.1
/** Water of a soak that nobody measured, for each g of dry food (general kitchen practice). */
export const SOAK_TIMES = 3

/** What a stage's work leaves besides what it changed in place. */
export interface Worked {
  aside: Aside
  /** Minutes until what is to boil does. */
  comeUpMinutes: number
  /** g of water more that it would have needed not to dry. */
  shortG: number
}
const nothing = (): Worked => ({ aside: { freeG: 0, saltG: 0 }, comeUpMinutes: 0, shortG: 0 })

/** Soaks every food; the water is thrown away unless it is kept. */
export function soak(stage: Stage, contents: Contents, row: LiquidRow, { kitchen }: DishRequest): Worked {
  const hours = (stage.minutes ?? 0) / 60
  const dryG = sumOf(contents.foods, (one) => one.dryG)
  if (stage.waterG === undefined) {
    contents.freeG += dryG * SOAK_TIMES
    row.pouredG += dryG * SOAK_TIMES
  }
  const waterG = contents.freeG
  const kept = stage.keepWater ?? false
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
  return nothing()
}

/** Fries in the pot or in a pan: what gives liquid gives it, and the heat drives it off. */
export function fry(stage: Stage, contents: Contents, row: LiquidRow, { kitchen }: DishRequest): Worked {
  letLooseGo(contents)
  row.givenG += giveLiquid(contents)
  const heatW = BURNERS.strong[stage.flame ?? 'high']
  const minutes = stage.minutes ?? 0
  const heat = heatOpen(contents, kitchen, { heatW, minutes, reflux: 0, comeUpW: null, fries: true })
  row.boiledG = heat.boiledG
  contents.freeG -= heat.boiledG
  keepHeat(contents, heat)
  contents.tempC = contents.freeG > 1 ? boilingC(kitchen.altitudeM) : FRYING_C
  contents.inPot = stage.vessel !== 'pan'
  return nothing()
}

/** Simmers open or under a lid: what is in it goes on cooking and drinking, and the rest of the heat boils away. */
export function simmer(stage: Stage, contents: Contents, row: LiquidRow, request: DishRequest): Worked {
  const { altitudeM, roomC } = request.kitchen
  letLooseGo(contents)
  row.givenG += giveLiquid(contents)
  const sourG = sourOf(contents.others, [])
  for (const item of contents.foods) {
    const { food } = item
    item.needs ??= needOf(food, item.texture ?? usualTexture(food), {
      soakedShare: soakedShare(food, item.soak, roomC),
      batch: 'fresh',
      additions: [
        ...additionsOf(contents, item.saltedSoak, request.kitchen.hardWater ?? false),
        ...(isSoured(item.dryG, [], sourG) ? (['acid'] as const) : []),
      ],
    }).boilMinutes
  }
  const heat = heatOpen(contents, request.kitchen, {
    heatW: BURNERS.strong[stage.flame ?? 'simmer'],
    minutes: stage.minutes ?? 0,
    reflux: stage.lid ? LID_REFLUX : 0,
    comeUpW: BURNERS.strong.high,
    fries: false,
  })
  contents.foods.forEach((item, i) => {
    item.insideG += heat.drunkG[i]!
    contents.freeG -= heat.drunkG[i]!
    row.drunkG += heat.drunkG[i]!
  })
  row.boiledG = Math.min(contents.freeG, heat.boiledG)
  contents.freeG -= row.boiledG
  keepHeat(contents, heat)
  contents.tempC = boilingC(altitudeM)
  contents.inPot = true
  return { ...nothing(), comeUpMinutes: heat.comeUpMinutes, shortG: heat.shortG }
}

function keepHeat(contents: Contents, { gets, centreC }: OpenHeat): void {
  contents.foods.forEach((item, i) => {
    item.gets += gets[i]!
    item.centreC = Math.max(item.centreC ?? -Infinity, centreC[i]!)
  })
}

/** Crushes it: what it still holds of liquid comes out. */
export function mash(_: Stage, contents: Contents, row: LiquidRow): Worked {
  letLooseGo(contents)
  row.givenG += giveLiquid(contents)
  return nothing()
}

/** Keeps liquid aside, or throws it away. */
export function takeOff(stage: Stage, contents: Contents, row: LiquidRow): Aside {
  const drains = stage.kind === 'drain'
  if (!drains && stage.keepsG === undefined) return { freeG: 0, saltG: 0 }
  letLooseGo(contents)
  const g = Math.min(liquidG(contents), stage.keepsG ?? Infinity)
  const taken = takeLiquid(contents, Math.max(0, g))
  if (drains && stage.throwsLiquid) {
    row.thrownG += taken.freeG
    return { freeG: 0, saltG: 0 }
  }
  row.keptG += taken.freeG
  return taken
}
