import { MOST } from '../core/bounds'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE, findFood } from '../core/food/catalogue'
import { BURNERS } from '../core/appliance/burner'
import { COOKERS } from '../core/appliance/appliance'
import { plan } from '../core/program/plan'
import { foodOf, isOldBag, measuredCooker, type HouseholdCooker, type Kitchen } from './kitchen'
import { planRequestSchema } from '../core/program/request.schema'
import { readOwn } from './document'
import { KITCHEN, keptTestSchema } from './kitchen.schema'
import { findStacks } from '../core/stack/search'
import { emptyStack, itemG, newItem, newPot, placedItems, withFood, type Pot } from './pot'
import { potOfRequest, requestOf, stackAskOf, withStack } from './pot-request'
import { potFileSchema, potSchema } from './pot.schema'

const id = (n: number) => `0de70000-0000-4000-8000-${String(n).padStart(12, '0')}`
const cooker: HouseholdCooker = { id: id(1), name: 'Blue', cooker: COOKERS['whistling-5l-aluminium']!, tests: [] }
const kitchen: Kitchen = readOwn(KITCHEN, {
  shape: 2,
  name: 'A kitchen',
  altitudeM: 900,
  roomC: 24,
  tapC: 20,
  hardWater: true,
  cookers: [cooker],
  burners: [{ id: id(2), name: 'Strong', burner: BURNERS.strong }],
  measures: [{ id: id(3), name: 'Bowl', volumeMl: 150 }],
  foods: [],
  tins: [
    { id: id(21), name: 'Wide', diameterMm: 190, heightMm: 40, volumeMl: 1050, lid: false, material: 'steel' },
    { id: id(22), name: 'Small', diameterMm: 170, heightMm: 40, volumeMl: 840, lid: true, material: 'glass' },
  ],
  bags: [{ id: id(4), name: 'Old', foodId: 'toor-split', boughtOn: '2024-01-05' }],
})
const NOW = Date.parse('2026-11-25')
const pot = (change: (pot: Pot) => void = () => undefined, foodId = 'toor-split'): Pot => {
  const made = newPot(findFood(foodId)!, kitchen)
  change(made)
  return made
}
const asked = (of: Pot) => requestOf(of, kitchen, cooker, 'whistles', NOW)!

