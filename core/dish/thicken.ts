import { cooksCovered, setsAsGrain } from '../food/food'
import type { Contents } from './contents'
import type { Stage } from './dish.schema'
import type { LiquidRow } from './ledger'
import type { StageKind } from './names'
import { minutesOf } from './stages'

// g of liquid that is bound (engineering estimates): for each g of dry pulses that are mashed, for each g of dry pulses or
// grain that rest covered so long, and for each g of flour, nut or seed paste in what is hot.
const MASHED_BINDS = 0.4
const RESTING_BINDS = 0.15
const RESTS_MINUTES = 10
const PASTE_BINDS = 2.5
const HOT: readonly StageKind[] = ['pot', 'simmer', 'combine', 'rest']

/** Mashing, resting and pastes thicken: each binds liquid that was free, once. */
export function thicken(stage: Stage, contents: Contents, row: LiquidRow): void {
  const take = (wantedG: number) => {
    const g = Math.max(0, Math.min(contents.freeG, wantedG))
    contents.freeG -= g
    row.drunkG += g
    return g
  }
  const wet = contents.foods.filter(({ insideG }) => insideG > 0)
  if (stage.kind === 'mash')
    for (const item of wet.filter(({ food, isMashed }) => cooksCovered(food) && !isMashed)) {
      item.isMashed = true
      item.insideG += take(MASHED_BINDS * item.dryG)
    }
  if (stage.kind === 'rest')
    for (const item of wet.filter(({ food }) => cooksCovered(food) || setsAsGrain(food))) {
      const share = Math.min(1 - (item.rested ?? 0), minutesOf(stage) / RESTS_MINUTES)
      item.rested = (item.rested ?? 0) + share
      item.insideG += take(RESTING_BINDS * share * item.dryG)
    }
  if (HOT.includes(stage.kind))
    for (const other of contents.others.filter(({ what, isBound }) => what.group === 'thickener' && !isBound)) {
      other.isBound = true
      other.restG += take(PASTE_BINDS * other.inG)
    }
}
