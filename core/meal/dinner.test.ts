import { describe, expect, it } from 'vitest'
import { beansWithSquash, line, potSettings, requestFor, stage } from '../../tests/dishes'
import { faultsOf } from '../../tests/meals'
import { COOKERS } from '../appliance/appliance'
import { answerDish, type DishAnswer } from '../dish/dish'
import type { Dish } from '../dish/dish.schema'
import { findFood } from '../food/catalogue'
import { mealCautions } from '../safety/rules'
import { planDinner } from './dinner'
import { withSoak, type Dinner, type DinnerDish } from './dinner-tasks'
import { applied, betterWays } from './ways'
import { progressOf, type PotFacts } from './progress'
import { tasksOfDish, type DishTask } from './tasks'

const patient = { spent: () => 0, most: 1 }

function answered(dish: Dish): DishAnswer {
  const outcome = answerDish(requestFor(dish))
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
  return outcome.value
}
const tasksOf = (dish: Dish, ahead = false) => tasksOfDish({ key: 'A', dish, answer: answered(dish), ahead })

/** The dish with its pot in this cooker of the kitchen. */
function inCooker(dish: Dish, cookerId: string): Dish {
  return {
    ...dish,
    stages: dish.stages.map((one) => (one.pot ? { ...one, pot: { ...one.pot, cookerId } } : one)),
  }
}
const rice: Dish = {
  name: 'Rice',
  servings: 4,
  lines: [line('rice', 'jasmine-white', 300), line('salt', 'salt', 4)],
  stages: [
    stage('pot', 'pot', { rice: 'rest', salt: 'rest' }, [], { pot: potSettings({ freeLiquid: 'drained' }) }),
    stage('fluff', 'fluff', {}, ['pot']),
  ],
}
const dishOf = (key: string, dish: Dish): DinnerDish => ({
  key,
  request: requestFor(dish),
  soak: 'written',
  ahead: false,
})
const dinnerOf = (dishes: DinnerDish[], change: Partial<Dinner> = {}): Dinner => ({
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
  dishes,
  ...change,
})
const beans = inCooker(beansWithSquash(), 'blue')

describe('the tasks of a dish', () => {
  const tasks = tasksOf(beans)
  const byId = new Map(tasks.map((task) => [task.id, task]))

  it('are its stages, with a pot closed, heated, turned down, cooked, turned off, let fall and opened', () => {
    const parts = tasks.filter(({ stage: of }) => of === 'pot').map(({ part }) => part)
    expect(parts).toEqual(['close', 'heat', 'turn', 'cook', 'off', 'fall', 'open'])
    expect(tasks.map(({ id }) => id)).toEqual(expect.arrayContaining(['A.soak.do', 'A.fry.do', 'A.simmer.do']))
    expect(byId.get('A.soak.do')).toMatchObject({ passive: true, minutes: 480, hands: 0, burner: 0 })
    expect(byId.get('A.pot.cook')).toMatchObject({ hands: 0, burner: 1 })
    expect(byId.get('A.pot.open')).toMatchObject({ hands: 1, critical: true })
  })

  it('take as long together as the dish says of each stage', () => {
    for (const { id, minutes } of answered(beans).stages) {
      const own = tasks.filter(({ stage: of, part }) => of === id && part !== 'close' && part !== 'open')
      if (own.length === 0) continue
      expect(Math.abs(own.reduce((sum, task) => sum + task.minutes, 0) - minutes)).toBeLessThan(2.5)
    }
  })

  it('keep the cooker from the first that is done in it to the last', () => {
    const keeper = tasks.find(({ keepsCookerUntil }) => keepsCookerUntil)!
    expect(keeper).toMatchObject({ id: 'A.fry.do', cooker: 'blue' })
    expect(byId.get(keeper.keepsCookerUntil!)!.cooker).toBe('blue')
    // The tempering has a pan of its own.
    expect(tasks.filter(({ stage: of }) => of === 'temper').every(({ cooker }) => cooker === null)).toBe(true)
  })

  it('of a dish made ahead end whenever they like, and are warmed', () => {
    const ahead = tasksOf(beans, true)
    expect(ahead.at(-1)).toMatchObject({ id: 'A.warmed', untilServe: 15 })
    expect(ahead.filter(({ untilServe }) => untilServe !== undefined)).toHaveLength(1)
  })

  it('leave out a soak that is not done', () => {
    expect(tasksOf(withSoak(beans, 'none')).some(({ passive }) => passive)).toBe(false)
    expect(tasksOf(withSoak(beans, 'hot')).find(({ passive }) => passive)).toMatchObject({ minutes: 60 })
  })
})

