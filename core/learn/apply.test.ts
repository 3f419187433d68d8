import { describe, expect, it } from 'vitest'
import { BURNERS } from '../appliance/burner'
import { COOKERS } from '../appliance/appliance'
import type { PlanRequest } from '../program/request.schema'
import { asLearnt, learntOfFoods, needShift } from './apply'
import { idOf, OLD_BATCH, UNLEARNT, type Figure } from './figure'
import type { Believed } from './posterior'

/** What is believed of some figures, none of which has to do with another. */
function believing(...figures: [Figure, mean: number, sd: number, said?: number][]): Believed {
  const known = new Map(figures.map(([figure, mean, sd, said = null]) => [idOf(figure), { mean, sd, said }]))
  const sum = (terms: ReadonlyMap<string, number>, of: (id: string, times: number) => number) =>
    [...terms].reduce((total, [id, times]) => total + of(id, times), 0)
  return {
    has: (id) => known.has(id),
    of: (terms) => ({
      mean: sum(terms, (id, times) => times * known.get(id)!.mean),
      sd: Math.sqrt(sum(terms, (id, times) => (times * known.get(id)!.sd) ** 2)),
    }),
    saidOf: (id) => known.get(id)?.said ?? null,
  }
}
const bean = { id: 'navy-bean', group: 'bean', isOld: false } as const
const need: Figure = { kind: 'need', foodId: 'navy-bean' }
const bag: Figure = { kind: 'batch', bagId: 'bag' }
const taste: Figure = { kind: 'taste' }
const groupTaste: Figure = { kind: 'group-taste', group: 'bean' }
const pressure: Figure = { kind: 'pressure', cookerId: 'blue' }

describe('what a food needs beside what is assumed', () => {
  const { need: ofNeed, taste: ofTaste, freshBatch, oldBatch } = UNLEARNT
  const loose = { bagId: null, pressedIn: null }

  it('is nothing, and as unsure as all of it is assumed to be, where nobody has spoken', () => {
    const { mean, sd } = needShift(bean, loose, believing())
    expect(mean).toBe(0)
    expect(sd).toBeCloseTo(Math.hypot(freshBatch, ofNeed, ofTaste, ofTaste), 9)
    expect(needShift({ ...bean, isOld: true }, loose, believing()).sd).toBeCloseTo(
      Math.hypot(oldBatch, ofNeed, ofTaste, ofTaste),
      9,
    )
  })

  it('is the sum of what is known of it, as sure as that and what is still assumed', () => {
    const learnt = believing([need, 0.1, 0.05], [taste, -0.03, 0.02])
    const { mean, sd } = needShift(bean, loose, learnt)
    expect(mean).toBeCloseTo(0.07, 9)
    expect(sd).toBeCloseTo(Math.hypot(0.05, 0.02, freshBatch, ofTaste), 9)
  })

  it('knows its bag, of which the age stands in the plan already', () => {
    const learnt = believing([bag, 0.4, 0.06], [need, 0, 0.1], [taste, 0, 0.1], [groupTaste, 0, 0.1])
    const from = { bagId: 'bag', pressedIn: null }
    const sd = Math.hypot(0.06, 0.1, 0.1, 0.1)
    expect(needShift(bean, from, learnt)).toEqual({ mean: 0.4, sd: expect.closeTo(sd, 9) })
    expect(needShift({ ...bean, isOld: true }, from, learnt)).toEqual({
      mean: expect.closeTo(0.4 - OLD_BATCH, 9),
      sd: expect.closeTo(sd, 9),
    })
    // Of another bag nothing is known.
    expect(needShift(bean, { bagId: 'other', pressedIn: null }, learnt).mean).toBe(0)
  })

  it('is less where the cooker’s pressure is higher, one and a half times as much', () => {
    const known = [
      [need, 0, 0.1],
      [taste, 0, 0.1],
      [groupTaste, 0, 0.1],
    ] as const
    const rest = [0.1, 0.1, 0.1, freshBatch]
    const pressed = { bagId: null, pressedIn: 'blue' }
    const learnt = believing(...known.map(([...one]): [Figure, number, number] => one), [pressure, 0.06, 0.04])
    expect(needShift(bean, pressed, learnt)).toEqual({
      mean: expect.closeTo(-0.09, 9),
      sd: expect.closeTo(Math.hypot(...rest, 0.06), 9),
    })
    const unknown = believing(...known.map(([...one]): [Figure, number, number] => one))
    expect(needShift(bean, pressed, unknown).sd).toBeCloseTo(Math.hypot(...rest, 1.5 * UNLEARNT.pressure), 9)
  })
})

