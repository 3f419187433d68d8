import { flameStep, type LivePlan } from '../../core/live/course'
import type { RunEvent } from '../../core/live/event.schema'
import { expectedWhistle } from '../../core/live/expected'
import { courseOf, createFollower } from '../../core/live/follow'
import { normal, randomFrom } from '../../core/live/random'
import { createStove, hiddenPot, type Hidden } from '../../core/live/stove'
import { MINUTE_MS } from '../../core/measure/time'
import { Run } from '../../core/pot/run'
import type { Outcome } from '../../core/problem'
import type { PlanAnswer } from '../../core/program/answer'
import type { PlanRequest } from '../../core/program/request.schema'
import { UNMEASURED } from '../../core/unknown'

/** How a simulated run of whistles came out. */
interface TrialResult {
  /** Boil-minutes of the first food: what it really had, what was inferred, and what the fixed count promises. */
  truth: number
  inferred: number
  promised: number
  needs: number
  /** What the fixed count, as it was heard, would really have given. */
  fixedTruth: number
  changes: number
}

interface TrialNoise {
  missed: number
  false: number
  /** Seconds by which a hand is late, on average. */
  lateS: number
}

/** Counts the whistles in the cook's stead; what it tells may lie a little before the minute at which it tells it. */
export interface Listening {
  /** Goes on until that minute, in which the pot whistled at these; the minutes at which it heard a whistle begin. */
  until(minute: number, whistleMinutes: readonly number[]): number[]
  /** What is known of the pot, in log odds. */
  expect(logOdds: number): void
}

/**
 * A whole run on a simulated stove whose heat, load and vent nobody knows, counted by a cook who misses some
 * whistles and counts others that were none, and who does what is advised. The fixed count is judged on the
 * same stove and the same ears.
 */
function trial(
  plan: LivePlan,
  hidden: Hidden,
  noise: TrialNoise,
  random: () => number,
  listening: Listening | null,
): TrialResult {
  const START = 0
  const ms = (minute: number) => START + Math.round(minute * MINUTE_MS)
  const planned = plan.answer.closings[0]!.range.figure
  const follow = createFollower(plan, { bands: false })
  const events: RunEvent[] = [{ id: 'lit', at: ms(0), data: { kind: 'lit' } }]
  const first = courseOf(plan, events)
  const flameW = 'heatW' in first.program[0]! ? first.program[0]!.heatW : 0
  const step = 1 / 12
  let figure = planned
  let changes = 0
  let fixedOffMinute: number | null = null
  let offMinute: number | null = null
  /** When nothing is heard until then, it is looked at again. */
  let lookAgainMs = Infinity
  const stove = createStove(first, hidden)
  stove.heat(flameW)
  let nextFalse = nextFalseAfter(0)
  for (let minute = step; minute < 240 && (offMinute === null || fixedOffMinute === null); minute += step) {
    const whistled = stove
      .advance(minute)
      .filter(({ kind }) => kind === 'whistle')
      .map((sign) => sign.minute)
    const heard = listening ? listening.until(minute, whistled) : tapped(whistled, minute)
    for (const at of heard) {
      const event: RunEvent = { id: `w${events.length}`, at: ms(at), data: { kind: 'whistle' } }
      const count = events.length
      if (fixedOffMinute === null && count >= planned) fixedOffMinute = at
      events.push(event)
      if (offMinute !== null) continue
      const knownMinute = listening ? minute : at
      const { advice, outlook } = follow(events, ms(knownMinute))
      if (advice && advice.figure !== figure) changes++
      figure = advice?.figure ?? figure
      if (outlook!.soFar >= figure) offMinute = knownMinute
      lookAgainMs = Math.max(outlook!.heatOffAt, event.at + 20_000)
    }
    if (listening) listening.expect(expectedWhistle(plan, follow(events, ms(minute)), ms(minute)))
    if (offMinute !== null || ms(minute) < lookAgainMs) continue
    // Nothing heard: the clock alone may tell that it is time.
    const { advice, outlook } = follow(events, ms(minute))
    figure = advice?.figure ?? figure
    lookAgainMs = Math.max(outlook!.heatOffAt, ms(minute) + 20_000)
    if (outlook!.heatOffAt <= ms(minute)) offMinute = minute
  }
  const off = offMinute ?? 240
  const told = events.filter(({ at }) => at <= ms(off))
  const end = follow([...told, { id: 'off', at: ms(off), data: { kind: 'heat-off' } }], ms(off) + 60 * MINUTE_MS)
  return {
    truth: endOf(off),
    inferred: end.outlook!.gotNow[0]!.value,
    promised: plan.answer.foods[0]!.gets,
    needs: plan.answer.foods[0]!.needs,
    fixedTruth: endOf(fixedOffMinute ?? 240),
    changes,
  }

  /** A cook who misses some, is late, and hears some that were none. */
  function tapped(whistled: readonly number[], minute: number): number[] {
    const heard = whistled
      .filter(() => random() >= noise.missed)
      .map((at) => at + (noise.lateS / 60) * Math.abs(1 + 0.5 * normal(random)))
    if (stove.now().whistles > 0 && minute > nextFalse) {
      heard.push(minute)
      nextFalse = nextFalseAfter(minute)
    }
    return heard
  }

  function nextFalseAfter(minute: number): number {
    // One in so many whistles, at the pace that was planned.
    const pace = plan.answer.closings[0]!.program.minutes / planned
    return minute - (Math.log(1 - random()) * pace) / Math.max(1e-9, noise.false)
  }

  function endOf(offAt: number): number {
    const run = new Run(hiddenPot(first.pot, hidden))
    run.heat(flameStep(flameW * hidden.heat))
    run.until(offAt)
    run.release({ kind: 'natural' })
    return run.boilMinutes()[0]!
  }
}