describe('a dinner', () => {
  const two = [dishOf('A', beans), dishOf('B', inCooker(rice, 'old'))]

  it('is planned from its dishes, with nothing wrong in it minute by minute', () => {
    const outcome = planDinner(dinnerOf(two), patient)
    if (!outcome.ok || !outcome.value.possible) throw new Error(JSON.stringify(outcome))
    const { tasks, plan, answers } = outcome.value.dinner
    expect(Object.keys(answers)).toEqual(['A', 'B'])
    const request = { hands: 1, burners: 2, cookers: ['blue', 'old'], earliest: -1440, tasks }
    expect(faultsOf(request, plan.tasks)).toEqual([])
    expect(plan.optimal).toBe(true)
  })

  it('that comes too late for its soak says what another soak costs', () => {
    const outcome = planDinner(dinnerOf([dishOf('A', beans)], { earliest: -70 }), patient)
    if (!outcome.ok || outcome.value.possible) throw new Error(JSON.stringify(outcome))
    const { wishes, repairs } = outcome.value
    expect(wishes).toContainEqual({ kind: 'hour' })
    const later = repairs.find((repair) => repair.kind === 'later')!
    for (const how of ['hot', 'none']) {
      const soak = repairs.find((repair) => repair.kind === 'soak' && repair.how === how)!
      expect((soak as { minutes: number }).minutes).toBeLessThan((later as { minutes: number }).minutes)
    }
  })

  it('never repairs a soak away that beans with lectin need', () => {
    const kidney = structuredClone(beans)
    kidney.lines[0]!.what = 'kidney-red'
    // In a slow pot unsoaked they are refused, whatever the hour is.
    kidney.stages = kidney.stages.map((one) =>
      one.kind === 'pot'
        ? { ...one, kind: 'simmer' as const, pot: undefined, minutes: 45, flame: 'simmer' as const, waterG: 900 }
        : one,
    )
    const outcome = planDinner(dinnerOf([dishOf('A', kidney)], { earliest: -120 }), patient)
    if (outcome.ok && !outcome.value.possible)
      expect(outcome.value.repairs.filter((repair) => repair.kind === 'soak' && repair.how === 'none')).toEqual([])
    else expect(outcome).toMatchObject({ ok: false, problems: [{ code: 'meal-dish-refused' }] })
  })

  it('in one cooker is not had fresh twice: another cooker repairs it, or making one before', () => {
    const both = ['A', 'B'].map((key) => dishOf(key, inCooker(rice, 'blue')))
    const outcome = planDinner(dinnerOf(both), patient)
    if (!outcome.ok) throw new Error(JSON.stringify(outcome))
    expect(outcome.value.possible).toBe(false)
    const kinds = outcome.value.possible ? [] : outcome.value.repairs.map(({ kind }) => kind)
    expect(kinds).toContain('ahead')
  })

  it('with a dish that cannot be cooked says which', () => {
    const empty = { ...rice, stages: [] }
    expect(planDinner(dinnerOf([dishOf('A', empty)]), patient)).toMatchObject({
      ok: false,
      problems: [{ path: expect.stringMatching(/^dishes\.0/) }],
    })
  })

  it('goes on from where it stands, late by what it must', () => {
    const first = planDinner(dinnerOf(two), patient)
    if (!first.ok || !first.value.possible) throw new Error()
    const planned = new Map(first.value.dinner.plan.tasks.map(({ id, startMinute }) => [id, startMinute]))
    const from = (now: number) =>
      planDinner(
        dinnerOf(two, {
          going: { now, begunOf: (tasks: readonly DishTask[]) => progressOf(tasks, planned, {}, {}, now) },
        }),
        patient,
      )
    const late = [-300, -40, -20].map((now) => {
      const outcome = from(now)
      if (!outcome.ok || !outcome.value.possible) throw new Error(JSON.stringify(outcome))
      return outcome.value.dinner.laterMinutes
    })
    expect(late[0]).toBe(0)
    expect(late[1]).toBeGreaterThan(0)
    expect(late[2]! - late[1]!).toBe(20)
  })
})

