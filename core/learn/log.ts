import { BEAN_GROUPS, FLAMES, PINCHES, type BeansLiked, type FlameName, type Pinch } from '../names'
import { DAY_MS } from '../measure/time'
import { figureOfId, idOf, OLD_BATCH, priorOf, UNLEARNT, type Figure } from './figure'
import { SHARED_BY_FLAMES } from '../unknown'
import { doneTerms } from './terms'
import { Posterior, type Believed, type Estimate, type Move, type Terms } from './posterior'
import type { LearntSums } from './sums'
import type { DonenessWindow, FlameShares, FoodFit, Measured, RunFit } from './run-fit'

/** How one food came out, on scales from -2 (much too hard, too dry) over 0 (right) to 2. */
export interface LoggedVerdict {
  content: number
  texture: number
  water: number
}

/** A run as learning needs it: what it says by itself, on what it was cooked, from which bags, and how it was judged. */
export interface LoggedRun {
  id: string
  fit: RunFit
  cookerId: string
  /** Null for what heats itself, or where nobody said. */
  burnerId: string | null
  /** By content; null where nobody said. */
  bagIds: readonly (string | null)[]
  verdicts: readonly LoggedVerdict[]
}

/** All that a household's learning rests on. Times in ms since 1970. */
export interface KitchenLog {
  runs: readonly LoggedRun[]
  bags: readonly { id: string; boughtAt: number }[]
  /** New gaskets: what a cooker loses is learnt anew. */
  gaskets: readonly { cookerId: string; at: number }[]
  /** Water tests: heat, swing and loss were measured, and stand in the kitchen from then on. */
  waterTests: readonly { cookerId: string; burnerId: string | null; at: number }[]
  /** Figures that were told to be forgotten, by their id, and when. */
  forgotten: readonly { figure: string; at: number }[]
  /** Runs that are not to teach. */
  without: readonly string[]
  /** How soft the household says that it likes its beans, peas and lentils; missing where it was not asked. */
  beansLiked?: BeansLiked | undefined
}

/** What one run said of a figure. */
export interface Evidence {
  runId: string
  at: number
  /** What it alone would have the figure be, as a logarithm, and one standard deviation of that. */
  says: number
  sd: number
  /** How far it moved the figure. */
  moved: number
}

/** A figure that has been spoken of. */
export interface LearntFigure {
  id: string
  figure: Figure
  prior: Estimate
  now: Estimate
  evidence: Evidence[]
}

/** Two figures of which only the sum is known yet. */
export interface Undecided {
  a: string
  b: string
}

export interface Learnt extends Believed {
  figures: LearntFigure[]
  undecided: Undecided[]
  /** All that a plan needs, to be sent elsewhere. */
  sums: LearntSums
}

// From judgements to figures (MODEL: one step of doneness is a factor, one step of water an uptake).
const STEP_OF_WATER = 0.15
/** A judgement is blurred by so much (engineering estimates). */
const DONENESS_SD = 0.12
const WATER_SD = 0.075
const MOST_STEPS = 2
const CHOICES = 5

/** A cooker's loss wanders so far in a month, as a logarithm (engineering estimate). */
const LOSS_DRIFT = 0.05
const MONTH_MS = 30.44 * DAY_MS
const YEAR_MS = 365.25 * DAY_MS

/**
 * From run to run a figure of a stove wanders so far, as a logarithm: knobs, gaskets and weights do, and what the model
 * leaves out of them (the lift of a weight that nobody measured) does not average out (engineering estimates).
 */
const WANDERS: Partial<Record<Figure['kind'], number>> = {
  'flame-heat': 0.025,
  'own-heat': 0.015,
  swing: 0.03,
  uptake: 0.006,
  pressure: 0.01,
  loss: 0.18,
  steam: 0.05,
}

/** So many measurements in a row that miss by more than this on one side are no chance: a knob, a gasket, a jet has changed. */
const JUMP_OF_TWO = { runs: 2, sds: 1.5 }
const JUMP_OF_THREE = { runs: 3, sds: 1 }

