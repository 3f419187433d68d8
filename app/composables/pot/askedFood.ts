import { findIngredient } from '~~/core/ingredient/ingredients'
import type { ReadLine } from '~~/core/formats/line'
import { middleOf, readQuantity, type Amount } from '~~/core/quantity/quantity'
import { inUse, type Kitchen } from '~~/shared/kitchen'
import type { AskedAmount, PotLiquid } from '~~/shared/pot'

/** What was asked for: the words that name a food, how much of it where that was said, and what goes in with it. */
export interface Asked {
  words: string
  amount: AskedAmount | null
  /** A measure of which nobody has said how much it holds: it is asked about, and taken for no other. */
  unknownMeasure: string | null
  /** It was said that it is not soaked. */
  isUnsoaked: boolean
  /** Each of what else was named, as it was typed. */
  also: string[]
}

const UNSOAKED = /\b(?:un-?soaked|not soaked|without (?:a )?soak(?:ing)?|no soak(?:ing)?)\b[,\s]*/i
/** Between two things of one question. */
const BETWEEN = /\s*(?:,|\+|&)\s*|\s+(?:and|with|plus)\s+/i

const OZ_IN_LB = 16
const CUP = /^cups?$/i

/**
 * Reads “2 cups chickpeas”, “½ kg rajma”, “3 large eggs”, “2 bowls of rice”, “1 cup toor dal with 2 tomatoes”. What is
 * no amount stays among the words; a number alone counts pieces, or the usual measure of a food that is not counted.
 */
export function readAsked(text: string, kitchen: Pick<Kitchen, 'measures' | 'likes'>): Asked {
  const isUnsoaked = UNSOAKED.test(text)
  const plain = text.replace(UNSOAKED, '').trim()
  const parts = plain.split(BETWEEN).filter((part) => part.trim() !== '')
  // “1 and a half cups rice” is one thing: each of two has a name.
  const isSeveral = parts.length > 1 && parts.every((part) => nameIn(part, kitchen) !== '')
  const [first = plain, ...also] = isSeveral ? parts : [plain]
  const one = readOne(first, kitchen)
  return { ...one, words: one.words === '' ? text : one.words, isUnsoaked, also }
}

const nameIn = (text: string, kitchen: Pick<Kitchen, 'measures' | 'likes'>) => {
  const { words } = readQuantity(text, styleOf(kitchen))
  return /\p{L}{2}/u.test(words) ? words : ''
}
const styleOf = ({ measures, likes }: Pick<Kitchen, 'measures' | 'likes'>) => ({
  decimal: likes.decimal,
  measures: inUse(measures),
})

function readOne(text: string, kitchen: Pick<Kitchen, 'measures' | 'likes'>): Omit<Asked, 'isUnsoaked' | 'also'> {
  const style = styleOf(kitchen)
  const none = { words: text, amount: null, unknownMeasure: null }
  let found = readQuantity(text, style)
  if (found.amounts.length === 0) {
    // “Rice 2 cups”.
    const last = /^(\D*\p{L})\s+((?:[\d½¼¾⅓⅔]|half\b|one\b|two\b).*)$/iu.exec(text)
    found = last ? { ...readQuantity(last[2]!, style), words: last[1]! } : found
  }
  const amount = found.stated ?? found.amounts[0]
  if (!amount || found.words === '' || amount.isGuess) return none
  const { words } = found
  const { unit } = amount
  if (unit?.kind === 'vessel') return { words, amount: null, unknownMeasure: unit.name }
  if (unit?.kind === 'container' && !amount.each) return { words, amount: null, unknownMeasure: unit.container }
  return { words, amount: inUnits(amount, kitchen), unknownMeasure: null }
}

/** An amount as a pot measures it; null where it is measured in nothing that a pot knows. */
function inUnits({ unit, size, each, ...amount }: Amount, { measures }: Pick<Kitchen, 'measures'>): AskedAmount | null {
  const count = middleOf(amount)
  if (each)
    return inUnits(
      { low: each.count * count, high: each.count * count, unit: each.unit, size: null, each: null, isGuess: false },
      { measures },
    )
  if (unit === null) return { count, unit: size === null ? '' : `piece-${size}` }
  switch (unit.kind) {
    case 'weight':
      if (unit.g === 1000) return { count, unit: 'kg' }
      if (unit.g === 1) return { count, unit: 'g' }
      return { count: unit.g > 400 ? count * OZ_IN_LB * (unit.g / POUND_G) : (count * unit.g) / OUNCE_G, unit: 'oz' }
    case 'measure':
      return { count, unit: unit.id }
    case 'volume': {
      if (unit.isCup) return { count, unit: inUse(measures).find(({ name }) => CUP.test(name))?.id ?? 'cup-240' }
      const spoon = SPOONS[unit.ml]
      return spoon ? { count, unit: spoon } : { count: count * unit.ml, unit: 'ml' }
    }
    case 'part':
      return unit.part === 'piece' || unit.part === 'head'
        ? { count, unit: size === null ? '' : `piece-${size}` }
        : null
    default:
      return null
  }
}
const OUNCE_G = 28.349523125
const POUND_G = 16 * OUNCE_G
const SPOONS: Readonly<Record<number, string>> = { 15: 'tbsp', 5: 'tsp', 180: 'rice-cup' }

/** What goes in with the food: other foods with their amounts, and what brings liquid; the rest is told as not found. */
export interface AlsoAsked {
  foods: { foodId: string; amount: AskedAmount | null }[]
  liquids: PotLiquid[]
  unknown: string[]
}

/** Sorts what was read of the other things of a question (`readLines`), in their order. */
export function sortAlso(lines: readonly ReadLine[], kitchen: Pick<Kitchen, 'measures' | 'likes'>): AlsoAsked {
  const also: AlsoAsked = { foods: [], liquids: [], unknown: [] }
  for (const { typed, what, maybe, g } of lines) {
    const id = what ?? maybe
    const ingredient = id === null ? undefined : findIngredient(id)
    if (ingredient?.liquid && g !== null)
      also.liquids.push({ kind: ingredient.liquid, amount: String(Math.round(g)), unit: 'g' })
    else if (id !== null && !ingredient) also.foods.push({ foodId: id, amount: readOne(typed, kitchen).amount })
    else also.unknown.push(typed)
  }
  return also
}
