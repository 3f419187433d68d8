import { CATALOGUE } from '../food/catalogue'
import type { Food } from '../food/food.schema'
import type { Ingredient } from './ingredient.schema'
import { INGREDIENTS } from './ingredients'

/** What an ingredient is in a dish for: what stands in for it does that as much. */
export const SERVES = ['sour', 'thick', 'fat', 'hot', 'salty', 'sweet', 'taste', 'bulk'] as const
export type Serves = (typeof SERVES)[number]

/** Things that do the same, each with how much as much of it one g does. */
interface Family {
  serves: Serves
  members: Readonly<Record<string, number>>
}

const group = (of: Ingredient['group'], except: readonly string[] = []) =>
  INGREDIENTS.filter((one) => one.group === of && !except.includes(one.id))
const alike = (list: readonly Ingredient[], strengths: Readonly<Record<string, number>> = {}) =>
  Object.fromEntries(list.map(({ id }) => [id, strengths[id] ?? 1]))
const byShare = (list: readonly Ingredient[], share: 'fat' | 'salt') =>
  Object.fromEntries(list.map((one) => [one.id, one[share]]))

/** From so many g of fresh tomato a g of these was boiled down (general kitchen practice). */
export const TOMATO_TIMES: Readonly<Record<string, number>> = { 'tomato-paste': 5, 'tomato-puree': 1.3, ketchup: 2 }

/** What does the same in a pot, and how strongly (general kitchen practice; fat and salt by their shares). */
const FAMILIES: readonly Family[] = [
  {
    serves: 'sour',
    members: {
      'lemon-juice': 1,
      'lime-juice': 1,
      vinegar: 1,
      verjuice: 0.5,
      'tamarind-paste': 2,
      'tamarind-water': 0.5,
      kokum: 2,
      sumac: 0.5,
      'mango-powder': 2.5,
    },
  },
  {
    serves: 'thick',
    members: {
      'wheat-flour': 1,
      cornflour: 2,
      'rice-flour': 1.3,
      'chickpea-flour': 1,
      breadcrumbs: 0.8,
      'peanut-butter': 0.7,
      tahini: 0.7,
      cashew: 0.7,
      almond: 0.6,
      'coconut-dried': 0.4,
    },
  },
  { serves: 'fat', members: byShare(group('fat', ['bacon']), 'fat') },
  {
    serves: 'fat',
    members: byShare(group('coconut-milk', ['coconut-grated', 'coconut-dried']), 'fat'),
  },
  {
    serves: 'hot',
    members: {
      'green-chilli': 1,
      'red-chilli-fresh': 1,
      'dried-chilli': 5,
      'chilli-powder': 5,
      'chilli-flakes': 5,
      cayenne: 6,
      'chilli-paste': 1,
      'black-pepper': 3,
    },
  },
  { serves: 'salty', members: alike(group('salt')) },
  {
    serves: 'salty',
    members: byShare(
      group('salty-sauce', ['mustard-prepared', 'olives', 'capers', 'anchovy', 'stock-cube', 'bouillon-powder']),
      'salt',
    ),
  },
  {
    serves: 'sweet',
    members: {
      sugar: 1,
      'brown-sugar': 1,
      jaggery: 0.9,
      'palm-sugar': 0.9,
      honey: 1.1,
      'maple-syrup': 0.8,
      molasses: 0.7,
    },
  },
  // Fried it has lost two thirds of its weight.
  {
    serves: 'taste',
    members: {
      onion: 1,
      'red-onion': 1,
      shallot: 1.2,
      'spring-onion': 0.8,
      leek: 0.8,
      'onion-paste': 1,
      'onion-fried': 3,
    },
  },
  { serves: 'taste', members: { garlic: 1, 'garlic-powder': 4, asafoetida: 40 } },
  { serves: 'taste', members: { ginger: 1, galangal: 1, 'ginger-ground': 4 } },
  { serves: 'taste', members: { 'cumin-seed': 1, 'cumin-ground': 1, 'caraway-seed': 1 } },
  { serves: 'taste', members: { 'coriander-seed': 1, 'coriander-ground': 1 } },
  { serves: 'taste', members: { peppercorn: 1, 'black-pepper': 1 } },
  { serves: 'taste', members: { 'fennel-seed': 1, 'star-anise': 2 } },
  { serves: 'taste', members: { clove: 1, 'allspice-ground': 0.5, nutmeg: 1 } },
  { serves: 'taste', members: { 'cardamom-green': 1, 'cardamom-black': 1 } },
  { serves: 'taste', members: { 'cinnamon-stick': 1, 'cinnamon-ground': 2 } },
  { serves: 'taste', members: { 'garam-masala': 1, 'curry-powder': 1 } },
  { serves: 'taste', members: { paprika: 1, 'smoked-paprika': 1 } },
  { serves: 'taste', members: { thyme: 1, 'thyme-dried': 3, 'oregano-dried': 3, rosemary: 1, sage: 1 } },
  { serves: 'taste', members: { 'fenugreek-leaves': 1, 'fenugreek-dried': 3 } },
  { serves: 'taste', members: { 'lime-leaf': 1, lemongrass: 0.1, 'lemon-zest': 0.3 } },
  { serves: 'taste', members: { 'lemon-zest': 1, 'orange-zest': 1 } },
  { serves: 'taste', members: alike(group('fresh-herb', ['lemongrass'])) },
  { serves: 'taste', members: { 'coconut-grated': 1, 'coconut-dried': 2 } },
  {
    serves: 'taste',
    members: alike(group('tomato'), TOMATO_TIMES),
  },
  { serves: 'taste', members: alike(group('stock')) },
  { serves: 'taste', members: alike(group('curd')) },
  { serves: 'taste', members: alike(group('milk', ['cream'])) },
  { serves: 'bulk', members: alike(group('greens')) },
  { serves: 'bulk', members: alike([...group('squash'), ...group('soft-vegetable', ['celery', 'fennel-bulb'])]) },
  { serves: 'bulk', members: alike(group('root')) },
  { serves: 'bulk', members: alike(group('firm-vegetable')) },
  { serves: 'bulk', members: alike(group('mushroom'), { 'mushroom-dried': 8 }) },
  { serves: 'bulk', members: alike(group('cooked-pulse')) },
  { serves: 'bulk', members: { paneer: 1, tofu: 1, halloumi: 1 } },
  { serves: 'bulk', members: alike(group('nut')) },
  { serves: 'bulk', members: { raisins: 1, 'dried-apricot': 1, dates: 1 } },
]

