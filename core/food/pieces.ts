import { PIECE_SIZES, type Cut, type PieceSize } from '../names'
import type { Food } from './food.schema'

/** Thickness of a cut piece, as a share of the whole one's (engineering estimate, as of a ball). */
const CUT_TIMES_SIZE: Record<Cut, number> = { whole: 1, halves: 0.5, quarters: 0.4 }

/** g of one piece of a food that is counted; NaN for one that is not. */
export function pieceG({ pieceG: weights }: Pick<Food, 'pieceG'>, size: PieceSize): number {
  return weights?.[PIECE_SIZES.indexOf(size)] ?? NaN
}

/**
 * Thickness in mm of a food's pieces when they are of a size and cut so. The catalogue's figure is of a middling
 * whole piece; a ball that weighs more is thicker by the cube root.
 */
export function pieceMm(food: Pick<Food, 'pieceG' | 'sizeMm'>, size: PieceSize, cut: Cut): number {
  const times = Math.cbrt(pieceG(food, size) / pieceG(food, 'medium'))
  return Math.round(food.sizeMm * (Number.isFinite(times) ? times : 1) * CUT_TIMES_SIZE[cut])
}
