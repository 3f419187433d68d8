import withNuxt from './.nuxt/eslint.config.mjs'
import { CORE_IMPORTS } from './eslint.core.mjs'

export default withNuxt(
  { ignores: ['server/db/migrations/**'] },
  { rules: { 'vue/html-self-closing': 'off', 'vue/multi-word-component-names': 'off' } },
  {
    files: ['app/**/*.vue'],
    rules: { 'vue/no-bare-strings-in-template': ['error', { allowlist: ['·', '×', '+', '−', ','] }] },
  },
  CORE_IMPORTS,
  {
    files: ['shared/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: '/(app|server)/|^(vue|nuxt|pinia|drizzle-orm|pg|#|~)',
              message: 'shared may import only core and zod.',
            },
          ],
        },
      ],
    },
  },
)
