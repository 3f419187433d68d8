import { describe, expect, it } from 'vitest'
import { plan } from '../program/plan'
import { CATALOGUE, findFood } from '../food/catalogue'
import { isWatched } from '../food/watched'
import { requestOf } from '../../tests/trials/learn'
import { wasCookedAsPlanned } from './facts'
import { runState } from './run'
import type { RunEventData } from './event.schema'

const planned = plan(
  requestOf({
    cookerId: 'blue',
    cooker: 'whistling-5l-aluminium',
    burnerId: 'strong',
    style: { kind: 'whistles', flame: 'medium' },
    foodId: 'navy-bean',
    dryG: 300,
    soakHours: 8,
    bagId: 'spring',
    isOld: false,
  }),
)
if (!planned.ok) throw new Error(planned.problems[0]!.code)
const { value: answer } = planned
const figure = answer.closings[0]!.range.figure
const T = 1_772_000_000_000
const run = (whistles: number, last: RunEventData['kind'] = 'opened') => {
  const kinds = ['lit', ...Array<string>(whistles).fill('whistle'), 'heat-off', last]
  return runState(
    kinds.map((kind, i) => ({
      id: `00000000-0000-4000-8000-${String(i).padStart(12, '0')}`,
      at: T + i * 120_000,
      data: (kind === 'whistle' ? { kind, how: 'tap' } : { kind }) as RunEventData,
    })),
  )
}

describe('whether a pot was cooked as planned', () => {
  it('is shown by its whistles and that it was opened', () => {
    expect(wasCookedAsPlanned(answer, run(figure))).toBe(true)
    expect(wasCookedAsPlanned(answer, run(figure + 1))).toBe(true)
    expect(wasCookedAsPlanned(answer, run(figure - 1))).toBe(false)
  })

  it('is not shown by one that was stopped, or was never lit', () => {
    expect(wasCookedAsPlanned(answer, run(figure, 'abandoned'))).toBe(false)
    expect(wasCookedAsPlanned(answer, runState([]))).toBe(false)
  })

  it('is asked of what makes people ill half-cooked', () => {
    expect(isWatched(findFood('navy-bean')!)).toBe(true)
    expect(CATALOGUE.filter(({ group }) => group === 'meat' || group === 'egg').every(isWatched)).toBe(true)
    expect(isWatched(findFood('brown-long')!)).toBe(false)
  })
})
