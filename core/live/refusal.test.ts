import { describe, expect, it } from 'vitest'
import type { RunEvent, RunEventData } from './event.schema'
import { needsSum, refusalOf, type PotFacts, type RunRefusal } from './refusal'

const MINUTE = 60_000
/** Two devices' clocks may differ by so much. */
const SKEW = 2 * MINUTE
let count = 0
const event = (data: RunEventData, minute: number): RunEvent => ({ id: `e${count++}`, at: minute * MINUTE, data })

const ready = [event({ kind: 'checked' }, 1)]
const heating = [...ready, event({ kind: 'lit' }, 2), event({ kind: 'whistle' }, 12)]
const interrupted = [...heating, event({ kind: 'interrupted', why: 'gas' }, 14)]
const releasing = [...heating, event({ kind: 'heat-off' }, 20)]
const safe = [...releasing, event({ kind: 'pressure-gone' }, 30)]
const opened = [...safe, event({ kind: 'opened' }, 32)]
const again = [...opened, event({ kind: 'goes-on', figure: 3, addWaterG: 0, pinch: [null] }, 34)]
const abandoned = [...heating, event({ kind: 'abandoned' }, 20)]
const RUNS = { ready, heating, interrupted, releasing, safe, opened, again, abandoned }
type Name = keyof typeof RUNS

const under: PotFacts = { underPressure: true, opensFrom: () => 28 * MINUTE }
const open: PotFacts = { ...under, underPressure: false }
const refused = (events: readonly RunEvent[], data: RunEventData, minute: number, pot = under, nowMinute = 60) =>
  refusalOf(events, event(data, minute), pot, nowMinute * MINUTE)

const WHISTLE = heating[2]!.id
const goesOn: RunEventData = { kind: 'goes-on', figure: 2, addWaterG: 0, pinch: [] }

describe('what may be written down of a run at 40 minutes', () => {
  const TABLE: [RunEventData, Record<Name, RunRefusal | null>][] = [
    [
      { kind: 'checked' },
      {
        ready: null,
        heating: 'already-lit',
        interrupted: 'already-lit',
        releasing: 'already-lit',
        safe: 'already-lit',
        opened: 'run-over',
        again: null,
        abandoned: 'run-over',
      },
    ],
    [
      { kind: 'lit' },
      {
        ready: null,
        heating: 'already-lit',
        interrupted: 'already-lit',
        releasing: 'already-lit',
        safe: 'already-lit',
        opened: 'run-over',
        again: null,
        abandoned: 'run-over',
      },
    ],
    [
      { kind: 'whistle' },
      {
        ready: 'not-lit',
        heating: null,
        interrupted: 'heat-is-away',
        releasing: 'heat-is-off',
        safe: 'heat-is-off',
        opened: 'run-over',
        again: 'run-over',
        abandoned: 'run-over',
      },
    ],
    [
      { kind: 'whistle', how: 'recalled' },
      {
        ready: 'not-lit',
        heating: null,
        interrupted: null,
        releasing: 'heat-is-off',
        safe: 'heat-is-off',
        opened: 'run-over',
        again: 'run-over',
        abandoned: 'run-over',
      },
    ],
    [
      { kind: 'flame', flame: 'low' },
      {
        ready: 'not-lit',
        heating: null,
        interrupted: 'heat-is-away',
        releasing: 'heat-is-off',
        safe: 'heat-is-off',
        opened: 'run-over',
        again: 'run-over',
        abandoned: 'run-over',
      },
    ],
    [
      { kind: 'interrupted', why: 'gas' },
      {
        ready: 'not-lit',
        heating: null,
        interrupted: 'heat-is-away',
        releasing: 'heat-is-off',
        safe: 'heat-is-off',
        opened: 'run-over',
        again: 'run-over',
        abandoned: 'run-over',
      },
    ],
    [
      { kind: 'resumed' },
      {
        ready: 'not-lit',
        heating: 'heat-is-there',
        interrupted: null,
        releasing: 'heat-is-off',
        safe: 'heat-is-off',
        opened: 'run-over',
        again: 'run-over',
        abandoned: 'run-over',
      },
    ],
    [
      { kind: 'heat-off' },
      {
        ready: 'not-lit',
        heating: null,
        interrupted: null,
        releasing: 'heat-is-off',
        safe: 'heat-is-off',
        opened: 'run-over',
        again: 'not-lit',
        abandoned: 'run-over',
      },
    ],
    [
      { kind: 'valve-opened' },
      {
        ready: 'not-lit',
        heating: 'heat-is-on',
        interrupted: 'heat-is-on',
        releasing: null,
        safe: null,
        opened: 'run-over',
        again: 'not-lit',
        abandoned: 'run-over',
      },
    ],
    [
      { kind: 'pressure-gone' },
      {
        ready: 'not-lit',
        heating: 'heat-is-on',
        interrupted: 'heat-is-on',
        releasing: null,
        safe: null,
        opened: 'run-over',
        again: 'not-lit',
        abandoned: 'run-over',
      },
    ],
    [
      { kind: 'opened' },
      {
        ready: 'not-lit',
        heating: 'pressure-not-gone',
        interrupted: 'pressure-not-gone',
        releasing: 'pressure-not-gone',
        safe: null,
        opened: 'run-over',
        again: 'not-lit',
        abandoned: 'run-over',
      },
    ],
    [
      goesOn,
      {
        ready: 'not-open',
        heating: 'not-open',
        interrupted: 'not-open',
        releasing: 'not-open',
        safe: 'not-open',
        opened: null,
        again: 'not-open',
        abandoned: 'run-over',
      },
    ],
    [
      { kind: 'abandoned' },
      {
        ready: null,
        heating: null,
        interrupted: null,
        releasing: null,
        safe: null,
        opened: null,
        again: null,
        abandoned: 'run-over',
      },
    ],
    [
      { kind: 'no-whistle', of: WHISTLE },
      {
        ready: 'no-such-whistle',
        heating: null,
        interrupted: null,
        releasing: null,
        safe: null,
        opened: null,
        again: null,
        abandoned: 'run-over',
      },
    ],
    [
      { kind: 'none-missed', before: WHISTLE },
      {
        ready: 'no-such-whistle',
        heating: null,
        interrupted: null,
        releasing: null,
        safe: null,
        opened: null,
        again: null,
        abandoned: 'run-over',
      },
    ],
  ]
  it.each(TABLE)('$kind', (data, expected) => {
    const found = Object.fromEntries(Object.entries(RUNS).map(([name, events]) => [name, refused(events, data, 40)]))
    expect(found).toEqual(expected)
  })

  it('of a pot without pressure: opened as soon as the heat is off, whoever looked', () => {
    const found = Object.fromEntries(
      Object.entries(RUNS).map(([name, events]) => [name, refused(events, { kind: 'opened' }, 40, open)]),
    )
    expect(found).toEqual({
      ready: 'not-lit',
      heating: 'heat-is-on',
      interrupted: 'heat-is-on',
      releasing: null,
      safe: null,
      opened: 'run-over',
      again: 'not-lit',
      abandoned: 'run-over',
    })
  })
})

