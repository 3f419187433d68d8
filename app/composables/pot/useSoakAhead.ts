import { HOUR_MS } from '~~/core/measure/time'

/** How long the pot that is planned must still soak before it is lit, in ms; what soaks already has begun. */
export function useSoakAhead(nowMs: Ref<number>) {
  const pot = usePotStore()
  return computed(() => {
    const hours = (pot.request?.contents ?? []).map(({ soak }) => soak?.hours ?? 0).filter(Number.isFinite)
    const wholeMs = Math.max(0, ...hours) * HOUR_MS
    const since = pot.form.soakingSince
    return since === null ? wholeMs : Math.max(0, since + wholeMs - nowMs.value)
  })
}
