import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { beansWithSquash, line, potSettings, requestFor, stage } from '../../tests/dishes'
import { instructionsOfDish } from '../guide/dish'
import { canPart, joined, joinsWith, parted } from './arrange'
import { answerDish, type DishAnswer } from './dish'
import type { Dish, DishRequest } from './dish.schema'
import { gapG } from './ledger'

function answered(dish: Dish, change: Partial<DishRequest> = {}): DishAnswer {
  const outcome = answerDish(requestFor(dish, change))
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
  expect(outcome.value.stages.flatMap(({ problems }) => problems)).toEqual([])
  for (const { liquid } of outcome.value.stages) expect(Math.abs(gapG(liquid))).toBeLessThan(0.01)
  return outcome.value
}
const at = ({ stages }: DishAnswer, id: string) => stages.find((one) => one.id === id)!
const told = (dish: Dish, change: Partial<DishRequest> = {}) =>
  instructionsOfDish(requestFor(dish, change), answered(dish, change))
const electric = { pot: { cooker: 'electric-6l' } }

describe('a stage that is parted in two', () => {
  it('is parted where the last thing goes in, and comes out as it did before', () => {
    const dish = beansWithSquash()
    const timed: Dish = {
      ...dish,
      stages: dish.stages.map((one) =>
        one.id === 'simmer' ? { ...one, takes: [{ line: 'squash' }, { line: 'tomato', atMinute: 6 }] } : one,
      ),
    }
    const stages = parted(timed.stages, 'simmer', 'second')
    const [first, second] = [stages[3]!, stages[4]!]
    expect([first.minutes, second.minutes]).toEqual([6, 4])
    expect([first.takes, second.takes]).toEqual([[{ line: 'squash' }], [{ line: 'tomato', atMinute: 0 }]])
    expect([first.keepsG, second.keepsG]).toEqual([undefined, 80])
    expect(stages[5]!.from).toEqual([{ stage: 'second', part: 'all' }])
    const [before, after] = [answered(timed), answered({ ...timed, stages })]
    expect(after.massG).toBeCloseTo(before.massG, 0)
    expect(after.saltG).toBeCloseTo(before.saltG, 1)
  })

  it('holds the same for any stage that can be, and for all of them joined again', () => {
    const dish = beansWithSquash()
    const before = answered(dish)
    fc.assert(
      fc.property(fc.constantFrom(...dish.stages.filter(canPart).map(({ id }) => id)), (id) => {
        const stages = parted(dish.stages, id, 'new')
        expect(stages).toHaveLength(dish.stages.length + 1)
        const after = answered({ ...dish, stages })
        expect(Math.abs(after.massG - before.massG)).toBeLessThan(0.02 * before.massG)
        expect(after.saltG + after.saltThrownG).toBeCloseTo(before.saltG + before.saltThrownG, 3)
        expect(joinsWith(stages, 'new')?.id).toBe(id)
        const again = joined(stages, 'new')
        expect(again.map((one) => one.id)).toEqual(dish.stages.map((one) => one.id))
        expect(answered({ ...dish, stages: again }).massG).toBeCloseTo(before.massG, 0)
      }),
    )
  })

  it('is not where it is a pot or a soak, nor joined to what it does not go on from alone', () => {
    const { stages } = beansWithSquash()
    for (const id of ['pot', 'soak']) expect(parted(stages, id, 'new')).toEqual(stages)
    for (const { id } of stages) expect(joinsWith(stages, id)).toBeNull()
    expect(joined(stages, 'simmer')).toEqual(stages)
  })
})

describe('rice into water that boils', () => {
  const rice = (boiling: boolean): Dish => ({
    name: 'Rice',
    servings: 4,
    lines: [line('rice', 'basmati-white', 300)],
    stages: [
      ...(boiling ? [stage('boil', 'simmer', {}, [], { minutes: 0, flame: 'high', measured: true })] : []),
      stage('pot', 'pot', { rice: 'rest' }, boiling ? ['boil'] : [], { pot: potSettings({ freeLiquid: 'drained' }) }),
    ],
  })

  it('takes the water that the pot takes cold, boils it first, and pours none after', () => {
    const [cold, hot] = [answered(rice(false)), answered(rice(true))]
    expect(at(hot, 'pot').liquid.pouredG).toBeLessThan(2)
    const [coldG, hotG] = [at(cold, 'pot').liquid.pouredG, at(hot, 'boil').liquid.pouredG]
    expect(Math.abs(hotG - coldG)).toBeLessThan(0.15 * coldG)
    expect(at(hot, 'boil').minutes).toBeGreaterThan(1)
    // What goes in hot is sooner under pressure.
    const pressureAt = (answer: DishAnswer) => at(answer, 'pot').pot!.answer.closings[0]!.clock.pressureAtMinute!
    expect(pressureAt(hot)).toBeLessThan(pressureAt(cold))
    expect(
      told(rice(true))
        .map((one) => one.do)
        .slice(0, 3),
    ).toEqual(['pour', 'turn', 'add'])
  })
})

