import { COOKING_FLAMES, type FlameName, type StyleKind } from '~~/core/names'

/** What a document says of its flames. */
interface Flames {
  flame: FlameName | null
  heatUp?: FlameName | undefined
}

/**
 * The flames among which a cook chooses. Whistles are counted on the one on which they come as cooks want them, and from
 * high until the first, unless another is chosen.
 */
export function useFlameChoice(of: () => Flames, style: () => StyleKind | null) {
  const choices = computed(() => [...(style() === 'whistles' ? (['auto'] as const) : []), ...COOKING_FLAMES])
  const flame = computed({
    get: () => of().flame ?? (style() === 'whistles' ? 'auto' : 'medium'),
    set(to: FlameName | 'auto') {
      of().flame = to === 'auto' ? null : to
      of().heatUp = 'high'
    },
  })
  return { choices, flame }
}
