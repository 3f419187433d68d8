import type { H3Event } from 'h3'

/** What passkeys of this address belong to. */
export function passkeyPlace(event: H3Event): { id: string; origin: string } {
  const { origin, hostname } = getRequestURL(event)
  return { id: hostname, origin }
}
