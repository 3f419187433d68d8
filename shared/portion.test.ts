import { describe, expect, it } from 'vitest'
import { answerDish, type DishAnswer } from '../core/dish/dish'
import type { Dish } from '../core/dish/dish.schema'
import { leftoverOfDish } from '../core/dish/keep'
import { beansWithSquash, line, potSettings, requestFor, stage } from '../tests/dishes'
import { readOwn } from './document'
import { daysLeft, dueSoon, isPast, lineOfDish, lineOfPortion, portionOf, thawed } from './portion'
import { PORTION } from './portion.schema'

const TODAY = '2026-11-26'
const answered = (dish: Dish): DishAnswer => {
  const outcome = answerDish(requestFor(dish))
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
  return outcome.value
}
const id = '0de70000-0000-4000-8000-000000000900'
const kept = (dish: Dish) =>
  portionOf(
    leftoverOfDish(answered(dish), dish.servings),
    { name: dish.name, dishId: id },
    { portions: 3, place: 'freezer', today: TODAY },
  )

/** A batch of beans cooked whole. */
const batch: Dish = {
  name: 'A batch of pinto beans',
  servings: 5,
  lines: [line('beans', 'pinto', 500), line('salt', 'salt', 8)],
  stages: [
    stage('soak', 'soak', { beans: 'rest' }, [], { waterG: 1500, minutes: 600 }),
    stage('pot', 'pot', { salt: 'rest' }, ['soak'], { pot: potSettings({ freeLiquid: 'drained' }) }),
  ],
}