describe('a dish in the pot of another', () => {
  // What both bear: chickpeas take long, brown rice takes it in a tin above them.
  const chickpeas: Dish = {
    name: 'Chickpeas',
    servings: 4,
    lines: [line('chickpeas', 'chickpea-white', 220), line('salt', 'salt', 5)],
    stages: [
      stage('soak', 'soak', { chickpeas: 'rest' }, [], { waterG: 1000, minutes: 480 }),
      stage('pot', 'pot', { salt: 'rest' }, ['soak'], { pot: potSettings({ cookerId: 'blue' }) }),
      stage('simmer', 'simmer', {}, ['pot'], { minutes: 5 }),
    ],
  }
  const brown: Dish = {
    ...rice,
    lines: [line('rice', 'brown-long', 150)],
    stages: [
      stage('pot', 'pot', { rice: 'rest' }, [], { pot: potSettings({ cookerId: 'old', freeLiquid: 'drained' }) }),
      stage('fluff', 'fluff', {}, ['pot']),
    ],
  }
  const host = dishOf('A', chickpeas)
  const guest = dishOf('B', brown)
  const planned = (dinner: Dinner) => {
    const outcome = planDinner(dinner, patient)
    if (!outcome.ok || !outcome.value.possible) throw new Error(JSON.stringify(outcome))
    return outcome.value.dinner
  }
  const together = () => planned(dinnerOf([host, { ...guest, inPotOf: 'A' }]))

  it('stands in a tin that is filled before the pot is closed and lifted out when it is open', () => {
    const { tasks, plan, inTins, answers } = together()
    expect(tasks.filter(({ dish }) => dish === 'B').map(({ part }) => part)).toEqual(['fill', 'lift', 'do'])
    expect(tasks.filter(({ dish, cooker }) => dish === 'B' && cooker !== null)).toEqual([])
    expect(faultsOf({ hands: 1, burners: 2, cookers: ['blue', 'old'], earliest: -1440, tasks }, plan.tasks)).toEqual([])
    const at = new Map(plan.tasks.map(({ id, startMinute }) => [id, startMinute]))
    expect(at.get('B.pot.fill')!).toBeLessThan(at.get('A.pot.close')!)
    expect(at.get('B.pot.lift')!).toBeGreaterThan(at.get('A.pot.open')!)
    // Nothing is done in the pot while the tin stands in it.
    const afterOpen = tasks.filter(
      ({ id, after }) => id !== 'B.pot.lift' && after.some(({ task }) => task === 'A.pot.open'),
    )
    expect(afterOpen.length).toBeGreaterThan(0)
    for (const { after } of afterOpen) expect(after.map(({ task }) => task)).toContain('B.pot.lift')
    expect(inTins.B).toMatchObject({ host: 'A', tin: { id: 'steel' } })
    expect(inTins.B!.waterG).toBeGreaterThan(150)
    const pot = answers.A!.stages.find(({ pot: of }) => of)!.pot!
    expect(pot.answer.foods.map(({ food }) => food)).toEqual(['chickpea-white', 'brown-long'])
    for (const { gets, needs, window } of pot.answer.foods) {
      expect(gets).toBeGreaterThanOrEqual(needs)
      expect(gets).toBeLessThanOrEqual(window.max)
    }
  })

  it('brings the household’s own foods of both dishes along, each once', () => {
    const own = [
      { ...findFood('brown-long')!, id: 'our-rice' },
      { ...findFood('chickpea-white')!, id: 'our-peas' },
    ]
    const withOwn = <Of extends typeof host>(of: Of, id: string, from: string): Of => ({
      ...of,
      request: {
        ...of.request,
        foods: own,
        dish: {
          ...of.request.dish,
          lines: of.request.dish.lines.map((one) => (one.what === from ? { ...one, what: id } : one)),
        },
      },
    })
    const { answers } = planned(
      dinnerOf([
        withOwn(host, 'our-peas', 'chickpea-white'),
        { ...withOwn(guest, 'our-rice', 'brown-long'), inPotOf: 'A' },
      ]),
    )
    const { request, answer } = answers.A!.stages.find(({ pot }) => pot)!.pot!
    expect(answer.foods.map(({ food }) => food)).toEqual(['our-peas', 'our-rice'])
    expect(request.foods?.map(({ id }) => id).sort()).toEqual(['our-peas', 'our-rice'])
  })

  it('carries what was learnt of the guest into the host’s cooker, and nothing of the cooker it would have had', () => {
    const learnt = { 'brown-long': { need: 1.1 } }
    const taught = (of: typeof host, needByPressure: number) => ({
      ...of,
      request: { ...of.request, learnt, pot: { ...of.request.pot, learnt: { needByPressure } }, pots: {} },
    })
    const plain = together().answers.A!.stages.find(({ pot }) => pot)!.pot!.answer.foods
    const { answers } = planned(dinnerOf([taught(host, 1.05), { ...taught(guest, 1.5), inPotOf: 'A' }]))
    const foods = answers.A!.stages.find(({ pot }) => pot)!.pot!.answer.foods
    expect(foods[0]!.needs / plain[0]!.needs).toBeCloseTo(1.05, 6)
    expect(foods[1]!.needs / plain[1]!.needs).toBeCloseTo(1.05 * 1.1, 6)
  })

  it('is not cooked so where it would be lost, where no tin is wide enough, or where one is made ahead', () => {
    const outcomes = [
      dinnerOf([host, { ...dishOf('B', inCooker(rice, 'old')), inPotOf: 'A' }], { tins: { tins: [] } }),
      dinnerOf([
        { ...host, ahead: true },
        { ...guest, inPotOf: 'A' },
      ]),
      dinnerOf([host, { ...guest, inPotOf: 'C' }]),
      dinnerOf([host, { ...dishOf('B', beans), inPotOf: 'A' }]),
    ].map((dinner) => planDinner(dinner, patient))
    for (const outcome of outcomes)
      expect(outcome).toMatchObject({ ok: false, problems: [{ code: 'meal-not-in-tin' }] })
  })

  it('stands in a tin only with little else around it', () => {
    const beside = (oilG: number, waterG: number): Dish => ({
      ...brown,
      lines: [...brown.lines, line('oil', 'oil', oilG), line('water', 'water', waterG)],
      stages: [
        stage('pot', 'pot', { rice: 'rest', oil: 'rest', water: 'rest' }, [], {
          pot: potSettings({ cookerId: 'old', freeLiquid: 'drained' }),
        }),
      ],
    })
    const outcome = (oilG: number, waterG: number) =>
      planDinner(dinnerOf([host, { ...dishOf('B', beside(oilG, waterG)), inPotOf: 'A' }]), patient)
    // Of 150 g of rice fifteen hundredths, oil and water together.
    expect(outcome(8, 5)).toMatchObject({ ok: true, value: { possible: true } })
    for (const [oilG, waterG] of [
      [40, 0],
      [0, 40],
      [14, 14],
    ] as const)
      expect(outcome(oilG, waterG)).toMatchObject({ ok: false, problems: [{ code: 'meal-not-in-tin' }] })
  })

  it('is offered where one cooker is all there is', () => {
    const pots = dinnerOf([]).pots.slice(0, 1)
    const one = [host, { ...guest, request: requestFor(inCooker(brown, 'blue')) }]
    const outcome = planDinner(dinnerOf(one, { pots }), patient)
    if (!outcome.ok || outcome.value.possible) throw new Error(JSON.stringify(outcome))
    expect(outcome.value.repairs).toContainEqual({ kind: 'in-pot', dish: 'B', host: 'A', minutes: 0 })
    // And each of them does repair it.
    for (const repair of outcome.value.repairs) {
      if (repair.kind !== 'in-pot') continue
      expect(planDinner(applied(dinnerOf(one, { pots }), repair), patient)).toMatchObject({ value: { possible: true } })
    }
  })
})

