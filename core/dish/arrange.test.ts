import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { beansWithSquash, requestFor } from '../../tests/dishes'
import { moved, without, withLineAt, withoutLine } from './arrange'
import { structureProblems } from './checks'
import { answerDish } from './dish'

const dish = beansWithSquash()
const ids = (stages: typeof dish.stages) => stages.map(({ id }) => id)

describe('the stages of a dish', () => {
  it('are moved to another place, and the flow goes through them in their new order', () => {
    const { stages } = dish
    const earlier = moved(stages, 4, 3)
    expect(ids(earlier)).toEqual(['soak', 'fry', 'pot', 'temper', 'simmer', 'rest'])
    const from = (id: string) => earlier.find((one) => one.id === id)!.from.map(({ stage }) => stage)
    expect([from('temper'), from('simmer'), from('rest')]).toEqual([['pot'], ['temper'], ['simmer']])
    // What does not flow into one another just changes places.
    expect(moved(stages, 1, 0)[0]).toEqual(stages[1])
    expect(moved(stages, 0, -1)).toEqual(stages)
    expect(moved(stages, 5, 6)).toEqual(stages)
    expect(ids(moved(earlier, 3, 4))).toEqual(ids(stages))
  })

  it('hang together and hold the same after any moves, and less after any are taken out', () => {
    const step = fc.record({ at: fc.nat({ max: 5 }), to: fc.nat({ max: 5 }), out: fc.boolean() })
    fc.assert(
      fc.property(fc.array(step, { maxLength: 12 }), (steps) => {
        let stages = dish.stages
        for (const { at, to, out } of steps) {
          const before = stages.flatMap(({ takes }) => takes).length
          stages = out && stages.length > 2 ? without(stages, at) : moved(stages, at, to)
          expect(structureProblems({ ...dish, stages })).toEqual([])
          expect(stages.flatMap(({ takes }) => takes).length).toBeLessThanOrEqual(before)
        }
        const answer = answerDish(requestFor({ ...dish, stages }))
        expect(answer.ok).toBe(true)
      }),
      { numRuns: 60 },
    )
  })

  it('take a line whole, wherever it was before', () => {
    const stages = withLineAt(dish.stages, 'salt', 'rest')
    expect(stages.filter(({ takes }) => takes.some(({ line }) => line === 'salt')).map(({ id }) => id)).toEqual([
      'rest',
    ])
    const { lines, stages: left } = withoutLine(dish, 'salt')
    expect(lines.some(({ id }) => id === 'salt')).toBe(false)
    expect(left.flatMap(({ takes }) => takes).some(({ line }) => line === 'salt')).toBe(false)
  })
})
