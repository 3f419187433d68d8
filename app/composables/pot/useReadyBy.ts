import { addDays, set } from 'date-fns'
import { MINUTE_MS } from '~~/core/measure/time'

/** The hour by which the pot on the page is to be ready; every time that is told is told for it too. */
export function useReadyBy() {
  const { t, clock, day, weekday } = useI18nText()
  const nowMs = useNow()
  // As “19:30”; empty where no hour is asked for.
  const { readyBy: wanted } = storeToRefs(usePotStore())
  /** The next time that it is that hour, in ms since 1970; null without one. */
  const wantedMs = computed(() => {
    const [hour, minute] = wanted.value.split(':').map(Number)
    if (hour === undefined || minute === undefined || !Number.isFinite(hour + minute)) return null
    const today = set(nowMs.value, { hours: hour, minutes: minute, seconds: 0, milliseconds: 0 })
    return (today.getTime() > nowMs.value ? today : addDays(today, 1)).getTime()
  })
  /** The hour, with its day where that is not today. */
  const when = (ms: number) => (day(ms) === day(nowMs.value) ? clock(ms) : `${weekday(ms)} ${clock(ms)}`)
  /** When to begin what takes so many minutes, for that hour; empty where none is asked for. */
  function beginText(minutes: number): string {
    if (wantedMs.value === null || !Number.isFinite(minutes)) return ''
    const beginMs = wantedMs.value - minutes * MINUTE_MS
    return beginMs < nowMs.value - MINUTE_MS
      ? t('pot.times.tooLateShort')
      : t('pot.times.begin', { time: when(beginMs) })
  }
  return { nowMs, wanted, wantedMs, when, beginText }
}
