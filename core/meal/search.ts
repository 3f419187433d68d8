import { Descending } from './descending'
import { luby } from './restarts'
import { Watched } from './watched'

/**
 * A search over whole numbers that learns from every dead end. Lazy clause generation (Ohrimenko, Stuckey and Codish
 * 2009), with bounds as the only literals: each conflict is traced back to the first bounds that made it, and what
 * they say together is remembered as a clause, so that the same dead end is never entered twice.
 *
 * Every number x is kept as two *sides* that only ever rise: the lower bound of x (side 2x) and that of -x
 * (side 2x + 1). A literal is a side and a value: "this side is at least that". What is said of one bound is so
 * said of the other, and the negation of (side >= v) is (other side >= 1 - v).
 */

/** The literal "side is at least value". */
export interface Bound {
  side: number
  value: number
}

/** What may raise a bound, and can say afterwards why it did. */
export interface Rule {
  /** Raises what follows from the bounds as they stand; false if they contradict each other (it has called `fail`). */
  propagate(search: Search): boolean
  /** Adds what was needed for this rule to raise `side` to `value`; `at` is what it noted when it did. */
  explain(search: Search, side: number, value: number, at: number, add: (side: number, value: number) => void): void
}

/** `value` of the target side is at least that of the source, plus `plus`, whenever `guard` holds. */
interface Edge {
  from: number
  to: number
  plus: number
  guard: Bound | null
}

interface Clause {
  sides: number[]
  values: number[]
  /** How lately it was of use; what never is, is forgotten. */
  activity: number
}

/** What has to hold of a side, and where on the trail it came to. */
interface Known {
  index: number
  value: number
}

/** Decisions and dead ends between two looks at whether to stop. */
const STOP_EVERY = 16
const RESTART_UNIT = 120
const CLAUSES_AT_FIRST = 4_000
const NUMBER_DECAY = 1 / 0.95
const CLAUSE_DECAY = 1 / 0.999

export type Outcome = 'found' | 'none' | 'stopped'

export class Search {
  /** The value that each side has reached. */
  readonly reached: number[] = []
  /** What each number of the last solution was. */
  solution: number[] | null = null
  conflicts = 0

  // The trail: every rise of a bound, in order, with why.
  private readonly trailSide: number[] = []
  private readonly trailWas: number[] = []
  private readonly trailReason: (Rule | Clause | Edge | null)[] = []
  private readonly trailNote: number[] = []
  private readonly trailBefore: number[] = []
  private readonly lastOnTrail: number[] = []
  private readonly levelStarts: number[] = []
  private head = 0

  private readonly edgesFrom: Edge[][] = []
  private readonly edgesGuardedBy: Edge[][] = []
  /** By side: the clauses that have a literal there which is false from some value on. */
  private readonly watched: Watched<Clause>[] = []
  private readonly rulesOn: Rule[][] = []
  private readonly waiting = new Set<Rule>()
  private learnt: Clause[] = []
  private clauseLimit = CLAUSES_AT_FIRST
  private clauseStep = 1

  private readonly activity: number[] = []
  private activityStep = 1
  /** Towards which value a number is tried first. */
  private readonly wish: number[] = []

  private conflict: Bound[] = []
  private contradiction = false

  /** A new number between `least` and `most`; the greatest is tried first. */
  number(least: number, most: number, wish = most): number {
    const x = this.activity.length
    this.reached.push(least, -most)
    for (const list of [this.edgesFrom, this.edgesGuardedBy, this.rulesOn] as unknown[][][]) list.push([], [])
    this.watched.push(new Watched(), new Watched())
    this.lastOnTrail.push(-1, -1)
    this.activity.push(0)
    this.wish.push(wish)
    if (least > most) this.contradiction = true
    return x
  }

  least(x: number): number {
    return this.reached[2 * x]!
  }

  most(x: number): number {
    return -this.reached[2 * x + 1]!
  }

  /** y is at least x + plus, whenever `guard` holds (always, without one). */
  precedes(x: number, y: number, plus: number, guard: Bound | null = null): void {
    // The second is the same sentence about the upper bounds.
    for (const edge of [
      { from: 2 * x, to: 2 * y, plus, guard },
      { from: 2 * y + 1, to: 2 * x + 1, plus, guard },
    ]) {
      this.edgesFrom[edge.from]!.push(edge)
      if (guard) this.edgesGuardedBy[guard.side]!.push(edge)
      if (!this.follow(edge)) this.contradiction = true
    }
  }

