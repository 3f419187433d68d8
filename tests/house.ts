import { createPinia, setActivePinia } from 'pinia'
import { vi } from 'vitest'
import { nextTick } from 'vue'
import { plan } from '../core/program/plan'
import type { PlanRequest } from '../core/program/request.schema'
import type { KeptEvent, RunWithPlan } from '../shared/household'

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

/** Leaves nothing of the page behind. */
export function closePage() {
  vi.useRealTimers()
  vi.unstubAllGlobals()
}

export const START_MS = Date.parse('2026-11-25T18:00:00Z')

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

const BEANS: PlanRequest = {
  kitchen: { altitudeM: 0, roomC: 20, tapC: 20 },
  cooker: 'whistling-5l-aluminium',
  burner: 'strong',
  contents: [{ food: 'navy-bean', dryG: 300, soak: { hours: 9, waterC: 20, keepWater: false }, where: 'base' }],
  liquids: [],
  freeLiquid: 'spoonable',
  style: { kind: 'whistles', flame: 'medium' },
  release: 'auto',
}

/** A run of 300 g of navy beans in a whistling pot, as the server tells of it. */
export function beansRun(id: string, events: KeptEvent[] = []): RunWithPlan {
  const outcome = plan(BEANS, { range: false })
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
  const createdAt = new Date(START_MS).toISOString()
  return {
    id,
    planId: id,
    name: 'Beans',
    createdAt,
    events,
    verdicts: [],
    plan: { id, name: 'Beans', cookerId: null, cookerName: 'Blue', request: BEANS, answer: outcome.value, createdAt },
  }
}
