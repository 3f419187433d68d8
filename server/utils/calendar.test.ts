import ICAL from 'ical.js'
import { describe, expect, it } from 'vitest'
import { DEMO_DISHES, DEMO_KITCHEN } from '../db/demo'
import { DISH_SHAPE } from '../../shared/shapes'
import type { CalendarMeal } from '../../shared/household'
import { newMeal, withDish, type Meal } from '../../shared/meal'
import { mealTask } from '../../tests/meals'
import { calendarOf } from './calendar'

// Read by another library than the one that writes it.
const SERVED = Date.parse('2026-03-29T17:30:00Z')
const HARD =
  'Beans; peas, “and” a\\very long name that goes on and on – über neunzig Zeichen, with a 🫘 in it\nand a line'
const { id: cooker } = DEMO_KITCHEN.cookers[0]!
function meal(): Meal {
  const { favourite: _, ...dish } = DEMO_DISHES[0]!
  return {
    ...withDish(newMeal(SERVED), { ...dish, name: HARD, shape: DISH_SHAPE }, null),
    tasks: TASKS,
  }
}
const TASKS = [
  mealTask('A.soak.do', -600, { passive: true, hands: 0, minutes: 480 }),
  mealTask('A.fry.do', -90, { cooker }),
  mealTask('A.pot.close', -80, { part: 'close', cooker }),
  mealTask('A.pot.open', -20, { part: 'open', minutes: 1, cooker }),
]
const ID = '0197b1a4-0000-7000-8000-000000000001'
const kept = (change: Partial<CalendarMeal> = {}): CalendarMeal => ({
  id: ID,
  version: 1,
  meal: meal(),
  updatedAt: '2026-03-28T09:00:00.000Z',
  gone: [],
  isRemoved: false,
  ...change,
})
const text = (ids = [ID]) =>
  calendarOf(
    ids.map((id) => kept({ id })),
    DEMO_KITCHEN,
  )
const eventsOf = (of: string) => {
  const calendar = new ICAL.Component(ICAL.parse(of) as unknown[])
  return calendar.getAllSubcomponents('vevent').map((component) => ({
    event: new ICAL.Event(component),
    stamp: component.getFirstPropertyValue('dtstamp'),
    alarms: component.getAllSubcomponents('valarm'),
  }))
}

