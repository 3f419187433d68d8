import type { NitroErrorHandler } from 'nitropack'
import { sentenceOf } from '../locales/sentences'

/** Every error of the API has one shape: `{ problems: [{ path, code, message }] }`. */
const handler: NitroErrorHandler = (error, event) => {
  const known = error.data as { problems?: unknown } | undefined
  const status = error.statusCode || 500
  if (status >= 500) console.error(`${event.method} ${event.path}:`, error)
  const code = status >= 500 ? 'server' : 'not-found'
  event.node.res.statusCode = status
  event.node.res.setHeader('content-type', 'application/json; charset=utf-8')
  event.node.res.end(
    JSON.stringify(known?.problems ? known : { problems: [{ path: '', code, message: sentenceOf({ code }) }] }),
  )
}

export default handler
