/** What changes how long a food takes: what is added to it, and an old bag. */
export const CIRCUMSTANCES = ['old-bag', 'hard-water', 'salt', 'soda', 'acid', 'sugar', 'salted-soak'] as const
export type Circumstance = (typeof CIRCUMSTANCES)[number]

export const SOAK_PLACES = ['room', 'hot', 'fridge'] as const

/** Kinds of documents of whose changes a household's devices are told. */
export const NEWS_KINDS = ['run', 'kitchen', 'pot'] as const
