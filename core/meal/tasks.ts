import type { DishAnswer, StageAnswer } from '../dish/dish'
import type { Dish, Stage } from '../dish/dish.schema'
import { STAGES, vesselOf } from '../dish/stages'
import { applianceOf } from '../program/answer'
import { heatsItself } from '../appliance/appliance'
import { turningOf } from '../program/turning'
import type { TaskPart } from '../names'
import type { After, Task } from './meal.schema'

/** A task with where it comes from. */
export interface DishTask extends Task {
  stage: string
  part: TaskPart
}

export interface DishInMeal {
  /** By which the dish is told from the others: its letter. */
  key: string
  dish: Dish
  answer: DishAnswer
  /** It is made at any time before, and only warmed for serving. */
  ahead?: boolean
  /** It may stand covered, in something else than its pot, until it is served. */
  waits?: boolean
  /** It is on the table so many minutes before the others. */
  servedBefore?: number
}

/** A pot that is done may stand closed so long before it is opened; a device keeps it warm (general kitchen practice). */
const STANDS_CLOSED_MINUTES = 15
const KEPT_WARM_MINUTES = 90
const OPEN_MINUTES = 1
/** Cooked food stands no longer before it is eaten; hot food is kept at 60 °C or above, cold food cooled (general food-safety advice). */
export const MOST_WAITING_MINUTES = 120
/** The hands are at the knob of a burner for so long (engineering estimate). */
const KNOB_MINUTES = 1
/** A filled tin may stand so long before its pot is closed, and so long in the opened one (general kitchen practice). */
const TIN_STANDS_MINUTES = 30
const TIN_LEFT_IN_MINUTES = 5
/** To warm what was made before, of which some in the cook's hands (engineering estimates). */
const WARM_MINUTES = 12
const WARM_HANDS_MINUTES = 2
const WARM_WAITS_MINUTES = 15

/**
 * The tasks of a dish: each of its stages as what the hands do, what the flame does and what goes on alone, in whole
 * minutes and one after the other as the stages are. A pot is closed, cooks, falls and is opened; its cooker is taken
 * from the first stage in it to the last.
 */
export function tasksOfDish({ key, dish, answer, ahead = false, waits = false, servedBefore }: DishInMeal): DishTask[] {
  const last = new Map<string, DishTask>()
  const tasks: DishTask[] = []
  const stages = dish.stages.filter(({ kind }) => !STAGES[kind].afterServing)
  const holders = holdersOf(stages)
  for (const stage of stages) {
    const found = answer.stages.find(({ id }) => id === stage.id)!
    const after = stage.from.flatMap(({ stage: id }): After[] => {
      const before = last.get(id)
      return before ? [{ task: before.id, max: STAGES[stages.find((one) => one.id === id)!.kind].waits }] : []
    })
    const parts =
      stage.kind === 'pot' && found.pot ? potTasks(found, stage.pot?.keepWarmMinutes) : stageTasks(stage, found)
    const holder = holders.get(stage.id)
    const cooker = holder?.cookerId ?? null
    const pot = answer.stages.find(({ id }) => id === holder?.stage)?.pot
    // A device heats what stands in it.
    const itself = pot ? heatsItself(applianceOf(pot.answer)) : false
    parts.forEach((part, i) => {
      const { max, ...rest } = part
      const before = tasks.at(-1)
      const task: DishTask = {
        id: `${key}.${stage.id}.${part.part}${rest.nr > 0 ? rest.nr : ''}`,
        dish: key,
        stage: stage.id,
        part: part.part,
        minutes: Math.max(1, Math.round(part.minutes)),
        hands: part.hands,
        burner: itself ? 0 : part.burner,
        cooker,
        ...(part.critical ? { critical: true } : {}),
        ...(part.passive ? { passive: true } : {}),
        after: i === 0 ? after : [{ task: before!.id, max }],
      }
      tasks.push(task)
      last.set(stage.id, task)
    })
  }
  keepCookers(stages, holders, tasks, last)
  const followed = new Set(tasks.flatMap(({ after }) => after.map(({ task }) => task)))
  const ends = tasks.filter(({ id }) => !followed.has(id))
  const all = ahead ? [...tasks, ...warmed(key, ends)] : tasks
  if (!ahead)
    for (const task of ends) {
      const kind = STAGES[stages.find(({ id }) => id === task.stage)!.kind]
      task.untilServe = waits ? MOST_WAITING_MINUTES : (kind.servedWithin ?? kind.waits)
    }
  return servedBefore ? all.map((task) => ({ ...task, servedBefore })) : all
}

interface Part {
  part: TaskPart
  nr: number
  minutes: number
  hands: 0 | 1
  burner: 0 | 1
  critical?: boolean
  passive?: boolean
  /** The longest break before it, where it is not the first. */
  max: number
}