describe('a dinner in a calendar', () => {
  it('is the soak, the first cut, each lighting and opening of a pot, and serving, each with one alarm', () => {
    const events = eventsOf(text())
    expect(events.map(({ event }) => (event.startDate.toJSDate().getTime() - SERVED) / 60_000)).toEqual([
      -600, -90, -80, -20, 0,
    ])
    for (const { event, stamp, alarms } of events) {
      expect(event.startDate.zone.tzid).toBe('UTC')
      expect(event.endDate.compare(event.startDate)).toBe(1)
      expect(stamp).not.toBeNull()
      expect(alarms).toHaveLength(1)
      expect(alarms[0]!.getFirstPropertyValue('action')).toBe('DISPLAY')
      expect(alarms[0]!.getFirstPropertyValue('description')).toBeTruthy()
      const trigger = alarms[0]!.getFirstPropertyValue('trigger') as ICAL.Duration
      expect(trigger.toSeconds()).toBeLessThanOrEqual(0)
    }
  })

  it('takes as long as its step does, and a soak as long as putting it on', () => {
    const minutes = eventsOf(text()).map(
      ({ event }) => (event.endDate.toJSDate().getTime() - event.startDate.toJSDate().getTime()) / 60_000,
    )
    const lasting = TASKS.map((task) => (task.id === 'A.fry.do' ? { ...task, minutes: 9 } : task))
    expect(minutes[0]).toBe(5)
    expect(Math.min(...minutes)).toBeGreaterThan(0)
    const [, fry] = eventsOf(calendarOf([kept({ meal: { ...meal(), tasks: lasting } })], DEMO_KITCHEN))
    expect(fry!.event.duration.toSeconds() / 60).toBe(9)
  })

  it('says names as they are, however they are written', () => {
    for (const { event } of eventsOf(text()))
      expect(event.summary.replace(/\s+/g, ' ')).toContain(HARD.replace(/\s+/g, ' '))
  })

  it('keeps to what calendars can read: short lines, ends of lines, ids of their own that stay', () => {
    const two = text(['0197b1a4-0000-7000-8000-000000000001', '0197b1a4-0000-7000-8000-000000000002'])
    const ids = eventsOf(two).map(({ event }) => event.uid)
    expect(new Set(ids).size).toBe(10)
    expect(eventsOf(text()).map(({ event }) => event.uid)).toEqual(ids.slice(0, 5))
    const lines = two.split('\r\n')
    expect(two.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/)
    for (const line of lines) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75)
    expect(lines[0]).toBe('BEGIN:VCALENDAR')
    expect(two).toContain('VERSION:2.0')
  })

  it('says what goes in where a pot is lit, and never to open one by the clock', () => {
    const events = eventsOf(text()).map(({ event }) => event)
    const [, , light, open] = events
    expect(light!.summary).toMatch(/^Light Blue 5 L/)
    expect(light!.description).toMatch(/Into Blue 5 L: .*beans.*Close Blue 5 L/s)
    expect(light!.description).toMatch(/until it whistles once/)
    expect(open!.summary).toMatch(/^See whether Blue 5 L can be opened/)
    for (const { summary, description } of events) expect(`${summary} ${description ?? ''}`).not.toMatch(/\bopen it\b/)
  })

  it('names each pot by its own cooker, and of what is in the hands only the first', () => {
    const second = DEMO_KITCHEN.cookers[1]!
    const tasks = [
      ...TASKS,
      mealTask('A.late.do', -40),
      mealTask('B.pot.open', -10, { part: 'open', cooker: second.id }),
    ]
    const summaries = eventsOf(calendarOf([kept({ meal: { ...meal(), tasks } })], DEMO_KITCHEN)).map(
      ({ event }) => event.summary,
    )
    expect(summaries).toHaveLength(6)
    expect(summaries.filter((summary) => summary.startsWith('See whether'))).toHaveLength(2)
    expect(summaries.filter((summary) => summary.includes(second.name))).toHaveLength(1)
  })

  it('stands without its amounts where its dishes cannot be worked out any more', () => {
    const nothing = { ...DEMO_KITCHEN, cookers: [], burners: [] }
    const events = eventsOf(calendarOf([kept()], nothing)).map(({ event }) => event)
    expect(events).toHaveLength(5)
    expect(events.every(({ description }) => description === null)).toBe(true)
  })

  it('speaks the language of its household', () => {
    const german = { ...DEMO_KITCHEN, likes: { ...DEMO_KITCHEN.likes, language: 'de' as const } }
    const [soak, , light] = eventsOf(calendarOf([kept()], german)).map(({ event }) => event)
    expect(soak!.summary).toMatch(/^Einweichen: /)
    expect(light!.description).toMatch(/Deckel zu: Blue 5 L/)
  })

  it('rises with every version, ends its last line, says when to look again, and is organised by nobody', () => {
    const calendar = calendarOf([kept({ version: 7 })], DEMO_KITCHEN)
    expect(calendar.endsWith('END:VCALENDAR\r\n')).toBe(true)
    expect(calendar).not.toMatch(/^(METHOD|ORGANIZER)/m)
    expect(calendar).toMatch(/^REFRESH-INTERVAL.*PT15M/m)
    expect(eventsOf(calendar).map(({ event }) => event.sequence)).toEqual(Array(5).fill(7))
  })

  it('cancels what was taken out, and a whole dinner that was taken off', () => {
    const statuses = (of: CalendarMeal) =>
      eventsOf(calendarOf([of], DEMO_KITCHEN)).map(({ event }) => [
        event.uid.split('.')[1],
        event.component.getFirstPropertyValue('status'),
        event.sequence,
      ])
    const another = mealTask('B.pot.close', -70, { part: 'close', cooker, dish: 'B' })
    // What stands there again is not cancelled beside it.
    expect(statuses(kept({ version: 3, gone: [TASKS[2]!] })).filter(([, status]) => status === 'CANCELLED')).toEqual([])
    expect(statuses(kept({ version: 3, gone: [another] })).find(([, status]) => status === 'CANCELLED')).toEqual([
      'pot',
      'CANCELLED',
      3,
    ])
    const off = statuses(kept({ version: 3, gone: TASKS, isRemoved: true }))
    expect(off).toHaveLength(5)
    for (const [, status, sequence] of off) expect([status, sequence]).toEqual(['CANCELLED', 4])
  })

  it('takes no task for a property of its own, whatever its id is', () => {
    const [first, ...others] = TASKS
    const odd = { ...first!, id: 'x\r\nATTENDEE:mailto:cook@example.org\r\nX-A:' }
    const calendar = calendarOf([kept({ meal: { ...newMeal(SERVED), tasks: [odd, ...others] } })], DEMO_KITCHEN)
    expect(calendar.replaceAll(/\r\n[ \t]/g, '')).not.toMatch(/^(ATTENDEE|X-A)/m)
  })

  it('holds no characters that no calendar reads', () => {
    const { favourite: _, ...dish } = DEMO_DISHES[0]!
    const odd = withDish(newMeal(SERVED), { ...dish, name: 'Be\u0007an\u0000s\tnow', shape: DISH_SHAPE }, null)
    const calendar = calendarOf([kept({ meal: { ...odd, tasks: TASKS } })], DEMO_KITCHEN)
    // eslint-disable-next-line no-control-regex
    expect(calendar).not.toMatch(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/)
    expect(calendar).toContain('Be an s now')
  })
})
