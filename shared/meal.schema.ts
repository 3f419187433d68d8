import { z } from 'zod'
import { BOUNDS, LENGTH, MOST } from '../core/bounds'
import { bounded, moment } from '../core/fields.schema'
import { keptDishSchema } from './dish.schema'
import { TASK_PARTS } from '../core/names'
import type { DocumentKind } from './document'
import { MEAL_SOAKS } from './names'
import { MEAL_SHAPE } from './shapes'

const id = z.string().min(1).max(LENGTH.id)

const letter = z.string().regex(/^[A-Z]$/)

/** A dish as it stood when it was taken into the meal, told from the others by its letter. */
const mealDishSchema = z.object({
  key: letter,
  dishId: z.uuid().nullable(),
  dish: keptDishSchema,
  soak: z.enum(MEAL_SOAKS),
  /** Made at any time before, and only warmed for serving. */
  ahead: z.boolean(),
  /** The food of its pot stands in a tin in the pot of that other dish. */
  inPotOf: letter.optional(),
  /** It may stand covered until it is served. */
  waits: z.boolean().optional(),
  /** It is on the table so many minutes before the others. */
  servedBefore: bounded('servedBefore').int().optional(),
})
export type MealDish = z.infer<typeof mealDishSchema>

const minute = bounded('mealMinute').int()

/** A task as it was planned last: the board is there before anything is computed, and the calendar reads it. */
const mealTaskSchema = z.object({
  id,
  dish: id,
  stage: z.string().max(LENGTH.id),
  part: z.enum(TASK_PARTS),
  startMinute: minute,
  minutes: z.number().int().min(0).max(BOUNDS.taskMinutes[1]),
  hands: z.union([z.literal(0), z.literal(1)]),
  burner: z.union([z.literal(0), z.literal(1)]),
  cooker: id.nullable(),
  passive: z.boolean().optional(),
})
export type MealTask = z.infer<typeof mealTaskSchema>

/** Several dishes for one hour: what is wished, how it was planned, and what has been done of it. */
export const mealSchema = z.object({
  shape: z.literal(MEAL_SHAPE),
  servedAt: moment,
  hands: z.number().int().min(1).max(6),
  /** Another pair of hands for some hours. */
  helpers: z
    .array(z.object({ from: moment, until: moment }))
    .max(MOST.helpers)
    .optional(),
  dishes: z.array(mealDishSchema).max(MOST.mealDishes),
  /** Where the cook has put a task, in minutes from serving. */
  put: z.array(z.object({ id, startMinute: minute })).max(MOST.mealTasks),
  tasks: z.array(mealTaskSchema).max(MOST.mealTasks),
  /** When what was begun, and when it was over. */
  begun: z.record(id, z.object({ at: moment, doneAt: moment.nullable() })),
  /** The runs of its pots, by dish and stage as in “A.pot”. */
  runs: z.record(id, z.uuid()),
  /** When it was on the table; null until somebody says so. */
  servedOn: moment.nullable(),
})
export type Meal = z.infer<typeof mealSchema>

export const MEAL: DocumentKind<Meal> = { shape: MEAL_SHAPE, schema: mealSchema, upgrades: [] }
