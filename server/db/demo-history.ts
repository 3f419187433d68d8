import { asLearnt } from '../../core/learn/apply'
import { cook, USUAL_NOISE, type Truth } from '../../core/learn/cook'
import { idOf, OLD_BATCH } from '../../core/learn/figure'
import { learnFrom, type KitchenLog, type LoggedRun, type LoggedVerdict } from '../../core/learn/log'
import { fitRun } from '../../core/learn/run-fit'
import type { RunEvent } from '../../core/live/event.schema'
import { randomFrom } from '../../core/live/random'
import { DAY_MS, HOUR_MS } from '../../core/measure/time'
import { FLAMES, type FlameName, type StyleKind } from '../../core/names'
import type { PlanAnswer } from '../../core/program/answer'
import { planCountable } from '../../core/program/count'
import type { PlanRequest } from '../../core/program/request.schema'
import { foodById, type Kitchen } from '../../shared/kitchen'
import { newPot, type Pot } from '../../shared/pot'
import { requestOf, cookedWith } from '../../shared/pot-request'

/** Months of cooking in the demo kitchen: generated, the same every time but for the days. */
export interface HistoryRun {
  name: string
  cookerId: string
  cookerName: string
  burnerId: string | null
  bagIds: (string | null)[]
  request: PlanRequest
  answer: PlanAnswer
  events: RunEvent[]
  verdicts: (LoggedVerdict & { foodId: string; note: string })[]
  fit: LoggedRun['fit'] | null
  atMs: number
}

const RUNS = 60
const MONTHS_MS = 150 * DAY_MS
const SEED = 20

/** A pot that this kitchen cooks now and again. */
interface Usual {
  name: string
  foodId: string
  amount: string
  soakHours?: string
  cooker: 'blue' | 'old' | 'electric'
  burner: 'strong' | 'weak'
  style: StyleKind
  flame?: FlameName
  /** How often, among the others. */
  share: number
}

const USUALS: readonly Usual[] = [
  {
    name: 'White beans with squash',
    foodId: 'navy-bean',
    amount: '1 1/2',
    soakHours: '9',
    cooker: 'blue',
    burner: 'strong',
    style: 'whistles',
    share: 4,
  },
  {
    name: 'Black-eyed peas',
    foodId: 'black-eyed',
    amount: '1',
    soakHours: '6',
    cooker: 'blue',
    burner: 'strong',
    style: 'whistles',
    share: 3,
  },
  {
    name: 'Black-eyed peas',
    foodId: 'black-eyed',
    amount: '3/4',
    soakHours: '6',
    cooker: 'old',
    burner: 'strong',
    style: 'first-whistle-then-low',
    share: 2,
  },
  {
    name: 'Yellow pea soup',
    foodId: 'split-peas',
    amount: '1 1/4',
    cooker: 'electric',
    burner: 'strong',
    style: 'electric',
    share: 2,
  },
  {
    name: 'Split pigeon peas',
    foodId: 'toor-split',
    amount: '3/4',
    cooker: 'old',
    burner: 'weak',
    style: 'whistles',
    flame: 'high',
    share: 5,
  },
  {
    name: 'Red beans for Saturday',
    foodId: 'kidney-red',
    amount: '1',
    soakHours: '10',
    cooker: 'blue',
    burner: 'strong',
    style: 'first-whistle-then-low',
    share: 3,
  },
  {
    name: 'Red beans for Saturday',
    foodId: 'kidney-red',
    amount: '1',
    soakHours: '10',
    cooker: 'electric',
    burner: 'strong',
    style: 'electric',
    share: 2,
  },
  {
    name: 'Chickpeas',
    foodId: 'chickpea-white',
    amount: '1',
    soakHours: '9',
    cooker: 'blue',
    burner: 'strong',
    style: 'whistles',
    share: 2,
  },
  {
    name: 'Millet with greens',
    foodId: 'foxtail-millet',
    amount: '1',
    cooker: 'old',
    burner: 'strong',
    style: 'first-whistle-then-low',
    share: 2,
  },
  {
    name: 'Barley and mushroom pot',
    foodId: 'pearl-barley',
    amount: '1',
    cooker: 'blue',
    burner: 'strong',
    style: 'first-whistle-then-low',
    share: 2,
  },
]

