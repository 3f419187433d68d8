import { describe, expect, it } from 'vitest'
import { plan } from '../../core/program/plan'
import { BEANS, START_MS } from '../../tests/fixtures'
import { answerInWorker } from './answer'

const outcome = plan(BEANS)
if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
const live = { request: BEANS, answer: outcome.value }
const lit = { id: 'lit', at: START_MS, data: { kind: 'lit' as const } }
const off = { id: 'off', at: START_MS + 25 * 60_000, data: { kind: 'heat-off' as const } }

describe('questions that take their time', () => {
  it('are answered as the computation itself does', () => {
    expect(answerInWorker({ kind: 'plan', request: BEANS })).toEqual(outcome)
  })

  it('tell from when on a lid may come off', () => {
    const opens = answerInWorker({ kind: 'opens-from', plan: live, events: [lit, off], atMs: off.at })
    expect(opens).toBeGreaterThan(off.at)
    expect(opens).toBeLessThan(off.at + 60 * 60_000)
  })

  it('say nothing of a plan that can no longer be read, rather than fail: errors cross a thread without their class', () => {
    const gone = { ...live, request: { ...BEANS, cooker: 'no-such-pot' } }
    expect(answerInWorker({ kind: 'opens-from', plan: gone, events: [lit, off], atMs: off.at })).toBeNull()
  })
})
