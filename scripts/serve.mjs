// What serving the built application needs, for the demo and for the tests.
import { DEMO_HOUSEHOLD } from './demo-household.mjs'
import { throwAwayDatabase } from './postgres.mjs'
import { ensureBuild, freePort, run, SetupError, start } from './setup.mjs'

export function serverEnv(databaseUrl, port, sessionPassword) {
  return {
    DATABASE_URL: databaseUrl,
    HOST: process.env.HOST ?? '127.0.0.1',
    PORT: String(port),
    NUXT_SESSION_PASSWORD: sessionPassword,
    NUXT_DEFAULT_HOUSEHOLD_ID: DEMO_HOUSEHOLD,
    NODE_ENV: 'production',
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

/** Serves the production build on a database that is gone afterwards, for as long as the work takes. */
export async function withThrowAwayServer(work) {
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
    const env = { ...serverEnv(database.url, port, 'only-for-this-run-0123456789abcdef0123'), HOST: '127.0.0.1' }
    run('npx', ['tsx', 'scripts/database.ts', 'demo'], { quiet: true, env: { ...process.env, ...env } })
    server = start('node', ['.output/server/index.mjs'], env)
    const url = `http://127.0.0.1:${port}`
    await waitFor(url, server)
    await work(url, env)
  } finally {
    stop()
  }
}
