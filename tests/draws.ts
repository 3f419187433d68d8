import fc from 'fast-check'
import { COOKERS, kindOf, stylesFor, type Cooker } from '../core/appliance/appliance'
import type { Dish, DishLine, DishRequest, Stage } from '../core/dish/dish.schema'
import type { Ingredient } from '../core/ingredient/ingredient.schema'
import type { Release } from '../core/appliance/step.schema'
import type { Style } from '../core/appliance/style.schema'
import { CATALOGUE } from '../core/food/catalogue'
import type { Food } from '../core/food/food.schema'
import { texturesOf } from '../core/food/texture'
import { ADDITIONS, FLAMES, LEVELS, STYLES as STYLE_NAMES, type StyleKind } from '../core/names'
import type { Content, PlanRequest, Tin } from '../core/program/request.schema'
import type { StackAsk } from '../core/stack/ask'
import { FREE_LIQUIDS, LIQUID_KINDS } from '../core/water/liquids'
import { line, potSettings, requestFor, stage } from './dishes'

/** So many of what can be drawn, the same every time. */
export const drawn = <T>(of: fc.Arbitrary<T>, count: number, seed: number): T[] =>
  fc.sample(of, { numRuns: count, seed })

const nothing = fc.constant(undefined)
/** Something in one case of so many, and nothing in the others. */
const seldom = <T>(of: fc.Arbitrary<T>, times = 5) =>
  fc.oneof({ weight: times - 1, arbitrary: nothing }, { weight: 1, arbitrary: of })
const often = <T>(of: fc.Arbitrary<T>) => fc.oneof({ weight: 1, arbitrary: nothing }, { weight: 3, arbitrary: of })
const share = (from: number, to: number) =>
  fc.integer({ min: Math.round(from * 100), max: Math.round(to * 100) }).map((n) => n / 100)
const between = (min: number, max: number) => fc.integer({ min, max })

/** A household's own rice, which nobody else has a figure for. */
const OWN_FOOD: Food = {
  ...CATALOGUE.find(({ id }) => id === 'red-rice')!,
  id: 'own-rice',
  name: 'Hill rice',
  cupG: 190,
}

/** A device whose programs were measured. */
const WITH_PROGRAMS: Cooker = {
  ...COOKERS['electric-3l']!,
  fixedPrograms: [
    {
      id: 'soup',
      name: 'Soup',
      steamG: 60,
      profile: [
        { minute: 0, tempC: 20 },
        { minute: 14, tempC: 112 },
        { minute: 40, tempC: 112 },
        { minute: 60, tempC: 85 },
      ],
    },
    {
      id: 'grain',
      name: 'Grain',
      steamG: 40,
      profile: [
        { minute: 0, tempC: 20 },
        { minute: 12, tempC: 100 },
        { minute: 24, tempC: 100 },
      ],
    },
  ],
}
const cookers = fc.oneof(
  { weight: 6, arbitrary: fc.constantFrom(...Object.keys(COOKERS)) },
  { weight: 4, arbitrary: fc.constantFrom('whistling-3l-aluminium', 'whistling-5l-aluminium', 'electric-6l') },
  { weight: 1, arbitrary: fc.constant(WITH_PROGRAMS) },
)
const flames = fc.constantFrom(...FLAMES.slice(0, 3))
const levels = fc.constantFrom(...LEVELS)
const STYLES: Record<StyleKind, fc.Arbitrary<Style>> = {
  whistles: fc.oneof(
    fc.record({ kind: fc.constant('whistles' as const), heatUp: fc.constant('high' as const) }),
    fc.record({ kind: fc.constant('whistles' as const), flame: flames, heatUp: fc.constant('high' as const) }),
    fc.record({ kind: fc.constant('whistles' as const), flame: flames }),
  ),
  'first-whistle-then-low': fc.constant({ kind: 'first-whistle-then-low' }),
  clock: fc.record({ kind: fc.constant('clock' as const), flame: flames }),
  'high-then-low': fc.record({ kind: fc.constant('high-then-low' as const), whistles: between(1, 3) }),
  electric: fc.record({ kind: fc.constant('electric' as const), level: levels }),
  fixed: fc.constant({ kind: 'fixed' }),
  'rice-cooker': fc.constant({ kind: 'rice-cooker' }),
  open: fc.record({ kind: fc.constant('open' as const), lid: fc.boolean() }),
  slow: fc.record({ kind: fc.constant('slow' as const), level: levels }),
  basket: fc.record({ kind: fc.constant('basket' as const), tempC: fc.constantFrom(95, 100) }),
}
const cookerOf = (cooker: string | Cooker) => (typeof cooker === 'string' ? COOKERS[cooker]! : cooker)

