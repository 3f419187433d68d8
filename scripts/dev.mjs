// npm run dev: the demo kitchen served from the sources, rebuilt as they change.
import { keptDatabase, keptSecret } from './postgres.mjs'
import { checkMachine, ensurePackages, freePort, main, run, start } from './setup.mjs'
import { OPEN_TO_ALL, serverEnv, stopOnSignals } from './serve.mjs'

await main(async () => {
  checkMachine()
  ensurePackages()
  const port = await freePort(Number(process.env.PORT ?? 3000), true)
  const database = await keptDatabase('postgres')
  const env = {
    ...serverEnv(database.url, port, keptSecret('session-password')),
    ...OPEN_TO_ALL,
    NODE_ENV: 'development',
  }
  run('npx', ['tsx', 'scripts/database.ts', 'demo-day'], { quiet: true, env: { ...process.env, ...env } })
  const server = start('npx', ['nuxt', 'dev', '--port', String(port)], env)
  stopOnSignals(() => {
    server.kill('SIGTERM')
    database.stop()
  })
  server.once('exit', () => process.emit('SIGTERM'))
})
