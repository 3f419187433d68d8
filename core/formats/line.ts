import { parseIngredient } from 'parse-ingredient'
import { knownOf, type OwnThings } from '../dish/contents'
import { pieceG } from '../food/pieces'
import type { DecimalSign } from '../measure/amount'
import { COMMON_MEASURES, CUP_ML, WEIGHTS_G } from '../measure/measure'

/** What names are known by: the message files, and the household's own. */
export interface Names {
  /** The id of what has just this name; null for none. */
  exact(name: string): string | null
  /** Words that say how something is prepared, and not what it is. */
  says: Words
}
export interface Words {
  prepared: ReadonlySet<string>
  numbers: Readonly<Record<string, number>>
  canned: ReadonlySet<string>
  /** Words before a unit that change nothing that can be measured. */
  sizes: ReadonlySet<string>
}

/** How a household measures: what its cup holds, and its own bowls by name. */
export interface Measuring extends OwnThings {
  decimal?: DecimalSign
  cupMl?: number
  measures?: readonly { id: string; name: string; volumeMl: number }[]
}

/** An ingredient line with what was understood of it; what is open is asked about. */
export interface ReadLine {
  typed: string
  what: string | null
  /** What it might be: only some of its words are a name. */
  maybe: string | null
  /** Weight; null where it is not measured, or cannot be told. */
  g: number | null
  /** An amount stands there that could not be turned into a weight. */
  amountOpen: boolean
  /** It stands between two figures; the middle is taken. */
  range: [number, number] | null
  isHeading: boolean
}

const ML_OF_UNIT: Readonly<Record<string, number>> = {
  cup: CUP_ML,
  tablespoon: COMMON_MEASURES.tbsp.volumeMl,
  teaspoon: COMMON_MEASURES.tsp.volumeMl,
  milliliter: 1,
  centiliter: 10,
  deciliter: 100,
  liter: 1000,
  pint: 473,
  quart: 946,
  gallon: 3785,
  'fluid ounce': 29.6,
  fluidounce: 29.6,
}
const G_OF_UNIT: Readonly<Record<string, number>> = {
  gram: 1,
  milligram: 0.001,
  kilogram: WEIGHTS_G.kg,
  ounce: WEIGHTS_G.oz,
  pound: WEIGHTS_G.oz * 16,
}
const SIZE_OF_UNIT: Readonly<Record<string, [times: number, size: 'small' | 'medium' | 'large']>> = {
  small: [0.6, 'small'],
  medium: [1, 'medium'],
  large: [1.5, 'large'],
}
/** Counted by the piece, whatever it is called. */
const PIECES = new Set(['clove', 'piece', 'sprig', 'stick', 'ear', 'head'])
/** Too little to weigh. */
const UNWEIGHED = new Set(['pinch', 'dash', 'drop'])
// General kitchen practice, in g.
/** One whole one of what is cut into the pot. */
const WHOLE_G: Readonly<Record<string, number>> = {
  'potato-cubes': 150,
  'sweet-potato': 180,
  'carrot-chunks': 70,
  'squash-cubes': 900,
  cauliflower: 600,
  cabbage: 900,
  'chicken-breast': 180,
}
const BUNCH_G = 50
const CAN_G = 400
/** So much of a can is what was canned, once it is drained. */
const CAN_DRAINED_G = 240
const G_PER_CM_OF_ROOT = 5
const CM_PER_INCH = 2.54

/** Marks that are no part of a line: bullets, boxes, numbers of a list are the recipe's own. */
const BULLET = /^(?:[\s•·▪◦‣*–—-]+|\s*\d+\)\s+)(?=\S)/u

/** A sign before one or two figures, or after nothing but a nought. */
const DECIMAL_COMMA = /(^|\s)(\d+,\d{1,2}|0,\d+)(?!\d)/
const DECIMAL_POINT = /(^|\s)(\d+\.\d{1,2}|0\.\d+)(?!\d)/

