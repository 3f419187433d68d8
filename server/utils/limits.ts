import type { H3Event } from 'h3'
import { RateLimiterMemory, RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible'
import { authPoolOfAll } from '../db/client'
import { logger } from '../logger'

const QUARTER_HOUR_S = 15 * 60

/** How often signing in may be tried. What members do in their kitchen is never counted here. */
const POINTS = {
  /** Guesses of one member's password from one address. */
  name: 10,
  /** Guesses at a device that has signed in already. */
  device: 10,
  /** All that comes from one address: a house has one for all its devices. */
  address: 60,
} as const
type Counted = keyof typeof POINTS

/** Counted for all servers together; by each alone where the database does not answer. */
function limiterOf(keyPrefix: Counted) {
  const limit = { keyPrefix, points: POINTS[keyPrefix], duration: QUARTER_HOUR_S }
  return new RateLimiterPostgres({
    ...limit,
    storeClient: authPoolOfAll(),
    storeType: 'client',
    tableName: 'tries',
    tableCreated: true,
    insuranceLimiter: new RateLimiterMemory(limit),
  })
}
const limiters = new Map<Counted, RateLimiterPostgres>()
const limiter = (what: Counted) => limiters.get(what) ?? limiters.set(what, limiterOf(what)).get(what)!

/** Counts a try; refused, with when to come again, where there were too many. */
export async function countTry(what: Counted, key: string): Promise<void> {
  try {
    await limiter(what).consume(key)
  } catch (error) {
    if (!(error instanceof RateLimiterRes)) throw error
    logger.warn('too many tries', { what, key: what === 'name' ? key.split(' ')[0] : key })
    throw refusal(429, {
      path: '',
      code: 'too-often',
      params: { minutes: Math.max(1, Math.ceil(error.msBeforeNext / 60_000)) },
    })
  }
}

/** A try was good, and is not counted. */
export const uncountTry = (what: Counted, key: string) => limiter(what).reward(key)

/** Where a request comes from; `behindProxy` says how many proxies stand before this server. */
export const addressOf = (event: H3Event): string =>
  senderOf(
    getHeader(event, 'x-forwarded-for'),
    event.node.req.socket.remoteAddress,
    proxiesOf(useRuntimeConfig(event).behindProxy),
  )
