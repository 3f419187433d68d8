import { problem, type Problem } from '../problem'
import type { MealRequest } from './meal.schema'

/** What of a request cannot be understood, each where it stands. */
export function problemsOfMeal({ tasks, cookers, helpers = [] }: MealRequest): Problem[] {
  const problems: Problem[] = []
  const nr = new Map<string, number>()
  tasks.forEach(({ id }, i) => {
    if (nr.has(id)) problems.push(problem('id-twice', `tasks.${i}.id`, { value: id }))
    nr.set(id, i)
  })
  tasks.forEach((task, i) => {
    if (task.cooker && !cookers.includes(task.cooker))
      problems.push(problem('meal-unknown-cooker', `tasks.${i}.cooker`, { cooker: task.cooker, task: task.id }))
    if (task.keepsCookerUntil !== undefined && !nr.has(task.keepsCookerUntil))
      problems.push(problem('meal-unknown-task', `tasks.${i}.keepsCookerUntil`, { task: task.keepsCookerUntil }))
    task.after.forEach(({ task: before, min = 0, max = Infinity }, k) => {
      if (!nr.has(before)) problems.push(problem('meal-unknown-task', `tasks.${i}.after.${k}.task`, { task: before }))
      if (min > max) problems.push(problem('meal-waits-crossed', `tasks.${i}.after.${k}`, { task: task.id, min, max }))
    })
  })
  helpers.forEach(({ from, until }, i) => {
    if (from >= until) problems.push(problem('meal-helper-crossed', `helpers.${i}`, { from, until }))
  })
  if (problems.length > 0) return problems
  const circle = circleOf(tasks)
  if (circle >= 0) return [problem('meal-circle', `tasks.${circle}.after`, { task: tasks[circle]!.id })]
  return []
}

/** The first task that comes after itself; -1 where none does. */
function circleOf(tasks: MealRequest['tasks']): number {
  const left = new Map(tasks.map((task) => [task.id, task]))
  for (let found = true; found;) {
    found = false
    for (const [id, { after }] of left)
      if (!after.some(({ task }) => left.has(task))) {
        left.delete(id)
        found = true
      }
  }
  return tasks.findIndex(({ id }) => left.has(id))
}
