import { createI18n } from 'vue-i18n'
import type { Room } from '~~/locales/rooms'

/** The messages: a screen's files are loaded before it is shown. */
export default defineNuxtPlugin(async ({ vueApp }) => {
  const i18n = createI18n({ legacy: false, locale: 'en', fallbackLocale: 'en', messages: { en: {} } })
  vueApp.use(i18n)
  const path = useRoute().path
  await loadRooms(i18n as never, [...EVERYWHERE, ...roomsOf(path)])
  // For stores, which are not components.
  const { t } = i18n.global
  addRouteMiddleware('messages', ({ path: to }) => loadRooms(i18n as never, roomsOf(to)), { global: true })
  const load = (rooms: readonly Room[]) => loadRooms(i18n as never, rooms)
  return { provide: { loadRooms: load, i18nText: { t: (key: string) => t(key) } } }
})