/** How the demo kitchen really is. Nothing of the product knows it; a test holds what is learnt against it. */
export function demoTruth({ cookers, burners, bags }: Kitchen): Truth {
  const [blue, old, electric] = cookers.map(({ id }) => id) as [string, string, string]
  const [strong, weak] = burners.map(({ id }) => id) as [string, string]
  const heat = (cookerId: string, burnerId: string, common: number, low = 0): [string, number][] => [
    [idOf({ kind: 'burner-heat', cookerId, burnerId }), common],
    ...FLAMES.map((flame): [string, number] => [
      idOf({ kind: 'flame-heat', cookerId, burnerId, flame }),
      flame === 'low' ? low : 0,
    ]),
  ]
  return new Map([
    // The strong burner is weaker than it says, the old cooker leaks, the red beans lay at the back of the cupboard,
    // and whatever is cooked is liked soft.
    ...heat(blue, strong, -0.2, 0.06),
    ...heat(old, strong, -0.16),
    ...heat(old, weak, -0.05),
    [idOf({ kind: 'own-heat', cookerId: electric }), -0.06],
    [idOf({ kind: 'loss', cookerId: old }), 0.38],
    [idOf({ kind: 'loss', cookerId: blue }), -0.05],
    [idOf({ kind: 'swing', cookerId: old }), 0.18],
    [idOf({ kind: 'swing', cookerId: blue }), -0.1],
    [idOf({ kind: 'steam', cookerId: old }), 0.2],
    [idOf({ kind: 'batch', bagId: bags[0]!.id }), OLD_BATCH + 0.2],
    [idOf({ kind: 'batch', bagId: bags[1]!.id }), -0.08],
    [idOf({ kind: 'need', foodId: 'chickpea-white' }), 0.12],
    [idOf({ kind: 'need', foodId: 'black-eyed' }), -0.08],
    [idOf({ kind: 'uptake', foodId: 'foxtail-millet' }), 0.08],
    [idOf({ kind: 'taste' }), 0.17],
  ])
}

/** About five months of runs up to the evening before `nowMs`, each planned with what the log had taught until then. */
export function demoHistory(kitchen: Kitchen, nowMs: number): { runs: HistoryRun[]; log: KitchenLog } {
  const random = randomFrom(SEED)
  const truth = demoTruth(kitchen)
  const all = USUALS.reduce((sum, { share }) => sum + share, 0)
  const firstMs = Math.floor((nowMs - MONTHS_MS) / DAY_MS) * DAY_MS
  const runs: HistoryRun[] = []
  const logged: LoggedRun[] = []
  const log: KitchenLog = {
    runs: logged,
    bags: kitchen.bags.map(({ id, boughtOn }) => ({ id, boughtAt: Date.parse(boughtOn) })),
    gaskets: [],
    waterTests: [],
    forgotten: [],
    without: [],
  }
  let wasInterrupted = false
  for (let i = 0; i < RUNS; i++) {
    const day = Math.floor((i * (MONTHS_MS / DAY_MS - 1)) / RUNS + random())
    const atMs = firstMs + day * DAY_MS + 17 * HOUR_MS + Math.floor(random() * 90) * 60_000
    let at = random() * all
    const usual = USUALS.find(({ share }) => (at -= share) < 0)!
    const cooker = kitchen.cookers[{ blue: 0, old: 1, electric: 2 }[usual.cooker]]!
    const pot = potOf(usual, kitchen, cooker.id)
    const on = cookedWith(pot, kitchen, cooker)
    const plain = requestOf(pot, kitchen, cooker, usual.style, atMs)
    if (!plain) throw new TypeError(`The demo kitchen knows no ${usual.foodId}.`)
    const { request, outcome: answer } = planCountable(asLearnt(plain, on, learnFrom(log)))
    if (!answer.ok) throw new TypeError(`${usual.name}: ${answer.problems[0]!.code}`)
    const live = { request, answer: answer.value }
    const cookNoise = { ...USUAL_NOISE, missed: MISSES_MANY.has(i) ? 0.4 : USUAL_NOISE.missed }
    const interrupted: boolean = !wasInterrupted && i >= INTERRUPTED_FROM && on.burnerId !== null
    wasInterrupted ||= interrupted
    const cooked = cook(live, on, truth, cookNoise, atMs, random, interrupted ? { interrupted: INTERRUPTION } : {})
    const absurd = i === ABSURD
    const verdicts = UNJUDGED.has(i)
      ? []
      : cooked.verdicts.map((verdict) => ({
          ...verdict,
          ...(absurd ? { texture: -2, water: 2 } : {}),
          foodId: request.contents[verdict.content]!.food,
          note: '',
        }))
    const fit = fitRun(live, cooked.events)
    runs.push({
      ...on,
      bagIds: [...on.bagIds],
      name: usual.name,
      cookerName: cooker.name,
      request,
      answer: answer.value,
      events: cooked.events,
      verdicts,
      fit,
      atMs,
    })
    if (fit) logged.push({ id: `demo-${i}`, fit, ...on, verdicts })
  }
  return { runs, log }
}

// Slips, as they happen.
const MISSES_MANY: ReadonlySet<number> = new Set([9, 31])
/** The first pot on a flame from this one on: the gas was gone for a while before it whistled. */
const INTERRUPTED_FROM = 17
const INTERRUPTION = { atMinute: 6, minutes: 5 }
const ABSURD = 24
const UNJUDGED: ReadonlySet<number> = new Set([5, 12, 40, 52])

function potOf({ foodId, amount, soakHours, burner, flame }: Usual, kitchen: Kitchen, cookerId: string): Pot {
  const food = foodById(kitchen, foodId)!
  const pot = newPot(food, kitchen)
  const item = pot.items[0]!
  return {
    ...pot,
    cookerId,
    burnerId: kitchen.burners[burner === 'strong' ? 0 : 1]!.id,
    flame: flame ?? 'medium',
    items: [{ ...item, amount, unit: kitchen.measures[0]!.id, ...(soakHours ? { soakHours } : {}) }],
  }
}
