import { describe, expect, it } from 'vitest'
import type { RunEvent, RunEventData } from './event.schema'
import {
  awaitsFoods,
  closingOfRun,
  firstLitAt,
  hasLooked,
  inOrder,
  isRunning,
  lastCycle,
  runState,
  ventedSince,
  withoutUndone,
} from './run'

const event = (id: string, data: RunEventData, at: number): RunEvent => ({ id, at, data })
const lit = event('lit', { kind: 'lit' }, 100)
const off = event('off', { kind: 'heat-off' }, 900)
const gone = event('gone', { kind: 'pressure-gone' }, 1500)
const opened = event('open', { kind: 'opened' }, 1600)
const more: RunEventData = { kind: 'goes-on', figure: 3, addWaterG: 20, pinch: ['firm'] }
const cycle = (...events: RunEvent[]) => lastCycle(runState(events))
const phase = (...events: RunEvent[]) => runState(events).phase

describe('the state of a run', () => {
  it('goes from one phase to the next', () => {
    expect(phase()).toBe('ready')
    expect(phase(event('c', { kind: 'checked' }, 50))).toBe('ready')
    expect(phase(lit)).toBe('heating')
    expect(phase(lit, off)).toBe('releasing')
    expect(phase(lit, off, gone)).toBe('safe')
    expect(phase(lit, off, gone, opened)).toBe('opened')
    expect(phase(lit, off, gone, opened, event('m', more, 1700))).toBe('ready')
    expect(phase(lit, event('x', { kind: 'abandoned' }, 300))).toBe('abandoned')
  })

  it('holds what was seen while it was on the heat, and nothing seen before', () => {
    const seen = (at: number) => [
      event('w', { kind: 'whistle' }, at),
      event('p', { kind: 'at-pressure' }, at),
      event('b', { kind: 'boils' }, at),
      event('f', { kind: 'flame', flame: 'low' }, at),
    ]
    expect(cycle(lit, ...seen(400))).toMatchObject({
      whistles: [{ id: 'w', at: 400 }],
      atPressureAt: 400,
      boilsAt: 400,
      flameChanges: [{ at: 400, flame: 'low' }],
    })
    for (const nothing of [cycle(...seen(50), lit), cycle(lit, off, opened, ...seen(1700))])
      expect(nothing).toMatchObject({ whistles: [], atPressureAt: null, boilsAt: null, flameChanges: [] })
  })

  it('keeps the first of what comes once', () => {
    expect(
      cycle(lit, event('p', { kind: 'at-pressure' }, 400), event('q', { kind: 'at-pressure' }, 500)).atPressureAt,
    ).toBe(400)
    expect(cycle(lit, event('p', { kind: 'boils' }, 400), event('q', { kind: 'boils' }, 500)).boilsAt).toBe(400)
    expect(
      cycle(lit, off, event('v', { kind: 'valve-opened' }, 950), event('u', { kind: 'valve-opened' }, 990))
        .valveOpenedAt,
    ).toBe(950)
  })

  it('takes the newest look at the pressure, and none after it was opened', () => {
    const later = event('later', { kind: 'pressure-gone' }, 1550)
    expect(cycle(lit, off, gone, later).pressureGoneAt).toBe(1550)
    expect(cycle(lit, off, later, gone).pressureGoneAt).toBe(1550)
    expect(cycle(lit, off, gone, opened, event('x', { kind: 'pressure-gone' }, 1700)).pressureGoneAt).toBe(1500)
    expect(cycle(lit, gone).pressureGoneAt).toBeNull()
  })

  it('knows each time that the heat was away, and until when', () => {
    const away = event('a', { kind: 'interrupted', why: 'gas' }, 300)
    const back = event('b', { kind: 'resumed' }, 400)
    expect(phase(lit, away)).toBe('interrupted')
    expect(phase(lit, away, back)).toBe('heating')
    expect(cycle(lit, away, back).interruptions).toEqual([{ at: 300, why: 'gas', until: 400 }])
    // Away twice is away once; back without having been away is nothing; the end ends it too.
    expect(cycle(lit, away, event('c', { kind: 'interrupted', why: 'power' }, 350)).interruptions).toHaveLength(1)
    expect(phase(lit, off, back)).toBe('releasing')
    expect(cycle(lit, back).interruptions).toEqual([])
    expect(cycle(lit, away, off).interruptions).toEqual([{ at: 300, why: 'gas', until: 900 }])
    expect(phase(away)).toBe('ready')
  })

  it('takes whistles out, and remembers what the cook vouched for', () => {
    const whistles = ['u', 'v'].map((id, i) => event(id, { kind: 'whistle' }, 400 + i))
    const { cycles, standing, noneMissedBefore } = runState([
      lit,
      ...whistles,
      event('n', { kind: 'no-whistle', of: 'u' }, 500),
      event('s', { kind: 'whistle-stands', of: 'v' }, 510),
      event('m', { kind: 'none-missed', before: 'v' }, 520),
    ])
    expect(cycles[0].whistles.map(({ id }) => id)).toEqual(['v'])
    expect([standing, noneMissedBefore]).toEqual([['v'], ['v']])
  })

  it('has a cycle for each closing, the new one with what it is for', () => {
    const state = runState([lit, off, gone, opened, event('m', more, 1700)])
    expect(state.cycles).toHaveLength(2)
    expect(state.checkedAt).toBeNull()
    expect(lastCycle(state).more).toEqual({ figure: 3, addWaterG: 20, pinch: ['firm'], joins: false })
    expect(closingOfRun(state)).toBe(0)
    const joined = runState([lit, off, gone, opened, event('m', { ...more, joins: true }, 1700)])
    expect(closingOfRun(joined)).toBe(1)
    expect(firstLitAt(joined)).toBe(100)
    expect(firstLitAt(runState([]))).toBeNull()
  })

  it('knows the last that was written down, and the latest of which something is known', () => {
    const late = event('late', { kind: 'whistle' }, 700)
    const early = event('early', { kind: 'whistle' }, 500)
    expect(runState([lit, late, early])).toMatchObject({ lastEventId: 'early', lastAt: 700 })
    expect(runState([])).toMatchObject({ lastEventId: null, lastAt: null })
  })
})

