// npm run mutants [-- --of core|server|stores --lines 25 --seed 1 | -- --of … file.ts …]: changes lines one by one and
// sees whether a test notices. A sample, other lines with every seed: all of them would take days.
import { spawnSync } from 'node:child_process'
import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import { parseArgs } from 'node:util'
import { ENV, ROOT, say } from './setup.mjs'

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    of: { type: 'string', default: 'core' },
    lines: { type: 'string', default: '25' },
    seed: { type: 'string', default: '1' },
  },
})

/** The folders whose lines are changed; vitest.mutants.config.ts says which tests have to notice. */
const FOLDERS = { core: ['core'], server: ['server', 'shared'], stores: ['app/stores'] }
const folders = FOLDERS[values.of]
if (!folders) {
  console.error(`--of is one of ${Object.keys(FOLDERS).join(', ')}.`)
  process.exit(2)
}

/** Lines on which something is computed or decided. */
const COMPUTES = /[-+*/<>]\s|&&|\|\||\?\?|===|!==|Math\.|\breturn\b/
const NOT = /^\s*(\/\/|\*|\/\*|import|export (type|interface)|\w+\??:\s)/

const files = folders
  .flatMap((folder) => readdirSync(path.join(ROOT, folder), { recursive: true }).map((file) => path.join(folder, file)))
  // What answers an address is tried by journeys, which are no part of this.
  .filter(
    (file) =>
      !file.startsWith(path.join('server', 'api')) &&
      file.endsWith('.ts') &&
      !/\.(test|schema|d)\.ts$|cli\.ts$|catalogue\.ts$|names\.ts$/.test(file),
  )
  .sort()
const lines = files.flatMap((file) =>
  readFileSync(path.join(ROOT, file), 'utf8')
    .split('\n')
    .flatMap((line, i) => (COMPUTES.test(line) && !NOT.test(line) ? [`${file}:${i + 1}-${i + 1}`] : [])),
)

/** The same sample for the same seed (a linear congruential generator; any would do). */
let state = Number(values.seed)
const random = () => (state = (state * 1_664_525 + 1_013_904_223) % 2 ** 32) / 2 ** 32
const sample = new Set()
while (sample.size < Math.min(Number(values.lines), lines.length))
  sample.add(lines[Math.floor(random() * lines.length)])

const mutate = positionals.length > 0 ? positionals : [...sample]
say(`Changing ${mutate.length} of ${lines.length} lines that compute`)
const { status } = spawnSync('npx', ['stryker', 'run'], {
  cwd: ROOT,
  env: { ...ENV, BIVVET_MUTATE: mutate.join(' '), BIVVET_MUTANTS_OF: values.of },
  stdio: 'inherit',
})
process.exitCode = status ?? 1