const tins = fc.record({
  diameterMm: fc.constantFrom(120, 150, 165),
  heightMm: fc.constantFrom(40, 60),
  volumeMl: fc.constantFrom(420, 640, 900),
  lid: fc.boolean(),
  material: fc.constantFrom('steel' as const, 'glass' as const, 'plastic' as const),
}) satisfies fc.Arbitrary<Tin>
const soaks = fc.record({
  hours: fc.constantFrom(0.5, 1, 4, 8, 14),
  waterC: fc.constantFrom(18, 30, 90),
  keepWater: fc.boolean(),
  waterG: seldom(fc.constantFrom(250, 500, 900), 3),
})
const foods = fc.oneof(
  { weight: 12, arbitrary: fc.constantFrom(...CATALOGUE) },
  { weight: 1, arbitrary: fc.constant(OWN_FOOD) },
)

const contents: fc.Arbitrary<Content> = foods.chain((food) =>
  fc.record({
    food: fc.constant(food.id),
    dryG: between(60, 320),
    soak: fc.option(soaks, { nil: null, freq: food.lectin ? 8 : 2 }),
    texture: seldom(fc.constantFrom(...texturesOf(food)), 2),
    where: fc.constant('base' as const),
    sizeMm: seldom(between(4, 40), 8),
    additions: seldom(fc.uniqueArray(fc.constantFrom(...ADDITIONS), { minLength: 1, maxLength: 3 }), 3),
    batch: seldom(fc.constantFrom('fresh' as const, 'old' as const), 3),
    had: seldom(fc.record({ boilMinutes: between(2, 20), waterG: between(20, 120) }), 10),
  }),
)

/** A load with its foods in the base, in tins, or going in one after the other. */
const loads = fc
  .record({
    first: contents,
    others: fc.array(contents, { maxLength: 2 }),
    how: fc.constantFrom('alone', 'together', 'in-tins', 'later'),
    tins: fc.array(tins, { minLength: 3, maxLength: 3 }),
    joins: fc.array(between(1, 2), { minLength: 2, maxLength: 2 }),
  })
  .map(({ first, others, how, tins: vessels, joins }): Content[] => {
    if (how === 'alone') return [first]
    return [
      first,
      ...others.map((one, i): Content => {
        if (how === 'in-tins') return { ...one, where: { tin: vessels[i]!, tier: i + 1 } }
        return how === 'later' ? { ...one, joins: joins[i] } : one
      }),
    ]
  })

const learnt = (size: number) =>
  fc.record({
    flames: seldom(
      fc.record({ high: share(0.8, 1.2), medium: share(0.8, 1.2), low: share(0.8, 1.2), simmer: share(0.8, 1.2) }),
      2,
    ),
    heat: seldom(share(0.85, 1.15), 2),
    swing: seldom(share(0.7, 1.3), 2),
    loss: seldom(share(0.6, 1.6), 2),
    steam: seldom(share(0.6, 1.6), 2),
    needByPressure: seldom(share(0.85, 1.2), 2),
    contents: fc.array(fc.record({ need: seldom(share(0.7, 1.4), 2), uptake: seldom(share(0.85, 1.15), 2) }), {
      minLength: size,
      maxLength: size,
    }),
  })

const releases = fc.oneof(
  { weight: 4, arbitrary: fc.constant('auto' as const) },
  { weight: 1, arbitrary: fc.constant<Release>({ kind: 'natural' }) },
  {
    weight: 2,
    arbitrary: fc.record({
      kind: fc.constantFrom('timed' as const, 'quick' as const),
      afterMinutes: seldom(between(0, 15), 2),
    }),
  },
)

