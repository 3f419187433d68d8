import { knownOf, type OwnThings } from './contents'
import type { Dish, DishLine } from './dish.schema'
import type { StageKind } from './names'

/** Where a line usually goes in a dish: the stage that cooks do it at, by what it is; null where nothing says. */
export function usualStage(line: DishLine, { stages }: Dish, own: OwnThings = {}): string | null {
  const known = knownOf(line, own)
  // What is cooked already only gets hot.
  if (line.kept || line.own)
    return stages.find(({ kind }) => kind === 'simmer' || kind === 'combine')?.id ?? stages.at(-1)?.id ?? null
  const first = (...kinds: StageKind[]) => {
    for (const kind of kinds) {
      const found = stages.find((one) => one.kind === kind)
      if (found) return found.id
    }
    return null
  }
  const last = stages.at(-1)?.id ?? null
  if (!known) return null
  if ('food' in known) return known.food.soak ? first('soak', 'pot', 'simmer') : first('pot', 'simmer')
  switch (known.ingredient.group) {
    case 'onion':
    case 'garlic':
    case 'paste':
    case 'ground-spice':
    case 'chilli':
      return first('fry', 'temper', 'pot', 'simmer')
    case 'whole-spice':
    case 'leaf':
      return first('fry', 'temper', 'pot', 'simmer')
    case 'fat':
      return first('fry', 'temper', 'pot')
    case 'tomato':
    case 'sour':
    case 'curd':
    case 'greens':
      // Sour and greens wait until the pulses are soft.
      return first('simmer', 'combine') ?? last
    case 'fresh-herb':
    case 'nut':
      return first('rest', 'combine', 'fluff') ?? last
    case 'salt':
    case 'salty-sauce':
      return first('simmer', 'combine', 'rest', 'pot')
    case 'milk':
    case 'coconut-milk':
    case 'thickener':
    case 'cooked-pulse':
      return first('simmer', 'combine', 'pot')
    default:
      return first('pot', 'simmer', 'combine') ?? last
  }
}
