import type { Release, Step } from '../appliance/step.schema'
import { withFigure } from '../appliance/steps'
import { MINUTE_MS } from '../measure/time'
import type { Run } from '../pot/run'
import { surplusOf } from '../program/closing'
import { leastFigure } from '../program/least-figure'
import type { StyleShape } from '../program/styles'
import { heated, replay, type Anchor, type Guess } from './course'
import { expectedOf } from './infer'
import { matchWhistles, notHeardYet } from './match'
import type { Situation } from './situation'

export const NATURAL: Release = { kind: 'natural' }
/** So long after a whistle begins the pot is surely past its highest point. */
const JUST_AFTER_MINUTES = 1 / 60
/** A whistle is over after so long, at most. */
const WHISTLE_OVER_MS = 12_000

/** What becomes of the pot by the end of its program. */
export interface End {
  gets: number[]
  waterG: number
  heatOffMinute: number
  openMinute: number
}

/** Where a pot was at the last whistle heard, until when it can be followed, and its whistles beside those heard. */
interface Anchored {
  anchor: Anchor | null
  /** Which of its own whistles the last one heard was; -1 for none. */
  which: number
  untilMs: number
  /** Minutes of the simulation, and when they really were. */
  knots: [simulated: number, real: number][]
}

/** One way in which the pot may go on, followed under a guess, and what it takes. */
export class Future {
  readonly run: Run
  /** Minutes by which the simulation is late after the last whistle. */
  readonly late: number
  readonly gotNow: number[]
  readonly now: ReturnType<Run['now']>
  /** The least figure with which every food has what it needs, read off between whole ones; null if none does. */
  readonly needed: number | null
  private readonly moment: ReturnType<Run['save']>
  private readonly anchored: Anchored
  /** This pot may be a whistle ahead of or behind the likeliest one; both are at the last that was heard. */
  private readonly ahead: number

  constructor(
    private readonly at: Situation,
    private readonly guess: Guess,
    trace = false,
  ) {
    const { course, cycle, isOff, shape } = at
    this.anchored = anchoredAt(at, guess)
    const { anchor, untilMs, which } = this.anchored
    this.run = replay(course, cycle, guess, untilMs, { trace, anchor })
    this.moment = this.run.save()
    this.ahead = which + 1 - at.matched
    this.late = anchor ? anchor.minute - (anchor.atMs - cycle.litAt!) / MINUTE_MS : 0
    this.gotNow = this.run.boilMinutes()
    this.now = this.run.now()
    this.needed = isOff || !shape ? null : this.neededBy(shape)
  }

  /** What becomes of the pot with this figure, or with the program as it is. */
  goOn(figure: number | null): End {
    this.finish(figure)
    return this.ended()
  }

  /** What becomes of the pot if the heat goes off now. */
  stopNow(): End {
    this.run.restore(this.moment)
    return this.ended()
  }

  /** When the pressure is gone, in minutes from lighting, if the pot is left to itself; the heat must be off. */
  fallen(): number {
    this.run.restore(this.moment)
    this.run.release(NATURAL)
    const { heatOffMinute, releaseMinutes } = this.run.result()
    return heatOffMinute + releaseMinutes - this.late
  }

  /** When a minute of the simulation really was, or will be, in minutes from lighting: by the whistles that were heard. */
  realMinute = (minute: number): number => {
    const { knots } = this.anchored
    const after = knots.findIndex(([simulated]) => simulated >= minute)
    if (after < 0) return minute - this.late
    const [from, fromReal] = knots[after - 1] ?? [0, 0]
    const [to, toReal] = knots[after]!
    return fromReal + ((minute - from) / (to - from)) * (toReal - fromReal)
  }

  private ended(): End {
    this.run.release(this.remainingRelease())
    const { heatOffMinute, releaseMinutes, freeWaterLeftG } = this.run.result()
    return {
      gets: this.run.boilMinutes(),
      waterG: freeWaterLeftG,
      heatOffMinute: heatOffMinute - this.late,
      openMinute: heatOffMinute + releaseMinutes - this.late,
    }
  }

  private finish(figure: number | null): void {
    this.run.restore(this.moment)
    if (this.at.isOff) return
    for (const { step, until } of this.remainingSteps(figure)) {
      if (until === null) this.run.step(heated(this.at.course, step, this.guess))
      else {
        if (step.kind !== 'profile') this.run.heat(heated(this.at.course, step, this.guess))
        this.run.until(until)
      }
    }
  }

