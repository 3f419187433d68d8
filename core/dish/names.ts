/** What is done to what is in a vessel, in the order in which cooks usually do it. */
export const STAGE_KINDS = [
  'prepare',
  'soak',
  'marinate',
  'dry-roast',
  'fry',
  'pot',
  'simmer',
  'mash',
  'drain',
  'combine',
  'temper',
  'rest',
  'fluff',
  'chill',
] as const
export type StageKind = (typeof STAGE_KINDS)[number]

/** What a cook is reminded of while something goes on. */
export const REMINDERS = ['stir', 'look', 'turn-over'] as const

/** How the finished dish runs, from no loose liquid to most of it. */
export const CONSISTENCIES = ['dry', 'coating', 'thick', 'thin'] as const
export type Consistency = (typeof CONSISTENCIES)[number]

export const VESSELS = ['bowl', 'pan', 'pot', 'board', 'box'] as const
export type Vessel = (typeof VESSELS)[number]
