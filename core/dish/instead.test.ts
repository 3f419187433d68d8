import { describe, expect, it } from 'vitest'
import { beansWithSquash, line, requestFor, stage } from '../../tests/dishes'
import { INGREDIENTS } from '../ingredient/ingredients'
import { servingFor } from '../ingredient/serves'
import { answerDish } from './dish'
import type { Dish } from './dish.schema'
import { withStandIn } from './arrange'
import { standInsFor, type StandIn } from './instead'

/** A dish of one pot of lentils in which a line is cooked along, and one more at its end. */
const withLine = (what: string, g: number, other: [what: string, g: number] = ['salt', 5]): Dish => ({
  name: 'Lentils',
  servings: 4,
  lines: [line('lentils', 'masoor-split', 200), line('it', what, g), line('other', ...other)],
  stages: [
    stage('pot', 'pot', { lentils: 'rest' }),
    stage('simmer', 'simmer', { it: 'rest', other: 'rest' }, ['pot'], { minutes: 12, waterG: 200 }),
  ],
})
const offered = (what: string, g: number) => standInsFor(requestFor(withLine(what, g)), 'it')
const names = (found: readonly StandIn[]) => found.map(({ parts }) => parts.map(({ what }) => what).join(' + '))
const gramsOf = (found: readonly StandIn[], what: string) =>
  found.flatMap(({ parts }) => parts).find((one) => one.what === what)?.g

describe('what stands in', () => {
  it('does the same, in the amount that does as much', () => {
    expect(gramsOf(offered('onion', 150), 'onion-fried')).toBeCloseTo(50)
    expect(gramsOf(offered('onion-fried', 50), 'onion')).toBeCloseTo(150)
    expect(gramsOf(offered('oil', 30), 'butter')).toBeCloseTo(30 / 0.82)
    expect(gramsOf(offered('lemon-juice', 20), 'mango-powder')).toBeCloseTo(8)
    expect(gramsOf(offered('wheat-flour', 20), 'cornflour')).toBeCloseTo(10)
    expect(gramsOf(offered('tomato', 120), 'tomato-paste')).toBeCloseTo(24)
    expect(gramsOf(offered('cumin-seed', 4), 'cumin-ground')).toBeCloseTo(4)
    for (const one of offered('lemon-juice', 20)) expect(one.serves).toBe('sour')
  })

  it('tastes of it: no ginger for garlic, no turmeric for garam masala, nothing for bay', () => {
    expect(names(offered('garlic', 12))).not.toContain('ginger')
    expect(names(offered('garam-masala', 4))).toEqual(
      expect.arrayContaining(['cumin-ground + coriander-ground + cinnamon-ground', 'curry-powder']),
    )
    expect(names(offered('garam-masala', 4))).not.toContain('turmeric')
    expect(offered('bay-leaf', 1)).toEqual([])
  })

  it('goes both ways between any two, and back to what it was', () => {
    for (const one of INGREDIENTS)
      for (const { parts } of servingFor(one)) {
        if (parts.length > 1) {
          expect(parts.reduce((sum, { times }) => sum + times, 0)).toBeCloseTo(1)
          continue
        }
        const [{ what, times }] = parts as [{ what: string; times: number }]
        const back = servingFor(INGREDIENTS.find(({ id }) => id === what)!).find(
          (other) => other.parts.length === 1 && other.parts[0]!.what === one.id,
        )
        expect(back!.parts[0]!.times * times).toBeCloseTo(1)
      }
  })

  it('keeps the cut: no whole beetroot for cubes of squash', () => {
    const found = names(offered('squash-cubes', 300))
    expect(found.length).toBeGreaterThan(1)
    expect(found).not.toContain('beetroot-whole')
    expect(found).not.toContain('potato-whole')
    expect(found).not.toContain('cabbage')
  })

  it('is cooked in the dish, or not offered', () => {
    const soup = (minutes: number): Dish => ({
      name: 'Soup',
      servings: 2,
      lines: [line('squash', 'squash-cubes', 400)],
      stages: [stage('simmer', 'simmer', { squash: 'rest' }, [], { minutes, waterG: 3000 })],
    })
    const [short, long] = [6, 60].map((minutes) => standInsFor(requestFor(soup(minutes)), 'squash'))
    expect(names(long!)).toEqual(expect.arrayContaining(names(short!)))
    expect(long!.length).toBeGreaterThan(short!.length)
    const beans = beansWithSquash()
    const slow = { pot: { cooker: 'slow-6l' } }
    const found = standInsFor(requestFor({ ...beans, stages: [stage('pot', 'pot', { beans: 'rest' })] }, slow), 'beans')
    for (const { parts } of found) {
      const dish = withStandIn({ ...beans, stages: [stage('pot', 'pot', { beans: 'rest' })] }, 'beans', parts)
      const answer = answerDish(requestFor(dish, slow))
      expect(answer.ok && answer.value.cautions.some(({ severity }) => severity === 'refuse')).toBe(false)
    }
    expect(names(found)).not.toContain('kidney-red')
  })

  it('of a salty one counts its salt', () => {
    const salted = offered('stock', 300).find(({ parts }) => parts[0]!.what === 'stock-salted')!
    expect(salted.change.saltG).toBeGreaterThan(2)
    expect(standInsFor(requestFor(withLine('oil', 10)), 'nothing')).toEqual([])
  })

  it('of two things goes in as two lines wherever the one went in, and can itself be replaced', () => {
    const dish = withLine('ginger-garlic-paste', 30)
    dish.stages[0]!.takes.push({ line: 'it', g: 10 })
    const [made] = standInsFor(requestFor(dish), 'it').filter(({ parts }) => parts.length === 2)
    expect(made!.parts).toEqual([
      { what: 'garlic', g: 15 },
      { what: 'ginger', g: 15 },
    ])
    const now = withStandIn(dish, 'it', made!.parts)
    expect(now.lines.map(({ what }) => what)).toEqual(['masoor-split', 'garlic', 'ginger', 'salt'])
    expect(now.stages[0]!.takes.slice(1)).toEqual([
      { line: 'it', g: 5 },
      { line: 'it-1', g: 5 },
    ])
    const again = withStandIn(now, 'it', made!.parts)
    expect(new Set(again.lines.map(({ id }) => id)).size).toBe(again.lines.length)
    expect(answerDish(requestFor(again)).ok).toBe(true)
  })
})