  private neededBy({ min, max, by }: StyleShape): number | null {
    const { course, cycle, nowMs, matched, soFar } = this.at
    const { run } = this
    const counts = course.program.at(-1)!.kind === 'whistles'
    // Off now is off between two whistles: a count can end there no more, once the last one is over.
    const isOver = nowMs - (cycle.whistles.at(-1)?.at ?? nowMs) > WHISTLE_OVER_MS
    const from = Math.max(min, counts && isOver ? matched + 1 : 0, Math.ceil(soFar / by - 1e-6) * by)
    this.finish(from)
    const isOn = () => run.result().ending === 'done'
    const found = leastFigure(run, {
      from,
      max,
      by,
      // From where the figure before ended; by whistles as long as it takes, else by the clock.
      next: (figure) => {
        if (counts) run.step(heated(course, this.remainingSteps(figure).at(-1)!.step, this.guess))
        else run.until(run.now().minute + by)
        return isOn()
      },
      release: () => {
        run.release(course.release ?? NATURAL)
        return isOn()
      },
      surplus: (gets) => Math.min(1, surplusOf(course.closing, gets)),
    })
    return found === null || found === 'ended' ? null : found.exact
  }

  private minuteOf(ms: number): number {
    const { anchor } = this.anchored
    if (anchor && ms >= anchor.atMs) return anchor.minute + (ms - anchor.atMs) / MINUTE_MS
    return (ms - this.at.cycle.litAt!) / MINUTE_MS
  }

  /** What the program still has to do from now, ending with this figure. */
  private remainingSteps(figure: number | null): { step: Step; until: number | null }[] {
    const { course, cycle, since } = this.at
    const last = course.program.at(-1)!
    if (last.kind === 'profile') return []
    const asked = figure === null ? last : withFigure(last, figure)
    const flame = cycle.flameChanges.at(-1)?.flame
    const step = flame && 'heatW' in asked ? { ...asked, heatW: course.closing.pot.burner[flame] } : asked
    const pending = flame ? [] : course.program.slice(0, -1).filter((before) => !this.isOver(before))
    if (step.kind === 'whistles') return [...pending, step].map((one) => ({ step: this.counted(one), until: null }))
    if (since === null) {
      const before = course.program.slice(0, -1).filter((one) => !this.isOver(one))
      return [...before, asked].map((one) => ({ step: one, until: null }))
    }
    const minutes = step.kind === 'at-pressure' ? step.minutesAtPressure : 'minutes' in step ? step.minutes : 0
    return [{ step, until: this.minuteOf(since) + minutes }]
  }

  /** A count in this pot's own whistles. */
  private counted(step: Step): Step {
    return step.kind === 'whistles' ? { ...step, untilWhistles: step.untilWhistles + this.ahead } : step
  }

  private isOver(step: Step): boolean {
    const { cycle, matched } = this.at
    if (step.kind === 'whistles') return matched >= step.untilWhistles
    if (step.kind === 'pressure') return cycle.atPressureAt !== null
    return step.kind === 'boil' && cycle.boilsAt !== null
  }

  private remainingRelease(): Release {
    const { course, cycle, nowMs, isOff, offAt } = this.at
    const release = course.release ?? NATURAL
    if (!isOff || release.kind === 'natural') return release
    if (cycle.valveOpenedAt !== null) return NATURAL
    return { ...release, afterMinutes: Math.max(0, (release.afterMinutes ?? 0) - (nowMs - offAt!) / MINUTE_MS) }
  }
}

function anchoredAt(at: Situation, guess: Guess): Anchored {
  const { course, state, cycle, nowMs, heard, whistling, isOff } = at
  if (!whistling) return { anchor: null, which: -1, untilMs: nowMs, knots: [] }
  const due = expectedOf(course, cycle, guess, nowMs)
  const { of } = matchWhistles(heard, due)
  const knots = of.flatMap((one, k): [number, number][] => (one === null ? [] : [[due[one]!, heard.minutes[k]!]]))
  const i = of.findLastIndex((one) => one !== null)
  const which = i < 0 ? -1 : of[i]!
  const lastMs = cycle.litAt! + (i < 0 ? 0 : heard.minutes[i]! * MINUTE_MS)
  const minute = i < 0 ? 0 : due[which]! + JUST_AFTER_MINUTES
  const anchor = i < 0 ? null : { atMs: lastMs, minute }
  const next = due[which + 1]
  if (next === undefined || isOff || state.phase !== 'heating') return { anchor, which, untilMs: nowMs, knots }
  // A whistle that is due and has not been heard has, most likely, not come yet.
  const gap = next - minute
  const elapsed = (nowMs - lastMs) / MINUTE_MS
  const { waiting, missed } = notHeardYet(
    elapsed,
    gap,
    i < 0,
    heard.noneMissedUntilMinute - (i < 0 ? 0 : heard.minutes[i]!),
  )
  const late = elapsed > gap && waiting > missed
  return { anchor, which, untilMs: late ? lastMs + (gap - JUST_AFTER_MINUTES) * MINUTE_MS : nowMs, knots }
}
