import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { beansWithSquash, line, potSettings, requestFor, stage } from '../../tests/dishes'
import { INGREDIENTS } from '../ingredient/ingredients'
import { nextClosing } from '../program/remedy'
import { answerDish, type DishAnswer } from './dish'
import { dishRequestSchema, type Dish, type DishRequest, type PotSettings } from './dish.schema'
import { gapG } from './ledger'
import { scaled } from './scale'

function answered(request: DishRequest): DishAnswer {
  const outcome = answerDish(request)
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
  return outcome.value
}
const at = (answer: DishAnswer, id: string) => answer.stages.find((one) => one.id === id)!
const codes = (outcome: ReturnType<typeof answerDish>) => (outcome.ok ? [] : outcome.problems.map(({ code }) => code))
const refused = ({ cautions }: DishAnswer) =>
  cautions.filter(({ severity }) => severity === 'refuse').map(({ id }) => id)

/**
 * Everything by weight, apart from the ledgers: what goes in less what leaves the kitchen's vessels is what is eaten
 * and what was kept aside.
 */
function weightGap({ dish }: DishRequest, { stages, massG }: DishAnswer): number {
  const isWater = (of: string) => ['water', 'ice'].includes(dish.lines.find(({ id }) => id === of)!.what!)
  const sum = (of: (stage: DishAnswer['stages'][number]) => number) => stages.reduce((all, one) => all + of(one), 0)
  // Water that stands in the list is among what was poured already.
  const linesG = sum(({ takes }) => takes.reduce((all, { line: of, g }) => all + (isWater(of) ? 0 : (g ?? 0)), 0))
  const goneG = sum(({ liquid }) => liquid.steamG + liquid.boiledG + liquid.thrownG + liquid.keptG - liquid.backG)
  // Salt that is dissolved goes with the liquid, over and above the liquid's own weight.
  const saltG = sum(({ salt }) => salt.goneG)
  return linesG + sum(({ liquid }) => liquid.pouredG) - goneG - saltG - massG
}

/** Dishes of any stages in a row, with what cooks put into them. */
const anyDish: fc.Arbitrary<Dish> = fc
  .record({
    beans: fc.integer({ min: 80, max: 500 }),
    food: fc.constantFrom('cannellini', 'chickpea-white', 'brown-long', 'toor-split', 'black-eyed'),
    others: fc.array(
      fc.record({
        what: fc.constantFrom(...INGREDIENTS.map(({ id }) => id)),
        g: fc.integer({ min: 1, max: 250 }),
        at: fc.nat({ max: 5 }),
      }),
      { maxLength: 8 },
    ),
    soak: fc.record({
      minutes: fc.integer({ min: 0, max: 900 }),
      keepWater: fc.boolean(),
      waterG: fc.integer({ min: 600, max: 1500 }),
    }),
    fryMinutes: fc.integer({ min: 0, max: 20 }),
    simmer: fc.record({
      minutes: fc.integer({ min: 0, max: 60 }),
      flame: fc.constantFrom('high', 'medium', 'low', 'simmer') as fc.Arbitrary<'high'>,
      lid: fc.boolean(),
      keepsG: fc.integer({ min: 0, max: 400 }),
    }),
    throws: fc.boolean(),
  })
  .map(({ beans, food, others, soak, fryMinutes, simmer, throws }) => {
    const stages = [
      stage('soak', 'soak', { food: 'rest' }, [], soak),
      stage('fry', 'fry', {}, [], { minutes: fryMinutes, flame: 'medium' }),
      stage('pot', 'pot', {}, ['soak', 'fry']),
      stage('simmer', 'simmer', {}, ['pot'], simmer),
      stage('drain', 'drain', {}, ['simmer'], { throwsLiquid: throws }),
      stage('rest', 'rest', {}, ['drain']),
    ]
    others.forEach(({ at: n }, i) => stages[n]!.takes.push({ line: `o${i}` }))
    return {
      name: 'Any',
      servings: 4,
      lines: [line('food', food, beans), ...others.map(({ what, g }, i) => line(`o${i}`, what, g))],
      stages,
    }
  })

