/// <reference types="vite/client" />
import { createHash, randomBytes, randomUUID } from 'node:crypto'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { Readable } from 'node:stream'
import type { ReadableStream } from 'node:stream/web'
import { createApp, createRouter, toNodeListener, type EventHandler, type H3Error } from 'h3'
import { eq } from 'drizzle-orm'
import { afterAll, beforeAll, expect, onTestFinished } from 'vitest'
import { throwAwayDatabase } from '../scripts/postgres.mjs'
import { closeDatabase, openDatabase } from '../server/db/client'
import { DEMO_KITCHEN } from '../server/db/demo'
import { migrateDatabase } from '../server/db/migrate'
import { documents, households, invites, members } from '../server/db/schema'
import handleError from '../server/error'
import { stopListening } from '../server/utils/changeEvents'
import { files, routes } from './nitro'

/** A browser, as far as a server knows one: its cookies. */
export interface Browser {
  /** Where the server is. */
  url: URL
  /** `Body` is what the answer is taken to hold; what is no JSON is text. Bytes are sent as they are, all else as JSON. */
  ask<Body = unknown>(
    method: string,
    path: string,
    body?: unknown,
    headers?: Record<string, string>,
  ): Promise<{ status: number; body: Body; bytes: Buffer; headers: Headers }>
  /** What a stream of server-sent events tells, one after another. */
  listen(path: string): Promise<AsyncIterator<string>>
}

/** A database of its own for the tests of a file, with households in it that cooks are let into. */
export function useHouseholds() {
  let cluster: { url: string; stop(): void }
  let opened: ReturnType<typeof openDatabase>
  beforeAll(async () => {
    cluster = await throwAwayDatabase()
    process.env.DATABASE_URL = cluster.url
    opened = openDatabase(cluster.url)
    await migrateDatabase(opened.owner)
  })
  afterAll(async () => {
    await Promise.all([opened.pool.end(), closeDatabase(), stopListening()])
    cluster.stop()
  })

  /** A new household with the demo's kitchen. */
  async function household() {
    const id = randomUUID()
    await opened.db.insert(households).values({ id })
    await opened.db
      .insert(documents)
      .values({ householdId: id, kind: 'kitchen', id, name: 'A kitchen', content: DEMO_KITCHEN })
    return id
  }

  /** A link that lets somebody into a household. */
  async function linkTo(householdId: string) {
    const token = randomBytes(24).toString('base64url')
    const digest = createHash('sha256').update(token).digest('hex')
    await opened.db.insert(invites).values({ householdId, digest, expiresAt: new Date(Date.now() + 3_600_000) })
    return token
  }

  /** Lets somebody in by a link; `role` is what they are from then on. */
  async function letIn(browser: Browser, householdId: string, name = aName(), role: 'owner' | 'member' = 'owner') {
    const { status } = await browser.ask('POST', `/api/auth/invites/${await linkTo(householdId)}`, { name })
    expect(status).toBe(204)
    await opened.db.update(members).set({ role }).where(eq(members.name, name))
  }

  /** A cook at a browser in a household of their own. */
  async function aCook(): Promise<Browser> {
    const cook = (await serve())()
    await letIn(cook, await household())
    return cook
  }
  return { household, linkTo, letIn, aCook, db: () => opened.db }
}

/** What stands first among the reasons of a refusal. */
export const codeOf = ({ body }: { body: unknown }) => (body as { problems: { code: string }[] }).problems[0]!.code

/** A name that nobody else has. */
export const aName = () => `Cook ${randomUUID().slice(0, 8)}`

/** Serves the API's own routes and middleware on a port of its own, until the test is over; gives it browsers. */
export async function serve(): Promise<() => Browser> {
  const app = createApp({
    onError: (error: H3Error, event) =>
      handleError(error as never, event, { defaultHandler: () => undefined as never }) as never,
  })
  const middleware = import.meta.glob<{ default: EventHandler }>(['../server/middleware/*.ts', '!**/*.test.ts'])
  for (const name of Object.keys(middleware).sort()) app.use((await middleware[name]!()).default)
  const router = createRouter()
  for (const { file, method, route } of routes) router.add(route, (await files[file]!()).default, method as 'get')
  app.use(router)
  const server = createServer(toNodeListener(app))
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  onTestFinished(() => void server.close())
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  return () => {
    const cookies = new Map<string, string>()
    const cookie = () => [...cookies].map(([name, value]) => `${name}=${value}`).join('; ')
    return {
      url: new URL(url),
      async listen(path) {
        const stop = new AbortController()
        onTestFinished(() => stop.abort())
        const { body } = await fetch(url + path, { headers: { cookie: cookie() }, signal: stop.signal })
        return dataOf(body as ReadableStream<Uint8Array>)
      },
      async ask<Body>(method: string, path: string, body?: unknown, headers: Record<string, string> = {}) {
        const isRaw = typeof body === 'string' || body instanceof Uint8Array
        const answer = await fetch(url + path, {
          method,
          headers: {
            ...(body === undefined ? {} : { 'content-type': 'application/json' }),
            cookie: cookie(),
            ...headers,
          },
          ...(body === undefined ? {} : { body: isRaw ? (body as string) : JSON.stringify(body) }),
        })
        for (const set of answer.headers.getSetCookie()) {
          const [, name, value] = /^([^=]+)=([^;]*)/.exec(set)!
          if (value && !/max-age=0/i.test(set)) cookies.set(name!, value)
          else cookies.delete(name!)
        }
        const bytes = Buffer.from(await answer.arrayBuffer())
        const isJson = answer.headers.get('content-type')?.includes('json') && bytes.length > 0
        const text = bytes.toString()
        return {
          status: answer.status,
          headers: answer.headers,
          bytes,
          body: (isJson ? JSON.parse(text) : text || null) as Body,
        }
      },
    }
  }
}

/** What each event of a stream says; beats that say nothing are left out. */
async function* dataOf(body: ReadableStream<Uint8Array>): AsyncGenerator<string, void> {
  let text = ''
  for await (const chunk of Readable.fromWeb(body).setEncoding('utf8')) {
    text += chunk as string
    for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
      const lines = text.slice(0, end).split('\n')
      text = text.slice(end + 2)
      if (!lines.some((line) => line.startsWith('event: pulse')))
        yield lines
          .filter((line) => line.startsWith('data: '))
          .map((line) => line.slice(6))
          .join('\n')
    }
  }
}
