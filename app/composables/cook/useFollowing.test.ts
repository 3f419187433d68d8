// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, ref, shallowRef } from 'vue'
import type { RunEvent } from '~~/core/live/event.schema'
import { runState } from '~~/core/live/run'
import { beansRun, closePage, openPage, settle, START_MS } from '~~/tests/house'
import { useFollowing, type FollowedRun } from './useFollowing'

const asked: {
  id: string
  events: RunEvent[]
  nowMs: number
  answer: () => Promise<void>
  fail: () => Promise<void>
}[] = []
const forgotten: string[] = []
vi.mock('~/composables/cook/useLiveWorker', () => ({
  useLiveWorker: () => ({
    follow: (id: string, _: unknown, events: RunEvent[], nowMs: number) =>
      new Promise((resolve, reject) =>
        asked.push({
          id,
          events,
          nowMs,
          answer: () => (resolve({ state: runState(events), told: events.length }), settle()),
          fail: () => (reject(new Error('gone')), settle()),
        }),
      ),
    forget: (id: string) => (forgotten.push(id), Promise.resolve()),
  }),
}))

const { plan } = beansRun('a')
const lit: RunEvent = { id: 'lit', at: START_MS, data: { kind: 'lit' } }
const whistle = (n: number): RunEvent => ({ id: `w${n}`, at: START_MS + n * 60_000, data: { kind: 'whistle' } })
const run = (id: string, ...events: RunEvent[]): FollowedRun => ({ id, plan, events })

beforeEach(() => {
  openPage()
  asked.length = forgotten.length = 0
})
afterEach(closePage)

function follow(first: FollowedRun | null) {
  const given = shallowRef(first)
  const nowMs = ref(START_MS)
  const scope = effectScope(true)
  return { given, nowMs, scope, ...scope.run(() => useFollowing(given, nowMs))! }
}

describe('following a run', () => {
  it('asks at once, and again after each event', async () => {
    const { given, following } = follow(run('a', lit))
    await settle()
    expect(asked).toHaveLength(1)
    await asked[0]!.answer()
    expect(following.value).toMatchObject({ told: 1 })
    given.value = run('a', lit, whistle(8))
    await settle()
    expect(asked[1]!.events.map(({ id }) => id)).toEqual(['lit', 'w8'])
    // Until it is answered what was known stands.
    expect(following.value).toMatchObject({ told: 1 })
    await asked[1]!.answer()
    expect(following.value).toMatchObject({ told: 2 })
  })

  it('passes over what came in between while it was working', async () => {
    const { given, following } = follow(run('a', lit))
    await settle()
    for (const n of [8, 9, 10]) {
      given.value = run('a', lit, ...[8, 9, 10].filter((one) => one <= n).map(whistle))
      await settle()
    }
    await asked[0]!.answer()
    expect(following.value).toBeNull()
    expect(asked).toHaveLength(2)
    expect(asked[1]!.events).toHaveLength(4)
    await asked[1]!.answer()
    expect(following.value).toMatchObject({ told: 4 })
  })

  it('looks again from time to time while it cooks, and not before it is lit', async () => {
    const { nowMs, given } = follow(run('a'))
    await settle()
    await asked[0]!.answer()
    nowMs.value += 60_000
    await settle()
    expect(asked).toHaveLength(1)
    given.value = run('a', lit)
    await settle()
    await asked[1]!.answer()
    nowMs.value += 7_000
    await settle()
    expect(asked).toHaveLength(2)
    nowMs.value += 1_000
    await settle()
    expect(asked).toHaveLength(3)
    expect(asked[2]!.nowMs).toBe(START_MS + 68_000)
    await asked[2]!.answer()
    // A clock that was set back is no reason to sleep.
    nowMs.value -= 3_600_000
    await settle()
    expect(asked).toHaveLength(4)
  })

  it('says that it failed, and repairs itself with the next answer', async () => {
    vi.spyOn(console, 'error').mockImplementation(() => undefined)
    const { given, failed, following } = follow(run('a', lit))
    await settle()
    await asked[0]!.fail()
    expect(failed.value).toBe(true)
    given.value = run('a', lit, whistle(8))
    await settle()
    await asked[1]!.answer()
    expect([failed.value, following.value !== null]).toEqual([false, true])
  })

  it('forgets a run that is no longer looked at', async () => {
    const { given, scope, following } = follow(run('a', lit))
    await settle()
    await asked[0]!.answer()
    given.value = run('b', lit)
    await settle()
    expect(forgotten).toEqual(['a'])
    expect(following.value).toBeNull()
    await asked[1]!.answer()
    expect(following.value).not.toBeNull()
    scope.stop()
    expect(forgotten).toEqual(['a', 'b'])
  })

  it('has nothing to say where there is no run', async () => {
    const { following, scope } = follow(null)
    await settle()
    expect(asked).toEqual([])
    expect(following.value).toBeNull()
    scope.stop()
    expect(forgotten).toEqual([])
  })
})
