import type { FlameName } from '../names'
import type { TestStep } from './kind'
import type { TestMark, WaterTest } from './water-test.schema'

// What the kinds' water tests are made of.

const once = (id: TestStep['id'], mark: TestStep['mark'], holdMinutes?: number): TestStep => ({
  id,
  mark,
  times: 1,
  ...(holdMinutes === undefined ? {} : { holdMinutes }),
})

export const LIGHT = once('light', { kind: 'flame', flame: 'high' })
export const START = once('start', { kind: 'on' })
export const TURN_MEDIUM = once('turn-medium', { kind: 'flame', flame: 'medium' })
export const HISSES = once('hisses', { kind: 'pressure' })
export const AT_PRESSURE = once('at-pressure', { kind: 'pressure' })
export const BOILS = once('boils', { kind: 'boils' })
export const SWITCHES_OFF = once('switches-off', { kind: 'heat-off' })
export const TURN_OFF = once('turn-off', { kind: 'heat-off' })
export const FALLS = once('falls', { kind: 'pressure-gone' })
/** Keep it so for some minutes, then turn it off. */
export const hold = (minutes: number) => once('hold', { kind: 'heat-off' }, minutes)
export const whistles = (id: 'whistles' | 'whistles-medium', times: number): TestStep => ({
  id,
  mark: { kind: 'whistle' },
  times,
})
export const readThermometer = (times: number): TestStep => ({
  id: 'thermometer',
  mark: { kind: 'temperature' },
  times,
})

/** g of water for the test of a pot that holds so many litres. */
export const usualTestWaterG = (capacityL: number) => Math.max(500, Math.round((capacityL * 200) / 100) * 100)

export function minuteOf({ marks }: WaterTest, kind: TestMark['kind']): number | null {
  return marks.find((mark) => mark.kind === kind)?.minute ?? null
}

/** When the heat went off; the last mark where nobody said. */
export function offMinute(test: WaterTest): number {
  return minuteOf(test, 'heat-off') ?? test.marks.at(-1)!.minute
}

export function flamesIn({ marks }: WaterTest): (TestMark & { kind: 'flame' })[] {
  return marks.filter((mark): mark is TestMark & { kind: 'flame' } => mark.kind === 'flame')
}

/** The flames of a test from a moment on, each with the minutes that it burned. */
export function flamesFrom(test: WaterTest, fromMinute: number): { flame: FlameName; minutes: number }[] {
  const flames = flamesIn(test)
  return flames.flatMap(({ flame, minute }, i) => {
    const from = Math.max(minute, fromMinute)
    const to = flames[i + 1]?.minute ?? offMinute(test)
    return to > from ? [{ flame, minutes: to - from }] : []
  })
}

/** The step a test is at after these marks, and how often its mark was pressed; null when only the weighing is left. */
export function stepAfter(
  steps: readonly TestStep[],
  marks: readonly TestMark[],
): { step: TestStep; pressed: number } | null {
  let left = marks.length
  for (const step of steps) {
    if (left < step.times) return { step, pressed: left }
    left -= step.times
  }
  return null
}
