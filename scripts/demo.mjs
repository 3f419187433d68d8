// npm run demo: everything from a bare checkout to a served application with the demo kitchen.
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { checkMachine, DATA, main } from './setup.mjs'
import { serveKept } from './serve.mjs'

const RUNNING = path.join(DATA, 'demo.json')

await main(async () => {
  checkMachine()
  const already = runningDemo()
  if (already) {
    console.log(`\nBivvet is already running: ${already}\n`)
    return
  }
  await serveKept({
    isDemo: true,
    onStop: () => rmSync(RUNNING, { force: true }),
    onReady(url, host) {
      writeFileSync(RUNNING, JSON.stringify({ pid: process.pid, url }))
      const isLoopback = ['127.0.0.1', 'localhost', '::1'].includes(host)
      const whose = isLoopback
        ? 'whoever is at this machine'
        : 'EVERYBODY who reaches this machine, because HOST says so'
      console.log(`\nBivvet is running: ${url}   (Ctrl-C stops it; what you enter is kept)`)
      console.log(`The demo household is open to ${whose}.\n`)
    },
  })
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
