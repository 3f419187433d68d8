import { FetchError } from 'ofetch'
import { describe, expect, it } from 'vitest'
import { readLogIn, WrongRows } from './readLogIn'

const runs = Array.from({ length: 1203 }, (_, id) => ({ id }))

describe('a log that is read in', () => {
  it('goes in one part where it is short, and is not looked through before', async () => {
    const sent: boolean[] = []
    const short = await readLogIn(runs.slice(0, 40), (part, check) => {
      sent.push(check)
      return Promise.resolve({ added: part.runs.length, changed: 0, of: part.runs.length })
    })
    expect(short).toEqual({ added: 40, changed: 0, of: 40 })
    expect(sent).toEqual([false])
    expect(await readLogIn([], () => Promise.resolve({ added: 0, changed: 0, of: 0 }))).toEqual({
      added: 0,
      changed: 0,
      of: 0,
    })
  })

  it('goes part by part where it is long, each run once, after all of it was looked through', async () => {
    const stored: unknown[] = []
    let looked = 0
    const told: number[] = []
    const all = await readLogIn(
      runs,
      (part, check) => {
        if (check) looked += part.runs.length
        else {
          expect(looked).toBe(runs.length)
          stored.push(...part.runs)
        }
        return Promise.resolve({ added: check ? 0 : part.runs.length - 1, changed: 0, of: part.runs.length })
      },
      (done) => told.push(done),
    )
    expect(stored).toEqual(runs)
    expect(all).toEqual({ added: runs.length - 3, changed: 0, of: runs.length })
    expect(told).toEqual([...told].sort((a, b) => a - b))
    expect(told.at(-1)).toBeLessThan(1)
  })

  it('passes on what is no matter of a row', async () => {
    const off = Object.assign(new FetchError('gone'), {})
    await expect(readLogIn(runs, () => Promise.reject(off))).rejects.toBe(off)
  })

  it('stores nothing where a row in a later part is wrong, and says which it is in the whole', async () => {
    const stored: unknown[] = []
    const wrong = readLogIn(runs, (part, check) => {
      if (!check) stored.push(...part.runs)
      const at = part.runs.indexOf(runs[1001])
      if (at < 0) return Promise.resolve({ added: 0, changed: 0, of: part.runs.length })
      const problems = [{ path: `runs.${at}.cooker`, code: 'not-a-number', params: {} }]
      return Promise.reject(Object.assign(new FetchError(''), { response: { status: 422 }, data: { problems } }))
    })
    await expect(wrong).rejects.toBeInstanceOf(WrongRows)
    await wrong.catch((error: WrongRows) => expect(error.problems[0]!.path).toBe('runs.1001.cooker'))
    expect(stored).toEqual([])
  })
})
