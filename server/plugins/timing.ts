/** Every answer of the API says how long it took here, so that it can be told from the way. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('request', (event) => {
    event.context.askedAt = performance.now()
  })
  nitro.hooks.hook('beforeResponse', (event) => {
    const { askedAt } = event.context as { askedAt?: number }
    if (askedAt === undefined || !event.path.startsWith('/api/')) return
    setHeader(event, 'server-timing', `total;dur=${(performance.now() - askedAt).toFixed(2)}`)
  })
})