describe('what the log has taught', () => {
  it('goes into a dish’s pot as into any other, and its liquid still closes', () => {
    const plain = requestFor(beansWithSquash())
    const taught: DishRequest = {
      ...plain,
      pot: { ...plain.pot, learnt: { flames: { high: 0.8, medium: 0.8, low: 0.8, simmer: 0.8 }, steam: 1.3 } },
      learnt: { cannellini: { need: 1.25 }, 'navy-bean': { need: 1.25 } },
    }
    const potOf = (request: DishRequest) => answered(request).stages.find(({ pot }) => pot)!.pot!
    const [before, after] = [potOf(plain), potOf(taught)]
    const foodOf = ({ answer }: typeof before) => answer.foods[0]!
    expect(foodOf(after).needs / foodOf(before).needs).toBeCloseTo(1.25, 6)
    expect(after.answer.closings[0]!.clock.heatOffAtMinute).toBeGreaterThan(
      before.answer.closings[0]!.clock.heatOffAtMinute,
    )
    expect(after.answer.closings[0]!.water.lines.some(({ id }) => id === 'learnt-steam')).toBe(true)
    expect(Math.abs(weightGap(taught, answered(taught)))).toBeLessThan(1)
  })
})

describe('a dish', () => {
  it('is worked out from the soak to the table, each stage from what the one before left', () => {
    const answer = answered(requestFor(beansWithSquash()))
    expect(answer.questions).toEqual([])
    // The soak's water is thrown away with most of its salt; what the beans hold of it stays.
    expect(at(answer, 'soak').liquid).toMatchObject({ pouredG: 1200 })
    expect(at(answer, 'soak').salt.goneG).toBeGreaterThan(8)
    expect(at(answer, 'soak').salt.afterG).toBeGreaterThan(1.5)
    // The fry drives off what the onion gives.
    expect(at(answer, 'fry').liquid.boiledG).toBeCloseTo(60, 0)
    // The pot is the planner's: it holds what the soak brought.
    const { pot } = at(answer, 'pot')
    expect(pot!.request.contents[0]).toMatchObject({ food: 'cannellini', soak: { hours: 8, keepWater: false } })
    expect(pot!.request.contents[0]!.additions).toContain('salted-soak')
    expect(pot!.answer.closings[0]!.range.unit).toBe('whistles')
    expect(at(answer, 'simmer').liquid.keptG).toBeCloseTo(80, 6)
    expect(answer.keptG).toBeCloseTo(80, 6)
    expect(answer.saltG).toBeGreaterThan(6)
    expect(answer.saltG).toBeLessThan(9)
    expect(refused(answer)).toEqual([])
  })

  it('closes its ledgers to a gram, stage by stage and by weight', () => {
    fc.assert(
      fc.property(anyDish, (dish) => {
        const request = requestFor(dish)
        const outcome = answerDish(request)
        if (!outcome.ok) throw new Error('structure')
        const answer = outcome.value
        for (const { liquid, salt, id } of answer.stages) {
          expect(Math.abs(gapG(liquid)), `${id}: liquid`).toBeLessThan(1)
          expect(Math.abs(salt.beforeG + salt.addedG - salt.goneG - salt.afterG), `${id}: salt`).toBeLessThan(1e-6)
          expect(liquid.afterG, id).toBeGreaterThan(-1e-6)
          for (const part of Object.values(liquid)) expect(Number.isFinite(part), id).toBe(true)
        }
        if (answer.stages.every(({ problems }) => problems.length === 0))
          expect(Math.abs(weightGap(request, answer))).toBeLessThan(1)
      }),
      { numRuns: 150 },
    )
  })

  it('holds as much salt as went in, less what went out', () => {
    fc.assert(
      fc.property(anyDish, (dish) => {
        const answer = answered(requestFor(dish))
        const inG = dish.lines.reduce(
          (sum, { what, g }) => sum + (g ?? 0) * (INGREDIENTS.find(({ id }) => id === what)?.salt ?? 0),
          0,
        )
        const outG = answer.stages.reduce((sum, { salt }) => sum + salt.goneG, 0)
        expect(answer.saltG + outG).toBeCloseTo(inG, 6)
        expect(answer.saltG).toBeGreaterThanOrEqual(-1e-9)
      }),
      { numRuns: 60 },
    )
  })

  it('pours less where something juicy is in, and more where a fry has dried it', () => {
    const withTomato = (kind: 'pot' | 'fry'): DishRequest => {
      const dish = beansWithSquash()
      dish.lines.push(line('more', 'tomato', 300))
      dish.stages.find((one) => one.kind === kind)!.takes.push({ line: 'more' })
      return requestFor(dish)
    }
    const poured = (request: DishRequest) => at(answered(request), 'pot').liquid.pouredG
    const plain = poured(requestFor(beansWithSquash()))
    expect(poured(withTomato('pot'))).toBeLessThan(plain - 100)
    const fried = poured(withTomato('fry'))
    expect(fried).toBeGreaterThan(poured(withTomato('pot')) + 5)
    // Never by more than the tomatoes would have given.
    expect(fried).toBeLessThan(poured(withTomato('pot')) + 180)
  })

  it('comes to pressure sooner in a pot that was fried in', () => {
    const dish = beansWithSquash()
    const inPan = structuredClone(dish)
    inPan.stages[1]!.vessel = 'pan'
    const minutes = (of: Dish) => at(answered(requestFor(of)), 'pot').pot!.answer.closings[0]!.clock.pressureAtMinute!
    expect(minutes(dish)).toBeLessThan(minutes(inPan) - 0.2)
  })

  it('tells what something sour costs before the beans are soft, and where it could go', () => {
    const dish = beansWithSquash()
    dish.stages[2]!.takes.push({ line: 'tomato' })
    dish.stages[3]!.takes = dish.stages[3]!.takes.filter(({ line: of }) => of !== 'tomato')
    const { sour } = at(answered(requestFor(dish)), 'pot')
    expect(sour).toMatchObject({ lines: ['tomato'], costs: { unit: 'whistles' }, moveTo: 'simmer' })
    expect(sour!.costs.figure).toBeGreaterThan(0)
    expect(at(answered(requestFor(beansWithSquash())), 'pot').sour).toBeNull()
    // A little lemon is as sour as much tomato.
    const lemon = beansWithSquash()
    lemon.stages[2]!.takes.push({ line: 'lemon', g: 10 })
    expect(at(answered(requestFor(lemon)), 'pot').sour).toMatchObject({ lines: ['lemon'] })
  })

  it('knows when each stage begins, with one pair of hands', () => {
    fc.assert(
      fc.property(anyDish, (dish) => {
        const { stages } = answered(requestFor(dish))
        const busy = stages.filter(({ handsMinutes }) => handsMinutes > 0)
        for (const one of busy)
          for (const other of busy)
            if (one !== other)
              expect(
                one.startMinute + one.handsMinutes <= other.startMinute + 1e-9 ||
                  other.startMinute + other.handsMinutes <= one.startMinute + 1e-9,
              ).toBe(true)
        dish.stages.forEach(({ from }, i) => {
          for (const { stage: id } of from) {
            const before = stages.find((one) => one.id === id)!
            expect(before.startMinute + before.minutes).toBeLessThanOrEqual(stages[i]!.startMinute + 1e-9)
          }
        })
      }),
      { numRuns: 40 },
    )
  })

  it('uses liquid that was kept, with its salt, and no more than there is', () => {
    const dish = beansWithSquash()
    dish.stages.push({
      ...stage('gravy', 'combine', {}, ['rest']),
      from: [
        { stage: 'rest', part: 'all' },
        { stage: 'simmer', part: 'liquid', g: 500 },
      ],
    })
    const answer = answered(requestFor(dish))
    expect(at(answer, 'gravy').liquid.backG).toBeCloseTo(80, 6)
    expect(answer.keptG).toBeCloseTo(0, 6)
    expect(Math.abs(gapG(at(answer, 'gravy').liquid))).toBeLessThan(1e-6)
  })

  it('drinks from an open simmer what is put in raw, and says when it boils dry', () => {
    const dish: Dish = {
      name: 'Millet',
      servings: 2,
      lines: [line('millet', 'foxtail-millet', 150)],
      stages: [stage('simmer', 'simmer', { millet: 'rest' }, [], { waterG: 450, minutes: 20, lid: true })],
    }
    const { liquid } = at(answered(requestFor(dish)), 'simmer')
    expect(liquid.drunkG).toBeGreaterThan(120)
    const long = structuredClone(dish)
    long.stages[0]!.minutes = 90
    long.stages[0]!.flame = 'medium'
    expect(answered(requestFor(long)).cautions.map(({ id }) => id)).toContain('simmer-dry')
  })
})

