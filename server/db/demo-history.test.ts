import { describe, expect, it } from 'vitest'
import { idOf } from '../../core/learn/figure'
import { learnFrom } from '../../core/learn/log'
import { isRefused } from '../../core/safety/rules'
import { DEMO_KITCHEN } from './demo'
import { demoHistory, demoTruth } from './demo-history'

const NOW_MS = Date.parse('2026-11-26T12:00:00Z')
const { runs, log } = demoHistory(DEMO_KITCHEN, NOW_MS)
const truth = demoTruth(DEMO_KITCHEN)
const learnt = learnFrom(log)
const [, old] = DEMO_KITCHEN.cookers
const [stale] = DEMO_KITCHEN.bags

describe('the months that the demo kitchen has cooked', () => {
  it('are about sixty pots over five months, each lit, opened and none refused', () => {
    expect(runs).toHaveLength(60)
    expect(runs.at(-1)!.atMs).toBeLessThan(NOW_MS)
    expect(NOW_MS - runs[0]!.atMs).toBeGreaterThan(140 * 86_400_000)
    for (const { answer, events } of runs) {
      expect(isRefused(answer.cautions)).toBe(false)
      expect(events[0]!.data.kind).toBe('lit')
      expect(events.at(-1)!.data.kind).toBe('opened')
    }
  })

  it('hold slips: one was interrupted, some were not judged, one verdict is absurd', () => {
    expect(runs.some(({ events }) => events.some(({ data }) => data.kind === 'interrupted'))).toBe(true)
    expect(runs.filter(({ verdicts }) => verdicts.length === 0).length).toBeGreaterThan(2)
    expect(runs.some(({ verdicts }) => verdicts.some(({ texture, water }) => texture === -2 && water === 2))).toBe(true)
  })

  it('taught what is hidden in them: the leaky cooker, the weak burner, the stale bag, the liking for soft food', () => {
    const of = (...ids: string[]) => learnt.of(new Map(ids.map((id) => [id, 1])))
    const leak = idOf({ kind: 'loss', cookerId: old!.id })
    expect(of(leak).mean).toBeGreaterThan(0.2)
    const stale501 = idOf({ kind: 'batch', bagId: stale!.id })
    expect(of(stale501).mean).toBeGreaterThan(0.25)
    expect(of('taste').mean).toBeGreaterThan(0.05)
    const strong = DEMO_KITCHEN.burners[0]!.id
    const blue = DEMO_KITCHEN.cookers[0]!.id
    const on = { cookerId: blue, burnerId: strong }
    const medium = of(idOf({ kind: 'burner-heat', ...on }), idOf({ kind: 'flame-heat', ...on, flame: 'medium' }))
    expect(medium.mean).toBeLessThan(-0.08)
  })

  it('hold the truth in their bands, nearly all of them', () => {
    const told = learnt.figures.filter(({ evidence }) => evidence.length >= 5)
    const held = told.filter(({ id, now }) => Math.abs(now.mean - (truth.get(id) ?? 0)) <= 1.6449 * now.sd)
    expect(told.length).toBeGreaterThan(15)
    // Nine in ten by the bands themselves; fewer than four in five would be chance no more.
    expect(held.length / told.length).toBeGreaterThan(0.8)
  })
})
