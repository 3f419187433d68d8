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
})

describe('what the log says of an error', () => {
  it('helps to find it, and leaves out what a household wrote', () => {
    const cause = Object.assign(new Error('value is out of range'), { code: '22003' })
    const failed = new Error(`Failed query: insert into dishes values ($1)\nparams: Grandmother's beans`, { cause })
    const line = JSON.stringify(factsOf(failed))
    expect(line).toContain('22003')
    expect(line).toContain('value is out of range')
    expect(line).toContain('logger.test.ts')
    expect(line).not.toContain('Grandmother')
  })

  it('reads whatever was thrown', () => {
    for (const thrown of ['text', null, undefined, 7, {}]) expect(() => factsOf(thrown)).not.toThrow()
    expect(factsOf('text')).toEqual({ error: 'thrown', reason: 'string' })
  })

  it('is short, however long the message is', () => {
    expect(JSON.stringify(factsOf(new Error('x'.repeat(100_000)))).length).toBeLessThan(1000)
  })
})
