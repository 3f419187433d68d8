import { describe, expect, it } from 'vitest'
import { BEANS } from '../../tests/fixtures'
import { readLogIn } from './log'

const answer = (text: string, isTable = false) => {
  const read = readLogIn(text, isTable)
  return read.ok ? read.value : [read.status, ...read.problems.map(({ path, code }) => `${path} ${code}`)]
}

const run = {
  cooker: 'blue',
  request: BEANS,
  events: [{ at: Date.UTC(2026, 2, 1), data: { kind: 'flame', flame: 'high' } }],
}

describe('a log that is read in', () => {
  it('is a log without pots too', () => expect(answer('{"runs": []}')).toMatchObject({ runs: [] }))

  it('is refused with the place of what is wrong, and not half taken', () => {
    expect(answer('{"runs": ')).toEqual([400, ' not-json'])
    expect(answer('{"runs": {}}')).toEqual([422, 'runs wrong-shape'])
    expect(answer('{"runs": [{}]}')).toContain('runs.0.request wrong-shape')
    expect(answer(`${'['.repeat(200)}${']'.repeat(200)}`)).toEqual([400, ' nested-too-deep'])
    expect(answer(`{"runs": [${'0,'.repeat(1_000_000)}0]}`)).toEqual([400, ' nested-too-deep'])
    // A text without an end, which the database could not keep.
    expect(answer('{"runs": [], "name": "\\u0000"}')).toEqual([422, ' not-text'])
    expect(answer('no, table', true)).toEqual([422, ' not-a-table'])
  })

  it('holds a thousand pots at most', () => {
    const ofRuns = (n: number) =>
      JSON.stringify({ runs: Array.from({ length: n }, (_, i) => ({ ...run, id: `${i}` })) })
    expect(answer(ofRuns(1001))).toEqual([422, 'runs too-many'])
    expect(readLogIn(ofRuns(1000), false).ok).toBe(true)
  })

  it('is refused where a verdict is of a food that was not in the pot', () => {
    const verdicts = [{ content: 7, texture: 0, water: 0 }]
    expect(answer(JSON.stringify({ runs: [{ ...run, id: 'a', verdicts }] }))).toEqual([
      422,
      'runs.0.verdicts.0.content verdict-of-nothing',
    ])
  })
})
