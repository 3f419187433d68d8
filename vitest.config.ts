import { availableParallelism } from 'node:os'
import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import * as h3 from 'h3'
import Unimport from 'unimport/unplugin'
import vuetify from 'vite-plugin-vuetify'
import { defineConfig } from 'vitest/config'
import { BaseSequencer } from 'vitest/node'

const root = fileURLToPath(new URL('.', import.meta.url))

/** Those that take long begin first: one that begins last would keep all others waiting for it. */
const LONG = ['tests/trials/live.test.ts', 'core/ear/ear.test.ts', 'server/db/upgrade.test.ts']
class LongestFirst extends BaseSequencer {
  override async sort(files: Parameters<BaseSequencer['sort']>[0]) {
    const isLong = ({ moduleId }: (typeof files)[number]) => LONG.some((file) => moduleId.endsWith(file))
    const others = await super.sort(files.filter((file) => !isLong(file)))
    return [...files.filter(isLong), ...others]
  }
}

export default defineConfig({
  // Stores, composables and components are written with what Nuxt imports by itself.
  plugins: [
    vue(),
    vuetify({ autoImport: true, styles: 'none' }),
    Unimport.vite({
      include: [/app\/(stores|composables|components)\//],
      presets: ['vue'],
      dirs: ['app/composables/**', 'app/stores'],
      imports: [{ name: 'useNuxtApp', from: '~~/tests/nuxt' }],
      addons: { vueTemplate: true },
    }),
    // The server with what Nitro does.
    Unimport.vite({
      include: [/server\//],
      presets: [{ from: 'h3', imports: Object.keys(h3) }],
      dirs: ['server/utils'],
      imports: ['useRuntimeConfig', 'defineNitroPlugin', 'hashPassword', 'verifyPassword'].map((name) => ({
        name,
        from: '~~/tests/nitro',
      })),
    }),
  ],
  resolve: {
    alias: {
      '#routes': `${root}tests/nitro.ts`,
      '#pages': `${root}tests/nitro.ts`,
      '~~': root,
      '~': `${root}app`,
    },
  },
  test: {
    // A core that is left free by default is one that idles once linting beside the tests is done.
    maxWorkers: Math.max(2, availableParallelism() - 1),
    sequence: { sequencer: LongestFirst },
    // Linting a snippet and starting the command line take their time on a small machine.
    testTimeout: 300_000,
    hookTimeout: 300_000,
    setupFiles: ['./vitest.setup.ts'],
    // Its files import their own styles.
    server: { deps: { inline: ['vuetify'] } },
    projects: [
      // What is pure keeps nothing from one file to the next: what all of it reads is read once.
      { extends: true, test: { name: 'pure', include: ['{core,shared,tests}/**/*.test.ts'], isolate: false } },
      { extends: true, test: { name: 'edges', include: ['{app,server,scripts,locales,cli}/**/*.test.ts'] } },
    ],
  },
})
