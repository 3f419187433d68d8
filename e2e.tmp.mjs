import { spawnSync } from 'node:child_process'
process.chdir('/work/main')
const { withThrowAwayServer } = await import('/work/main/scripts/serve.mjs')
const args = process.argv.slice(2)
await withThrowAwayServer((url, env) => {
  const r = spawnSync('npx', ['playwright', 'test', ...args], {
    stdio: 'inherit',
    env: { ...process.env, ...env, BIVVET_URL: url },
  })
  console.log('exit', r.status)
})
