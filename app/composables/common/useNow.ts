import { useIntervalFn } from '@vueuse/core'

/** The time in ms since 1970 as the server has it, renewed every so often. */
export function useNow(everyMs = 10_000) {
  const nowMs = ref(serverNow())
  useIntervalFn(() => (nowMs.value = serverNow()), everyMs)
  return nowMs
}
