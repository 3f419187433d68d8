import { knownOf, type Known, type OwnThings } from '../dish/contents'
import { pieceG } from '../food/pieces'
import { CAN_DRAINED_SHARE, CAN_G, namedPieceG, partG } from '../ingredient/parts'
import type { StandIns } from '../ingredient/stand-ins'
import { CUP_ML } from '../measure/measure'
import { middleOf, readQuantity, type Amount, type QuantityStyle, type ReadQuantity } from '../quantity/quantity'
import { unitAt, type Part, type Unit } from '../quantity/units'
import { wordsOf } from './name-key'

/** What names are known by: the message files, and the household's own. */
export interface Names {
  /** The id of what has just this name; null for none. */
  exact(name: string): string | null
  /** It stands for several things, of which `exact` has one: “mixed beans”. */
  isVague(name: string): boolean
  /** Words that say how something is prepared, and not what it is. */
  says: Words
  /** A step with the English words for what is done in it; missing where steps are English already. */
  inEnglish?: (step: string) => string
}
export interface Words {
  prepared: ReadonlySet<string>
  canned: ReadonlySet<string>
  /** Colours part one pulse or grain from another. */
  colours: ReadonlySet<string>
  cooked: ReadonlySet<string>
  /** By these a pulse is not the dry one, and meat not the raw one of a shop’s counter. */
  fresh: ReadonlySet<string>
  frozen: ReadonlySet<string>
  dried: ReadonlySet<string>
  minced: ReadonlySet<string>
  /** What is the same whatever it was made of: any stock is stock. */
  heads: ReadonlySet<string>
  /** Words by which stock has little salt. */
  unsalted: ReadonlySet<string>
}

/** How a household measures: what its cup holds, and its own bowls by name. */
export interface Measuring extends OwnThings, QuantityStyle {
  cupMl?: number
}

/** What of a line has to be asked: what it is, how much a measure of nobody's size holds, or how much it is. */
export type Doubt = 'what' | 'measure' | 'amount'

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
  /** The first thing to be asked about it; null where all of it was read. */
  doubt: Doubt | null
  /** The measure that nobody has said the size of. */
  measure: string | null
  /** It goes in at more than one step. */
  isDivided: boolean
  isHeading: boolean
}

/** Marks that are no part of a line: bullets, boxes, numbers of a list are the recipe's own. */
const BULLET = /^(?:[\s•·▪▢□☐◦‣✓*–—-]+|\s*\d+\)\s+)(?=\S)/u
const HEADING =
  /^(?:for (?:the|a)\s[^\d]{2,40}|(?:the\s)?[^\d,]{2,40}):$|^for (?:the|a) (?:tempering|tadka|tarka|masala|gravy|sauce|garnish|marinade|dressing|topping|rice|dal|paste|spice mix|pot|cooker|beans|curry|soup|stew)s?$/i
/** “Rice – 1 cup”, “Salt: 1 tsp”, “Turmeric powder 1/2 tsp”. */
const AMOUNT_LAST =
  /^([\p{L}\p{M}][^\d½¼¾⅓⅔⅛]*?[\p{L}\p{M})])\s*(?:[-–—:=,]+\s*|\s+)((?:about\s+|approx\.?\s+|~)?[\d½¼¾⅓⅔⅛].*|an?\s+(?:pinch|handful|few|bunch|dash)\b.*|one\b.*|two\b.*|half\b.*|few\b.*)$/iu