describe('a device that keeps it warm', () => {
  const dish = (keepWarmMinutes?: number, style: 'electric' | 'whistles' = 'electric'): Dish => ({
    name: 'Peas',
    servings: 4,
    lines: [line('peas', 'split-peas', 300)],
    stages: [
      stage('pot', 'pot', { peas: 'rest' }, [], {
        pot: potSettings({ style, ...(keepWarmMinutes ? { keepWarmMinutes } : {}) }),
      }),
    ],
  })

  it('is longer by that, cooks on a little, and is told to be left before it is opened', () => {
    const [before, after] = [answered(dish(), electric), answered(dish(60), electric)]
    expect(at(after, 'pot').minutes - at(before, 'pot').minutes).toBe(60)
    const [was, is] = [before.served.foods[0]!.gets, after.served.foods[0]!.gets]
    expect(is).toBeGreaterThan(was)
    expect(is - was).toBeLessThan(5)
    const deeds = told(dish(60), electric)
    const warm = deeds.find(({ until }) => until?.keptWarm)!
    const open = deeds.find((one) => one.do === 'open' && one.what === 'lid')!
    expect(deeds.indexOf(warm)).toBeLessThan(deeds.indexOf(open))
    expect('about' in warm.at && 'about' in open.at && open.at.about - warm.at.about).toBe(60)
  })

  it('is nothing that a pot on a flame does, and makes no dangerous bean done', () => {
    expect(at(answered(dish(60, 'whistles')), 'pot').minutes).toBe(at(answered(dish(0, 'whistles')), 'pot').minutes)
    const beans: Dish = {
      ...dish(600),
      lines: [line('beans', 'kidney-red', 300)],
      stages: [
        stage('soak', 'soak', { beans: 'rest' }, [], { minutes: 600 }),
        stage('pot', 'pot', {}, ['soak'], { pot: potSettings({ style: 'electric', keepWarmMinutes: 600 }) }),
      ],
    }
    const short = {
      ...beans,
      stages: beans.stages.map((one) => (one.pot ? { ...one, pot: { ...one.pot, keepWarmMinutes: 0 } } : one)),
    }
    expect(answered(beans, electric).served.foods[0]!.gets).toBe(answered(short, electric).served.foods[0]!.gets)
  })
})

describe('several pulses in one tin', () => {
  const tin = { diameterMm: 160, heightMm: 70, volumeMl: 1200, lid: true }
  const bowl = (isOne: boolean, foods = ['moong-whole', 'moth-bean', 'brown-lentils']): Dish => ({
    name: 'A mixed bowl',
    servings: 4,
    lines: [line('rice', 'brown-long', 250), ...foods.map((food) => line(food, food, 60))],
    stages: [
      stage('pot', 'pot', { rice: 'rest', ...Object.fromEntries(foods.map((food) => [food, 'rest' as const])) }, [], {
        pot: potSettings({
          freeLiquid: 'drained',
          foods: foods.map((food) => ({ line: food, where: { tin, tier: 1, ...(isOne ? { bowl: 'small' } : {}) } })),
        }),
      }),
    ],
  })
  const planned = (dish: Dish) => at(answered(dish), 'pot').pot!.answer

  it('stand in one tin, which holds them all, and none of them beside another', () => {
    const one = planned(bowl(true))
    expect(one.closings[0]!.case.load.vessels).toHaveLength(1)
    expect(one.closings[0]!.case.foods.map(({ vessel }) => vessel)).toEqual([null, 0, 0, 0])
    expect(one.cautions.map(({ id }) => id)).not.toContain('tin-too-wide')
    expect(planned(bowl(false)).cautions.map(({ id }) => id)).toContain('tin-too-wide')
    // As full as all of them together make it.
    const fill = (of: typeof one) => of.foods.map(({ tinFill }) => tinFill?.afterMl ?? 0)
    const [, ...together] = fill(one)
    const [, ...alone] = fill(planned(bowl(false)))
    expect(new Set(together).size).toBe(1)
    expect(together[0]!).toBeCloseTo(
      alone.reduce((sum, ml) => sum + ml, 0),
      0,
    )
  })

  it('are told with one amount of water for all of them', () => {
    const [add, ...more] = told(bowl(true)).filter((one) => one.do === 'add' && one.things.some(({ tier }) => tier))
    expect(more).toEqual([])
    const waters = add!.things.filter(({ water }) => water)
    const each = planned(bowl(true)).foods.flatMap(({ tinWaterG }) => tinWaterG ?? [])
    expect(waters.map(({ g }) => g)).toEqual([each.reduce((sum, g) => sum + g, 0)])
    expect(add!.things.filter(({ water }) => !water)).toHaveLength(3)
  })

  it('heat up as one heap does: slower than a tin of a third of it', () => {
    const gets = (dish: Dish) => planned(dish).closings[0]!.foods[1]!.gets
    expect(gets(bowl(true))).toBeLessThan(gets(bowl(true, ['moong-whole'])))
  })
})

