import { describe, expect, it } from 'vitest'
import { foundSchema, meSchema } from '../../shared/auth.schema'
import { problemsOf } from '../../shared/problems'
import { isTooMuch } from '../json'

const isNestedTooDeep = (text: string) => isTooMuch(text, Infinity)

describe('a body', () => {
  it.each([
    ['[', ']', 64, false],
    ['[', ']', 65, true],
    ['{"a":', '}', 65, true],
    ['[', ']', 100_000, true],
  ])('nested by %s and %s %i times is too deep: %s', (open, close, times, isTooDeep) => {
    expect(isNestedTooDeep(`${open.repeat(times)}1${close.repeat(times)}`)).toBe(isTooDeep)
  })

  it('may hold brackets in its texts, and many beside each other', () => {
    expect(isNestedTooDeep(JSON.stringify({ note: `\\"${'['.repeat(500)}` }))).toBe(false)
    expect(isNestedTooDeep(JSON.stringify(Array.from({ length: 500 }, () => [1])))).toBe(false)
    // What stands in a text that never ends is text; it is no JSON either.
    expect(isNestedTooDeep(`"${'['.repeat(500)}`)).toBe(false)
    expect(isNestedTooDeep(`"${'\\"['.repeat(200_000)}`)).toBe(false)
  })
})

describe('a large body', () => {
  it('is too much by its values, not by its bytes', () => {
    expect(isTooMuch(JSON.stringify(Array.from({ length: 900 }, () => 1)), 1000)).toBe(false)
    expect(isTooMuch(JSON.stringify(Array.from({ length: 1100 }, () => 1)), 1000)).toBe(true)
    expect(isTooMuch(`[${'{},'.repeat(600)}{}]`, 1000)).toBe(true)
    expect(isTooMuch(JSON.stringify('a, '.repeat(5000)), 1000)).toBe(false)
    expect(isTooMuch('['.repeat(100), 1000)).toBe(true)
  })
})

describe('who one is', () => {
  it('changes something, or is told to say what', () => {
    expect(problemsOf(meSchema.safeParse({}).error!)).toMatchObject([{ code: 'nothing-changed' }])
    expect(meSchema.safeParse({ name: 'Cook' }).success).toBe(true)
  })

  it('has a password that is long enough, and is told how long that is', () => {
    const found = { household: 'One', altitudeM: 0, member: 'Cook', signInName: 'cook', password: 'short' }
    expect(problemsOf(foundSchema.safeParse(found).error!)).toEqual([
      { path: 'password', code: 'too-short', params: { min: 10 } },
    ])
    expect(problemsOf(foundSchema.safeParse({ ...found, password: 'long enough for it', member: '' }).error!)).toEqual([
      { path: 'member', code: 'name-missing', params: {} },
    ])
  })
})
