/** So much of each does as much as one of the usual one of its group (general kitchen practice). */
const STRENGTH: Readonly<Record<string, number>> = {
  'garlic-powder': 4,
  'ginger-ground': 4,
  'tomato-paste': 5,
  'tomato-puree': 1.3,
  ketchup: 2,
  'oregano-dried': 3,
  'thyme-dried': 3,
  'fenugreek-dried': 3,
  'mushroom-dried': 8,
  'tamarind-paste': 2,
  'tamarind-water': 0.5,
  wine: 0.15,
  sumac: 0.5,
  'stock-cube': 12,
  'bouillon-powder': 12,
}

/** How many times as much one g of it does as one g of the usual ingredient of its group. */
export const strengthOf = (id: string) => STRENGTH[id] ?? 1
