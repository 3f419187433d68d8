import { BUNDLES, messagesOf } from '~~/locales/bundles'
import type { Locale } from '~~/locales/languages'

/** So long after the first screen stands, what is needed without a network may be fetched. */
const AFTER_MS = 4000

export default defineNuxtPlugin(() => {
  if (import.meta.dev || !('serviceWorker' in navigator)) return
  const { serviceWorker } = navigator
  const { language } = useLanguage()
  onNuxtReady(() => {
    setTimeout(() => {
      const isFirst = serviceWorker.controller === null
      serviceWorker
        .register('/sw.js')
        .then(() => serviceWorker.ready)
        .then(() => (isFirst ? keepVisited() : undefined))
        .then(() => {
          watch(language, (locale) => void keepWords(locale), { immediate: true })
        })
        .catch((error: unknown) => console.warn('No offline use:', error))
    }, AFTER_MS)
  })
})

const fetched = () => performance.getEntriesByType('resource').map(({ name }) => new URL(name))

/** The first visit went past the worker: what it showed is asked for once more, through it, so that it is kept too. */
async function keepVisited(): Promise<void> {
  const read = fetched().filter(({ origin, pathname }) => origin === location.origin && pathname.startsWith('/api/'))
  await (await caches.open('page')).add('/')
  for (const path of new Set(read.map(({ pathname, search }) => pathname + search)))
    if (!path.startsWith('/api/changes')) await fetch(path).catch(() => undefined)
}

/** All that is said in a language, and its letters, so that every page opens in it without a network. */
async function keepWords(locale: Locale): Promise<void> {
  await Promise.all(BUNDLES.map((bundle) => messagesOf(locale, bundle).catch(() => undefined)))
  // Some came before there was a worker to keep them.
  for (const { pathname } of fetched())
    if (/^\/_nuxt\/(words\/|noto-sans-)/.test(pathname) && !(await caches.match(pathname)))
      await fetch(pathname).catch(() => undefined)
}
