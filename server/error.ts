import type { NitroErrorHandler } from 'nitropack'

/** Every error of the API has one shape: `{ problems: [{ path, code, message }] }`. */
const handler: NitroErrorHandler = (error, event) => {
  const known = (error.data as { problems?: unknown } | undefined)?.problems
  const status = error.statusCode || 500
  if (status >= 500) console.error(`${event.method} ${event.path}:`, error)
  const fallback =
    status >= 500
      ? { path: '', code: 'server', message: 'Something went wrong on the server; nothing was changed. Try again.' }
      : { path: '', code: 'not-found', message: error.message || 'There is nothing at this address.' }
  event.node.res.statusCode = status
  event.node.res.setHeader('content-type', 'application/json; charset=utf-8')
  event.node.res.end(JSON.stringify({ problems: known ?? [fallback] }))
}

export default handler