describe('what was learnt of foods, whatever they are cooked in', () => {
  const food = { id: 'navy-bean', group: 'bean' as const, soak: {} as never }

  it('is a factor of what they need and drink, of those of which something is known', () => {
    const learnt = believing([need, 0.2, 0.05], [{ kind: 'uptake', foodId: 'navy-bean' }, -0.1, 0.02], [pressure, 9, 1])
    const other = { id: 'egg', group: 'egg' as const, soak: null }
    expect(
      learntOfFoods(
        [
          { food, bagId: null, isOld: false },
          { food: other, bagId: null, isOld: false },
        ],
        learnt,
      ),
    ).toEqual({ 'navy-bean': { need: expect.closeTo(Math.exp(0.2), 9), uptake: expect.closeTo(Math.exp(-0.1), 9) } })
  })

  it('counts the age of a bag only for what ages', () => {
    const learnt = believing([bag, 0.3, 0.05])
    const of = (soak: never, isOld: boolean) =>
      learntOfFoods([{ food: { ...food, soak }, bagId: 'bag', isOld }], learnt)['navy-bean']?.need
    expect(of({} as never, false)).toBeCloseTo(Math.exp(0.3), 9)
    expect(of(null as never, true)).toBeCloseTo(Math.exp(0.3), 9)
    // An old one that is as old ones are: the plan says so already.
    expect(of({} as never, true)).toBeUndefined()
  })

  it('is nothing below what matters, and never beyond four times', () => {
    const ofNeed = (mean: number) =>
      learntOfFoods([{ food, bagId: null, isOld: false }], believing([need, mean, 0.1]))['navy-bean']?.need
    expect(ofNeed(0.004)).toBeUndefined()
    expect(ofNeed(-0.004)).toBeUndefined()
    expect(ofNeed(0.006)).toBeCloseTo(Math.exp(0.006), 9)
    expect(ofNeed(3)).toBeCloseTo(4, 9)
    expect(ofNeed(-3)).toBeCloseTo(0.25, 9)
  })
})

