// npm test: everything from a bare checkout to the last line `N passed, N failed`.
import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import path from 'node:path'
import { checkMachine, ensureChromium, ensurePackages, ENV, main, prepareNuxt, ROOT, say } from './setup.mjs'
import { withThrowAwayServer } from './serve.mjs'

const RESULTS = path.join(ROOT, 'test-results')
let passed = 0
let failed = 0

/** Runs one check and counts it as one. */
function check(name, command, args) {
  say(name)
  const { status } = spawnSync(command, args, { cwd: ROOT, env: ENV, stdio: 'inherit' })
  if (status === 0) passed += 1
  else failed += 1
}

/** Runs a test runner and counts its tests by its report; a run without a report has failed. */
function suite(name, command, args, report, count, env = {}) {
  say(name)
  rmSync(report, { force: true })
  const { status } = spawnSync(command, args, { cwd: ROOT, env: { ...ENV, ...env }, stdio: 'inherit' })
  const counts = existsSync(report) ? count(JSON.parse(readFileSync(report, 'utf8'))) : { passed: 0, failed: 0 }
  passed += counts.passed
  // A runner that fails or ran nothing counts as a failure even if no test says so.
  failed += counts.failed || (status === 0 && counts.passed > 0 ? 0 : 1)
}

await main(async () => {
  checkMachine()
  ensurePackages()
  prepareNuxt()
  mkdirSync(RESULTS, { recursive: true })

  check('Formatting', 'npx', ['prettier', '--check', '--log-level', 'warn', '.'])
  check('Linting', 'npx', ['eslint', '.', '--max-warnings', '0'])
  check('Types', 'npx', ['nuxt', 'typecheck'])
  const unitReport = path.join(RESULTS, 'unit.json')
  suite(
    'Unit tests',
    'npx',
    ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile=${unitReport}`],
    unitReport,
    ({ numPassedTests, numFailedTests }) => ({ passed: numPassedTests, failed: numFailedTests }),
  )
  await endToEnd()
  if (failed > 0) process.exitCode = 1
})
if (process.exitCode && failed === 0) failed = 1
console.log(`${passed} passed, ${failed} failed`)

/** Titles of the tests that failed once and then passed. */
function secondTries(suites) {
  return suites.flatMap(({ specs = [], suites: inner = [] }) => [
    ...specs.filter(({ tests }) => tests.some(({ status }) => status === 'flaky')).map(({ title }) => title),
    ...secondTries(inner),
  ])
}

async function endToEnd() {
  ensureChromium()
  await withThrowAwayServer((url, env) => {
    const report = path.join(RESULTS, 'e2e.json')
    suite(
      'End-to-end tests against the production build',
      'npx',
      ['playwright', 'test'],
      report,
      ({ stats, suites }) => {
        for (const title of secondTries(suites)) say(`Only at the second try: ${title}`)
        return { passed: stats.expected + stats.flaky, failed: stats.unexpected }
      },
      { ...env, BIVVET_URL: url },
    )
  })
}
