import { createI18n } from 'vue-i18n'
import type { Bundle } from '~~/locales/bundles'

/** The messages: a screen's files are loaded before it is shown. */
export default defineNuxtPlugin(async ({ vueApp }) => {
  const i18n = createI18n({ legacy: false, locale: 'en', fallbackLocale: 'en', messages: { en: {} } })
  vueApp.use(i18n)
  const path = useRoute().path
  await loadBundles(i18n as never, [...EVERYWHERE, ...bundlesOf(path)])
  // For stores, which are not components.
  const { t } = i18n.global
  addRouteMiddleware('messages', ({ path: to }) => loadBundles(i18n as never, bundlesOf(to)), { global: true })
  const load = (bundles: readonly Bundle[]) => loadBundles(i18n as never, bundles)
  return { provide: { loadBundles: load, i18nText: { t: (key: string) => t(key) } } }
})