describe('a request with what was learnt', () => {
  const request: PlanRequest = {
    kitchen: { altitudeM: 400, roomC: 20, tapC: 18 },
    cooker: 'whistling-5l-aluminium',
    burner: 'strong',
    contents: [{ food: 'navy-bean', dryG: 250, soak: null, where: 'base' }],
    liquids: [],
    style: { kind: 'whistles', flame: 'medium' },
    release: 'auto',
  }
  const on = { cookerId: 'blue', burnerId: 'strong', bagIds: [null] }
  const common: Figure = { kind: 'burner-heat', cookerId: 'blue', burnerId: 'strong' }
  const flame = (of: 'high' | 'medium' | 'low' | 'simmer'): Figure => ({
    kind: 'flame-heat',
    cookerId: 'blue',
    burnerId: 'strong',
    flame: of,
  })
  const close = (value: number) => expect.closeTo(value, 9)

  it('takes each flame by its own figure and what all of them share, the others by that alone', () => {
    const { learnt, spread } = asLearnt(
      request,
      on,
      believing([common, 0.1, 0.05], [flame('medium'), -0.3, 0.03], [flame('high'), 0.002, 0.9]),
    )
    expect(learnt?.flames).toEqual({
      high: close(Math.exp(0.102)),
      medium: close(Math.exp(-0.2)),
      low: close(Math.exp(0.1)),
      simmer: close(Math.exp(0.1)),
    })
    // By the flame that it is cooked on, and what one run is from another.
    expect(spread?.flame).toBeCloseTo(Math.hypot(0.05, 0.03, 0.06), 9)
  })

  it('keeps to what the kitchen says of a flame now', () => {
    const said = BURNERS.strong.medium * 1.2
    const { learnt } = asLearnt(request, on, believing([common, 0, 0.05], [flame('medium'), 0.1, 0.03, said]))
    expect(learnt?.flames?.medium).toBeCloseTo(1.2 * Math.exp(0.1), 1)
    expect(learnt?.flames?.high).toBe(1)
  })

  it('never widens what is unknown, and is as sure of a flame that nobody spoke of as before', () => {
    const vague = believing([common, 0.1, 0.4], [flame('medium'), 0.1, 0.4])
    expect(asLearnt(request, on, vague).spread?.flame).toBe(0.15)
    expect(asLearnt({ ...request, spread: { flame: 0.07 } }, on, vague).spread?.flame).toBe(0.07)
    expect(asLearnt(request, on, believing([common, 0.1, 0.01])).spread?.flame).toBeUndefined()
  })

  it('takes a cooker that heats itself by its own heat, on whatever burner', () => {
    const own: Figure = { kind: 'own-heat', cookerId: 'pot' }
    const { heaterW } = COOKERS['electric-6l']!.appliance as never as { heaterW: number }
    const electric: PlanRequest = { ...request, cooker: 'electric-6l', style: { kind: 'electric', level: 'high' } }
    const inPot = { cookerId: 'pot', burnerId: null, bagIds: [null] }
    const { learnt, spread } = asLearnt(electric, inPot, believing([own, 0.1, 0.02, heaterW]))
    expect(learnt).toEqual({ heat: close(Math.exp(0.1)) })
    expect(spread?.flame).toBeCloseTo(Math.hypot(0.02, 0.06), 9)
    expect(asLearnt(request, { ...on, burnerId: null }, believing([common, 0.1, 0.02])).learnt).toBeUndefined()
  })

  it('takes swing, loss and steam of the cooker, the loss as the kitchen says it now', () => {
    const { lossWPerK } = COOKERS['whistling-5l-aluminium']!.appliance
    const { learnt } = asLearnt(
      request,
      on,
      believing(
        [{ kind: 'swing', cookerId: 'blue' }, 0.2, 0.1],
        [{ kind: 'loss', cookerId: 'blue' }, 0.3, 0.1, lossWPerK / 2],
        [{ kind: 'steam', cookerId: 'blue' }, -0.4, 0.1],
        [{ kind: 'swing', cookerId: 'other' }, 9, 0.1],
      ),
    )
    expect(learnt).toEqual({
      swing: close(Math.exp(0.2)),
      loss: close(Math.exp(0.3) / 2),
      steam: close(Math.exp(-0.4)),
    })
  })

  it('takes the pressure once for all that is in it, and each food beside that', () => {
    const two = { ...request, contents: [...request.contents, { ...request.contents[0]!, food: 'kidney-red' }] }
    const learnt = believing(
      [pressure, 0.1, 0.02],
      [need, 0.2, 0.03],
      [{ kind: 'uptake', foodId: 'kidney-red' }, 0.05, 0.01],
    )
    expect(asLearnt(two, { ...on, bagIds: [null, null] }, learnt).learnt).toEqual({
      needByPressure: close(Math.exp(-0.15)),
      contents: [{ need: close(Math.exp(0.2)) }, { uptake: close(Math.exp(0.05)) }],
    })
    const open: PlanRequest = { ...request, cooker: 'open-5l', style: { kind: 'open', lid: true } }
    expect(asLearnt(open, on, learnt).learnt).toEqual({ contents: [{ need: close(Math.exp(0.2)) }] })
  })

  it('is as unsure of its foods as of the one that is known least', () => {
    const sure = [need, bag, taste, groupTaste].map((figure): [Figure, number, number] => [figure, 0, 0.01])
    const learnt = believing(...sure, [pressure, 0, 0.01])
    const from = { ...on, bagIds: ['bag'] }
    expect(asLearnt(request, from, learnt).spread?.batch).toBeCloseTo(Math.hypot(0.01, 0.01, 0.01, 0.01, 0.015), 9)
    const two = { ...request, contents: [...request.contents, { ...request.contents[0]!, food: 'egg' }] }
    expect(asLearnt(two, { ...from, bagIds: ['bag', null] }, learnt).spread?.batch).toBe(0.2)
  })
})
