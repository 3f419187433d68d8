import { z } from 'zod'
import { BOUNDS, type BoundName } from './bounds'

/** A number whose figure is checked later, with a problem that says what to do: by core, or by a refinement. */
export const figure = z.number()

/** A number within the named bounds. */
export function bounded(name: BoundName) {
  const [min, max] = BOUNDS[name]
  return z.number().min(min).max(max)
}

/** ms since 1970, within what a calendar holds. */
export const moment = z.number().int().min(Date.UTC(2000, 0)).max(Date.UTC(2100, 0))
