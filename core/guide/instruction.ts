import type { StageKind } from '../dish/names'
import type { FlameName, Level, TaskPart } from '../names'
import type { CautionId } from '../safety/rules'
import type { LiquidKind } from '../water/liquids'

/** What a cook is told to do, in the order in which it is done. */
export const DEEDS = [
  'prepare',
  'soak',
  'drain',
  'fry',
  'stir',
  'turn-over',
  'add',
  'pour',
  'close',
  'light',
  'turn',
  'off',
  'wait',
  'open',
  'look',
  'mash',
  'empty',
  'take-out',
  'rest',
  'serve',
  'keep',
] as const
export type Deed = (typeof DEEDS)[number]

/** In which state something goes in. */
export type ThingState =
  'as-is' | 'dry' | 'soaked' | 'soaked-and-drained' | 'prepared' | 'fried' | 'drained' | 'cooked' | 'cold' | 'boiling'

export type Into = 'pot' | 'pan' | 'bowl' | 'board' | 'box' | 'tin'

/**
 * Something that an instruction is about. Its grams stand in the one instruction in which it is first touched; where it
 * is met again it has none, and `ofG` says how much of it there was.
 */
export interface Thing {
  /** A line of the dish, or what stands in a plan's request; one of them, or water, or liquid that was kept aside. */
  line?: string
  food?: string
  liquid?: LiquidKind
  water?: true
  keptFrom?: string
  /** What was kept is fat. */
  fat?: true
  /** The food or ingredient that a line is; null where nobody has said. */
  what?: string | null
  /** What the household calls a line that is nothing of the tables. */
  name?: string
  /** As it was typed, where all of the line goes in here. */
  typed?: string
  g: number | null
  /** It was touched before: the line or food, and its grams as it went in then. */
  again?: true
  ofG?: number | null
  state: ThingState
  goesInto: Into
  /** The tin it stands in, counted from below. */
  tier?: number
}

export type Setting = { flame: FlameName } | { level: Level } | { program: string; times: number } | { tempC: number }

/** What ends it, as the cook sees it: any of these that are there. */
export interface Until {
  /** Counted from lighting. */
  whistles?: number
  minutesAtPressure?: number
  minutes?: number
  /** Seconds from one whistle to the next meanwhile. */
  everyS?: number
  pressure?: true
  boils?: true
  /** The device ends it by itself. */
  itself?: true
  pressureGone?: true
  /** The device keeps it warm. */
  keptWarm?: true
  /** In the cook's own words. */
  sign?: string
}

export type Event = 'first-whistle' | 'whistles' | 'pressure' | 'boil' | 'timer' | 'pressure-gone' | 'opened'

/** When: a minute from the start, or after something that the cook sees, which is about then. */
export type At = { minute: number } | { after: Event; about: number }

export interface Instruction {
  id: string
  from: { stage: string; kind: StageKind } | { closing: number }
  /** The closing of the lid that it belongs to; null where it belongs to none. */
  closing: number | null
  /** The task of a dinner in which it is done. */
  part: TaskPart
  at: At
  /** Minutes after its stage began, where it is done in the middle of it. */
  afterMinutes?: number
  /** Minutes in the cook's hands. */
  hands: number
  critical: boolean
  do: Deed
  /** What is opened or looked at, where that is not the lid. */
  what?: 'valve' | 'lid' | 'food' | 'pouch'
  things: Thing[]
  /** The household's cooker by its id, or what else it is done in; null where it is done in nothing. */
  in: { cooker: string | null } | { vessel: Into } | null
  /** The household's burner by its id; null where nothing heats, or it heats itself. */
  on: { burner: string | null } | null
  setting: Setting | null
  /** So much of what is there; all if left out. */
  share?: number
  until: Until | null
  cautions: CautionId[]
  /** The sum or the rule that it comes from. */
  why: { sum: 'water' | 'need' | 'soak' } | { rule: CautionId } | null
}

/** The minute of an instruction, planned or about. */
export const minuteOfInstruction = ({ at }: Pick<Instruction, 'at'>): number => ('minute' in at ? at.minute : at.about)

/** In the order of time; what is done at one moment stays in the order in which it was told. */
export const inOrder = (list: readonly Instruction[]): Instruction[] =>
  list
    .map((one, i) => ({ one, i, minute: minuteOfInstruction(one) }))
    .sort((a, b) => a.minute - b.minute || a.i - b.i)
    .map(({ one }) => one)
