// npm test: everything from a bare checkout to the last line `N passed, N failed`.
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import path from 'node:path'
import { checkMachine, ensureChromium, ensurePackages, ENV, main, prepareNuxt, ROOT, say } from './setup.mjs'
import { withThrowAwayServer } from './serve.mjs'

const RESULTS = path.join(ROOT, 'test-results')
let passed = 0
let failed = 0

/** Runs a command to its end; what a quiet one says is shown if it fails. */
function done(command, args, { env = {}, quiet = false } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: ROOT,
      env: { ...ENV, ...env },
      stdio: quiet ? ['ignore', 'pipe', 'pipe'] : 'inherit',
    })
    const said = []
    for (const stream of [child.stdout, child.stderr]) stream?.on('data', (data) => said.push(data))
    child.once('error', () => resolve(1))
    child.once('close', (status) => {
      if (status !== 0) process.stdout.write(Buffer.concat(said))
      resolve(status)
    })
  })
}

/** Runs one check and counts it as one. */
async function check(name, command, args) {
  const status = await done(command, args, { quiet: true })
  say(`${name}: ${status === 0 ? 'as it should be' : 'not as it should be'}`)
  if (status === 0) passed += 1
  else failed += 1
}

/** Runs a test runner and counts its tests by its report; a run without a report has failed. */
async function suite(name, command, args, report, count, env = {}) {
  say(name)
  rmSync(report, { force: true })
  const status = await done(command, args, { env })
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

  // Side by side what reads only; the journeys need the machine, and a build that nobody reads meanwhile.
  await Promise.all([checks(), unitTests()])
  await endToEnd()
  if (failed > 0) process.exitCode = 1
})
if (process.exitCode && failed === 0) failed = 1
console.log(`${passed} passed, ${failed} failed`)

async function checks() {
  await check('Formatting', 'npx', ['prettier', '--check', '--log-level', 'warn', '.'])
  await check('Linting', 'npx', ['eslint', '.', '--max-warnings', '0'])
  await check('Types', 'npx', ['nuxt', 'typecheck'])
}

async function unitTests() {
  const report = path.join(RESULTS, 'unit.json')
  await suite(
    'Formatting, linting and types beside the unit tests',
    'npx',
    ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile=${report}`],
    report,
    ({ numPassedTests, numFailedTests }) => ({ passed: numPassedTests, failed: numFailedTests }),
  )
}

/** Titles of the tests that failed once and then passed. */
function secondTries(suites) {
  return suites.flatMap(({ specs = [], suites: inner = [] }) => [
    ...specs.filter(({ tests }) => tests.some(({ status }) => status === 'flaky')).map(({ title }) => title),
    ...secondTries(inner),
  ])
}

async function endToEnd() {
  ensureChromium()
  await withThrowAwayServer(async (url, env) => {
    const report = path.join(RESULTS, 'e2e.json')
    await suite(
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
