import { failed, problem, type Outcome, type Problem } from '../problem'
import { Run } from '../pot/run'
import { bulkAfter, bulkBefore } from '../program/bulk'
import { caseOf } from '../program/closing-case'
import { prepare, type PreparedFood, type PreparedPot } from '../program/prepared'
import type { Content, PlanRequest } from '../program/request.schema'
import { closingOf } from '../program/sequence'
import { endsByItself, shapeOf } from '../program/styles'
import { frothTimes, levelMl } from '../water/volume'
import type { Arrangement } from './arrange'
import { MOST_STACKED_FOODS, MOST_STACKED_TINS, soakOptions, type StackAsk } from './ask'

/** g of water in the base that will leave as steam (engineering estimate). */
const BASE_STEAM_G = 150
const BASE_WATER_G = 350
/** g over the least liquid that a tin's run usually loses as steam before it is over. */
const BASE_SPARE_G = 60

/** How the search weighs an arrangement before it is planned in full. */
export interface Candidate {
  arrangement: Arrangement
  /** Index into each food's soak options. */
  soaks: number[]
  /** How far the foods are outside their windows, as a sum of logarithms; 0 when all are inside. */
  outside: number
  minutes: number
  lifts: number
}

/** The better of two comes first: inside the windows, then the quicker, then with less to lift. */
export function compare(a: Candidate, b: Candidate): number {
  return a.outside - b.outside || a.minutes - b.minutes || a.lifts - b.lifts
}

/** What every arrangement of one ask shares. */
export interface Setup {
  ask: StackAsk
  foods: PreparedFood[]
  body: PreparedPot['cooker']['body']
  /** Litres that a food reaches as the dish in the base. */
  baseL(food: number): number
  options: ReturnType<typeof soakOptions>[]
  /** Need and limit in boil-minutes of each food with each of its soaks. */
  windows: { needs: number; max: number }[][]
}

/** Prepares the foods with each of their soaks; the problems of an ask that cannot be searched. */
export function setUp(ask: StackAsk): Outcome<Setup> {
  const problems: Problem[] = []
  if (ask.foods.length > MOST_STACKED_FOODS)
    problems.push(problem('too-many-foods', 'foods', { value: ask.foods.length, max: MOST_STACKED_FOODS }))
  if (ask.tins.length > MOST_STACKED_TINS)
    problems.push(problem('too-many-tins', 'tins', { value: ask.tins.length, max: MOST_STACKED_TINS }))
  if (ask.tins.length === 0 && ask.foods.length > 1) problems.push(problem('no-tins', 'tins'))
  if (endsByItself(ask.style) || ask.style.kind === 'basket') problems.push(problem('style-not-for-stack', 'style'))
  if (problems.length > 0) return failed(...problems)
  const inBase = ask.foods.map(({ soakMayChange: _, lock: __, ...content }): Content => ({ ...content, where: 'base' }))
  const prepared = prepare(requestFor(ask, inBase))
  if (!prepared.ok) return prepared
  const { foods, cooker } = prepared.value
  const options = ask.foods.map((item, i) => soakOptions(item, foods[i]!.food, ask.kitchen.tapC))
  const windows = options.map((soaks, i) =>
    soaks.map((soak) => {
      const contents = inBase.map((content, j) => (i === j ? { ...content, soak } : content))
      const again = prepare(requestFor(ask, contents))
      const { need } = again.ok ? again.value.foods[i]! : foods[i]!
      return { needs: need.boilMinutes, max: need.window.max }
    }),
  )
  const baseL = (food: number) => {
    const item = foods[food]!
    const liquidMl = item.freeLiquidG + item.uptakeG - item.insideG + BASE_STEAM_G
    const before = levelMl([bulkBefore(item)], liquidMl)
    return (Math.max(before, levelMl([bulkAfter(item)], item.freeLiquidG)) * frothTimes([item.food])) / 1000
  }
  return { ok: true, value: { ask, foods, body: cooker.body, baseL, options, windows } }
}

/** The plan request of an arrangement's contents. */
export function requestFor(ask: StackAsk, contents: Content[], trivetMm?: number): PlanRequest {
  const { foods: _, tins: __, trivetsMm: ___, ownFoods, ...rest } = ask
  return {
    ...rest,
    contents,
    ...(trivetMm === undefined ? {} : { trivetMm }),
    ...(ownFoods && ownFoods.length > 0 ? { foods: ownFoods } : {}),
  }
}

