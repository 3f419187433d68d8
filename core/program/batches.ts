import { isRefused } from '../safety/rules'
import { OPENING_MINUTES, type PlanAnswer } from './answer'
import { plan } from './plan'
import type { PlanRequest } from './request.schema'

/** More than a pot takes, cooked in runs one after the other. */
export interface Batches {
  /** g of dry food that the pot takes at a time, at most, and in each of the runs. */
  mostG: number
  eachG: number
  runs: number
  /** Minutes of each run, and of all in a row. */
  minutesEach: number
  minutes: number
}

/** Nobody cooks one dish in more runs than these. */
const MOST_RUNS = 8
/** The largest load is closed in on to this share of it. */
const NEARLY = 0.01
const FULL = ['too-full', 'tin-too-full']

/**
 * How what is too much for its pot is cooked in runs as equal as they can be, by plans of smaller loads; null where it
 * fits, or where hardly anything of it would.
 */
export function batchesOf(request: PlanRequest): Batches | null {
  if (planned(request, 1) !== null) return null
  let low = 1 / MOST_RUNS
  if (planned(request, low) === null) return null
  let high = 1
  while (high - low > NEARLY * low) {
    const middle = (low + high) / 2
    if (planned(request, middle) === null) high = middle
    else low = middle
  }
  const runs = Math.ceil(1 / low - NEARLY)
  const each = planned(request, 1 / runs)
  if (each === null) return null
  const allG = request.contents.reduce((sum, { dryG }) => sum + dryG, 0)
  return {
    mostG: allG * low,
    eachG: allG / runs,
    runs,
    minutesEach: each.readyAtMinute,
    minutes: runs * each.readyAtMinute + (runs - 1) * OPENING_MINUTES,
  }
}

/** The plan of so large a share of it; null where the pot is too full with that, or cannot be planned. */
function planned(request: PlanRequest, share: number): PlanAnswer | null {
  const outcome = plan(
    {
      ...request,
      given: undefined,
      contents: request.contents.map(({ dryG, soak, ...content }) => ({
        ...content,
        dryG: dryG * share,
        soak: soak?.waterG === undefined ? soak : { ...soak, waterG: soak.waterG * share },
      })),
      liquids: request.liquids.map(({ g, ...liquid }) => ({ ...liquid, g: g * share })),
    },
    { range: false },
  )
  if (!outcome.ok) return null
  const full = outcome.value.cautions.filter(({ id }) => FULL.includes(id))
  return isRefused(full) ? null : outcome.value
}
