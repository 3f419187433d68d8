import { describe, expect, it } from 'vitest'
import { proxiesOf, senderOf } from './sender'

describe('where a request comes from', () => {
  it('is what the trusted proxy has added, and not what was sent along', () => {
    expect(senderOf('203.0.113.9, 198.51.100.7', '10.0.0.1', 1)).toBe('198.51.100.7')
    expect(senderOf('203.0.113.9, 198.51.100.7, 10.0.0.2', '10.0.0.1', 2)).toBe('198.51.100.7')
    expect(senderOf('203.0.113.9', '10.0.0.1', 0)).toBe('10.0.0.1')
    expect(senderOf(undefined, '10.0.0.1', 1)).toBe('10.0.0.1')
    // Fewer stand there than there are proxies: it did not come through them.
    expect(senderOf('203.0.113.9', '10.0.0.1', 2)).toBe('10.0.0.1')
  })

  it('counts the proxies that are said', () => {
    expect([true, 'true', '1', 2, '', undefined, false, 'no'].map(proxiesOf)).toEqual([1, 1, 1, 2, 0, 0, 0, 0])
  })
})
