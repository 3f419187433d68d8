import { useLocalStorage } from '@vueuse/core'

export type ThemeChoice = 'system' | 'light' | 'dark'
const ORDER: readonly ThemeChoice[] = ['system', 'light', 'dark']

/** Light, dark, or as the device says; remembered on this device. */
export function useThemeChoice() {
  const choice = useLocalStorage<ThemeChoice>('bivvet-theme', 'system')
  const next = () => {
    choice.value = ORDER[(ORDER.indexOf(choice.value) + 1) % ORDER.length]!
  }
  return { choice, next }
}