/** How much more or less than assumed they need as a household says that it likes them, as logarithms (engineering estimates). */
const LIKED: Record<BeansLiked, number> = { usual: 0, firm: -Math.log(1.25), soft: Math.log(1.25) }
const LIKED_SD = 0.12

/** A bag that nothing was taken from for so long is used up, and known no more (engineering estimate). */
const BAG_USED_UP_MS = 400 * DAY_MS

/** What moves a figure less than this is not told. */
const LEAST_MOVED = 0.002
/** Who is less sure of a figure than so many times what was assumed has not spoken of it. */
const HARDLY_SAYS = 2.5
/** Figures that are correlated more closely than this, and of which neither is known much better than before. */
const UNDECIDED_FROM = -0.45
const HARDLY_BETTER = 0.6

/**
 * Learns from a log: a linear Gaussian filter over the logarithms of its figures, with one joint covariance, run by run
 * in the order of time. The same log gives the same answer whenever it is asked.
 */
export function learnFrom(log: KitchenLog): Learnt {
  const learner = new Learner(log)
  for (const happening of happeningsOf(log)) happening.tell(learner)
  return learner.learnt()
}

interface Happening {
  at: number
  tell(learner: Learner): void
}

/** All that happened, in order; of two things at the same time, what is forgotten or measured comes first. */
function happeningsOf({ runs, gaskets, waterTests, forgotten, without }: KitchenLog): Happening[] {
  const left = new Set(without)
  const all: Happening[] = [
    ...gaskets.map(({ cookerId, at }) => ({ at, tell: (to: Learner) => to.anew(idOf({ kind: 'loss', cookerId })) })),
    ...waterTests.map((test) => ({ at: test.at, tell: (to: Learner) => to.waterTest(test) })),
    ...forgotten.map(({ figure, at }) => ({ at, tell: (to: Learner) => to.anew(figure) })),
    ...runs
      .filter(({ id }) => !left.has(id))
      .map((run) => ({ at: run.fit.litAt, tell: (to: Learner) => to.run(run) }))
      .sort((a, b) => a.at - b.at),
  ]
  return all
    .map((one, i) => ({ one, i }))
    .sort((a, b) => a.one.at - b.one.at || a.i - b.i)
    .map(({ one }) => one)
}

class Learner {
  private readonly posterior = new Posterior()
  private readonly priors = new Map<string, Estimate>()
  private readonly evidence = new Map<string, Evidence[]>()
  private readonly said = new Map<string, number>()
  private readonly measured = new Set<string>()
  private readonly driftedAt = new Map<string, number>()
  /** By how many standard deviations the last measurements missed what was believed. */
  private readonly misses = new Map<string, number[]>()
  private readonly bags: ReadonlyMap<string, number>

  constructor({ bags, beansLiked }: KitchenLog) {
    this.bags = new Map(bags.map(({ id, boughtAt }) => [id, boughtAt]))
    if (!beansLiked) return
    for (const group of BEAN_GROUPS) {
      const id = idOf({ kind: 'group-taste', group })
      const prior = { mean: LIKED[beansLiked], sd: LIKED_SD }
      this.priors.set(id, prior)
      this.posterior.add(id, prior)
      this.evidence.set(id, [])
    }
  }

  /** The figure is learnt anew from now on. */
  anew(id: string): void {
    if (!this.posterior.has(id)) return
    this.posterior.reset(id, this.priors.get(id)!)
    this.misses.delete(id)
    this.evidence.set(id, [])
  }

