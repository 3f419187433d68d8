import { spawn, type ChildProcess } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { once } from 'node:events'
import { expect } from '@playwright/test'
import { Pool } from 'pg'
import { freePort } from '../../scripts/setup.mjs'
import { openWire } from './wire'

const OUTPUT = ['ignore', 'ignore', 'inherit'] as const

/** A server for one journey alone, on a database of its own. */
export class OwnServer {
  private process: ChildProcess | null = null

  private constructor(
    readonly url: string,
    readonly env: NodeJS.ProcessEnv,
    private readonly database: string,
    /** Its way to the database. */
    readonly wire: Awaited<ReturnType<typeof openWire>>,
  ) {}

  /** The database is made and empty; `more` is for the server's surroundings. */
  static async prepare(more: NodeJS.ProcessEnv = {}): Promise<OwnServer> {
    const database = `own_${randomUUID().replaceAll('-', '')}`
    await onCluster(`create database ${database}`)
    const at = new URL(process.env.DATABASE_URL!)
    at.pathname = `/${database}`
    const wire = await openWire(at.href)
    const port = await freePort()
    const env = {
      ...process.env,
      DATABASE_URL: wire.url,
      HOST: '127.0.0.1',
      PORT: String(port),
      NUXT_SESSION_PASSWORD: 'only-for-this-run-0123456789abcdef0123',
      NUXT_DEFAULT_HOUSEHOLD_ID: '',
      ...more,
    }
    return new OwnServer(`http://localhost:${port}`, env, database, wire)
  }

  /** Makes the tables, and the demo household where that is asked for; answers the status it ended with. */
  async makeTables(task: 'migrate' | 'demo'): Promise<number> {
    const child = spawn('npx', ['tsx', 'scripts/database.ts', task], { env: this.env, stdio: [...OUTPUT] })
    const [status] = (await once(child, 'exit')) as [number]
    return status
  }

  async start(): Promise<void> {
    this.process = spawn('node', ['.output/server/index.mjs'], { env: this.env, stdio: [...OUTPUT] })
    const health = () =>
      fetch(`${this.url}/api/health`)
        .then(({ status }) => status)
        .catch(() => 0)
    await expect.poll(health, { timeout: 60_000 }).toBe(200)
  }

  /** Asks it to stop; answers the status it ended with. */
  async stop(): Promise<number | null> {
    const ended = once(this.process!, 'exit')
    this.process!.kill('SIGTERM')
    const [status] = (await ended) as [number | null]
    return status
  }

  async query(statement: string, values: unknown[] = []): Promise<void> {
    const pool = new Pool({ connectionString: this.env.DATABASE_URL, max: 1 })
    await pool.query(statement, values)
    await pool.end()
  }

  async remove(): Promise<void> {
    this.process?.kill('SIGKILL')
    this.wire.close()
    await onCluster(`drop database ${this.database} with (force)`)
  }
}

async function onCluster(statement: string) {
  const pool = new Pool({ connectionString: process.env.DATABASE_URL, max: 1 })
  await pool.query(statement)
  await pool.end()
}