  /** A rule, looked at again whenever one of these sides rises. */
  rule(rule: Rule, sides: readonly number[]): void {
    for (const side of new Set(sides)) this.rulesOn[side]!.push(rule)
    this.waiting.add(rule)
  }

  /** Holds for good from now on. */
  require(side: number, value: number): void {
    this.backTo(0)
    if (!this.raise(side, value, null)) this.contradiction = true
  }

  /** Raises a side; false where that leaves a number no value, which is then the conflict. */
  raise(side: number, value: number, reason: Rule | Clause | Edge | null, note = 0): boolean {
    const was = this.reached[side]!
    if (value <= was) return true
    if (value + this.reached[side ^ 1]! > 0) {
      this.conflict = [{ side: side ^ 1, value: 1 - value }]
      if (reason) this.because(reason, side, value, note, this.toConflict)
      else this.conflict.push({ side, value })
      return false
    }
    this.trailSide.push(side)
    this.trailWas.push(was)
    this.trailReason.push(reason)
    this.trailNote.push(note)
    this.trailBefore.push(this.lastOnTrail[side]!)
    this.lastOnTrail[side] = this.trailSide.length - 1
    this.reached[side] = value
    return true
  }

  /** A rule found that these cannot all hold. */
  fail(bounds: Bound[]): false {
    this.conflict = bounds
    return false
  }

  /**
   * Looks for values of all numbers. `assuming` hold for this call only. 'none' is a proof; what was learnt on the
   * way stays for the next call. `stop` is asked now and then.
   */
  solve(assuming: readonly Bound[], stop: () => boolean): Outcome {
    this.backTo(0)
    let untilRestart = RESTART_UNIT
    let restarts = 0
    let steps = 0
    for (;;) {
      if (this.contradiction) return 'none'
      if (steps++ % STOP_EVERY === 0 && stop()) {
        this.backTo(0)
        return 'stopped'
      }
      if (!this.propagate()) {
        this.conflicts++
        if (this.levelStarts.length === 0) {
          this.contradiction = true
          return 'none'
        }
        if (!this.learn()) return 'none'
        untilRestart--
        continue
      }
      if (untilRestart <= 0) {
        untilRestart = RESTART_UNIT * luby(++restarts)
        this.backTo(Math.min(this.levelStarts.length, assuming.length))
        if (this.learnt.length > this.clauseLimit) this.forget()
      }
      const level = this.levelStarts.length
      if (level < assuming.length) {
        const { side, value } = assuming[level]!
        if (this.reached[side ^ 1]! >= 1 - value) return 'none'
        this.decide(side, value)
        continue
      }
      if (!this.decideNext()) {
        this.solution = this.activity.map((_, x) => this.least(x))
        for (let x = 0; x < this.wish.length; x++) this.wish[x] = this.solution[x]!
        this.backTo(0)
        return 'found'
      }
    }
  }

  // ---- what follows

  private propagate(): boolean {
    for (;;) {
      while (this.head < this.trailSide.length) {
        const was = this.trailWas[this.head]!
        const side = this.trailSide[this.head++]!
        for (const edge of this.edgesFrom[side]!) if (!this.follow(edge)) return false
        for (const edge of this.edgesGuardedBy[side]!)
          if (this.reached[side]! >= edge.guard!.value && !this.follow(edge)) return false
        if (!this.visit(side, was)) return false
        for (const rule of this.rulesOn[side]!) this.waiting.add(rule)
      }
      const next = this.waiting.values().next()
      if (next.done) return true
      this.waiting.delete(next.value)
      if (!next.value.propagate(this)) return false
    }
  }

  private follow(edge: Edge): boolean {
    const { from, to, plus, guard } = edge
    const value = this.reached[from]! + plus
    if (!guard || this.reached[guard.side]! >= guard.value)
      return value <= this.reached[to]! || this.raise(to, value, edge)
    // What it would say is impossible: then its guard cannot hold.
    if (value + this.reached[to ^ 1]! > 0) return this.raise(guard.side ^ 1, 1 - guard.value, edge)
    return true
  }