  waterTest({ cookerId, burnerId }: KitchenLog['waterTests'][number]): void {
    const flames: Figure[] =
      burnerId === null
        ? [{ kind: 'own-heat', cookerId }]
        : [
            { kind: 'burner-heat', cookerId, burnerId },
            ...FLAMES.map((flame): Figure => ({ kind: 'flame-heat', cookerId, burnerId, flame })),
          ]
    for (const figure of [...flames, { kind: 'swing', cookerId }, { kind: 'loss', cookerId }] as Figure[]) {
      const id = idOf(figure)
      this.measured.add(id)
      // What it was a factor of is not what the kitchen has now.
      this.said.delete(id)
      this.priors.set(id, priorOf(figure, { isMeasured: true }))
      this.anew(id)
    }
  }

  run(run: LoggedRun): void {
    const { fit, cookerId, burnerId } = run
    this.forgetBagsBefore(fit.litAt - BAG_USED_UP_MS)
    const { said } = fit
    const heatTerms = (shares: FlameShares): Map<string, number> => {
      if (said.ownW !== null) return new Map([[this.figure({ kind: 'own-heat', cookerId }, fit, said.ownW), 1]])
      const burner = burnerId ?? 'unsaid'
      const terms = new Map([[this.figure({ kind: 'burner-heat', cookerId, burnerId: burner }, fit), 1]])
      for (const [flame, share] of Object.entries(shares ?? {}) as [FlameName, number][])
        terms.set(
          this.figure({ kind: 'flame-heat', cookerId, burnerId: burner, flame }, fit, said.flameW?.[flame]),
          share,
        )
      return terms
    }
    for (const { flames, turnedTo, says } of fit.heard)
      for (const { heat, swing, turned, loss, value, sd } of says) {
        const terms = new Map<string, number>()
        const add = (of: ReadonlyMap<string, number>, times: number) =>
          of.forEach((share, id) => terms.set(id, (terms.get(id) ?? 0) + share * times))
        // The flame that it was turned to is off by its own, besides what the first is off by.
        add(heatTerms(flames), heat - (turnedTo ? SHARED_BY_FLAMES * turned : 0))
        if (turnedTo && turned !== 0) add(heatTerms({ [turnedTo]: 1 }), turned)
        if (Math.abs(swing) > 1e-6) terms.set(this.figure({ kind: 'swing', cookerId }, fit), swing)
        if (Math.abs(loss) > 1e-6) terms.set(this.figure({ kind: 'loss', cookerId }, fit, said.lossWPerK), loss)
        this.tellMeasured(run, terms, { value, sd })
      }
    if (fit.loss) {
      const terms = new Map([[this.figure({ kind: 'loss', cookerId }, fit, said.lossWPerK), 1]])
      this.tellMeasured(run, terms, fit.loss)
    }
    fit.foods.forEach((food, content) => {
      const verdict = run.verdicts.find((one) => one.content === content)
      if (!verdict && food.pinches.length === 0) return
      const heat = food.byHeat !== 0 ? heatTerms(fit.unheard) : new Map<string, number>()
      this.doneness(run, food, content, verdict?.texture ?? null, heat)
      if (verdict) this.water(run, food, verdict.water)
    })
  }

  /** ln(got / needed) lies in the step of the food's own window that was felt, besides bag + need + taste. */
  private doneness(
    run: LoggedRun,
    food: FoodFit,
    content: number,
    texture: number | null,
    heat: Map<string, number>,
  ): void {
    const { fit } = run
    const bagId = run.bagIds[content] ?? null
    const pressedIn = fit.underPressure ? run.cookerId : null
    const terms = new Map(
      doneTerms(food, bagId, pressedIn).map(({ figure, times }) => [this.figure(figure, fit), times]),
    )
    // Where nothing was heard, what is believed of the heat says what the food got. A verdict never tells of the heat: a
    // liking for firm beans would else shorten the cooking of all that must not be undercooked.
    const believed = this.posterior.of(heat)
    // A bag that nobody named is one of many.
    const unnamed = bagId === null ? (food.isOld ? UNLEARNT.oldBatch : UNLEARNT.freshBatch) : 0
    const got = food.logGot.value + food.byHeat * believed.mean - (bagId === null && food.isOld ? OLD_BATCH : 0)
    const blur = Math.hypot(DONENESS_SD, food.logGot.sd, food.byHeat * believed.sd, unnamed)
    for (const { logGot, pinch } of food.pinches) {
      const [low, high] = pinched(food.window, pinch)
      const had = logGot.value - (bagId === null && food.isOld ? OLD_BATCH : 0)
      const sd = Math.hypot(DONENESS_SD, logGot.sd, unnamed)
      this.tell(run, terms, this.posterior.judged(terms, [had - high, had - low], sd, PINCHES.length))
    }
    if (texture === null) return
    const [low, high] = felt(food.window, texture)
    this.tell(run, terms, this.posterior.judged(terms, [got - high, got - low], blur, CHOICES))
  }

