import { beforeAll, describe, expect, it, vi } from 'vitest'
import { COOKERS } from '~~/core/appliance/appliance'
import type { StackAsk } from '~~/core/stack/ask'
import { BEANS } from '~~/tests/house'
import type { KitchenWork } from './kitchen.worker'

let work: KitchenWork
vi.mock('comlink', () => ({ expose: (all: KitchenWork) => (work = all) }))
beforeAll(() => import('./kitchen.worker'))

const food = (id: string) => ({ food: id, dryG: 60, soak: null, soakMayChange: true, lock: 'any' as const })
const tin = (n: number, diameterMm: number) => ({
  id: `tin-${n}`,
  diameterMm,
  heightMm: 40,
  volumeMl: Math.round((0.92 * Math.PI * (diameterMm / 2) ** 2 * 40) / 1000),
  lid: true,
  material: 'steel' as const,
})
const { contents: _, style: __, ...rest } = BEANS
const ask = (change: Partial<StackAsk> = {}) =>
  ({
    ...rest,
    cooker: COOKERS['electric-8l']!,
    freeLiquid: 'thick',
    foods: [food('red-rice'), food('toor-split')],
    tins: [tin(0, 190), tin(1, 180)],
    style: { kind: 'electric', level: 'high' },
    ...change,
  }) as StackAsk

describe('the computing thread', () => {
  it('gives the great figures first, the same as the plan’s', () => {
    for (const dryG of [120, 300, 410])
      for (const isFree of [false, true]) {
        const request = { ...BEANS, contents: [{ ...BEANS.contents[0]!, dryG }] }
        const { outcome } = work.plan(request, isFree)
        const { water, range } = outcome.ok ? outcome.value.closings[0]! : (null as never)
        expect(work.lead(request, isFree)).toEqual({ pourG: water.pourG, figure: range.figure, unit: range.unit })
      }
    expect(work.lead({ ...BEANS, contents: [{ ...BEANS.contents[0]!, dryG: 4000 }] })).toBeNull()
  })

  it('answers a plan with a curve for each closing, and a pot that cannot be with none', () => {
    const { outcome, curves } = work.plan(BEANS)
    expect(outcome.ok && outcome.value.closings).toHaveLength(1)
    const closing = outcome.ok ? outcome.value.closings[0]! : null
    expect(curves![0]!.heatOffMinute).toBeCloseTo(closing!.clock.heatOffAtMinute, 1)
    expect(work.plan({ ...BEANS, contents: [{ ...BEANS.contents[0]!, dryG: 4000 }] }).curves).toBeNull()
  })

  it('tells how far its search is, never backwards', async () => {
    const told: number[] = []
    const clock = vi.spyOn(performance, 'now')
    let ms = 0
    clock.mockImplementation(() => (ms += 50))
    const found = await work.searchStack(ask(), (done) => void told.push(done))
    clock.mockRestore()
    expect(found.ok && found.value.answers.length).toBeGreaterThan(0)
    expect(found.ok && found.value.repair).toBeNull()
    expect(told.length).toBeGreaterThan(1)
    expect([...told].sort((a, b) => a - b)).toEqual(told)
  })

  it('says what would repair a stack that does not fit', async () => {
    const heaps = ask({
      foods: ['red-rice', 'toor-split'].map((id) => ({ ...food(id), dryG: 120 })),
      tins: [tin(0, 60)],
    })
    const found = await work.searchStack(heaps, () => undefined)
    expect(found.ok && found.value.answers).toEqual([])
    expect(found.ok && found.value.repair).not.toBeNull()
  })

  it('answers a search that makes no sense with what is wrong', async () => {
    const found = await work.searchStack(ask({ foods: [food('no-such-food')] }), () => undefined)
    expect(found.ok).toBe(false)
  })

  it('finds what else could go in, the quickest first, and tells after each', async () => {
    const told: number[] = []
    const more = [food('moong-split'), { ...food('red-rice'), dryG: 2000 }, food('potato-cubes')]
    const fits = await work.whatElse(
      ask({ tins: [tin(0, 190), tin(1, 180), tin(2, 185)] }),
      more,
      (done) => void told.push(done),
    )
    expect(told).toEqual([1, 2, 3])
    expect(fits.map(({ food: id }) => id)).not.toContain('red-rice')
    expect(fits.length).toBeGreaterThan(0)
    expect(fits.map(({ minutes }) => minutes)).toEqual([...fits.map(({ minutes }) => minutes)].sort((a, b) => a - b))
  })
})
