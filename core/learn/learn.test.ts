import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { randomFrom } from '../live/random'
import { plan } from '../program/plan'
import { isRefused } from '../safety/rules'
import { drawnFrom, household, requestOf, type Pot } from '../../tests/trials/learn'
import { asLearnt } from './apply'
import { NO_NOISE, USUAL_NOISE } from './cook'
import { figureOfId, idOf, type Figure } from './figure'
import { Posterior } from './posterior'
import { learnFrom, type KitchenLog, type LoggedRun } from './log'
import { believedOf } from './sums'

const one = (id: string) => new Map([[id, 1]])
const sd = fc.double({ min: 0.05, max: 0.5, noNaN: true })
const value = fc.double({ min: -0.4, max: 0.4, noNaN: true })

/** Moments of a normal figure of which a blurred judgement lay between two limits, by summing over a fine grid. */
function onGrid(prior: { mean: number; sd: number }, [low, high]: [number, number], blur: number) {
  const below = (x: number) => {
    // Simpson's rule from far below; nothing of the product is used.
    const n = 400
    const from = -9
    if (x <= from) return 0
    const to = Math.min(x, 9)
    const h = (to - from) / n
    let sum = 0
    for (let i = 0; i <= n; i++) {
      const z = from + i * h
      sum += (i === 0 || i === n ? 1 : i % 2 ? 4 : 2) * Math.exp((-z * z) / 2)
    }
    return (sum * h) / 3 / Math.sqrt(2 * Math.PI)
  }
  let [weights, first, second] = [0, 0, 0]
  for (let i = -300; i <= 300; i++) {
    const x = prior.mean + (i / 50) * prior.sd
    const likely = below((high - x) / blur) - below((low - x) / blur)
    const slip = 0.03 / 5
    const weight = Math.exp(-((i / 50) ** 2) / 2) * (0.97 * likely + slip)
    weights += weight
    first += weight * x
    second += weight * x * x
  }
  const mean = first / weights
  return { mean, sd: Math.sqrt(second / weights - mean * mean) }
}

describe('the posterior belief', () => {
  it('takes a measurement as Bayes would', () => {
    fc.assert(
      fc.property(value, sd, value, sd, (mean, prior, seen, exact) => {
        fc.pre(Math.abs(seen - mean) < 2 * Math.hypot(prior, exact))
        const posterior = new Posterior()
        posterior.add('a', { mean, sd: prior })
        posterior.measured(one('a'), seen, exact)
        const sure = 1 / prior ** 2 + 1 / exact ** 2
        expect(posterior.of(one('a')).mean).toBeCloseTo((mean / prior ** 2 + seen / exact ** 2) / sure, 9)
        expect(posterior.of(one('a')).sd).toBeCloseTo(1 / Math.sqrt(sure), 9)
      }),
    )
  })

  it('takes a judgement between two limits as a sum over all that could be', () => {
    for (const [low, high] of [
      [-0.12, 0.12],
      [0.12, 0.37],
      [0.37, Infinity],
      [-Infinity, -0.37],
    ] as const) {
      const prior = { mean: 0.05, sd: 0.3 }
      const posterior = new Posterior()
      posterior.add('a', prior)
      posterior.judged(one('a'), [low, high], 0.12, 5)
      const exact = onGrid(prior, [low, high], 0.12)
      expect(posterior.of(one('a')).mean).toBeCloseTo(exact.mean, 2)
      expect(posterior.of(one('a')).sd).toBeCloseTo(exact.sd, 2)
    }
  })

  it('leaves undecided what one observation cannot tell apart, until another tells', () => {
    const posterior = new Posterior()
    for (const id of ['bag', 'taste']) posterior.add(id, { mean: 0, sd: 0.2 })
    posterior.measured(
      new Map([
        ['bag', 1],
        ['taste', 1],
      ]),
      0.3,
      0.05,
    )
    expect(posterior.of(one('bag')).mean).toBeCloseTo(posterior.of(one('taste')).mean, 9)
    expect(posterior.correlation('bag', 'taste')).toBeLessThan(-0.8)
    posterior.measured(one('taste'), 0, 0.05)
    expect(posterior.of(one('bag')).mean).toBeGreaterThan(0.22)
    expect(Math.abs(posterior.of(one('taste')).mean)).toBeLessThan(0.05)
  })

  it('is not carried away by one absurd measurement, and told so when it comes again', () => {
    const posterior = new Posterior()
    posterior.add('a', { mean: 0, sd: 0.2 })
    for (let i = 0; i < 5; i++) posterior.measured(one('a'), 0.05, 0.1)
    const before = posterior.of(one('a')).mean
    posterior.measured(one('a'), 3, 0.1)
    expect(posterior.of(one('a')).mean - before).toBeLessThan(0.1)
  })

  it('forgets a figure with all that it shared', () => {
    const posterior = new Posterior()
    for (const id of ['a', 'b']) posterior.add(id, { mean: 0, sd: 0.2 })
    posterior.measured(
      new Map([
        ['a', 1],
        ['b', 1],
      ]),
      0.3,
      0.05,
    )
    const b = posterior.of(one('b'))
    posterior.reset('a', { mean: 0, sd: 0.2 })
    expect(posterior.of(one('a'))).toEqual({ mean: 0, sd: 0.2 })
    expect(posterior.of(one('b'))).toEqual(b)
    expect(posterior.correlation('a', 'b')).toBe(0)
  })
})

