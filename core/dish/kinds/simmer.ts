import { BURNERS } from '../../appliance/burner'
import { needOf } from '../../food/need'
import { soakedShare } from '../../food/soak'
import { usualTexture } from '../../food/texture'
import { isSoured } from '../../program/prepared'
import { boilingC } from '../../steam/steam'
import { giveLiquid, letLooseGo } from '../contents'
import { heatOpen, keepHeat } from '../open-heat'
import { additionsOf, sourOf } from '../pot-stage'
import type { KindOfStage, Work } from './kind'

/** Open, or under a lid that holds no pressure. */
export const simmer: KindOfStage = {
  minutes: 10,
  handsMinutes: 3,
  vessel: 'pot',
  waits: 20,
  flame: 'simmer',
  cooks: true,
  binds: true,
  fields: ['inTurn', 'waterG', 'measured', 'keepsG', 'lid', 'takesOutPouch'],
  leaves: 'cooked',
  told: { do: 'turn', before: 'add-and-pour' },
  tone: 'heat',
  isWet: true,
}

/** Share of the steam that runs back from a lid (engineering estimate). */
const LID_REFLUX = 0.4

/** What is in it goes on cooking and drinking, and the rest of the heat boils away. */
export const simmerWork: Work = (stage, contents, row, request) => {
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
    heatW: BURNERS.strong[stage.flame ?? simmer.flame!],
    minutes: stage.minutes,
    reflux: stage.lid ? LID_REFLUX : 0,
    comeUpW: BURNERS.strong.high,
    fries: false,
  })
  contents.foods.forEach((item, i) => {
    item.insideG += heat.drunkG[i]!
    contents.freeG -= heat.drunkG[i]!
    row.drunkG += heat.drunkG[i]!
  })
  const boiledG = Math.min(contents.freeG, heat.boiledG)
  row.boiledG += boiledG
  contents.freeG -= boiledG
  keepHeat(contents, heat)
  contents.tempC = boilingC(altitudeM)
  contents.inPot = true
  return { comeUpMinutes: heat.comeUpMinutes, shortG: heat.shortG }
}