/** The contents of an arrangement, in the order of the ask. */
export function contentsOf({ ask, options }: Setup, { base, tiers }: Arrangement, soaks: readonly number[]): Content[] {
  return ask.foods.map(({ soakMayChange: _, lock: __, ...content }, i): Content => {
    const soak = options[i]![soaks[i]!]!
    if (i === base) return { ...content, soak, where: 'base' }
    const level = tiers.findIndex((tier) => tier.some(({ food }) => food === i))
    const { tin, covered } = tiers[level]!.find(({ food }) => food === i)!
    const { diameterMm, heightMm, volumeMl, material } = tin
    return {
      ...content,
      soak,
      where: { tin: { diameterMm, heightMm, volumeMl, material, lid: covered }, tier: level + 1 },
    }
  })
}

/** Two arrangements with the same key heat every food alike; the tiers' order changes nothing. */
export function thermalKey({ base, tiers, trivetMm }: Arrangement): string {
  const tins = tiers
    .flat()
    .sort((a, b) => a.food - b.food)
    .map(({ food, tin, covered }) => [food, tin.diameterMm, tin.heightMm, covered])
  return JSON.stringify([base, trivetMm, tins])
}

/** What each food has got, and after how many minutes the pot is open, when the program ends at each figure. */
export interface DoseTable {
  rows: { minutes: number; gets: number[] }[]
}

/**
 * One run of the arrangement, its doses noted at every figure of the style, with the release from there. How
 * a tin was soaked changes nothing in it: what the food holds already is not poured in.
 */
export function doseTable(setup: Setup, arrangement: Arrangement): DoseTable | null {
  const { ask, windows } = setup
  const first = setup.options.map(() => 0)
  const prepared = prepare(requestFor(ask, contentsOf(setup, arrangement, first), arrangement.trivetMm))
  if (!prepared.ok) return null
  const pot = prepared.value
  const { style } = pot
  if (endsByItself(style)) return null
  const shape = shapeOf(style, pot.burner, pot.cooker.appliance)
  const run = new Run(
    caseOf(
      closingOf(pot, 0, null, () => 0),
      pourGuessG(pot),
      [],
    ),
  )
  if (!shape.before.every((step) => run.step(step)) || !run.step(shape.last(shape.min))) return null
  const rows: DoseTable['rows'] = []
  for (let figure = shape.min; figure <= shape.max; figure += shape.by) {
    const moment = run.save()
    if (pot.release && !run.release(pot.release)) return rows.length > 0 ? { rows } : null
    const gets = run.boilMinutes()
    const { heatOffMinute, releaseMinutes } = run.result()
    rows.push({ minutes: heatOffMinute + releaseMinutes, gets })
    // Beyond the limit of the food worst off nothing gets better.
    if (gets.some((got, i) => windows[i]!.every(({ max }) => got > max))) break
    if (gets.every((got, i) => windows[i]!.some(({ needs }) => got >= needs))) break
    run.restore(moment)
    if (!run.step(shape.next(figure + shape.by))) break
  }
  return { rows }
}

/** Base water before the plan has settled it: what the dish there wants, or what a run of tins usually takes. */
function pourGuessG(pot: PreparedPot): number {
  const inBase = pot.foods.filter(({ tin }) => tin === null)
  const wanted = inBase.reduce((sum, item) => sum + item.uptakeG + item.freeLiquidG - item.heldG, 0)
  return Math.max(BASE_WATER_G, pot.cooker.body.minimumLiquidG + BASE_SPARE_G, wanted + BASE_SPARE_G * 2)
}

/** The best soaks for an arrangement: at each figure every food chooses for itself. */
export function weigh(setup: Setup, arrangement: Arrangement, { rows }: DoseTable): Candidate {
  let best: Candidate | null = null
  for (const { minutes, gets } of rows) {
    const chosen = gets.map((got, i) => nearestOption(setup.windows[i]!, got))
    const candidate: Candidate = {
      arrangement,
      soaks: chosen.map(({ option }) => option),
      outside: chosen.reduce((sum, { outside }) => sum + outside, 0),
      minutes,
      lifts: liftsOf(arrangement),
    }
    if (!best || compare(candidate, best) < 0) best = candidate
  }
  return best!
}

function nearestOption(windows: readonly { needs: number; max: number }[], got: number) {
  let best = { option: 0, outside: Infinity }
  windows.forEach((window, option) => {
    const outside = outsideOf(window, got)
    if (outside < best.outside) best = { option, outside }
  })
  return best
}

/** How far boil-minutes are outside a window, as a logarithm; 0 inside. */
export function outsideOf({ needs, max }: { needs: number; max: number }, got: number): number {
  if (got < needs) return got > 0 ? Math.log(needs / got) : 10
  return got > max ? Math.log(got / max) : 0
}

/** Tins to lift out. */
export const liftsOf = ({ tiers }: Arrangement) => tiers.flat().length
