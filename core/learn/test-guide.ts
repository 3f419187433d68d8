import type { Appliance } from '../pot/appliance'
import type { TestMark } from './water-test'

/** One thing to do or wait for in a water test, ended by the mark that the cook presses. */
export interface TestStep {
  id:
    | 'light'
    | 'start'
    | 'whistles'
    | 'turn-medium'
    | 'whistles-medium'
    | 'hisses'
    | 'at-pressure'
    | 'boils'
    | 'hold'
    | 'switches-off'
    | 'turn-off'
    | 'falls'
    | 'thermometer'
  mark:
    | Omit<TestMark & { kind: 'flame' }, 'minute'>
    | { kind: Exclude<TestMark['kind'], 'flame' | 'temperature'> }
    | { kind: 'temperature' }
  /** How often the mark is pressed in this step. */
  times: number
  /** Minutes to wait before pressing, where the cook watches the clock and not the pot. */
  holdMinutes?: number
}

const once = (id: TestStep['id'], mark: TestStep['mark'], holdMinutes?: number): TestStep => ({
  id,
  mark,
  times: 1,
  ...(holdMinutes === undefined ? {} : { holdMinutes }),
})
const light = once('light', { kind: 'flame', flame: 'high' })
const start = once('start', { kind: 'on' })
const falls = once('falls', { kind: 'pressure-gone' })

/** What to do in the water test of each kind of cooker, in order. Electric ones are set to 10 minutes at high pressure. */
export const TEST_STEPS: Readonly<Record<Appliance['kind'], readonly TestStep[]>> = {
  whistling: [
    light,
    { id: 'whistles', mark: { kind: 'whistle' }, times: 5 },
    once('turn-medium', { kind: 'flame', flame: 'medium' }),
    { id: 'whistles-medium', mark: { kind: 'whistle' }, times: 3 },
    once('turn-off', { kind: 'heat-off' }),
    falls,
  ],
  regulator: [
    light,
    once('hisses', { kind: 'pressure' }),
    once('turn-medium', { kind: 'flame', flame: 'medium' }),
    once('hold', { kind: 'heat-off' }, 8),
    falls,
  ],
  electric: [start, once('at-pressure', { kind: 'pressure' }), once('switches-off', { kind: 'heat-off' }), falls],
  open: [light, once('boils', { kind: 'boils' }), once('hold', { kind: 'heat-off' }, 10)],
  rice: [start, once('boils', { kind: 'boils' }), once('switches-off', { kind: 'heat-off' })],
  slow: [start, { id: 'thermometer', mark: { kind: 'temperature' }, times: 3 }],
  bowl: [start, once('boils', { kind: 'boils' }), once('hold', { kind: 'heat-off' }, 5)],
}

/** g of water for the test of a pot that holds so many litres: enough not to dry, little enough to be quick. */
export function testWaterG(kind: Appliance['kind'], capacityL: number): number {
  if (kind === 'rice') return Math.round((capacityL * 300) / 50) * 50
  return Math.max(500, Math.round((capacityL * 200) / 100) * 100)
}

/** The step a test is at after these marks, and how often its mark was pressed; null when only the weighing is left. */
export function stepAfter(
  kind: Appliance['kind'],
  marks: readonly TestMark[],
): { step: TestStep; pressed: number } | null {
  let left = marks.length
  for (const step of TEST_STEPS[kind]) {
    if (left < step.times) return { step, pressed: left }
    left -= step.times
  }
  return null
}
