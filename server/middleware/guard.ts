import { UNSTORABLE } from '../json'
import { isIP } from 'node:net'
import type { H3Event } from 'h3'

const HTTPS_FOR_A_YEAR = 'max-age=31536000'
const READS = ['GET', 'HEAD', 'OPTIONS']
/** What no page of another site can send without asking first. */
const BODIES = ['application/json', 'application/zip', 'text/csv', 'image/jpeg', 'image/png', 'image/webp']

/**
 * Keeps foreign pages out: a name that somebody has pointed to this machine is no address of it, and what changes
 * something comes from this server's own pages.
 */
export default defineEventHandler((event) => {
  if (isHttps(event)) setHeader(event, 'strict-transport-security', HTTPS_FOR_A_YEAR)
  const host = getRequestHost(event)
  if (!isOwnHost(host, useRuntimeConfig(event).allowedHosts)) throw refusal(421, { path: '', code: 'foreign-host' })
  if (!isText(event.path)) throw refusal(400, { path: '', code: 'not-text' })
  const methods = methodsOf(event.path.split('?')[0]!)
  if (methods.length > 0 && !methods.includes(event.method) && !(event.method === 'HEAD' && methods.includes('GET'))) {
    setHeader(event, 'allow', methods.join(', '))
    throw refusal(405, { path: '', code: 'wrong-method', params: { methods: methods.join(', ') } })
  }
  if (READS.includes(event.method)) return
  const site = getHeader(event, 'sec-fetch-site')
  const origin = getHeader(event, 'origin')
  if ((site && site !== 'same-origin') || (origin && hostOf(origin) !== host))
    throw refusal(403, { path: '', code: 'foreign-page' })
  const type = getHeader(event, 'content-type')?.split(';')[0]!.trim().toLowerCase()
  if ((type || hasBody(event)) && !BODIES.includes(type ?? '')) throw refusal(415, { path: '', code: 'not-json' })
})

/** An address that can be read, and kept. */
function isText(address: string): boolean {
  try {
    return !UNSTORABLE.test(decodeURIComponent(address))
  } catch {
    return false
  }
}

function hasBody(event: H3Event): boolean {
  return Number(getHeader(event, 'content-length') ?? 0) > 0 || getHeader(event, 'transfer-encoding') !== undefined
}

function hostOf(origin: string): string | null {
  return URL.canParse(origin) ? new URL(origin).host : null
}

/** Addresses in figures and this machine itself cannot be rebound; a name has to be said. */
function isOwnHost(host: string, allowed: string): boolean {
  const name = host
    .replace(/:\d+$/, '')
    .replace(/^\[(.*)\]$/, '$1')
    .toLowerCase()
  const said = allowed.split(',').map((one) => one.trim().toLowerCase())
  return isIP(name) > 0 || name === 'localhost' || name.endsWith('.localhost') || said.includes(name)
}
