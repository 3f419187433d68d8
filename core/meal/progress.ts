import type { Begun } from './replan'
import type { DishTask } from './tasks'

/** When a task was begun and, once it is over, ended; in minutes from serving. */
export interface Mark {
  startMinute: number
  doneMinute: number | null
}

/** What a pot at the stove tells of its stage, in minutes from serving; null for what has not happened. */
export interface PotFacts {
  litMinute: number | null
  heatOffMinute: number | null
  openedMinute: number | null
  /** When the flame was turned down, and when that is due as far as is known now. */
  turnedMinute: number | null
  turnDueMinute: number | null
  /** When the heat will be off, and when it opens, as far as is known now. */
  heatOffDueMinute: number | null
  opensFromMinute: number | null
}

/**
 * What of a meal has been begun, by what was ticked off, by what its pots tell, and by the clock: what goes on alone
 * begins when that before it is over and ends after its minutes. A soak that was planned to be in water by now is
 * taken to be.
 */
export function progressOf(
  tasks: readonly DishTask[],
  planned: ReadonlyMap<string, number>,
  marks: Readonly<Record<string, Mark>>,
  pots: Readonly<Record<string, PotFacts>>,
  now: number,
): Begun[] {
  const begun = new Map<string, Begun>()
  const endOf = (id: string) => {
    const one = begun.get(id)
    return one?.done ? one.startMinute + one.minutes : null
  }
  for (const task of tasks) {
    const turns = tasks.some(({ dish, stage, part }) => dish === task.dish && stage === task.stage && part === 'turn')
    const told = toldBy(pots[`${task.dish}.${task.stage}`], task, turns, now)
    if (told) {
      begun.set(task.id, told)
      continue
    }
    const start = marks[task.id]?.startMinute ?? startsAlone(task, planned, endOf, now)
    if (start === null || start > now) continue
    const ended = marks[task.id]?.doneMinute ?? null
    if (ended !== null) begun.set(task.id, { id: task.id, startMinute: start, minutes: ended - start, done: true })
    else {
      const byItself = task.hands === 0 && start + task.minutes <= now
      begun.set(task.id, { id: task.id, startMinute: start, minutes: task.minutes, done: byItself })
    }
  }
  return [...begun.values()]
}

/** When something that takes no hands begins by itself; null while it does not. */
function startsAlone(
  task: DishTask,
  planned: ReadonlyMap<string, number>,
  endOf: (id: string) => number | null,
  now: number,
): number | null {
  if (task.hands) return null
  if (task.passive) {
    const start = planned.get(task.id)
    return start !== undefined && start <= now ? start : null
  }
  if (task.after.length === 0) return null
  const ends = task.after.map(({ task: before, min = 0 }) => {
    const end = endOf(before)
    return end === null ? null : end + min
  })
  return ends.includes(null) ? null : Math.max(...(ends as number[]))
}

/**
 * A task of a pot's closing as the stove tells it; null where the pot has not been lit, or says nothing of it. `turns`
 * says that the flame of that pot is turned down on the way.
 */
function toldBy(
  facts: PotFacts | undefined,
  { id, part, minutes }: DishTask,
  turns: boolean,
  now: number,
): Begun | null {
  if (!facts || facts.litMinute === null) return null
  const { litMinute: lit, heatOffMinute: off, openedMinute: opened, opensFromMinute: opens } = facts
  const over = (startMinute: number, endMinute: number): Begun => ({
    id,
    startMinute,
    minutes: Math.max(0, endMinute - startMinute),
    done: true,
  })
  const going = (startMinute: number, endMinute: number): Begun => ({
    id,
    startMinute,
    minutes: Math.max(1, Math.max(endMinute, now) - startMinute),
    done: false,
  })
  // Nobody need write down the turning: with the heat off it is over.
  const turned = facts.turnedMinute ?? (off === null ? null : Math.min(off, facts.turnDueMinute ?? off))
  switch (part) {
    case 'close':
      return over(lit - minutes, lit)
    case 'heat':
      return turned === null ? going(lit, facts.turnDueMinute ?? lit + minutes) : over(lit, turned)
    case 'turn':
      return turned === null ? null : over(turned, turned)
    case 'cook': {
      const from = turns ? turned : lit
      if (from === null) return null
      return off === null ? going(from, facts.heatOffDueMinute ?? from + minutes) : over(from, off)
    }
    case 'off':
      return off === null ? null : over(off, off)
    case 'fall':
      if (off === null) return null
      return opened === null ? going(off, opens ?? off + minutes) : over(off, opened)
    case 'open':
      return opened === null ? null : over(opened, opened + minutes)
    default:
      return null
  }
}