describe('a pot as it is filled in', () => {
  it('is valid and can be planned for every food of the catalogue, with no more said', () => {
    for (const food of CATALOGUE) {
      const made = newPot(food, kitchen)
      expect(potSchema.safeParse(made).error, food.id).toBeUndefined()
      const request = asked(made)
      expect(planRequestSchema.safeParse(request).error, food.id).toBeUndefined()
      const outcome = plan(request, { range: false })
      if (!outcome.ok) expect(['too-many-whistles'], food.id).toContain(outcome.problems[0]!.code)
    }
  })

  it('takes the amount that was asked for, in what the food can be measured in, else the usual one', () => {
    const taken = (foodId: string, count: number, unit: string) => {
      const { amount, unit: in_ } = newItem(findFood(foodId)!, kitchen, { count, unit })
      return [amount, in_]
    }
    const [poured, counted] = ['toor-split', 'egg']
    expect(findFood(counted)).toMatchObject({ cupG: null, pieceG: expect.anything() })
    expect(taken(poured, 250, 'g')).toEqual(['250', 'g'])
    expect(taken(poured, 2, 'tbsp')).toEqual(['2', 'tbsp'])
    expect(taken(poured, 2, '')).toEqual(['2', id(3)])
    expect(taken(counted, 6, 'piece-large')).toEqual(['6', 'piece-large'])
    expect(taken(counted, 300, 'g')).toEqual(['300', 'g'])
    // Nobody pours eggs by the cup, and lentils are not counted.
    expect(taken(counted, 2, 'cup-240')).toEqual(taken(counted, 4, ''))
    expect(taken(poured, 3, 'piece-medium')).toEqual(['1', id(3)])
  })

  it('reads amounts in weights, own bowls and common measures', () => {
    const grams = (amount: string, unit: string) => itemG({ ...pot().items[0]!, amount, unit }, kitchen)
    const perMl = findFood('toor-split')!.cupG! / 240
    expect(grams('1½', id(3))).toBeCloseTo(225 * perMl, 6)
    expect(grams('3', 'tbsp')).toBeCloseTo(45 * perMl, 6)
    expect(grams('0.25', 'kg')).toBe(250)
    expect(grams('some', 'g')).toBeNaN()
  })

  it('takes hard water over from the kitchen, and an old bag from its date', () => {
    expect(asked(pot((of) => (of.items[0]!.bagId = ''))).contents[0]).toMatchObject({
      batch: 'fresh',
      additions: ['hard-water'],
    })
    // The bag that is written down is the one that is cooked from, the oldest first.
    expect(pot().items[0]!.bagId).toBe(id(4))
    expect(asked(pot((of) => (of.items[0]!.bagId = id(4)))).contents[0]!.batch).toBe('old')
    expect(isOldBag({ boughtOn: '2026-01-05' }, NOW)).toBe(false)
  })

  it('keeps what is sensible when the food changes', () => {
    const rice = withFood(pot().items[0]!, findFood('basmati-white')!, kitchen)
    expect(rice).toMatchObject({ foodId: 'basmati-white', unit: id(3), amount: pot().items[0]!.amount })
    // Cups of what is counted are so many pieces; cups of what is only weighed are no grams.
    expect(withFood({ ...rice, amount: '2' }, findFood('egg')!, kitchen)).toMatchObject({
      amount: '2',
      unit: 'piece-medium',
    })
    expect(withFood({ ...rice, amount: '2' }, findFood('goat-bone')!, kitchen)).toMatchObject({
      amount: '300',
      unit: 'g',
    })
  })

  it('comes out as its kind is usually eaten, or as this household last had it', () => {
    const texture = (food: string, of = kitchen) => newItem(findFood(food)!, of).texture
    expect(texture('toor-split')).toBe('soft')
    expect(texture('chickpea-white')).toBe('tender')
    expect(texture('basmati-white')).toBe('separate')
    expect(texture('glutinous')).toBe('sticky')
    const liking = (textures: Kitchen['likes']['textures']) => ({ ...kitchen, likes: { ...kitchen.likes, textures } })
    expect(texture('toor-split', liking({ 'toor-split': 'mashed' }))).toBe('mashed')
    // A texture that the food cannot have is none.
    expect(texture('toor-split', liking({ 'toor-split': 'sticky' }))).toBe('soft')
  })

  it('counts pieces by their size, and knows how thick they are when cut', () => {
    const of = (food: string, change: Partial<Pot['items'][number]>) => {
      const item = { ...newItem(findFood(food)!, kitchen), ...change }
      return asked({ ...pot(), items: [item] }).contents[0]!
    }
    const six = (unit: string) => of('egg', { amount: '6', unit }).dryG
    expect(six('piece-medium')).toBeCloseTo(6 * 57)
    expect(six('piece-small')).toBeLessThan(six('piece-medium'))
    expect(six('piece-large')).toBeGreaterThan(six('piece-medium'))
    const middling = of('beetroot-whole', { amount: '3', unit: 'piece-medium' })
    expect(middling.sizeMm).toBeUndefined()
    expect(of('beetroot-whole', { amount: '3', unit: 'piece-large' }).sizeMm).toBeGreaterThan(60)
    expect(of('beetroot-whole', { amount: '3', unit: 'piece-medium', cut: 'halves' }).sizeMm).toBe(30)
    expect(of('beetroot-whole', { amount: '3', unit: 'piece-medium', cut: 'quarters' }).sizeMm).toBeLessThan(30)
    // Pieces of what is not counted are no amount.
    expect(of('basmati-white', { amount: '3', unit: 'piece-large' }).dryG).toBeNaN()
  })

  it('comes back from the request it made, to the same plan', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('toor-split', 'navy-bean', 'red-rice', 'chickpea-brown'),
        fc.integer({ min: 60, max: 350 }),
        fc.constantFrom('room', 'hot', 'fridge'),
        fc.integer({ min: 0, max: 12 }),
        (foodId, grams, soakIn, hours) => {
          const before = pot((of) => {
            Object.assign(of.items[0]!, { amount: String(grams), unit: 'g', soakIn, soakHours: String(hours) })
            of.liquids.push({ kind: 'thin-stock', amount: '100', unit: 'ml' })
          }, foodId)
          const request = asked(before)
          expect(asked(potOfRequest({ request, cookerId: cooker.id }, kitchen)!)).toEqual(request)
        },
      ),
      { numRuns: 40 },
    )
  })

  it('keeps burner, cut and tins', () => {
    const before = pot((of) => {
      of.items.push({ ...of.items[0]!, foodId: 'beetroot-whole', amount: '400', unit: 'g', cut: 'halves' })
      of.inTins = true
      of.stack = {
        places: ['base', id(22)],
        locks: ['any', 'any'],
        soakFree: [true, true],
        tiers: [[id(22)]],
        topCovered: true,
        trivetMm: 40,
      }
    })
    const request = asked(before)
    const again = potOfRequest({ request, cookerId: cooker.id, burnerId: id(2) }, kitchen)!
    expect(again).toMatchObject({ burnerId: id(2), inTins: true, stack: before.stack })
    expect(again.items[1]).toMatchObject({ cut: 'halves' })
    expect(asked(again)).toEqual(request)
  })

  it('says nothing for a food that has gone', () => {
    expect(
      requestOf(
        pot((of) => (of.items[0]!.foodId = 'gone')),
        kitchen,
        cooker,
        'whistles',
        NOW,
      ),
    ).toBeNull()
    const request = asked(pot())
    expect(
      potOfRequest(
        { request: { ...request, contents: [{ ...request.contents[0]!, food: 'gone' }] }, cookerId: null },
        kitchen,
      ),
    ).toBeNull()
  })
})

