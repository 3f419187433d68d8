import { describe, expect, it } from 'vitest'
import { answerDish } from '../core/dish/dish'
import { idOf } from '../core/learn/figure'
import { Posterior } from '../core/learn/posterior'
import { beansWithSquash } from '../tests/dishes'
import { aKitchen } from '../tests/fixtures'
import { bagIdsOf, dishRequestOf, largestTinIn, newStage, usualPot, type DishDocument } from './dish'
import type { Kitchen } from './kitchen'
import { DISH_SHAPE } from './shapes'

const NOW = Date.parse('2026-03-28T12:00:00Z')
const kitchen = aKitchen()
const cookerId = usualPot(kitchen).cookerId
const dish: DishDocument = { ...beansWithSquash(), shape: DISH_SHAPE }
const beans = dish.lines.find(({ what }) => what === 'cannellini')!
const bag = (id: string, boughtOn: string) =>
  ({ id, foodId: beans.what!, name: id, boughtOn }) as Kitchen['bags'][number]

const believing = (figures: Record<string, number>) => {
  const posterior = new Posterior()
  for (const [id, mean] of Object.entries(figures)) posterior.add(id, { mean, sd: 0.05 })
  return {
    of: (terms: ReadonlyMap<string, number>) => posterior.of(terms),
    has: (id: string) => posterior.has(id),
    saidOf: () => null,
  }
}
/** What its pot asks for, and how long it stands on the fire. */
function potOf(asked: NonNullable<ReturnType<typeof dishRequestOf>>) {
  const answer = answerDish(asked)
  if (!answer.ok) throw new Error('the dish was not worked out')
  const { request, answer: planned } = answer.value.stages.find(({ pot }) => pot)!.pot!
  return { request, bean: planned.foods[request.contents.findIndex(({ food }) => food === beans.what)]! }
}

describe('a dish in a household’s kitchen', () => {
  const plain = potOf(dishRequestOf(dish, kitchen, NOW)!)

  it('takes its foods from the bags that are open, and of an old one cooks them longer', () => {
    const bags = [bag('new', '2026-01-10'), bag('old', '2024-01-10')]
    const old = potOf(dishRequestOf(dish, { ...kitchen, bags }, NOW)!)
    expect(old.request.contents.find(({ food }) => food === beans.what)!.batch).toBe('old')
    expect(old.bean.needs / plain.bean.needs).toBeCloseTo(1.35, 6)
    expect(bagIdsOf(old.request, { ...kitchen, bags })).toContain('old')
    const young = potOf(dishRequestOf(dish, { ...kitchen, bags: bags.slice(0, 1) }, NOW)!)
    expect(young.bean.needs).toBe(plain.bean.needs)
  })

  it('is cooked as its bag is known to be, an old one no longer than that', () => {
    const bags = [bag('old', '2024-01-10')]
    const taught = believing({ [idOf({ kind: 'batch', bagId: 'old' })]: Math.log(1.5) })
    const { bean } = potOf(dishRequestOf(dish, { ...kitchen, bags }, NOW, taught)!)
    expect(bean.needs / plain.bean.needs).toBeCloseTo(1.5, 6)
  })

  it('is cooked longer in a cooker that was found to stay below its pressure, and in no other', () => {
    const of = (id: string) =>
      potOf(dishRequestOf(dish, kitchen, NOW, believing({ [idOf({ kind: 'pressure', cookerId: id })]: -0.1 }))!).bean
    expect(of(cookerId).needs / plain.bean.needs).toBeCloseTo(Math.exp(0.15), 6)
    expect(of(cookerId).gets).toBeGreaterThanOrEqual(of(cookerId).needs)
    expect(of('another').needs).toBe(plain.bean.needs)
  })

  it('has no answer where there is nothing to cook in', () => {
    expect(dishRequestOf(dish, { ...kitchen, cookers: [] }, NOW)).toBeNull()
  })

  it('begins a stage as cooks usually do it, a pot in the cooker that they have', () => {
    expect(newStage('a', 'pot', null, kitchen)).toMatchObject({ from: [], pot: { cookerId, freeLiquid: 'spoonable' } })
    const fry = newStage('b', 'fry', 'a', kitchen)
    expect(fry).toMatchObject({ from: [{ stage: 'a', part: 'all' }] })
    expect(fry.minutes).toBeGreaterThan(0)
  })
})

describe('the tin that goes in above', () => {
  const tin = {
    id: 'low',
    name: 'Low tin',
    diameterMm: 160,
    heightMm: 40,
    volumeMl: 700,
    material: 'steel',
    lid: 'own',
  }
  const large = { ...tin, id: 'wide', diameterMm: 180, volumeMl: 900 }
  const above = (...tins: object[]) => largestTinIn({ ...kitchen, tins: tins as Kitchen['tins'] }, cookerId)

  it('is the largest of metal that stands in the cooker', () => {
    expect(above(tin, large)).toMatchObject({ diameterMm: 180, lid: true })
    for (const material of ['plastic', 'glass'])
      expect(above(tin, { ...large, material })).toMatchObject({ diameterMm: 160, material: 'steel' })
  })

  it('is none where all are too wide or too high', () => {
    expect(above({ ...tin, diameterMm: 400 }, { ...tin, heightMm: 300 })).toBeNull()
    expect(above()).toBeNull()
  })
})
