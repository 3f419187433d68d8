import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import en from './en.json'
import { MESSAGES } from './messages'

type Messages = { [key: string]: string | Messages }
const flat = (messages: Messages, path = ''): string[] =>
  Object.entries(messages).flatMap(([key, value]) =>
    typeof value === 'string' ? [path + key] : flat(value, `${path}${key}.`),
  )

const files = execFileSync('find', ['app', '-name', '*.vue', '-o', '-name', '*.ts', '-not', '-name', '*.test.ts'], {
  encoding: 'utf8',
})
const sources = files
  .trim()
  .split('\n')
  .map((file) => readFileSync(file, 'utf8'))
  .join('\n')
const keys = flat(en)

describe('the messages', () => {
  it('hold every key that is asked for by name', () => {
    const asked = [...sources.matchAll(/\bt\(\s*'([\w.-]+)'/g)].map(([, key]) => key!)
    expect(asked.length).toBeGreaterThan(50)
    const all = flat(MESSAGES.en)
    expect(asked.filter((key) => !all.includes(key))).toEqual([])
  })

  it('hold none that nobody asks for', () => {
    const composed = [...sources.matchAll(/`([\w.-]+)\.\$\{/g)].map(([, prefix]) => `${prefix}.`)
    const unused = keys.filter((key) => !sources.includes(key) && !composed.some((prefix) => key.startsWith(prefix)))
    expect(unused).toEqual([])
  })
})