describe('two pots that want the same burner at once', () => {
  const onStrong = (dish: Dish, cookerId: string): Dish => ({
    ...dish,
    stages: dish.stages.map((one) => (one.pot ? { ...one, pot: { ...one.pot, cookerId, burnerId: 'strong' } } : one)),
  })
  const cookers = { blue: 'whistling-5l-aluminium', old: 'whistling-3l-aluminium' } as const
  const pots = (['blue', 'old'] as const).flatMap((cookerId) =>
    (['strong', 'weak'] as const).map((burnerId) => ({
      cookerId,
      burnerId,
      pot: { cooker: COOKERS[cookers[cookerId]]!, burner: burnerId },
    })),
  )
  const dinner = dinnerOf([dishOf('A', onStrong(beans, 'blue')), dishOf('B', onStrong(rice, 'old'))], { pots })
  const clashesOf = (of: Dinner) => {
    const outcome = planDinner(of, patient)
    if (!outcome.ok || !outcome.value.possible) throw new Error(JSON.stringify(outcome))
    return outcome.value.dinner.clashes
  }

  it('are told, with the other burner as a way out that is one', () => {
    const [clash, ...others] = clashesOf(dinner)
    expect(others).toEqual([])
    expect([clash!.dish, clash!.other].sort()).toEqual(['A', 'B'])
    expect(clash).toMatchObject({ burnerId: 'strong', way: { kind: 'pot', burnerId: 'weak' } })
    expect(clashesOf(applied(dinner, clash!.way!))).toEqual([])
  })

  it('are not told of where they follow each other, or where each has its own', () => {
    expect(clashesOf(dinnerOf([dishOf('A', onStrong(beans, 'blue'))], { pots }))).toEqual([])
    expect(clashesOf({ ...dinner, burners: 1 })).toEqual([])
  })
})

