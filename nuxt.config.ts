import { fileURLToPath } from 'node:url'
import { build } from 'esbuild'
import vueI18n from '@intlify/unplugin-vue-i18n/vite'
import { BIVVET_THEME } from './app/theme/vuetify'

/** Files that several screens share, by name: what all is built on, what is written in, what follows a pot, drawings. */
const SHARED_FILES: [name: string, path: RegExp][] = [
  [
    'framework',
    /node_modules\/(@?vue|@vue|vue-router|pinia|@intlify|vue-i18n|@?unhead|@vueuse|uuid|ofetch|hookable|ufo|defu|destr)\//,
  ],
  [
    'form',
    /common\/(ChoiceBar|FormRow|IconButton|TextField)\.vue|vuetify\/lib\/components\/(VField|VInput|VTextField|VLabel|VMessages|VCounter|VSelectionControl|VSelectionControlGroup|VCheckbox|VRadio|VRadioGroup)\//,
  ],
  [
    'lists',
    /common\/(PickField|PressMenu)\.vue|vuetify\/lib\/components\/(VSelect|VMenu|VOverlay|VList|VChip|VChipGroup|VSlideGroup|VDivider|VAvatar|VImg|VBadge|VResponsive|VVirtualScroll|VHighlight|VSheet|VDialog|VTable)\/|vuetify\/lib\/((composables\/(nested\/|virtual|filter|list-items|focusTrap|lazy|focusGroups)|directives\/(click-outside|touch-hold)))/,
  ],
  // Small helpers of the library, which nearly all of its parts ask for.
  [
    'library',
    /vuetify\/lib\/(composables|util|directives|components\/(VBtn|VBtnGroup|VBtnToggle|VIcon|VProgressCircular|VProgressLinear|VDefaultsProvider|VThemeProvider|transitions))\//,
  ],
  // What a pot that is planned needs, and a list of pots does not.
  [
    'planning',
    /composables\/\w+\/(potPlan|use(Light|Plan|ReadyBy|StartRun))\.ts|stores\/pot\.ts|shared\/pot-request\.ts|(BatchesNote|ReadyBy|ReadyField)\.vue/,
  ],
  [
    'rules',
    /core\/(safety\/rules|steam\/steam|food\/soak|learn\/apply|water\/liquids|program\/(answer|count|flame|prepared|request-check|sequence|styles)|pot\/(check|kinetics|stacking|thresholds))\.ts/,
  ],
  [
    'following',
    /stores\/cooking\.ts|composables\/\w+\/(cookWords|use(Following|LiveWorker))\.ts|core\/live\/(next|steps|refusal|too-cold)\.ts/,
  ],
  [
    'guide',
    /core\/guide\/(instruction|plan|closing)\.ts|locales\/step-words\.ts|useStepWords\.ts|pot\/(PlanSteps|ReadyHead)\.vue/,
  ],
  // Asked for when somebody looks for a food, or drags: nothing that a page needs from the start is put to them.
  ['names-abroad', /locales\/abroad\.json/],
  ['dragging', /node_modules\/@use-gesture\//],
  ['physics', /core\/pot\/(run|physics|integrate|cooking|simulate)\.ts/],
  ['drawings', /drawings\/(FoodWindow|PotCutaway|PotShell|RunStrip)\.vue|pot\/(CautionList|WaterSum)\.vue/],
]
/** What a screen says is loaded with it alone; what every screen needs of a language is one file. */
function fileOfMessages(id: string): string | undefined {
  const [, locale, name] = /locales\/(\w+)\/([\w-]+)\.json/.exec(id) ?? []
  return name && `${locale}-${/^(shell|problems|catalogue)$/.test(name) ? 'everywhere' : name}`
}

const WORDS_FILE = /^[a-z]{2}-/

/** The addresses of pages, as the router writes them. */
let pagePaths: string[] = []

export default defineNuxtConfig({
  compatibilityDate: '2026-11-01',
  // The computation runs in the browser and the Cook screen must open without a network, so there is
  // one light page and no server rendering (docs/decisions.md).
  ssr: false,
  telemetry: false,
  devtools: { enabled: false },
  modules: ['@nuxt/eslint', '@pinia/nuxt', 'vuetify-nuxt-module', 'nuxt-auth-utils', 'nuxt-security', '@vite-pwa/nuxt'],
  css: [
    '@fontsource-variable/atkinson-hyperlegible-next/index.css',
    '@fontsource/barlow-condensed/latin-600.css',
    '~/theme/base.css',
  ],
  components: [{ path: '~/components', pathPrefix: false }],
  // A room's composables stand in a folder of its own.
  imports: { autoImport: true, dirs: ['composables/**'] },
  // The first screen loads what it shows; another one's script comes when its link is pointed at.
  // There is no server rendering, and so nothing to hand over from it.
  experimental: {
    renderJsonPayloads: false,
    payloadExtraction: false,
    defaults: { nuxtLink: { prefetchOn: { visibility: false, interaction: true } } },
  },
  app: {
    head: {
      title: 'Bivvet',
      htmlAttrs: { lang: 'en' },
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        { name: 'color-scheme', content: 'light dark' },
      ],
      link: [
        { rel: 'icon', type: 'image/svg+xml', href: '/icon.svg' },
        { rel: 'manifest', href: '/manifest.webmanifest' },
        { rel: 'apple-touch-icon', href: '/icon-192.png' },
      ],
    },
  },
  vuetify: {
    moduleOptions: { styles: true },
    vuetifyOptions: {
      icons: { defaultSet: 'mdi-svg' },
      theme: BIVVET_THEME,
      // A press that stands in a text, or beside what it belongs to; and one that is a whole row of a list.
      aliases: { LinkBtn: 'VBtn', RowBtn: 'VBtn' },
      defaults: {
        global: { ripple: false },
        VBtn: { rounded: 'sm', variant: 'outlined' },
        VTable: { density: 'compact' },
        LinkBtn: { variant: 'plain', class: 'link-button' },
        RowBtn: { variant: 'text', class: 'row-button' },
        VTextField: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
        VSelect: { variant: 'outlined', density: 'compact', hideDetails: 'auto', hideNoData: true },
        VAutocomplete: { variant: 'outlined', density: 'compact', hideDetails: 'auto', hideNoData: true },
        // A list that opens is a part of the page: outside every landmark no reader finds it.
        VMenu: { attach: '#content' },
        VCombobox: { variant: 'outlined', density: 'compact', hideDetails: 'auto', hideNoData: true },
        VCheckbox: { density: 'compact', hideDetails: true, color: 'primary' },
        VTextarea: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
      },
    },
  },
  pwa: {
    registerType: 'autoUpdate',
    // Registered by app/plugins/serviceWorker.client.ts. A page that is open over a pot is never reloaded under
    // the cook's hands: the new version comes with the next one.
    injectRegister: null,
    client: { registerPlugin: false },
    manifest: {
      name: 'Bivvet',
      short_name: 'Bivvet',
      display: 'standalone',
      start_url: '/',
      background_color: '#edf1ee',
      theme_color: '#0f1b17',
      icons: [
        { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
        { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
        { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
      ],
    },
    workbox: {
      globPatterns: ['**/*.{js,css,woff2,svg,png}'],
      // Of languages and scripts only what is shown is kept (app/plugins/serviceWorker.client.ts).
      globIgnores: ['**/_nuxt/words/**', '**/noto-sans-*'],
      // There is one page for every address; what was fetched last opens when there is no network.
      navigateFallback: null,
      runtimeCaching: [
        {
          urlPattern: ({ url, sameOrigin }) => sameOrigin && /^\/_nuxt\/(words\/|noto-sans-)/.test(url.pathname),
          handler: 'CacheFirst',
          options: { cacheName: 'words', expiration: { maxEntries: 100, purgeOnQuotaError: true } },
        },
        {
          urlPattern: ({ request }) => request.mode === 'navigate',
          handler: 'NetworkFirst',
          options: {
            cacheName: 'page',
            networkTimeoutSeconds: 4,
            plugins: [{ cacheKeyWillBeUsed: async () => '/' }],
          },
        },
        {
          // What was visited opens again without a network; what is asked once only, or goes on, is not kept.
          urlPattern: ({ url, request, sameOrigin }) =>
            sameOrigin &&
            request.method === 'GET' &&
            /^\/api\/(documents|household|meals|dishes|runs|learnt|plans)(\/|$)/.test(url.pathname) &&
            !url.pathname.endsWith('/archive'),
          handler: 'NetworkFirst',
          options: { cacheName: 'household', expiration: { maxEntries: 300, purgeOnQuotaError: true } },
        },
      ],
    },
  },
  hooks: {
    'pages:resolved'(pages) {
      const pathsOf = (of: typeof pages, above = ''): string[] =>
        of.flatMap(({ path, children = [] }) => {
          const whole = path.startsWith('/') ? path : `${above}/${path}`
          return children.length > 0 ? pathsOf(children, whole) : [whole.replace(/\/$/, '') || '/']
        })
      pagePaths = pathsOf(pages)
    },
    // What takes its time on the server has threads of its own (server/utils/workerPool.ts), and so a file of its own.
    'nitro:init'(nitro) {
      // An address that is asked in a wrong way is told from one that is not there (server/utils/router.ts).
      nitro.options.virtual['#routes'] = () =>
        `export const routes = ${JSON.stringify(
          nitro.scannedHandlers.flatMap(({ route, method }) => (route && method ? [{ route, method }] : [])),
        )}`
      nitro.options.virtual['#pages'] = () => `export const pagePaths = ${JSON.stringify(pagePaths)}`
      nitro.hooks.hook('compiled', async () => {
        await build({
          entryPoints: ['server/worker/answer.ts'],
          outfile: `${nitro.options.output.serverDir}/worker.mjs`,
          bundle: true,
          platform: 'node',
          format: 'esm',
          target: 'node20',
          tsconfigRaw: {},
        })
      })
    },
    'build:manifest'(manifest) {
      for (const chunk of Object.values(manifest)) chunk.prefetch = false
    },
  },
  vite: {
    plugins: [
      {
        // Ways to fetch that nothing here uses; the framework does not say that they can be left out.
        name: 'without-unused-fetching',
        transform: (code, id) =>
          /nuxt[\\/]dist[\\/]app[\\/]composables/.test(id) ? { code, map: null, moduleSideEffects: false } : null,
      },
      // Messages are compiled when the application is built, so that no compiler travels with them.
      vueI18n({
        include: [fileURLToPath(new URL('./locales/*/**', import.meta.url))],
        dropMessageCompiler: true,
        strictMessage: false,
      }),
    ],
    build: {
      cssMinify: 'lightningcss',
      cssCodeSplit: false,
    },
    $client: {
      build: {
        rollupOptions: {
          output: {
            // Few files: small ones are put together where no screen gets what it does not need, and what the
            // screens share is grouped by what it is.
            experimentalMinChunkSize: 7_000,
            onlyExplicitManualChunks: true,
            // Words of a language lie apart: nobody needs those of the others.
            chunkFileNames: ({ name }) => (WORDS_FILE.test(name) ? '_nuxt/words/[hash].js' : '_nuxt/[hash].js'),
            manualChunks: (id) => fileOfMessages(id) ?? SHARED_FILES.find(([, path]) => path.test(id))?.[0],
          },
        },
      },
    },
    resolve: {
      alias: {
        // Of the library's styles what its parts need: none of its classes stands in a template here.
        'vuetify/styles': 'vuetify/lib/styles/core.css',
      },
    },
    worker: { format: 'es' },
    vue: { features: { optionsAPI: false } },
    define: { __VUE_I18N_LEGACY_API__: false, __VUE_I18N_FULL_INSTALL__: false, __INTLIFY_PROD_DEVTOOLS__: false },
  },
  nitro: { errorHandler: '~~/server/error', compressPublicAssets: { gzip: true, brotli: false } },
  // Everything is this server's own: no inline script, nothing from elsewhere, in nobody's frame. Who may ask what and
  // how often is said where it is asked (server/middleware, server/utils/limits.ts).
  security: {
    headers: {
      contentSecurityPolicy: {
        'default-src': ["'self'"],
        'script-src': ["'self'", "'nonce-{{nonce}}'"],
        'script-src-attr': ["'none'"],
        // The component library writes its themes and positions into the page.
        'style-src': ["'self'", "'unsafe-inline'"],
        'img-src': ["'self'", 'data:', 'blob:'],
        'font-src': ["'self'"],
        'connect-src': ["'self'"],
        'worker-src': ["'self'"],
        'manifest-src': ["'self'"],
        'object-src': ["'none'"],
        'base-uri': ["'none'"],
        'form-action': ["'self'"],
        'frame-ancestors': ["'none'"],
        // Kitchens are reached over plain http at home.
        'upgrade-insecure-requests': false,
      },
      crossOriginEmbedderPolicy: false,
      crossOriginOpenerPolicy: 'same-origin',
      crossOriginResourcePolicy: 'same-origin',
      referrerPolicy: 'same-origin',
      xContentTypeOptions: 'nosniff',
      xFrameOptions: 'DENY',
      xXSSProtection: false,
      strictTransportSecurity: false,
      originAgentCluster: false,
      permissionsPolicy: { camera: ['self'], microphone: ['self'], geolocation: [], payment: [], usb: [] },
    },
    nonce: true,
    sri: false,
    ssg: false,
    hidePoweredBy: true,
    rateLimiter: false,
    requestSizeLimiter: false,
    xssValidator: false,
    corsHandler: false,
    allowedMethodsRestricter: false,
    removeLoggers: false,
    basicAuth: false,
    csrf: false,
  },
  // The page asks who is here itself (stores/household.ts).
  auth: { loadStrategy: 'none' },
  runtimeConfig: {
    // Kitchens are reached over plain http at home; a hosted service sets NUXT_SESSION_COOKIE_SECURE=true.
    session: { password: '', maxAge: 60 * 60 * 24 * 365, cookie: { secure: false } },
    /** The household that is open to whoever comes; empty for none. */
    defaultHouseholdId: '',
    /** Names by which this server may be reached, with commas between; addresses in figures always may. */
    allowedHosts: '',
    /** Whether a household can be made while there is one already. */
    openToHouseholds: '',
    /** Where a copy of each household is written every night, and kept for a week; empty for nowhere. */
    copiesFolder: '',
    /** Whether what a proxy says of a request can be believed. */
    behindProxy: '',
  },
  typescript: { strict: true, tsConfig: { compilerOptions: { noUncheckedIndexedAccess: true } } },
  eslint: { config: { stylistic: false } },
})
