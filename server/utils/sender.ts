/**
 * Where a request comes from. Behind proxies it is what the outermost of them has added, counted from the end: all before
 * it may have been sent by anybody.
 */
export function senderOf(forwardedFor: string | undefined, remote: string | undefined, proxies: number): string {
  const forwarded = forwardedFor?.split(',') ?? []
  return (proxies > 0 ? forwarded.at(-proxies)?.trim() : undefined) ?? remote ?? ''
}

/** How many proxies stand before this server, as the setting says it; `true` is one. */
export function proxiesOf(said: unknown): number {
  const count = Number(said)
  if (Number.isInteger(count) && count > 0) return count
  return said === true || said === 'true' ? 1 : 0
}
