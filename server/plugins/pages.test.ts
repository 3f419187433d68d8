import { expect, it } from 'vitest'
import pages from './pages'

/** The status with which an address is answered that the router has rendered. */
function statusOf(path: string): number {
  const response = { statusCode: 200 }
  const hook = (_: string, does: (response: object, context: object) => void) => does(response, { event: { path } })
  pages({ hooks: { hook } } as never)
  return response.statusCode
}

it.each(['/', '/?at=1', '/dishes', '/dishes/', '/dishes/an-id/cook', '/pot', '/pot/an-id', '/pot/an-id?more=/x'])(
  '%s is a page',
  (path) => expect(statusOf(path)).toBe(200),
)

it.each(['/nowhere', '/dishes/an-id', '/dishes/a/b/cook', '/dishes/an-id/cooked', '/x/dishes', '/pot/a/b'])(
  '%s is none, and told as such',
  (path) => expect(statusOf(path)).toBe(404),
)
