import { tryOnScopeDispose } from '@vueuse/core'
import type { MaybeRefOrGetter } from 'vue'
import type { Following } from '~~/core/live/follow'
import type { LivePlan } from '~~/core/live/course'
import type { RunEvent } from '~~/core/live/event.schema'

/** Between events a pot is looked at this often, in its own time. */
const LOOK_EVERY_MS = 8000

export interface FollowedRun {
  id: string
  plan: LivePlan
  events: readonly RunEvent[]
}

/** How a run stands: worked out anew after each event and from time to time, in a thread of its own. */
export function useFollowing(run: MaybeRefOrGetter<FollowedRun | null>, nowMs: MaybeRefOrGetter<number>) {
  const following = shallowRef<Following | null>(null)
  const failed = ref(false)
  let waiting: FollowedRun | null = null
  let working = false
  let lookedAt = -Infinity

  async function work() {
    if (working) return
    working = true
    while (waiting) {
      const { id, plan, events } = waiting
      waiting = null
      lookedAt = toValue(nowMs)
      try {
        const asked = { plan: { request: plan.request, answer: plan.answer }, events }
        const plain = JSON.parse(JSON.stringify(asked)) as typeof asked
        const found = await useLiveWorker().follow(id, plain.plan, [...plain.events], lookedAt)
        if (!waiting) following.value = found
        failed.value = false
      } catch (error) {
        failed.value = true
        console.error(error)
      }
    }
    working = false
  }

  watch(
    () => {
      const now = toValue(run)
      return now && { id: now.id, key: `${now.id} ${now.events.length} ${now.events.at(-1)?.id ?? ''}` }
    },
    (now, before) => {
      if (now?.key === before?.key && following.value) return
      if (now?.id !== before?.id) {
        following.value = null
        if (before) void useLiveWorker().forget(before.id)
      }
      waiting = toValue(run)
      void work()
    },
    { immediate: true },
  )
  watch(
    () => toValue(nowMs),
    (now) => {
      const on = following.value && !['opened', 'abandoned', 'ready'].includes(following.value.state.phase)
      if (!on || (now >= lookedAt && now - lookedAt < LOOK_EVERY_MS)) return
      waiting = toValue(run)
      void work()
    },
  )
  tryOnScopeDispose(() => {
    const now = toValue(run)
    if (now) void useLiveWorker().forget(now.id)
  })
  return { following, failed }
}
