import ical, { ICalAlarmType, ICalCalendarMethod } from 'ical-generator'
import { mealSentence } from '../../locales/sentences'
import type { KeptMeal } from '../../shared/household'
import type { Kitchen } from '../../shared/kitchen'
import { momentOf, type Meal, type MealTask } from '../../shared/meal'

const MINUTE_MS = 60_000
/** The table is told of before, so that somebody lays it. */
const SERVING_ALARM_S = 10 * 60

/** What of a meal stands in a calendar: each soak, the first thing in the hands, each opening, and serving. */
function stepsOf({ tasks }: Meal): MealTask[] {
  const active = tasks.filter(({ hands, passive }) => hands && !passive)
  const first = [...active].sort((a, b) => a.startMinute - b.startMinute)[0]
  return tasks.filter((task) => task.passive || task.part === 'open' || task.id === first?.id)
}

/** Dinners as an iCalendar file (RFC 5545), each step with its alarm; times in UTC, which every calendar reads alike. */
export function calendarOf(meals: readonly KeptMeal[], kitchen: Pick<Kitchen, 'cookers'>): string {
  const calendar = ical({
    name: 'Bivvet',
    prodId: { company: 'Bivvet', product: 'Bivvet' },
    method: ICalCalendarMethod.PUBLISH,
  })
  for (const { id, meal, updatedAt } of meals) {
    const stamp = new Date(updatedAt)
    const add = (uid: string, fromMs: number, minutes: number, summary: string, alarmS: number) =>
      calendar
        .createEvent({
          id: `${uid}.${id}@bivvet`,
          stamp,
          start: new Date(fromMs),
          end: new Date(fromMs + Math.max(1, minutes) * MINUTE_MS),
          summary,
        })
        .createAlarm({ type: ICalAlarmType.display, trigger: alarmS, description: summary })
    for (const task of stepsOf(meal)) {
      const dish = meal.dishes.find(({ key }) => key === task.dish)
      const pot = kitchen.cookers.find((one) => one.id === task.cooker)?.name ?? ''
      const kind = task.passive ? 'soak' : task.part === 'open' ? 'open' : 'begin'
      const summary = mealSentence(kind, { dish: dish?.dish.name ?? '', pot })
      add(task.id, momentOf(meal, task.startMinute), task.passive ? 5 : task.minutes, summary, 0)
    }
    const dishes = meal.dishes.map(({ dish }) => dish.name).join(', ')
    if (meal.dishes.length > 0)
      add('serve', meal.servedAt, 30, mealSentence('serve', { dish: dishes, pot: '' }), SERVING_ALARM_S)
  }
  return calendar.toString()
}

/** Answers with a calendar. */
export function sendCalendar(event: Parameters<typeof setHeader>[0], text: string): string {
  setHeader(event, 'content-type', 'text/calendar; charset=utf-8')
  setHeader(event, 'cache-control', 'no-store')
  return text
}
