import { describe, expect, it } from 'vitest'
import { COOKERS } from './appliance'
import type { Step } from './step.schema'
import { figureOfStep, understands, withFigure } from './steps'

const STEPS: Step[] = [
  { kind: 'whistles', heatW: 500, untilWhistles: 3 },
  { kind: 'pressure', heatW: 500, untilPressure: true },
  { kind: 'boil', heatW: 500, untilBoil: true },
  { kind: 'minutes', heatW: 500, minutes: 4 },
  { kind: 'clock', heatW: 500, untilMinute: 6 },
  { kind: 'at-pressure', level: 'high', minutesAtPressure: 5 },
  { kind: 'level', level: 'low', minutes: 7 },
  { kind: 'dry', untilDry: true },
  { kind: 'temperature', tempC: 95, minutes: 8 },
  { kind: 'profile', profile: [{ minute: 0, tempC: 20 }], steamG: 10 },
]

describe('what a cooker can be told', () => {
  // By the flame all that stands on one can be told, and what it is waited for where there is such a thing.
  it.each([
    ['whistling-5l-aluminium', ['whistles', 'pressure', 'boil', 'minutes', 'clock', 'profile']],
    ['regulator-5l-aluminium', ['pressure', 'boil', 'minutes', 'clock', 'profile']],
    ['open-5l', ['boil', 'minutes', 'clock', 'profile']],
    ['electric-6l', ['pressure', 'boil', 'minutes', 'clock', 'at-pressure', 'profile']],
    ['rice-1l', ['boil', 'minutes', 'clock', 'dry', 'profile']],
    ['slow-6l', ['boil', 'minutes', 'clock', 'level', 'profile']],
    ['bowl-2.2l', ['boil', 'minutes', 'clock', 'temperature', 'profile']],
  ])('%s: %s', (cooker, kinds) => {
    const { appliance } = COOKERS[cooker]!
    expect(STEPS.filter((step) => understands(appliance, step)).map(({ kind }) => kind)).toEqual(kinds)
  })
})

describe('the figure of a step', () => {
  it.each([
    ['whistles', 3],
    ['pressure', null],
    ['boil', null],
    ['minutes', 4],
    ['clock', null],
    ['at-pressure', 5],
    ['level', 7],
    ['dry', null],
    ['temperature', 8],
    ['profile', null],
  ])('of %s is %j, and can be another where there is one', (kind, figure) => {
    const step = STEPS.find((one) => one.kind === kind)!
    expect(figureOfStep(step)).toBe(figure)
    const changed = withFigure(step, 11)
    expect(figureOfStep(changed)).toBe(figure === null ? null : 11)
    if (figure === null) expect(changed).toEqual(step)
    else expect(withFigure(changed, figure)).toEqual(step)
  })
})
