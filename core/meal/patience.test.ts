import { describe, expect, it } from 'vitest'
import { endOf } from './patience'

describe('patience', () => {
  const clock = (from: number) => {
    let now = from
    return { nowMs: () => now, goOn: (ms: number) => (now += ms) }
  }

  it('ends once its time is over, counted from when it was asked', () => {
    const { nowMs, goOn } = clock(500)
    const isOver = endOf({ nowMs, withinMs: 100 })
    goOn(100)
    expect(isOver()).toBe(false)
    goOn(1)
    expect(isOver()).toBe(true)
  })

  it('ends sooner where only a share of it is given', () => {
    const { nowMs, goOn } = clock(0)
    const [half, all] = [endOf({ nowMs, withinMs: 100 }, 0.5), endOf({ nowMs, withinMs: 100 })]
    goOn(60)
    expect([half(), all()]).toEqual([true, false])
  })

  it('ends at once when somebody ends it', () => {
    let ended = false
    const isOver = endOf({ nowMs: () => 0, withinMs: 100, stopped: () => ended })
    expect(isOver()).toBe(false)
    ended = true
    expect(isOver()).toBe(true)
  })
})
