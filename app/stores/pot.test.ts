// @vitest-environment happy-dom
import { findFood } from '~~/core/food/catalogue'
import { USUAL_LIKES } from '~~/shared/kitchen'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { closePage, houseId, openKitchen, openPage, settle } from '~~/tests/house'
import { useKitchenStore } from './kitchen'
import { usePotStore } from './pot'

const id = houseId

beforeEach(async () => {
  openPage()
  await openKitchen(useKitchenStore().load)
})
afterEach(closePage)

const foodsOf = (pot: ReturnType<typeof usePotStore>) => pot.request?.contents.map(({ food, where }) => [food, where])

describe('the pot being planned', () => {
  it('is the same pot after a look at it in tins and back', async () => {
    const pot = usePotStore()
    pot.addFood(findFood('red-rice')!)
    await settle()
    const before = JSON.stringify([pot.form, pot.request])
    pot.view = 'tins'
    await settle()
    pot.view = 'loose'
    await settle()
    expect(JSON.stringify([pot.form, pot.request])).toBe(before)
    expect(pot.form.stack).toBeNull()
  })

  it('remembers what stands in tins while it is planned loose, with all that is in it', async () => {
    const pot = usePotStore()
    pot.addFood(findFood('red-rice')!)
    pot.view = 'tins'
    pot.form.stack = {
      places: [id(4), ''],
      locks: ['any', 'any'],
      soakFree: [true, true],
      tiers: [[id(4)]],
      topCovered: true,
      trivetMm: 25,
    }
    await settle()
    expect(foodsOf(pot)).toMatchObject([['navy-bean', { tier: 1 }]])
    expect(pot.content.inTins).toBe(true)
    pot.view = 'loose'
    await settle()
    expect(foodsOf(pot)).toEqual([
      ['navy-bean', 'base'],
      ['red-rice', 'base'],
    ])
    expect(pot.content.inTins).toBe(false)
    pot.view = 'tins'
    await settle()
    expect(foodsOf(pot)).toMatchObject([['navy-bean', { tier: 1 }]])
  })

  it('holds no more foods than can be planned', () => {
    const pot = usePotStore()
    for (let i = 0; i < 20; i++) pot.addFood(findFood('red-rice')!)
    expect(pot.form.items).toHaveLength(pot.MOST_FOODS)
    expect(pot.form.items.length).toBeGreaterThan(2)
  })

  it('drops a figure that was tried as soon as the pot is another', async () => {
    const pot = usePotStore()
    pot.form.given = [{ pourG: null, figure: 3 }]
    await settle()
    expect(pot.request!.given).toMatchObject([{ figure: 3 }])
    pot.form.items[0]!.amount = '1'
    await settle()
    expect(pot.form.given).toEqual([])
    // A pot that comes with its figure, as by an undo, keeps it.
    pot.form.items[0]!.amount = '2'
    pot.form.given = [{ pourG: null, figure: 4 }]
    await settle()
    expect(pot.form.given).toMatchObject([{ figure: 4 }])
  })

  it('says when each food goes in by closing, and undo takes that back', async () => {
    const pot = usePotStore()
    pot.addFood(findFood('red-rice')!)
    await settle()
    pot.joinAt([0, 1])
    expect(pot.inPhases).toBe(true)
    expect(pot.request!.contents.map(({ joins }) => joins ?? 0)).toEqual([0, 1])
    pot.undo()
    await settle()
    expect(pot.inPhases).toBe(false)
  })

  it('is for so many times as much of foods and liquids, and leaves what is no amount', async () => {
    const pot = usePotStore()
    pot.form.items[0]!.amount = '1½'
    pot.form.liquids = [
      { kind: 'thin-stock', amount: '0.5', unit: 'cup' },
      { kind: 'puree', amount: 'some', unit: 'cup' },
    ]
    pot.timesAll(3)
    expect(pot.form.items[0]!.amount).toBe('4.5')
    expect(pot.form.liquids.map(({ amount }) => amount)).toEqual(['1.5', 'some'])
  })

  it('as it was kept is unchanged in whatever order the database gives its keys', () => {
    const pot = usePotStore()
    const backwards = Object.fromEntries(Object.entries(pot.content).reverse()) as typeof pot.content
    pot.keepAs({ id: id(9), name: 'Beans', favourite: false, version: 1, content: backwards, updatedAt: '' })
    expect(pot.changed).toBe(false)
    pot.form.items[0]!.amount = '5'
    expect(pot.changed).toBe(true)
    // The kept one is gone: this is a pot that nobody has kept.
    pot.detach()
    expect(pot.keptAs).toBeNull()
  })

  it('is called by what is in it, and not longer than a name may be', async () => {
    const pot = usePotStore()
    await settle()
    const one = pot.name
    expect(one).not.toBe('')
    for (const food of ['red-rice', 'black-rice', 'chickpea-white', 'toor-split', 'basmati-white', 'moth-bean'])
      pot.addFood(findFood(food)!)
    expect(pot.name.startsWith(`${one} + `)).toBe(true)
    expect(pot.name.length).toBeLessThanOrEqual(120)
    pot.keepAs({ id: id(9), name: 'Sunday', favourite: false, version: 1, content: pot.content, updatedAt: '' })
    expect(pot.name).toBe('Sunday')
  })

  it('stays as it is where a food is chosen that is not there', async () => {
    const pot = usePotStore()
    const before = JSON.stringify(pot.form)
    pot.chooseFood(0, 'unicorn')
    expect(await pot.startWithAll('unicorn', null, { also: [], isUnsoaked: false })).toEqual([])
    expect(JSON.stringify(pot.form)).toBe(before)
    pot.chooseFood(0, 'red-rice')
    expect([pot.form.items[0]!.foodId, pot.form.freeLiquid]).toEqual(['red-rice', 'drained'])
    pot.chooseFood(0, 'chickpea-white')
    expect(pot.form.freeLiquid).toBe('spoonable')
  })

  it('is in tins only where something stands in one', async () => {
    const pot = usePotStore()
    pot.view = 'tins'
    await settle()
    expect(pot.content.inTins).toBe(false)
    pot.form.stack = {
      places: [''],
      locks: ['any'],
      soakFree: [true],
      tiers: [],
      topCovered: true,
      trivetMm: 25,
    }
    expect(pot.content.inTins).toBe(false)
    pot.form.stack.places = [id(4)]
    expect(pot.content.inTins).toBe(true)
  })

  it('begun anew asks for no hour, and takes what was said to be unsoaked as such', async () => {
    const pot = usePotStore()
    pot.readyBy = '19:30'
    await pot.startWithAll('chickpea-white', null, { also: [], isUnsoaked: true })
    expect([pot.readyBy, pot.form.items[0]!.soakHours]).toEqual(['', '0'])
    await pot.startWithAll('chickpea-white', null, { also: [], isUnsoaked: false })
    expect(pot.form.items[0]!.soakHours).not.toBe('0')
  })
})

describe('how a pot is told what to do', () => {
  it('has no request where there is no cooker', async () => {
    closePage()
    openPage()
    await openKitchen(useKitchenStore().load, { cookers: [] })
    const pot = usePotStore()
    await settle()
    expect([pot.request, pot.styleKinds]).toEqual([null, []])
  })

  it('is never by whistles in a house that does not count them', async () => {
    expect(usePotStore().styleKind).toBe('whistles')
    closePage()
    openPage()
    await openKitchen(useKitchenStore().load, { likes: { ...USUAL_LIKES, counts: 'never' } })
    expect(usePotStore().styleKind).not.toBe('whistles')
  })

  it('is as the cook chose for this kind of cooker, until that is left to Bivvet again', async () => {
    const pot = usePotStore()
    pot.styleKind = 'clock'
    await settle()
    expect(pot.styleKind).toBe('clock')
    pot.leaveStyle()
    await settle()
    expect(pot.styleKind).toBe('whistles')
  })
})
