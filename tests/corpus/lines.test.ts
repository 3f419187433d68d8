import { readFileSync } from 'node:fs'
import path from 'node:path'
import { describe, expect, it } from 'vitest'
import { readLine } from '../../core/formats/line'
import { namesOf } from '../../locales/names'

// Lines as they stand in recipes and are typed, with what they are and weigh by general kitchen practice; a question mark
// where a careful reader asks. Written apart from the reader.
const LINES = readFileSync(path.join(import.meta.dirname, 'lines.tsv'), 'utf8')
  .split('\n')
  .filter(Boolean)
  .map((line) => {
    const [text = '', what = '', g = ''] = line.split('\t')
    return { text, what, g: g === '' ? null : Number(g) }
  })
const WITHIN = 0.15
const names = namesOf()

const read = LINES.map(({ text, what, g }) => {
  const found = readLine(text, names)
  const isAsked = found.doubt !== null
  const isRight =
    found.what === what && (g === null ? found.g === null : found.g !== null && Math.abs(found.g / g - 1) <= WITHIN)
  return { text, what, g, found, isAsked, isRight: what === '?' ? isAsked : isRight && !isAsked }
})

describe('lines of ingredients', () => {
  it('are read rightly, 95 in 100', () => {
    const wrong = read.filter(({ isRight }) => !isRight)
    const told = wrong.map(({ text, found }) => `${text}: ${found.what ?? found.maybe}, ${found.g} (${found.doubt})`)
    expect(LINES.length).toBeGreaterThanOrEqual(400)
    expect(wrong.length / read.length, told.join('\n')).toBeLessThanOrEqual(0.05)
  })

  it('are never wrong without being asked about', () => {
    const silent = read.filter(({ isRight, isAsked }) => !isRight && !isAsked)
    expect(silent.map(({ text, found }) => `${text}: ${found.what}, ${found.g}`)).toEqual([])
  })
})
