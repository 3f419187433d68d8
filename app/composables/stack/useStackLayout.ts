import { emptyStack, type PotStack } from '~~/shared/pot'

/** Moving foods and tins about in the stack being planned. Every move is one step of undo. */
export function useStackLayout() {
  const pot = usePotStore()
  const kitchen = useKitchenStore()
  const stack = computed<PotStack>(() => pot.form.stack ?? emptyStack(pot.form))
  const tinOf = (id: string) => kitchen.loaded.tins.find((tin) => tin.id === id)

  function change(by: (stack: PotStack) => void) {
    const next = JSON.parse(JSON.stringify(stack.value)) as PotStack
    by(next)
    next.tiers = next.tiers.filter((tier) => tier.length > 0)
    pot.form.stack = next
  }

  /** Puts a food into a tin (which joins the stack), into the base, or nowhere; who was there steps out. */
  function place(food: number, where: string) {
    change((next) => {
      next.places.forEach((one, i) => {
        if (where !== '' && one === where && i !== food) next.places[i] = ''
      })
      next.places[food] = where
      if (tinOf(where) && !next.tiers.some((tier) => tier.includes(where))) next.tiers.push([where])
      // The base dish must not reach the tins: a taller stand where one is needed.
      if (where === 'base' && next.trivetMm < 25) next.trivetMm = 25
    })
  }
  /** Puts a tin on a tier of its own at a height, counted from below. */
  function moveTin(tinId: string, tier: number) {
    change((next) => {
      const from = next.tiers.findIndex((one) => one.includes(tinId))
      const alone = from >= 0 && next.tiers[from]!.length === 1
      next.tiers = next.tiers.map((one) => one.filter((id) => id !== tinId))
      if (alone) next.tiers.splice(from, 1)
      next.tiers.splice(Math.max(0, Math.min(tier, next.tiers.length)), 0, [tinId])
    })
  }
  function takeOutTin(tinId: string) {
    change((next) => {
      next.tiers = next.tiers.map((one) => one.filter((id) => id !== tinId))
      next.places = next.places.map((one) => (one === tinId ? '' : one))
    })
  }
  const tierOf = (tinId: string) => stack.value.tiers.findIndex((tier) => tier.includes(tinId))
  const set = (part: Partial<PotStack>) => change((next) => void Object.assign(next, part))
  return { stack, place, moveTin, takeOutTin, tierOf, set }
}
