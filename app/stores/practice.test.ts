// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createFollower, type Following } from '~~/core/live/follow'
import type { LivePlan } from '~~/core/live/course'
import type { RunEvent } from '~~/core/live/event.schema'
import { beansRun, closePage, openPage, settle } from '~~/tests/house'
import { usePracticeStore } from './practice'

// The thread that follows, without a thread.
vi.mock('~/composables/cook/useLiveWorker', () => ({
  useLiveWorker: () => ({
    follow: (_: string, plan: LivePlan, events: RunEvent[], nowMs: number): Promise<Following> =>
      Promise.resolve(createFollower(plan, { bands: false })(events, nowMs)),
    forget: () => Promise.resolve(),
  }),
}))

beforeEach(() => openPage())
afterEach(closePage)

/** So many minutes of the pot's time, a second of the cook's at a time. */
function pass(practice: ReturnType<typeof usePracticeStore>, minutes: number, onWhistle = () => undefined as unknown) {
  for (let i = 0; i < minutes * 6; i++) {
    practice.speed = 10
    for (const { kind } of practice.pass(1000)) if (kind === 'whistle') onWhistle()
  }
}
const begun = () => {
  const practice = usePracticeStore()
  practice.begin(beansRun('a').plan)
  return practice
}

describe('the practice stove', () => {
  it('stands cold until it is lit, and whistles on the planned flame', () => {
    const practice = begun()
    pass(practice, 10)
    expect(practice.pot).toBeNull()
    practice.add({ kind: 'checked' })
    expect(practice.add({ kind: 'lit' })).toBe(true)
    expect(practice.flame).toBe('medium')
    pass(practice, 30)
    expect(practice.whistlesGiven).toBeGreaterThan(2)
    expect(practice.truth!.gets[0]).toBeGreaterThan(10)
  })

  it('is heard to whistle as long as it does, and what is noted leaves the pot as it is', () => {
    const practice = begun()
    expect(practice.truth).toBeNull()
    practice.add({ kind: 'lit' })
    practice.speed = 1
    const heard = new Set<string>()
    let count = 0
    for (let second = 0; second < 40 * 60; second++)
      for (const { kind } of practice.pass(1000)) {
        heard.add(kind)
        if (kind === 'whistle') count += 1
        if (kind === 'whistle' || kind === 'whistle-ends') expect(practice.whistling).toBe(kind === 'whistle')
      }
    expect(practice.whistlesGiven).toBe(count)
    expect([...heard]).toEqual(expect.arrayContaining(['whistle', 'whistle-ends']))
    const { pot } = practice
    practice.add({ kind: 'whistle' })
    expect(practice.pot).toBe(pot)
  })

  it('does what the knob says, and the run is told', () => {
    const practice = begun()
    practice.knob('high')
    expect(practice.events.map(({ data }) => data.kind)).toEqual(['lit', 'flame'])
    pass(practice, 12)
    const hot = practice.pot!.tempC
    practice.knob('off')
    expect(practice.events.at(-1)!.data.kind).toBe('heat-off')
    pass(practice, 10)
    expect(practice.pot!.tempC).toBeLessThan(hot)
  })

  it('does not open under pressure, and says so', async () => {
    const practice = begun()
    practice.add({ kind: 'lit' })
    pass(practice, 30, () => practice.add({ kind: 'whistle' }))
    practice.add({ kind: 'heat-off' })
    practice.add({ kind: 'pressure-gone' })
    await settle()
    expect(practice.add({ kind: 'opened' })).toBe(false)
    expect(practice.refused).toBe('sum-says-pressure')
    expect(practice.opened).toBe(false)
  })

  it('goes on with the flame that was set when what had interrupted it is over', () => {
    const practice = begun()
    practice.knob('low')
    pass(practice, 5)
    practice.add({ kind: 'interrupted', why: 'gas' })
    expect(practice.flame).toBe('off')
    pass(practice, 3)
    const cold = practice.pot!.tempC
    practice.add({ kind: 'resumed' })
    expect(practice.flame).toBe('low')
    // And the pot is heated again, by that flame.
    pass(practice, 3)
    expect(practice.pot!.tempC).toBeGreaterThan(cold)
  })

  it('lets the steam go where the valve is opened', () => {
    const practice = begun()
    practice.add({ kind: 'lit' })
    pass(practice, 25)
    practice.add({ kind: 'heat-off' })
    const { gaugePa } = practice.pot!
    practice.add({ kind: 'valve-opened' })
    pass(practice, 1)
    expect(practice.valveOpen).toBe(true)
    expect(practice.pot!.gaugePa).toBeLessThan(gaugePa / 4)
  })

  it('takes a whistle back, and nothing that the stove has done', () => {
    const practice = begun()
    practice.add({ kind: 'lit' })
    practice.add({ kind: 'whistle' })
    practice.undo()
    expect(practice.events.map(({ data }) => data.kind)).toEqual(['lit'])
    practice.undo()
    expect(practice.events.map(({ data }) => data.kind)).toEqual(['lit'])
  })

  it('counts what every closing gave, and stands still while the pot is open', () => {
    const practice = begun()
    practice.add({ kind: 'lit' })
    pass(practice, 16)
    practice.add({ kind: 'heat-off' })
    pass(practice, 40)
    const first = practice.truth!.gets[0]!
    practice.opened = true
    pass(practice, 5)
    expect(practice.truth!.gets[0]).toBe(first)
    practice.opened = false
    practice.events = [
      ...practice.events,
      { id: 'g', at: practice.nowMs, data: { kind: 'pressure-gone' } },
      { id: 'o', at: practice.nowMs, data: { kind: 'opened' } },
    ]
    expect(practice.add({ kind: 'goes-on', figure: 1, addWaterG: 0, pinch: [null] })).toBe(true)
    practice.add({ kind: 'lit' })
    pass(practice, 12)
    expect(practice.truth!.gets[0]).toBeGreaterThan(first)
  })

  it('is open once that was said and can be, and counts its minutes from the lighting', async () => {
    const practice = begun()
    expect(practice.minutes).toBe(0)
    practice.add({ kind: 'lit' })
    pass(practice, 12)
    await settle()
    expect(practice.minutes).toBeCloseTo(12, 0)
    practice.add({ kind: 'heat-off' })
    pass(practice, 60)
    await settle()
    practice.add({ kind: 'pressure-gone' })
    await settle()
    expect(practice.add({ kind: 'opened' })).toBe(true)
    expect(practice.opened).toBe(true)
    // An open pot stands still.
    const { nowMs } = practice
    pass(practice, 5)
    expect(practice.nowMs).toBe(nowMs)
  })

  it('differs from the plan where that is wanted, and not where it is not', () => {
    const whistledBy = (chance: boolean) => {
      const practice = usePracticeStore()
      practice.chance = chance
      practice.begin(beansRun('a').plan)
      practice.add({ kind: 'lit' })
      pass(practice, 25)
      return practice.truth!.gets[0]
    }
    expect(whistledBy(false)).toBe(whistledBy(false))
    expect(new Set([1, 2, 3].map(() => whistledBy(true))).size).toBe(3)
  })

  it('keeps nothing of the pot before when another is begun', () => {
    const practice = begun()
    practice.add({ kind: 'lit' })
    pass(practice, 20)
    expect(practice.pot!.gaugePa).toBeGreaterThan(0)
    practice.begin(beansRun('b').plan)
    expect([practice.pot, practice.flame, practice.whistlesGiven, practice.events]).toEqual([null, 'off', 0, []])
  })
})
