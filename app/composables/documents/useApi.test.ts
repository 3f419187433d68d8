// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { closePage, openPage, playServer, START_MS } from '~~/tests/house'
import { api, failureOf, measureClock, serverNow } from './useApi'

beforeEach(() => openPage())
afterEach(closePage)

const HOUR_MS = 3_600_000
const FRESH_MS = START_MS + 24 * HOUR_MS

describe('the time of the house', () => {
  it('is the server’s, whatever this device’s clock says', () => {
    // Its answer took 200 ms, and was made in the middle of that.
    measureClock(START_MS + 100 + HOUR_MS, START_MS - 0, START_MS + 200)
    expect(serverNow()).toBe(START_MS + HOUR_MS)
  })

  it('is taken from the quickest answer, and anew when that is old', () => {
    measureClock(FRESH_MS + 50, FRESH_MS, FRESH_MS + 100)
    // A slow answer tells less: it may have waited on either way.
    measureClock(FRESH_MS + 9000, FRESH_MS + 1000, FRESH_MS + 7000)
    expect(serverNow() - START_MS).toBe(0)
    const later = FRESH_MS + HOUR_MS
    measureClock(later + 3000 + 5000, later, later + 6000)
    expect(serverNow() - START_MS).toBe(5000)
  })

  it('is not taken from an answer during which the device slept', () => {
    const before = serverNow()
    const later = FRESH_MS + 2 * HOUR_MS
    measureClock(later + 100, later, later + HOUR_MS)
    expect(serverNow()).toBe(before)
  })

  it('is not taken from an answer without one', () => {
    measureClock(FRESH_MS + 2 * HOUR_MS, FRESH_MS + 2 * HOUR_MS, FRESH_MS + 2 * HOUR_MS)
    const before = serverNow()
    measureClock(Number(null), FRESH_MS + 9 * HOUR_MS, FRESH_MS + 9 * HOUR_MS)
    expect(serverNow()).toBe(before)
  })
})

describe('a failure', () => {
  it('is told apart: no answer, the server’s, or reasons', async () => {
    const server = playServer()
    const ask = async (answer: Parameters<Awaited<ReturnType<typeof server.next>>['answer']>[0]) => {
      const asked = api('/kitchen', { retry: 0 }).catch(failureOf)
      await (await server.next('GET', /kitchen/)).answer(answer)
      return asked
    }
    expect(await ask('no-network')).toMatchObject({ kind: 'network', status: null })
    expect(await ask({ status: 503, body: {} })).toMatchObject({ kind: 'server', status: 503 })
    const problems = [{ path: 'edit.name', code: 'name-missing', message: 'Give it a name.' }]
    expect(await ask({ status: 422, body: { problems } })).toMatchObject({ kind: 'refused', problems })
  })
})
