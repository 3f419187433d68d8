import { setHeader, type H3Event } from 'h3'
import ical, { ICalAlarmType, ICalEventStatus } from 'ical-generator'
import { instructionsOfDinner } from '../../core/guide/dinner'
import type { Instruction } from '../../core/guide/instruction'
import { MINUTE_MS } from '../../core/measure/time'
import { tasksOfDinner } from '../../core/meal/dinner-tasks'
import { mealSentence, stepSentences } from '../../locales/sentences'
import type { CalendarMeal } from '../../shared/household'
import type { Kitchen } from '../../shared/kitchen'
import { momentOf, type Meal, type MealTask } from '../../shared/meal'
import { dinnerOf } from '../../shared/meal-request'

/** The table is told of before, so that somebody lays it. */
const SERVING_ALARM_S = 10 * 60
/** How often whoever reads the address looks again. */
const REFRESH_S = 15 * 60

type StepKind = 'soak' | 'begin' | 'light' | 'open'

/** What of a meal stands in a calendar: each soak, the first thing in the hands, each lighting and opening of a pot. */
function stepsOf({ tasks }: Pick<Meal, 'tasks'>): { task: MealTask; kind: StepKind }[] {
  const active = tasks.filter(({ hands, passive }) => hands && !passive)
  const first = [...active].sort((a, b) => a.startMinute - b.startMinute)[0]
  return tasks.flatMap((task): { task: MealTask; kind: StepKind }[] => {
    if (task.passive) return [{ task, kind: 'soak' }]
    if (task.part === 'close') return [{ task, kind: 'light' }]
    if (task.part === 'open') return [{ task, kind: 'open' }]
    return task.id === first?.id ? [{ task, kind: 'begin' }] : []
  })
}

/**
 * Dinners as an iCalendar file (RFC 5545), each step with its alarm; times in UTC, which every calendar reads alike. What
 * was in it and is not any more is told as cancelled, and a later version of a dinner has a higher sequence.
 */
export function calendarOf(meals: readonly CalendarMeal[], kitchen: Kitchen): string {
  const { language } = kitchen.likes
  // No METHOD: nobody organises it, it is only read.
  const calendar = ical({ name: 'Bivvet', prodId: { company: 'Bivvet', product: 'Bivvet' }, ttl: REFRESH_S })
  for (const { id, version, meal, updatedAt, gone, isRemoved } of meals) {
    const told = isRemoved ? new Map<string, Instruction[]>() : toldOf(meal, kitchen)
    const add = (
      uid: string,
      fromMs: number,
      minutes: number,
      summary: string,
      description: string,
      alarmS: number,
    ) => {
      const event = calendar.createEvent({
        id: `${inOneLine(uid)}.${id}@bivvet`,
        stamp: new Date(updatedAt),
        // Taking it off changes no version.
        sequence: isRemoved ? version + 1 : version,
        start: new Date(fromMs),
        end: new Date(fromMs + Math.max(1, minutes) * MINUTE_MS),
        summary: plain(summary),
        ...(description === '' ? {} : { description: plain(description) }),
      })
      event.createAlarm({ type: ICalAlarmType.display, trigger: alarmS, description: plain(summary) })
      return event
    }
    const addStep = ({ task, kind }: { task: MealTask; kind: StepKind }) => {
      const dish = meal.dishes.find(({ key }) => key === task.dish)
      const pot = kitchen.cookers.find((one) => one.id === task.cooker)?.name ?? ''
      const summary = mealSentence(kind, { dish: dish?.dish.name ?? '', pot }, language)
      const lines = stepSentences(told.get(task.id) ?? [], kitchen, language)
      return add(
        task.id,
        momentOf(meal, task.startMinute),
        task.passive ? 5 : task.minutes,
        summary,
        lines.join('\n'),
        0,
      )
    }
    const steps = stepsOf(meal)
    for (const step of isRemoved ? [] : steps) addStep(step)
    const standing = new Set(isRemoved ? [] : steps.map(({ task }) => task.id))
    for (const step of stepsOf({ tasks: gone }))
      if (!standing.has(step.task.id)) addStep(step).status(ICalEventStatus.CANCELLED)
    const dishes = meal.dishes.map(({ dish }) => dish.name).join(', ')
    if (meal.dishes.length === 0) continue
    const serve = add(
      'serve',
      meal.servedAt,
      30,
      mealSentence('serve', { dish: dishes, pot: '' }, language),
      '',
      SERVING_ALARM_S,
    )
    if (isRemoved) serve.status(ICalEventStatus.CANCELLED)
  }
  const text = calendar.toString()
  return text.endsWith('\r\n') ? text : `${text}\r\n`
}

/** Everything that is done in each task of a meal; nothing where its dishes cannot be worked out any more. */
function toldOf(meal: Meal, kitchen: Kitchen): Map<string, Instruction[]> {
  const asked = dinnerOf(meal, kitchen, meal.servedAt)
  const built = asked && tasksOfDinner({ ...asked.dinner, going: null })
  if (!asked || !built?.ok) return new Map()
  const starts = new Map(meal.tasks.map(({ id, startMinute }) => [id, startMinute]))
  return new Map(
    instructionsOfDinner(asked.dinner.dishes, built.value, starts).map((one) => [one.task, one.instructions]),
  )
}

// What a name brings along and no line of a calendar may hold.
// eslint-disable-next-line no-control-regex
const plain = (text: string) => text.replaceAll(/[\u0000-\u0009\u000b-\u001f\u007f]/g, ' ')

/** Answers with a calendar. */
export function sendCalendar(event: H3Event, text: string): string {
  setHeader(event, 'content-type', 'text/calendar; charset=utf-8')
  setHeader(event, 'cache-control', 'no-store')
  return text
}
/** The library escapes texts, but not an event's own id: a line break in it would begin another property. */
const inOneLine = (text: string) => text.replaceAll(/\s/g, '_')
