import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { beforeAll, describe, expect, it } from 'vitest'
import { CATALOGUE } from '../core/food/catalogue'
import { INGREDIENTS } from '../core/ingredient/ingredients'
import { BUNDLES, messagesOf, type Bundle } from './bundles'
import { cautionText, refusalSentence, sentenceOf, withSentences } from './sentences'

type Messages = { [key: string]: string | Messages }
const flat = (messages: Messages, path = ''): string[] =>
  Object.entries(messages).flatMap(([key, value]) =>
    typeof value === 'string' ? [path + key] : flat(value, `${path}${key}.`),
  )
const read = (folder: string) =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.(ts|vue)$/.test(file) && !file.endsWith('.test.ts'))
    .map((file) => readFileSync(join(folder, file), 'utf8'))
    .join('\n')
const screens = read('app')
/** Core gives codes; what it never gives nobody has to say. */
const codes = read('core') + read('cli') + read('server') + read('shared')

const bundles: Partial<Record<Bundle, string[]>> = {}
beforeAll(async () => {
  for (const bundle of BUNDLES) bundles[bundle] = flat((await messagesOf('en', bundle)) as Messages)
})
const all = () => Object.values(bundles).flat()

describe('the messages', () => {
  it('hold every key that is asked for by name', () => {
    const asked = [...screens.matchAll(/\bt\(\s*'([\w.-]+)'/g)].map(([, key]) => key!)
    expect(asked.length).toBeGreaterThan(50)
    expect(asked.filter((key) => !all().includes(key))).toEqual([])
  })

  it('hold none that nobody asks for', () => {
    const composed = [...(screens + read('locales')).matchAll(/`([\w.-]+)\.\$\{/g)].map(([, prefix]) => `${prefix}.`)
    const byCode = { problems: /^problems\.(.+)$/, runs: /^runs\.(.+)$/, cautions: /^cautions\.([^.]+)\./ }
    const unused = Object.values(bundles).flatMap((keys) =>
      keys.filter((key) => {
        const bundle = key.split('.')[0]!
        if (bundle === 'catalogue') return !CATALOGUE.some(({ id }) => key.startsWith(`catalogue.${id}.`))
        if (bundle === 'ingredients') return !INGREDIENTS.some(({ id }) => key.startsWith(`ingredients.${id}.`))
        const code = bundle in byCode ? byCode[bundle as keyof typeof byCode].exec(key)?.[1] : undefined
        if (code) return !codes.includes(`'${code}'`)
        return !screens.includes(key) && !composed.some((prefix) => key.startsWith(prefix))
      }),
    )
    expect(unused).toEqual([])
  })

  it('stand in one room each', () => {
    const twice = all().filter((key, i, keys) => keys.indexOf(key) !== i)
    expect(twice).toEqual([])
  })

  it('name every food of the catalogue, with its other names', () => {
    const missing = CATALOGUE.flatMap(({ id }) =>
      [`catalogue.${id}.name`, `catalogue.${id}.aliases`].filter((key) => !bundles.everywhere!.includes(key)),
    )
    expect(missing).toEqual([])
  })

  it('name every ingredient of the table, with its other names', () => {
    const missing = INGREDIENTS.flatMap(({ id }) =>
      [`ingredients.${id}.name`, `ingredients.${id}.aliases`].filter((key) => !bundles.ingredients!.includes(key)),
    )
    expect(missing).toEqual([])
  })
})

describe('what the server and the command line say', () => {
  it('is the message of the code, with its figures and its food by name', () => {
    const problem = { code: 'unknown-food', params: { value: 'unicorn' } } as const
    expect(sentenceOf(problem)).toContain('unicorn')
    const caution = cautionText({ id: 'lectin-soak', params: { food: 'kidney-red' } })
    expect(caution.sentence.toLowerCase()).toContain('kidney')
    expect(caution.why).not.toBe('')
  })

  it('leaves no placeholder open', () => {
    expect(refusalSentence('not-lit')).not.toMatch(/[{}]|runs\./)
    const [told] = withSentences([{ code: 'unknown-food', params: { value: 'x' } } as const])
    expect(told).toMatchObject({ code: 'unknown-food', message: expect.not.stringMatching(/[{}]/) })
  })
})