/** Anything that a cook might ask of the planner, sensible or not quite. */
export const planRequests: fc.Arbitrary<PlanRequest> = fc
  .record({ cooker: cookers, contents: loads })
  .chain(({ cooker, contents: load }) =>
    fc.record({
      cooker: fc.constant(cooker),
      contents: fc.constant(load),
      style: fc.constantFrom(...stylesFor(cookerOf(cooker))).chain((kind) => STYLES[kind]),
      burner: kindOf(cookerOf(cooker).appliance).heatsItself
        ? fc.constant(undefined)
        : fc.oneof(
            fc.constantFrom('strong' as const, 'weak' as const),
            fc.constant({ high: 1100, medium: 560, low: 260, simmer: 120 }),
            fc.constant({ diameterMm: 210, flameW: { high: 1500, medium: 700, low: 300, simmer: 150 } }),
          ),
      kitchen: fc.record({
        altitudeM: fc.constantFrom(0, 400, 1450, 2600),
        roomC: between(12, 32),
        tapC: between(8, 26),
      }),
      liquids: fc.array(fc.record({ kind: fc.constantFrom(...LIQUID_KINDS), g: between(20, 300) }), { maxLength: 2 }),
      freeLiquid: often(fc.constantFrom(...FREE_LIQUIDS)),
      trivetMm: seldom(fc.constantFrom(15, 40, 60), 3),
      release: releases,
      stands: seldom(
        fc.record({
          freeWaterG: between(0, 400),
          otherG: between(0, 200),
          tempC: fc.constantFrom(20, 70, 98, 140),
          sourG: seldom(between(20, 200), 2),
        }),
        8,
      ),
      given: seldom(
        fc.array(fc.record({ pourG: seldom(between(200, 1400), 2), figure: seldom(between(1, 25), 2) }), {
          minLength: 1,
          maxLength: 2,
        }),
        6,
      ),
      spread: seldom(
        fc.record({
          flame: seldom(share(0.02, 0.2), 2),
          lift: seldom(share(0.02, 0.1), 2),
          batch: seldom(share(0.05, 0.2), 2),
        }),
        5,
      ),
      learnt: seldom(learnt(load.length), 4),
      foods: fc.constant([OWN_FOOD]),
    }),
  )

const OWN_THING: Ingredient = {
  id: 'own-paste',
  name: 'Green paste',
  group: 'paste',
  liquid: 'spice-paste',
  water: 0.7,
  salt: 0.02,
  fat: 0.1,
  sour: false,
  cupG: 230,
  pieceG: null,
}
const SEASONED = [
  'onion',
  'tomato',
  'oil',
  'salt',
  'lemon-juice',
  'stock',
  'yogurt',
  'garlic',
  'baking-soda',
  'sugar',
  OWN_THING.id,
]
/** Stages that may come before a pot, and after it. */
const BEFORE = ['prepare', 'marinate', 'dry-roast', 'fry'] as const
const AFTER = ['simmer', 'mash', 'drain', 'combine', 'temper', 'rest', 'fluff', 'chill'] as const

const stageMore = fc.record({
  minutes: often(between(2, 25)),
  handsMinutes: seldom(between(1, 6), 4),
  waterG: seldom(between(20, 400), 3),
  lid: seldom(fc.boolean(), 2),
  flame: seldom(fc.constantFrom(...FLAMES), 2),
  keepsG: seldom(between(30, 300), 3),
  throwsLiquid: seldom(fc.boolean(), 3),
})

/** A food or two with what is cooked with them, through some stages to the table; not all of it is sensible. */
const dishes: fc.Arbitrary<Dish> = fc
  .record({
    foods: fc.array(fc.record({ food: foods, g: between(60, 350) }), { minLength: 1, maxLength: 2 }),
    things: fc.uniqueArray(fc.constantFrom(...SEASONED), { minLength: 1, maxLength: 5 }),
    thingG: fc.array(fc.option(between(4, 160), { nil: null, freq: 8 }), { minLength: 5, maxLength: 5 }),
    at: fc.array(fc.nat(), { minLength: 7, maxLength: 7 }),
    soak: seldom(
      stageMore.map((more) => ({ ...more, minutes: 60 + 20 * (more.minutes ?? 20) })),
      2,
    ),
    soakKept: fc.boolean(),
    before: seldom(fc.tuple(fc.constantFrom(...BEFORE), stageMore), 2),
    cooksIn: fc.constantFrom('pot' as const, 'pot' as const, 'simmer' as const),
    cooks: stageMore,
    potStyle: fc.constantFrom(...STYLE_NAMES.slice(0, 4)),
    freeLiquid: fc.constantFrom(...FREE_LIQUIDS),
    pourG: seldom(between(200, 1200), 6),
    chosen: seldom(
      fc.record({
        line: fc.constantFrom('f0', 'f1'),
        old: seldom(fc.boolean(), 2),
        sizeMm: seldom(between(5, 40), 2),
        texture: seldom(fc.constantFrom('soft' as const, 'tender' as const), 2),
      }),
      2,
    ),
    after: fc.array(fc.tuple(fc.constantFrom(...AFTER), stageMore), { maxLength: 3 }),
    kept: seldom(fc.record({ dryG: between(60, 120), boilMinutes: between(10, 60), saltG: between(0, 4) }), 6),
    servings: between(2, 6),
  })
  .map((of): Dish => {
    const lines: DishLine[] = [
      ...of.foods.map(({ food, g }, i) => ({
        ...line(`f${i}`, food.id, g),
        ...(i === 1 && of.kept ? { kept: of.kept } : {}),
      })),
      ...of.things.map((what, i) => line(what, what, of.thingG[i]!)),
    ]
    const kinds: [Stage['kind'], Partial<Stage>][] = [
      ...(of.soak ? [['soak', { ...of.soak, keepWater: of.soakKept }] as [Stage['kind'], Partial<Stage>]] : []),
      ...(of.before ? [of.before] : []),
      [of.cooksIn, of.cooks],
      ...of.after,
    ]
    const cooksAt = kinds.findIndex(([kind]) => kind === of.cooksIn)
    const goesIn = lines.map((_, i) => {
      if (i === 0 && of.soak) return 0
      return i < of.foods.length ? cooksAt : of.at[i]! % kinds.length
    })
    const stages = kinds.map(([kind, more], s): Stage => {
      const takes = lines.flatMap((one, i) => (goesIn[i] === s ? [[one.id, 'rest'] as const] : []))
      const from = s === 0 ? [] : [`s${s - 1}`]
      const pot = potSettings({
        style: of.potStyle,
        freeLiquid: of.freeLiquid,
        foods: of.chosen ? [of.chosen] : [],
        ...(of.pourG === undefined ? {} : { pourG: of.pourG }),
      })
      return stage(`s${s}`, kind, Object.fromEntries(takes), from, { ...more, ...(kind === 'pot' ? { pot } : {}) })
    })
    return { name: 'Drawn', servings: of.servings, lines, stages }
  })

