import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { beansWithSquash, line } from '../tests/dishes'
import type { DishDocument } from './dish'
import { mergedDish } from './merge-dish'

const base: DishDocument = { shape: 1, ...beansWithSquash() }
const changed = (by: (dish: DishDocument) => void): DishDocument => {
  const dish = structuredClone(base)
  by(dish)
  return dish
}
const merge = (theirs: DishDocument, ours: DishDocument) => mergedDish(base, theirs, ours)

/** Changes of different things, of which any may be made on either device. */
const EDITS: readonly ((dish: DishDocument) => void)[] = [
  (dish) => (dish.name = 'Another name'),
  (dish) => (dish.servings = 9),
  (dish) => (dish.lines.find(({ id }) => id === 'onion')!.g = 333),
  (dish) => dish.lines.push(line('bay', 'bay-leaf', 1)),
  (dish) => dish.lines.unshift(line('cumin', 'cumin-seed', 2)),
  (dish) => (dish.stages[0]!.minutes = 700),
  (dish) => (dish.stages[1]!.flame = 'low'),
  (dish) => (dish.stages[3]!.until = 'Until it smells good'),
]

describe('a dish that two devices have changed at once', () => {
  it('has what either did, and nothing is asked', () => {
    fc.assert(
      fc.property(fc.subarray([...EDITS.keys()]), fc.subarray([...EDITS.keys()]), (mine, yours) => {
        const others = yours.filter((i) => !mine.includes(i))
        const both = [...mine, ...others].sort((a, b) => a - b)
        const of = (which: readonly number[]) => changed((dish) => which.forEach((i) => EDITS[i]!(dish)))
        const { dish, clashes } = merge(of(others), of(mine))
        expect(clashes).toEqual([])
        const sorted = (one: DishDocument) => ({
          ...one,
          lines: [...one.lines].sort((a, b) => a.id.localeCompare(b.id)),
        })
        expect(sorted(dish)).toEqual(sorted(of(both)))
      }),
    )
  })

  it('is the one that was changed where the other was not', () => {
    const ours = changed((dish) => dish.stages.reverse())
    expect(merge(base, ours).dish.stages.map(({ id }) => id)).toEqual(ours.stages.map(({ id }) => id))
    const theirs = changed((dish) => dish.lines.splice(1, 1))
    expect(merge(theirs, base).dish.lines).toEqual(theirs.lines)
    expect(merge(theirs, theirs)).toMatchObject({ clashes: [] })
  })

  it('says what both have changed, and has ours there', () => {
    const theirs = changed((dish) => {
      dish.name = 'Theirs'
      dish.lines[0]!.g = 100
    })
    const ours = changed((dish) => {
      dish.name = 'Ours'
      dish.lines[0]!.g = 900
    })
    const { dish, clashes } = merge(theirs, ours)
    expect(clashes.map(({ what }) => what).sort()).toEqual(['line', 'name'])
    expect([dish.name, dish.lines[0]!.g]).toEqual(['Ours', 900])
  })

  it('says of a stage what both have done to it: its minutes, what it takes, in which order stages are', () => {
    const both = (mine: (dish: DishDocument) => void, yours: (dish: DishDocument) => void) =>
      merge(changed(yours), changed(mine))
    const minutes = both(
      (dish) => (dish.stages[0]!.minutes = 700),
      (dish) => (dish.stages[0]!.minutes = 60),
    )
    expect(minutes.clashes).toMatchObject([{ what: 'stage', stage: { id: 'soak', minutes: 700 } }])
    expect(minutes.dish.stages[0]!.minutes).toBe(700)
    // Another thing of the same stage is no clash.
    const apart = both(
      (dish) => (dish.stages[0]!.minutes = 700),
      (dish) => (dish.stages[0]!.waterG = 900),
    )
    expect(apart.clashes).toEqual([])
    expect(apart.dish.stages[0]).toMatchObject({ minutes: 700, waterG: 900 })

    const takes = both(
      (dish) => (dish.stages[1]!.takes[0]! = { line: 'oil', g: 20 }),
      (dish) => (dish.stages[1]!.takes[0]! = { line: 'oil', g: 10 }),
    )
    expect(takes.clashes).toMatchObject([{ what: 'stage', stage: { id: 'fry' } }])
    expect(takes.dish.stages[1]!.takes).toContainEqual({ line: 'oil', g: 20 })

    const swap = (one: number, other: number) => (dish: DishDocument) => {
      const lines = dish.lines
      ;[lines[one], lines[other]] = [lines[other]!, lines[one]!]
    }
    const order = both(swap(0, 1), swap(2, 3))
    expect(order.clashes).toEqual([{ what: 'order' }])
    expect(order.dish.lines).toEqual(changed(swap(0, 1)).lines)
  })

  it('has the note and what is wanted of either, or neither where one has taken it out', () => {
    const noted = changed((dish) => (dish.note = 'Less salt'))
    expect(merge(noted, base).dish.note).toBe('Less salt')
    expect(merge(base, noted).dish.note).toBe('Less salt')
    expect(mergedDish(noted, base, noted).dish).not.toHaveProperty('note')
    expect(mergedDish(noted, noted, base).dish).not.toHaveProperty('note')
    const other = changed((dish) => (dish.note = 'More salt'))
    expect(merge(noted, other)).toMatchObject({ dish: { note: 'More salt' }, clashes: [{ what: 'note' }] })
  })

  it('puts a stage together that both have, and that was not there before', () => {
    const added = (takes: DishDocument['stages'][number]['takes']) =>
      changed((dish) =>
        dish.stages.push({ id: 'new', kind: 'rest', minutes: 5, takes, from: [{ stage: 'pot', part: 'all' }] }),
      )
    const { dish, clashes } = merge(added([{ line: 'salt', g: 1 }]), added([{ line: 'lemon' }]))
    expect(clashes).toEqual([])
    const merged = dish.stages.at(-1)!
    expect(merged).toMatchObject({ id: 'new', kind: 'rest', minutes: 5, from: [{ stage: 'pot', part: 'all' }] })
    expect(merged.takes.map(({ line: of }) => of).sort()).toEqual(['lemon', 'salt'])
  })

  it('keeps what is new behind what it stood behind', () => {
    const theirs = changed((dish) => dish.lines.splice(2, 0, line('theirs', 'cumin-seed', 1)))
    const ours = changed((dish) => dish.lines.splice(5, 0, line('ours', 'bay-leaf', 1)))
    const ids = merge(theirs, ours).dish.lines.map(({ id }) => id)
    const after = (id: string) => ids[ids.indexOf(id) - 1]
    expect(after('theirs')).toBe(base.lines[1]!.id)
    expect(after('ours')).toBe(base.lines[4]!.id)
    expect(ids).toHaveLength(base.lines.length + 2)
  })

  it('keeps a line that one took out while the other changed it, and says so', () => {
    const { id } = base.lines[0]!
    const theirs = changed((dish) => {
      dish.lines.shift()
      for (const stage of dish.stages) stage.takes = stage.takes.filter((take) => take.line !== id)
    })
    const ours = changed((dish) => (dish.lines[0]!.g = 450))
    const { dish, clashes } = merge(theirs, ours)
    expect(dish.lines[0]).toMatchObject({ id, g: 450 })
    expect(clashes).toMatchObject([{ what: 'line', line: { id } }])
    // Taken out by one and untouched by the other, it is gone everywhere.
    const gone = merge(
      theirs,
      changed((one) => (one.servings = 2)),
    ).dish
    expect(gone.lines.some((one) => one.id === id)).toBe(false)
    expect(gone.stages.some(({ takes }) => takes.some((take) => take.line === id))).toBe(false)
  })

  it('hangs together: no stage takes or goes on with what is gone', () => {
    const theirs = changed((dish) => {
      const [gone] = dish.stages.splice(1, 1)
      for (const stage of dish.stages) stage.from = stage.from.filter((from) => from.stage !== gone!.id)
    })
    const { dish } = merge(
      theirs,
      changed((one) => (one.stages[2]!.minutes = 50)),
    )
    const ids = dish.stages.map(({ id }) => id)
    dish.stages.forEach((stage, i) =>
      expect(stage.from.every((from) => ids.indexOf(from.stage) >= 0 && ids.indexOf(from.stage) < i)).toBe(true),
    )
  })
})
