import { describe, expect, it } from 'vitest'
import { factsOf } from './logger'

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
  })

  it('is short, however long the message is', () => {
    expect(JSON.stringify(factsOf(new Error('x'.repeat(100_000)))).length).toBeLessThan(1000)
  })
})
