import { describe, expect, it } from 'vitest'
import { line, stage } from '../../tests/dishes'
import type { Dish, DishLine } from './dish.schema'
import type { StageKind } from './names'
import { usualStage } from './usual'

const dish = (...kinds: StageKind[]): Dish => ({
  name: 'Any',
  servings: 2,
  lines: [],
  stages: kinds.map((kind) => stage(kind, kind)),
})
const full = dish('prepare', 'soak', 'fry', 'pot', 'simmer', 'combine', 'temper', 'rest', 'fluff')
const of = (what: string, change: Partial<DishLine> = {}): DishLine => ({ ...line('it', what, 100), ...change })

describe('where something usually goes in', () => {
  it.each([
    ['navy-bean', 'soak'],
    ['brown-long', 'soak'],
    ['carrot-chunks', 'pot'],
    ['egg', 'pot'],
    ['onion', 'fry'],
    ['garlic', 'fry'],
    ['turmeric', 'fry'],
    ['cumin-seed', 'fry'],
    ['green-chilli', 'fry'],
    ['bay-leaf', 'fry'],
    ['ghee', 'fry'],
    ['tomato', 'simmer'],
    ['lemon-juice', 'simmer'],
    ['yogurt', 'simmer'],
    ['coriander-leaf', 'rest'],
    ['almond', 'rest'],
    ['salt', 'simmer'],
    ['soy-sauce', 'simmer'],
    ['coconut-milk', 'simmer'],
    ['chickpeas-canned', 'simmer'],
    ['water', 'pot'],
    ['stock', 'pot'],
  ])('%s: %s, in a dish with all of them', (what, where) => expect(usualStage(of(what), full)).toBe(where))

  it.each([
    ['onion', dish('prepare', 'temper', 'pot'), 'temper'],
    ['onion', dish('pot', 'simmer'), 'pot'],
    ['ghee', dish('simmer', 'pot'), 'pot'],
    ['navy-bean', dish('prepare', 'pot'), 'pot'],
    ['navy-bean', dish('prepare', 'simmer'), 'simmer'],
    ['tomato', dish('pot', 'combine', 'fluff'), 'combine'],
    ['tomato', dish('pot', 'fluff'), 'fluff'],
    ['coriander-leaf', dish('pot', 'combine', 'fluff'), 'combine'],
    ['coriander-leaf', dish('pot', 'fluff', 'chill'), 'fluff'],
    ['coriander-leaf', dish('pot', 'mash'), 'mash'],
    ['salt', dish('pot', 'rest'), 'rest'],
    ['salt', dish('fry', 'pot'), 'pot'],
    ['coconut-milk', dish('pot', 'rest'), 'pot'],
    ['water', dish('fry', 'mash'), 'mash'],
    ['ghee', dish('mash'), null],
    ['egg', dish('mash'), null],
    ['water', dish(), null],
  ])('%s takes the next best where its own is missing', (what, stages, where) =>
    expect(usualStage(of(what), stages)).toBe(where),
  )

  it('is where it gets hot for what is cooked already, and nowhere for what nobody knows', () => {
    const kept = { kept: { dryG: 40, boilMinutes: 30, saltG: 0 } }
    expect(usualStage(of('navy-bean', kept), full)).toBe('simmer')
    expect(usualStage(of('navy-bean', kept), dish('pot', 'combine'))).toBe('combine')
    expect(usualStage(of('navy-bean', kept), dish('pot', 'rest'))).toBe('rest')
    expect(usualStage(of('navy-bean', kept), dish())).toBeNull()
    const own = {
      id: 'x',
      group: 'fresh-herb',
      liquid: null,
      water: 0.8,
      salt: 0,
      fat: 0,
      sour: false,
      cupG: null,
      pieceG: null,
    }
    expect(usualStage({ ...of('x'), own } as DishLine, full)).toBe('simmer')
    expect(usualStage(of('nobody-knows'), full)).toBeNull()
    expect(usualStage({ ...of('x'), what: null }, full)).toBeNull()
  })
})
