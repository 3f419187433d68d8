import type { TestMark, WaterTest } from '../appliance/water-test.schema'
import type { FlameName } from '../names'

/** What a cook remembers of a whistling pot of water. */
export interface Memory {
  waterG: number
  startC: number
  place: WaterTest['place']
  flame: FlameName
  /** Minutes until the first whistle, and from one to the next. */
  firstMinute: number
  everyMinutes: number
}

/** So many whistles stand for “then one every …”. */
const WHISTLES = 4

/** A water test as it would have gone by what is remembered; nothing was weighed, and it is read less exactly. */
export function rememberedTest({ waterG, startC, place, flame, firstMinute, everyMinutes }: Memory): WaterTest {
  const whistles = Array.from({ length: WHISTLES }, (_, i): TestMark => ({
    kind: 'whistle',
    minute: firstMinute + i * everyMinutes,
  }))
  const marks: TestMark[] = [
    { kind: 'flame', minute: 0, flame },
    ...whistles,
    { kind: 'heat-off', minute: whistles.at(-1)!.minute },
  ]
  return { waterG, startC, place, marks, remembered: true }
}
