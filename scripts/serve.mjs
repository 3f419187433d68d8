// What serving the built application needs, for the demo and for the tests.
import { DEMO_HOUSEHOLD } from './demo-household.mjs'
import path from 'node:path'
import { keptDatabase, keptSecret, throwAwayDatabase } from './postgres.mjs'
import { DATA, ensureBuild, ensurePackages, freePort, run, say, SetupError, start } from './setup.mjs'

export function serverEnv(databaseUrl, port, sessionPassword) {
  return {
    DATABASE_URL: databaseUrl,
    HOST: process.env.HOST ?? '127.0.0.1',
    PORT: String(port),
    NUXT_SESSION_PASSWORD: sessionPassword,
    NODE_ENV: 'production',
  }
}

/** Into the demo's household comes whoever reaches the address. */
export const OPEN_TO_ALL = { NUXT_DEFAULT_HOUSEHOLD_ID: DEMO_HOUSEHOLD }

/**
 * Serves the production build on a database that stays, until the command is stopped: the demo, open to whoever
 * reaches the address, or a household of its own.
 */
export async function serveKept({ isDemo, onReady, onStop = () => {} }) {
  const port = await freePort(Number(process.env.PORT ?? 3000), process.env.PORT === undefined)
  ensurePackages()
  const database = await keptDatabase(isDemo ? 'postgres' : 'postgres-household')
  const env = {
    ...serverEnv(database.url, port, process.env.NUXT_SESSION_PASSWORD ?? keptSecret('session-password')),
    NUXT_COPIES_FOLDER: process.env.NUXT_COPIES_FOLDER ?? path.join(DATA, isDemo ? 'demo-copies' : 'copies'),
    ...(isDemo ? OPEN_TO_ALL : {}),
  }
  let server
  stopOnSignals(() => {
    say('Stopping')
    server?.kill('SIGTERM')
    database.stop()
    onStop()
  })
  try {
    say(isDemo ? 'Preparing the database and the demo kitchen' : 'Bringing the database up to date')
    const task = isDemo ? 'demo-day' : 'migrate'
    run('npx', ['tsx', 'scripts/database.ts', task], { quiet: true, env: { ...process.env, ...env } })
    ensureBuild()
    server = start('node', ['.output/server/index.mjs'], env)
    const url = `http://${env.HOST}:${port}`
    await waitFor(`${url}/api/health`, server)
    onReady(url, env.HOST)
    server.once('exit', (code) => {
      console.error(`The server ended (${code}).`)
      process.emit('SIGTERM')
    })
  } catch (error) {
    server?.kill('SIGTERM')
    database.stop()
    throw error
  }
}

/** Waits until the address answers, or the server has ended. */
export async function waitFor(url, server, seconds = 60) {
  for (let i = 0; i < seconds * 5; i++) {
    if (server.exitCode !== null)
      throw new SetupError(`The server ended at once (${server.exitCode}); its message is above.`)
    const answer = await fetch(url).catch(() => null)
    if (answer?.ok) return
    await new Promise((resolve) => setTimeout(resolve, 200))
  }
  throw new SetupError(`The server does not answer at ${url}.`)
}

/** Cleans up once when the command is asked to stop, then ends. */
export function stopOnSignals(cleanUp) {
  let stopping = false
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
    process.on(signal, () => {
      if (stopping) return
      stopping = true
      cleanUp()
      process.exit(0)
    })
}

/** Serves the production build on a database that is gone afterwards, for as long as the work takes; `more` goes into its environment. */
export async function withThrowAwayServer(work, more = {}) {
  ensureBuild()
  const database = await throwAwayDatabase()
  let server
  const stop = () => {
    server?.kill('SIGTERM')
    database.stop()
  }
  stopOnSignals(stop)
  try {
    const port = await freePort()
    const secret = 'only-for-this-run-0123456789abcdef0123'
    const env = { ...serverEnv(database.url, port, secret), ...OPEN_TO_ALL, HOST: '127.0.0.1', ...more }
    run('npx', ['tsx', 'scripts/database.ts', 'demo'], { quiet: true, env: { ...process.env, ...env } })
    server = start('node', ['.output/server/index.mjs'], env)
    const url = `http://127.0.0.1:${port}`
    await waitFor(url, server)
    await work(url, env)
  } finally {
    stop()
  }
}