describe('a figure that is known no more', () => {
  it('leaves all that is believed of the others', () => {
    const posterior = new Posterior()
    for (const id of ['a', 'b', 'c']) posterior.add(id, { mean: 0, sd: 0.2 })
    posterior.measured(new Map(['a', 'b', 'c'].map((id, i) => [id, i + 1])), 0.3, 0.05)
    const before = [posterior.of(one('a')), posterior.of(one('c')), posterior.correlation('a', 'c')]
    posterior.drop('b')
    expect(posterior.ids).toEqual(['a', 'c'])
    expect([posterior.of(one('a')), posterior.of(one('c')), posterior.correlation('a', 'c')]).toEqual(before)
    posterior.add('b', { mean: 0.1, sd: 0.3 })
    expect(posterior.of(one('b'))).toEqual({ mean: 0.1, sd: 0.3 })
    expect(posterior.content.rows.map((row) => row.length)).toEqual([1, 2, 3])
  })
})

describe('the ids of figures', () => {
  it('are read back as they were', () => {
    const figures: Figure[] = [
      { kind: 'flame-heat', cookerId: 'c', burnerId: 'b', flame: 'low' },
      { kind: 'batch', bagId: 'x' },
      { kind: 'taste' },
    ]
    for (const figure of figures) expect(figureOfId(idOf(figure))).toEqual(figure)
    for (const none of ['', 'taste me', 'flame-heat c', 'constructor x', 'need ', 'flame-heat c  low'])
      expect(figureOfId(none)).toBeNull()
  })
})

const random = () => randomFrom(11)
const small = household(24, drawnFrom(randomFrom(12)), USUAL_NOISE, random())

