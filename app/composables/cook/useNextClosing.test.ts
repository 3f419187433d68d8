// @vitest-environment happy-dom
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { beansRun, settle } from '~~/tests/house'
import type { PotInRun } from '~~/core/program/remedy'
import { useNextClosing } from './useNextClosing'

const asked: { resolve: (value: unknown) => void; reject: (why: unknown) => void }[] = []
vi.mock('~/composables/cook/useLiveWorker', () => ({
  useLiveWorker: () => ({
    nextClosing: () => new Promise((resolve, reject) => asked.push({ resolve, reject })),
  }),
}))
vi.mock('~/composables/common/useI18nText', () => ({
  useI18nText: () => ({ t: (key: string) => key, problemText: ({ code }: { code: string }) => code }),
}))

const state: PotInRun = { tempC: 95, freeWaterG: 300, gets: [20], closing: 0, still: [0] }
const figure = (n: number) => ({ ok: true, value: { figure: n, unit: 'whistles', addWaterG: 0, minutes: 9 } })

beforeEach(() => (asked.length = 0))

describe('what it takes to close the pot again', () => {
  const { plan } = beansRun('a')

  it('is never the answer to an older question', async () => {
    const { more, ask } = useNextClosing(plan)
    void ask(state)
    asked[0]!.resolve(figure(3))
    await settle()
    expect(more.value?.figure).toBe(3)
    // Felt harder: until that is answered there is nothing to close the lid on.
    void ask({ ...state, gets: [5] })
    expect(more.value).toBeNull()
    void ask({ ...state, gets: [1] })
    asked[2]!.resolve(figure(7))
    await settle()
    asked[1]!.resolve(figure(5))
    await settle()
    expect(more.value?.figure).toBe(7)
  })

  it('is nothing, and said, where the thread fails or the pot cannot', async () => {
    vi.spyOn(console, 'error').mockImplementation(() => undefined)
    const { more, problem, ask } = useNextClosing(plan)
    void ask(state)
    asked[0]!.reject(new Error('gone'))
    await settle()
    expect([more.value, problem.value]).toEqual([null, 'errors.computing'])
    void ask(state)
    asked[1]!.resolve({ ok: false, problems: [{ code: 'not-enough-program' }] })
    await settle()
    expect([more.value, problem.value]).toEqual([null, 'not-enough-program'])
  })
})
