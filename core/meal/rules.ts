import type { Rule, Search } from './search'

type Add = (side: number, value: number) => void

/** A number's share of a sum: `times` the value of a side, which counts only between `least` and `most`. */
export interface Term {
  side: number
  times: number
  least?: number
  most?: number
}

/** `total` is at least the sum of the terms and `plus`. */
export class SumRule implements Rule {
  constructor(
    private readonly total: number,
    private readonly terms: readonly Term[],
    private readonly plus: number,
  ) {}

  get sides(): number[] {
    return [2 * this.total + 1, ...this.terms.map(({ side }) => side)]
  }

  propagate(search: Search): boolean {
    let sum = this.plus
    for (const term of this.terms) sum += term.times * counted(term, search.reached[term.side]!)
    if (!search.raise(2 * this.total, sum, this)) return false
    const left = search.most(this.total) - sum
    for (const term of this.terms) {
      const allowed = counted(term, search.reached[term.side]!) + Math.floor(left / term.times)
      if (term.most !== undefined && allowed >= term.most) continue
      if (!search.raise(term.side ^ 1, -allowed, this)) return false
    }
    return true
  }

  explain(search: Search, side: number, value: number, _at: number, add: Add): void {
    let over = this.plus
    if (side === 2 * this.total) over -= value
    else {
      const most = -search.reachedBefore(2 * this.total + 1)
      add(2 * this.total + 1, -most)
      over -= most + 1
    }
    const own = this.terms.find((term) => term.side === (side ^ 1))
    if (own) over += own.times * (1 - value)
    const others = this.terms.filter((term) => term !== own)
    const reached = others.map((term) => counted(term, search.reachedBefore(term.side)))
    others.forEach((term, i) => (over += term.times * reached[i]!))
    // What is more than needed need not be said: the less is said, the more is learnt.
    others.forEach((term, i) => {
      const least = term.least ?? -Infinity
      const spare = Math.min(Math.floor(over / term.times), reached[i]! - least)
      over -= spare * term.times
      if (reached[i]! - spare > least) add(term.side, reached[i]! - spare)
    })
  }
}

function counted({ least, most }: Term, value: number): number {
  if (least !== undefined && value < least) return least
  return most !== undefined && value > most ? most : value
}

/** What takes some of a resource for some minutes from a start that is a number of the search. */
export interface Use {
  start: number
  minutes: number
  demand: number
}

/** Never more than `capacity` of the uses at once: what must go on at a minute keeps the others from it. */
export class TimetableRule implements Rule {
  private readonly byStart: Map<number, Use>

  constructor(
    private readonly uses: readonly Use[],
    private readonly capacity: number,
  ) {
    this.byStart = new Map(uses.map((use) => [use.start, use]))
  }

  get sides(): number[] {
    return this.uses.flatMap(({ start }) => [2 * start, 2 * start + 1])
  }

  propagate(search: Search): boolean {
    for (;;) {
      const parts = this.compulsory(search)
      const changed = this.push(search, parts)
      if (changed === null) return false
      if (!changed) return true
    }
  }

  /** Stretches in which something must go on, whatever is decided, with how much of the resource it takes. */
  private compulsory(search: Search): { from: number; to: number; height: number }[] {
    const steps: { at: number; by: number }[] = []
    for (const { start, minutes, demand } of this.uses) {
      const from = search.most(start)
      const to = search.least(start) + minutes
      if (from < to) steps.push({ at: from, by: demand }, { at: to, by: -demand })
    }
    steps.sort((a, b) => a.at - b.at)
    const stretches = []
    let height = 0
    for (let i = 0; i < steps.length; i++) {
      height += steps[i]!.by
      const next = steps[i + 1]
      if (next && next.at > steps[i]!.at && height > 0) stretches.push({ from: steps[i]!.at, to: next.at, height })
    }
    return stretches
  }