describe('learning from a log', () => {
  const { log } = small
  const last = log.runs.at(-1)!
  const meanOf = (of: KitchenLog, id: string) => learnFrom(of).of(one(id)).mean

  it('comes nearer to what no run was told', () => {
    const others = [13, 14, 15].map((seed) => household(24, drawnFrom(randomFrom(seed)), USUAL_NOISE, randomFrom(seed)))
    const told = [small, ...others].flatMap(({ log, truth }) =>
      learnFrom(log)
        .figures.filter(({ evidence, figure }) => evidence.length >= 5 && figure.kind !== 'burner-heat')
        .map(({ id, prior, now }) => ({ prior, now, is: truth.get(id) ?? 0 })),
    )
    const held = told.filter(({ now, is }) => Math.abs(now.mean - is) < 2.5 * now.sd)
    expect(told.length).toBeGreaterThan(32)
    expect(held.length / told.length).toBeGreaterThan(0.85)
    const off = (of: (one: (typeof told)[number]) => { mean: number }) =>
      told.reduce((sum, one) => sum + Math.abs(of(one).mean - one.is), 0)
    expect(off(({ now }) => now)).toBeLessThan(0.75 * off(({ prior }) => prior))
  }, 60_000)

  it('is the same whenever it is asked, and in whatever order its runs stand', () => {
    const again = learnFrom({ ...log, runs: [...log.runs].reverse() })
    expect(again.figures.map(({ id, now }) => [id, now])).toEqual(
      learnFrom(log).figures.map(({ id, now }) => [id, now]),
    )
  })

  it('counts an edited verdict at once, and a deleted one no more', () => {
    const judged = (texture: number | null): KitchenLog => ({
      ...log,
      runs: [
        ...log.runs.slice(0, -1),
        { ...last, verdicts: texture === null ? [] : [{ content: 0, texture, water: 0 }] },
      ],
    })
    const soft = meanOf(judged(2), 'taste')
    const hard = meanOf(judged(-2), 'taste')
    expect(soft).toBeLessThan(meanOf(judged(null), 'taste'))
    expect(hard).toBeGreaterThan(meanOf(judged(null), 'taste'))
    expect(hard - soft).toBeLessThan(0.25)
  })

  it('passes over a run that is not to teach, as if it had never been', () => {
    const without = learnFrom({ ...log, without: [last.id] })
    const never = learnFrom({ ...log, runs: log.runs.slice(0, -1) })
    expect(without.figures).toEqual(never.figures)
  })

  it('begins anew with a figure that is forgotten, a new gasket, and what a water test measured', () => {
    const after = last.fit.litAt + 1
    const fallen = log.runs.find(({ fit }) => fit.loss)!
    const loss = idOf({ kind: 'loss', cookerId: fallen.cookerId })
    const forgotten = learnFrom({ ...log, forgotten: [{ figure: 'taste', at: after }] })
    expect(forgotten.of(one('taste'))).toEqual({ mean: 0, sd: 0.2 })
    const repaired = learnFrom({ ...log, gaskets: [{ cookerId: fallen.cookerId, at: after }] })
    expect(repaired.of(one(loss)).sd).toBeCloseTo(0.3, 9)
    const heat = log.runs.find(({ burnerId }) => burnerId)!
    const { cookerId, burnerId } = heat
    const tested = learnFrom({ ...log, waterTests: [{ cookerId, burnerId, at: after }] })
    const terms = new Map(
      [
        idOf({ kind: 'burner-heat', cookerId, burnerId: burnerId! }),
        idOf({ kind: 'flame-heat', cookerId, burnerId: burnerId!, flame: 'high' }),
      ]
        .filter((id) => tested.has(id))
        .map((id) => [id, 1]),
    )
    expect(tested.of(terms).sd).toBeLessThan(0.045)
  })

  it('keeps to a wattage that the kitchen says anew', () => {
    const flame = log.runs.find(({ fit }) => fit.said.flameW)!
    const { cookerId } = flame
    const burnerId = flame.burnerId!
    const figure = idOf({ kind: 'burner-heat', cookerId, burnerId })
    const pot: Pot = { ...POT, cookerId, cooker: 'whistling-5l-aluminium', burnerId }
    const request = requestOf(pot)
    const learnt = learnFrom(log)
    if (!learnt.has(figure)) return
    const said = (watts: number) => ({
      ...request,
      burner: { high: watts, medium: 0.4 * watts, low: 0.23 * watts, simmer: 0.15 * watts },
    })
    const wattsOf = (watts: number) => {
      const { learnt: factors } = asLearnt(said(watts), { cookerId, burnerId, bagIds: [null] }, learnt)
      return watts * (factors?.flames?.medium ?? 1)
    }
    const medium = idOf({ kind: 'flame-heat', cookerId, burnerId, flame: 'medium' })
    if (learnt.saidOf(medium) !== null) expect(wattsOf(2600)).toBeCloseTo(wattsOf(1300), 6)
  })

  it('knows a bag no more that nothing was taken from for more than a year, and all else as before', () => {
    const later: LoggedRun = {
      ...last,
      id: 'later',
      fit: { ...last.fit, litAt: last.fit.litAt + 500 * 864e5, heard: [], loss: null, water: null },
      bagIds: [null],
      verdicts: [],
    }
    const bags = (of: ReturnType<typeof learnFrom>) => of.figures.filter(({ figure }) => figure.kind === 'batch')
    const now = learnFrom({ ...log, runs: [...log.runs, later] })
    expect(bags(learnFrom(log)).length).toBeGreaterThan(0)
    expect(bags(now)).toEqual([])
    expect(now.of(one('taste'))).toEqual(learnFrom(log).of(one('taste')))
  })

  it('says the same from what was sent elsewhere', () => {
    const learnt = learnFrom(log)
    const there = believedOf(JSON.parse(JSON.stringify(learnt.sums)) as typeof learnt.sums)
    for (const { id, now } of learnt.figures) expect(there.of(one(id))).toEqual(now)
  })
})

const POT: Pot = {
  cookerId: 'blue',
  cooker: 'whistling-5l-aluminium',
  burnerId: 'strong',
  style: { kind: 'whistles', flame: 'medium' },
  foodId: 'kidney-red',
  dryG: 280,
  soakHours: 10,
  bagId: 'bag',
  isOld: false,
}

