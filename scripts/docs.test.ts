import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { modelText, SCHEMAS } from './docs'

// What is generated must be what the code would generate now: npm run docs brings it up to date.
describe('the generated documents', () => {
  it.each(Object.entries(SCHEMAS))('%s is current', async (file, text) => {
    expect(readFileSync(file, 'utf8')).toBe(await text())
  })

  it('the table of docs/model.md is current', async () => {
    const now = readFileSync('docs/model.md', 'utf8')
    expect(await modelText(now)).toBe(now)
  })
})
