import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { beansWithSquash, line, potSettings, requestFor, stage } from '../../tests/dishes'
import { dishRequests, planRequests } from '../../tests/draws'
import { answerDish, type DishAnswer } from '../dish/dish'
import type { Dish, DishRequest } from '../dish/dish.schema'
import { COOKERS, heatsItself } from '../appliance/appliance'
import { planDinner } from '../meal/dinner'
import type { Dinner } from '../meal/dinner-tasks'
import { instructionsOfDinner } from './dinner'
import { applianceOf, type PlanAnswer } from '../program/answer'
import { withFlame } from '../program/count'
import { plan } from '../program/plan'
import type { PlanRequest } from '../program/request.schema'
import { instructionsOfDish } from './dish'
import { minuteOfInstruction, type Instruction, type Thing } from './instruction'
import { instructionsOfPlan } from './plan'

const sum = (list: readonly number[]) => list.reduce((all, g) => all + g, 0)
const thingsOf = (told: readonly Instruction[]) => told.flatMap(({ things }) => things)
const gramsBy = (told: readonly Instruction[], of: (thing: Thing) => string | undefined, id: string) =>
  sum(thingsOf(told).flatMap((one) => (!one.again && of(one) === id && one.g !== null ? [one.g] : [])))
const waterG = (told: readonly Instruction[]) => sum(thingsOf(told).flatMap(({ water, g }) => (water ? [g ?? 0] : [])))

/** What holds of every list: written from the contract, not from how it is made. */
function holds(told: readonly Instruction[]): void {
  expect(new Set(told.map(({ id }) => id)).size).toBe(told.length)
  const minutes = told.filter((one) => one.do !== 'keep').map(minuteOfInstruction)
  expect(minutes).toEqual([...minutes].sort((a, b) => a - b))
  for (const one of told) {
    // Nobody is told to open a lid by the clock, but one that never was under pressure.
    if (one.do === 'open') expect(one.at).not.toHaveProperty('minute')
    if (one.do === 'light') expect(one.setting).not.toBeNull()
    for (const { g } of one.things) expect(g === null || g >= 0).toBe(true)
  }
}

/** What holds of the instructions of each closing of a lid, by the answer that they tell. */
function closingsHold(told: readonly Instruction[], answer: PlanAnswer): void {
  answer.closings.forEach((closing, number) => {
    const own = told.filter((one) => one.closing === number)
    const done = (deed: Instruction['do']) => own.filter((one) => one.do === deed)
    expect(done('close')).toHaveLength(1)
    expect(done('light')).toHaveLength(1)
    expect(done('off')).toHaveLength(1)
    expect(done('open').filter(({ what }) => what === 'lid')).toHaveLength(1)
    const heat = [...done('light'), ...done('turn')]
    const { unit, figure } = closing.range
    // As it is set on the device or counted, and not the minutes until the lid is off.
    const last = heat.at(-1)!.until!
    if (unit === 'whistles') expect(last.whistles).toBe(figure)
    else if (!last.itself) expect(last.minutes ?? last.minutesAtPressure).toBe(figure)
    const on = heatsItself(applianceOf(answer)) ? null : { burner: null }
    for (const one of heat) expect(one.on).toEqual(on)
    // What goes in and the water, the lid, the flame, off, open.
    const ranks: Partial<Record<Instruction['do'], number>> = {
      add: 1,
      pour: 1,
      close: 2,
      light: 3,
      turn: 4,
      off: 5,
      open: 6,
    }
    const order = own.flatMap((one) => ranks[one.do] ?? [])
    expect(order).toEqual([...order].sort((a, b) => a - b))
  })
}

