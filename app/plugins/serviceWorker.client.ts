/** So long after the first screen stands, what is needed without a network may be fetched. */
const AFTER_MS = 4000

export default defineNuxtPlugin(() => {
  if (import.meta.dev || !('serviceWorker' in navigator)) return
  const { serviceWorker } = navigator
  onNuxtReady(() => {
    setTimeout(() => {
      const isFirst = serviceWorker.controller === null
      serviceWorker
        .register('/sw.js')
        .then(() => serviceWorker.ready)
        .then(() => (isFirst ? keepVisited() : undefined))
        .catch((error: unknown) => console.warn('No offline use:', error))
    }, AFTER_MS)
  })
})

/** The first visit went past the worker: what it showed is asked for once more, through it, so that it is kept too. */
async function keepVisited(): Promise<void> {
  const asked = performance.getEntriesByType('resource').map(({ name }) => new URL(name))
  const read = asked.filter(({ origin, pathname }) => origin === location.origin && pathname.startsWith('/api/'))
  await (await caches.open('page')).add('/')
  for (const path of new Set(read.map(({ pathname, search }) => pathname + search)))
    if (!path.startsWith('/api/changes')) await fetch(path).catch(() => undefined)
}
