import { describe, expect, it } from 'vitest'
import { endOf, workBudget } from './budget'

describe('budget', () => {
  const clock = (from: number) => {
    let now = from
    return { spent: () => now, goOn: (ms: number) => (now += ms) }
  }

  it('ends once its time is over, counted from when it was asked', () => {
    const { spent, goOn } = clock(500)
    const isOver = endOf({ spent, most: 100 })
    goOn(100)
    expect(isOver()).toBe(false)
    goOn(1)
    expect(isOver()).toBe(true)
  })

  it('ends sooner where only a share of it is given', () => {
    const { spent, goOn } = clock(0)
    const [half, all] = [endOf({ spent, most: 100 }, 0.5), endOf({ spent, most: 100 })]
    goOn(60)
    expect([half(), all()]).toEqual([true, false])
  })

  it('ends at once when somebody ends it', () => {
    let ended = false
    const isOver = endOf({ spent: () => 0, most: 100, stopped: () => ended })
    expect(isOver()).toBe(false)
    ended = true
    expect(isOver()).toBe(true)
  })
})

it('counted in work is spent by being asked, the same everywhere', () => {
  const asks = (most: number) => {
    const isOver = endOf(workBudget(most))
    let asked = 1
    while (!isOver()) asked++
    return asked
  }
  expect([asks(3), asks(3), asks(30)]).toEqual([asks(3), asks(3), asks(3) + 27])
})
