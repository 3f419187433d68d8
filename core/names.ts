// Lists of names that documents, computation and screens share; each stands here once.

export const FLAMES = ['high', 'medium', 'low', 'simmer'] as const
export type FlameName = (typeof FLAMES)[number]
/** Those on which a pot is brought to pressure; a simmer only keeps what boils. */
export const COOKING_FLAMES = ['high', 'medium', 'low'] as const satisfies readonly FlameName[]

export const LEVELS = ['high', 'low'] as const
export type Level = (typeof LEVELS)[number]

export const TIN_MATERIALS = ['steel', 'aluminium', 'glass', 'plastic'] as const
export type TinMaterial = (typeof TIN_MATERIALS)[number]

/** Groups of foods that a household calls beans, peas and lentils. */
export const BEAN_GROUPS = ['dal', 'pulse', 'bean'] as const
/** How soft a household says that it likes its beans, peas and lentils. */
export const BEANS_LIKED = ['usual', 'firm', 'soft'] as const
export type BeansLiked = (typeof BEANS_LIKED)[number]

export const FOOD_GROUPS = [
  'rice',
  'millet',
  'grain',
  'dal',
  'pulse',
  'bean',
  'nut',
  'vegetable',
  'meat',
  'egg',
] as const

export const GRAIN_TEXTURES = ['separate', 'soft', 'sticky', 'porridge-thick', 'porridge-pourable'] as const
export const PULSE_TEXTURES = ['firm', 'tender', 'soft', 'mashed'] as const
export const OTHER_TEXTURES = ['firm', 'tender', 'soft'] as const
export const TEXTURES = [
  'firm',
  'tender',
  'soft',
  'mashed',
  'separate',
  'sticky',
  'porridge-thick',
  'porridge-pourable',
] as const
export type Texture = (typeof TEXTURES)[number]

/** How large a piece is, of what is counted, and how it is cut before it goes in. */
export const PIECE_SIZES = ['small', 'medium', 'large'] as const
export type PieceSize = (typeof PIECE_SIZES)[number]
export const CUTS = ['whole', 'halves', 'quarters'] as const
export type Cut = (typeof CUTS)[number]

export const ADDITIONS = ['salt', 'salted-soak', 'soda', 'acid', 'sugar', 'hard-water', 'oil'] as const
export const BATCHES = ['fresh', 'old'] as const

/** How a cook tells a cooker what to do. */
export const STYLES = [
  'whistles',
  'first-whistle-then-low',
  'clock',
  'high-then-low',
  'electric',
  'fixed',
  'rice-cooker',
  'open',
  'slow',
  'basket',
] as const
export type StyleKind = (typeof STYLES)[number]

/** How a pinched piece feels when it is not what was wanted. */
export const PINCHES = ['hard', 'firm'] as const
export type Pinch = (typeof PINCHES)[number]

/** Why the heat was away for a while: no gas, no power, or the weight was off and the steam went. */
export const INTERRUPTIONS = ['gas', 'power', 'weight'] as const
export type Interruption = (typeof INTERRUPTIONS)[number]

/** Where what is left of a dish is kept. */
export const KEEPING_PLACES = ['fridge', 'freezer'] as const

/** What is done in a task of a dinner; a stage of a dish is one of them, or several one after the other. */
export const TASK_PARTS = [
  'do',
  'tend',
  'close',
  'heat',
  'turn',
  'cook',
  'off',
  'fall',
  'open',
  'fill',
  'lift',
  'warm',
] as const
export type TaskPart = (typeof TASK_PARTS)[number]
