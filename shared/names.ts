import { BEANS_LIKED } from '../core/names'
/** What changes how long a food takes: what is added to it, and an old bag. */
export const CIRCUMSTANCES = ['old-bag', 'hard-water', 'salt', 'soda', 'acid', 'sugar', 'salted-soak', 'oil'] as const
export type Circumstance = (typeof CIRCUMSTANCES)[number]

/** Units in which pieces are counted, by their size. */
export const PIECE_UNITS = { 'piece-small': 'small', 'piece-medium': 'medium', 'piece-large': 'large' } as const
export type PieceUnit = keyof typeof PIECE_UNITS
export const isPieceUnit = (unit: string): unit is PieceUnit => Object.hasOwn(PIECE_UNITS, unit)

export const SOAK_PLACES = ['room', 'hot', 'fridge'] as const

/** What a household likes to have its figures told in, and to count; the first of each is the usual one. */
export const LIKES = {
  /** Whistles: counted as long as somebody can, always, or never. */
  counts: ['usual', 'always', 'never'],
  temperature: ['C', 'F'],
  weight: ['g', 'oz'],
  /** Of tins and pots. */
  length: ['mm', 'in'],
  /** What a volume is told in first: cups and spoons, or millilitres. */
  volume: ['measures', 'ml'],
  pressure: ['kPa', 'bar', 'psi'],
  hours: ['24', '12'],
  decimal: ['point', 'comma'],
  beans: BEANS_LIKED,
} as const
export type LikeName = keyof typeof LIKES

/** Kinds of documents of whose changes a household's devices are told. */
export const CHANGE_KINDS = [
  'run',
  'kitchen',
  'pot',
  'dish',
  'begun',
  'portion',
  'meal',
  'learnt',
  'household',
] as const

/** What a household says of a whole pot, besides how its foods came out. */
export const REMARKS = ['lifted-early', 'half-kept'] as const
export type Remark = (typeof REMARKS)[number]

/** By what a run is found in the log. */
export const VERDICTS = ['hard', 'right', 'soft', 'none'] as const

/** How a dish's soak is done for a meal: as it is written, an hour in hot water, or not at all. */
export const MEAL_SOAKS = ['written', 'hot', 'none'] as const

/** Who is in a household: an owner lets others in and out, and may take all of it away. */
export const MEMBER_ROLES = ['owner', 'member'] as const
export type MemberRole = (typeof MEMBER_ROLES)[number]

/** So long at least is a password. */
export const PASSWORD_LENGTH = 10

/** Kinds of documents that a household keeps and changes. */
export const KEPT_KINDS = ['kitchen', 'pot', 'dish', 'portion', 'meal'] as const
export type KeptKind = (typeof KEPT_KINDS)[number]

/** What a member is told of the ways in which they sign in. */
export const SIGN_IN_EVENTS = ['device', 'passkey-added', 'passkey-removed', 'password'] as const
export type SignInEventKind = (typeof SIGN_IN_EVENTS)[number]