describe('what could be done otherwise', () => {
  const clock = () => {
    let now = 0
    return { spent: () => (now += 0.01), most: 1000 }
  }

  it('is only what makes it better, the best first, and does what it says', () => {
    const dinner = dinnerOf([
      dishOf('A', beans),
      dishOf('B', inCooker(rice, 'old')),
      dishOf('C', inCooker(rice, 'blue')),
    ])
    const figures = (of: Dinner) => {
      const outcome = planDinner(of, clock())
      if (!outcome.ok || !outcome.value.possible) throw new Error(JSON.stringify(outcome))
      const { plan } = outcome.value.dinner
      return [plan.handsLateMinutes, plan.spanMinutes] as const
    }
    const [late, span] = figures(dinner)
    const { found: ways, isWhole } = betterWays(dinner, clock())
    expect(isWhole).toBe(true)
    expect(ways.length).toBeGreaterThan(0)
    for (const { way, objective: told } of ways) {
      const [lateThen, spanThen] = figures(applied(dinner, way))
      expect(told).toMatchObject({ handsLateMinutes: lateThen, spanMinutes: spanThen })
      expect(lateThen < late || spanThen < span).toBe(true)
    }
    expect(ways.map(({ objective: { handsLateMinutes } }) => handsLateMinutes)).toEqual(
      ways.map(({ objective: { handsLateMinutes } }) => handsLateMinutes).sort((a, b) => a - b),
    )
  })

  it('cooks in another cooker in a style that it knows', () => {
    const electric = { cookerId: 'el', burnerId: null, pot: { cooker: COOKERS['electric-6l']! } }
    const dinner = dinnerOf([dishOf('A', beans)], { pots: [electric] })
    const moved = applied(dinner, { kind: 'pot', dish: 'A', stage: 'pot', cookerId: 'el', burnerId: null })
    expect(moved.dishes[0]!.request.dish.stages.find(({ id }) => id === 'pot')!.pot).toMatchObject({
      cookerId: 'el',
      style: 'electric',
    })
    expect(planDinner(moved, patient)).toMatchObject({ ok: true })
  })

  it('is never a soak less for beans with lectin in a pot that does not boil', () => {
    const kidney = structuredClone(beans)
    kidney.lines[0]!.what = 'kidney-red'
    const { found: ways } = betterWays(dinnerOf([dishOf('A', kidney)]), clock())
    for (const { way } of ways) {
      const outcome = planDinner(applied(dinnerOf([dishOf('A', kidney)]), way), patient)
      expect(outcome.ok && outcome.value.possible).toBe(true)
    }
  })
})

