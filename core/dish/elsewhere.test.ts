import { describe, expect, it } from 'vitest'
import { plan } from '../program/plan'
import type { PlanRequest } from '../program/request.schema'
import type { WrittenFigure } from './dish.schema'
import { elsewhere, USUAL_WRITER } from './elsewhere'

const request: PlanRequest = {
  kitchen: { altitudeM: 1450, roomC: 20, tapC: 18 },
  cooker: 'whistling-5l-aluminium',
  burner: 'weak',
  contents: [{ food: 'black-eyed', dryG: 200, soak: { hours: 6, waterC: 20, keepWater: false }, where: 'base' }],
  liquids: [],
  freeLiquid: 'spoonable',
  style: { kind: 'whistles', flame: 'medium' },
  release: 'auto',
}
const planned = plan(request)
if (!planned.ok) throw new Error('no plan')
const written = (change: Partial<WrittenFigure>): WrittenFigure => ({
  kind: 'whistles',
  figure: 4,
  release: 'natural',
  releaseAfterMinutes: null,
  ...change,
})
const foodOf = (figure: WrittenFigure, writer = USUAL_WRITER[figure.kind]) => {
  const outcome = elsewhere(request, planned.value, figure, writer)
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
  return outcome.value.foods[0]!
}

describe('another kitchen’s figure', () => {
  it('is what it gives there, beside what the food needs and gets here', () => {
    const food = foodOf(written({}))
    expect(food.needs).toBeCloseTo(planned.value.foods[0]!.needs, 6)
    expect(food.gets).toBeGreaterThanOrEqual(food.needs)
    expect(food.getsThere).toBeGreaterThan(5)
    expect(food.sameHere).not.toBeNull()
  })

  it('gives more the longer it is, and less after a quick release', () => {
    expect(foodOf(written({ figure: 6 })).getsThere).toBeGreaterThan(foodOf(written({ figure: 2 })).getsThere)
    const electric = (change: Partial<WrittenFigure>) =>
      foodOf(written({ kind: 'high-pressure', figure: 8, ...change })).getsThere
    expect(electric({ release: 'quick' })).toBeLessThan(electric({ release: 'natural' }))
    expect(electric({ releaseAfterMinutes: 5 })).toBeLessThan(electric({ releaseAfterMinutes: 15 }))
    expect(electric({ kind: 'low-pressure' })).toBeLessThan(electric({}))
  })

  it('of another kind of pot has no count here', () => {
    expect(foodOf(written({ kind: 'simmer', figure: 45, release: null })).sameHere).toBeNull()
    expect(foodOf(written({ kind: 'slow', figure: 360, release: null })).getsThere).toBeGreaterThan(0)
  })

  it('depends on where it was written', () => {
    const figure = written({ kind: 'simmer', figure: 60 })
    const high = foodOf(figure, { ...USUAL_WRITER.simmer, altitudeM: 3000 })
    expect(high.getsThere).toBeLessThan(foodOf(figure).getsThere)
  })
})