/** “Rice (2 cups), rinsed”. */
const AMOUNT_IN_BRACKETS = /^([\p{L}\p{M}][^\d½¼¾⅓⅔⅛()]*?)\s*\((~?[\d½¼¾⅓⅔⅛][^()]*)\)(?:\s*,([^\d]*))?$/u
/** “Tamarind, soaked in 1 cup hot water”, “starch mixed with 2 tbsp water”: so much of that is no amount of it. */
const SOAKED_IN = /(?<=\p{L}\P{L}*)[,\s]+(?:soaked|dissolved|steeped|mixed)\s+(?:in|with)\s.*\b(?:water|milk)\b.*$/iu
const POWDER = /\b(?:pwd|pdr|pwdr)\b\.?/gi
const GIVES =
  /^(?:the\s+|el\s+|la\s+)?(?:freshly\s+squeezed\s+)?(juice|zest|rind|peel|saft|schale|abrieb|zumo|jugo|ralladura)(?:\s+and\s+\w+)?\s+(?:(?:of|from|von|de)\s+|(?=eine[rs]?\s))(.*)$/i
const GIVEN = /\b(juiced|juice only|juice of|zested|zest only)\b/i
/** “1 tsp each cumin, coriander”: several in one line. */
const EACH = /\beach\b(?:\s+of)?\s+(?:\p{L}+\s+){0,3}\p{L}+\s*(?:,|and\b|&)/iu
const DIVIDED = /\bdivided\b|\bplus (?:extra|more)\b|\band extra\b/i

/**
 * Reads a line as cooks and recipes write it: “2½ cups brown rice, rinsed”, “1 (400 g) tin chopped tomatoes”, “a pinch
 * of salt”, “2-3 green chillies”, “Toor dal – 1 cup”, “1,5 kg potatoes”. What is not understood stays open.
 */
export function readLine(text: string, names: Names, measuring: Measuring = {}): ReadLine {
  const typed = text.replace(/\s+/g, ' ').trim()
  const open: ReadLine = {
    typed,
    what: null,
    maybe: null,
    g: null,
    amountOpen: false,
    range: null,
    doubt: null,
    measure: null,
    isDivided: DIVIDED.test(typed),
    isHeading: false,
  }
  const body = typed.replace(BULLET, '').replace(SOAKED_IN, '').replace(POWDER, 'powder')
  if (HEADING.test(body) && readQuantity(body, measuring).amounts.length === 0) return { ...open, isHeading: true }
  const found = quantityOf(body, measuring)
  if (found.words === '' || !/\p{L}/u.test(found.words))
    return { ...open, amountOpen: found.amounts.length > 0, doubt: typed === '' ? null : 'what' }
  const counted = found.amounts[0] ?? null
  const said = whatOf(found.words, names, counted?.unit ?? null, measuring)
  const id = said.what ?? said.maybe
  const known = id === null ? null : knownOf({ what: id }, measuring)
  const weight = weightOf(found, said, known, measuring)
  // “1 cup less 2 cups” is nothing.
  const g = weight !== null && weight <= 0 ? null : weight
  const isTrace = found.amounts.length > 0 && found.amounts.every(({ unit }) => unit?.kind === 'trace')
  const amountOpen = found.amounts.length > 0 && g === null && !isTrace
  const isMissing = found.amounts.length === 0 && known !== null && 'food' in known
  const guessed = found.amounts.some(({ isGuess }) => isGuess) && (g ?? 0) >= NEGLIGIBLE_G
  const vessel = found.amounts.find(({ unit }) => unit?.kind === 'vessel')?.unit
  const isUnsized = vessel?.kind === 'vessel' && found.stated === null
  return {
    ...open,
    what: said.what,
    maybe: said.maybe,
    range: counted && counted.low < counted.high && found.amounts.length === 1 ? [counted.low, counted.high] : null,
    g,
    amountOpen,
    measure: isUnsized ? vessel.name : null,
    doubt:
      said.what === null || EACH.test(body)
        ? 'what'
        : isUnsized
          ? 'measure'
          : amountOpen || isMissing || guessed
            ? 'amount'
            : null,
  }
}

/** What weighs less is nobody's question. */
const NEGLIGIBLE_G = 2

