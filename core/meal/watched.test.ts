import { describe, expect, it } from 'vitest'
import { Watched } from './watched'

function seenBy(watched: Watched<string>, was: number, reached: number): string[] {
  const seen: string[] = []
  watched.look(was, reached, (clause) => {
    seen.push(clause)
    return 'stays'
  })
  return seen.sort()
}

describe('clauses watched by value', () => {
  const watched = new Watched<string>()
  for (const [value, clause] of [
    [5, 'five'],
    [-2, 'below'],
    [5, 'five too'],
    [9, 'nine'],
  ] as const)
    watched.add(value, clause)

  it('shows what the side has risen past, and nothing that it had reached before', () => {
    expect(seenBy(watched, -3, 5)).toEqual(['below', 'five', 'five too'])
    expect(seenBy(watched, 5, 8)).toEqual([])
    expect(seenBy(watched, 4, 9)).toEqual(['five', 'five too', 'nine'])
  })

  it('lets go of those that are watched elsewhere, and shows the others of that value', () => {
    expect(watched.look(0, 5, (clause) => (clause === 'five' ? 'elsewhere' : 'stays'))).toBe(true)
    expect(seenBy(watched, 0, 9)).toEqual(['five too', 'nine'])
  })

  it('stops at a conflict and keeps all', () => {
    expect(watched.look(0, 9, () => 'conflict')).toBe(false)
    expect(seenBy(watched, 0, 9)).toEqual(['five too', 'nine'])
  })

  it('forgets what is not kept', () => {
    watched.keep((clause) => clause !== 'five too')
    expect(seenBy(watched, -9, 9)).toEqual(['below', 'nine'])
  })
})