  private visit(side: number, was: number): boolean {
    return this.watched[side]!.look(was, this.reached[side]!, (clause) => {
      const { sides, values } = clause
      // The two first literals are watched; the false one is put second.
      if (sides[0]! === (side ^ 1)) swap(clause, 0, 1)
      if (this.reached[sides[0]!]! >= values[0]!) return 'stays'
      for (let k = 2; k < sides.length; k++)
        if (this.reached[sides[k]! ^ 1]! < 1 - values[k]!) {
          swap(clause, 1, k)
          this.watch(clause, 1)
          return 'elsewhere'
        }
      return this.raise(sides[0]!, values[0]!, clause) ? 'stays' : 'conflict'
    })
  }

  private watch(clause: Clause, literal: number): void {
    this.watched[clause.sides[literal]! ^ 1]!.add(1 - clause.values[literal]!, clause)
  }

  // ---- why

  private readonly toConflict = (side: number, value: number): void => {
    this.conflict.push({ side, value })
  }

  private because(
    reason: Rule | Clause | Edge,
    side: number,
    value: number,
    note: number,
    add: (side: number, value: number) => void,
  ): void {
    if ('explain' in reason) {
      reason.explain(this, side, value, note, add)
      return
    }
    if ('activity' in reason) {
      reason.activity += this.clauseStep
      for (let k = 0; k < reason.sides.length; k++)
        if (reason.sides[k] !== side) add(reason.sides[k]! ^ 1, 1 - reason.values[k]!)
      return
    }
    const { from, to, plus, guard } = reason
    if (side === to) {
      add(from, value - plus)
      if (guard) add(guard.side, guard.value)
      return
    }
    const source = this.reachedBefore(from)
    add(from, source)
    add(to ^ 1, 1 - source - plus)
  }

  /** The value that a side had when the rise that is being explained was made. */
  private explainedAt = Number.MAX_SAFE_INTEGER
  reachedBefore(side: number): number {
    let index = this.lastOnTrail[side]!
    let value = this.reached[side]!
    while (index >= this.explainedAt) {
      value = this.trailWas[index]!
      index = this.trailBefore[index]!
    }
    return value
  }

  /** Where on the trail a literal came to hold; -1 where it always did. */
  private whereReached(side: number, value: number): number {
    let index = this.lastOnTrail[side]!
    while (index >= 0 && this.trailWas[index]! >= value) index = this.trailBefore[index]!
    return index
  }

  /** Learns from the conflict and goes back to where that tells something new; false where nothing can be true. */
  private learn(): boolean {
    const needed = new Map<number, number>()
    const queue = new Descending()
    let open = 0
    let start = this.levelStarts[this.levelStarts.length - 1]!
    // A conflict may lie wholly below the newest decision: go back to where it began.
    for (;;) {
      const deepest = Math.max(-1, ...this.conflict.map(({ side, value }) => this.whereReached(side, value)))
      if (deepest >= start || this.levelStarts.length === 0) break
      this.backTo(this.levelStarts.length - 1)
      if (this.levelStarts.length === 0) {
        this.contradiction = true
        return false
      }
      start = this.levelStarts[this.levelStarts.length - 1]!
    }
    const add = (side: number, value: number): void => {
      const index = this.whereReached(side, value)
      if (index < (this.levelStarts[0] ?? 0)) return
      const known = needed.get(index)
      if (known === undefined) {
        needed.set(index, value)
        this.bump(side >> 1)
        queue.push(index)
        if (index >= start) open++
      } else if (value > known) needed.set(index, value)
    }
    for (const { side, value } of this.conflict) add(side, value)
    let first = -1
    for (;;) {
      const index = queue.pop()
      if (open === 1) {
        first = index
        break
      }
      open--
      const reason = this.trailReason[index]
      const value = needed.get(index)!
      needed.delete(index)
      this.explainedAt = index
      this.because(reason!, this.trailSide[index]!, value, this.trailNote[index]!, add)
      this.explainedAt = Number.MAX_SAFE_INTEGER
    }
    // Of two bounds of one side the higher says the other too.
    const highest = new Map<number, Known>()
    for (const [index, value] of needed) {
      const side = this.trailSide[index]!
      const known = highest.get(side)
      if (side !== this.trailSide[first] && (!known || value > known.value)) highest.set(side, { index, value })
    }
    const uip = { side: this.trailSide[first]!, value: needed.get(first)! }
    highest.set(uip.side, { index: first, value: uip.value })
    const others = [...highest.entries()]
      .map(([side, { index, value }]) => ({ side, value, index }))
      .filter((other) => other.side !== uip.side && !this.follows(other, highest))
    others.sort((a, b) => b.index - a.index)
    const clause: Clause = {
      sides: [uip.side ^ 1, ...others.map(({ side }) => side ^ 1)],
      values: [1 - uip.value, ...others.map(({ value }) => 1 - value)],
      activity: this.clauseStep,
    }
    const back = others.length === 0 ? 0 : this.levelOf(others[0]!.index)
    this.backTo(back)
    if (clause.sides.length > 1) {
      this.learnt.push(clause)
      this.watch(clause, 0)
      this.watch(clause, 1)
    }
    this.activityStep *= NUMBER_DECAY
    this.clauseStep *= CLAUSE_DECAY
    if (this.activityStep > 1e100) this.rescale()
    if (!this.raise(clause.sides[0]!, clause.values[0]!, clause.sides.length > 1 ? clause : null)) {
      this.contradiction = true
      return false
    }
    return true
  }

