import { BIVVET_THEME } from './app/theme/vuetify'

export default defineNuxtConfig({
  compatibilityDate: '2026-11-01',
  // The computation runs in the browser and the Cook screen must open without a network, so there is
  // one light page and no server rendering (docs/decisions.md).
  ssr: false,
  telemetry: false,
  devtools: { enabled: false },
  modules: ['@nuxt/eslint', '@pinia/nuxt', 'vuetify-nuxt-module', 'nuxt-auth-utils'],
  css: [
    '@fontsource-variable/atkinson-hyperlegible-next/index.css',
    '@fontsource/barlow-condensed/latin-500.css',
    '@fontsource/barlow-condensed/latin-600.css',
    '~/theme/base.css',
  ],
  components: [{ path: '~/components', pathPrefix: false }],
  imports: { autoImport: true },
  app: {
    head: {
      title: 'Bivvet',
      htmlAttrs: { lang: 'en' },
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        { name: 'color-scheme', content: 'light dark' },
        {
          name: 'description',
          content: 'Water, whistles or minutes, and release for one pot, with the reason for every figure.',
        },
      ],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/icon.svg' }],
    },
  },
  vuetify: {
    moduleOptions: { styles: true },
    vuetifyOptions: {
      icons: { defaultSet: 'mdi-svg' },
      theme: BIVVET_THEME,
      defaults: {
        global: { ripple: false },
        VBtn: { rounded: 'sm', variant: 'flat' },
        VTextField: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
        VSelect: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
        VAutocomplete: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
        VTextarea: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
      },
    },
  },
  vite: { build: { cssMinify: 'lightningcss' } },
  nitro: { errorHandler: '~~/server/error', compressPublicAssets: { gzip: true, brotli: false } },
  runtimeConfig: {
    // Kitchens are reached over plain http at home; a hosted service sets NUXT_SESSION_COOKIE_SECURE=true.
    session: { password: '', maxAge: 60 * 60 * 24 * 365, cookie: { secure: false } },
    /** The household that a browser without one is given; empty for none. */
    defaultHouseholdId: '',
  },
  typescript: { strict: true, tsConfig: { compilerOptions: { noUncheckedIndexedAccess: true } } },
  eslint: { config: { stylistic: false } },
})