  private water(run: LoggedRun, food: FoodFit, steps: number): void {
    const { fit, cookerId } = run
    if (!food.inTin && !fit.water) return
    const over = food.inTin ? 0 : fit.water!.over
    const terms = new Map([[this.figure({ kind: 'uptake', foodId: food.foodId }, fit), -food.uptake]])
    if (!food.inTin) terms.set(this.figure({ kind: 'steam', cookerId }, fit), -fit.water!.steam)
    const blur = Math.hypot(WATER_SD, food.inTin ? 0 : fit.water!.sd)
    const [low, high] = limitsOf(steps)
    const range = [low * STEP_OF_WATER - over, high * STEP_OF_WATER - over] as const
    this.tell(run, terms, this.posterior.judged(terms, range, blur, CHOICES))
  }

  /** A measurement of a stove; after two or three that miss on one side what is believed of it has changed, and is unsure again. */
  private tellMeasured(run: LoggedRun, terms: Terms, { value, sd }: Measured): void {
    const { mean, sd: before } = this.posterior.of(terms)
    const miss = value - mean
    const total = Math.hypot(sd, before)
    const [id] = [...terms].reduce((most, one) => (Math.abs(one[1]) > Math.abs(most[1]) ? one : most))
    const misses = [...(this.misses.get(id) ?? []), miss / total].slice(-JUMP_OF_THREE.runs)
    const onOneSide = ({ runs, sds }: typeof JUMP_OF_TWO) => {
      const last = misses.slice(-runs)
      return last.length === runs && last.every((one) => one > sds) !== last.every((one) => one < -sds)
    }
    const jumped = onOneSide(JUMP_OF_TWO) || onOneSide(JUMP_OF_THREE)
    if (jumped) this.posterior.drift(id, Math.max(0, miss * miss - total * total))
    this.misses.set(id, jumped ? [] : misses)
    this.tell(run, terms, this.posterior.measured(terms, value, sd))
  }

  /** The id of a figure, which is known from now on; what it is a factor of may have been changed since. */
  private figure(figure: Figure, { litAt }: RunFit, saidNow?: number): string {
    const id = idOf(figure)
    const boughtAt = figure.kind === 'batch' ? this.bags.get(figure.bagId) : undefined
    if (!this.posterior.has(id)) {
      const isOld = boughtAt !== undefined && litAt - boughtAt > YEAR_MS
      const prior = this.priors.get(id) ?? priorOf(figure, { isOld, isMeasured: this.measured.has(id) })
      this.priors.set(id, prior)
      this.posterior.add(id, prior)
      this.evidence.set(id, [])
    }
    if (saidNow !== undefined) {
      const before = this.said.get(id)
      if (before !== undefined && before !== saidNow) this.shift(id, Math.log(before / saidNow))
      this.said.set(id, saidNow)
    }
    const since = this.driftedAt.get(id)
    if (since !== undefined && litAt > since) {
      const wanders = WANDERS[figure.kind] ?? 0
      const drifts = figure.kind === 'loss' ? ((litAt - since) / MONTH_MS) * LOSS_DRIFT ** 2 : 0
      if (wanders + drifts > 0) this.posterior.drift(id, wanders ** 2 + drifts)
    }
    this.driftedAt.set(id, Math.max(litAt, since ?? litAt))
    return id
  }

