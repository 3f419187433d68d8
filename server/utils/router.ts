import { routes } from '#routes'

const patterns = routes.map(({ route, method }) => ({
  method: method.toUpperCase(),
  matches: new RegExp(`^${route.replace(/\/:[^/]+/g, '/[^/]+')}$`),
}))

/** By which methods an address can be asked; none where there is no such address. */
export function methodsOf(path: string): string[] {
  return [...new Set(patterns.flatMap(({ method, matches }) => (matches.test(path) ? [method] : [])))]
}