/** A stage that no pot works out: first what the hands do of it, then what goes on without them. */
function stageTasks(stage: Stage, { minutes, handsMinutes }: StageAnswer): Part[] {
  const { flame, critical, passive } = STAGES[stage.kind]
  // What goes in at a rest is put in by somebody.
  const hands = stage.takes.length > 0 ? Math.max(1, Math.round(handsMinutes)) : Math.round(handsMinutes)
  if (passive) return minutes < 1 ? [] : [{ part: 'do', nr: 0, minutes, hands: 0, burner: 0, passive, max: 0 }]
  const burner = flame ? 1 : 0
  const parts: Part[] = []
  if (hands > 0)
    parts.push({ part: 'do', nr: 0, minutes: hands, hands: 1, burner, ...(critical ? { critical } : {}), max: 0 })
  if (minutes - hands >= 1 || parts.length === 0)
    parts.push({ part: 'tend', nr: 0, minutes: minutes - hands, hands: 0, burner, max: 0 })
  return parts
}

/**
 * A pot: for each closing of its lid what fills it, the heat, the pressure falling, and opening it. On a burner the
 * hands turn the flame down and off.
 */
function potTasks({ pot, handsMinutes }: StageAnswer, keepWarmMinutes = 0): Part[] {
  const { answer } = pot!
  const itself = heatsItself(applianceOf(answer))
  return answer.closings.flatMap((closing, nr): Part[] => {
    const { heatOffAtMinute, openAtMinute } = closing.clock
    const burner = itself ? 0 : 1
    const alone = (part: TaskPart, minutes: number, heated: 0 | 1): Part[] =>
      minutes >= 1 ? [{ part, nr, minutes, hands: 0, burner: heated, max: 0 }] : []
    const knob = (part: TaskPart, heated: 0 | 1): Part => ({
      part,
      nr,
      minutes: KNOB_MINUTES,
      hands: 1,
      burner: heated,
      max: 0,
    })
    const cookMinutes = Math.ceil(heatOffAtMinute)
    const turning = itself ? null : turningOf(closing)
    const heatMinutes = turning ? Math.max(1, Math.floor(turning.atMinute)) : 0
    const restMinutes = cookMinutes - heatMinutes - KNOB_MINUTES
    // It cools from the moment at which it is turned off.
    const warmMinutes = itself && nr === answer.closings.length - 1 ? keepWarmMinutes : 0
    const fallMinutes = Math.ceil(openAtMinute) - cookMinutes - (itself ? 0 : KNOB_MINUTES) + warmMinutes
    return [
      { part: 'close', nr, minutes: handsMinutes, hands: 1, burner: 0, max: STANDS_CLOSED_MINUTES },
      ...(turning && restMinutes >= 1
        ? [...alone('heat', heatMinutes, 1), knob('turn', 1), ...alone('cook', restMinutes, 1)]
        : alone('cook', cookMinutes, burner)),
      ...(itself ? [] : [knob('off', 0)]),
      ...alone('fall', fallMinutes, 0),
      {
        part: 'open',
        nr,
        minutes: OPEN_MINUTES,
        hands: 1,
        burner: 0,
        critical: true,
        max: itself ? KEPT_WARM_MINUTES : STANDS_CLOSED_MINUTES,
      },
    ]
  })
}

/** Which pot stage's cooker a stage stands in: its own, or that of the pot before or after it that it shares. */
function holdersOf(stages: readonly Stage[]): Map<string, { stage: string; cookerId: string }> {
  const holders = new Map<string, { stage: string; cookerId: string }>()
  for (const { id, pot } of stages) if (pot) holders.set(id, { stage: id, cookerId: pot.cookerId })
  const share = (stage: Stage, other: string | undefined) => {
    const of = other === undefined ? undefined : holders.get(other)
    if (of && !stage.pot && vesselOf(stage) === 'pot' && !holders.has(stage.id)) holders.set(stage.id, of)
  }
  for (const stage of stages) for (const { stage: before, part } of stage.from) if (part === 'all') share(stage, before)
  for (const stage of [...stages].reverse()) {
    const taker = stages.find(({ from }) => from.some((one) => one.stage === stage.id && one.part === 'all'))
    const pot = taker && holders.get(taker.id)?.stage
    // What is done beside the pot, and only joins it afterwards, has a pot of its own.
    if (taker && stages.indexOf(taker) <= stages.findIndex(({ id }) => id === pot)) share(stage, taker.id)
  }
  return holders
}

