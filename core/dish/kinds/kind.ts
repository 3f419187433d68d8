import type { FlameName } from '../../names'
import type { Caution } from '../../safety/rules'
import type { Contents } from '../contents'
import type { DishRequest, Stage } from '../dish.schema'
import type { LiquidRow } from '../ledger'
import type { Vessel } from '../names'

/** A field of a stage that its kind uses, besides minutes, hands, vessel and flame; `inTurn`: things go in one after another. */
export type StageField =
  | 'inTurn'
  | 'mashesShare'
  | 'waterG'
  | 'measured'
  | 'keepsG'
  | 'keepsFatG'
  | 'lid'
  | 'keepWater'
  | 'throwsLiquid'
  | 'takesOutPouch'

/** All that is particular to a kind of stage, but for what it does to what is in it (`Work`). */
export interface KindOfStage {
  /** How long it takes where nobody says, and how much of that in the cook's hands (general kitchen practice). */
  minutes: number
  handsMinutes: number | 'all'
  vessel: Vessel
  /** Minutes for which its result may wait for what comes next, and for being served (general kitchen practice). */
  waits: number
  /** Minutes for which it may wait to be served, where that is not the same: at its best at once. */
  servedWithin?: number
  /** It takes a flame of the stove, this one where nobody says. */
  flame?: FlameName
  /** The hands do nothing else meanwhile. */
  critical?: true
  /** It goes on alone and without heat: nobody waits for it, and it is not counted in how long a dish takes. */
  passive?: true
  /** It happens after the dish has been served. */
  afterServing?: true
  /** It starts from lines alone, and goes on with no other stage. */
  beginsAnew?: true
  /** A food is cooked in it. */
  cooks?: true
  /** It is hot long enough for flour and pastes to bind. */
  binds?: true
  fields: readonly StageField[]
  /** What becomes of what is in it. */
  leaves: 'soaked' | 'prepared' | 'fried' | 'drained' | 'cooked'
  /** How it is told: what is done, and what of it is told before and after (core/guide/dish). */
  told: {
    do: 'prepare' | 'soak' | 'fry' | 'turn' | 'mash' | 'drain' | 'keep' | 'add' | 'rest'
    /** What goes in is told by itself before it; `pour`: water too. */
    before?: 'add' | 'add-and-pour'
    /** `drain`: its water is thrown away; `pour-over`: it was done apart, and goes over what it is for. */
    after?: 'drain' | 'pour-over'
  }
  /** How it is drawn. */
  tone: 'water' | 'heat' | 'steam' | 'food'
  isWet?: true
  isCovered?: true
}

/** What the work of a stage leaves besides what it changed in place. */
export interface Worked {
  /** Minutes until what is to boil does. */
  comeUpMinutes?: number
  /** g of water more that it would have needed not to dry. */
  shortG?: number
  cautions?: Caution[]
}

/** Does to the contents what the stage does; its minutes are always said. */
export type Work = (
  stage: Stage & { minutes: number },
  contents: Contents,
  row: LiquidRow,
  request: DishRequest,
) => Worked