export const dishRequests: fc.Arbitrary<DishRequest> = fc
  .record({
    dish: dishes,
    hardWater: fc.boolean(),
    altitudeM: fc.constantFrom(0, 1450),
    old: fc.boolean(),
    need: seldom(share(0.8, 1.3), 3),
  })
  .map(({ dish, hardWater, altitudeM, old, need }) => {
    const [food] = dish.lines
    return {
      ...requestFor(dish),
      kitchen: { altitudeM, roomC: 21, tapC: 17, hardWater },
      foods: [OWN_FOOD],
      ingredients: [OWN_THING],
      ...(old ? { old: [food!.what!] } : {}),
      ...(need === undefined ? {} : { learnt: { [food!.what!]: { need } } }),
    }
  })

/** Foods that are to share a run with the tins that there are. */
export const stackAsks: fc.Arbitrary<StackAsk> = fc
  .record({
    pot: fc.constantFrom<Pick<StackAsk, 'cooker' | 'style'>>(
      { cooker: 'electric-6l', style: { kind: 'electric', level: 'high' } },
      { cooker: 'whistling-5l-aluminium', style: { kind: 'whistles', flame: 'medium' } },
      { cooker: 'whistling-7l-steel', style: { kind: 'first-whistle-then-low' } },
    ),
    foods: fc.array(fc.tuple(contents, fc.boolean(), fc.constantFrom('any', 'base', 'top', 't0')), {
      minLength: 2,
      maxLength: 3,
    }),
    tins: fc.array(tins, { minLength: 2, maxLength: 3 }),
    freeLiquid: fc.constantFrom(...FREE_LIQUIDS),
    trivetsMm: often(fc.constantFrom([20, 60], [40])),
  })
  .map(({ pot, foods: list, tins: vessels, freeLiquid, trivetsMm }) => ({
    ...pot,
    kitchen: { altitudeM: 400, roomC: 24, tapC: 20 },
    burner: 'strong',
    liquids: [],
    release: 'auto',
    freeLiquid,
    foods: list.map(([{ where: _, had: __, ...one }, soakMayChange, lock]) => ({
      ...one,
      // What fits a tin.
      dryG: Math.round(one.dryG / 3) + 30,
      soakMayChange,
      lock: lock === 't0' ? { tinId: lock } : (lock as 'any' | 'base' | 'top'),
    })),
    tins: vessels.map((one, i) => ({ ...one, id: `t${i}` })),
    ownFoods: [OWN_FOOD],
    ...(trivetsMm ? { trivetsMm } : {}),
  }))

const UNITS = ['g', 'kg', 'cups', 'tbsp', 'tsp', 'ml', 'l', 'oz', 'lb', 'large', '']
const THINGS = [
  'toor dal',
  'chickpeas',
  'onions, sliced',
  'ghee',
  'salt',
  'brown rice (rinsed)',
  'stock',
  'unicorn dust',
]
const WAYS = [
  ['½', '1/2', '0.5', '0,5'],
  ['1½', '1 1/2', '1.5', '1,5'],
  ['¼', '1/4', '0.25'],
  ['2', '2.0', '4/2'],
  ['2-3', '2–3', '2 to 3'],
]
/** The amount of a line in the ways that mean the same, and what follows it. */
export const typedAmounts = fc.record({
  ways: fc.constantFrom(...WAYS),
  rest: fc.tuple(fc.constantFrom(...UNITS), fc.constantFrom(...THINGS)).map((parts) => parts.filter(Boolean).join(' ')),
})
