import type { Run } from '../pot/run'

/**
 * The release is worked out anew once a food is estimated to be this close to its need. Wide, since
 * the middle of a thick piece still lags at the first whistle and takes more from a later release.
 */
const CLOSE = 0.6

export interface Steps {
  from: number
  max: number
  by: number
  /** Runs the pot on from the figure before to this one; false if it ends on the way. */
  next(figure: number): boolean
  /** Lets the pressure out from there; false if it cannot. Null where there is none to let out. */
  release: (() => boolean) | null
  /** How far the food worst off is over its need, as a share of it. */
  surplus(gets: readonly number[]): number
}

export interface LeastFigure {
  figure: number
  /** The same before rounding up to a whole one. */
  exact: number
}

/**
 * The least figure of a program with which every food has what it needs, from a run that stands at the first of
 * them. After each the pot could be turned off: what the release would add is known from the last time it was worked
 * out, and is worked out again when the answer is near. Where it grew faster than that (a cold tin that has
 * warmed meanwhile), the figures that were passed over are looked at again. The run is left as it ends with the
 * figure found. `ended` if the pot ends before; null if no figure is enough, the run then standing at the last.
 */
export function leastFigure(run: Run, { from, max, by, next, release, surplus }: Steps): LeastFigure | 'ended' | null {
  const passedOver: { figure: number; moment: ReturnType<Run['save']> }[] = []
  let before: number | null = null
  let releaseAdds: number[] | null = null
  const released = (moment: ReturnType<Run['save']>): number | null => {
    run.restore(moment)
    return release!() ? surplus(run.boilMinutes()) : null
  }
  const exactOf = (figure: number, over: number) => (before === null ? figure : figure - (by * over) / (over - before))
  for (let figure = from; ; figure += by) {
    if (release === null) {
      // It is open all along: what it has is what it gets, and there is nothing to come back to.
      const over = surplus(run.boilMinutes())
      if (over >= 0) return { figure, exact: exactOf(figure, over) }
      before = over
      if (figure >= max) return null
      if (!next(figure + by)) return 'ended'
      continue
    }
    const moment = run.save()
    const soFar = run.boilMinutes()
    const estimate = releaseAdds === null ? 0 : surplus(soFar.map((got, i) => got + releaseAdds![i]!))
    if (estimate < -CLOSE) passedOver.push({ figure, moment })
    else {
      const found = released(moment)
      if (found === null) return 'ended'
      releaseAdds = run.boilMinutes().map((got, i) => got - soFar[i]!)
      if (found >= 0) return firstOf({ figure, moment, over: found })
      before = found
      passedOver.length = 0
    }
    run.restore(moment)
    if (figure >= max) return null
    if (!next(figure + by)) return 'ended'
  }

  function firstOf(enough: { figure: number; moment: ReturnType<Run['save']>; over: number }): LeastFigure | 'ended' {
    let least = enough
    let low = 0
    let high = passedOver.length
    while (low < high) {
      const middle = (low + high) >> 1
      const { figure, moment } = passedOver[middle]!
      const over = released(moment)
      if (over === null) return 'ended'
      if (over >= 0) {
        high = middle
        least = { figure, moment, over }
      } else {
        low = middle + 1
        before = over
      }
    }
    if (passedOver.length > 0) released(least.moment)
    const { figure, over } = least
    return { figure, exact: exactOf(figure, over) }
  }
}