describe('no order of stages gets round a safety rule', () => {
  const beans = (stages: Dish['stages'], more: Dish['lines'] = []): Dish => ({
    name: 'Beans',
    servings: 4,
    lines: [line('beans', 'kidney-red', 250), ...more],
    stages,
  })
  const gentle = { pots: { slow: { cooker: 'slow-6l' } } }
  const slow = (from: string[], takes: Record<string, 'rest'> = {}) =>
    stage('slow', 'pot', takes, from, { pot: potSettings({ style: 'slow' }) })

  it('kidney beans in a slow stage, whatever is done before and after', () => {
    for (const stages of [
      [slow([], { beans: 'rest' })],
      [stage('soak', 'soak', { beans: 'rest' }, [], { minutes: 600 }), slow(['soak'])],
      [stage('simmer', 'simmer', { beans: 'rest' }, [], { minutes: 5, waterG: 900 }), slow(['simmer'])],
      [slow([], { beans: 'rest' }), stage('rest', 'rest', {}, ['slow'])],
    ])
      expect(refused(answered(requestFor(beans(stages), gentle)))).toContain('lectin-not-pressure')
  })

  it('kidney beans that are only simmered for a while, fried, or never heated', () => {
    for (const stages of [
      [stage('simmer', 'simmer', { beans: 'rest' }, [], { minutes: 15, waterG: 900 })],
      [stage('fry', 'fry', { beans: 'rest' }, [], { minutes: 60 })],
      [stage('soak', 'soak', { beans: 'rest' }), stage('combine', 'combine', {}, ['soak'])],
    ])
      expect(refused(answered(requestFor(beans(stages))))).toContain('lectin-not-done')
  })

  it('a half-cooked bean is half cooked, however often it is called soft', () => {
    const dish = beans([stage('combine', 'combine', { beans: 'rest' })])
    dish.lines[0] = { ...dish.lines[0]!, kept: { dryG: 120, boilMinutes: 12, saltG: 0 } }
    expect(refused(answered(requestFor(dish)))).toContain('lectin-not-done')
    dish.lines[0] = { ...dish.lines[0]!, kept: { dryG: 120, boilMinutes: 130, saltG: 0 } }
    expect(refused(answered(requestFor(dish)))).toEqual([])
  })

  it('a half-cooked bean goes on where it was', () => {
    const dish = beans([stage('pot', 'pot', { beans: 'rest' })])
    const whole = at(answered(requestFor(dish)), 'pot').pot!.answer
    dish.lines[0] = { ...dish.lines[0]!, g: 450, kept: { dryG: 200, boilMinutes: 40, saltG: 0 } }
    const rest = at(answered(requestFor(dish)), 'pot').pot!.answer
    expect(rest.closings[0]!.range.figure).toBeLessThan(whole.closings[0]!.range.figure)
    expect(rest.foods[0]!.gets).toBeGreaterThanOrEqual(rest.foods[0]!.needs)
  })

  it('raw meat that is only tempered or fried', () => {
    const dish: Dish = {
      name: 'Meat',
      servings: 2,
      lines: [line('meat', 'chicken-thigh', 400)],
      stages: [stage('fry', 'fry', { meat: 'rest' }, [], { minutes: 5 })],
    }
    expect(refused(answered(requestFor(dish)))).toContain('meat-raw')
    dish.stages.push(stage('pot', 'pot', {}, ['fry']))
    expect(refused(answered(requestFor(dish)))).toEqual([])
  })

  it('meat in an open simmer before its middle is hot; beans that are simmered unsoaked or in their water', () => {
    const meat = (minutes: number, waterG: number): Dish => ({
      name: 'Meat',
      servings: 2,
      lines: [line('meat', 'chicken-thigh', 400)],
      stages: [stage('simmer', 'simmer', { meat: 'rest' }, [], { minutes, waterG })],
    })
    expect(refused(answered(requestFor(meat(60, 800))))).toEqual([])
    expect(refused(answered(requestFor(meat(2, 800))))).toContain('meat-raw')
    // Without water nothing is simmered.
    expect(refused(answered(requestFor(meat(60, 0))))).toContain('meat-raw')
    const simmered = (soaked: Dish['stages']) => {
      const from = soaked.map(({ id }) => id)
      const takes: Record<string, 'rest'> = soaked.length > 0 ? {} : { beans: 'rest' }
      const all = [...soaked, stage('simmer', 'simmer', takes, from, { minutes: 240, waterG: 3000 })]
      return answered(requestFor(beans(all))).cautions.map(({ id }) => id)
    }
    expect(simmered([])).toEqual(expect.arrayContaining(['lectin-soak', 'lectin-boil-altitude']))
    const soak = (keepWater: boolean) => [stage('soak', 'soak', { beans: 'rest' }, [], { minutes: 600, keepWater })]
    expect(simmered(soak(true))).toContain('lectin-soak-water')
    expect(simmered(soak(false))).not.toContain('lectin-soak-water')
  })

  it('meat that was only browned outside, in whatever is done to it for a moment after', () => {
    const browned = (minutes: number): Dish => ({
      name: 'Meat',
      servings: 2,
      lines: [line('meat', 'chicken-thigh', 400), line('onion', 'onion', 200)],
      stages: [
        stage('brown', 'fry', { meat: 'rest' }, [], { minutes: 1 }),
        stage('fry', 'fry', { onion: 'rest' }, ['brown'], { minutes }),
      ],
    })
    expect(refused(answered(requestFor(browned(1))))).toContain('meat-raw')
    expect(refused(answered(requestFor(browned(60))))).toEqual([])
    const through = answered(requestFor(browned(60))).served.foods[0]!.gets
    expect(through).toBeGreaterThan(answered(requestFor(browned(1))).served.foods[0]!.gets)
  })

  it('beans that have boiled dry, however long they stood on the flame', () => {
    const simmered = (waterG: number, minutes: number) =>
      answered(
        requestFor(
          beans([
            stage('soak', 'soak', { beans: 'rest' }, [], { minutes: 600 }),
            stage('simmer', 'simmer', {}, ['soak'], { minutes, waterG, flame: 'medium' }),
          ]),
        ),
      )
    const dry = simmered(150, 400)
    expect(refused(dry)).toContain('lectin-not-done')
    expect(dry.cautions.map(({ id }) => id)).toContain('simmer-dry')
    expect(refused(simmered(6000, 400))).toEqual([])
    const fried = answered(requestFor(beans([stage('fry', 'fry', { beans: 'rest' }, [], { minutes: 120 })])))
    expect(refused(fried)).toContain('lectin-not-done')
    expect(fried.served.foods[0]!.gets).toBe(0)
  })

  it('a cook’s own water and figure are taken, told beside what was computed, and held to the same rules', () => {
    const withPot = (pot: Partial<PotSettings>) => {
      const dish = beansWithSquash()
      const stages = dish.stages.map((one) => (one.kind === 'pot' ? { ...one, pot: { ...one.pot!, ...pot } } : one))
      return answered(requestFor({ ...dish, stages }))
    }
    const closingOf = (answer: DishAnswer) => answer.stages.find(({ id }) => id === 'pot')!.pot!.answer.closings[0]!
    const computed = closingOf(withPot({}))
    const more = withPot({ pourG: computed.water.pourG + 200, figure: computed.range.figure + 3 })
    expect(closingOf(more).water.pourG).toBeCloseTo(computed.water.pourG + 200, 0)
    expect(closingOf(more).program.whistles).toBe(computed.program.whistles + 3)
    expect(closingOf(more).planned.figure).toBe(computed.range.figure)
    expect(refused(more)).toEqual([])
    expect(refused(withPot({ figure: 1 }))).toContain('lectin-not-done')
  })

  it('a soak that was thrown away is so too after a fry', () => {
    const dish = beans([
      stage('soak', 'soak', { beans: 'rest' }, [], { minutes: 600 }),
      stage('fry', 'fry', {}, ['soak'], { minutes: 2 }),
      stage('pot', 'pot', {}, ['fry']),
    ])
    expect(answered(requestFor(dish)).cautions.map(({ id }) => id)).not.toContain('lectin-soak-water')
  })

  it('a pot that is too full because of what was fried in it', () => {
    const dish = beansWithSquash()
    dish.lines.push(line('more', 'potato-cubes', 900), line('cream', 'cream', 900))
    dish.stages[1]!.takes.push({ line: 'cream' })
    dish.stages[2]!.takes.push({ line: 'more' })
    expect(
      refused(answered(requestFor(dish, { pot: { cooker: 'whistling-3l-aluminium', burner: 'strong' } }))),
    ).toContain('too-full')
  })
})