describe('fat that is kept back', () => {
  const dish = (): Dish => ({
    name: 'Fried onions',
    servings: 4,
    lines: [line('oil', 'oil', 60), line('onion', 'onion', 300), line('peas', 'split-peas', 300)],
    stages: [
      stage('fry', 'fry', { oil: 'rest', onion: 'rest' }, [], { minutes: 12, keepsFatG: 40 }),
      stage('pot', 'pot', { peas: 'rest' }, ['fry']),
      stage('rest', 'rest', {}, ['pot'], {
        from: [
          { stage: 'pot', part: 'all' },
          { stage: 'fry', part: 'fat', g: 25 },
        ],
      }),
    ],
  })

  it('goes in later, as much of it as is said; the rest is not served', () => {
    const answer = answered(dish())
    expect(answer.served.fat * answer.massG).toBeCloseTo(45, 0)
    const whole = answered({ ...dish(), stages: dish().stages.map(({ keepsFatG: _, ...one }) => one) })
    expect(whole.served.fat * whole.massG).toBeCloseTo(60, 0)
    expect(Math.abs(whole.massG - answer.massG - 15)).toBeLessThan(2)
    const things = told(dish()).flatMap(({ things: all, do: deed }) =>
      all.filter(({ fat }) => fat).map((one) => [deed, one.g ?? one.ofG]),
    )
    expect(things).toEqual([
      ['take-out', 40],
      ['add', 25],
    ])
  })
})

describe('a spice pouch in a pot', () => {
  it('is taken out when the pot is open, and not before', () => {
    const deeds = told({
      name: 'Peas',
      servings: 4,
      lines: [line('peas', 'split-peas', 300)],
      stages: [stage('pot', 'pot', { peas: 'rest' }, [], { takesOutPouch: true })],
    }).map(({ do: deed, what }) => (what ? `${deed} ${what}` : deed))
    expect(deeds.filter((one) => one === 'take-out pouch')).toHaveLength(1)
    expect(deeds.indexOf('take-out pouch')).toBeGreaterThan(deeds.indexOf('open lid'))
  })
})

describe('meat in a simmer', () => {
  const stew = (atMinute: number): Dish => ({
    name: 'Stew',
    servings: 4,
    lines: [line('chicken', 'chicken-breast', 400), line('stock', 'stock', 800)],
    stages: [
      stage('simmer', 'simmer', {}, [], {
        minutes: 40,
        takes: [{ line: 'stock' }, { line: 'chicken', atMinute }],
      }),
    ],
  })
  const refused = (dish: Dish) => answered(dish).cautions.filter(({ severity }) => severity === 'refuse')

  it('that goes in at its end stays raw, and is refused; from its beginning it is cooked through', () => {
    expect(refused(stew(0))).toEqual([])
    expect(refused(stew(39)).map(({ params }) => params.food)).toEqual(['chicken-breast'])
    // Late enough, and not before, it is refused: one minute is the border.
    const border = Array.from({ length: 40 }, (_, minute) => refused(stew(minute)).length > 0)
    expect(border.lastIndexOf(false)).toBeLessThan(border.indexOf(true))
  })
})
