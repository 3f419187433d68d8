import { createInjectionState } from '@vueuse/core'

/** A food or a tin picked up on the stack screen. */
export interface Load {
  kind: 'food' | 'tin'
  /** The food's place in the list, or the tin's id. */
  id: string
  name: string
}
/** Where it would be put down: into a tin, onto a tier, into the base, or out of the pot. */
export type Landing = { at: 'tin'; id: string } | { at: 'tier'; tier: number } | { at: 'base' } | { at: 'out' }

/** Foods and tins are put down on what bears data-tin, data-tier, data-base or data-out. */
export const [provideCarry, useCarryInjected] = createInjectionState((land: (load: Load, onto: Landing) => void) => {
  const { carry, carried } = useCarrying(landingOn, land)
  const isOver = (landing: Landing) => JSON.stringify(carried.value?.onto) === JSON.stringify(landing)
  const isCarried = (kind: Load['kind'], id: string) =>
    carried.value?.load.kind === kind && carried.value.load.id === id
  return { carry, carried, isOver, isCarried }
})

/** For what lies on a screen that provides it. */
export const useCarry = () => useCarryInjected()!

function landingOn(under: Element, { kind }: Load): Landing | null {
  // A tin does not go into a tin: it takes that one's tier.
  const places =
    kind === 'food' ? '[data-tin],[data-tier],[data-base],[data-out]' : '[data-tier],[data-base],[data-out]'
  const found = under.closest<HTMLElement | SVGElement>(places)
  if (!found) return null
  const { tin, tier, base } = found.dataset
  if (kind === 'food' && tin !== undefined) return { at: 'tin', id: tin }
  if (tier !== undefined) return { at: 'tier', tier: Number(tier) }
  if (base !== undefined) return kind === 'tin' ? { at: 'tier', tier: 0 } : { at: 'base' }
  return { at: 'out' }
}
