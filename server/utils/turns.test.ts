import { afterAll, describe, expect, it, vi } from 'vitest'
import { inTurn } from './turns'

vi.stubGlobal('refusal', (statusCode: number) => Object.assign(new Error('refused'), { statusCode }))
afterAll(() => vi.unstubAllGlobals())

/** Work that is under way until it is let go. */
function held() {
  let letGo!: () => void
  const over = new Promise<void>((resolve) => (letGo = resolve))
  return { letGo, work: () => over }
}
const soon = () => new Promise((resolve) => setImmediate(resolve))

describe('what is done in turn', () => {
  it('goes one after the other for one key, and beside each other for two', async () => {
    const order: string[] = []
    const first = held()
    const all = [
      inTurn('a', () => first.work().then(() => order.push('a1'))),
      inTurn('a', async () => order.push('a2')),
      inTurn('b', async () => order.push('b')),
    ]
    await soon()
    expect(order).toEqual(['b'])
    first.letGo()
    await Promise.all(all)
    expect(order).toEqual(['b', 'a1', 'a2'])
  })

  it('goes on after what failed, and answers what the work answers', async () => {
    await expect(inTurn('c', () => Promise.reject(new Error('gone')))).rejects.toThrow('gone')
    expect(await inTurn('c', async () => 7)).toBe(7)
  })

  it('refuses whoever would wait behind a hundred', async () => {
    const first = held()
    const waiting = Array.from({ length: 101 }, () => inTurn('d', first.work))
    await soon()
    await expect(inTurn('d', first.work)).rejects.toMatchObject({ statusCode: 429 })
    first.letGo()
    await Promise.all(waiting)
    expect(await inTurn('d', async () => 'again')).toBe('again')
  })
})
