import type { DishRequest } from '../dish/dish.schema'
import type { DinnerDish } from '../meal/dinner-tasks'
import { withSoak } from '../meal/dinner-tasks'
import type { DinnerPlan } from '../meal/dinner'
import type { DishTask } from '../meal/tasks'
import { again } from './closing'
import { instructionsOfDish } from './dish'
import type { Instruction, Thing } from './instruction'

/** A task of a dinner with all that is done in it, in minutes from serving. */
export interface ToldTask {
  task: string
  dish: string
  minute: number
  instructions: Instruction[]
}

type Tasks = readonly Pick<DishTask, 'id' | 'dish' | 'stage' | 'part' | 'passive' | 'after' | 'cooker'>[]

/**
 * Everything that is done of a dinner, task by task in the order of time. What the dishes tell is told at the minute of
 * the task in which it is done; a soak is drained by whoever goes on with it, and what stands in another dish's pot is
 * filled into its tin and lifted out.
 */
export function instructionsOfDinner(
  dishes: readonly Pick<DinnerDish, 'key' | 'request' | 'soak'>[],
  { tasks, answers, inTins }: Pick<DinnerPlan, 'answers' | 'inTins'> & { tasks: Tasks },
  startOf: ReadonlyMap<string, number>,
): ToldTask[] {
  const told = new Map(
    dishes.flatMap(({ key, request, soak }) => {
      const asked: DishRequest = { ...request, dish: withSoak(request.dish, soak) }
      const answer = answers[key]
      return answer ? [[key, instructionsOfDish(asked, answer)] as const] : []
    }),
  )
  const emptied = emptiedFor(dishes, tasks, startOf)
  return tasks
    .map((task): ToldTask => {
      const minute = startOf.get(task.id) ?? 0
      const own = told.get(task.dish) ?? []
      const list = [
        ...(emptied.get(task.id) ?? []),
        ...drainedBefore(task, tasks, own),
        ...doneIn(task, own, inTins[task.dish] ?? null),
      ]
      return {
        task: task.id,
        dish: task.dish,
        minute,
        instructions: list.map((one) => ({
          ...one,
          id: `${task.dish}.${one.id}`,
          at: 'after' in one.at ? { ...one.at, about: minute } : { minute },
        })),
      }
    })
    .sort((a, b) => a.minute - b.minute)
}

/** By the first task of a dish in a cooker: the dish that stood in it before is put into something else. */
function emptiedFor(
  dishes: readonly Pick<DinnerDish, 'key' | 'request'>[],
  tasks: Tasks,
  startOf: ReadonlyMap<string, number>,
): Map<string, Instruction[]> {
  const startsAt = ({ id }: Tasks[number]) => startOf.get(id) ?? 0
  const inTime = tasks.filter(({ cooker }) => cooker !== null).sort((a, b) => startsAt(a) - startsAt(b))
  return new Map(
    inTime.flatMap((task): [string, Instruction[]][] => {
      const earlier = inTime.filter((one) => one.cooker === task.cooker && startsAt(one) < startsAt(task))
      const before = earlier.at(-1)
      const isFirst = !earlier.some(({ dish }) => dish === task.dish)
      const dish = isFirst && before ? dishes.find(({ key }) => key === before.dish) : undefined
      return dish ? [[task.id, [emptying(task, dish)]]] : []
    }),
  )
}

function emptying({ stage, part, cooker }: Tasks[number], { request }: Pick<DinnerDish, 'request'>): Instruction {
  return {
    id: `${stage}.empty`,
    from: { stage, kind: 'rest' },
    closing: null,
    part,
    at: { minute: 0 },
    hands: 1,
    critical: false,
    do: 'empty',
    things: [{ name: request.dish.name, g: null, again: true, state: 'as-is', goesInto: 'bowl' }],
    in: { cooker },
    on: null,
    setting: null,
    until: null,
    cautions: [],
    why: null,
  }
}

/** Which closing of the lid a task of a pot belongs to: its id ends with the number of all but the first. */
const closingOf = ({ id, part }: Pick<DishTask, 'id' | 'part'>) =>
  Number(id.slice(id.lastIndexOf(part) + part.length) || 0)

function doneIn(
  task: Tasks[number],
  own: readonly Instruction[],
  inTin: DinnerPlan['inTins'][string] | null,
): Instruction[] {
  const ofStage = own.filter(({ from }) => 'stage' in from && from.stage === task.stage)
  if (task.part === 'warm') return []
  if (task.part === 'fill' || task.part === 'lift') return tinInstructions(task.part, ofStage, inTin)
  if (task.passive) return ofStage.filter((one) => one.do !== 'drain' && one.do !== 'serve')
  return ofStage.filter(
    (one) =>
      one.do !== 'serve' &&
      !(isSoak(one) && one.do === 'drain') &&
      one.part === task.part &&
      (one.closing === null || one.closing === closingOf(task)),
  )
}

const isSoak = ({ from }: Instruction) => 'kind' in from && from.kind === 'soak'

/** A soak's water is poured off by the first task that goes on with it. */
function drainedBefore(task: Tasks[number], tasks: Tasks, own: readonly Instruction[]): Instruction[] {
  const soaks = task.after.flatMap(({ task: id }) => tasks.filter((one) => one.id === id && one.passive))
  return soaks.flatMap(({ stage }) =>
    own.filter((one) => isSoak(one) && one.do === 'drain' && 'stage' in one.from && one.from.stage === stage),
  )
}

/** The guest's food goes into its tin, and comes out of the host's pot. */
function tinInstructions(
  part: 'fill' | 'lift',
  ofStage: readonly Instruction[],
  inTin: DinnerPlan['inTins'][string] | null,
): Instruction[] {
  const add = ofStage.find((one) => one.do === 'add')
  if (!add || !inTin) return []
  const things = ofStage.filter((one) => one.do === 'add').flatMap((one) => one.things)
  const water: Thing = { water: true, g: inTin.waterG, state: 'cold', goesInto: 'tin' }
  const common = { ...add, part, closing: null, in: { vessel: 'tin' as const }, hands: 1 }
  return part === 'fill'
    ? [
        {
          ...common,
          things: [...things, ...(inTin.waterG > 0 ? [water] : [])].map((one) => ({
            ...one,
            goesInto: 'tin' as const,
          })),
        },
      ]
    : [
        {
          ...common,
          id: `${add.id}.lift`,
          do: 'take-out',
          things: things.map(again),
          at: { after: 'opened', about: 0 },
        },
      ]
}
