import { createI18n } from 'vue-i18n'
import type { Bundle } from '~~/locales/bundles'
import type { Locale } from '~~/locales/languages'

/** The messages: a screen's files are loaded before it is shown. */
export default defineNuxtPlugin(async ({ vueApp }) => {
  const { language } = useLanguage()
  // Every language has every message (locales.test.ts): none stands in for another.
  const i18n = createI18n({ legacy: false, locale: language.value, fallbackLocale: false, messages: {} })
  vueApp.use(i18n)
  const { t, locale } = i18n.global
  const shown = () => locale.value as Locale
  const load = (bundles: readonly Bundle[]) => loadBundles(i18n as never, shown(), bundles)
  const mark = () => (document.documentElement.lang = shown())
  mark()
  await load([...EVERYWHERE, ...bundlesOf(useRoute().path)])
  watch(language, async (next) => {
    await loadBundles(i18n as never, next, bundlesLoaded(shown()))
    // Chosen again meanwhile.
    if (language.value !== next) return
    locale.value = next
    mark()
  })
  addRouteMiddleware('messages', ({ path: to }) => load(bundlesOf(to)), { global: true })
  // For stores, which are not components.
  return { provide: { loadBundles: load, i18nText: { t: (key: string) => t(key) } } }
})