/** A log of one run, so often, always judged the same. */
function alwaysSaying(foodId: string, texture: number, times: number): KitchenLog {
  const pot: Pot = { ...POT, foodId }
  const { log } = household(1, () => 0, NO_NOISE, randomFrom(5))
  const run = log.runs[0]!
  const food = { ...run.fit.foods[0]!, foodId, logGot: { value: 0, sd: 0.05 } }
  const runs = Array.from({ length: times }, (_, i): LoggedRun => ({
    ...run,
    id: `run-${i}`,
    fit: { ...run.fit, litAt: run.fit.litAt + i * 86_400_000, foods: [food] },
    bagIds: [pot.bagId],
    verdicts: [{ content: 0, texture, water: 0 }],
  }))
  return { ...log, runs, bags: [{ id: pot.bagId, boughtAt: run.fit.litAt }] }
}
const planned = (foodId: string, log: KitchenLog) => {
  const pot: Pot = { ...POT, foodId }
  const { cookerId, burnerId } = pot
  const request = asLearnt(requestOf(pot), { cookerId, burnerId, bagIds: [pot.bagId] }, learnFrom(log))
  const answer = plan(request)
  if (!answer.ok) throw new Error(answer.problems[0]!.code)
  return answer.value
}
const without: KitchenLog = { runs: [], bags: [], gaskets: [], waterTests: [], forgotten: [], without: [] }

describe('what a plan makes of it', () => {
  it('gives less of what is always too soft, more of what is always too hard, and says so in the sum', () => {
    const before = planned('chickpea-white', without).foods[0]!
    const soft = planned('chickpea-white', alwaysSaying('chickpea-white', 2, 12)).foods[0]!
    const hard = planned('chickpea-white', alwaysSaying('chickpea-white', -2, 12)).foods[0]!
    expect(soft.needs).toBeLessThan(0.85 * before.needs)
    expect(hard.needs).toBeGreaterThan(1.15 * before.needs)
    expect(soft.factors.find(({ id }) => id === 'learnt')!.times).toBeCloseTo(soft.needs / before.needs, 6)
  })

  it('never gives beans with lectin less than is assumed of them, however often they were too soft', () => {
    const before = planned('kidney-red', without)
    const after = planned('kidney-red', alwaysSaying('kidney-red', 2, 60))
    expect(after.foods[0]!.needs).toBeGreaterThanOrEqual(before.foods[0]!.needs)
    expect(after.foods[0]!.gets).toBeGreaterThanOrEqual(before.foods[0]!.needs)
    expect(isRefused(after.cautions)).toBe(false)
    // And a request that claims it outright is held to the same.
    const claimed = plan({ ...requestOf(POT), learnt: { needByPressure: 0.6, contents: [{ need: 0.2 }] } })
    expect(claimed.ok && claimed.value.foods[0]!.gets).toBeGreaterThanOrEqual(before.foods[0]!.needs)
  })

  it('learns of a cooker what another cooker tells apart from a liking', () => {
    const { cookerId, runs } = alwaysSaying('chickpea-white', -1, 10)
      .runs.map((run) => ({
        ...run,
        fit: { ...run.fit, underPressure: true },
      }))
      .reduce<{ cookerId: string; runs: LoggedRun[] }>(
        (all, run, i) => ({
          cookerId: run.cookerId,
          runs: [
            ...all.runs,
            run,
            { ...run, id: `there-${i}`, cookerId: 'another', verdicts: [{ content: 0, texture: 0, water: 0 }] },
          ],
        }),
        { cookerId: '', runs: [] },
      )
    const learnt = learnFrom({ ...without, runs })
    const pressure = (id: string) => learnt.of(one(idOf({ kind: 'pressure', cookerId: id }))).mean
    expect(pressure(cookerId)).toBeLessThan(-0.03)
    expect(pressure('another')).toBeGreaterThan(0.03)
  })

  it('never takes a verdict for news of the heat, also where nothing was heard', () => {
    const log = alwaysSaying('kidney-red', 2, 40)
    const unheard: KitchenLog = {
      ...log,
      runs: log.runs.map((run) => ({
        ...run,
        burnerId: 'strong',
        fit: {
          ...run.fit,
          said: { flameW: { high: 1300, medium: 520, low: 300, simmer: 200 }, ownW: null, lossWPerK: 1 },
          heard: [],
          loss: null,
          unheard: { medium: 1 },
          foods: [{ ...run.fit.foods[0]!, byHeat: 1 }],
        },
      })),
    }
    const learnt = learnFrom(unheard)
    const { cookerId } = unheard.runs[0]!
    for (const figure of [
      { kind: 'burner-heat', cookerId, burnerId: 'strong' },
      { kind: 'flame-heat', cookerId, burnerId: 'strong', flame: 'medium' },
    ] as const)
      expect(learnt.of(one(idOf(figure))).mean).toBe(0)
  })

  it('narrows the range and never widens it', () => {
    const { log } = small
    const plain = requestOf({ ...POT, foodId: 'navy-bean' })
    const { spread } = asLearnt(plain, { cookerId: 'blue', burnerId: 'strong', bagIds: [null] }, learnFrom(log))
    expect(spread?.flame ?? 0).toBeLessThanOrEqual(0.15)
    expect(spread?.batch ?? 0).toBeLessThanOrEqual(0.2)
  })

  it('comes back as it is where its cooker or one of its foods is not known', () => {
    const { log } = small
    const plain = requestOf(POT)
    const on = { cookerId: log.runs[0]!.cookerId, burnerId: 'strong', bagIds: [null, null] }
    const learnt = learnFrom(log)
    const strange = { ...plain.contents[0]!, food: 'moon-bean' }
    for (const unknown of [
      { ...plain, cooker: 'moon-pot' },
      { ...plain, contents: [strange] },
      { ...plain, contents: [plain.contents[0]!, strange] },
    ])
      expect(asLearnt({ ...unknown, learnt: { steam: 3 } }, on, learnt)).toEqual({ ...unknown, learnt: undefined })
  })

  it('is planned as before where nothing was learnt', () => {
    const plain = requestOf(POT)
    expect(asLearnt(plain, { cookerId: 'blue', burnerId: 'strong', bagIds: ['bag'] }, learnFrom(without))).toEqual({
      ...plain,
      spread: { batch: 0.2 },
    })
  })
})

