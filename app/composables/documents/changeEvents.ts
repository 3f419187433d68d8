import { useEventListener, useEventSource } from '@vueuse/core'
import type { ChangeEvent } from '~~/shared/run.schema'

type Tell = (id: string | null) => void
const listeners = new Map<ChangeEvent['kind'], Set<Tell>>()
let listening = false

/**
 * Calls back when a document of that kind has changed on any device, with its id; and with null when something may
 * have been missed: after a gap, on waking, when the network is back. For stores, which live as long as the page.
 */
export function whenChanged(kind: ChangeEvent['kind'], tell: Tell): void {
  listeners.set(kind, (listeners.get(kind) ?? new Set()).add(tell))
  if (!listening) listen()
}

/** One connection for all kinds. */
function listen(): void {
  listening = true
  const scope = effectScope(true)
  scope.run(() => {
    const tellAll = () => listeners.forEach((own) => own.forEach((tell) => tell(null)))
    // What the page asked for so far was asked for after it began.
    const address = `/api/changes?age=${Math.round(performance.now())}`
    let opened = 0
    const { eventSource } = useEventSource(address, [] as const, { autoReconnect: { delay: 1500 } })
    watch(
      eventSource,
      (source) => {
        // After the first time there was a gap.
        source?.addEventListener('open', () => opened++ > 0 && tellAll())
        source?.addEventListener('message', ({ data }: MessageEvent<string>) => {
          if (!data) return tellAll()
          const { kind, id } = JSON.parse(data) as Pick<ChangeEvent, 'kind' | 'id'>
          listeners.get(kind)?.forEach((tell) => tell(id))
        })
      },
      { immediate: true },
    )
    useEventListener(document, 'visibilitychange', () => document.visibilityState === 'visible' && tellAll())
    useEventListener(window, 'online', tellAll)
  })
}
