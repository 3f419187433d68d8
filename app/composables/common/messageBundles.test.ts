import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import { describe, expect, it } from 'vitest'
import { BUNDLES, messagesOf, type Bundle } from '~~/locales/bundles'
import { EVERYWHERE, bundlesOf } from './messageBundles'

const filesIn = (folder: string, end: RegExp) =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((file) => end.test(file) && !file.endsWith('.test.ts'))
    .map((file) => path.join(folder, file))

/** By what a file is called in another: a component by its tag, a function by its name. */
const named = new Map<string, string>()
for (const file of filesIn('app/components', /\.vue$/)) named.set(path.basename(file, '.vue'), file)
for (const file of [...filesIn('app/composables', /\.ts$/), ...filesIn('app/stores', /\.ts$/)])
  for (const [, name] of readFileSync(file, 'utf8').matchAll(/export (?:async )?(?:function|const) \[?(\w+)/g))
    named.set(name!, file)

/** Keys that a file asks for, whole or by their beginning, with all that it is made of. */
function keysOf(file: string, seen = new Set<string>()): string[] {
  if (seen.has(file)) return []
  seen.add(file)
  const source = readFileSync(file, 'utf8')
  // It fetches them itself.
  if (/= use(Stove|Meal|Auth|Help)Messages\(\)/.test(source)) return []
  const keys = [...source.matchAll(/\bt\(\s*['`]([\w.-]+)/g)].map(([, key]) => key!)
  const words = new Set([...source.matchAll(/\b(?:Lazy)?(\w+)/g)].map(([, word]) => word!))
  return [...keys, ...[...named].flatMap(([name, of]) => (words.has(name) ? keysOf(of, seen) : []))]
}

const flat = (messages: object, at = ''): string[] =>
  Object.entries(messages).flatMap(([key, value]) =>
    typeof value === 'string' ? [`${at}${key}`] : flat(value as object, `${at}${key}.`),
  )

describe('the message files of a screen', () => {
  const pages = filesIn('app/pages', /\.vue$/)
  it.each([...pages, ...filesIn('app/layouts', /\.vue$/), 'app/error.vue'])(
    'hold all that is said on %s',
    async (page) => {
      const place = path.relative('app/pages', page).replace(/(\/?index)?\.vue$/, '')
      // Loose or in tins: in tins more is said.
      const address = `/${place.replace('[[id]]', 'tins')}`
      const loaded = new Set<Bundle>([...EVERYWHERE, ...(pages.includes(page) ? bundlesOf(address) : [])])
      const missing: string[] = []
      const asked = keysOf(page)
      for (const bundle of BUNDLES) {
        if (loaded.has(bundle)) continue
        const keys = flat(await messagesOf('en', bundle))
        missing.push(
          ...asked.filter((key) => keys.some((one) => one === key || (key.endsWith('.') && one.startsWith(key)))),
        )
      }
      expect([...new Set(missing)]).toEqual([])
    },
  )
})
