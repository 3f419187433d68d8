import { describe, expect, it } from 'vitest'
import { dishRequests, drawn, planRequests, stackAsks, typedLines, writtenRecipes, writtenSteps } from '../tests/draws'
import { potSettings } from '../tests/dishes'
import { cookedAnyhow } from '../tests/drawn-run'
import { drawnMeal } from '../tests/meals'
import { mark } from '../tests/told'
import { drawnFrom, household } from '../tests/trials/learn'
import { namesOf } from '../locales/names'
import { COOKERS } from './appliance/appliance'
import { answerDish } from './dish/dish'
import { forgotten, standInsFor } from './dish/instead'
import { cookedOf } from './dish/keep'
import { scaled, waysToFit } from './dish/scale'
import { readLine } from './formats/line'
import { dishOfRecipe } from './formats/recipe-dish'
import { figureIn } from './formats/figure'
import { kindIn } from './formats/step'
import { minutesIn } from './quantity/duration'
import { asLearnt } from './learn/apply'
import { USUAL_NOISE } from './learn/cook'
import { idOf } from './learn/figure'
import { learnFrom, type KitchenLog } from './learn/log'
import { fitRun } from './learn/run-fit'
import type { RunEventData } from './live/event.schema'
import { happenedIn, figureReached } from './live/facts'
import { lostAtStove } from './live/lost-count'
import { randomFrom } from './live/random'
import { refusalOf } from './live/refusal'
import { planDinner } from './meal/dinner'
import type { Dinner } from './meal/dinner-tasks'
import { planMeal } from './meal/meal'
import { replanMeal } from './meal/replan'
import { betterWays } from './meal/ways'
import { planCountable } from './program/count'
import { equivalents } from './program/equivalents'
import { plan } from './program/plan'
import { ratiosByBatch } from './program/ratios'
import { nextClosing } from './program/remedy'
import type { PlanRequest } from './program/request.schema'
import { soakCosts } from './program/soak-cost'
import { endsByItself } from './program/styles'
import { together } from './program/together'
import { isRefused } from './safety/rules'
import { repairStack } from './stack/repair'
import { findStacks } from './stack/search'

/**
 * As kept-figures.test.ts, of what nobody would think of asking: drawn requests, a line for each, with the main figures
 * and a mark of all the others. A line that changes is to be changed knowingly
 * (`npx vitest run core/kept-draws.test.ts -u`, and read the difference).
 */
const kept = (lines: readonly string[], name: string) =>
  expect(`${lines.join('\n')}\n`).toMatchFileSnapshot(`kept-figures/drawn-${name}.txt`)
const codes = (list: readonly { code: string }[]) => list.map(({ code }) => code).join(' ')
const ids = (list: readonly { id: string }[]) => list.map(({ id }) => id).join(' ')

const asked = ({ cooker, contents, style }: PlanRequest) =>
  [
    typeof cooker === 'string' ? cooker : 'measured',
    style.kind,
    ...contents.map(({ food, dryG }) => `${food} ${dryG} g`),
  ].join(', ')
function answered(request: PlanRequest): string {
  const outcome = plan(request)
  if (!outcome.ok) return `no: ${codes(outcome.problems)} · ${mark(outcome.problems)}`
  const { closings, readyAtMinute, cautions } = outcome.value
  const told = closings.map(
    ({ range, water }) => `${range.figure} ${range.unit} (${range.low}–${range.high}), ${water.pourG} g`,
  )
  return `${told.join('; ')}; ${Math.round(readyAtMinute)} min; ${ids(cautions)} · ${mark(outcome.value)}`
}

