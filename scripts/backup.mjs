// npm run backup: the whole database as one file in .data/backups.
// npm run restore FILE [--replace]: puts one back; refused where there are households, unless they are to go.
import { existsSync, mkdirSync } from 'node:fs'
import path from 'node:path'
import { keptDatabase } from './postgres.mjs'
import { checkMachine, DATA, ensurePostgres, main, run, SetupError } from './setup.mjs'

await main(async () => {
  checkMachine()
  const [task, file, ...more] = process.argv.slice(2)
  const bin = ensurePostgres()
  const database = await keptDatabase('postgres-household')
  // Row security binds whoever is no superuser: a copy is of all households.
  const { hostname, port, username, password, pathname } = new URL(database.url)
  // Said by the environment, so that no message shows the password.
  const env = {
    ...process.env,
    PGOPTIONS: '-c bivvet.household=*',
    PGHOST: hostname,
    PGPORT: port || '5432',
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: pathname.slice(1),
  }
  const psql = (query) => run(path.join(bin, 'psql'), ['-tA', '-c', query], { quiet: true, env }).trim()
  try {
    if (task === 'backup') {
      const folder = path.join(DATA, 'backups')
      mkdirSync(folder, { recursive: true, mode: 0o700 })
      const at = new Date().toISOString().slice(0, 19).replaceAll(':', '-')
      const to = file ?? path.join(folder, `bivvet-${at}.dump`)
      // Row security binds an owner who is no superuser too; the environment says that all is asked for.
      const all = ['--format=custom', '--no-owner', '--enable-row-security', '--file', to]
      run(path.join(bin, 'pg_dump'), all, { quiet: true, env })
      console.log(`\nThe database is copied to ${to}\n`)
      return
    }
    if (!file || !existsSync(file)) throw new SetupError('Say which copy: npm run restore FILE')
    const isMade = psql("select to_regclass('public.households') is not null") === 't'
    const households = isMade ? Number(psql('select count(*) from households')) : 0
    if (households > 0 && !more.includes('--replace'))
      throw new SetupError(
        `There are ${households} households in this database.\n\nWhat to do: npm run restore ${file} -- --replace, if they are to go.`,
      )
    // All of it or nothing: a copy that cannot be read leaves the database as it is.
    run(
      path.join(bin, 'pg_restore'),
      ['--clean', '--if-exists', '--no-owner', '--single-transaction', '-d', env.PGDATABASE, file],
      { quiet: true, env, advice: 'take a copy that npm run backup has written.' },
    )
    console.log(`\n${psql('select count(*) from households')} households are back. Start the server anew.\n`)
  } finally {
    database.stop()
  }
})
