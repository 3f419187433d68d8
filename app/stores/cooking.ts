import { defineStore } from 'pinia'
import { v4 as uuid } from 'uuid'
import { nextAction, type NextAction } from '~~/core/live/next'
import { refusalOf } from '~~/core/live/refusal'
import type { Following } from '~~/core/live/follow'
import { runState } from '~~/core/live/run'
import { whistlesFrom } from '~~/core/live/too-cold'
import { applianceOf } from '~~/core/program/answer'
import type { RunEvent, RunEventData } from '~~/core/live/event.schema'
import { holdsPressure } from '~~/core/appliance/appliance'
import type { RunWithPlan } from '~~/shared/household'

/** One pot on the stove, as this device sees it. */
export interface Lane {
  run: RunWithPlan
  name: string
  events: RunEvent[]
  following: Following
  action: NextAction
}

/** All that is on the stove, and the way to say what happened there. */
export const useCookingStore = defineStore('cooking', () => {
  const runs = useRunsStore()
  const outbox = useOutbox()
  const household = useHouseholdStore()
  const nowMs = useNow(500)
  /** A run that is looked at besides those that go on. */
  const lookedAt = ref<string | null>(null)
  /** The last thing that was tried and cannot have happened, by run. */
  const refused = shallowReactive(new Map<string, string>())
  /** The last whistle that the sum did not believe, by run: when it was, and who counted it. */
  const doubted = new Map<string, Pick<RunEvent, 'at' | 'data'>>()

  const ids = computed(() => {
    const on = runs.running.map(({ id }) => id)
    return lookedAt.value && !on.includes(lookedAt.value) ? [...on, lookedAt.value] : on
  })
  const scopes = new Map<string, { stop: () => void; following: Ref<Following | null>; failed: Ref<boolean> }>()
  const version = ref(0)
  watch(
    ids,
    (now) => {
      for (const [id, { stop }] of scopes) {
        if (now.includes(id)) continue
        stop()
        scopes.delete(id)
      }
      for (const id of now) {
        if (scopes.has(id)) continue
        const scope = effectScope(true)
        const followed = scope.run(() =>
          useFollowing(() => {
            const run = runs.one(id)
            return run ? { id, plan: run.plan, events: runs.eventsOf(run) } : null
          }, nowMs),
        )!
        scopes.set(id, { stop: () => scope.stop(), ...followed })
      }
      version.value++
    },
    { immediate: true },
  )

  const lanes = computed<Lane[]>(() => {
    void version.value
    return ids.value.flatMap((id) => {
      const run = runs.one(id)
      const following = scopes.get(id)?.following.value
      if (!run || !following) return []
      const action = nextAction(run.plan.answer, following, nowMs.value)
      return [{ run, name: run.plan.cookerName ?? run.name, events: runs.eventsOf(run), following, action }]
    })
  })
  const laneOf = (id: string) => lanes.value.find(({ run }) => run.id === id) ?? null
  const failedOf = (id: string) => {
    void version.value
    return scopes.get(id)?.failed.value ?? false
  }

  /** Writes down that something happened, now if not said otherwise. False, with `refused` set, if it cannot have. */
  function add(runId: string, data: RunEventData, at = serverNow(), isSure = false): boolean {
    const run = runs.one(runId)
    if (!run) return false
    const by = household.member?.id
    const event: RunEvent & { by?: string } = { id: uuid(), at: Math.round(at), data, ...(by ? { by } : {}) }
    const facts = {
      underPressure: holdsPressure(applianceOf(run.plan.answer)),
      opensFrom: () => laneOf(runId)?.following.outlook?.opensFrom ?? Infinity,
      ...(isSure ? {} : { whistlesFrom: () => whistlesFrom(run.plan, runState(runs.eventsOf(run))) }),
    }
    const refusal = refusalOf(runs.eventsOf(run), event, facts, serverNow())
    if (refusal) {
      refused.set(runId, refusal)
      if (refusal === 'too-cold') doubted.set(runId, { at, data })
    } else {
      refused.delete(runId)
      outbox.add(runId, event)
    }
    return refusal === null
  }

  /** The whistle that by the sum cannot have been, and that the cook vouches for: when it was, not when that is said. */
  function addSureWhistle(runId: string) {
    const whistle = doubted.get(runId)
    if (!whistle || !add(runId, whistle.data, whistle.at, true)) return
    doubted.delete(runId)
    const run = runs.one(runId)!
    const of = runState(runs.eventsOf(run)).lastEventId
    if (of) add(runId, { kind: 'whistle-stands', of }, whistle.at)
  }

  function undo(runId: string) {
    // By the events alone: what has just been tapped may not have been worked out yet.
    const run = runs.one(runId)
    const of = run && runState(runs.eventsOf(run)).lastEventId
    if (of) add(runId, { kind: 'undo', of })
  }

  return { nowMs, lookedAt, lanes, laneOf, failedOf, refused, add, addSureWhistle, undo }
})