describe('what is done of a pot', () => {
  it('names every gram once, every closing whole, and nothing out of its time', () => {
    let planned = 0
    fc.assert(
      fc.property(planRequests, (request: PlanRequest) => {
        const outcome = plan(request, { range: false })
        if (!outcome.ok) return
        planned++
        const { value: answer } = outcome
        const told = instructionsOfPlan(withFlame(request), answer)
        holds(told)
        closingsHold(told, answer)
        for (const food of new Set(request.contents.map((one) => one.food)))
          expect(gramsBy(told, (one) => one.food, food)).toBeCloseTo(
            sum(request.contents.flatMap((one) => (one.food === food ? [one.dryG] : []))),
            6,
          )
        for (const kind of new Set(request.liquids.map((one) => one.kind)))
          expect(gramsBy(told, (one) => one.liquid, kind)).toBeCloseTo(
            sum(request.liquids.flatMap((one) => (one.kind === kind ? [one.g] : []))),
            6,
          )
        const soakG = sum(
          request.contents.flatMap(({ soak, had }) => (had ? [] : [soak?.hours ? (soak.waterG ?? 0) : 0])),
        )
        const tinG = sum(answer.foods.map(({ tinWaterG }) => tinWaterG ?? 0))
        expect(waterG(told)).toBeCloseTo(soakG + tinG + sum(answer.closings.map(({ water }) => water.pourG)), 6)
      }),
      { numRuns: 80, seed: 29 },
    )
    expect(planned).toBeGreaterThan(40)
  })

  it('is told as it is set: high until the first whistle, then the flame counted on, then off', () => {
    const request: PlanRequest = {
      kitchen: { altitudeM: 0, roomC: 20, tapC: 20 },
      cooker: 'whistling-5l-aluminium',
      contents: [{ food: 'toor-split', dryG: 300, soak: null, where: 'base' }],
      liquids: [],
      freeLiquid: 'spoonable',
      style: { kind: 'whistles', heatUp: 'high' },
      release: 'auto',
    }
    const outcome = plan(request)
    if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
    const told = instructionsOfPlan(withFlame(request), outcome.value)
    const { figure } = outcome.value.closings[0]!.range
    expect(told.map((one) => one.do)).toEqual(['add', 'pour', 'close', 'light', 'turn', 'off', 'wait', 'open'])
    expect(told[3]).toMatchObject({ setting: { flame: 'high' }, until: { whistles: 1 } })
    expect(told[4]).toMatchObject({
      setting: { flame: 'medium' },
      until: { whistles: figure },
      at: { after: 'first-whistle' },
    })
    expect(told[7]).toMatchObject({ at: { after: 'pressure-gone' }, cautions: ['wait-for-pressure'] })
  })
})

function dishHolds(request: DishRequest, answer: DishAnswer): void {
  const told = instructionsOfDish(request, answer)
  holds(told)
  const lines = answer.stages.flatMap(({ takes }) => takes)
  for (const { id } of request.dish.lines) {
    const takenG = sum(lines.flatMap(({ line: of, g }) => (of === id ? [g ?? 0] : [])))
    expect(gramsBy(told, (one) => one.line, id)).toBeCloseTo(takenG, 6)
  }
  for (const { id, pot } of answer.stages)
    if (pot) closingsHold(told.filter(({ from }) => 'stage' in from && from.stage === id).map(onNoBurner), pot.answer)
  const poured = sum(answer.stages.map(({ liquid }) => liquid.pouredG))
  const asLines = sum(
    request.dish.lines.flatMap(({ id, what }) =>
      what === 'water' ? [sum(lines.flatMap(({ line: of, g }) => (of === id ? [g ?? 0] : [])))] : [],
    ),
  )
  expect(waterG(told) + asLines).toBeCloseTo(poured, 4)
}
const onNoBurner = (one: Instruction): Instruction => (one.on ? { ...one, on: { burner: null } } : one)

describe('what is done of a dish', () => {
  it('names every gram once, every closing whole, and nothing out of its time', () => {
    let answered = 0
    fc.assert(
      fc.property(dishRequests, (request: DishRequest) => {
        const outcome = answerDish(request)
        if (!outcome.ok || outcome.value.stages.some(({ problems }) => problems.length > 0)) return
        answered++
        dishHolds(request, outcome.value)
      }),
      { numRuns: 60, seed: 29 },
    )
    expect(answered).toBeGreaterThan(30)
  })

  it('takes the soaked beans out of their water, and puts lemon in at the rest', () => {
    const request = requestFor(beansWithSquash())
    const outcome = answerDish(request)
    if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
    dishHolds(request, outcome.value)
    const told = instructionsOfDish(request, outcome.value)
    const of = (id: string, deed: Instruction['do']) =>
      told.filter((one) => 'stage' in one.from && one.from.stage === id && one.do === deed)
    expect(of('soak', 'drain')[0]!.things).toMatchObject([{ line: 'beans', again: true, ofG: 300 }])
    const added = of('pot', 'add').flatMap(({ things }) => things)
    expect(added).toContainEqual(expect.objectContaining({ line: 'beans', state: 'soaked-and-drained', ofG: 300 }))
    expect(added).toContainEqual(expect.objectContaining({ line: 'salt', g: 3 }))
    // What was fried stands in that pot already.
    expect(added.map(({ line: id }) => id)).not.toContain('onion')
    expect(of('rest', 'add').flatMap(({ things }) => things.map(({ line: id }) => id))).toEqual(['lemon', 'salt'])
    expect(told.at(-1)!.do).toBe('serve')
  })

  it.each([
    ['300 g white beans, picked over', 'white beans'],
    ['1.5 cups Grandmother’s beans (dried)', 'Grandmother’s beans'],
    // A measure of the household is no name: the table's stands.
    ['2 tumblers white beans', undefined],
  ])('calls “%s” the same wherever it is met again: %s', (typed, name) => {
    const request = requestFor(beansWithSquash())
    request.dish.lines.find(({ id }) => id === 'beans')!.typed = typed
    const outcome = answerDish(request)
    if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
    const beans = instructionsOfDish(request, outcome.value)
      .flatMap(({ things }) => things)
      .filter(({ line: id }) => id === 'beans')
    expect(beans.length).toBeGreaterThan(2)
    expect(new Set(beans.map((thing) => thing.name))).toEqual(new Set([name]))
  })

  it('goes on from a soak that was left out with the dry food', () => {
    const request = requestFor(beansWithSquash())
    const { stages } = request.dish
    const dry = {
      ...request,
      dish: { ...request.dish, stages: stages.map((one) => (one.id === 'soak' ? { ...one, minutes: 0 } : one)) },
    }
    const outcome = answerDish(dry)
    if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
    const told = instructionsOfDish(dry, outcome.value)
    expect(told.filter((one) => one.do === 'soak' || one.do === 'drain')).toEqual([])
    expect(gramsBy(told, (one) => one.line, 'beans')).toBe(300)
  })
})

