import { describe, expect, it } from 'vitest'
import { failed, fillSentence, problem, PROBLEM_SENTENCES } from './problem'

describe('a problem', () => {
  it('says where, which, and what to do', () => {
    expect(problem('out-of-range', 'kitchen.altitudeM', { value: 9000, min: -450, max: 5000 })).toEqual({
      path: 'kitchen.altitudeM',
      code: 'out-of-range',
      params: { value: 9000, min: -450, max: 5000 },
      message: '9000 is out of range; give a figure from -450 to 5000.',
    })
  })

  it('leaves a place as it is when nothing fills it', () => {
    expect(fillSentence('{a} and {b}', { a: 1 })).toBe('1 and {b}')
  })

  it('is collected into a failed outcome', () => {
    const one = problem('no-food', 'contents')
    expect(failed(one)).toEqual({ ok: false, problems: [one] })
  })

  it('is always a whole sentence', () => {
    for (const [code, sentence] of Object.entries(PROBLEM_SENTENCES)) expect(sentence, code).toMatch(/^\S.*\.$/)
  })
})
