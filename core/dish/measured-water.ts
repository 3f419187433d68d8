import type { Dish, DishRequest, Stage } from './dish.schema'
import { STAGES } from './stages'

/** What a dish's stages pour, by their ids; null where it cannot be worked out. */
type Poured = (dish: Dish) => ReadonlyMap<string, number> | null

/** Nearer than this nobody measures. */
const NEARLY_G = 1
const ROUNDS = 6

/** A soak, or water that is brought to the boil first, which is all that its pot gets; and the pot that goes on with it. */
export function measuredStages({ stages }: Pick<Dish, 'stages'>): { measured: Stage; pot: Stage }[] {
  return stages.flatMap((stage) => {
    if (!stage.measured || !STAGES[stage.kind].fields.includes('measured')) return []
    const pot = stages.find(({ kind, from }) => kind === 'pot' && from.some((one) => one.stage === stage.id))
    return pot ? [{ measured: stage, pot }] : []
  })
}

/**
 * The dish with so much water in each stage that is measured for its pot that the pot is given none on top: what is
 * missing at the pot goes in there, until nothing is missing. What it drinks meanwhile changes what it is given
 * only a little, so a few rounds do. As it is where it cannot be worked out.
 */
export function withMeasuredWater({ dish }: DishRequest, poured: Poured): Dish {
  const stages = measuredStages(dish)
  if (stages.length === 0) return dish
  const waterG = new Map(stages.map(({ measured }) => [measured.id, 0]))
  const now = () => ({
    ...dish,
    stages: dish.stages.map((stage) => (waterG.has(stage.id) ? { ...stage, waterG: waterG.get(stage.id)! } : stage)),
  })
  for (let round = 0; round < ROUNDS; round++) {
    const gives = poured(now())
    if (!gives) return dish
    const missing = stages.map(({ measured, pot }) => ({ id: measured.id, g: gives.get(pot.id) ?? 0 }))
    for (const { id, g } of missing) waterG.set(id, waterG.get(id)! + g)
    if (missing.every(({ g }) => g < NEARLY_G)) break
  }
  return now()
}
