/** So long after the first screen stands, what is needed without a network may be fetched. */
const AFTER_MS = 4000

export default defineNuxtPlugin(() => {
  if (import.meta.dev || !('serviceWorker' in navigator)) return
  onNuxtReady(() => {
    setTimeout(() => {
      navigator.serviceWorker.register('/sw.js').catch((error: unknown) => console.warn('No offline use:', error))
    }, AFTER_MS)
  })
})
