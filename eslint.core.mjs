// The direction of imports inside core, as lint rules. The rooms are listed from the ground up: a room
// may import from those before it, never from those after it, and core never from outside itself.
const ROOMS = [
  'problem',
  'measure',
  'steam',
  'food',
  'pot',
  'water',
  'safety',
  'program',
  'stack',
  'dish',
  'meal',
  'live',
  'learn',
  'formats',
]

const outside = {
  // Anything but ./x and ../room/x leaves core; the packages named here only compute.
  regex: '^(?!\\.{1,2}/|(ml-levenberg-marquardt|ml-matrix|fraction\\.js|fft\\.js)$)|^\\.\\./\\.\\.',
  message: 'core imports nothing from outside core but what only computes: no app, server or shared.',
}

const upwards = (room) => ({
  regex: `^\\.\\./(${ROOMS.slice(ROOMS.indexOf(room) + 1).join('|') || '$none'})(/|$)`,
  message: `core/${room} may import only from the rooms below it (${ROOMS.slice(0, ROOMS.indexOf(room)).join(', ')}).`,
})

export const CORE_IMPORTS = [
  {
    name: 'bivvet/core',
    files: ['core/**/*.ts'],
    // The command line and the tests are edges: they read files and use test tools.
    ignores: ['core/cli.ts', 'core/**/*.test.ts'],
    rules: {
      'no-restricted-imports': ['error', { patterns: [outside] }],
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
    ignores: ['core/**/*.test.ts'],
    rules: { 'no-restricted-imports': ['error', { patterns: [outside, upwards(room)] }] },
  })),
]
