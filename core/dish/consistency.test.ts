import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { beansWithSquash, line, potSettings, requestFor, stage } from '../../tests/dishes'
import { FREE_LIQUIDS, type FreeLiquid } from '../water/liquids'
import { consistencyOf, waysToRun } from './consistency'
import { answerDish, type DishAnswer } from './dish'
import type { Dish, DishRequest } from './dish.schema'
import { gapG } from './ledger'
import { CONSISTENCIES, type Consistency } from './names'
import { scaled } from './scale'

const dal = (freeLiquid: FreeLiquid, dryG = 200, simmerMinutes = 8): DishRequest =>
  requestFor({
    name: 'Dal',
    servings: 4,
    lines: [line('dal', 'toor-split', dryG), line('tomato', 'tomato', 200)],
    stages: [
      stage('pot', 'pot', { dal: 'rest' }, [], { pot: potSettings({ freeLiquid }) }),
      stage('simmer', 'simmer', { tomato: 'rest' }, ['pot'], { minutes: simmerMinutes }),
    ],
  })
function answered(request: DishRequest): DishAnswer {
  const outcome = answerDish(request)
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
  return outcome.value
}
const runs = (request: DishRequest) => consistencyOf(answered(request))
const hows = (request: DishRequest, wanted: Consistency) => waysToRun(request, wanted).map(({ how }) => how)

describe('how a dish runs', () => {
  it('goes by what is loose in it, in the order of what is wanted around pulses', () => {
    const loose = FREE_LIQUIDS.map((free) => runs(dal(free)).loose)
    expect(loose).toEqual([...loose].sort((a, b) => a - b))
    expect(runs(dal('spoonable')).is).toBe('thick')
    expect(runs(dal('soup')).is).toBe('thin')
  })

  it('has ways to what is wanted, each of which leads there, and none where it is so already', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FREE_LIQUIDS),
        fc.constantFrom(...CONSISTENCIES),
        fc.integer({ min: 100, max: 400 }),
        fc.integer({ min: 3, max: 20 }),
        (free, wanted, dryG, minutes) => {
          const request = dal(free, dryG, minutes)
          const before = answered(request)
          const ways = waysToRun(request, wanted)
          if (consistencyOf(before).is === wanted) expect(ways).toEqual([])
          expect(ways.map((way) => way.minutes)).toEqual(ways.map((way) => way.minutes).sort((a, b) => a - b))
          for (const way of ways) {
            const after = answered({ ...request, dish: way.dish })
            expect(consistencyOf(after).is).toBe(wanted)
            expect(way.amount).toBeGreaterThan(0)
            expect(after.spanMinutes - before.spanMinutes).toBeCloseTo(way.minutes, 6)
            for (const { liquid } of after.stages) expect(Math.abs(gapG(liquid))).toBeLessThan(0.01)
            expect(new Set(way.dish.stages.map(({ id }) => id)).size).toBe(way.dish.stages.length)
          }
        },
      ),
      { numRuns: 40 },
    )
  })

  it('is made thicker by less water, a paste or mashing, and thinner by water alone', () => {
    expect(hows(dal('pourable'), 'thick')).toEqual(expect.arrayContaining(['less-water', 'paste']))
    expect(hows(dal('drained'), 'coating')).toEqual(expect.arrayContaining(['mash', 'paste', 'simmer']))
    expect(hows(dal('spoonable'), 'thin')).toEqual(['more-water'])
  })

  it('takes the least that does: a gram less of flour would not', () => {
    const request = dal('pourable')
    const paste = waysToRun(request, 'thick').find(({ how }) => how === 'paste')!
    const less: Dish = {
      ...paste.dish,
      lines: paste.dish.lines.map((one) => (one.what === 'wheat-flour' ? { ...one, g: one.g! - 1 } : one)),
    }
    expect(runs({ ...request, dish: less }).is).toBe('thin')
  })

  it('is worked out anew for another number: what boils away does not grow with it', () => {
    const request = dal('spoonable', 200, 25)
    const more = scaled(request, 12)
    if (!more.ok) throw new Error('not scaled')
    expect(runs(more.value).loose).toBeGreaterThan(0)
    const wanted: Consistency = 'coating'
    for (const way of waysToRun(more.value, wanted)) expect(runs({ ...more.value, dish: way.dish }).is).toBe(wanted)
  })

  it('is never bought with a danger: beans are as done as before', () => {
    const request = requestFor(beansWithSquash())
    for (const wanted of CONSISTENCIES)
      for (const { dish } of waysToRun(request, wanted))
        expect(answered({ ...request, dish }).cautions.filter(({ severity }) => severity === 'refuse')).toEqual([])
  })
})
