import withNuxt from './.nuxt/eslint.config.mjs'
import { CORE_IMPORTS, kinds, schemas } from './eslint.core.mjs'

export default withNuxt(
  { ignores: ['server/db/migrations/**'] },
  { rules: { 'vue/html-self-closing': 'off', 'vue/multi-word-component-names': 'off' } },
  {
    files: ['app/**/*.vue'],
    rules: {
      'vue/no-bare-strings-in-template': ['error', { allowlist: ['·', '×', '+', '−', ','] }],
      // A directive that was not imported does nothing, and only says so in the console.
      'vue/no-undef-directives': 'error',
    },
  },
  CORE_IMPORTS,
  {
    files: ['{app,shared,server}/**/*.{ts,vue}'],
    rules: { 'no-restricted-syntax': ['error', kinds] },
  },
  {
    files: ['app/**/*.{ts,vue}'],
    // These are fetched when something is to be read.
    ignores: ['app/composables/{pot/potFile,documents/storageUpgrade}.ts', 'app/workers/recipe.ts', 'app/**/*.test.ts'],
    rules: { '@typescript-eslint/no-restricted-imports': ['error', { patterns: [schemas] }] },
  },
  {
    files: ['shared/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: '/(app|server)/|^(vue|nuxt|pinia|drizzle-orm|pg|#|~)',
              message: 'shared may import only core, the list of languages and zod.',
            },
          ],
        },
      ],
    },
  },
)