describe('documents from outside', () => {
  it.each([
    ['no item', { items: [] }],
    ['too many foods', { items: Array.from({ length: MOST.items + 1 }, () => pot().items[0]) }],
    ['an essay for an amount', { items: [{ ...pot().items[0]!, amount: 'x'.repeat(25) }] }],
    ['an unknown style', { styles: { whistling: 'magic' } }],
    ['an unknown liquid', { liquids: [{ kind: 'wine', amount: '1', unit: 'g' }] }],
  ])('refuse a pot with %s', (_, change) => {
    expect(potSchema.safeParse({ ...pot(), ...change }).success).toBe(false)
  })

  it('take a file as it was written, and no other format', () => {
    const file = { format: 'bivvet-pot', version: 2, name: 'Dal', pot: pot(), foods: [], cooker: null }
    expect(potFileSchema.safeParse(JSON.parse(JSON.stringify(file))).success).toBe(true)
    expect(potFileSchema.safeParse({ ...file, format: 'other' }).success).toBe(false)
  })
})

describe('a measured cooker', () => {
  const burner = kitchen.burners[0]!
  const kept = keptTestSchema.parse({
    id: id(9),
    at: NOW,
    burnerId: burner.id,
    test: { waterG: 1000, leftG: 900, startC: 20, place: { altitudeM: 0, roomC: 20 }, marks: [] },
    fitted: {
      appliance: { lossWPerK: 3.3 },
      burner: { high: 900, medium: 600, low: 300, simmer: 150 },
      heatSpread: 0.06,
    },
  })
  const tested = { ...cooker, tests: [kept] }

  it('is what the newest test says, on its burner, and what stands in the kitchen without one', () => {
    expect(measuredCooker(cooker, burner)).toMatchObject({
      cooker: cooker.cooker,
      burner: burner.burner,
      heatSpread: null,
    })
    const { cooker: body, burner: flames, heatSpread } = measuredCooker(tested, burner)
    expect([body.appliance.lossWPerK, flames!.high, heatSpread]).toEqual([3.3, 900, 0.06])
    // On another burner the pot is the measured one, the flames are not.
    const elsewhere = measuredCooker(tested, { ...burner, id: id(77) })
    expect([elsewhere.cooker.appliance.lossWPerK, elsewhere.burner!.high, elsewhere.heatSpread]).toEqual([
      3.3,
      1300,
      null,
    ])
  })

  it('narrows the range and lowers the flame in the request', () => {
    const request = requestOf(pot(), kitchen, tested, 'whistles', NOW)!
    expect(request).toMatchObject({ spread: { flame: 0.06 }, burner: { high: 900 } })
  })
})