describe('what is kept', () => {
  it('is a document with its day, and past it some time', () => {
    const portion = kept(beansWithSquash())
    expect(readOwn(PORTION, portion)).toEqual(portion)
    expect(portion).toMatchObject({ keptOn: '2026-11-26', until: '2027-02-24', left: 3, food: null })
    expect(daysLeft(portion, TODAY)).toBe(90)
    expect(isPast(portion, TODAY)).toBe(false)
    expect(isPast(portion, '2027-02-25')).toBe(true)
  })

  it('is eaten the day after it has thawed, and never later than it was to be', () => {
    const portion = kept(batch)
    expect(thawed(portion, '2026-12-10')).toMatchObject({
      place: 'fridge',
      thawedOn: '2026-12-10',
      until: '2026-12-11',
      left: portion.left,
    })
    expect(thawed(portion, portion.until).until).toBe(portion.until)
  })

  it('is due when its last day is today, tomorrow or past', () => {
    const all = ['2026-11-28', '2026-11-25', '2026-11-27', '2026-11-26'].map((until) => ({
      content: { ...kept(batch), until },
    }))
    expect(dueSoon(all, TODAY).map(({ content }) => content.until)).toEqual(['2026-11-25', '2026-11-26', '2026-11-27'])
    expect(dueSoon([{ content: { ...kept(batch), until: TODAY, left: 0 } }], TODAY)).toEqual([])
  })

  it('of one food is that food, cooked, wet and salted', () => {
    const portion = kept(batch)
    expect(portion.food).toMatchObject({ id: 'pinto' })
    const lineOf = lineOfPortion('l', id, portion, 'beans from the freezer')
    expect(lineOf.what).toBe('pinto')
    expect(lineOf.kept!.dryG).toBeCloseTo(100, 0)
    expect(lineOf.kept!.boilMinutes).toBeGreaterThan(60)
    expect(lineOf.kept!.saltG * 5).toBeCloseTo(8, 1)
    // In another dish it counts as cooked, and brings its salt.
    const stew: Dish = {
      name: 'Stew',
      servings: 2,
      lines: [lineOf],
      stages: [stage('simmer', 'simmer', { l: 'rest' }, [], { minutes: 5, waterG: 200 })],
    }
    const answer = answered(stew)
    expect(answer.cautions.map(({ id: of }) => of)).not.toContain('never-cooked')
    expect(answer.saltG).toBeCloseTo(lineOf.kept!.saltG, 6)
  })

  it('of a dish of several is an ingredient of its own', () => {
    const portion = kept(beansWithSquash())
    const lineOf = lineOfPortion('l', id, portion, 'beans with squash')
    expect(lineOf).toMatchObject({ what: null, own: { name: 'White beans with squash', liquid: null } })
    const answer = answered({
      name: 'Toast',
      servings: 1,
      lines: [lineOf],
      stages: [stage('combine', 'combine', { l: 'rest' })],
    })
    expect(answer.questions).toEqual([])
    expect(answer.massG).toBeCloseTo(portion.portionG, 6)
    expect(answer.saltShare).toBeCloseTo(portion.salt, 6)
  })

  it('of rice is rice, by itself and in something, and is told how to be warmed', () => {
    const pilaf = (others: number): Dish => ({
      name: 'Pilaf',
      servings: 2,
      lines: [line('rice', 'basmati-white', 200), line('onion', 'onion', others)],
      stages: [stage('pot', 'pot', { rice: 'rest', onion: 'rest' })],
    })
    const warmed = (of: Dish) => {
      const portion = kept(of)
      const lineOf = lineOfPortion('l', id, portion, of.name)
      const again = answered({
        name: 'Again',
        servings: 1,
        lines: [lineOf],
        stages: [stage('rest', 'rest', { l: 'rest' })],
      })
      return { portion, cautions: again.cautions.map((one) => one.id) }
    }
    expect(warmed(pilaf(10)).portion.food?.id).toBe('basmati-white')
    expect(warmed(pilaf(10)).cautions).toContain('rice-again')
    expect(warmed(pilaf(900)).portion).toMatchObject({ food: null, hasRice: true })
    expect(warmed(pilaf(900)).cautions).toContain('rice-again')
    expect(warmed(beansWithSquash()).cautions).not.toContain('rice-again')
  })

  it('of meat with as much onion is not all meat', () => {
    const stew: Dish = {
      name: 'Stew',
      servings: 4,
      lines: [line('meat', 'chicken-thigh', 500), line('onion', 'onion', 550)],
      stages: [stage('simmer', 'simmer', { meat: 'rest', onion: 'rest' }, [], { minutes: 40, lid: true, waterG: 200 })],
    }
    expect(kept(stew).food).toBeNull()
  })

  it('may be what another dish makes, with nothing kept of it in between', () => {
    const gravy = answered(beansWithSquash())
    const lineOf = lineOfDish('l', { id, name: 'White beans with squash' }, gravy, 600, '600 g, as your dish')
    expect(lineOf).toMatchObject({ dishId: id, g: 600, what: null })
    expect(lineOf.portionId).toBeUndefined()
    const answer = answered({
      name: 'Two in one',
      servings: 2,
      lines: [lineOf],
      stages: [stage('combine', 'combine', { l: 'rest' })],
    })
    expect(answer.massG).toBeCloseTo(600, 6)
    expect(answer.saltShare).toBeCloseTo(gravy.saltShare, 6)
    expect(answer.served.water).toBeCloseTo(gravy.served.water, 6)
  })

  it('of beans that were half cooked is not called cooked', () => {
    const half = structuredClone(batch)
    half.lines[0]!.what = 'kidney-red'
    half.stages = [stage('simmer', 'simmer', { beans: 'rest', salt: 'rest' }, [], { minutes: 10, waterG: 2000 })]
    const lineOf = lineOfPortion('l', id, kept(half), 'beans')
    const answer = answered({
      name: 'Salad',
      servings: 2,
      lines: [lineOf],
      stages: [stage('combine', 'combine', { l: 'rest' })],
    })
    expect(answer.cautions.filter(({ severity }) => severity === 'refuse').map(({ id: of }) => of)).toContain(
      'lectin-not-done',
    )
  })
})
