import { beforeAll, describe, expect, it, vi } from 'vitest'
import { BEANS } from '../../tests/fixtures'
import { askWorker } from './workerPool'

beforeAll(() => {
  vi.stubGlobal('refusal', (statusCode: number, { code }: { code: string }) =>
    Object.assign(new Error(code), { statusCode }),
  )
})

describe('what takes its time', () => {
  it('is refused to a household that has too much under way, and to no other', async () => {
    const ours = askWorker('ours')
    const asked = Array.from({ length: 10 }, () =>
      ours.plan(BEANS).then(
        ({ ok }) => ok,
        (error) => error.statusCode,
      ),
    )
    const theirs = askWorker('theirs').plan(BEANS)
    expect((await Promise.all(asked)).filter((one) => one === 429)).toHaveLength(2)
    expect((await theirs).ok).toBe(true)
    // What is done makes room again, all of it.
    const again = Array.from({ length: 8 }, () => ours.plan(BEANS))
    expect((await Promise.all(again)).every(({ ok }) => ok)).toBe(true)
  })

  it('of an archive goes alone', async () => {
    const of = askWorker('a household')
    const first = of.archive(new Uint8Array())
    await expect(of.archive(new Uint8Array())).rejects.toMatchObject({ statusCode: 429 })
    await first.catch(() => undefined)
    await expect(of.archive(new Uint8Array())).resolves.toMatchObject({ ok: false })
  })
})
