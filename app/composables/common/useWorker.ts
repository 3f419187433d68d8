import { wrap } from 'comlink'
import type { MaybeRefOrGetter } from 'vue'
import type { KitchenWork } from '~/workers/kitchen.worker'

/** What the thread answers, from this side: the same, a moment later. */
type Answers = {
  [Name in keyof KitchenWork]: (
    ...given: Parameters<KitchenWork[Name]>
  ) => Promise<Awaited<ReturnType<KitchenWork[Name]>>>
}

/**
 * Computing threads: one for the answer that the cook is waiting for, one for all that stands beside it, so
 * that the tables never keep the figure waiting, one for searches, and one for what is looked at further until it is
 * proved, which any change ends.
 */
type Thread = 'answer' | 'beside' | 'search' | 'further'
const threads = new Map<Thread, { worker: Worker; answers: Answers }>()

export function useWorker(thread: Thread = 'beside'): Answers {
  const running = threads.get(thread)
  if (running) return running.answers
  const worker = new Worker(new URL('../../workers/kitchen.worker.ts', import.meta.url), { type: 'module' })
  const answers = wrap(worker) as unknown as Answers
  threads.set(thread, { worker, answers })
  return answers
}

/** Ends whatever a thread is at; the next question starts a new one. */
export function stopWorker(thread: Thread) {
  threads.get(thread)?.worker.terminate()
  threads.delete(thread)
}

/**
 * What a computing thread makes of an input, worked out anew with every change. While it works the
 * last result stays; inputs that come meanwhile are passed over but for the newest.
 */
export function useWorked<In, Out>(
  input: MaybeRefOrGetter<In | null>,
  ask: (work: Answers, input: In) => Promise<Out>,
  thread: Thread = 'beside',
) {
  const result = shallowRef<Out | null>(null)
  const failed = ref(false)
  const working = ref(false)
  let waiting: { input: In } | null = null

  async function work() {
    working.value = true
    while (waiting) {
      if (thread === 'beside') {
        let before
        do {
          before = waiting
          await rest()
        } while (waiting !== before)
      }
      // It may have been withdrawn meanwhile.
      if (!waiting) break
      const { input: asked } = waiting as { input: In }
      waiting = null
      try {
        // What comes back is plain data; a proxy of the store must not go the other way.
        const found = await ask(useWorker(thread), toPlain(asked))
        if (!waiting) result.value = found
        failed.value = false
      } catch (error) {
        failed.value = true
        console.error(error)
      }
    }
    working.value = false
  }

  watch(
    () => toValue(input),
    (now) => {
      if (now === null) {
        waiting = null
        result.value = null
        return
      }
      waiting = { input: now }
      if (!working.value) void work()
    },
    { immediate: true },
  )
  return { result, working, failed }
}

/** What stands beside follows when the hand rests, so that it takes nothing from the answer under it. */
const REST_MS = 350
const rest = () => new Promise<void>((resolve) => setTimeout(resolve, REST_MS))

/** Without the store's proxies, which cannot be sent to another thread. */
export function toPlain<T>(value: T): T {
  return JSON.parse(JSON.stringify(value)) as T
}