/** A cooker stays taken from the first task in it to the end of the last, and what is done in it goes on one after the other. */
function keepCookers(
  stages: readonly Stage[],
  holders: ReturnType<typeof holdersOf>,
  tasks: DishTask[],
  last: ReadonlyMap<string, DishTask>,
): void {
  for (const pot of new Set([...holders.values()].map(({ stage }) => stage))) {
    const inside = stages.filter(({ id }) => holders.get(id)?.stage === pot)
    const first = tasks.find(({ stage }) => stage === inside[0]!.id)!
    const until = last.get(inside.at(-1)!.id)!
    if (first !== until) first.keepsCookerUntil = until.id
    inside.slice(1).forEach(({ id }, i) => {
      const before = last.get(inside[i]!.id)!
      const next = tasks.find(({ stage }) => stage === id)!
      if (!next.after.some(({ task }) => task === before.id)) next.after.push({ task: before.id })
    })
  }
}

/**
 * The dish that may stand longest before it is served, and for how long; null where none may stand longer than the
 * others, or there is only one.
 */
export function waitsBest(tasks: readonly DishTask[]): { dish: string; minutes: number } | null {
  const byDish = new Map<string, number>()
  for (const { dish, untilServe } of tasks)
    if (untilServe !== undefined) byDish.set(dish, Math.min(untilServe, byDish.get(dish) ?? Infinity))
  const [first, second] = [...byDish].sort(([, a], [, b]) => b - a)
  return first && second && first[1] > second[1] ? { dish: first[0], minutes: first[1] } : null
}

/** Warming what was made before, which may wait as long as it likes. */
function warmed(key: string, ends: readonly DishTask[]): DishTask[] {
  const common = { dish: key, stage: '', part: 'warm' as const, burner: 1 as const, cooker: null }
  return [
    {
      ...common,
      id: `${key}.warm`,
      minutes: WARM_HANDS_MINUTES,
      hands: 1,
      after: ends.map(({ id }) => ({ task: id })),
    },
    {
      ...common,
      id: `${key}.warmed`,
      minutes: WARM_MINUTES - WARM_HANDS_MINUTES,
      hands: 0,
      after: [{ task: `${key}.warm`, max: 0 }],
      untilServe: WARM_WAITS_MINUTES,
    },
  ]
}

/** What goes on in a closed pot on its burner. */
export const UNDER_PRESSURE: readonly TaskPart[] = ['heat', 'turn', 'cook']

/** A stage's pot, by its dish. */
export interface PotIn {
  key: string
  stage: string
}

/**
 * The tasks of two dishes when what the guest's pot would cook stands in a tin in the host's: it is filled before that pot
 * is closed and lifted out when it is open. Null where the guest's food has been in its pot before, so that it is not in a
 * tin to begin with, wants a pot afterwards, or one of the pots is opened in between.
 */
export function withTin(tasks: readonly DishTask[], guest: PotIn, host: PotIn): DishTask[] | null {
  const of = ({ key, stage }: PotIn, part: TaskPart) =>
    tasks.filter((task) => task.dish === key && task.stage === stage && task.part === part)
  const [close, ...closesAgain] = of(guest, 'close')
  const [open] = of(guest, 'open')
  const [hostClose, ...hostClosesAgain] = of(host, 'close')
  const [hostOpen] = of(host, 'open')
  if (!close || !open || !hostClose || !hostOpen || closesAgain.length > 0 || hostClosesAgain.length > 0) return null
  const inPot = tasks.filter(
    ({ dish, cooker, part }) => dish === guest.key && cooker !== null && !UNDER_PRESSURE.includes(part),
  )
  // What was fried there first is in no tin, and what simmers there afterwards wants a pot.
  if (inPot[0] !== close || inPot.some(({ burner }) => burner === 1)) return null
  const own = `${guest.key}.${guest.stage}`
  const fill: DishTask = { ...alone(close), id: `${own}.fill`, part: 'fill' }
  const lift: DishTask = {
    ...alone(open),
    id: `${own}.lift`,
    part: 'lift',
    critical: false,
    after: [{ task: hostOpen.id, max: TIN_LEFT_IN_MINUTES }],
  }
  const taken = new Set(
    tasks.filter(({ dish, stage }) => dish === guest.key && stage === guest.stage).map(({ id }) => id),
  )
  return tasks.flatMap((task): DishTask[] => {
    if (task.id === close.id) return [fill]
    if (task.id === open.id) return [lift]
    if (taken.has(task.id)) return []
    if (task.id === hostClose.id)
      return [{ ...task, after: [...task.after, { task: fill.id, max: TIN_STANDS_MINUTES }] }]
    // Nothing is done in that pot while the tin stands in it.
    if (task.after.some((after) => after.task === hostOpen.id))
      return [{ ...task, after: [...task.after, { task: lift.id }] }]
    if (task.dish !== guest.key) return [task]
    return [
      {
        ...alone(task),
        after: task.after.map((after) => (after.task === open.id ? { ...after, task: lift.id } : after)),
      },
    ]
  })
}

/** A task that takes no cooker. */
function alone({ keepsCookerUntil: _, ...task }: DishTask): DishTask {
  return { ...task, cooker: null }
}
