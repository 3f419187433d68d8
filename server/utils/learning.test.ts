import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { HouseholdStore } from '../db/household'
import { aKitchen, beansRun, houseId } from '../../tests/fixtures'
import { learntOf } from './learning'

beforeEach(() => void vi.useFakeTimers({ toFake: ['Date'] }))
afterEach(() => void vi.useRealTimers())

/** A household of so many runs of which nothing was worked out yet; each of them takes so long, in pages of two. */
function householdOf(runs: number, secondsEach: number) {
  const waiting = Array.from({ length: runs }, (_, i) => ({ ...beansRun(houseId(i + 1)), events: [] }))
  const log = { runs: [], bags: [], gaskets: [], waterTests: [], forgotten: [], without: [], beansLiked: undefined }
  return {
    waiting,
    store: {
      householdId: houseId(0),
      kitchen: () => Promise.resolve({ content: aKitchen() }),
      unfitted: () => Promise.resolve(waiting.slice(0, 2)),
      keepFit(id: string) {
        vi.setSystemTime(Date.now() + 1000 * secondsEach)
        waiting.splice(
          waiting.findIndex((run) => run.id === id),
          1,
        )
        return Promise.resolve()
      },
      kitchenLog: () => Promise.resolve({ log, names: new Map() }),
      pending: () => Promise.resolve(waiting.length),
    } as unknown as HouseholdStore,
  }
}

describe('what a log has taught', () => {
  it('is told when all of it is worked out, page after page', async () => {
    const { store, waiting } = householdOf(5, 1)
    expect(await learntOf(store)).toMatchObject({ pending: 0, told: { figures: expect.anything() as unknown } })
    expect(waiting).toEqual([])
  })

  it('is told without what takes longer than a few seconds, which is left for the next time', async () => {
    const { store } = householdOf(5, 4)
    expect((await learntOf(store)).pending).toBe(3)
    expect((await learntOf(store)).pending).toBe(1)
    expect((await learntOf(store)).pending).toBe(0)
  })
})
