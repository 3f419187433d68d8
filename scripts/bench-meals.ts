// The meals of core/meal by the scheduler and, in the same run, as time-indexed integer programs by a general solver
// (HiGHS compiled to WebAssembly); and how the scheduler grows with the number of tasks.
import { readdirSync, readFileSync } from 'node:fs'
import highs from 'highs'
import { objectiveOf } from '../core/meal/objective'
import type { MealRequest, Task } from '../core/meal/meal.schema'
import { replanMeal } from '../core/meal/replan'
import { scheduleMeal } from '../core/meal/schedule'
import { drawnMeal, mealOf } from '../tests/meals'

const nowMs = () => performance.now()
/** The general solver is given so long for each meal. */
const SOLVER_WITHIN_S = 60
/** More tasks than these are not had fresh at once by one pair of hands on two burners. */
const MOST_FOR_ONE = 40
/** And the scheduler so long for a proof. */
const PROOF_WITHIN_MS = 20_000
/** Starts are looked for in so many minutes before serving; soaks before that are free. */
const HORIZON = 150

/** A meal as an integer program: a variable for each task and each minute at which it may start. */
function asProgram({ tasks, hands, burners }: MealRequest): string {
  const timed = tasks.filter(({ passive }) => !passive)
  const known = new Set(timed.map(({ id }) => id))
  const name = new Map(tasks.map(({ id }, i) => [id, `x${i}`]))
  const minutesOf = (id: string) => timed.find((task) => task.id === id)!.minutes
  const starts = (task: (typeof timed)[number]) =>
    Array.from({ length: HORIZON - task.minutes + 1 }, (_, i) => -HORIZON + i).filter(
      (at) => task.untilServe === undefined || -(at + task.minutes) <= task.untilServe,
    )
  const x = (id: string, at: number) => `${name.get(id)}_${-at}`
  const start = (id: string, sign: 1 | -1) => {
    const task = timed.find((one) => one.id === id)!
    return starts(task)
      .filter((at) => at !== 0)
      .map((at) => `${at * sign < 0 ? '-' : '+'} ${Math.abs(at)} ${x(id, at)}`)
      .join(' ')
  }
  const rows: string[] = []
  const weights = new Map<string, number>()
  const weigh = (id: string, by: (at: number) => number) => {
    for (const at of starts(timed.find((one) => one.id === id)!))
      weights.set(x(id, at), (weights.get(x(id, at)) ?? 0) + by(at))
  }
  const followed = new Set(timed.flatMap(({ after }) => after.map(({ task }) => task)))
  for (const task of timed) {
    rows.push(
      `${starts(task)
        .map((at) => x(task.id, at))
        .join(' + ')} = 1`,
    )
    // The first figure before the second before the third.
    if (task.hands) weigh(task.id, (at) => 1e5 * Math.max(0, at + task.minutes - Math.max(at, -20)))
    rows.push(`S ${start(task.id, 1)} >= 0`)
    if (!followed.has(task.id)) weigh(task.id, (at) => -(at + task.minutes))
    for (const { task: before, min = 0, max } of task.after) {
      if (!known.has(before)) continue
      rows.push(`${start(task.id, 1)} ${start(before, -1)} >= ${minutesOf(before) + min}`)
      if (max !== undefined) rows.push(`${start(task.id, 1)} ${start(before, -1)} <= ${minutesOf(before) + max}`)
      weigh(task.id, (at) => at)
      weigh(before, (at) => -at)
    }
  }
  const share = (users: typeof timed, capacity: number) => {
    for (let minute = -HORIZON; minute < 0; minute++) {
      const on = users.flatMap((task) =>
        starts(task)
          .filter((at) => at <= minute && minute < at + task.minutes)
          .map((at) => x(task.id, at)),
      )
      if (on.length > capacity) rows.push(`${on.join(' + ')} <= ${capacity}`)
    }
  }
  share(
    timed.filter((task) => task.hands),
    hands,
  )
  share(
    timed.filter((task) => task.burner),
    burners,
  )
  // A cooker that two dishes want is taken by no more than one at once.
  for (const cooker of new Set(timed.map((task) => task.cooker))) {
    const keepers = timed.filter((task) => task.cooker === cooker && task.keepsCookerUntil)
    if (keepers.length < 2) continue
    for (let minute = -HORIZON; minute < 0; minute++) {
      const on = keepers.flatMap((keeper) => {
        const until = timed.find((task) => task.id === keeper.keepsCookerUntil)!
        const begun = starts(keeper).filter((at) => at <= minute)
        const over = starts(until).filter((at) => at + until.minutes <= minute)
        return [...begun.map((at) => `+ ${x(keeper.id, at)}`), ...over.map((at) => `- ${x(until.id, at)}`)]
      })
      rows.push(`${on.join(' ')} <= 1`)
    }
  }
  const objective = [...weights]
    .filter(([, weight]) => weight !== 0)
    .map(([of, weight]) => `${weight < 0 ? '-' : '+'} ${Math.abs(weight)} ${of}`)
    .join(' ')
  const integers = timed.flatMap((task) => starts(task).map((at) => x(task.id, at))).join(' ')
  return `Minimize\n obj: 1000 S ${objective}\nSubject To\n${rows.map((row, i) => ` c${i}: ${row}`).join('\n')}\nBounds\n 0 <= S <= ${HORIZON}\nBinary\n ${integers}\nEnd\n`
}