/**
 * Reads a line as cooks and recipes write it: “2½ cups brown rice, rinsed”, “1 (400 g) tin chopped tomatoes”,
 * “a pinch of salt”, “2-3 green chillies”, “½ kg rajma”, “1,5 kg potatoes”. What is not understood stays open.
 */
export function readLine(text: string, names: Names, measuring: Measuring = {}): ReadLine {
  const typed = text.replace(/\s+/g, ' ').trim()
  const open: ReadLine = { typed, what: null, maybe: null, g: null, amountOpen: false, range: null, isHeading: false }
  const { plain, times } = withoutBrackets(asFigures(typed.replace(BULLET, ''), names.says))
  // What parts off no thousands is a decimal sign, whatever the household writes.
  const comma = DECIMAL_COMMA.test(plain) || (measuring.decimal === 'comma' && !DECIMAL_POINT.test(plain))
  const [found] = parseIngredient(plain, {
    decimalSeparator: comma ? ',' : '.',
    allowLeadingOf: false,
    additionalUOMs: {
      liter: { short: 'l', plural: 'liters', alternates: ['litre', 'litres', 'liter', 'liters', 'L'] },
      centiliter: { short: 'cl', plural: 'centiliters', alternates: [] },
      can: { short: 'can', plural: 'cans', alternates: ['tin', 'tins', 'jar', 'jars'] },
      bunch: { short: 'bunch', plural: 'bunches', alternates: ['handful', 'handfuls'] },
      ...Object.fromEntries(
        (measuring.measures ?? [])
          .filter(({ name }) => !/^cups?$/i.test(name))
          .map(({ id, name }) => [
            `own ${id}`,
            { short: name.toLowerCase(), plural: `${name.toLowerCase()}s`, alternates: [] },
          ]),
      ),
    },
  })
  if (!found) return open
  if (found.isGroupHeader) return { ...open, isHeading: true }
  const said = whatOf(found.description, names, found.unitOfMeasureID === 'can')
  const { quantity, quantity2, unitOfMeasureID: unit } = found
  if (quantity === null) return { ...open, ...said }
  const range: [number, number] | null = quantity2 === null ? null : [quantity, quantity2]
  const count = range ? (range[0] + range[1]) / 2 : quantity
  const id = said.what ?? said.maybe
  const g = times === null ? gramsIn(count, unit, id, measuring) : count * times * drained(id, measuring)
  const isUnweighed = UNWEIGHED.has(unit ?? '')
  return { ...open, ...said, range, g: isUnweighed ? null : g, amountOpen: g === null && !isUnweighed }
}

/** Of a can of pulses only what is drained goes in. */
function drained(id: string | null, own: OwnThings): number {
  const known = id === null ? null : knownOf({ what: id }, own)
  return known && 'ingredient' in known && known.ingredient.group === 'cooked-pulse' ? CAN_DRAINED_G / CAN_G : 1
}

/** “one”, “half a” as figures. */
function asFigures(text: string, { numbers, sizes }: Words): string {
  const [first = '', ...rest] = text.split(' ').filter((word) => !sizes.has(word.toLowerCase()))
  const known = numbers[first.toLowerCase()]
  return [known === undefined ? first : String(known), ...rest].join(' ')
}

/** A weight in brackets, or before a can, is what one of them weighs: “1 (400 g) tin”, “2 x 400g cans”. */
function withoutBrackets(text: string): { plain: string; times: number | null } {
  const weight = /(\d+(?:[.,]\d+)?)\s*-?\s*(g|grams?|kg|ml|oz|ounces?)\b/i
  const each = new RegExp(
    `^(\\d+)\\s*(?:x|×|\\()?\\s*${weight.source}\\)?\\s*-?\\s*(?=(?:can|tin|jar|pack|packet|package|bag|block)s?\\b)`,
    'i',
  ).exec(text)
  if (each) {
    const unit = each[3]!.toLowerCase()
    const perG = unit.startsWith('kg') ? WEIGHTS_G.kg : unit.startsWith('o') ? WEIGHTS_G.oz : 1
    const g = Number(each[2]!.replace(',', '.')) * perG
    return { plain: `${each[1]} ${text.slice(each[0].length)}`, times: g }
  }
  // The same amount in another unit: “250g/9oz”, “200 g (7 oz)”.
  return {
    plain: text.replace(/\s*\/\s*\d[\d.,½¼¾]*\s*(oz|lb|cups?|g|ml)\b/i, '').replace(/\(([^)]*)\)/g, ' '),
    times: null,
  }
}

