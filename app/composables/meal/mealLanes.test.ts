import { describe, expect, it } from 'vitest'
import type { MealTask } from '~~/shared/meal'
import { courseOf, inLanes, roundMinutes } from './mealLanes'

const task = (id: string, startMinute: number, minutes: number, change: Partial<MealTask> = {}): MealTask => ({
  id,
  dish: 'A',
  stage: 'pot',
  part: 'do',
  startMinute,
  minutes,
  hands: 1,
  burner: 0,
  cooker: null,
  ...change,
})

describe('the hours on a board', () => {
  const board = (from: number, hour: number, minute: number, leastApart: number) =>
    roundMinutes({ from, minuteOfDay: hour * 60 + minute, leastApart })

  it('are round by the clock, with the hour itself, and none too close to another', () => {
    expect(board(-70, 19, 30, 12)).toEqual([-60, -45, -30, -15, 0])
    // Served at 19:36, they stand at 18:30, 18:45 … 19:15; 19:30 would touch the hour.
    expect(board(-70, 19, 36, 12)).toEqual([-66, -51, -36, -21, 0])
    expect(board(-5, 19, 30, 12)).toEqual([0])
    for (let minute = 0; minute < 60; minute++) {
      const marks = board(-130, 0, minute, 9)
      for (const mark of marks.slice(0, -1)) expect((1440 + minute + mark) % 10).toBe(0)
      marks.slice(1).forEach((mark, i) => expect(mark - marks[i]!).toBeGreaterThanOrEqual(9))
    }
  })
})

describe('the lanes of a board', () => {
  it('hold tasks that never overlap, in the lane that is wanted while it is free', () => {
    const all = [task('a', -30, 10), task('b', -25, 10), task('c', -20, 5), task('d', -10, 5)]
    const [one, two] = inLanes(all, ['one', 'two'], ({ id }) => (id === 'd' ? 1 : 0))
    expect(one!.tasks.map(({ id }) => id)).toEqual(['a', 'c'])
    expect(two!.tasks.map(({ id }) => id)).toEqual(['b', 'd'])
  })

  it('lose none where there are too few lanes', () => {
    const [one] = inLanes([task('a', -30, 10), task('b', -25, 10)], ['one'])
    expect(one!.tasks).toHaveLength(2)
  })
})

describe('a pot’s course', () => {
  it('begins and ends at the ground, in order of time, and is highest while it cooks', () => {
    const points = courseOf(
      [
        task('fry', -50, 8, { burner: 1 }),
        task('cook', -40, 20, { part: 'cook' }),
        task('fall', -20, 10, { part: 'fall' }),
        task('open', -10, 1, { part: 'open' }),
      ],
      undefined,
    )
    expect(points[0]).toEqual([-50, 0])
    expect(points.at(-1)).toEqual([-9, 0])
    const minutes = points.map(([minute]) => minute)
    expect(minutes).toEqual([...minutes].sort((a, b) => a - b))
    const top = Math.max(...points.map(([, height]) => height))
    expect(points.filter(([, height]) => height === top).every(([minute]) => minute >= -40 && minute <= -20)).toBe(true)
  })
})
