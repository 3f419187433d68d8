import { describe, expect, it, vi } from 'vitest'
import { beansRun } from '../../tests/house'
import type { LiveWork } from './live.worker'

const exposed = vi.hoisted(() => ({ work: null as unknown }))
const made = vi.hoisted(() => ({ count: 0 }))
vi.mock('comlink', () => ({ expose: (work: unknown) => (exposed.work = work) }))
vi.mock('~~/core/live/follow', () => ({
  createFollower: () => {
    made.count++
    return () => ({ follower: made.count })
  },
}))

describe('the thread that follows the stove', async () => {
  await import('./live.worker')
  const work = exposed.work as LiveWork
  const run = beansRun('a')
  const follow = (id: string) => work.follow(id, run.plan, [], 0)

  it('keeps what it worked out of a run between its events', () => {
    follow('one')
    const before = made.count
    follow('one')
    expect(made.count).toBe(before)
  })

  it('lets go of a run that nobody looks at any more', () => {
    follow('two')
    const before = made.count
    work.forget('two')
    follow('two')
    expect(made.count).toBe(before + 1)
  })

  it('holds only so many runs, the longest unused going first', () => {
    for (let i = 0; i < 8; i++) follow(`run ${i}`)
    follow('run 0')
    follow('one more')
    const before = made.count
    follow('run 0')
    expect(made.count).toBe(before)
    follow('run 1')
    expect(made.count).toBe(before + 1)
  })
})
