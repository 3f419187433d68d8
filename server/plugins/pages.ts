import { pagePaths } from '#pages'

const patterns = pagePaths.map(
  (path) => new RegExp(`^${path.replace(/\/:\w+\(\)/g, '/[^/]+').replace(/\/:\w+\?/g, '(/[^/]+)?')}/?$`),
)

/** An address that leads to no page is answered as such, with the page that says so. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('render:response', (response, { event }) => {
    const path = event.path.split('?')[0]!
    if (!patterns.some((pattern) => pattern.test(path))) response.statusCode = 404
  })
})