describe('the order of events', () => {
  it('is that in which they happened, whenever they were written down', () => {
    const whistle = event('w', { kind: 'whistle' }, 500)
    expect(inOrder([lit, off, whistle]).map(({ id }) => id)).toEqual(['lit', 'w', 'off'])
  })

  it('never has a later stage before an earlier one, but for the same told to have been sooner', () => {
    const early = event('early', { kind: 'heat-off' }, 50)
    expect(inOrder([lit, early]).map(({ id }) => id)).toEqual(['lit', 'early'])
    const sooner = event('sooner', { kind: 'heat-off' }, 600)
    expect(inOrder([lit, off, sooner]).map(({ id }) => id)).toEqual(['lit', 'sooner', 'off'])
    expect(cycle(lit, off, sooner).heatOffAt).toBe(600)
    // In a new closing everything may be told once more.
    const again = [lit, off, gone, opened, event('m', more, 1700), event('lit2', { kind: 'lit' }, 1650)]
    expect(inOrder(again).map(({ id }) => id)).toEqual(['lit', 'off', 'gone', 'open', 'm', 'lit2'])
  })

  it('leaves out what was taken back, and the taking back', () => {
    const undo = event('undo', { kind: 'undo', of: 'off' }, 950)
    expect(withoutUndone([lit, off, undo]).map(({ id }) => id)).toEqual(['lit'])
    expect(phase(lit, off, undo)).toBe('heating')
  })
})

describe('what steam has had a way out by', () => {
  const away = event('a', { kind: 'interrupted', why: 'weight' }, 300)
  it.each([
    ['nothing', [lit], null],
    ['the valve', [lit, off, event('v', { kind: 'valve-opened' }, 950)], 950],
    ['a weight that is off', [lit, away], 300],
    ['a weight that stayed off', [lit, away, off], 300],
    ['nothing, once the weight sits again', [lit, away, event('b', { kind: 'resumed' }, 400), off], null],
    ['a valve after a weight', [lit, away, off, event('v', { kind: 'valve-opened' }, 950)], 300],
    ['nothing where only the gas was away', [lit, event('g', { kind: 'interrupted', why: 'gas' }, 300)], null],
  ] as const)('is %s', (_, events, since) => expect(ventedSince(cycle(...events))).toBe(since))
})

describe('whether', () => {
  it('the cook has looked since the sum allows it, two sums differing by half a minute', () => {
    const looked = cycle(lit, off, gone)
    expect(hasLooked(looked, 1500 + 30_000)).toBe(true)
    expect(hasLooked(looked, 1500 + 30_001)).toBe(false)
    expect(hasLooked(cycle(lit, off), 0)).toBe(false)
  })

  it('foods are still to go in, and somebody has to look after it', () => {
    const closings = (count: number) => ({ closings: Array.from({ length: count }) as never })
    const atEnd = runState([lit, off, gone, opened])
    expect(awaitsFoods(closings(2), atEnd)).toBe(true)
    expect(awaitsFoods(closings(1), atEnd)).toBe(false)
    expect(awaitsFoods(closings(2), runState([lit]))).toBe(false)
    expect(isRunning(closings(1), atEnd)).toBe(false)
    expect(isRunning(closings(2), atEnd)).toBe(true)
    expect(isRunning(closings(1), runState([lit]))).toBe(true)
    expect(isRunning(closings(1), runState([event('x', { kind: 'abandoned' }, 1)]))).toBe(false)
  })
})