function whatOf(description: string, names: Names, isCanned: boolean): Pick<ReadLine, 'what' | 'maybe'> {
  const words = wordsOf(description.replace(/,.*$/, '')).filter((word) => word !== 'of')
  const all = words.join(' ')
  const canned = isCanned || words.some((word) => names.says.canned.has(word))
  const direct = names.exact(all)
  if (direct && !canned) return { what: direct, maybe: null }
  const bare = words.filter((word) => !names.says.canned.has(word))
  const parts = bare.flatMap((_, from) =>
    bare.slice(from).map((__, n) => ({ from, to: from + n + 1, name: bare.slice(from, from + n + 1).join(' ') })),
  )
  // The longest run of words that is a name; of two alike the later: “chicken stock”, not “chicken”.
  parts.sort((a, b) => b.to - b.from - (a.to - a.from) || b.from - a.from)
  for (const { from, to, name } of parts) {
    const id = (canned ? names.exact(`canned ${name}`) : null) ?? names.exact(name)
    if (!id) continue
    const others = [...bare.slice(0, from), ...bare.slice(to)]
    const isSure = others.every((word) => names.says.prepared.has(word) || /^\d/.test(word))
    return isSure ? { what: id, maybe: null } : { what: null, maybe: id }
  }
  return { what: null, maybe: null }
}

const wordsOf = (text: string) =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[’']/g, '')
    .replace(/[^\p{L}\d]+/gu, ' ')
    .trim()
    .split(' ')
    .filter(Boolean)

/** A name as it is looked up: without case, accents and marks. */
export const nameKey = (name: string) => wordsOf(name).join(' ')

function gramsIn(count: number, unit: string | null, id: string | null, measuring: Measuring): number | null {
  if (unit !== null && unit in G_OF_UNIT) return count * G_OF_UNIT[unit]!
  const known = id === null ? null : knownOf({ what: id }, measuring)
  if (!known) return null
  const { cupG } = 'food' in known ? known.food : known.ingredient
  const oneG =
    'food' in known
      ? (pieceOr(pieceG(known.food, 'medium')) ?? WHOLE_G[known.food.id] ?? null)
      : known.ingredient.pieceG
  if (unit?.startsWith('own ')) {
    const own = measuring.measures!.find((one) => one.id === unit.slice(4))!
    return cupG === null ? null : (count * own.volumeMl * cupG) / CUP_ML
  }
  if (unit !== null && unit in ML_OF_UNIT) {
    const ml = unit === 'cup' ? (measuring.cupMl ?? CUP_ML) : ML_OF_UNIT[unit]!
    return cupG === null ? null : (count * ml * cupG) / CUP_ML
  }
  if (unit === null || PIECES.has(unit)) return oneG === null ? null : count * oneG
  if (unit in SIZE_OF_UNIT) {
    const [times, size] = SIZE_OF_UNIT[unit]!
    if ('food' in known && known.food.pieceG) return pieceOr(count * pieceG(known.food, size))
    return oneG === null ? null : count * oneG * times
  }
  const group = 'ingredient' in known ? known.ingredient.group : null
  if (unit === 'can') return count * (group === 'cooked-pulse' ? CAN_DRAINED_G : CAN_G)
  if (unit === 'bunch') return count * BUNCH_G
  if ((unit === 'inch' || unit === 'centimeter') && group === 'garlic')
    return count * (unit === 'inch' ? CM_PER_INCH : 1) * G_PER_CM_OF_ROOT
  return null
}

const pieceOr = (g: number) => (Number.isFinite(g) ? g : null)