describe('what a household says and does besides its verdicts', () => {
  const none: KitchenLog = { runs: [], bags: [], gaskets: [], waterTests: [], forgotten: [], without: [] }

  it('asked once how soft it likes beans, is believed before the first pot, and never for less than is safe', () => {
    const pot: Pot = {
      cookerId: 'blue',
      cooker: 'whistling-5l-aluminium',
      burnerId: 'strong',
      style: { kind: 'whistles', flame: 'medium' },
      foodId: 'toor-split',
      dryG: 200,
      soakHours: 0,
      bagId: 'bag',
      isOld: false,
    }
    const needs = (beansLiked: KitchenLog['beansLiked'], foodId = 'toor-split') => {
      const on = { cookerId: 'blue', burnerId: 'strong', bagIds: ['bag'] }
      const request = asLearnt(requestOf({ ...pot, foodId, soakHours: 9 }), on, learnFrom({ ...none, beansLiked }))
      const answer = plan(request, { range: false })
      return answer.ok ? answer.value.foods[0]!.needs : NaN
    }
    expect(needs('soft') / needs('usual')).toBeCloseTo(1.25, 2)
    expect(needs('firm') / needs('usual')).toBeCloseTo(0.8, 2)
    expect(needs('usual')).toBeCloseTo(needs(undefined), 6)
    expect(needs('firm', 'kidney-red')).toBeGreaterThanOrEqual(needs(undefined, 'kidney-red') - 1e-6)
  })

  /** A log of one cooker whose pressure is gone so many minutes after the heat, run after run. */
  const falls = (values: readonly number[]): KitchenLog => ({
    ...none,
    runs: values.map((value, i): LoggedRun => ({
      id: `r${i}`,
      cookerId: 'blue',
      burnerId: 'strong',
      bagIds: [],
      verdicts: [],
      fit: {
        litAt: Date.UTC(2026, 0, 1 + i),
        said: { flameW: { high: 1300, medium: 520, low: 300, simmer: 200 }, ownW: null, lossWPerK: 2 },
        heard: [],
        loss: { value, sd: 0.25 },
        foods: [],
        underPressure: true,
        unheard: null,
        water: null,
      },
    })),
  })
  const loss = (values: readonly number[]) => learnFrom(falls(values)).of(one('loss blue'))

  it('a gasket that begins to leak is noticed within three pots, and one odd pot moves little', () => {
    const steady = Array.from({ length: 12 }, () => 0)
    expect(loss(steady).mean).toBeCloseTo(0, 2)
    expect(loss([...steady, 1.2]).mean).toBeLessThan(0.4)
    expect(loss([...steady, 1.2, 1.2, 1.2]).mean).toBeGreaterThan(0.8)
  })
})
