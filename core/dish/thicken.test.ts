import { describe, expect, it } from 'vitest'
import { line, requestFor, stage } from '../../tests/dishes'
import { answerDish } from './dish'
import type { Dish, Stage } from './dish.schema'
import { gapG } from './ledger'

const dal = (after: Stage[], thickener = 0): Dish => ({
  name: 'Dal',
  servings: 4,
  lines: [line('dal', 'toor-split', 200), ...(thickener > 0 ? [line('flour', 'chickpea-flour', thickener)] : [])],
  stages: [stage('pot', 'pot', { dal: 'rest' }), ...after],
})
const liquidAfter = (dish: Dish): number => {
  const outcome = answerDish(requestFor(dish))
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
  for (const { liquid } of outcome.value.stages) expect(Math.abs(gapG(liquid))).toBeLessThan(1)
  return outcome.value.liquidG
}
const rest = (minutes: number, id = 'rest', from = 'pot') => stage(id, 'rest', {}, [from], { minutes })

describe('a gravy', () => {
  const asItIs = liquidAfter(dal([]))

  it('thickens when it is mashed, once', () => {
    const once = liquidAfter(dal([stage('mash', 'mash', {}, ['pot'])]))
    expect(asItIs - once).toBeCloseTo(0.4 * 200, 0)
    const twice = dal([stage('mash', 'mash', {}, ['pot']), stage('again', 'mash', {}, ['mash'])])
    expect(liquidAfter(twice)).toBeCloseTo(once, 6)
  })

  it('thickens when it rests, for ten minutes', () => {
    expect(asItIs - liquidAfter(dal([rest(5)]))).toBeCloseTo(0.15 * 100, 0)
    const long = liquidAfter(dal([rest(10)]))
    expect(asItIs - long).toBeCloseTo(0.15 * 200, 0)
    expect(liquidAfter(dal([rest(10), rest(30, 'more', 'rest')]))).toBeCloseTo(long, 6)
  })

  it('thickens by a paste as soon as it is hot, never by more than is there', () => {
    const simmer = (takes: Record<string, 'rest'> = {}) => stage('simmer', 'simmer', takes, ['pot'], { minutes: 5 })
    const plain = liquidAfter(dal([simmer()]))
    expect(plain - liquidAfter(dal([simmer({ flour: 'rest' })], 20))).toBeCloseTo(2.5 * 20, 0)
    expect(liquidAfter(dal([simmer({ flour: 'rest' })], 900))).toBeGreaterThanOrEqual(0)
  })
})

describe('meat', () => {
  it('keeps its broth where liquid is wanted around it', () => {
    const stew = (freeLiquid: 'drained' | 'soup') => {
      const pot = stage('pot', 'pot', { meat: 'rest' })
      return liquidAfter({
        name: 'Broth',
        servings: 4,
        lines: [line('meat', 'goat-bone', 500)],
        stages: [{ ...pot, pot: { ...pot.pot!, freeLiquid } }],
      })
    }
    expect(stew('soup')).toBeGreaterThan(900)
    expect(stew('drained')).toBeLessThan(400)
  })
})