describe('what is done of a dinner', () => {
  const brown: Dish = {
    name: 'Brown rice',
    servings: 4,
    lines: [line('rice', 'brown-long', 150)],
    stages: [
      stage('pot', 'pot', { rice: 'rest' }, [], { pot: potSettings({ cookerId: 'old', freeLiquid: 'drained' }) }),
      stage('fluff', 'fluff', {}, ['pot']),
    ],
  }
  const chickpeas: Dish = {
    name: 'Chickpeas',
    servings: 4,
    lines: [line('chickpeas', 'chickpea-white', 220), line('salt', 'salt', 5), line('lemon', 'lemon-juice', 15)],
    stages: [
      stage('soak', 'soak', { chickpeas: 'rest' }, [], { waterG: 1000, minutes: 480 }),
      stage('pot', 'pot', { salt: 'rest' }, ['soak'], { pot: potSettings({ cookerId: 'blue' }) }),
      stage('rest', 'rest', { lemon: 'rest' }, ['pot'], { minutes: 5 }),
    ],
  }
  const dinner = (inPotOf?: string): Dinner => ({
    hands: 1,
    burners: 2,
    pots: [
      { cookerId: 'blue', burnerId: 'strong', pot: { cooker: COOKERS['whistling-5l-aluminium']!, burner: 'strong' } },
      { cookerId: 'old', burnerId: 'weak', pot: { cooker: COOKERS['whistling-3l-aluminium']!, burner: 'weak' } },
    ],
    tins: { tins: [{ id: 'steel', diameterMm: 180, heightMm: 40, volumeMl: 940, lid: true, material: 'steel' }] },
    earliest: -1440,
    put: [],
    like: [],
    going: null,
    dishes: [
      { key: 'A', request: requestFor(chickpeas), soak: 'written', ahead: false },
      { key: 'B', request: requestFor(brown), soak: 'written', ahead: false, inPotOf },
    ],
  })

  it.each([undefined, 'A'])(
    'names every gram once, in the order of time, the guest of a pot in its tin: %s',
    (inPotOf) => {
      const asked = dinner(inPotOf)
      const outcome = planDinner(asked, { spent: () => 0, most: 1 })
      if (!outcome.ok || !outcome.value.possible) throw new Error(JSON.stringify(outcome))
      const { dinner: planned } = outcome.value
      const starts = new Map(planned.plan.tasks.map(({ id, startMinute }) => [id, startMinute]))
      const told = instructionsOfDinner(asked.dishes, planned, starts)
      const all = told.flatMap(({ instructions }) => instructions)
      expect(told.map(({ minute }) => minute)).toEqual(told.map(({ minute }) => minute).sort((a, b) => a - b))
      for (const { key, request } of asked.dishes) {
        const own = all.filter(({ id }) => id.startsWith(`${key}.`))
        for (const { id, g } of request.dish.lines)
          expect(
            gramsBy(own, (one) => one.line, id),
            id,
          ).toBeCloseTo(g!, 6)
      }
      const partOf = (id: string) => told.find(({ task }) => task === id)?.instructions.map((one) => one.do)
      // The beans come out of their water when the pot is closed, not when they went in.
      expect(partOf('A.soak.do')).toEqual(['soak'])
      expect(partOf('A.pot.close')!.slice(0, 2)).toEqual(['drain', 'add'])
      expect([partOf('A.pot.turn'), partOf('A.pot.off')]).toEqual([['turn'], ['off']])
      expect(partOf('A.rest.do')).toContain('add')
      if (inPotOf) {
        expect([partOf('B.pot.fill'), partOf('B.pot.lift')]).toEqual([['add'], ['take-out']])
        const [tin] = told.find(({ task }) => task === 'B.pot.fill')!.instructions
        expect(tin!.things).toMatchObject([{ line: 'rice', g: 150 }, { water: true }])
      }
    },
  )
})
