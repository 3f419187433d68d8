import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { createApp, createRouter, toNodeListener, type EventHandler, type H3Error } from 'h3'
import { onTestFinished } from 'vitest'
import handleError from '../server/error'
import { files, routes } from './nitro'

/** A browser, as far as a server knows one: its cookies. */
export interface Browser {
  ask(
    method: string,
    path: string,
    body?: unknown,
    headers?: Record<string, string>,
  ): Promise<{ status: number; body: unknown; headers: Headers }>
}

/** Serves the API's own routes and middleware on a port of its own, until the test is over; gives it browsers. */
export async function serve(): Promise<() => Browser> {
  const app = createApp({
    onError: (error: H3Error, event) =>
      handleError(error as never, event, { defaultHandler: () => undefined as never }) as never,
  })
  const middleware = import.meta.glob<{ default: EventHandler }>('../server/middleware/*.ts')
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
    return {
      async ask(method, path, body, headers = {}) {
        const answer = await fetch(url + path, {
          method,
          headers: {
            ...(body === undefined ? {} : { 'content-type': 'application/json' }),
            cookie: [...cookies].map(([name, value]) => `${name}=${value}`).join('; '),
            ...headers,
          },
          ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
        })
        for (const set of answer.headers.getSetCookie()) {
          const [, name, value] = /^([^=]+)=([^;]*)/.exec(set)!
          if (value && !/max-age=0/i.test(set)) cookies.set(name!, value)
          else cookies.delete(name!)
        }
        const text = await answer.text()
        return { status: answer.status, headers: answer.headers, body: text ? (JSON.parse(text) as unknown) : null }
      },
    }
  }
}