describe('a food of one’s own', () => {
  it('keeps the lectin mark of what it was started from, whatever is stored', () => {
    const { id: _, ...figures } = findFood('kidney-red')!
    const own = { id: id(8), name: 'Ours', basedOn: 'kidney-red', figures: { ...figures, lectin: false } }
    expect(foodOf(own).lectin).toBe(true)
  })

  it('goes along with the pot that it is in, and with no other', () => {
    const { id: _, ...figures } = findFood('toor-split')!
    const own = { id: id(8), name: 'Ours', basedOn: 'toor-split', figures }
    const withOwn: Kitchen = { ...kitchen, foods: [own, { ...own, id: id(9), name: 'Another' }] }
    const askedIn = (of: Pot) => requestOf(of, withOwn, cooker, 'whistles', NOW)!
    expect(askedIn(pot()).foods).toBeUndefined()
    const ofOwn = pot((of) => (of.items[0]!.foodId = own.id))
    expect(askedIn(ofOwn).foods!.map((food) => food.id)).toEqual([own.id])
    expect(askedIn(ofOwn).contents[0]!.food).toBe(own.id)
  })
})

describe('a pot that is a stack', () => {
  const stacked = (change: Partial<NonNullable<Pot['stack']>> = {}) =>
    pot((of) => {
      of.items.push(newItem(findFood('red-rice')!, kitchen))
      Object.assign(of.items[0]!, { amount: '120', unit: 'g' })
      Object.assign(of.items[1]!, { amount: '100', unit: 'g' })
      of.freeLiquid = 'thick'
      of.inTins = true
      of.stack = { ...emptyStack(of), places: [id(22), id(21)], tiers: [[id(21)], [id(22)]], ...change }
    })

  it('puts each food into its tin, covered where another stands on it', () => {
    const { contents, trivetMm } = asked(stacked())
    expect(trivetMm).toBe(25)
    expect(contents.map(({ where }) => where)).toMatchObject([
      { tier: 2, tin: { diameterMm: 170, lid: false, material: 'glass' } },
      { tier: 1, tin: { diameterMm: 190, lid: true } },
    ])
    expect(asked(stacked({ topCovered: true })).contents[0]!.where).toMatchObject({ tin: { lid: true } })
  })

  it('leaves out what stands nowhere, and asks nothing when nothing stands', () => {
    const half = stacked({ places: ['', id(21)], tiers: [[id(21)]] })
    expect(placedItems(half)).toEqual([1])
    expect(asked(half).contents.map(({ food }) => food)).toEqual(['red-rice'])
    expect(requestOf(stacked({ places: ['', ''] }), kitchen, cooker, 'whistles', NOW)).toBeNull()
    // A tin that has gone from the kitchen takes its food with it.
    expect(requestOf(stacked({ places: [id(99), 'base'] }), kitchen, cooker, 'whistles', NOW)).toBeNull()
  })

  it('becomes what the search answers, and asks the same again', () => {
    const free = { ...stacked(), stack: emptyStack(stacked()) }
    const ask = stackAskOf(free, kitchen, cooker, 'first-whistle-then-low', NOW)!
    expect(ask.tins.map((tin) => tin.id)).toEqual([id(21), id(22)])
    const outcome = findStacks(ask)
    const answer = outcome.ok ? outcome.value.answers[0] : undefined
    expect(answer).toBeDefined()
    const done = withStack(free, answer!)
    expect(potSchema.safeParse(done).error).toBeUndefined()
    const request = requestOf(done, kitchen, cooker, 'first-whistle-then-low', NOW)!
    expect(request.contents.map(({ where, soak }) => [where, soak?.hours ?? 0])).toEqual(
      answer!.request.contents.map(({ where, soak }) => [where, soak?.hours ?? 0]),
    )
  })

  it('keeps the locks that a cook has set', () => {
    const locked = stacked({ locks: ['top', id(21)], soakFree: [false, true] })
    expect(
      stackAskOf(locked, kitchen, cooker, 'whistles', NOW)!.foods.map(({ lock, soakMayChange }) => [
        lock,
        soakMayChange,
      ]),
    ).toEqual([
      ['top', false],
      [{ tinId: id(21) }, true],
    ])
  })
})
