import { defineConfig } from 'vitest/config'
import whole from './vitest.config'

/** Only what tests the lines that are changed; the trials take long and judge the computation as a whole. */
const TESTS: Record<string, string[]> = {
  core: ['{core,shared}/**/*.test.ts'],
  server: ['{server,shared}/**/*.test.ts'],
  stores: ['app/**/*.test.ts'],
}

export default defineConfig({
  plugins: whole.plugins,
  resolve: whole.resolve,
  test: {
    include: TESTS[process.env.BIVVET_MUTANTS_OF ?? 'core'],
    // A hook that is late would leave out the tests that would have noticed.
    testTimeout: 300_000,
    hookTimeout: 300_000,
    bail: 1,
    setupFiles: ['./vitest.setup.ts'],
    server: { deps: { inline: ['vuetify'] } },
  },
})