describe('a dish that cannot be', () => {
  const broken = (change: (dish: Dish) => void) => {
    const dish = beansWithSquash()
    change(dish)
    return answerDish(requestFor(dish))
  }

  it('is answered with a sentence where it is', () => {
    expect(codes(broken((dish) => (dish.stages = [])))).toEqual(['dish-without-stage'])
    expect(codes(broken((dish) => dish.stages[0]!.takes.push({ line: 'ghost' })))).toEqual(['takes-no-line'])
    expect(codes(broken((dish) => dish.stages[5]!.from.push({ stage: 'gone', part: 'all' })))).toEqual([
      'takes-nothing',
    ])
    expect(codes(broken((dish) => dish.stages[2]!.from.push({ stage: 'rest', part: 'all' })))).toContain('stage-circle')
    expect(codes(broken((dish) => dish.stages[0]!.from.push({ stage: 'soak', part: 'all' })))).toContain('stage-circle')
    expect(codes(broken((dish) => delete dish.stages[2]!.pot))).toEqual(['stage-without-pot'])
    const early = broken((dish) => {
      dish.stages.splice(2, 0, dish.stages.pop()!)
    })
    expect(codes(early)).toContain('takes-from-later')
  })

  it('says of which stage and which other, as they are counted', () => {
    const params = (change: (dish: Dish) => void, code: string) => {
      const outcome = broken(change)
      return outcome.ok ? null : outcome.problems.find((one) => one.code === code)
    }
    expect(params((dish) => dish.stages[2]!.from.push({ stage: 'rest', part: 'all' }), 'stage-circle')).toMatchObject({
      path: 'stages.2.from.2',
      params: { number: 3, other: 6 },
    })
    expect(params((dish) => dish.stages.splice(2, 0, dish.stages.pop()!), 'takes-from-later')).toMatchObject({
      path: 'stages.2.from.0',
      params: { number: 3, other: 6 },
    })
    expect(params((dish) => dish.stages[3]!.takes.push({ line: 'ghost' }), 'takes-no-line')).toMatchObject({
      path: 'stages.3.takes.2',
      params: { number: 4 },
    })
    expect(params((dish) => dish.stages[4]!.from.push({ stage: 'gone', part: 'all' }), 'takes-nothing')).toMatchObject({
      path: 'stages.4.from.1',
      params: { number: 5 },
    })
    expect(params((dish) => delete dish.stages[2]!.pot, 'stage-without-pot')).toMatchObject({
      path: 'stages.2.pot',
      params: { number: 3 },
    })
    expect(params((dish) => dish.lines.push(line('beans', 'onion', 5)), 'id-twice')).toMatchObject({
      path: 'lines.9.id',
      params: { value: 'beans' },
    })
    expect(params((dish) => dish.stages.push({ ...dish.stages[0]!, from: [] }), 'id-twice')).toMatchObject({
      path: 'stages.6.id',
      params: { value: 'soak' },
    })
  })

  it('with nothing in it has no salt, and weighs nothing', () => {
    const outcome = answerDish(
      requestFor({ name: 'Air', servings: 1, lines: [], stages: [stage('rest', 'rest', {}, [])] }),
    )
    expect(outcome).toMatchObject({ ok: true, value: { massG: 0, saltShare: 0, served: { water: 0, fat: 0 } } })
  })

  it('asks about what is open and answers the rest', () => {
    const questions = (change: (dish: Dish) => void) => {
      const outcome = broken(change)
      return outcome.ok ? outcome.value.questions.map(({ code }) => code) : ['not answered']
    }
    expect(questions((dish) => dish.lines.push(line('x', 'squash-cubes', 10)))).toEqual(['in-no-stage'])
    expect(questions((dish) => (dish.lines[1]!.what = null))).toEqual(['not-understood'])
    expect(questions((dish) => (dish.lines[1]!.what = 'no-such-thing'))).toEqual(['not-understood'])
    expect(questions((dish) => dish.stages[5]!.takes.push({ line: 'onion' }))).toEqual(['in-two-stages'])
    expect(questions((dish) => (dish.servings = 0.5))).toEqual(['out-of-range'])
    expect(questions((dish) => (dish.servings = 1))).toEqual([])
    expect(questions((dish) => (dish.stages[5]!.takes[1]!.g = 40))).toEqual(['portions-too-much'])
    expect(questions((dish) => (dish.stages[5]!.takes[1]!.g = 1))).toEqual(['portions-too-little'])
    expect(
      questions((dish) => {
        dish.stages = [stage('combine', 'combine', Object.fromEntries(dish.lines.map(({ id }) => [id, 'rest'])))]
      }),
    ).toEqual(['dish-without-pot'])
  })

  it('is refused by its schema past the bounds', () => {
    const wrong: ((dish: Dish) => void)[] = [
      (dish) => (dish.name = 'n'.repeat(5000)),
      (dish) => (dish.servings = 0),
      (dish) => (dish.servings = 1000),
      (dish) => (dish.lines = Array.from({ length: 100 }, (_, i) => line(`l${i}`, 'onion', 10))),
      (dish) => (dish.lines[0]!.g = -5),
      (dish) => (dish.stages[0]!.minutes = 1e9),
    ]
    for (const change of wrong) {
      const dish = beansWithSquash()
      change(dish)
      expect(dishRequestSchema.safeParse(requestFor(dish)).success).toBe(false)
    }
    expect(dishRequestSchema.safeParse(requestFor(beansWithSquash())).success).toBe(true)
  })
})

