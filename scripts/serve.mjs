// What serving the built application needs, for the demo and for the tests.
import { SetupError } from './setup.mjs'

/** The household of the demo kitchen; the same on every machine. */
export const DEMO_HOUSEHOLD = '0de70000-0000-4000-8000-000000000001'

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
