import { createI18n } from 'vue-i18n'
import { RUN_REFUSALS } from '~~/core/live/run'
import { PROBLEM_SENTENCES } from '~~/core/problem'
import { CAUTION_SENTENCES } from '~~/core/safety/rules'
import en from '~/locales/en.json'

// Sentences that belong to a rule of core stand beside the rule; here they join the other messages.
const messages = { en: { ...en, problems: PROBLEM_SENTENCES, cautions: CAUTION_SENTENCES, runs: RUN_REFUSALS } }

export default defineNuxtPlugin(({ vueApp }) => {
  vueApp.use(createI18n({ legacy: false, locale: 'en', fallbackLocale: 'en', messages }))
})
