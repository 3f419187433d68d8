import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { line, potSettings, requestFor, stage } from '../../tests/dishes'
import { answerDish, type DishAnswer } from './dish'
import type { Stage } from './dish.schema'

function cooked(what: string, g: number, soak: Partial<Stage>, more: Stage[] = []): DishAnswer {
  const outcome = answerDish(
    requestFor({
      name: 'One pot',
      servings: 4,
      lines: [line('food', what, g), line('tomato', 'tomato', 200)],
      stages: [
        stage('soak', 'soak', { food: 'rest' }, [], { minutes: 30, ...soak }),
        ...more,
        stage('pot', 'pot', more.length > 0 ? {} : { tomato: 'rest' }, ['soak', ...more.map(({ id }) => id)], {
          pot: potSettings({ freeLiquid: 'drained' }),
        }),
      ],
    }),
  )
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
  return outcome.value
}
const poured = ({ stages }: DishAnswer, id: string) => stages.find((one) => one.id === id)!.liquid.pouredG

describe('a soak in measured water', () => {
  it('holds all the water that its pot would have got, whatever goes in beside', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('basmati-white', 'brown-long', 'toor-split', 'moong-whole'),
        fc.integer({ min: 150, max: 500 }),
        fc.integer({ min: 20, max: 300 }),
        (what, g, minutes) => {
          const answer = cooked(what, g, { measured: true, minutes })
          expect(poured(answer, 'pot')).toBeLessThan(2)
          // The same food, its soak kept and the rest poured at the pot, takes about as much in all.
          const apart = cooked(what, g, { keepWater: true, waterG: Math.round(1.3 * g), minutes })
          const all = poured(apart, 'soak') + poured(apart, 'pot')
          expect(Math.abs(poured(answer, 'soak') - all)).toBeLessThan(0.03 * all + 3)
        },
      ),
      { numRuns: 25 },
    )
  })

  it('is told of water that is too much for the rice, where a cook measured it by hand', () => {
    const ids = (answer: DishAnswer) => answer.cautions.map(({ id }) => id)
    expect(ids(cooked('basmati-white', 320, { keepWater: true, waterG: 960 }))).toContain('too-wet')
    expect(ids(cooked('basmati-white', 320, { measured: true }))).not.toContain('too-wet')
  })

  it('is a soak like any other where no pot goes on with it', () => {
    const outcome = answerDish(
      requestFor({
        name: 'Soaked',
        servings: 2,
        lines: [line('food', 'toor-split', 200)],
        stages: [
          stage('soak', 'soak', { food: 'rest' }, [], { minutes: 60, measured: true }),
          stage('simmer', 'simmer', {}, ['soak'], { minutes: 40, waterG: 600 }),
        ],
      }),
    )
    expect(outcome.ok && outcome.value.stages[0]!.liquid.pouredG).toBe(600)
  })
})
