import { bind, letLooseGo, liquidG, nothingAside, takeFats, takeLiquid, type Aside, type Contents } from './contents'
import type { Stage } from './dish.schema'
import { fryWork } from './kinds/fry'
import type { Work } from './kinds/kind'
import { mashWork } from './kinds/mash'
import { restWork } from './kinds/rest'
import { simmerWork } from './kinds/simmer'
import { soakWork } from './kinds/soak'
import type { LiquidRow } from './ledger'
import type { StageKind } from './names'
import { STAGES } from './stages'

/** What the kinds of stages do that do anything to liquid, food or fat; a pot is planned (pot-stage.ts). */
export const WORK: Readonly<Partial<Record<StageKind, Work>>> = {
  soak: soakWork,
  fry: fryWork,
  simmer: simmerWork,
  mash: mashWork,
  rest: restWork,
}

/** g of liquid that is bound for each g of flour, nut or seed paste in what is hot (engineering estimate). */
const PASTE_BINDS = 2.5

/** Flour and pastes thicken what is hot, once. */
export function thickenWithPastes({ kind }: Stage, contents: Contents, row: LiquidRow): void {
  if (!STAGES[kind].binds) return
  for (const other of contents.others)
    if (other.what.group === 'thickener' && !other.isBound) {
      other.isBound = true
      other.restG += bind(contents, row, PASTE_BINDS * other.inG)
    }
}

/** Keeps liquid or fat aside, or throws liquid away. */
export function takeOff(stage: Stage, contents: Contents, row: LiquidRow): Aside {
  const drains = stage.kind === 'drain'
  const fats = stage.keepsFatG === undefined ? [] : takeFats(contents.others, stage.keepsFatG)
  if (!drains && stage.keepsG === undefined) return { ...nothingAside(), fats }
  letLooseGo(contents)
  const g = Math.min(liquidG(contents), stage.keepsG ?? Infinity)
  const taken = takeLiquid(contents, Math.max(0, g))
  if (drains && stage.throwsLiquid) {
    row.thrownG += taken.freeG
    return { ...nothingAside(), fats }
  }
  row.keptG += taken.freeG
  return { ...taken, fats }
}