/** What is planned so that nine pots in ten are done is right up to so many times its need. */
const MOST = 1.7

const NOISE: TrialNoise = { missed: 0.1, false: 0.05, lateS: 2 }
const FOODS = [
  { food: 'navy-bean', dryG: 300, hours: 9 },
  { food: 'chickpea-white', dryG: 250, hours: 9 },
  { food: 'toor-split', dryG: 200, hours: 0 },
  { food: 'black-eyed', dryG: 250, hours: 6 },
  { food: 'kidney-red', dryG: 280, hours: 10 },
]

export interface Trials {
  trials: number
  /** Shares of the runs whose boil-minutes were told within 12 % of what they were. */
  within12: number
  fixedWithin12: number
  /** Shares of the runs in which the food got from 10 % less to 70 % more than it needs. */
  doneRight: number
  fixedDoneRight: number
  /** Half and nine tenths of the misses are smaller than this share. */
  medianMiss: number
  ninetiethMiss: number
  fixedMedianMiss: number
  fixedNinetiethMiss: number
  changesPerRun: number
}

/**
 * Many trials over five foods and two flames, the same every time; `planner` makes the plans. With `listeningOf` the
 * whistles of each run are counted by what it gives in place of a hand.
 */
export function runTrials(
  count: number,
  planner: (request: PlanRequest) => Outcome<PlanAnswer>,
  listeningOf: ((run: number) => Listening) | null = null,
): Trials {
  const results = Array.from({ length: count }, (_, i) => {
    const random = randomFrom(1000 + i)
    const { food, dryG, hours } = FOODS[i % FOODS.length]!
    const request: PlanRequest = {
      kitchen: { altitudeM: 1450, roomC: 20, tapC: 18 },
      cooker: 'whistling-5l-aluminium',
      burner: { high: 1300, medium: 520, low: 300, simmer: 200 },
      contents: [{ food, dryG, soak: hours > 0 ? { hours, waterC: 20, keepWater: false } : null, where: 'base' }],
      liquids: [],
      freeLiquid: 'spoonable',
      style: { kind: 'whistles', flame: i % 2 === 0 ? 'high' : 'medium' },
      release: 'auto',
    }
    const planned = planner(request)
    if (!planned.ok) throw new TypeError(planned.problems[0]!.code)
    const unknown = (sd: number) => Math.exp(sd * normal(random))
    const hidden = { heat: unknown(UNMEASURED.heat), load: unknown(UNMEASURED.load), vent: unknown(UNMEASURED.vent) }
    return trial({ request, answer: planned.value }, hidden, NOISE, random, listeningOf?.(i) ?? null)
  })
  const share = (holds: (one: TrialResult) => boolean) => results.filter(holds).length / count
  const misses = (of: (one: TrialResult) => number) => results.map((one) => Math.abs(of(one))).sort((a, b) => a - b)
  const told = misses(({ inferred, truth }) => inferred / truth - 1)
  const promised = misses(({ promised, fixedTruth }) => promised / fixedTruth - 1)
  const isRight = (got: number, needs: number) => got >= 0.9 * needs && got <= MOST * needs
  const at = (sorted: number[], part: number) => sorted[Math.min(count - 1, Math.floor(part * count))]!
  return {
    trials: count,
    within12: told.filter((miss) => miss <= 0.12).length / count,
    fixedWithin12: promised.filter((miss) => miss <= 0.12).length / count,
    doneRight: share(({ truth, needs }) => isRight(truth, needs)),
    fixedDoneRight: share(({ fixedTruth, needs }) => isRight(fixedTruth, needs)),
    medianMiss: at(told, 0.5),
    ninetiethMiss: at(told, 0.9),
    fixedMedianMiss: at(promised, 0.5),
    fixedNinetiethMiss: at(promised, 0.9),
    changesPerRun: results.reduce((sum, { changes }) => sum + changes, 0) / count,
  }
}
