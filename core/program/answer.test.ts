import { describe, expect, it } from 'vitest'
import { donenessOf } from './answer'

const WINDOW = { firm: 40, tender: 60, soft: 90, max: 180 }

describe('how far a food is', () => {
  it.each([
    [0, 'hard'],
    [39.9, 'hard'],
    [40, 'firm'],
    [59.9, 'firm'],
    [60, 'tender'],
    [89.9, 'tender'],
    [90, 'soft'],
    [180, 'soft'],
    [180.1, 'lost'],
  ] as const)('is by its window: %d boil-minutes are %s', (boilMinutes, doneness) => {
    expect(donenessOf(boilMinutes, WINDOW)).toBe(doneness)
  })
})