describe('a pot with food that was cooked before', () => {
  it('that is not done needs what it still lacks, what it had had counted in', () => {
    const dish: Dish = {
      name: 'Beans',
      servings: 4,
      lines: [{ ...line('beans', 'pinto', 450), kept: { dryG: 200, boilMinutes: 40, saltG: 0 } }],
      stages: [stage('pot', 'pot', { beans: 'rest' })],
    }
    const { request, answer } = at(answered(requestFor(dish)), 'pot').pot!
    const state = { tempC: 90, freeWaterG: 300, gets: [answer.foods[0]!.needs - 40 - 5] }
    const rest = nextClosing(request, state)
    const fresh = nextClosing({ ...request, contents: request.contents.map(({ had: _, ...one }) => one) }, state)
    if (!rest.ok || !fresh.ok) throw new Error('no program')
    expect(rest.value.figure).toBeLessThan(fresh.value.figure)
  })
})

describe('a stage into which things go one after another', () => {
  /** A fry of onion and tomato, the tomato at some minute of ten. */
  const fried = (atMinute: number | undefined) => {
    const dish: Dish = {
      name: 'Masala',
      servings: 4,
      lines: [
        line('oil', 'oil', 30),
        line('onion', 'onion', 200),
        line('tomato', 'tomato', 300),
        line('salt', 'salt', 5),
      ],
      stages: [stage('fry', 'fry', { oil: 'rest', onion: 'rest', tomato: 'rest', salt: 'rest' }, [], { minutes: 10 })],
    }
    for (const take of dish.stages[0]!.takes)
      if (atMinute !== undefined && ['tomato', 'salt'].includes(take.line)) take.atMinute = atMinute
    const request = requestFor(dish)
    const answer = answered(request)
    expect(gapG(at(answer, 'fry').liquid)).toBeCloseTo(0, 6)
    expect(weightGap(request, answer)).toBeCloseTo(0, 6)
    return answer
  }

  it('boils away less of what comes later, and counts all of it', () => {
    const boiled = [undefined, 0, 4, 8].map((minute) => at(fried(minute), 'fry').liquid.boiledG)
    expect(boiled[1]).toBe(boiled[0])
    expect(boiled[2]).toBeLessThan(boiled[1]!)
    expect(boiled[3]).toBeLessThan(boiled[2]!)
    expect(fried(8).massG).toBeGreaterThan(fried(0).massG)
    for (const minute of [0, 4, 8, 10]) expect(fried(minute).saltG).toBeCloseTo(5, 6)
  })

  it('takes at its end what would come after it', () => {
    expect(fried(30)).toEqual(fried(10))
  })

  it('is scaled with its minutes: what went in half way still does', () => {
    const dish: Dish = {
      name: 'Masala',
      servings: 4,
      lines: [line('oil', 'oil', 30), line('onion', 'onion', 200)],
      stages: [stage('fry', 'fry', { oil: 'rest' }, [], { minutes: 10, reminders: [{ atMinute: 5, do: 'stir' }] })],
    }
    dish.stages[0]!.takes.push({ line: 'onion', atMinute: 5 })
    const doubled = scaled(requestFor(dish), 8)
    if (!doubled.ok) throw new Error('not scaled')
    const [fry] = doubled.value.dish.stages
    expect(fry!.minutes).toBeGreaterThan(10)
    expect(fry!.takes[1]!.atMinute).toBeCloseTo(fry!.minutes! / 2, 6)
    expect(fry!.reminders![0]!.atMinute).toBeCloseTo(fry!.minutes! / 2, 6)
  })
})
