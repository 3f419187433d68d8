import { defineConfig } from 'vitest/config'

// Only what tests the computation; the trials take long and judge it as a whole.
export default defineConfig({
  test: { include: ['{core,shared}/**/*.test.ts'], testTimeout: 60_000, bail: 1, setupFiles: ['./vitest.setup.ts'] },
})