/** When a task starts in a solution of the program. */
function startIn({ Columns }: { Columns: Record<string, object> }, task: number): number {
  const taken = Object.entries(Columns).find(
    ([of, column]) => of.startsWith(`x${task}_`) && 'Primal' in column && Number(column.Primal) > 0.5,
  )
  return taken ? -Number(taken[0].split('_')[1]) : 0
}

async function benchMeals(): Promise<void> {
  const solver = await highs()
  const folder = new URL('../core/meal/meals/', import.meta.url)
  const rows = []
  for (const file of readdirSync(folder)) {
    const { name, request, expect } = JSON.parse(readFileSync(new URL(file, folder), 'utf8'))
    let from = nowMs()
    const plan = scheduleMeal(request, { spent: nowMs, most: 60_000 })
    const ours = nowMs() - from
    from = nowMs()
    const solved = solver.solve(asProgram(request), {
      time_limit: SOLVER_WITHIN_S,
      mip_rel_gap: 0,
      output_flag: false,
    })
    const theirs = nowMs() - from
    if (plan === null || plan === 'stopped') throw new Error(`${name} was not planned`)
    const found = request.tasks.map(({ id, passive, minutes }: Task, i: number) => ({
      id,
      startMinute: passive ? -HORIZON - minutes : startIn(solved, i),
    }))
    const { handsLateMinutes, spanMinutes, holdingMinutes, optimal } = plan
    const figures = `${handsLateMinutes}/${spanMinutes}/${holdingMinutes}`
    rows.push({
      meal: name,
      tasks: request.tasks.length,
      'ms (≤ 1000)': Number(ours.toPrecision(3)),
      figures: figures === Object.values(expect).join('/') && optimal ? `${figures}, proved` : `${figures}: WRONG`,
      'general solver ms': Math.round(theirs),
      'its result': `${solved.Status}, ${Object.values(objectiveOf(request, found)).join('/')}`,
    })
  }
  console.table(rows)

  /** A bound of 0 is none: the figure before it was not proved. */
  const worst = (ratios: number[]) =>
    ratios.every(Number.isFinite) ? `${(100 * (Math.max(...ratios) - 1)).toFixed(1)} %` : 'no bound'
  const grown = []
  for (const tasks of [10, 20, 30, 40, 50, 60]) {
    const all = []
    for (let seed = 1; seed <= 12; seed++) {
      const request = drawnMeal(seed * 977, tasks, tasks > MOST_FOR_ONE ? { hands: 2, burners: 4 } : {})
      let from = nowMs()
      const first = scheduleMeal(request, { spent: nowMs, most: PROOF_WITHIN_MS })
      const ms = nowMs() - from
      if (first === null || first === 'stopped') continue
      from = nowMs()
      const within = scheduleMeal(request, { spent: nowMs, most: 1800 })
      if (within === null || within === 'stopped') continue
      all.push({
        ms,
        proved: within.optimal,
        span: within.spanMinutes,
        bound: within.bound.spanMinutes,
        holding: within.holdingMinutes,
        holdingBound: within.bound.holdingMinutes,
        inTheEnd: first.holdingMinutes,
        took: nowMs() - from,
      })
    }
    const middle = (of: number[]) => [...of].sort((a, b) => a - b)[Math.floor(of.length / 2)]!
    grown.push({
      tasks,
      meals: all.length,
      'median ms to the proof': Math.round(middle(all.map(({ ms }) => ms))),
      'longest ms': Math.round(Math.max(...all.map(({ ms }) => ms))),
      'proved in 1.8 s': all.filter(({ proved }) => proved).length,
      'span over its bound': worst(all.map(({ span, bound }) => span / bound)),
      'holding over its bound': worst(all.map(({ holding, holdingBound }) => holding / holdingBound)),
      'and over that of 20 s': worst(all.map(({ holding, inTheEnd }) => holding / inTheEnd)),
    })
  }
  console.table(grown)

  const request = mealOf(['beans', 'beans', 'grain', 'salad'], 5)
  const plan = scheduleMeal(request, { spent: nowMs, most: 60_000 })
  if (plan === null || plan === 'stopped') throw new Error('no plan to go on from')
  const at = new Map(plan.tasks.map(({ id, startMinute }) => [id, startMinute]))
  const times = []
  for (let now = -100; now < 0; now += 5) {
    const begun = request.tasks.flatMap(({ id, minutes }) =>
      at.get(id)! > now
        ? []
        : [{ id, startMinute: at.get(id)!, minutes: minutes + 3, done: at.get(id)! + minutes + 3 <= now }],
    )
    const from = nowMs()
    replanMeal(request, now, begun, { spent: nowMs, most: 60_000 })
    times.push(nowMs() - from)
  }
  console.log(`re-planning ${request.tasks.length} tasks: at most ${Math.max(...times).toFixed(0)} ms (≤ 200)`)
}

await benchMeals()
