/** Every answer of the API says what time it is here, so that a device can take off what its own clock is wrong by. */
export default defineEventHandler((event) => {
  if (!event.path.startsWith('/api/')) return
  setHeader(event, 'x-bivvet-now', Date.now())
  // What a household wrote stays in no cache on the way.
  setHeader(event, 'cache-control', 'no-store')
})
