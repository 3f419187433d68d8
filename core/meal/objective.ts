import type { MealRequest, Task } from './meal.schema'

/** What is asked of a plan, the first first: the fewer minutes the better. */
export interface Objective {
  /** Minutes of hands in the last 20 before serving. */
  handsLateMinutes: number
  /** From the first task that is not passive to serving. */
  spanMinutes: number
  /** Minutes that results wait: for serving, or for what comes after them. */
  holdingMinutes: number
}

/** The minutes before serving that are to be kept free. */
export const LATE_MINUTES = 20

export interface Placed {
  id: string
  /** From serving; what is before it is negative. */
  startMinute: number
}

/** Whether anything is done after it. */
export function lasts(tasks: readonly Task[]): Set<string> {
  const followed = new Set(tasks.flatMap(({ after }) => after.map(({ task }) => task)))
  return new Set(tasks.filter(({ id }) => !followed.has(id)).map(({ id }) => id))
}

/** What a plan comes to, by all that is asked of it. */
export function objectiveOf({ tasks }: MealRequest, placed: readonly Placed[]): Objective {
  const start = new Map(placed.map(({ id, startMinute }) => [id, startMinute]))
  const byId = new Map(tasks.map((task) => [task.id, task]))
  const endOf = (id: string) => start.get(id)! + byId.get(id)!.minutes
  const last = lasts(tasks)
  let handsLateMinutes = 0
  let spanMinutes = 0
  let holdingMinutes = 0
  for (const task of tasks) {
    const from = start.get(task.id)!
    if (task.hands) handsLateMinutes += Math.max(0, endOf(task.id) - Math.max(from, -LATE_MINUTES))
    if (!task.passive) spanMinutes = Math.max(spanMinutes, -from)
    if (last.has(task.id)) holdingMinutes -= endOf(task.id) + (task.servedBefore ?? 0)
    for (const { task: before, min = 0 } of task.after)
      if (!byId.get(before)!.passive) holdingMinutes += from - endOf(before) - min
  }
  return { handsLateMinutes, spanMinutes, holdingMinutes }
}
