/**
 * Clauses by the value of a side at which each has to be looked at. A side rises by a few values at a time: what is
 * watched at others is never touched.
 */
export class Watched<Clause> {
  /** Rising; for each the clauses that are looked at when the side reaches it. */
  private values: number[] = []
  private clauses: Clause[][] = []

  add(value: number, clause: Clause): void {
    const at = this.firstFrom(value)
    if (this.values[at] === value) this.clauses[at]!.push(clause)
    else {
      this.values.splice(at, 0, value)
      this.clauses.splice(at, 0, [clause])
    }
  }

  /**
   * Shows each clause watched above `was` and up to `reached` until one says 'conflict'; one that says 'elsewhere' is
   * watched here no longer. False at a conflict.
   */
  look(was: number, reached: number, at: (clause: Clause) => 'stays' | 'elsewhere' | 'conflict'): boolean {
    const { values } = this
    for (let i = this.firstFrom(was + 1); i < values.length && values[i]! <= reached; i++) {
      const list = this.clauses[i]!
      for (let k = 0; k < list.length;) {
        const answer = at(list[k]!)
        if (answer === 'conflict') return false
        if (answer === 'stays') k++
        else {
          // Their order says nothing: the last takes its place.
          list[k] = list[list.length - 1]!
          list.pop()
        }
      }
    }
    return true
  }

  /** Only these remain. */
  keep(those: (clause: Clause) => boolean): void {
    const lists = this.clauses.map((list) => list.filter(those))
    this.values = this.values.filter((_, i) => lists[i]!.length > 0)
    this.clauses = lists.filter((list) => list.length > 0)
  }

  private firstFrom(value: number): number {
    let low = 0
    let high = this.values.length
    while (low < high) {
      const middle = (low + high) >> 1
      if (this.values[middle]! < value) low = middle + 1
      else high = middle
    }
    return low
  }
}
