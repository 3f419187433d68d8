import type { H3Event } from 'h3'
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible'

const QUARTER_HOUR_S = 15 * 60

/** How often something may be tried at the door. What happens in a kitchen that one is in is never counted here. */
const doors = {
  /** Guesses of one member's password, by name. */
  name: new RateLimiterMemory({ keyPrefix: 'name', points: 10, duration: QUARTER_HOUR_S }),
  /** All that comes from one address: a house has one for all its devices. */
  address: new RateLimiterMemory({ keyPrefix: 'address', points: 60, duration: QUARTER_HOUR_S }),
}

/** Counts a try; refused, with when to come again, where there were too many. */
export async function countTry(door: keyof typeof doors, key: string): Promise<void> {
  try {
    await doors[door].consume(key)
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
export const uncountTry = (door: keyof typeof doors, key: string) => doors[door].reward(key)

/** Where a request comes from; behind a proxy, what the proxy says. */
export function addressOf(event: H3Event): string {
  const { behindProxy } = useRuntimeConfig(event)
  return getRequestIP(event, { xForwardedFor: Boolean(behindProxy) }) ?? ''
}
