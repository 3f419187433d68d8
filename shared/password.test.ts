import { describe, expect, it } from 'vitest'
import { meSchema } from './auth.schema'
import { isGuessable } from './password'
import { problemsOf } from './problems'

describe('a password', () => {
  it.each([
    'password123',
    'Password!!!',
    'P@ssw0rd2026',
    '1234567890',
    '0987654321',
    '1111111111',
    'ababababab',
    'qwertyuiop',
    'iloveyou1234',
    'abcdefghij',
    '123kitchen123',
    'letmein2025!',
  ])('%s is what is tried first', (password) => expect(isGuessable(password)).toBe(true))

  it.each(['a long enough password', 'beans and rice at six', 'tr0ub4dor&3x', 'dalchawalghee', 'kx9-fm2-qq7'])(
    '%s is the member’s own choice',
    (password) => expect(isGuessable(password)).toBe(false),
  )

  it('is not the name that one signs in by', () => {
    expect(isGuessable('First.Cook1', 'first.cook')).toBe(true)
    expect(isGuessable('first thing cooked', 'first.cook')).toBe(false)
    const said = meSchema.safeParse({ signInName: 'first.cook', password: 'firstcook2026' })
    expect(problemsOf(said.error!)).toMatchObject([{ path: 'password', code: 'password-common' }])
  })
})
