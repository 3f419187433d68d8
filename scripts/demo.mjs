// npm run demo: everything from a bare checkout to a served application with the demo kitchen.
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { keptDatabase, keptSecret } from './postgres.mjs'
import { checkMachine, DATA, ensureBuild, ensurePackages, freePort, main, run, say, start } from './setup.mjs'
import { serverEnv, stopOnSignals, waitFor } from './serve.mjs'

const RUNNING = path.join(DATA, 'demo.json')

await main(async () => {
  checkMachine()
  const already = runningDemo()
  if (already) {
    console.log(`\nBivvet is already running: ${already}\n`)
    return
  }
  const port = await freePort(Number(process.env.PORT ?? 3000), process.env.PORT === undefined)
  ensurePackages()
  const database = await keptDatabase()
  const env = serverEnv(database.url, port, keptSecret('session-password'))
  let server
  stopOnSignals(() => {
    say('Stopping')
    server?.kill('SIGTERM')
    database.stop()
    rmSync(RUNNING, { force: true })
  })
  try {
    say('Preparing the database and the demo kitchen')
    run('npx', ['tsx', 'scripts/database.ts', 'demo'], { quiet: true, env: { ...process.env, ...env } })
    ensureBuild()
    server = start('node', ['.output/server/index.mjs'], env)
    const url = `http://${env.HOST}:${port}`
    await waitFor(url, server)
    writeFileSync(RUNNING, JSON.stringify({ pid: process.pid, url }))
    console.log(`\nBivvet is running: ${url}   (Ctrl-C stops it; what you enter is kept)\n`)
    server.once('exit', (code) => {
      console.error(`The server ended (${code}).`)
      process.emit('SIGTERM')
    })
  } catch (error) {
    server?.kill('SIGTERM')
    database.stop()
    throw error
  }
})

function runningDemo() {
  if (!existsSync(RUNNING)) return null
  try {
    const { pid, url } = JSON.parse(readFileSync(RUNNING, 'utf8'))
    process.kill(pid, 0)
    return url
  } catch {
    rmSync(RUNNING, { force: true })
    return null
  }
}
