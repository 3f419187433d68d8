import type { RunEvent } from '../core/live/event.schema'
import type { PlanAnswer } from '../core/program/answer'
import type { PlanRequest } from '../core/program/request.schema'
import type { BegunDish, KeptDishDocument } from './dish.schema'
import type { Kept } from './document'
import type { Kitchen } from './kitchen.schema'
import type { Meal, MealTask } from './meal.schema'
import type { Portion } from './portion.schema'
import type { Pot } from './pot.schema'
import type { LearntFigure, Undecided } from '../core/learn/log'
import type { LearntSums } from '../core/learn/sums'
import type { MemberRole, Remark, SignInEventKind } from './names'
import type { CameOut } from '../core/learn/log-file.schema'
import type { Verdict } from './run.schema'

/** Who is at this device, and whose kitchen it is. */
export interface Whoami {
  household: { id: string; name: string }
  member: { id: string; name: string; role: MemberRole }
  /** What everybody who was ever in it is called, by id. */
  names: Record<string, string>
  /** This device, where somebody came in at it; null in a household that is open to all. */
  device: string | null
  /** The newest change of the member's ways to sign in that was done at another device; null where there is none. */
  signIn?: SignInEvent | null
}

export interface SignInEvent {
  id: string
  kind: SignInEventKind
  /** The device or the passkey of which it speaks. */
  label: string
  deviceId: string | null
  at: number
}

/** Who is in the household, at which devices, and which links stand open. Times in ms since 1970. */
export interface People {
  /** This device. */
  hereId: string | null
  members: {
    id: string
    name: string
    role: MemberRole
    /** Told to the member alone. */
    signInName: string | null
    hasPassword: boolean
    passkeys: number
  }[]
  devices: { id: string; memberId: string; label: string; seenAt: number }[]
  invites: { id: string; mealId: string | null; expiresAt: number }[]
  /** The member's own. */
  passkeys: { id: string; label: string; createdAt: number; usedAt: number | null }[]
  /** What changed of the member's ways to sign in, newest first. */
  events: SignInEvent[]
}

/** How one may sign in at this server. */
export interface Auth {
  /** There is no household yet, or this server takes in any number: one can be made. */
  canFound: boolean
  isFirst: boolean
}

export interface SavedPlan {
  id: string
  name: string
  cookerId: string | null
  cookerName: string | null
  burnerId?: string | null
  bagIds?: (string | null)[] | null
  request: PlanRequest
  answer: PlanAnswer
  createdAt: string
}

/** An event as it is kept: with the member who saw it. */
export type KeptEvent = RunEvent & { by?: string | null }

/** A run with the plan it follows. */
export interface RunWithPlan {
  id: string
  planId: string
  name: string
  createdAt: string
  events: KeptEvent[]
  verdicts: Verdict[]
  remarks?: Remark[]
  /** False where the household has said that it is not to teach. */
  teaches?: boolean
  /** What came of the dish that it was a pot of. */
  cameOut?: CameOut | null
  /** When its photograph was kept, in ms since 1970; null where there is none. */
  photoAt?: number | null
  plan: SavedPlan
}

/** A page of the log, newest first; `next` is where the page after it begins. */
export interface RunPage {
  runs: RunWithPlan[]
  next: string | null
}

/** What a kept document was before a change. */
export interface EarlierVersion {
  version: number
  name: string
  content: unknown
  /** When it had become that, in ms since 1970. */
  savedAt: number
}

export type KeptDish = Kept<KeptDishDocument>
export type KeptPot = Kept<Pot>
export type KeptMeal = Kept<Meal>
export type KeptPortion = Kept<Portion>
export type KeptKitchen = Kept<Kitchen>

/** The dishes that are being cooked, by their ids. */
export type BegunDishes = Record<string, BegunDish>

/** A dinner as a calendar has it: with what stood in it before and does not any more. */
export interface CalendarMeal {
  id: string
  version: number
  meal: Meal
  updatedAt: string
  gone: MealTask[]
  isRemoved: boolean
}

/** What the household's log has taught, as plans need it. */
export interface LearntForPlans {
  sums: LearntSums
  /** Runs of which it has not been worked out yet what they say. */
  pending: number
}

/** The same with its evidence, and what the runs that gave it are called. */
export interface LearntWithEvidence extends LearntForPlans {
  figures: LearntFigure[]
  undecided: Undecided[]
  runs: Record<string, { name: string; foods: string[] }>
  /** How near each run came, by its first food: the logarithm of what it got over what is believed to have been needed. */
  misses: { runId: string; at: number; miss: number; sd: number }[]
  forgotten: { figure: string; at: number }[]
}
