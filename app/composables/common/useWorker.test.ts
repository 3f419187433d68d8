import { afterEach, describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { settle } from '~~/tests/house'
import { stopWorker, useWorked, useWorker } from './useWorker'

const threads: { terminate: ReturnType<typeof vi.fn> }[] = []
vi.mock('comlink', () => ({ wrap: () => ({ plan: (asked: unknown) => Promise.resolve(asked) }) }))
vi.stubGlobal(
  'Worker',
  class {
    terminate = vi.fn()
    constructor() {
      threads.push(this)
    }
  },
)
afterEach(() => stopWorker('answer'))

describe('the computing threads', () => {
  it('are one for each kind of question, and ended at once when stopped', () => {
    const before = threads.length
    useWorker('search')
    useWorker('search')
    expect(threads).toHaveLength(before + 1)
    stopWorker('search')
    expect(threads.at(-1)!.terminate).toHaveBeenCalled()
    useWorker('search')
    expect(threads).toHaveLength(before + 2)
    stopWorker('search')
  })
})

describe('what a thread makes of an input', () => {
  function worked(input = ref<number | null>(1)) {
    const asked: { input: number; answer: (n: number) => void; fail: () => void }[] = []
    const found = useWorked(
      input,
      (_, n: number) =>
        new Promise<number>((resolve, reject) =>
          asked.push({ input: n, answer: resolve, fail: () => reject(new Error('broken')) }),
        ),
      'answer',
    )
    return { input, asked, ...found }
  }

  it('passes over what came while it worked, but for the newest', async () => {
    const { input, asked, result } = worked()
    for (const n of [2, 3, 4]) {
      input.value = n
      await settle()
    }
    expect(asked.map((one) => one.input)).toEqual([1])
    asked[0]!.answer(10)
    await settle()
    expect(result.value).toBeNull()
    expect(asked.map((one) => one.input)).toEqual([1, 4])
    asked[1]!.answer(40)
    await settle()
    expect(result.value).toBe(40)
  })

  it('is told to have failed, and goes on with the next', async () => {
    vi.spyOn(console, 'error').mockImplementation(() => undefined)
    const { input, asked, result, failed, working } = worked()
    asked[0]!.fail()
    await settle()
    expect([failed.value, working.value]).toEqual([true, false])
    input.value = 2
    await settle()
    asked[1]!.answer(20)
    await settle()
    expect([failed.value, result.value]).toEqual([false, 20])
  })

  it('is nothing where there is nothing to ask', async () => {
    const { input, asked, result } = worked()
    asked[0]!.answer(10)
    await settle()
    expect(result.value).toBe(10)
    input.value = null
    await settle()
    expect(result.value).toBeNull()
    expect(asked).toHaveLength(1)
  })
})
