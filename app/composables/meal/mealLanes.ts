import type { ClosingAnswer } from '~~/core/program/answer'
import type { MealTask } from '~~/shared/meal'

/** What the board draws of a meal's tasks, as figures: lanes, and a pot's course through its cooker. */

export interface BoardLane {
  id: string
  name: string
  tasks: MealTask[]
}
export const endOf = ({ startMinute, minutes }: MealTask) => startMinute + minutes

/** Each task in the first lane that is free for it, the one that it wants before the others. */
export function inLanes(
  all: readonly MealTask[],
  names: string[],
  wants: (task: MealTask) => number = () => 0,
): BoardLane[] {
  const lanes = names.map((name, i) => ({ id: `${name}-${i}`, name, tasks: [] as MealTask[] }))
  for (const task of [...all].sort((a, b) => a.startMinute - b.startMinute)) {
    const wanted = wants(task)
    const order = [...lanes.slice(wanted), ...lanes.slice(0, wanted)]
    // What goes on where it stood stays there.
    const same = lanes.find((lane) => {
      const last = lane.tasks.at(-1)
      return last?.dish === task.dish && last.stage === task.stage && endOf(last) === task.startMinute
    })
    const free = same ?? order.find((lane) => lane.tasks.every((one) => endOf(one) <= task.startMinute))
    ;(free ?? order[0])?.tasks.push(task)
  }
  return lanes
}

const STEPS = [5, 10, 15, 30, 60, 120]

/**
 * Minutes from serving that are marked on the board, from a first one on: those that are round by the clock, and the hour
 * itself, no two closer to each other than can be read. `minuteOfDay` is when it is served.
 */
export function roundMinutes({
  from,
  minuteOfDay,
  leastApart,
}: {
  from: number
  minuteOfDay: number
  leastApart: number
}): number[] {
  const step = STEPS.find((one) => one >= leastApart) ?? STEPS.at(-1)!
  const firstRound = Math.ceil((from + minuteOfDay) / step) * step - minuteOfDay
  const count = Math.max(0, Math.floor((-leastApart - firstRound) / step) + 1)
  return [...Array.from({ length: count }, (_, i) => firstRound + i * step), 0]
}

const LOW = 6
const WARM = 12
const FULL = 44
const NOTCH = 9
const MOST_TEETH = 8

/**
 * A dish's time in a cooker as points of minute and height: warm while something fries in it, up to pressure, its
 * whistles, down again.
 */
export function courseOf(
  tasks: readonly MealTask[],
  closing: ClosingAnswer | undefined,
): [minute: number, height: number][] {
  const own = [...tasks].sort((a, b) => a.startMinute - b.startMinute)
  const first = own[0]!.startMinute
  const points: [number, number][] = [
    [first, 0],
    [first, LOW],
  ]
  for (const task of own) {
    const { part, startMinute, minutes, burner } = task
    const end = startMinute + minutes
    if (part === 'heat') points.push([(startMinute + end) / 2, LOW], [end, FULL])
    else if (part === 'turn') points.push([end, FULL])
    else if (part === 'off') points.push([end, FULL - NOTCH])
    else if (part === 'cook') {
      const { pressureAtMinute, heatOffAtMinute } = closing?.clock ?? { pressureAtMinute: 1, heatOffAtMinute: 2 }
      const isUp = own.some((one) => one.part === 'heat')
      const up = isUp
        ? startMinute
        : startMinute + minutes * Math.min(1, (pressureAtMinute ?? heatOffAtMinute) / heatOffAtMinute)
      if (!isUp) points.push([(startMinute + up) / 2, LOW], [up, FULL])
      const teeth = Math.min(MOST_TEETH, closing?.program.whistles ?? 0)
      for (let i = 1; i <= teeth; i++) {
        const to = up + ((end - up) * i) / teeth
        points.push([to - (end - up) / teeth / 2, FULL - NOTCH], [to, FULL])
      }
      points.push([end, FULL])
    } else if (part === 'fall') points.push([end, LOW])
    else points.push([startMinute, burner ? WARM : LOW], [end, burner ? WARM : LOW])
  }
  return [...points, [Math.max(...own.map(endOf)), 0]]
}
