import { useEventListener, useIntervalFn } from '@vueuse/core'

const TRY_AGAIN_MS = 4000

/** Tries again what could not be sent: every few seconds, and as soon as there is a network again. */
export function whenReachable(tryAgain: () => unknown): void {
  useIntervalFn(() => void tryAgain(), TRY_AGAIN_MS)
  useEventListener(window, 'online', () => void tryAgain())
}
