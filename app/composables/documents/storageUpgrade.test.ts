// @vitest-environment happy-dom
import { readFileSync } from 'node:fs'
import { beforeEach, describe, expect, it } from 'vitest'
import { newMeal } from '~~/shared/meal'
import { beansWithSquash } from '~~/tests/dishes'
import { aKitchen, beansRun, START_MS } from '~~/tests/fixtures'
import { isOutdated, STORAGE_SHAPE_KEY, STORED, UNSENT_BEFORE, unsentIds, unsentKey } from './storageShape'
import { upgradeStorage } from './storageUpgrade'

const kept = (name: string) => JSON.parse(readFileSync(`shared/first-shape/${name}.json`, 'utf8')) as object[]
const id = (n: number) => `0de70000-0000-4000-8000-${String(n).padStart(12, '0')}`
const read = (key: string) => JSON.parse(localStorage.getItem(key)!) as unknown

beforeEach(() => localStorage.clear())

describe('what an earlier version kept on the device', () => {
  it('is nothing to upgrade on a new device', () => {
    expect(isOutdated(localStorage)).toBe(false)
    localStorage.setItem(STORED.outbox, '[]')
    expect(isOutdated(localStorage)).toBe(false)
  })

  it('is all there in today’s shape: pot, runs and unsent events', () => {
    const [pot, phases] = kept('pots')
    const [plan] = kept('plans')
    const event = { runId: id(1), event: { id: id(2), at: 5, data: { kind: 'whistle' } } }
    localStorage.setItem(STORED.pot, JSON.stringify({ pot: phases, keptId: id(3) }))
    localStorage.setItem(STORED.keptPots, JSON.stringify({ [id(3)]: { id: id(3), content: JSON.stringify(pot) } }))
    localStorage.setItem(STORED.running, JSON.stringify([{ id: id(1), events: [], plan }]))
    localStorage.setItem(STORED.outbox, JSON.stringify([event]))
    expect(isOutdated(localStorage)).toBe(true)
    upgradeStorage(localStorage)
    expect(isOutdated(localStorage)).toBe(false)
    expect(read(STORED.pot)).toMatchObject({ keptId: id(3), pot: { shape: 2, items: [{ joins: 0 }, { joins: 1 }] } })
    const lastKept = read(STORED.keptPots) as Record<string, { content: string }>
    expect(JSON.parse(lastKept[id(3)]!.content)).toMatchObject({ shape: 2, given: [{ pourG: 700 }] })
    expect(read(STORED.running)).toMatchObject([{ id: id(1), plan: { answer: { closings: [{}] } } }])
    expect(read(STORED.outbox)).toEqual([event])
  })

  it('of the second shape goes on: what was changed in the kitchen, and what is on the stove', () => {
    const { likes: _, ...second } = aKitchen({ roomC: 23 })
    localStorage.setItem(STORAGE_SHAPE_KEY, '2')
    localStorage.setItem(UNSENT_BEFORE.kitchen, JSON.stringify({ version: 4, kitchen: { ...second, shape: 2 } }))
    localStorage.setItem(STORED.running, JSON.stringify([beansRun(id(1))]))
    expect(isOutdated(localStorage)).toBe(true)
    upgradeStorage(localStorage)
    expect(read(unsentKey('kitchen', 'own'))).toMatchObject({
      version: 4,
      content: { roomC: 23, likes: { counts: 'usual' } },
    })
    expect(read(STORED.running)).toMatchObject([{ id: id(1), plan: { answer: { closings: [{}] } } }])
    expect(localStorage.getItem(`${STORED.running}-unreadable`)).toBeNull()
  })

  it('of the third shape is still to be sent: a dish and a dinner that were changed', () => {
    const dish = { shape: 1, ...beansWithSquash() }
    const meal = newMeal(START_MS)
    localStorage.setItem(STORAGE_SHAPE_KEY, '3')
    localStorage.setItem(UNSENT_BEFORE.dishes, JSON.stringify({ [id(4)]: { version: 2, favourite: true, dish } }))
    localStorage.setItem(
      UNSENT_BEFORE.meals,
      JSON.stringify({ [id(5)]: { id: id(5), version: 3, meal: { ...meal, hands: 2 }, base: meal } }),
    )
    expect(isOutdated(localStorage)).toBe(true)
    upgradeStorage(localStorage)
    expect([unsentIds('dish'), unsentIds('meal')]).toEqual([[id(4)], [id(5)]])
    expect(read(unsentKey('dish', id(4)))).toEqual({ version: 2, favourite: true, content: dish, base: null })
    expect(read(unsentKey('meal', id(5)))).toMatchObject({ version: 3, content: { hands: 2 }, base: { hands: 1 } })
    expect(localStorage.getItem(UNSENT_BEFORE.meals)).toBeNull()
  })

  it('is set aside where it cannot be read, not thrown away, and stops nothing else', () => {
    localStorage.setItem(STORED.pot, '{"pot":{"items":"broken"},"keptId":null}')
    localStorage.setItem(STORED.outbox, 'not json')
    localStorage.setItem(STORED.running, '[]')
    upgradeStorage(localStorage)
    expect(localStorage.getItem(STORED.pot)).toBeNull()
    expect(localStorage.getItem(`${STORED.pot}-unreadable`)).toContain('broken')
    expect(localStorage.getItem(`${STORED.outbox}-unreadable`)).toBe('not json')
    expect(read(STORED.running)).toEqual([])
  })
})