  /** A log of many years would else carry each bag that it ever had through every run. */
  private forgetBagsBefore(moment: number): void {
    for (const id of this.posterior.ids) {
      if (this.driftedAt.get(id)! >= moment || figureOfId(id)?.kind !== 'batch') continue
      this.posterior.drop(id)
      this.priors.delete(id)
      this.driftedAt.delete(id)
    }
  }

  private shift(id: string, by: number): void {
    this.posterior.shift(id, by)
    this.evidence.set(
      id,
      this.evidence.get(id)!.map((one) => ({ ...one, says: one.says + by })),
    )
  }

  private tell(run: LoggedRun, terms: Terms, { says, was, sd, moved }: Move): void {
    for (const [id, by] of moved) {
      if (Math.abs(by) < LEAST_MOVED && !terms.has(id)) continue
      const times = terms.get(id)
      // What was heard of others moves it too, but only what was said of it is a mark of its own.
      if (times === undefined || Math.abs(times) < 0.05) continue
      const now = this.posterior.of(new Map([[id, 1]]))
      const others = new Map([...terms].filter(([other]) => other !== id))
      const around = this.posterior.of(others).sd
      const alone = Math.hypot(sd, around) / Math.abs(times)
      if (alone > HARDLY_SAYS * this.priors.get(id)!.sd) continue
      this.evidence.get(id)!.push({
        runId: run.id,
        at: run.fit.litAt,
        says: now.mean - by + (says - was) / times,
        sd: alone,
        moved: by,
      })
    }
  }

  learnt(): Learnt {
    const { posterior } = this
    const figures = posterior.ids.flatMap((id): LearntFigure[] => {
      const evidence = this.evidence.get(id)!
      const figure = figureOfId(id)
      if (evidence.length === 0 || !figure) return []
      return [{ id, figure, prior: this.priors.get(id)!, now: posterior.of(new Map([[id, 1]])), evidence }]
    })
    return {
      figures,
      undecided: undecidedOf(posterior, figures),
      sums: { ids: posterior.ids, ...posterior.content, said: Object.fromEntries(this.said) },
      of: (terms) => posterior.of(terms),
      has: (id) => posterior.has(id),
      saidOf: (id) => this.said.get(id) ?? null,
    }
  }
}

/** Between which logarithms of its need a food was felt to be so many steps from right: right begins where it is done. */
function felt({ firmer, right, softer }: DonenessWindow, steps: number): readonly [low: number, high: number] {
  if (steps <= -MOST_STEPS) return [-Infinity, firmer]
  if (steps < 0) return [firmer, 0]
  if (steps === 0) return [0, right]
  return steps < MOST_STEPS ? [right, softer] : [softer, Infinity]
}

/** The same of a pinch before it was done. */
function pinched({ firmer }: DonenessWindow, pinch: Pinch): readonly [low: number, high: number] {
  if (pinch === 'hard') return [-Infinity, firmer]
  return pinch === 'firm' ? [firmer, 0] : [0, Infinity]
}

/** The limits between which a judgement of so many steps was felt; beyond the last step there is none. */
function limitsOf(steps: number): readonly [low: number, high: number] {
  return [steps <= -MOST_STEPS ? -Infinity : steps - 0.5, steps >= MOST_STEPS ? Infinity : steps + 0.5]
}

function undecidedOf(posterior: Posterior, figures: readonly LearntFigure[]): Undecided[] {
  const vague = figures.filter(({ prior, now }) => now.sd > HARDLY_BETTER * prior.sd)
  return vague.flatMap(({ id: a }, i) =>
    vague.slice(i + 1).flatMap(({ id: b }) => (posterior.correlation(a, b) < UNDECIDED_FROM ? [{ a, b }] : [])),
  )
}