  /** Whether a literal follows from those of a clause that came to hold before it: then it need not be said. */
  private follows({ side, index, value }: Bound & Known, said: ReadonlyMap<number, Known>): boolean {
    const reason = this.trailReason[index]
    if (!reason) return false
    let all = true
    this.explainedAt = index
    this.because(reason, side, value, this.trailNote[index]!, (from, least) => {
      if (!all || this.whereReached(from, least) < (this.levelStarts[0] ?? 0)) return
      const other = said.get(from)
      all = other !== undefined && other.index < index && other.value >= least
    })
    this.explainedAt = Number.MAX_SAFE_INTEGER
    return all
  }

  private levelOf(index: number): number {
    let level = this.levelStarts.length
    while (level > 0 && this.levelStarts[level - 1]! > index) level--
    return level
  }

  // ---- deciding and going back

  private decide(side: number, value: number): void {
    this.levelStarts.push(this.trailSide.length)
    this.raise(side, value, null)
  }

  private decideNext(): boolean {
    let best = -1
    for (let x = 0; x < this.activity.length; x++)
      if (this.reached[2 * x]! + this.reached[2 * x + 1]! < 0 && (best < 0 || this.activity[x]! > this.activity[best]!))
        best = x
    if (best < 0) return false
    const wish = Math.max(this.least(best), Math.min(this.most(best), this.wish[best]!))
    if (wish > this.least(best)) this.decide(2 * best, wish)
    else this.decide(2 * best + 1, -wish)
    return true
  }

  private backTo(level: number): void {
    if (level >= this.levelStarts.length) return
    const start = this.levelStarts[level]!
    for (let index = this.trailSide.length - 1; index >= start; index--) {
      const side = this.trailSide[index]!
      this.reached[side] = this.trailWas[index]!
      this.lastOnTrail[side] = this.trailBefore[index]!
    }
    for (const list of [
      this.trailSide,
      this.trailWas,
      this.trailReason,
      this.trailNote,
      this.trailBefore,
    ] as unknown[][])
      list.length = start
    this.levelStarts.length = level
    this.head = Math.min(this.head, start)
  }

  private bump(x: number): void {
    this.activity[x]! += this.activityStep
  }

  private rescale(): void {
    for (let x = 0; x < this.activity.length; x++) this.activity[x]! *= 1e-100
    this.activityStep *= 1e-100
  }

  private forget(): void {
    this.learnt.sort((a, b) => b.activity - a.activity)
    const inUse = new Set(this.trailReason)
    const kept = this.learnt.filter(
      (clause, index) => index < this.learnt.length / 2 || clause.sides.length <= 2 || inUse.has(clause),
    )
    const gone = new Set(this.learnt)
    for (const clause of kept) gone.delete(clause)
    for (const watched of this.watched) watched.keep((clause) => !gone.has(clause))
    this.learnt = kept
    this.clauseLimit += 500
    if (this.clauseStep > 1e100) {
      for (const clause of this.learnt) clause.activity *= 1e-100
      this.clauseStep *= 1e-100
    }
  }
}

function swap({ sides, values }: Clause, i: number, k: number): void {
  const side = sides[i]!
  const value = values[i]!
  sides[i] = sides[k]!
  values[i] = values[k]!
  sides[k] = side
  values[k] = value
}
