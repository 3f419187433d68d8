// npm run backup: the whole database as one file in .data/backups.
// npm run restore FILE [--replace]: puts one back; refused where there are households, unless they are to go.
import { existsSync, mkdirSync } from 'node:fs'
import path from 'node:path'
import { keptDatabase } from './postgres.mjs'
import { checkMachine, DATA, ensurePostgres, main, run, SetupError } from './setup.mjs'

/**
 * Who may do what is this cluster's own: the role that a superuser's server takes, as the migrations make it
 * (0013_row_security.sql).
 */
const RIGHTS = `DO $$
BEGIN
  IF (SELECT rolsuper OR rolbypassrls FROM pg_roles WHERE rolname = current_user) THEN
    IF NOT EXISTS (SELECT FROM pg_roles WHERE rolname = 'bivvet_app') THEN
      CREATE ROLE bivvet_app NOLOGIN NOSUPERUSER NOBYPASSRLS;
    END IF;
    GRANT USAGE ON SCHEMA public TO bivvet_app;
    GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO bivvet_app;
    GRANT USAGE ON ALL SEQUENCES IN SCHEMA public TO bivvet_app;
    ALTER DEFAULT PRIVILEGES IN SCHEMA public GRANT SELECT, INSERT, UPDATE, DELETE ON TABLES TO bivvet_app;
    ALTER DEFAULT PRIVILEGES IN SCHEMA public GRANT USAGE ON SEQUENCES TO bivvet_app;
  END IF;
END $$`

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
      const all = ['--format=custom', '--no-owner', '--no-privileges', '--enable-row-security', '--file', to]
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
      ['--clean', '--if-exists', '--no-owner', '--no-privileges', '--single-transaction', '-d', env.PGDATABASE, file],
      { quiet: true, env, advice: 'take a copy that npm run backup has written.' },
    )
    psql(RIGHTS)
    const back = Number(psql('select count(*) from households'))
    console.log(`\n${back} ${back === 1 ? 'household is' : 'households are'} back. Start the server anew.\n`)
  } finally {
    database.stop()
  }
})
