import { problem } from '../problem'

/** One thing to do, as a recipe says it. */
export interface RecipeStep {
  section: string | null
  text: string
  minutes: number | null
}

/** A recipe as it was written, whatever it came in. */
export interface Recipe {
  name: string
  servings: number | null
  ingredients: string[]
  steps: RecipeStep[]
  totalMinutes: number | null
  /** What stood among its lines and is no text, or was too much; in its own words where it has any. */
  leftOut: string[]
  /** Where it was exported by us: the dish itself, to be parsed before it is believed. */
  own: unknown
}

/** Bounds of what is read; more is no recipe. */
export const MOST_RECIPE = {
  bytes: 2_000_000,
  ingredients: 60,
  steps: 60,
  text: 1000,
  depth: 12,
  nested: 500,
  repaired: 100_000,
} as const

/** Under which additional property our own export holds the dish itself, so that it can come back as it was. */
export const OWN_PROPERTY = 'bivvet-dish'

export const tooLong = () =>
  problem('recipe-too-long', '', { ingredients: MOST_RECIPE.ingredients, steps: MOST_RECIPE.steps })