/** What can be put together from others that most kitchens have, by their shares (general kitchen practice). */
const MADE_OF: Readonly<Record<string, Readonly<Record<string, number>>>> = {
  'ginger-garlic-paste': { garlic: 0.5, ginger: 0.5 },
  'garam-masala': { 'cumin-ground': 0.4, 'coriander-ground': 0.4, 'cinnamon-ground': 0.2 },
  'curry-powder': { 'coriander-ground': 0.4, 'cumin-ground': 0.3, turmeric: 0.3 },
}

/** What can stand in for one g of a thing, and what it is for. */
export interface Serving {
  serves: Serves
  parts: { what: string; times: number }[]
}

/** What stands in for an ingredient by what that does; one of the household's own goes by its group. */
export function servingFor({ id, group: own }: Ingredient): Serving[] {
  const isKnown = INGREDIENTS.some((one) => one.id === id)
  const families = FAMILIES.filter(({ members }) =>
    isKnown ? id in members : Object.keys(members).some((other) => group(own).some((one) => one.id === other)),
  )
  const single = families.flatMap(({ serves, members }) =>
    Object.entries(members)
      .filter(([other]) => other !== id)
      .map(([what, strength]): Serving => ({ serves, parts: [{ what, times: (members[id] ?? 1) / strength }] })),
  )
  const made = Object.entries(MADE_OF[id] ?? {}).map(([what, times]) => ({ what, times }))
  const all: Serving[] = made.length > 0 ? [{ serves: 'taste', parts: made }, ...single] : single
  // What is in two families is offered once.
  return all.filter(
    ({ parts }, i) =>
      parts.length > 1 || all.findIndex((one) => one.parts.length === 1 && one.parts[0]!.what === parts[0]!.what) === i,
  )
}

/** A piece may be so much thicker or thinner than the one that it stands in for. */
const ALIKE_SIZE = [0.5, 1.5] as const

/** Foods that stand in for another: of its group, and cut as it is where it is fresh. */
export function foodsFor({ id, group: of, sizeMm, soak }: Food): Serving[] {
  const isAlike = (other: Food) =>
    soak !== null || (other.sizeMm >= ALIKE_SIZE[0] * sizeMm && other.sizeMm <= ALIKE_SIZE[1] * sizeMm)
  return CATALOGUE.filter((other) => other.group === of && other.id !== id && isAlike(other)).map((other) => ({
    serves: 'bulk',
    parts: [{ what: other.id, times: 1 }],
  }))
}
