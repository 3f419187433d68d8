import { describe, expect, it } from 'vitest'
import type { KeptEvent } from '~~/shared/household'
import type { RunEventData } from '~~/core/live/event.schema'
import { plan } from '~~/core/program/plan'
import { BEANS, beansRun, START_MS } from '~~/tests/fixtures'
import { runFacts } from './runFacts'

let count = 0
const event = (data: RunEventData, minute: number): KeptEvent => ({
  id: `e${++count}`,
  at: START_MS + minute * 60_000,
  data,
  by: null,
})
const ONE_CLOSING: [RunEventData, number][] = [
  [{ kind: 'checked' }, -1],
  [{ kind: 'lit' }, 0],
  [{ kind: 'whistle' }, 9],
  [{ kind: 'whistle' }, 10],
  [{ kind: 'heat-off' }, 11],
  [{ kind: 'pressure-gone' }, 25],
  [{ kind: 'opened' }, 26.5],
]
const run = (...told: [RunEventData, number][]) =>
  beansRun(
    'a',
    told.map(([data, minute]) => event(data, minute)),
  )

describe('what the log says of a run', () => {
  it('sets planned against happened, in minutes from lighting', () => {
    const kept = run(...ONE_CLOSING)
    const { counts, startedMs, planned, happened } = runFacts(kept)
    expect(counts).toBe(true)
    expect(startedMs).toBe(START_MS)
    expect(planned).toEqual({
      figure: kept.plan.answer.closings[0]!.range.figure,
      openMinute: kept.plan.answer.readyAtMinute,
    })
    expect(happened).toEqual({ figure: 2, openMinute: 26.5 })
  })

  it('counts what was done over every closing of the lid', () => {
    const again: [RunEventData, number][] = [
      [{ kind: 'goes-on', figure: 1, addWaterG: 0, pinch: [null] }, 28],
      [{ kind: 'lit' }, 30],
      [{ kind: 'whistle' }, 35],
      [{ kind: 'heat-off' }, 35.5],
      [{ kind: 'pressure-gone' }, 48],
      [{ kind: 'opened' }, 49],
    ]
    expect(runFacts(run(...ONE_CLOSING, ...again)).happened).toEqual({ figure: 3, openMinute: 49 })
  })

  it('knows no end of a pot that was not opened, and no beginning of one that was not lit', () => {
    expect(runFacts(run(...ONE_CLOSING.slice(0, 4))).happened).toMatchObject({ figure: 2, openMinute: null })
    expect(runFacts(run()).startedMs).toBe(Date.parse(run().createdAt))
    expect(runFacts(run()).happened.openMinute).toBeNull()
  })

  it('counts minutes where the style does: from the pin at an electric pot', () => {
    const request = { ...BEANS, cooker: 'electric-6l', style: { kind: 'electric', level: 'high' } } as const
    const outcome = plan(request, { range: false })
    if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
    const told = run([{ kind: 'lit' }, 0], [{ kind: 'at-pressure' }, 12], [{ kind: 'heat-off' }, 30])
    const facts = runFacts({ ...told, plan: { ...told.plan, request, answer: outcome.value } })
    expect([facts.counts, facts.happened.figure]).toEqual([false, 18])
  })
})
