import type { H3Event } from 'h3'
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible'

const QUARTER_HOUR_S = 15 * 60

/** How often signing in may be tried. What members do in their kitchen is never counted here. */
const limits = {
  /** Guesses of one member's password, by name. */
  name: new RateLimiterMemory({ keyPrefix: 'name', points: 10, duration: QUARTER_HOUR_S }),
  /** All that comes from one address: a house has one for all its devices. */
  address: new RateLimiterMemory({ keyPrefix: 'address', points: 60, duration: QUARTER_HOUR_S }),
}

/** Counts a try; refused, with when to come again, where there were too many. */
export async function countTry(what: keyof typeof limits, key: string): Promise<void> {
  try {
    await limits[what].consume(key)
  } catch (error) {
    if (!(error instanceof RateLimiterRes)) throw error
    throw refusal(429, {
      path: '',
      code: 'too-often',
      params: { minutes: Math.max(1, Math.ceil(error.msBeforeNext / 60_000)) },
    })
  }
}

/** A try was good, and is not counted. */
export const uncountTry = (what: keyof typeof limits, key: string) => limits[what].reward(key)

/** Where a request comes from; behind a proxy, what the proxy says. */
export function addressOf(event: H3Event): string {
  const { behindProxy } = useRuntimeConfig(event)
  return getRequestIP(event, { xForwardedFor: Boolean(behindProxy) }) ?? ''
}
