// npm run mutants (scripts/mutants.mjs) says which lines are changed.
export default {
  testRunner: 'vitest',
  vitest: { configFile: 'vitest.mutants.config.ts' },
  mutate: (process.env.BIVVET_MUTATE ?? '').split(' ').filter(Boolean),
  // The types of .nuxt are named in tsconfig.json.
  ignorePatterns: ['!.nuxt', '.output', '.data', 'test-results', 'docs/screenshots', 'tests/e2e'],
  // A sentence of a type error or a message is no computation.
  mutator: { excludedMutations: ['StringLiteral'] },
  coverageAnalysis: 'perTest',
  // Constants are judged by the bars of the tests, not one by one.
  ignoreStatic: true,
  concurrency: 2,
  timeoutMS: 60_000,
  reporters: ['clear-text', 'json'],
  jsonReporter: { fileName: 'test-results/mutants.json' },
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
  thresholds:
    process.env.BIVVET_MUTANTS_OF === 'core' ? { high: 95, low: 85, break: 85 } : { high: 90, low: 80, break: 80 },
}
