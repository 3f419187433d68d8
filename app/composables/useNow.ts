import { useIntervalFn } from '@vueuse/core'

/** The time in ms since 1970, renewed every so often. */
export function useNow(everyMs = 10_000) {
  const nowMs = ref(Date.now())
  useIntervalFn(() => (nowMs.value = Date.now()), everyMs)
  return nowMs
}