describe('what is minded at a dinner', () => {
  it('is that of its dishes, and cooling in time of what is made before', () => {
    const { cautions } = answered(beans)
    const ids = (ahead: boolean) =>
      mealCautions([
        { cautions, ahead },
        { cautions, ahead },
      ]).map(({ id }) => id)
    expect(ids(true)).toContain('cool-in-time')
    expect(ids(false)).not.toContain('cool-in-time')
    expect(new Set(ids(true)).size).toBe(ids(true).length)
  })
})

describe('what has been begun', () => {
  const tasks = tasksOf(beans)
  const none = new Map<string, number>()
  const begun = (marks: Parameters<typeof progressOf>[2], pots: Record<string, PotFacts>, now: number) =>
    new Map(progressOf(tasks, none, marks, pots, now).map((one) => [one.id, one]))
  const quiet: PotFacts = {
    litMinute: null,
    heatOffMinute: null,
    openedMinute: null,
    turnedMinute: null,
    turnDueMinute: null,
    heatOffDueMinute: null,
    opensFromMinute: null,
  }

  it('is what was ticked off, and what goes on alone after it', () => {
    const now = -60
    const found = begun({ 'A.pot.close': { startMinute: -70, doneMinute: -66 } }, {}, now)
    expect(found.get('A.pot.close')).toMatchObject({ done: true, minutes: 4 })
    expect(found.get('A.pot.heat')).toMatchObject({ startMinute: -66 })
    expect(found.has('A.pot.fall')).toBe(false)
    // By the clock it comes to its end by itself; turning the flame and opening it do not.
    const turned = {
      'A.pot.close': { startMinute: -70, doneMinute: -66 },
      'A.pot.turn': { startMinute: -58, doneMinute: -57 },
    }
    const later = begun({ ...turned, 'A.pot.off': { startMinute: -30, doneMinute: -29 } }, {}, 60)
    expect(begun(turned, {}, 60).has('A.pot.off')).toBe(false)
    expect(later.get('A.pot.fall')).toMatchObject({ done: true })
    expect(later.has('A.pot.open')).toBe(false)
  })

  it('is what the pot tells, before what was planned', () => {
    const lit = { ...quiet, litMinute: -50, heatOffDueMinute: -5, opensFromMinute: 8 }
    const cooking = begun({}, { 'A.pot': lit }, -20)
    expect(cooking.get('A.pot.close')).toMatchObject({ done: true })
    expect(cooking.get('A.pot.heat')).toMatchObject({ startMinute: -50, done: false })
    expect(cooking.has('A.pot.cook')).toBe(false)
    const turned = begun({}, { 'A.pot': { ...lit, turnedMinute: -40 } }, -20)
    expect(turned.get('A.pot.heat')).toMatchObject({ minutes: 10, done: true })
    expect(turned.get('A.pot.cook')).toMatchObject({ startMinute: -40, minutes: 35, done: false })
    const falling = begun({}, { 'A.pot': { ...lit, heatOffMinute: -8 } }, -6)
    // Nobody wrote down the turning: it was between.
    expect(falling.get('A.pot.cook')).toMatchObject({ done: true })
    expect(falling.get('A.pot.off')).toMatchObject({ startMinute: -8, done: true })
    expect(falling.get('A.pot.fall')).toMatchObject({ startMinute: -8, minutes: 16, done: false })
    const open = begun({}, { 'A.pot': { ...lit, heatOffMinute: -8, openedMinute: 2 } }, 3)
    expect(open.get('A.pot.open')).toMatchObject({ done: true })
  })

  it('takes a soak to be in water once it was planned to be', () => {
    const planned = new Map([['A.soak.do', -600]])
    expect(progressOf(tasks, planned, {}, {}, -590)).toMatchObject([{ id: 'A.soak.do', done: false }])
    expect(progressOf(tasks, planned, {}, {}, -610)).toEqual([])
  })
})
