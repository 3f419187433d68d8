// npm start: serves the application for a household of its own.
import { checkMachine, main } from './setup.mjs'
import { serveKept } from './serve.mjs'

await main(async () => {
  checkMachine()
  await serveKept({
    isDemo: false,
    onReady: (url) => console.log(`\nBivvet is running: ${url}   (Ctrl-C stops it)\n`),
  })
})
