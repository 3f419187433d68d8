import type { Dish, DishRequest, Stage } from './dish.schema'

/** What a dish's stages pour, by their ids; null where it cannot be worked out. */
type Poured = (dish: Dish) => ReadonlyMap<string, number> | null

/** Nearer than this nobody measures. */
const NEARLY_G = 1
const ROUNDS = 6

/** A soak whose water is all that its pot gets, and the pot that goes on with it. */
export function measuredSoaks({ stages }: Pick<Dish, 'stages'>): { soak: Stage; pot: Stage }[] {
  return stages.flatMap((soak) => {
    if (soak.kind !== 'soak' || !soak.measured) return []
    const pot = stages.find(({ kind, from }) => kind === 'pot' && from.some(({ stage }) => stage === soak.id))
    return pot ? [{ soak, pot }] : []
  })
}

/**
 * The dish with so much water in each soak that is measured for its pot that the pot is given none on top: what is
 * missing at the pot goes into the bowl, until nothing is missing. What it drinks meanwhile changes what it is given
 * only a little, so a few rounds do. As it is where it cannot be worked out.
 */
export function withMeasuredSoaks({ dish }: DishRequest, poured: Poured): Dish {
  const soaks = measuredSoaks(dish)
  if (soaks.length === 0) return dish
  const waterG = new Map(soaks.map(({ soak }) => [soak.id, 0]))
  const now = () => ({
    ...dish,
    stages: dish.stages.map((stage) => (waterG.has(stage.id) ? { ...stage, waterG: waterG.get(stage.id)! } : stage)),
  })
  for (let round = 0; round < ROUNDS; round++) {
    const gives = poured(now())
    if (!gives) return dish
    const missing = soaks.map(({ soak, pot }) => ({ id: soak.id, g: gives.get(pot.id) ?? 0 }))
    for (const { id, g } of missing) waterG.set(id, waterG.get(id)! + g)
    if (missing.every(({ g }) => g < NEARLY_G)) break
  }
  return now()
}
