import { createI18n } from 'vue-i18n'
import { MESSAGES } from '~/locales/messages'

export default defineNuxtPlugin(({ vueApp }) => {
  vueApp.use(createI18n({ legacy: false, locale: 'en', fallbackLocale: 'en', messages: MESSAGES }))
})
