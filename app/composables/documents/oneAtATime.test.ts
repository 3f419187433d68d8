import { describe, expect, it, vi } from 'vitest'
import { oneAtATime } from './oneAtATime'

describe('work that is done one at a time', () => {
  it('begins again only when it is over, also after it failed', async () => {
    const ends: ((failed?: boolean) => void)[] = []
    const done = oneAtATime(
      () =>
        new Promise<void>((resolve, reject) => ends.push((failed) => (failed ? reject(new Error('no')) : resolve()))),
    )
    const first = done().catch((error: Error) => error.message)
    const others = [done(), done(), done()]
    expect(ends).toHaveLength(1)
    ends[0]!(true)
    expect(await first).toBe('no')
    await vi.waitFor(() => expect(ends).toHaveLength(2))
    ends[1]!()
    await Promise.all(others)
    // All three were one.
    expect(ends).toHaveLength(2)
  })
})
