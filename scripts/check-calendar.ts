import { spawnSync } from 'node:child_process'
import path from 'node:path'
import { planDinner } from '../core/meal/dinner'
import { DEMO_KITCHEN, demoDinner } from '../server/db/demo'
import { DAY_MS } from '../core/measure/time'
import { calendarOf } from '../server/utils/calendar'
import type { Meal } from '../shared/meal'
import { dinnerOf } from '../shared/meal-request'

// The calendar of the demo's dinner, as it is sent and once it is given up, read by libical (Debian's libical3).
const nowMs = Date.parse('2026-11-30T13:30:00Z')
const kept = {
  id: '0197b1a4-0000-7000-8000-000000000001',
  version: 3,
  meal: planned(demoDinner(nowMs)),
  updatedAt: '2026-11-30T09:00:00.000Z',
  gone: [],
}
for (const isRemoved of [false, true]) {
  const read = spawnSync('python3', [path.join(import.meta.dirname, 'check-calendar.py')], {
    input: calendarOf([{ ...kept, isRemoved }], DEMO_KITCHEN),
    encoding: 'utf8',
  })
  console.log(isRemoved ? 'Given up.' : 'As it is sent.', read.stdout + read.stderr)
  if (read.status !== 0) process.exitCode = 1
}

function planned(meal: Meal): Meal {
  const asked = dinnerOf({ ...meal, begun: {} }, DEMO_KITCHEN, meal.servedAt - DAY_MS)
  const found = asked && planDinner({ ...asked.dinner, going: null }, { spent: () => 0, most: 1 })
  if (!found?.ok || !found.value.possible) throw new Error('The demo’s dinner cannot be planned.')
  const { plan, tasks } = found.value.dinner
  const starts = new Map(plan.tasks.map(({ id, startMinute }) => [id, startMinute]))
  return { ...meal, tasks: tasks.map((task) => ({ ...task, startMinute: starts.get(task.id)! })) }
}
