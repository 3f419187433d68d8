import { defineConfig } from '@playwright/test'
import { CHROMIUM } from './scripts/setup.mjs'

// scripts/test.mjs starts the production server and says where it is.
export default defineConfig({
  testDir: 'tests/e2e',
  // Long enough for the longest on a machine several times as slow: only what hangs is ended.
  timeout: 300_000,
  // Each journey has a household of its own.
  fullyParallel: true,
  // One more than the two cores that are counted on: some always wait for a sound, a clock or a server.
  workers: 3,
  // A second try is named at the end of `npm test`; what fails twice is a fault.
  retries: 1,
  expect: { timeout: 30_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  outputDir: 'test-results/e2e',
  use: {
    baseURL: process.env.BIVVET_URL,
    actionTimeout: 30_000,
    // What is fetched for use without a network would only slow the others down; its own test allows it.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    // What fades and slides is drawn by the processor here.
    contextOptions: { reducedMotion: 'reduce' },
    // A trace of every step costs more than the steps themselves: `--trace=on` where one is wanted.
    trace: 'on-first-retry',
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: CHROMIUM,
      // Chromium refuses its sandbox to root; the rest keeps it from looking for the outside world.
      args: [
        ...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
})
