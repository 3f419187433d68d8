import { z } from 'zod'
import { LENGTH, MOST } from '../bounds'
import { bounded } from '../fields.schema'

const id = z.string().min(1).max(LENGTH.id)
const wait = z.number().int().min(0).max(10_080)

/** It begins at least `min` and at most `max` minutes after that one has ended. */
const afterSchema = z.object({ task: id, min: wait.optional(), max: wait.optional() })
export type After = z.infer<typeof afterSchema>

/** Something that is done without a break, in whole minutes. */
export const taskSchema = z.object({
  id,
  dish: id,
  minutes: bounded('taskMinutes').int(),
  hands: z.union([z.literal(0), z.literal(1)]),
  burner: z.union([z.literal(0), z.literal(1)]),
  cooker: id.nullable(),
  /** The cooker stays taken from the start of this task to the end of that one. */
  keepsCookerUntil: id.optional(),
  /** A soak: no hands, no heat; the span does not count it. */
  passive: z.boolean().optional(),
  /** A release, a tempering: the hands do nothing else. */
  critical: z.boolean().optional(),
  /** Its result may wait so long before serving. */
  untilServe: wait.optional(),
  /** Its dish is on the table so many minutes before the others. */
  servedBefore: wait.optional(),
  after: z.array(afterSchema).max(MOST.mealTasks),
  /** It starts then and not otherwise: it has been begun, or the cook has put it there. */
  startMinute: bounded('mealMinute').int().optional(),
})
export type Task = z.infer<typeof taskSchema>

/** Another pair of hands from one minute to another, from serving. */
const helperSchema = z.object({ from: bounded('mealMinute').int(), until: bounded('mealMinute').int() })
export type Helper = z.infer<typeof helperSchema>

export const mealRequestSchema = z.object({
  hands: z.number().int().min(0).max(6),
  helpers: z.array(helperSchema).max(MOST.helpers).optional(),
  burners: z.number().int().min(0).max(12),
  cookers: z.array(id).max(MOST.cookers),
  /** Between two dishes in one cooker: the first is put into something else, and the pot is rinsed. */
  emptyMinutes: wait.optional(),
  /** Nothing starts before it, in minutes from serving. */
  earliest: bounded('mealMinute').int().max(0),
  /** What has not been put at a minute starts no earlier: it is that late. */
  now: bounded('mealMinute').int().optional(),
  tasks: z.array(taskSchema).min(1).max(MOST.mealTasks),
})
export type MealRequest = z.infer<typeof mealRequestSchema>
