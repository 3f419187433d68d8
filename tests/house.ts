import { createPinia, getActivePinia, setActivePinia } from 'pinia'
import { vi } from 'vitest'
import { createApp, nextTick, type App } from 'vue'
import { createI18n } from 'vue-i18n'
import { BUNDLES, messagesOf } from '../locales/bundles'
import type { Kitchen } from '../shared/kitchen'
import { aKitchen, START_MS } from './fixtures'
import { spoken } from './nuxt'

export * from './fixtures'

interface Asked {
  method: string
  path: string
  body: unknown
}
/** What a server answers: a body, a status with a body, or nothing at all. */
export type Answer = object | { status: number; body: unknown } | 'no-network'

/**
 * A server that the test plays: every request waits until the test answers it, so that orders can be tried that a
 * real network gives by chance.
 */
export function playServer() {
  const asked: (Asked & { answer: (answer: Answer) => Promise<void> })[] = []
  vi.stubGlobal('fetch', (url: string | Request, options: RequestInit = {}) => {
    const request = new Request(new URL(String(url instanceof Request ? url.url : url), 'http://house.test'), options)
    return new Promise<Response>((resolve, reject) => {
      void request.text().then((text) =>
        asked.push({
          method: request.method,
          path: new URL(request.url).pathname + new URL(request.url).search,
          body: text ? JSON.parse(text) : null,
          async answer(answer) {
            if (answer === 'no-network') reject(new TypeError('no network'))
            else {
              const { status, body } = 'status' in answer && 'body' in answer ? answer : { status: 200, body: answer }
              resolve(
                new Response(JSON.stringify(body), {
                  status: status as number,
                  headers: { 'content-type': 'application/json', 'x-bivvet-now': String(Date.now()) },
                }),
              )
            }
            await settle()
          },
        }),
      )
    })
  })
  /** The oldest request that fits and has no answer yet; time passes until it is asked. */
  async function next(method: string, path: RegExp) {
    for (let tries = 0; tries < 200; tries++) {
      const index = asked.findIndex((one) => one.method === method && path.test(one.path))
      if (index >= 0) return asked.splice(index, 1)[0]!
      vi.advanceTimersByTime(50)
      await settle()
    }
    throw new Error(
      `Nobody asked ${method} ${path}; open: ${asked.map((one) => `${one.method} ${one.path}`).join(', ')}`,
    )
  }
  return { next, open: asked }
}

/** Lets everything that waits for nothing but its turn have it. */
export async function settle() {
  for (let i = 0; i < 6; i++) {
    await Promise.resolve()
    await nextTick()
    await new Promise((resolve) => setImmediate(resolve))
  }
}

const apps: App[] = []

/** Leaves nothing of the page behind. */
export function closePage() {
  for (const app of apps.splice(0)) app.unmount()
  spoken.t = (key) => key
  vi.useRealTimers()
  vi.unstubAllGlobals()
}

/** Every message in English, for what is shown and for stores. */
export async function english() {
  const bundles = await Promise.all(BUNDLES.map((bundle) => messagesOf('en', bundle)))
  const i18n = createI18n({ legacy: false, locale: 'en', messages: { en: {} } })
  for (const bundle of bundles) i18n.global.mergeLocaleMessage('en', bundle)
  spoken.t = (key) => i18n.global.t(key)
  return i18n
}

/** What a composable gives on a screen of the application. */
export async function onScreen<Given>(use: () => Given): Promise<Given> {
  const i18n = await english()
  let given!: Given
  const app = createApp({
    setup() {
      given = use()
      return () => null
    },
  })
  app.use(i18n)
  app.use(getActivePinia()!)
  app.mount(document.createElement('div'))
  apps.push(app)
  return given
}

/** A fresh page: no stores, nothing kept on the device but what is given. */
export function openPage(kept: Record<string, unknown> = {}) {
  // The time is the test's as well.
  vi.useFakeTimers({ toFake: ['setTimeout', 'setInterval', 'clearTimeout', 'clearInterval', 'Date'], now: START_MS })
  localStorage.clear()
  for (const [key, value] of Object.entries(kept)) localStorage.setItem(key, JSON.stringify(value))
  setActivePinia(createPinia())
  // A thread that never answers: what is tested does not wait for what it works out.
  vi.stubGlobal(
    'Worker',
    class extends EventTarget {
      postMessage() {}
      terminate() {}
    },
  )
  vi.stubGlobal(
    'EventSource',
    class {
      addEventListener() {}
      removeEventListener() {}
      close() {}
    },
  )
}

/** Lets a server answer the kitchen that is being loaded; the server goes on to be played. */
export async function openKitchen(load: () => Promise<void>, change: Partial<Kitchen> = {}) {
  const server = playServer()
  void load()
  await (await server.next('GET', /kitchen/)).answer({ version: 1, content: aKitchen(change) })
  return server
}
