import type { H3Event } from 'h3'
import { UNSTORABLE } from '../json'

const MOST_BYTES = 256 * 1024

/** The body of a request, counted while it arrives: what is larger is refused before it is whole. */
export async function readBytes(event: H3Event, mostBytes = MOST_BYTES): Promise<Buffer> {
  const tooLarge = () => {
    // The rest is not waited for, and what comes in on this connection afterwards would be taken for it.
    event.node.res.setHeader('connection', 'close')
    return refusal(413, { path: '', code: 'too-large', params: { size: sizeText(mostBytes) } })
  }
  if (Number(getHeader(event, 'content-length') ?? 0) > mostBytes) throw tooLarge()
  const chunks: Buffer[] = []
  let bytes = 0
  // Who is refused is still to hear why: the connection stays until it is said.
  for await (const chunk of event.node.req.iterator({ destroyOnReturn: false }) as AsyncIterable<Buffer>) {
    bytes += chunk.length
    if (bytes > mostBytes) throw tooLarge()
    chunks.push(chunk)
  }
  return Buffer.concat(chunks)
}

/** The body as text; refused where it is none. */
export async function readText(event: H3Event, mostBytes = MOST_BYTES): Promise<string> {
  const bytes = await readBytes(event, mostBytes)
  let text: string
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    throw refusal(400, { path: '', code: 'not-text' })
  }
  if (UNSTORABLE.test(text)) throw refusal(422, { path: '', code: 'not-text' })
  return text
}

function sizeText(bytes: number): string {
  const kB = bytes / 1024
  return kB < 1024 ? `${Math.round(kB)} kB` : `${Math.round(kB / 1024)} MB`
}
