import { afterEach, describe, expect, it, vi } from 'vitest'
import { factsOf, logger } from './logger'

afterEach(() => void vi.restoreAllMocks())

describe('the server’s log', () => {
  it('is one JSON object a line, and what went wrong goes where errors go', () => {
    const lines: [string, string][] = []
    vi.spyOn(process.stdout, 'write').mockImplementation((text) => lines.push(['out', String(text)]) > 0)
    vi.spyOn(process.stderr, 'write').mockImplementation((text) => lines.push(['error', String(text)]) > 0)
    logger.info('one\nthing', { count: 1 })
    logger.warn('another')
    logger.error('a third')
    expect(lines.map(([where]) => where)).toEqual(['out', 'error', 'error'])
    expect(lines.every(([, text]) => text.indexOf('\n') === text.length - 1)).toBe(true)
    expect(JSON.parse(lines[0]![1])).toMatchObject({ level: 'info', what: 'one\nthing', count: 1 })
  })

  it('says of an error what it is and where, and nothing that a household wrote', () => {
    const cause = Object.assign(new Error('duplicate key'), { code: '23505' })
    const failed = new Error('Failed query: insert into documents\nparams: Rana’s beans', { cause })
    expect(factsOf(failed)).toMatchObject({ reason: 'duplicate key', code: '23505' })
    expect(JSON.stringify(factsOf(new Error('Failed query: insert\nparams: Rana’s beans')))).not.toContain('Rana')
    expect(factsOf(failed).where).toMatch(/logger\.test/)
    expect(factsOf('thrown as it is')).toEqual({ error: 'thrown', reason: 'string' })
  })
})
