import { promiseTimeout } from '@vueuse/core'
import { createI18n } from 'vue-i18n'
import type { Bundle } from '~~/locales/bundles'
import type { Locale } from '~~/locales/languages'

/** The messages: a screen's files are loaded before it is shown. */
export default defineNuxtPlugin(async ({ vueApp }) => {
  const { language, begin, keepShown } = useLanguage()
  // Every language has every message (locales.test.ts): none stands in for another.
  const i18n = createI18n({ legacy: false, locale: begin(), fallbackLocale: false, messages: {} })
  vueApp.use(i18n)
  const { t, locale } = i18n.global
  const shown = () => locale.value as Locale
  /** In the language that is shown when they are there, which may have changed meanwhile. */
  async function load(bundles: readonly Bundle[]) {
    let into: Locale
    do await loadBundles(i18n as never, (into = shown()), bundles)
    while (into !== shown())
  }
  const mark = () => {
    document.documentElement.lang = shown()
    keepShown(shown())
  }
  /** Without its words no page can say what is wrong: they are asked for until they are there. */
  async function loadSurely(bundles: readonly Bundle[]) {
    for (let tries = 1; ; tries++)
      try {
        return await load(bundles)
      } catch (error) {
        console.warn('Its words cannot be had now:', error)
        await promiseTimeout(Math.min(8000, 500 * tries))
        // Some browsers remember that a file failed for as long as the page stands.
        if (tries > 2) reloadNuxtApp()
      }
  }
  mark()
  await loadSurely([...EVERYWHERE, ...bundlesOf(useRoute().path)])
  /** What this language needs may grow while it is fetched; without a network the one that is shown stays. */
  async function turnTo(next: Locale) {
    let needed: Bundle[]
    do await loadBundles(i18n as never, next, (needed = bundlesLoaded(shown())))
    while (needed.length < bundlesLoaded(shown()).length)
    // Chosen again meanwhile.
    if (language.value !== next) return
    locale.value = next
    mark()
  }
  watch(
    language,
    (next) => void turnTo(next).catch((error: unknown) => console.warn('Its words cannot be had now:', error)),
    { immediate: true },
  )
  addRouteMiddleware('messages', ({ path: to }) => load(bundlesOf(to)), { global: true })
  // For stores, which are not components.
  return { provide: { loadBundles: load, i18nText: { t: (key: string) => t(key) } } }
})
