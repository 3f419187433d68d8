// The direction of imports inside core, as lint rules. The rooms are listed from the ground up: a room
// may import from those before it, never from those after it, and core never from outside itself.
const ROOMS = [
  'problem',
  'measure',
  'quantity',
  'steam',
  'food',
  'appliance',
  'pot',
  'water',
  'safety',
  'program',
  'stack',
  'ingredient',
  'dish',
  'meal',
  'guide',
  'ear',
  'live',
  'learn',
  'formats',
]

const COMPUTES =
  'ml-levenberg-marquardt|ml-matrix|fft\\.js|jsonrepair|numeric-quantity|htmlparser2|domhandler|iso8601-duration|wavefile'
/** What is not core's: seen from a folder so many steps below the root. */
const outside = (steps = 2, packages = COMPUTES) => ({
  // Anything but ./x and ../room/x leaves core; the packages named here only compute.
  regex: `^(?!\\.{1,2}/|(${packages})$)|^(\\.\\./){${steps}}`,
  message: 'core imports nothing from outside core but what only computes: no app, server or shared.',
})

// Zod is no part of the first screens: what computes takes types from the schemas, and nothing else.
export const schemas = {
  regex: '\\.schema$',
  allowTypeImports: true,
  message: 'Only schemas, the edges and tests parse: import the type alone.',
}

// What kinds of appliance do stands in appliance/kinds: anywhere else a list of them would be forgotten.
export const kinds = {
  selector:
    "CallExpression[callee.property.name='includes'][callee.object.type='ArrayExpression'] Literal[value=/^(whistling|regulator|electric|rice|open|slow|bowl)$/]",
  message: 'Ask the kind (core/appliance), do not list kinds.',
}

const upwards = (room) => ({
  regex: `^(\\.\\./){1,2}(${ROOMS.slice(ROOMS.indexOf(room) + 1).join('|') || '$none'})(/|$)`,
  message: `core/${room} may import only from the rooms below it (${ROOMS.slice(0, ROOMS.indexOf(room)).join(', ')}).`,
})

export const CORE_IMPORTS = [
  {
    name: 'bivvet/core',
    files: ['core/**/*.ts'],
    // Tests are edges: they read files and use test tools.
    ignores: ['core/**/*.test.ts'],
    rules: {
      'no-restricted-imports': ['error', { patterns: [outside()] }],
      'no-restricted-syntax': ['error', kinds],
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'fetch',
        'process',
        'localStorage',
        'setTimeout',
        'performance',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'core has no clock: take the time as an argument.' },
        { object: 'Math', property: 'random', message: 'core is repeatable: take the random source as an argument.' },
      ],
    },
  },
  ...ROOMS.slice(1).map((room) => ({
    name: `bivvet/core/${room}`,
    files: [`core/${room}/**/*.ts`],
    ignores: ['core/**/*.test.ts', 'core/**/*.schema.ts'],
    rules: {
      'no-restricted-imports': 'off',
      '@typescript-eslint/no-restricted-imports': ['error', { patterns: [outside(), upwards(room), schemas] }],
    },
  })),
  // What is one file per kind stands a folder deeper.
  {
    name: 'bivvet/core/dish/kinds',
    files: ['core/dish/kinds/*.ts'],
    rules: {
      '@typescript-eslint/no-restricted-imports': [
        'error',
        {
          patterns: [outside(3), upwards('dish'), schemas],
        },
      ],
    },
  },
  {
    name: 'bivvet/core/schemas',
    files: ['core/**/*.schema.ts'],
    rules: {
      'no-restricted-imports': ['error', { patterns: [outside(2, `zod|${COMPUTES}`)] }],
    },
  },
]