describe('a lid', () => {
  it('is not accepted as opened before the sum says that the pressure may be gone', () => {
    const from: PotFacts = { ...under, opensFrom: () => 30.4 * MINUTE }
    expect(refused(safe, { kind: 'opened' }, 30.3, from)).toBe('sum-says-pressure')
    expect(refused(safe, { kind: 'opened' }, 30.4, from)).toBeNull()
  })

  it('is looked at once more where the cook looked before that', () => {
    const late = (minute: number): PotFacts => ({ ...under, opensFrom: () => minute * MINUTE })
    // Two devices' sums of one pot may differ by half a minute.
    expect(refused(safe, { kind: 'opened' }, 40, late(30.5))).toBeNull()
    expect(refused(safe, { kind: 'opened' }, 40, late(30.6))).toBe('look-again')
  })

  it('needs the sum only where the cook has said that the pressure is gone', () => {
    const lifted = event({ kind: 'opened' }, 40)
    expect(needsSum(safe, lifted, true)).toBe(true)
    expect(needsSum(safe, lifted, false)).toBe(false)
    expect(needsSum(releasing, lifted, true)).toBe(false)
    expect(needsSum(safe, event({ kind: 'pressure-gone' }, 40), true)).toBe(false)
  })
})

describe('the time of what is written down', () => {
  const at = (events: readonly RunEvent[], data: RunEventData, ms: number, nowMs = 3_600_000) =>
    refusalOf(events, { id: 'new', at: ms, data }, under, nowMs)

  it('lies no more than two clocks can differ after now', () => {
    expect(at(heating, { kind: 'whistle' }, 900_000 + SKEW, 900_000)).toBeNull()
    expect(at(heating, { kind: 'whistle' }, 900_000 + SKEW + 1, 900_000)).toBe('in-the-future')
  })

  it('of what was seen lies after lighting and before the heat was off, but for the clocks', () => {
    const whistle = { kind: 'whistle' } as const
    expect(at(releasing, whistle, 2 * MINUTE - SKEW)).toBeNull()
    expect(at(releasing, whistle, 2 * MINUTE - SKEW - 1)).toBe('too-early')
    expect(at(releasing, whistle, 20 * MINUTE + SKEW)).toBeNull()
    expect(at(releasing, whistle, 20 * MINUTE + SKEW + 1)).toBe('heat-is-off')
  })

  it('of what was seen is taken for an earlier closing too, until it was opened', () => {
    const whistle = { kind: 'whistle' } as const
    const relit = [...again, event({ kind: 'lit' }, 36)]
    expect(at(relit, whistle, 15 * MINUTE)).toBeNull()
    expect(at(relit, whistle, 25 * MINUTE)).toBe('heat-is-off')
    expect(at(relit, whistle, 33 * MINUTE)).toBe('run-over')
    expect(at(relit, whistle, 38 * MINUTE)).toBeNull()
    // In an earlier closing it does not matter any more whether the heat was away.
    const away = [...interrupted, event({ kind: 'resumed' }, 16), ...relit.slice(3)]
    expect(at(away, whistle, 15 * MINUTE)).toBeNull()
  })

  it('of a whistle lies outside an interruption, which ends when the heat is there again', () => {
    const resumed = [...interrupted, event({ kind: 'resumed' }, 16)]
    const whistle = { kind: 'whistle' } as const
    expect(at(resumed, whistle, 14 * MINUTE - 1)).toBeNull()
    expect(at(resumed, whistle, 14 * MINUTE)).toBe('heat-is-away')
    expect(at(resumed, whistle, 16 * MINUTE - 1)).toBe('heat-is-away')
    expect(at(resumed, whistle, 16 * MINUTE)).toBeNull()
    expect(at(resumed, { kind: 'resumed' }, 15 * MINUTE)).toBeNull()
    expect(at(resumed, { kind: 'resumed' }, 17 * MINUTE)).toBe('heat-is-there')
  })

  it('of a stage lies after the one before it, but for the clocks', () => {
    expect(at(heating, { kind: 'heat-off' }, 2 * MINUTE - SKEW)).toBeNull()
    expect(at(heating, { kind: 'heat-off' }, 2 * MINUTE - SKEW - 1)).toBe('too-early')
    expect(at(releasing, { kind: 'pressure-gone' }, 20 * MINUTE - SKEW - 1)).toBe('too-early')
    expect(at(releasing, { kind: 'valve-opened' }, 20 * MINUTE - SKEW - 1)).toBe('too-early')
    expect(at(safe, { kind: 'opened' }, 30 * MINUTE - SKEW - 1)).toBe('too-early')
    expect(at(again, { kind: 'lit' }, 32 * MINUTE - SKEW - 1)).toBe('too-early')
    expect(at(again, { kind: 'lit' }, 32 * MINUTE - SKEW)).toBeNull()
    expect(at(opened, goesOn, 32 * MINUTE - SKEW - 1)).toBe('too-early')
  })

  it('of lighting and of the heat may be told anew, if it was sooner', () => {
    expect(at(heating, { kind: 'lit' }, 2 * MINUTE - 1)).toBeNull()
    expect(at(heating, { kind: 'lit' }, 2 * MINUTE)).toBe('already-lit')
    expect(at(releasing, { kind: 'heat-off' }, 20 * MINUTE - 1)).toBeNull()
    expect(at(releasing, { kind: 'heat-off' }, 20 * MINUTE)).toBe('heat-is-off')
  })

  it('of what was seen before a run was given up still counts', () => {
    expect(at(abandoned, { kind: 'whistle' }, 15 * MINUTE)).toBeNull()
    expect(at(abandoned, { kind: 'whistle' }, 20 * MINUTE)).toBeNull()
    expect(at(abandoned, { kind: 'whistle' }, 20 * MINUTE + 1)).toBe('run-over')
    expect(at([event({ kind: 'abandoned' }, 1)], { kind: 'whistle' }, 5 * MINUTE)).toBe('run-over')
  })

  it('of a whistle in a pot that is too cold is asked about only where the cook is there', () => {
    const cold: PotFacts = { ...under, whistlesFrom: () => 10 * MINUTE }
    const seen = (data: RunEventData, minute: number, pot: PotFacts) => refused(heating, data, minute, pot)
    expect(seen({ kind: 'whistle' }, 9.9, cold)).toBe('too-cold')
    expect(seen({ kind: 'whistle' }, 10, cold)).toBeNull()
    expect(seen({ kind: 'whistle' }, 9.9, under)).toBeNull()
    expect(seen({ kind: 'whistle', how: 'recalled' }, 9.9, cold)).toBeNull()
    expect(seen({ kind: 'flame', flame: 'low' }, 9.9, cold)).toBeNull()
  })
})

describe('taking back', () => {
  const undo = (of: RunEvent) => ({ kind: 'undo', of: of.id }) as const

  it('is possible of what was seen at any time, of a stage while it is the last', () => {
    expect(refused(opened, undo(heating[2]!), 40)).toBeNull()
    expect(refused(opened, undo(opened.at(-1)!), 40)).toBeNull()
    expect(refused(opened, undo(safe.at(-1)!), 40)).toBe('nothing-to-undo')
    expect(refused(heating, undo(heating[1]!), 40)).toBeNull()
  })

  it('is not possible twice, nor of what nobody wrote down', () => {
    const undone = [...heating, event(undo(heating[2]!), 13)]
    expect(refused(undone, undo(heating[2]!), 40)).toBe('nothing-to-undo')
    expect(refused(heating, { kind: 'undo', of: 'nothing' }, 40)).toBe('nothing-to-undo')
    // What came after a stage and was taken back is in its way no more.
    expect(refused([...releasing, event(undo(releasing.at(-1)!), 21)], undo(heating[1]!), 40)).toBeNull()
  })
})