  /** True if a bound was moved, null at a contradiction. */
  private push(search: Search, stretches: { from: number; to: number; height: number }[]): boolean | null {
    const { capacity } = this
    for (const { from, height } of stretches)
      if (height > capacity) {
        const bounds: { side: number; value: number }[] = []
        this.at(search, from, capacity + 1, null, (side, value) => bounds.push({ side, value }))
        search.fail(bounds)
        return null
      }
    let changed = false
    for (const use of this.uses) {
      const { start, minutes, demand } = use
      if (search.least(start) === search.most(start)) continue
      const partFrom = search.most(start)
      const partTo = search.least(start) + minutes
      const full = stretches.filter(
        ({ from, to, height }) => height + demand > capacity && !(partFrom <= from && to <= partTo),
      )
      for (const { from, to } of full)
        while (search.least(start) < to && search.least(start) + minutes > from) {
          const at = Math.min(search.least(start) + minutes - 1, to - 1)
          if (!search.raise(2 * start, at + 1, this, at)) return null
          changed = true
        }
      for (const { from, to } of full.reverse())
        while (search.most(start) < to && search.most(start) + minutes > from) {
          const at = Math.max(search.most(start), from)
          if (!search.raise(2 * start + 1, minutes - at, this, at)) return null
          changed = true
        }
    }
    return changed
  }

  explain(search: Search, side: number, _value: number, at: number, add: Add): void {
    const use = this.byStart.get(side >> 1)!
    // Where it could not start without still going on at that minute, among those that must.
    if (side % 2 === 0) add(side, at + 1 - use.minutes)
    else add(side, -at)
    this.at(search, at, this.capacity + 1 - use.demand, use, add)
  }

  /** Says of enough uses that they must go on at this minute. */
  private at(search: Search, at: number, enough: number, but: Use | null, add: Add): void {
    let sum = 0
    for (const use of this.uses) {
      if (sum >= enough) return
      if (use === but) continue
      const { start, minutes, demand } = use
      if (search.reachedBefore(2 * start) + minutes <= at || -search.reachedBefore(2 * start + 1) > at) continue
      add(2 * start, at + 1 - minutes)
      add(2 * start + 1, -at)
      sum += demand
    }
  }
}

/**
 * One pair of hands has only the minutes there are: what must be done in a window has to fit into it. Of the last
 * minutes before serving no more may be used than is allowed there.
 */
export class WindowRule implements Rule {
  constructor(
    private readonly uses: readonly Use[],
    /** The number that says how many of the last minutes are used, and how many those are. */
    private readonly late: number,
    private readonly lateMinutes: number,
  ) {}

  get sides(): number[] {
    return [2 * this.late + 1, ...this.uses.flatMap(({ start }) => [2 * start, 2 * start + 1])]
  }

  propagate(search: Search): boolean {
    const windows = this.uses.map((use) => ({
      use,
      from: search.least(use.start),
      to: search.most(use.start) + use.minutes,
    }))
    const kept = Math.max(0, this.lateMinutes - search.most(this.late))
    const byFrom = [...windows].sort((a, b) => b.from - a.from)
    for (const to of new Set(windows.map((window) => window.to))) {
      let needed = 0
      const inside: Use[] = []
      for (const window of byFrom) {
        if (window.to > to) continue
        needed += window.use.minutes
        inside.push(window.use)
        const { from } = window
        const free = to === 0 && from <= -this.lateMinutes ? kept : 0
        if (needed > to - from - free) return this.tooMuch(search, inside, from, to, free > 0)
      }
    }
    return true
  }

  private tooMuch(search: Search, inside: readonly Use[], from: number, to: number, late: boolean): false {
    const bounds = inside.flatMap(({ start, minutes }) => [
      { side: 2 * start, value: from },
      { side: 2 * start + 1, value: minutes - to },
    ])
    const used = search.most(this.late)
    return search.fail(late ? [...bounds, { side: 2 * this.late + 1, value: -used }] : bounds)
  }

  explain(): void {
    // It only ever says that all of it cannot be.
  }
}