function quantityOf(body: string, style: QuantityStyle): ReadQuantity {
  const gives = GIVES.exec(body)
  if (gives) {
    const inner = readQuantity(gives[2]!, style)
    const amounts = inner.amounts.length > 0 ? inner.amounts : [ONE]
    const what = /juice|saft|zumo|jugo/i.test(gives[0].slice(0, gives[0].length - gives[2]!.length)) ? 'juice' : 'zest'
    const [fruit = '', ...rest] = inner.words.split(',')
    return { ...inner, amounts, words: [`${fruit.replace(/s$/, '')} ${what}`, ...rest].join(',') }
  }
  const first = readQuantity(body, style)
  if (first.amounts.length > 0) {
    const given = GIVEN.exec(first.words)
    if (!given) return first
    const what = /^juice/i.test(given[1]!) ? 'juice' : 'zest'
    const fruit = first.words
      .slice(0, given.index)
      .replace(/[,\s-]+$/, '')
      .replace(/s$/, '')
    return { ...first, words: /juice|zest/i.test(fruit) ? first.words : `${fruit} ${what}` }
  }
  const last = AMOUNT_IN_BRACKETS.exec(body) ?? AMOUNT_LAST.exec(body)
  const found = last && readQuantity(last[2]!, { ...style, isAlone: true })
  if (!found || found.amounts.length === 0) return first
  return { ...found, words: [last[1], found.words, last[3]].filter(Boolean).join(' , ') }
}
const ONE: Amount = { low: 1, high: 1, unit: null, size: null, each: null, isGuess: false }

interface Said {
  what: string | null
  maybe: string | null
  /** Words beside the name that are parts: “2 thyme sprigs”. */
  parts: Part[]
  /** What one weighs, where its name says which piece is meant. */
  pieceG: number | null
}

