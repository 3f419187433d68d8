import { z } from 'zod'
import { BOUNDS, LENGTH } from '../bounds'
import { bounded, figure } from '../fields.schema'
import { FOOD_GROUPS } from '../names'

/** How a dry food takes up water before it is cooked. */
const soakBehaviourSchema = z.object({
  /** Hours at 25 °C to take up half of what it ever will. */
  halfHours: bounded('soakHalfHours'),
  /** g of water per g of dry food when fully soaked. */
  maxUptake: bounded('soakUptake'),
  /** Share by which a dry food needs longer than a fully soaked one. */
  dryPenalty: bounded('dryPenalty'),
  /** The hours that cooks usually give it, from and to. */
  adviceHours: z.tuple([bounded('soakHours'), bounded('soakHours')]).readonly(),
})

/** Boil-minutes after which a fully soaked, fresh food is firm, tender or soft, and past which it is lost. */
const windowSchema = z
  .object({ firm: figure, tender: figure, soft: figure, max: figure })
  .refine(
    ({ firm, tender, soft, max }) =>
      0 < firm && firm <= tender && tender <= soft && soft <= max && max <= BOUNDS.boilMinutes[1],
    { params: { code: 'window-disordered' } },
  )
export type BoilMinuteWindow = z.infer<typeof windowSchema>

/** A food of the catalogue or of the household's own. */
export const foodSchema = z.object({
  id: z.string().min(1).max(LENGTH.id),
  /** What its household calls it; foods of the catalogue have their names in the message files. */
  name: z.string().min(1).max(LENGTH.planName).optional(),
  group: z.enum(FOOD_GROUPS),
  /** g of the dry food in a 240 ml cup; null for what is counted in pieces. */
  cupG: bounded('cupG').nullable(),
  sizeMm: bounded('sizeMm'),
  /** g of a small, a middling and a large one, of what is counted. */
  pieceG: z
    .tuple([bounded('pieceG'), bounded('pieceG'), bounded('pieceG')])
    .readonly()
    .optional(),
  /** How wildly it foams while it boils. */
  froth: z.union([z.literal(0), z.literal(1), z.literal(2)]),
  /** Carries phytohaemagglutinin: must be soaked, drained and boiled or pressure-cooked. */
  lectin: z.boolean(),
  soak: soakBehaviourSchema.nullable(),
  zC: bounded('zC'),
  zAbove110C: bounded('zAbove110C').nullable(),
  boilMinutes: windowSchema,
  /** g of water held per g of dry food when tender. */
  uptakeTender: bounded('uptake'),
  release: z.union([
    z.object({ kind: z.literal('natural'), minutes: bounded('releaseMinutes') }),
    z.object({ kind: z.literal('quick') }),
  ]),
})
export type Food = z.infer<typeof foodSchema>
export type FoodGroup = Food['group']

/** The figures of a food, whoever calls it what. */
export const foodFiguresSchema = foodSchema.omit({ id: true, name: true })

/** How a food is soaked. Its figures are checked with the request. */
export const soakSchema = z.object({
  hours: figure,
  /** Temperature of the water when the food goes in. */
  waterC: figure,
  /** Cooked in the water it was soaked in. */
  keepWater: z.boolean(),
  /** g of soaking water, where it was measured. */
  waterG: figure.optional(),
})
export type Soak = z.infer<typeof soakSchema>
