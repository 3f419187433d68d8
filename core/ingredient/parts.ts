import type { Part } from '../quantity/units'
import type { StandIns } from './stand-ins'

/**
 * g of a middling part of what is counted in parts, by food or ingredient. What one whole piece weighs stands with the
 * ingredient itself. Engineering estimates from general kitchen practice.
 */
const PARTS_G: Readonly<Record<string, Partial<Record<Part | 'whole' | 'cm', number>>>> = {
  garlic: { clove: 4, head: 45, piece: 4 },
  'red-onion': { slice: 10 },
  onion: { slice: 10 },
  'spring-onion': { bunch: 100, stalk: 15, piece: 15 },
  leek: { stalk: 150, bunch: 450 },
  ginger: { cm: 5, knob: 15, piece: 15, slice: 3, head: 60 },
  galangal: { cm: 5, knob: 15, piece: 15, slice: 3 },
  tomato: { slice: 15 },
  celery: { stalk: 40, stick: 40, bunch: 450, head: 450, piece: 40 },
  lemongrass: { stalk: 20, stick: 20 },
  'bell-pepper': { slice: 10 },
  'curry-leaves': { sprig: 2, stalk: 2, leaf: 0.15, handful: 4, bunch: 10 },
  'bay-leaf': { leaf: 0.3, piece: 0.3 },
  'lime-leaf': { leaf: 0.3, piece: 0.3 },
  thyme: { sprig: 1, bunch: 20, handful: 8 },
  rosemary: { sprig: 2, bunch: 30, stalk: 2 },
  sage: { leaf: 0.3, sprig: 2, bunch: 20 },
  'coriander-leaf': { bunch: 60, handful: 15, sprig: 1, stalk: 1.5, leaf: 0.1 },
  parsley: { bunch: 60, handful: 15, sprig: 1 },
  mint: { bunch: 40, handful: 12, sprig: 1.5, leaf: 0.3 },
  basil: { bunch: 40, handful: 12, sprig: 1.5, leaf: 0.5 },
  dill: { bunch: 30, handful: 10, sprig: 1 },
  chives: { bunch: 25, handful: 10 },
  'fenugreek-leaves': { bunch: 120, handful: 15 },
  spinach: { bunch: 250, handful: 30, leaf: 10 },
  chard: { bunch: 300, handful: 40, leaf: 35, stalk: 35 },
  kale: { bunch: 200, handful: 30, leaf: 20 },
  collards: { bunch: 300, leaf: 30, handful: 30 },
  'mustard-greens': { bunch: 250, handful: 30 },
  'amaranth-greens': { bunch: 200, handful: 30 },
  'radish-white': { bunch: 300 },
  broccoli: { head: 350, floret: 15, stalk: 150, whole: 350 },
  cauliflower: { head: 600, floret: 20, whole: 600 },
  cabbage: { head: 900, leaf: 30, whole: 900 },
  sweetcorn: { ear: 100, whole: 100 },
  'peas-green': { handful: 40 },
  'green-beans': { handful: 60, piece: 5, whole: 5 },
  okra: { handful: 60 },
  mushroom: { handful: 50 },
  'cinnamon-stick': { stick: 3, piece: 3, cm: 0.5 },
  'cardamom-green': { clove: 0.2, piece: 0.2 },
  'cardamom-black': { clove: 1, piece: 1 },
  'star-anise': { clove: 1.5, piece: 1.5 },
  clove: { piece: 0.1 },
  'tamarind-paste': { piece: 20 },
  butter: { stick: 113, knob: 15 },
  'salted-butter': { stick: 113, knob: 15 },
  bacon: { slice: 25 },
  'coconut-grated': { whole: 300, handful: 25 },
  'lemon-juice': { slice: 5 },
  cashew: { handful: 30 },
  almond: { handful: 30 },
  'peanut-roasted': { handful: 30 },
  'peanut-raw': { handful: 30 },
  raisins: { handful: 30 },
  breadcrumbs: { handful: 25 },
  'stock-cube': { piece: 10 },
  'chicken-thigh': { piece: 110, whole: 110 },
  'chicken-leg': { piece: 120, whole: 250 },
  'chicken-breast': { piece: 180, whole: 180 },
  'fish-firm': { piece: 150, slice: 150, whole: 400 },
  'potato-cubes': { whole: 150, piece: 150 },
  'sweet-potato': { whole: 180, piece: 180 },
  'carrot-chunks': { whole: 70, piece: 70, stick: 10, bunch: 400 },
  'squash-cubes': { whole: 900 },
  'beetroot-whole': { bunch: 450, piece: 120 },
  kokum: { piece: 3 },
  'lemon-zest': { whole: 3 },
  'orange-zest': { whole: 6 },
  jaggery: { piece: 15, knob: 15 },
}

/** Of a group, where the ingredient has none of its own. */
const GROUP_PARTS_G: Partial<Record<StandIns, Partial<Record<Part, number>>>> = {
  'fresh-herb': { bunch: 50, handful: 12, sprig: 1, leaf: 0.3 },
  leaf: { bunch: 20, handful: 5, sprig: 1.5, leaf: 0.3 },
  greens: { bunch: 250, handful: 30, leaf: 15 },
  nut: { handful: 30 },
  fruit: { handful: 40 },
  chilli: { handful: 20 },
}
/** A handful of dry grain or pulses. */
const DRY_HANDFUL_G = 45

/** Where a name says which piece is meant: “1 chicken” is all of it. */
const NAMED_PIECE_G: Readonly<Record<string, number>> = { drumstick: 110, 'chicken drumstick': 110, chicken: 1200 }
export const namedPieceG = (name: string): number | null => NAMED_PIECE_G[name.replace(/s$/, '')] ?? null

/** g of a can, and of what of it is left once it is drained. */
export const CAN_G = 400
export const CAN_DRAINED_SHARE = 0.6

/** g of one part of an ingredient or food; null where nobody counts it so. */
export function partG(id: string, part: Part | 'whole' | 'cm', group: StandIns | null, isDry = false): number | null {
  const own = PARTS_G[id]?.[part]
  if (own !== undefined) return own
  if (part === 'whole' || part === 'cm') return null
  if (isDry && part === 'handful') return DRY_HANDFUL_G
  return (group && GROUP_PARTS_G[group]?.[part]) ?? null
}