function whatOf(text: string, names: Names, unit: Unit | null, own: OwnThings): Said {
  const [head = '', ...tail] = text.replace(/[“”"]/g, ' ').split(/\s*[,;:]\s*|\s+[-–—]\s+/)
  const after = wordsOf(tail.join(' '))
  // What is wanted stands first; after “or” stands what will do instead.
  const [main = ''] = head.split(/\s+(?:or|oder|ou|o)\s+|\s*\/\s*/i)
  const words = wordsOf(main).filter((word) => word !== 'of')
  const all = [...words, ...after]
  const canned =
    (unit?.kind === 'container' && unit.container !== 'pack') || all.some((word) => names.says.canned.has(word))
  const cooked = all.some((word) => names.says.cooked.has(word))
  const bare = words.filter((word) => !names.says.canned.has(word))
  const parts: { from: number; to: number; name: string }[] = bare.flatMap((_, from) =>
    bare.slice(from).map((__, n) => ({ from, to: from + n + 1, name: bare.slice(from, from + n + 1).join(' ') })),
  )
  // The longest run of words that is a name; of two alike the later: “chicken stock”, not “chicken”.
  parts.sort((a, b) => b.to - b.from - (a.to - a.from) || b.from - a.from)
  for (const { from, to, name } of parts) {
    const asCanned = canned || cooked ? cannedOf(name, names) : null
    const turned = after.length > 0 ? names.exact(`${after[0]} ${name}`) : null
    // “3 tomatoes, diced” come out of no can.
    const isOutOfCan = turned !== null && !canned && unit === null && turned.endsWith('-canned')
    const plain = asCanned ?? (isOutOfCan ? null : turned) ?? names.exact(name)
    if (!plain) continue
    const id = meant(plain, name, unit, all, names.says)
    const before = bare.slice(0, from)
    const others = [...before, ...bare.slice(to)]
    const known = knownOf({ what: id }, own)
    const group = known && 'ingredient' in known ? known.ingredient.group : null
    // A part of something else is another thing: “pork ribs”.
    const partWords = others.filter((word) => {
      const part = partOf(word)
      return part !== null && (names.says.prepared.has(word) || partG(id, part, group) !== null)
    })
    const isKind = to === bare.length && (names.says.heads.has(name) || names.says.heads.has(bare[to - 1]!))
    // “Cremini mushrooms” is one thing by two names.
    const left = others.filter((word) => !partWords.includes(word) && !/^\d/.test(word) && names.exact(word) !== plain)
    const isPrepared = left.every((word) => names.says.prepared.has(word))
    // “Black lentils (urad)”, “onion, garlic”, “2 cups rice, 4 cups water”: two things in one line.
    const isTwo = tail.some((segment) => {
      const other = names.exact(segment) ?? names.exact(readQuantity(segment).words)
      return other !== null && other !== plain && other !== id
    })
    const isSure =
      !isTwo &&
      (!names.isVague(name) || plain !== names.exact(name)) &&
      (isKind || isPrepared) &&
      !isOther(
        known,
        others,
        all,
        asCanned !== null || before.every((word) => !SOAKED.has(word)),
        { isSaid: canned, isKnown: asCanned !== null },
        names.says,
      )
    const found = [...partWords, ...name.split(' ').slice(1)].flatMap((word) => partOf(word) ?? [])
    const pieceG = namedPieceG(name)
    return isSure ? { what: id, maybe: null, parts: found, pieceG } : { what: null, maybe: id, parts: found, pieceG }
  }
  return { what: null, maybe: null, parts: [], pieceG: null }
}

/** “Plum tomatoes” in a can are canned tomatoes. */
function cannedOf(name: string, names: Names): string | null {
  const words = name.split(' ')
  for (let from = 0; from < words.length; from++) {
    const found = names.exact(`canned ${words.slice(from).join(' ')}`)
    if (found) return found
  }
  return null
}

function partOf(word: string): Part | null {
  const found = unitAt(word)
  return found && found.length === word.length && found.unit.kind === 'part' ? found.unit.part : null
}

/** One name that stands for two things: which of them its measure and words tell. */
function meant(id: string, name: string, unit: Unit | null, words: readonly string[], says: Words): string {
  const isFresh = words.some((word) => FRESH.has(word))
  const isSpoon = unit?.kind === 'volume' && unit.ml <= 5
  const isWhole = unit?.kind === 'length' || (unit?.kind === 'part' && unit.part !== 'handful')
  if (name === 'coriander' && isSpoon && !isFresh) return 'coriander-ground'
  if (id === 'cinnamon-ground' && name === 'cinnamon' && (isWhole || unit === null)) return 'cinnamon-stick'
  if (id === 'stock-salted' && words.some((word) => says.unsalted.has(word))) return 'stock'
  return id
}
const SOAKED = new Set(['soaked', 'sprouted'])
const FRESH = new Set(['fresh', 'chopped', 'leaves', 'leaf', 'finely', 'roughly', 'garnish'])

/** Words that make another thing of it than its name says, so that it has to be asked about. */
function isOther(
  known: Known | null,
  others: readonly string[],
  all: readonly string[],
  isDry: boolean,
  canned: { isSaid: boolean; isKnown: boolean },
  says: Words,
): boolean {
  if (!known) return false
  // “Dried peas” are no peas: nine tenths of a vegetable are water.
  if ('ingredient' in known)
    return VEGETABLES.has(known.ingredient.group) && others.some((word) => says.dried.has(word))
  const { food } = known
  if (food.soak !== null && others.includes('split')) return true
  if (food.id.endsWith('-split') && others.includes('whole')) return true
  const isFresh = all.some((word) => says.fresh.has(word))
  const isFrozen = all.some((word) => says.frozen.has(word))
  // “2 cups frozen black-eyed peas” were fewer dry, and are soon done.
  if (food.soak !== null && (isFresh || isFrozen)) return true
  // “2 cups soaked chickpeas” were fewer dry.
  if (food.soak !== null && !isDry) return true
  if (food.soak !== null && others.some((word) => says.colours.has(word))) return true
  // What is sold cooked was never so much dry.
  if (food.soak !== null && canned.isSaid && !canned.isKnown) return true
  if (food.soak !== null && !canned.isKnown && all.some((word) => says.cooked.has(word))) return true
  // What goes in frozen is not done when the same from the fridge is.
  return food.group === 'meat' && ((isFrozen && !isFresh) || all.some((word) => says.minced.has(word)))
}
const VEGETABLES: ReadonlySet<string> = new Set<StandIns>([
  'onion',
  'greens',
  'squash',
  'root',
  'soft-vegetable',
  'firm-vegetable',
])

function weightOf(
  { amounts, stated }: ReadQuantity,
  said: Said,
  known: Known | null,
  measuring: Measuring,
): number | null {
  if (amounts.length === 0) return null
  if (stated) return ofUnit(middleOf(stated), stated.unit!, known, measuring)
  let sum = 0
  for (const amount of amounts) {
    const g = gramsOfAmount(amount, said, known, measuring)
    if (g === null) return null
    sum += g
  }
  return sum
}

const SIZE_TIMES = { small: 0.6, medium: 1, large: 1.5 } as const

function gramsOfAmount(amount: Amount, { parts, pieceG: named }: Said, known: Known | null, measuring: Measuring) {
  const { unit, size, each } = amount
  const count = middleOf(amount)
  if (each) {
    const one = ofUnit(each.count, each.unit, known, measuring)
    return one === null ? null : count * one * (unit?.kind === 'container' ? leftOfCan(known) : 1)
  }
  if (unit?.kind === 'weight' || unit?.kind === 'volume' || unit?.kind === 'measure')
    return ofUnit(count, unit, known, measuring)
  if (!known) return null
  const id = 'food' in known ? known.food.id : known.ingredient.id
  const group = 'ingredient' in known ? known.ingredient.group : null
  const isDry = 'food' in known && known.food.soak !== null
  const times = size === null ? 1 : SIZE_TIMES[size]
  if (unit?.kind === 'container') return unit.container === 'can' ? count * CAN_G * leftOfCan(known) : null
  if (unit?.kind === 'length') {
    const perCm = partG(id, 'cm', group)
    return perCm === null ? null : count * unit.cm * perCm
  }
  if (unit === null && named !== null) return count * named * times
  // “1 whole garlic bulb”: the part that is named says more than “whole”.
  const isPiece = unit?.kind === 'part' && unit.part === 'piece' && parts.length > 0
  const part = unit?.kind === 'part' && !isPiece ? unit.part : unit === null || isPiece ? (parts[0] ?? null) : null
  if (unit !== null && part === null) return null
  const ofPart = part === null ? null : partG(id, part, group, isDry)
  if (ofPart !== null) return count * ofPart * times
  if (part !== null && !isWholeOne(part)) return null
  if ('food' in known && known.food.pieceG) return count * pieceG(known.food, size ?? 'medium')
  const whole = ('ingredient' in known ? known.ingredient.pieceG : null) ?? partG(id, 'whole', group)
  return whole === null ? null : count * whole * times
}
/** Parts that may be the whole of it: “2 pieces”, “3 cloves”. */
const isWholeOne = (part: Part) => ['piece', 'clove', 'stalk', 'stick', 'leaf', 'ear', 'head', 'sprig'].includes(part)

/** Of a can of pulses only what is drained goes in. */
const leftOfCan = (known: Known | null) =>
  known && 'ingredient' in known && known.ingredient.group === 'cooked-pulse' ? CAN_DRAINED_SHARE : 1

function ofUnit(count: number, unit: Unit, known: Known | null, { cupMl = CUP_ML }: Measuring): number | null {
  if (unit.kind === 'weight') return count * unit.g
  if (unit.kind !== 'volume' && unit.kind !== 'measure') return null
  if (!known) return null
  const { cupG } = 'food' in known ? known.food : known.ingredient
  const ml = unit.kind === 'volume' && unit.isCup ? cupMl : unit.ml
  return cupG === null ? null : (count * ml * cupG) / CUP_ML
}
