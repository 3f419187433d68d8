import type { LivePlan } from '../live/course'
import type { RunEvent } from '../live/event.schema'
import { PROGRAM_BEGAN_MS } from '../measure/time'
import { plan } from '../program/plan'
import { problem, type Outcome, type Problem } from '../problem'
import { figureOfId, idOf } from './figure'
import type { Estimate } from './posterior'
import { learnFrom, type KitchenLog, type LearntFigure, type LoggedRun } from './log'
import type { LogFile, LogFileRun } from './log-file.schema'
import { missesOf } from './misses'
import { fitRun } from './run-fit'

const millisecondsOf = (moment: number | string) => (typeof moment === 'number' ? moment : Date.parse(moment))

/** Problems of one run of a file: each by its place, nothing guessed. */
export function problemsOfRun({ request, events, verdicts = [] }: LogFileRun, path: string): Problem[] {
  const found: Problem[] = []
  const judged = new Set<number>()
  verdicts.forEach(({ content, food }, i) => {
    const is = request.contents[content]?.food
    if (is === undefined || (food !== undefined && food !== is))
      found.push(problem('verdict-of-nothing', `${path}.verdicts.${i}.content`, { content }))
    if (judged.has(content)) found.push(problem('verdict-twice', `${path}.verdicts.${i}.content`, { content }))
    judged.add(content)
  })
  let before = -Infinity
  events.forEach(({ at, data }, i) => {
    if (millisecondsOf(at) < PROGRAM_BEGAN_MS) found.push(problem('before-the-program', `${path}.events.${i}.at`))
    // A whistle may be written down later than it happened; from phase to phase the clock goes on.
    if (data.kind === 'whistle') return
    if (millisecondsOf(at) < before) found.push(problem('clock-backwards', `${path}.events.${i}.at`))
    before = Math.max(before, millisecondsOf(at))
  })
  return found
}

/** The events of a run of a file, with ids for those that have none. */
export function eventsOfRun({ id, events }: LogFileRun): RunEvent[] {
  return events.map(({ id: own, at, data }, i) => ({ id: own ?? `${id} ${i}`, at: millisecondsOf(at), data }))
}

/** A figure as it is told: a factor of what was assumed, with the band that holds four in five. */
interface Told {
  value: number
  low: number
  high: number
}

export interface LogAnswer {
  figures: {
    id: string
    kind: string
    prior: Told
    now: Told
    evidence: { run: string; at: string; says: number; sd: number; moved: number }[]
  }[]
  /** Pairs of figures of which only the sum is known. */
  undecided: { a: string; b: string }[]
  /** By run, the logarithm of what its first food got over what it is believed to have needed. */
  misses: { run: string; miss: number; sd: number }[]
  /** Runs that say nothing: never cooked to an end. */
  silent: string[]
}

const FOUR_IN_FIVE = 1.2816
const told = ({ mean, sd }: Estimate): Told => ({
  value: Math.exp(mean),
  low: Math.exp(mean - FOUR_IN_FIVE * sd),
  high: Math.exp(mean + FOUR_IN_FIVE * sd),
})

/**
 * What a log file teaches. Each run is planned as its request says, so that a log of any origin can be read; the heat of
 * a flame is told as a whole, its own share and its burner's. Refused with the place of each problem.
 */
export function learnFromFile(file: LogFile): Outcome<LogAnswer> {
  const problems = file.runs.flatMap((run, i) => problemsOfRun(run, `runs.${i}`))
  const seen = new Set<string>()
  file.runs.forEach(({ id }, i) => {
    if (seen.has(id)) problems.push(problem('id-twice', `runs.${i}.id`, { value: id }))
    seen.add(id)
  })
  const runs: LoggedRun[] = []
  const silent: string[] = []
  file.runs.forEach((run, i) => {
    const answer = plan(run.request, { range: false })
    if (!answer.ok) {
      problems.push(...answer.problems.map((one) => ({ ...one, path: `runs.${i}.request.${one.path}` })))
      return
    }
    if (problems.length > 0) return
    const live: LivePlan = { request: run.request, answer: answer.value }
    const fit = fitRun(live, eventsOfRun(run))
    if (!fit) silent.push(run.id)
    else
      runs.push({
        id: run.id,
        fit,
        cookerId: run.cooker,
        burnerId: run.burner ?? null,
        bagIds: run.bags ?? [],
        verdicts: run.remarks?.includes('lifted-early') ? [] : (run.verdicts ?? []),
      })
  })
  if (problems.length > 0) return { ok: false, problems: problems as [Problem, ...Problem[]] }
  return { ok: true, value: answerOf(file, runs, silent) }
}

function answerOf(file: LogFile, runs: LoggedRun[], silent: string[]): LogAnswer {
  const { bags = [], gaskets = [], waterTests = [], forgotten = [] } = file
  const log: KitchenLog = {
    runs,
    bags: bags.map(({ id, boughtOn }) => ({ id, boughtAt: millisecondsOf(boughtOn) })),
    gaskets: gaskets.map(({ cooker, at }) => ({ cookerId: cooker, at: millisecondsOf(at) })),
    waterTests: waterTests.map(({ cooker, burner, at }) => ({
      cookerId: cooker,
      burnerId: burner ?? null,
      at: millisecondsOf(at),
    })),
    forgotten: forgotten.map(({ figure, at }) => ({ figure, at: millisecondsOf(at) })),
    without: file.runs.filter(({ teaches }) => teaches === false).map(({ id }) => id),
  }
  const learnt = learnFrom(log)
  const figureTold = ({ id, figure, prior, now, evidence }: LearntFigure): LogAnswer['figures'][number][] => {
    if (figure.kind === 'burner-heat') return []
    const common =
      figure.kind === 'flame-heat'
        ? idOf({ kind: 'burner-heat', cookerId: figure.cookerId, burnerId: figure.burnerId })
        : null
    const burner = common === null ? null : learnt.figures.find((one) => one.id === common)
    const whole =
      common !== null && learnt.has(common)
        ? learnt.of(
            new Map([
              [id, 1],
              [common, 1],
            ]),
          )
        : now
    const beside = burner?.now.mean ?? 0
    return [
      {
        id,
        kind: figureOfId(id)!.kind,
        prior: told({ mean: prior.mean, sd: Math.hypot(prior.sd, burner?.prior.sd ?? 0) }),
        now: told(whole),
        evidence: evidence.map(({ runId, at, says, sd, moved }) => ({
          run: runId,
          at: new Date(at).toISOString(),
          says: Math.exp(says + beside),
          sd,
          moved: Math.exp(moved),
        })),
      },
    ]
  }
  return {
    figures: learnt.figures.flatMap(figureTold),
    undecided: learnt.undecided,
    misses: missesOf(log, learnt).map(({ runId, miss, sd }) => ({ run: runId, miss, sd })),
    silent,
  }
}
