import { describe, expect, it } from 'vitest'
import { TOKENS, tokenStyles } from './tokens'

/** Contrast ratio after WCAG 2. */
function contrast(one: string, other: string): number {
  const luminance = (hex: string) => {
    const [r, g, b] = [1, 3, 5].map((at) => {
      const share = parseInt(hex.slice(at, at + 2), 16) / 255
      return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4
    }) as [number, number, number]
    return 0.2126 * r + 0.7152 * g + 0.0722 * b
  }
  const [light, dark] = [luminance(one), luminance(other)].sort((a, b) => b - a) as [number, number]
  return (light + 0.05) / (dark + 0.05)
}

describe('the colours', () => {
  it('become custom properties, the dark ones under the dark theme', () => {
    const [light, dark] = tokenStyles().split('.v-theme--dark') as [string, string]
    for (const [name, value] of Object.entries(TOKENS)) {
      expect(light).toContain(`--${name}:${value.light}`)
      expect(dark).toContain(`--${name}:${value.dark}`)
    }
  })

  it('can be read on the ground, light and dark', () => {
    for (const name of ['ink', 'ink-soft', 'water', 'heat', 'food', 'steam', 'danger'] as const)
      for (const mode of ['light', 'dark'] as const)
        expect(contrast(TOKENS[name][mode], TOKENS.ground[mode]), `${name} ${mode}`).toBeGreaterThanOrEqual(4.5)
  })
})
