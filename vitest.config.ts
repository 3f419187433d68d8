import { availableParallelism } from 'node:os'
import { fileURLToPath } from 'node:url'
import Unimport from 'unimport/unplugin'
import { defineConfig } from 'vitest/config'

const root = fileURLToPath(new URL('.', import.meta.url))

export default defineConfig({
  // Stores and composables are written with what Nuxt imports by itself.
  plugins: [
    Unimport.vite({
      include: [/app\/(stores|composables)\//],
      presets: ['vue'],
      dirs: ['app/composables', 'app/stores'],
      imports: [{ name: 'useNuxtApp', from: '~~/tests/nuxt' }],
    }),
  ],
  resolve: { alias: { '~~': root, '~': `${root}app` } },
  test: {
    include: ['{core,shared,app,server,scripts,locales,tests}/**/*.test.ts'],
    // A core that is left free by default is one that idles once linting beside the tests is done.
    maxWorkers: Math.max(2, availableParallelism() - 1),
    // Linting a snippet and starting the command line take their time on a small machine.
    testTimeout: 60_000,
    setupFiles: ['./vitest.setup.ts'],
  },
})
