import { arrangements, type Arrangement } from '../../core/stack/arrange'
import type { StackAsk } from '../../core/stack/ask'
import { compare, doseTable, liftsOf, outsideOf, setUp, weigh } from '../../core/stack/weigh'
import type { Candidate, DoseTable, Setup } from '../../core/stack/weigh'

/** Without the short cuts: every combination of arrangement and soaks weighed for itself. For checking the search. */
export function bruteForce(ask: StackAsk): Candidate[] {
  const found = setUp(ask)
  if (!found.ok) return []
  const setup = found.value
  const all: Candidate[] = []
  for (const arrangement of arrangements(ask, setup.foods, setup.body, setup.baseL)) {
    const table = doseTable(setup, arrangement)
    if (!table) continue
    for (const soaks of product(setup.options.map((options) => options.length)))
      all.push(weighSoaks(setup, arrangement, table, soaks))
  }
  return all.sort(compare)
}

/** The best that the quick weighing finds; what bruteForce must agree with. */
export function bestCandidate(ask: StackAsk): Candidate | null {
  const found = setUp(ask)
  if (!found.ok) return null
  const setup = found.value
  let best: Candidate | null = null
  for (const arrangement of arrangements(ask, setup.foods, setup.body, setup.baseL)) {
    const table = doseTable(setup, arrangement)
    if (!table) continue
    const candidate = weigh(setup, arrangement, table)
    if (!best || compare(candidate, best) < 0) best = candidate
  }
  return best
}

function weighSoaks(setup: Setup, arrangement: Arrangement, { rows }: DoseTable, soaks: number[]): Candidate {
  const weighed = rows.map(({ minutes, gets }): Candidate => {
    const outside = gets.reduce((sum, got, i) => sum + outsideOf(setup.windows[i]![soaks[i]!]!, got), 0)
    return { arrangement, soaks, outside, minutes, lifts: liftsOf(arrangement) }
  })
  return weighed.sort(compare)[0]!
}

function* product(sizes: readonly number[]): Generator<number[]> {
  const [size, ...rest] = sizes
  if (size === undefined) {
    yield []
    return
  }
  for (let i = 0; i < size; i++) for (const tail of product(rest)) yield [i, ...tail]
}
