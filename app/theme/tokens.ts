/**
 * Every colour of the application, by what it means. Components use them as custom properties
 * (`var(--water)`), the interface library through its theme; both are made from here.
 */
export const TOKENS = {
  ground: { light: '#edf1ee', dark: '#0f1b17' },
  'ground-raised': { light: '#f8faf8', dark: '#16261f' },
  line: { light: '#c6d0ca', dark: '#2b3d35' },
  ink: { light: '#11261f', dark: '#ecf3ee' },
  'ink-soft': { light: '#4a5c54', dark: '#a3b5ab' },
  water: { light: '#0d7480', dark: '#5cc9d2' },
  'water-fill': { light: '#bfe3e2', dark: '#1d4a50' },
  heat: { light: '#a05707', dark: '#f0a640' },
  'heat-low': { light: '#d9a441', dark: '#c98f2f' },
  'heat-high': { light: '#b8470f', dark: '#f07c3a' },
  food: { light: '#3f6d1d', dark: '#a3d06b' },
  'food-fill': { light: '#d7e5bd', dark: '#36502c' },
  steam: { light: '#6b5d93', dark: '#bcaee4' },
  'steam-fill': { light: '#dbd6ea', dark: '#2d2a44' },
  danger: { light: '#b3142d', dark: '#ff7b87' },
} as const satisfies Record<string, { light: string; dark: string }>

export type TokenName = keyof typeof TOKENS

/** The tokens as custom properties, for the light theme and under the dark theme's class. */
export function tokenStyles(): string {
  const block = (selector: string, mode: 'light' | 'dark') => {
    const lines = Object.entries(TOKENS).map(([name, value]) => `--${name}:${value[mode]}`)
    return `${selector}{${lines.join(';')}}`
  }
  return block(':root,.v-theme--light', 'light') + block('.v-theme--dark', 'dark')
}