describe('what was drawn', () => {
  it('is planned as before', async () => {
    await kept(
      drawn(planRequests, 240, 1).map((request, i) => `${i} ${asked(request)}: ${answered(request)}`),
      'plans',
    )
  })

  it('has the same beside its plan as before', async () => {
    const random = randomFrom(2)
    await kept(
      drawn(planRequests, 60, 2).map((request, i) => {
        const { contents } = request
        const state = {
          tempC: 60 + 40 * random(),
          freeWaterG: Math.round(600 * random()),
          gets: contents.map(() => 20 * random()),
          pinch: contents.map(() => ([null, 'hard', 'firm'] as const)[Math.floor(3 * random())]!),
          closing: Math.floor(2 * random()),
          joins: random() < 0.3,
          still: contents.map(() => (random() < 0.3 ? 8 : 0)),
        }
        const others = [
          equivalents(request, [
            { id: 'old', cooker: COOKERS['whistling-3l-aluminium']! },
            { id: 'el', cooker: COOKERS['electric-6l']!, prefer: { level: 'low' } },
          ]).map(({ id, style, outcome }) => ({ id, style, outcome })),
          ratiosByBatch(request),
          soakCosts(request, 0),
          together(request),
          nextClosing(request, state),
          planCountable(request, { range: false }),
        ]
        return `${i} ${asked(request)}: ${others.map(mark).join(' ')}`
      }),
      'beside-plans',
    )
  })

  it('is followed as before, whatever the cook does', async () => {
    const random = randomFrom(3)
    const counted = planRequests.filter(({ style }) => 'whistles' in style || style.kind === 'whistles')
    const others = planRequests.filter(({ style }) => !endsByItself(style))
    const requests = [...drawn(counted, 10, 3), ...drawn(others, 14, 5)]
    const spread = (share: number) => 1 + share * (2 * random() - 1)
    const lines = requests.flatMap((request, i) => {
      const outcome = plan(request, { range: false })
      if (!outcome.ok) return []
      const live = { request, answer: outcome.value }
      const hidden = { heat: spread(0.3), load: spread(0.1), vent: spread(0.2), swing: spread(0.2), loss: spread(0.3) }
      const { events, looks } = cookedAnyhow(live, hidden, random, i % 4 === 0)
      const told = looks.map(({ minute, following, next }) => {
        const { advice, outlook, cautions, state } = following
        const nowMs = Math.round(minute * 60_000) + 1
        const refused = OF_ANY_KIND.map(
          (data) =>
            refusalOf(
              events.filter(({ at }) => at <= nowMs),
              { id: 'other', at: nowMs, data },
              { underPressure: true, opensFrom: () => outlook?.opensFrom ?? 0, whistlesFrom: () => 120_000 },
              nowMs,
            ) ?? 'taken',
        )
        const all = { state, advice, outlook, cautions, next, refused, lost: lostAtStove(live, following) }
        return `  ${minute} ${next.id} ${advice?.figure ?? '-'} ${outlook?.soFar.toPrecision(3) ?? '-'} · ${mark(all)}`
      })
      const { state } = looks.at(-1)!.following
      const end = {
        fit: fitRun(live, events),
        happened: state.cycles.map(happenedIn),
        figure: figureReached(live.answer, state),
      }
      return [`${i} ${asked(request)} · ${mark(end)}`, ...told]
    })
    await kept(lines, 'runs')
  })

  it('is worked out as a dish as before', async () => {
    await kept(
      drawn(dishRequests, 120, 4).map((request, i) => {
        const outcome = answerDish(request)
        const { dish } = request
        const name = `${i} ${dish.lines.map(({ typed }) => typed).join(', ')}; ${dish.stages.map(({ kind }) => kind).join(' ')}`
        if (!outcome.ok) return `${name}: no: ${codes(outcome.problems)} · ${mark(outcome.problems)}`
        const { massG, saltG, liquidG, questions, cautions } = outcome.value
        const figures = [massG, saltG, liquidG].map((g) => g.toPrecision(4)).join(' ')
        const beside =
          i % 4 > 0
            ? []
            : [
                cookedOf(outcome.value),
                dish.lines.map(({ id }) => standInsFor(request, id)),
                dish.stages.map(({ id }) => dish.lines.map((one) => forgotten(request, one.id, id))),
                scaled(request, dish.servings * 2),
                waysToFit(request, { big: { cooker: 'electric-8l' } }),
              ]
        return `${name}: ${figures}; ${codes(questions)}; ${ids(cautions)} · ${[outcome.value, ...beside].map(mark).join(' ')}`
      }),
      'dishes',
    )
  })

  it('is put on the board as before, and again once it has begun', async () => {
    const kitchens = [{}, { burners: 1 }, { hands: 2 }, { cookers: ['one', 'two'] }, { earliest: -90 }]
    const lines = Array.from({ length: 25 }, (_, i) => {
      const meal = drawnMeal(i, 8 + (i % 12), kitchens[i % kitchens.length])
      let now = 0
      const budget = () => ({ spent: () => (now += 0.001), most: 4000 })
      const outcome = planMeal(meal, budget())
      if (!outcome.ok) return `${i} ${codes(outcome.problems)}`
      if (!outcome.value.possible) return `${i} impossible · ${mark(outcome.value)}`
      const { tasks, ...figures } = outcome.value.plan
      const sorted = [...tasks].sort((a, b) => a.startMinute - b.startMinute)
      const middle = sorted[Math.floor(sorted.length / 2)]!.startMinute + 2
      const begun = sorted
        .filter(({ startMinute }) => startMinute < middle)
        .map(({ id, startMinute }) => {
          const { minutes } = meal.tasks.find((one) => one.id === id)!
          return { id, startMinute, minutes: minutes + 3, done: startMinute + minutes + 3 <= middle }
        })
      const again = replanMeal(meal, middle, begun, budget(), tasks)
      return `${i} ${tasks.length} tasks, ${again && again !== 'stopped' ? `${again.laterMinutes} min later` : 'not again'} · ${[figures, tasks, again].map(mark).join(' ')}`
    })
    await kept(lines, 'meals')
  })

  it('is stacked as before', async () => {
    await kept(
      drawn(stackAsks, 14, 6).map((ask, i) => {
        const name = `${i} ${ask.style.kind}, ${ask.foods.map(({ food, dryG }) => `${food} ${dryG} g`).join(', ')}`
        const found = findStacks(ask)
        if (!found.ok) return `${name}: no: ${codes(found.problems)} · ${mark(found.problems)}`
        const { answers, nearest, fitting, simulated } = found.value
        const told = answers.map(({ minutes, lifts }) => `${Math.round(minutes)} min, ${lifts} to lift`).join('; ')
        const repaired = repairStack(ask, found.value)
        return `${name}: ${told || 'nothing'}; ${fitting} fit, ${simulated} run · ${[answers, nearest, repaired].map(mark).join(' ')}`
      }),
      'stacks',
    )
  })

  it('is a dinner as before, with what else could be done', async () => {
    const sound = dishRequests.filter((request) => {
      const outcome = answerDish(request)
      return outcome.ok && !isRefused(outcome.value.cautions)
    })
    const dishes = drawn(sound, 20, 7)
    const pots = (['whistling-5l-aluminium', 'electric-3l'] as const).flatMap((cookerId) =>
      (cookerId === 'electric-3l' ? [null] : (['strong', 'weak'] as const)).map((burnerId) => ({
        cookerId,
        burnerId,
        pot: { cooker: COOKERS[cookerId]!, ...(burnerId ? { burner: burnerId } : {}) },
      })),
    )
    const lines = Array.from({ length: 10 }, (_, i) => {
      const dinner: Dinner = {
        hands: 1 + (i % 2),
        burners: 1 + (i % 3),
        pots,
        tins: { tins: [{ id: 't', diameterMm: 150, heightMm: 60, volumeMl: 900, lid: true, material: 'steel' }] },
        earliest: i % 4 === 3 ? -60 : -1440,
        dishes: [dishes[2 * i]!, dishes[2 * i + 1]!].map((request, n) => ({
          key: 'AB'[n]!,
          request,
          soak: (['written', 'hot', 'none'] as const)[(i + n) % 3]!,
          ahead: (i + n) % 5 === 4,
        })),
        put: [],
        like: [],
        going: null,
      }
      let now = 0
      const budget = () => ({ spent: () => (now += 0.001), most: 2000 })
      const outcome = planDinner(dinner, budget())
      const name = `${i} ${dinner.dishes.map(({ request, soak }) => `${request.dish.stages.map(({ kind }) => kind).join(' ')} (${soak})`).join(', ')}`
      if (!outcome.ok) return `${name}: no: ${codes(outcome.problems)} · ${mark(outcome.problems)}`
      const ways = betterWays(dinner, budget())
      if (!outcome.value.possible) return `${name}: not possible · ${mark(outcome.value)} ${mark(ways)}`
      const told = { ...outcome.value.dinner, answers: null }
      // One task is put where the cook wants it; then half of it is done, each thing taking a little longer.
      const { tasks } = told.plan
      const last = [...tasks].sort((a, b) => b.startMinute - a.startMinute)[0]!
      const put = planDinner({ ...dinner, put: [{ ...last, startMinute: last.startMinute - 3 }] }, budget())
      const middle = tasks[Math.floor(tasks.length / 2)]!.startMinute
      const going = planDinner(
        {
          ...dinner,
          like: tasks,
          going: {
            now: middle + 2,
            begunOf: (list) =>
              list.flatMap(({ id, minutes }) => {
                const from = tasks.find((one) => one.id === id)?.startMinute ?? 0
                const done = from + minutes + 2 <= middle
                return from < middle ? [{ id, startMinute: from, minutes: minutes + 2, done }] : []
              }),
          },
        },
        budget(),
      )
      const withoutAnswers = (of: typeof put) =>
        of.ok && of.value.possible ? { ...of.value.dinner, answers: null } : of
      const marks = [told, ways, withoutAnswers(put), withoutAnswers(going)].map(mark).join(' ')
      return `${name}: ${told.tasks.length} tasks, ${told.waiting.length} wait · ${marks}`
    })
    await kept(lines, 'dinners')
  })

  it('teaches as before, also what was forgotten, left out and measured anew', async () => {
    const lines = [11, 12, 13, 14].flatMap((seed, i) => {
      const random = randomFrom(seed)
      const { log } = household(14, drawnFrom(random), USUAL_NOISE, random)
      const at = log.runs[6]?.fit.litAt ?? 0
      const [run] = log.runs
      const told: KitchenLog = {
        ...log,
        gaskets: i % 2 === 1 && run ? [{ cookerId: run.cookerId, at }] : [],
        waterTests: i % 3 === 1 && run ? [{ cookerId: run.cookerId, burnerId: run.burnerId, at }] : [],
        forgotten: i === 2 ? [{ figure: idOf({ kind: 'taste' }), at }] : [],
        without: i === 3 && run ? [run.id] : [],
      }
      const learnt = learnFrom(told)
      const applied = drawn(planRequests, 12, seed).map((request, n) =>
        asLearnt(
          {
            ...request,
            learnt: undefined,
            contents: request.contents.map((one) => ({ ...one, food: n % 2 ? one.food : 'navy-bean' })),
          },
          {
            cookerId: ['blue', 'old', 'pot'][n % 3]!,
            burnerId: ['strong', 'weak', null][n % 3]!,
            bagIds: request.contents.map(() => log.bags[0]?.id ?? null),
          },
          learnt,
        ),
      )
      return [
        `${seed} ${learnt.figures.map(({ id, now }) => `${id} ${now.mean.toFixed(3)}±${now.sd.toFixed(3)}`).join(', ')} · ${mark(learnt.figures)} ${mark(learnt.undecided)}`,
        ...applied.map(({ learnt: factors, spread }, n) => `  ${n} · ${mark({ factors, spread })}`),
      ]
    })
    await kept(lines, 'learnt')
  })

  it('is read from what was typed as before', async () => {
    const names = namesOf()
    await kept(
      drawn(typedLines, 260, 8).map((text, i) => {
        const { what, maybe, g, range, amountOpen, isHeading } = readLine(
          text,
          names,
          i % 3 === 0 ? { decimal: 'comma' } : {},
        )
        const flags = [amountOpen && 'amount open', isHeading && 'heading', range && `range ${range}`].filter(Boolean)
        return `${text} → ${what ?? '-'}${maybe ? ` (${maybe}?)` : ''} ${g ?? '-'} ${flags.join(', ')}`
      }),
      'lines',
    )
  })

  it('is taken for the same stages as before where a recipe is brought in', async () => {
    const figure = (text: string) => {
      const found = figureIn(text)
      return found ? `${found.figure} ${found.kind} ${found.release ?? ''} ${found.releaseAfterMinutes ?? ''}` : '-'
    }
    const steps = drawn(writtenSteps, 200, 9).map(
      (text) => `${text} → ${kindIn(text)}, ${minutesIn(text) ?? '-'} min, ${figure(text)}`,
    )
    const names = namesOf()
    const recipes = drawn(writtenRecipes, 40, 10).map((recipe, i) => {
      const written = { ...recipe, steps: recipe.steps.map((text) => ({ text, minutes: null })) }
      const { dish, written: figures } = dishOfRecipe({ leftOut: [], ...written } as never, names, {
        usual: potSettings(),
        kinds: {},
      })
      const stages = dish.stages.map(({ kind, from, takes }) => `${kind}(${from.length}, ${takes.length})`)
      return `${i} ${stages.join(' ')}; ${figures.length} written · ${mark({ dish, figures })}`
    })
    await kept([...steps, ...recipes], 'recipes')
  })
})

const OF_ANY_KIND: readonly RunEventData[] = [
  { kind: 'checked' },
  { kind: 'lit' },
  { kind: 'whistle' },
  { kind: 'whistle', how: 'recalled' },
  { kind: 'flame', flame: 'low' },
  { kind: 'resumed' },
  { kind: 'heat-off' },
  { kind: 'valve-opened' },
  { kind: 'pressure-gone' },
  { kind: 'opened' },
  { kind: 'goes-on', figure: 2, addWaterG: 0, pinch: [] },
  { kind: 'abandoned' },
]
