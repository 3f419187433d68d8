import { BURNERS } from '../../appliance/burner'
import type { Caution } from '../../safety/rules'
import { boilingC } from '../../steam/steam'
import { giveLiquid, letLooseGo, sumOf, type Contents } from '../contents'
import { heatOpen, keepHeat } from '../open-heat'
import type { KindOfStage, Work } from './kind'

export const fry: KindOfStage = {
  minutes: 8,
  handsMinutes: 'all',
  vessel: 'pot',
  waits: 10,
  flame: 'high',
  fields: ['inTurn', 'keepsFatG'],
  leaves: 'fried',
  told: { do: 'fry' },
  tone: 'heat',
}

/** A pot that was fried in, once nothing wet is left in it (engineering estimate). */
const FRYING_C = 140
/** Less fat than this to what is fried, with nothing wet left, and it sticks (engineering estimate). */
const LEAST_FAT_SHARE = 0.03
/** So much water loosens what has stuck (general kitchen practice). */
const SPLASH_G = 30

/** Fries in the pot or in a pan: what gives liquid gives it, and the heat drives it off. */
export const fryWork: Work = (stage, contents, row, { kitchen }) => {
  letLooseGo(contents)
  row.givenG += giveLiquid(contents)
  const heatW = BURNERS.strong[stage.flame ?? fry.flame!]
  const heat = heatOpen(contents, kitchen, { heatW, minutes: stage.minutes, reflux: 0, comeUpW: null, fries: true })
  row.boiledG += heat.boiledG
  contents.freeG -= heat.boiledG
  keepHeat(contents, heat)
  contents.tempC = contents.freeG > 1 ? boilingC(kitchen.altitudeM) : FRYING_C
  contents.inPot = stage.vessel !== 'pan'
  return { cautions: sticks(contents) }
}

function sticks({ others, foods, freeG }: Contents): Caution[] {
  const fatG = sumOf(others, ({ restG, what }) => restG * what.fat)
  const allG = sumOf(others, ({ restG }) => restG) + sumOf(foods, ({ dryG }) => dryG)
  if (freeG > 1 || allG === 0 || fatG >= LEAST_FAT_SHARE * allG) return []
  return [{ id: 'fry-sticks', severity: 'note', params: { grams: SPLASH_G } }]
}
