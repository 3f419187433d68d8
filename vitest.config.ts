import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['core/**/*.test.ts', 'shared/**/*.test.ts', 'app/**/*.test.ts', 'scripts/**/*.test.ts', 'trials/**/*.test.ts', 'server/**/*.test.ts'],
    // Linting a snippet and starting the command line take their time on a small machine.
    testTimeout: 30_000,
    setupFiles: ['./vitest.setup.ts'],
  },
})
