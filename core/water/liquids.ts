/** g of liquid that each g of an ingredient gives to the pot (engineering estimates). */
export const LIQUID_YIELD = {
  water: 1,
  'thin-stock': 1,
  puree: 0.9,
  sauce: 0.9,
  'spice-paste': 0.7,
  curd: 0.85,
  'coconut-milk-thin': 0.85,
  'coconut-milk-thick': 0.6,
  'chopped-tomato': 0.6,
  spinach: 0.5,
  mushroom: 0.5,
  onion: 0.4,
  vegetable: 0.2,
} as const

/** Of the water that cut vegetables give, what is left once they are fried soft before the lid is shut (engineering estimate). */
export const LEFT_WHEN_FRIED = 0.3

/** What is sour enough to keep pulses hard when there is much of it. */
const SOUR: readonly LiquidKind[] = ['chopped-tomato', 'puree', 'curd']
export const isSour = (kind: LiquidKind) => SOUR.includes(kind)

/** What pours, and can be measured in one jug with the water; the others are cut into the pot. */
const POURED: readonly LiquidKind[] = [
  'water',
  'thin-stock',
  'puree',
  'sauce',
  'curd',
  'coconut-milk-thin',
  'coconut-milk-thick',
]
export const isPoured = (kind: LiquidKind) => POURED.includes(kind)

export type LiquidKind = keyof typeof LIQUID_YIELD
export const LIQUID_KINDS = Object.keys(LIQUID_YIELD) as LiquidKind[]

/** g of liquid left in the pot per g of dry pulses when it is done (general kitchen practice) */
export const FREE_LIQUID = { drained: 0, thick: 0.5, spoonable: 1.5, pourable: 3, soup: 5 } as const
/** Meat goes in wet: for each g of it stands so much of what stands around a g of dry pulses (engineering estimate). */
export const FREE_LIQUID_AROUND_MEAT = 0.4
export type FreeLiquid = keyof typeof FREE_LIQUID
export const FREE_LIQUIDS = Object.keys(FREE_LIQUID) as FreeLiquid[]
