// What every command needs before it can start: the right Node, the packages, PostgreSQL, Chromium,
// the build. Each step says what it does, is skipped when it is done already, and if it cannot be
// done ends with what to do about it.
import { createHash } from 'node:crypto'
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readdirSync, readFileSync, statfsSync, statSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import path from 'node:path'
import { fileURLToPath } from 'node:url'

export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..')
export const DATA = path.join(ROOT, '.data')
export const ENV = { ...process.env, NUXT_TELEMETRY_DISABLED: '1' }

const NEEDED_MB = 1500

/** Ends the command with what went wrong and what to do. */
export class SetupError extends Error {}

export function say(text) {
  console.log(`· ${text}`)
}

export const isRoot = () => process.getuid?.() === 0

/** Runs a command to its end; throws with its output if it fails and `quiet`. */
export function run(command, args, { quiet = false, env = ENV, cwd = ROOT, advice } = {}) {
  const result = spawnSync(command, args, {
    cwd,
    env,
    stdio: quiet ? 'pipe' : 'inherit',
    encoding: 'utf8',
    maxBuffer: 64 * 1024 * 1024,
  })
  if (result.error || result.status !== 0) {
    const output = [result.error?.message, result.stdout, result.stderr].filter(Boolean).join('\n').trim()
    const tail = output.split('\n').slice(-25).join('\n')
    throw new SetupError(`${command} ${args.join(' ')} failed.\n${tail}${advice ? `\n\nWhat to do: ${advice}` : ''}`)
  }
  return result.stdout ?? ''
}

/** Starts a program that goes on; its output is shown. */
export function start(command, args, env = {}) {
  return spawn(command, args, { cwd: ROOT, env: { ...ENV, ...env }, stdio: 'inherit' })
}

export function checkMachine() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19))
    throw new SetupError(
      `Node ${process.versions.node} is too old.\n\nWhat to do: install Node 20.19 or newer, then try again.`,
    )
  const { bavail, bsize } = statfsSync(ROOT)
  const freeMb = Math.round((bavail * bsize) / 1024 / 1024)
  if (freeMb < 200 || (freeMb < NEEDED_MB && !existsSync(path.join(ROOT, 'node_modules'))))
    throw new SetupError(
      `The disk under ${ROOT} has only ${freeMb} MB left.\n\nWhat to do: free ${NEEDED_MB} MB, then try again.`,
    )
  mkdirSync(DATA, { recursive: true })
}

/** Installs the packages of the lock file, unless these very ones are there. */
export function ensurePackages() {
  const lock = readFileSync(path.join(ROOT, 'package-lock.json'))
  const stamp = path.join(ROOT, 'node_modules', '.bivvet-lock')
  const wanted = createHash('sha256').update(lock).update(process.versions.node).digest('hex')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return
  say('Installing packages (npm ci; a minute or two)')
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    quiet: true,
    advice: 'check that the npm registry can be reached (npm ping), then try again.',
  })
  writeFileSync(stamp, wanted)
}

/** Makes Nuxt's generated types, which linting and type checking read. */
export function prepareNuxt() {
  run('npx', ['nuxt', 'prepare'], { quiet: true })
}

function aptInstall(packages, what) {
  const advice = `install it by hand (sudo apt-get update && sudo apt-get install -y ${packages.join(' ')}), then try again.`
  const sudo = isRoot() ? [] : ['sudo', '-n']
  if (!isRoot() && spawnSync('sudo', ['-n', 'true']).status !== 0)
    throw new SetupError(`${what} is not installed, and this user may not install it.\n\nWhat to do: ${advice}`)
  say(`Installing ${what} (apt-get install ${packages.join(' ')})`)
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args]
    run(command, rest, { quiet: true, advice, env: { ...ENV, DEBIAN_FRONTEND: 'noninteractive' } })
  }
  apt('update')
  apt('install', '-y', '--no-install-recommends', ...packages)
}

/** The folder of PostgreSQL's server programs; installs Debian's packages if there is none. */
export function ensurePostgres() {
  const find = () => {
    const base = '/usr/lib/postgresql'
    const versions = existsSync(base) ? readdirSync(base).sort((a, b) => Number(b) - Number(a)) : []
    const bins = versions.map((version) => path.join(base, version, 'bin'))
    const onPath = spawnSync('sh', ['-c', 'command -v initdb'], { encoding: 'utf8' }).stdout.trim()
    if (onPath) bins.push(path.dirname(onPath))
    return bins.find((bin) => existsSync(path.join(bin, 'initdb')) && existsSync(path.join(bin, 'pg_ctl')))
  }
  if (!find()) aptInstall(['postgresql'], 'PostgreSQL')
  const bin = find()
  if (!bin)
    throw new SetupError(
      'PostgreSQL is still not there.\n\nWhat to do: sudo apt-get install -y postgresql, then try again.',
    )
  return bin
}

/** Debian's Chromium without a window: a quarter less work for the processor than the whole one, and a smaller package. */
export const CHROMIUM = '/usr/bin/chromium-headless-shell'

/** The path of Debian's headless Chromium; installs it if it is not there. */
export function ensureChromium() {
  if (!existsSync(CHROMIUM)) aptInstall(['chromium-headless-shell'], 'Chromium')
  return CHROMIUM
}

/** A loopback port that nobody listens on: the wanted one, or with `orAnother` the next that is free. */
export async function freePort(wanted = 0, orAnother = false) {
  const tryPort = (port) =>
    new Promise((resolve) => {
      const server = createServer()
      server.once('error', () => resolve(null))
      server.listen(port, '127.0.0.1', () => {
        const { port: got } = server.address()
        server.close(() => resolve(got))
      })
    })
  for (let port = wanted; port < wanted + (orAnother ? 50 : 1); port++) {
    const got = await tryPort(port)
    if (got) return got
  }
  throw new SetupError(
    `Port ${wanted} is taken.\n\nWhat to do: set PORT to another one (PORT=3100 npm run demo), or end the program that uses it.`,
  )
}

const SOURCES = ['app', 'core', 'shared', 'server', 'public', 'nuxt.config.ts', 'package-lock.json']

function sourcesDigest() {
  const hash = createHash('sha256')
  const visit = (name) => {
    const full = path.join(ROOT, name)
    if (!existsSync(full)) return
    if (statSync(full).isDirectory()) for (const child of readdirSync(full).sort()) visit(path.join(name, child))
    else hash.update(name).update(readFileSync(full))
  }
  SOURCES.forEach(visit)
  return hash.digest('hex')
}

/** Builds the application, unless it was built from these very sources. */
export function ensureBuild() {
  const stamp = path.join(ROOT, '.output', '.bivvet-sources')
  const wanted = sourcesDigest()
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return
  say('Building the application (about a minute)')
  run('npx', ['nuxt', 'build'], { quiet: true })
  writeFileSync(stamp, wanted)
}

/** Runs a command's work; a SetupError is printed as advice, without a stack. */
export async function main(work) {
  try {
    await work()
  } catch (error) {
    console.error(error instanceof SetupError ? `\n✗ ${error.message}\n` : error)
    process.exitCode = 1
  }
}
