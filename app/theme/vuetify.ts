import { TOKENS, type TokenName } from './tokens'

/** The tokens as the interface library names its colours. */
function themeOf(mode: 'light' | 'dark') {
  const pick = (name: TokenName) => TOKENS[name][mode]
  return {
    dark: mode === 'dark',
    colors: {
      background: pick('ground'),
      surface: pick('ground'),
      primary: pick('ink'),
      secondary: pick('ink-soft'),
      error: pick('danger'),
      info: pick('water'),
      success: pick('food'),
      warning: pick('heat'),
      'on-background': pick('ink'),
      'on-surface': pick('ink'),
      'on-primary': pick('ground'),
    },
    variables: { 'border-color': pick('ink'), 'border-opacity': 0.22 },
  }
}

export const BIVVET_THEME = {
  defaultTheme: 'system',
  themes: { light: themeOf('light'), dark: themeOf('dark') },
}
