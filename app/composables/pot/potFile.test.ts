// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { COOKERS } from '~~/core/appliance/appliance'
import { findFood } from '~~/core/food/catalogue'
import { newPot, type Pot } from '~~/shared/pot'
import type { Kitchen } from '~~/shared/kitchen'
import firstShape from '~~/shared/first-shape/pot-file.json'
import { aKitchen, closePage, houseId, openKitchen, openPage } from '~~/tests/house'
import { useKitchenStore } from '~/stores/kitchen'
import { potFile, readPotFile } from './potFile'

const { id: _, ...navy } = findFood('navy-bean')!
const GRANDMOTHERS = { id: houseId(8), name: 'Grandmother’s beans', basedOn: 'navy-bean', figures: navy }
const OTHER: Kitchen = aKitchen({ foods: [GRANDMOTHERS as Kitchen['foods'][number]] })

const beans = (kitchen = aKitchen(), change: Partial<Pot> = {}): Pot => ({
  ...newPot(findFood('navy-bean')!, kitchen),
  ...change,
})
const asFile = (content: unknown) => new Blob([typeof content === 'string' ? content : JSON.stringify(content)])
/** What comes out of a file of this pot, read in the kitchen that is open. */
const reread = (pot: Pot, from: Kitchen, name = 'Beans') => readPotFile(asFile(potFile(name, pot, from)))

beforeEach(() => openPage())
afterEach(closePage)
const inKitchen = (change: Partial<Kitchen> = {}) => openKitchen(useKitchenStore().load, change)

describe('a pot as a file', () => {
  it('comes back as it went out', async () => {
    await inKitchen()
    const pot = beans(aKitchen(), { cookerId: houseId(1) })
    expect(await reread(pot, aKitchen(), 'Sunday beans')).toEqual({ ok: true, name: 'Sunday beans', pot })
  })

  it('takes along only what it needs of the household', () => {
    expect(potFile('Beans', beans(OTHER), OTHER).foods).toEqual([])
    const own = beans(OTHER)
    own.items[0]!.foodId = GRANDMOTHERS.id
    const file = potFile('Beans', own, OTHER)
    expect(file.foods.map(({ name }) => name)).toEqual(['Grandmother’s beans'])
    expect(file.cooker).toEqual({ name: 'Blue', kind: 'whistling' })
    expect(potFile('Beans', { ...own, cookerId: 'gone' }, OTHER)).toMatchObject({ format: 'bivvet-pot' })
  })

  it('is taken over with another household’s own food as the food that it was started from', async () => {
    await inKitchen()
    const own = beans(OTHER)
    own.items[0]!.foodId = GRANDMOTHERS.id
    const read = await reread(own, OTHER)
    expect(read.ok && read.pot.items[0]!.foodId).toBe('navy-bean')
    const here = await reread(own, { ...OTHER, foods: [] })
    expect(here).toEqual({ ok: false, reason: 'noFood' })
  })

  const bowl = { id: houseId(77), name: 'Big bowl', volumeMl: 400 }
  const there = aKitchen({ measures: [bowl] })
  const inBowls = () => {
    const pot = beans(there)
    pot.items[0] = { ...pot.items[0]!, amount: '2', unit: bowl.id }
    return pot
  }
  it('carries the bowls that it measures in, for which one of their size is taken', async () => {
    const pot = inBowls()
    expect(potFile('Beans', pot, there).measures).toEqual([bowl])
    await inKitchen({ measures: [{ id: houseId(78), name: 'Ours', volumeMl: 400 }] })
    const same = await reread(pot, there)
    expect(same.ok && same.pot.items[0]).toMatchObject({ amount: '2', unit: houseId(78) })
  })

  it('is measured by what its bowls hold where there is none of their size', async () => {
    await inKitchen()
    const other = await reread(inBowls(), there)
    expect(other.ok && other.pot.items[0]).toMatchObject({ amount: '800', unit: 'ml' })
  })

  it('keeps the household’s own food where it is known', async () => {
    await inKitchen({ foods: OTHER.foods })
    const own = beans(OTHER)
    own.items[0]!.foodId = GRANDMOTHERS.id
    const read = await reread(own, OTHER)
    expect(read.ok && read.pot.items[0]!.foodId).toBe(GRANDMOTHERS.id)
  })

  it('goes into the cooker of its kind, or into none where the kitchen has no such', async () => {
    await inKitchen({
      cookers: [
        { id: houseId(11), name: 'Electric', cooker: COOKERS['electric-6l']!, tests: [] },
        { id: houseId(12), name: 'Red', cooker: COOKERS['whistling-3l-steel']!, tests: [] },
      ],
    })
    const read = await reread(beans(), aKitchen())
    expect(read.ok && read.pot.cookerId).toBe(houseId(12))
    const open = aKitchen({ cookers: [{ id: houseId(1), name: 'Big', cooker: COOKERS['open-5l']!, tests: [] }] })
    const other = await reread(beans(open), open)
    expect(other.ok && other.pot.cookerId).toBe('')
  })

  it.each([
    ['is no JSON', 'half a { pot', 'notJson'],
    ['is something else', { name: 'Beans' }, 'notAPot'],
    ['is nothing', 'null', 'notAPot'],
    ['has no food in it', { ...potFile('Beans', beans(), aKitchen()), pot: { ...beans(), items: [] } }, 'notAPot'],
    ['was written by a later Bivvet', { ...potFile('Beans', beans(), aKitchen()), version: 99 }, 'newer'],
    ['is too long', ' '.repeat(100_001), 'tooLarge'],
  ])('is refused where it %s', async (_, content, reason) => {
    await inKitchen()
    expect(await readPotFile(asFile(content))).toEqual({ ok: false, reason })
  })

  it('of the first shape is read still', async () => {
    await inKitchen()
    const read = await readPotFile(asFile(firstShape))
    expect(read).toMatchObject({ ok: true, name: (firstShape as { name: string }).name })
  })
})
