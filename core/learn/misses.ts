import type { Believed } from './posterior'
import type { KitchenLog } from './log'
import { doneTerms, knownTerms } from './terms'

/** How near a run came: the logarithm of what its first food got over what, by now, it is believed to have needed. */
export interface Miss {
  runId: string
  at: number
  miss: number
  sd: number
}

/** How near each run of a log came, by what is believed at its end; runs whose figures are not known are left out. */
export function missesOf({ runs, without }: Pick<KitchenLog, 'runs' | 'without'>, believed: Believed): Miss[] {
  return runs.flatMap(({ id, fit, cookerId, bagIds }): Miss[] => {
    const food = fit.foods[0]
    if (!food || without.includes(id)) return []
    const needed = believed.of(
      knownTerms(doneTerms(food, bagIds[0] ?? null, fit.underPressure ? cookerId : null), (id) => believed.has(id)),
    )
    return [
      {
        runId: id,
        at: fit.litAt,
        miss: food.logGot.value - needed.mean,
        sd: Math.hypot(food.logGot.sd, needed.sd),
      },
    ]
  })
}
