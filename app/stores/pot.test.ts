// @vitest-environment happy-dom
import { findFood } from '~~/core/food/catalogue'
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

  it('drops a figure that was tried as soon as the pot is another', async () => {
    const pot = usePotStore()
    pot.form.given = [{ pourG: null, figure: 3 }]
    await settle()
    expect(pot.request!.given).toMatchObject([{ figure: 3 }])
    pot.form.items[0]!.amount = '1'
    await settle()
    expect(pot.form.given).toEqual([])
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

  it('as it was kept is unchanged in whatever order the database gives its keys', () => {
    const pot = usePotStore()
    const backwards = Object.fromEntries(Object.entries(pot.content).reverse()) as typeof pot.content
    pot.keepAs({ id: id(9), name: 'Beans', favourite: false, version: 1, content: backwards, updatedAt: '' })
    expect(pot.changed).toBe(false)
    pot.form.items[0]!.amount = '5'
    expect(pot.changed).toBe(true)
  })
})
