import { knownOf, type Known } from '../dish/contents'
import type { DishLine, Stage } from '../dish/dish.schema'
import type { StageKind } from '../dish/names'
import { readLine, type Measuring, type Names, type ReadLine } from './line'
import { nameKey, wordsOf } from './name-key'
import { amountsIn } from './recipe-plain'
import { exceptedIn, withoutExcepted } from './step'

/** Words of a line by which a step names it; with all that say how it is prepared too, where they are asked for. */
export function wordsNaming(typed: string, names: Names, isWhole = false): string[] {
  const [main = ''] = typed
    .replace(/\([^)]*\)/g, ' ')
    .replace(RICE_CUPS, ' ')
    .split(AFTER_NAME)
  return wordsOf(main)
    .filter((word) => !/\d/.test(word) && word.length >= LEAST_WORD && !UNIT_WORDS.has(word))
    .filter((word) => isWhole || !names.says.prepared.has(word))
    .map(stem)
}
/** “Tamarind soaked in 1 cup water” is no water. */
const AFTER_NAME = /,|\b(?:soaked|dissolved|steeped|mixed)\s+(?:in|with)\b/
const RICE_CUPS = /\brice[\s-](?:cooker[\s-])?cups?\b/gi
const LEAST_WORD = 3
/** A shorter word begins or ends others by chance. */
const LEAST_PART = 5
/** “Leaves” are no “leave”. */
export const stem = (word: string) => (word === 'leaves' ? 'leaf' : word.replace(/(?<=..)(?:ies|es|s)$/, ''))
const UNIT_WORDS = new Set(
  'cup cups tbsp tsp tablespoon tablespoons teaspoon teaspoons gram grams ounce ounces pound pounds litre litres liter liters inch inches piece pieces can cans tin tins jar packet pack pinch handful bunch sprig sprigs clove cloves stalk stalks head heads slice slices and for the with from'.split(
    ' ',
  ),
)

/** A stage with the words that tell of it, what is done in English. */
export interface Told {
  stage: Stage
  text: string
  section: string | null
}

/** The stems of a text, with a comma between what is no one name: “tomatoes, purée”. */
const inClauses = (text: string) =>
  text
    .split(/[,;.:]/)
    .map((clause) => wordsOf(clause).map(stem).join(' '))
    .join(' , ')

/** Puts a line where a step first speaks of it, and again where it says so; the stages that name it. */
export function place(
  { id, what, g }: DishLine,
  { typed, isDivided }: ReadLine,
  section: string | null,
  told: readonly Told[],
  others: readonly string[],
  names: Names,
  own: Measuring,
): Stage[] {
  const stages = told.map(({ stage }) => stage)
  const spoken = told.map(({ text }) => withoutExcepted(text))
  const texts = (what === 'black-pepper' ? spoken.map(withoutPeppers) : spoken).map(withSlurry)
  const english = names.inEnglish?.(typed) ?? typed
  const words = wordsNaming(english, names)
  const whole = wordsNaming(english, names, true)
  const known = knownOf({ what }, own)
  const said = texts.map((text) =>
    others.reduce((left, one) => left.replaceAll(` ${one} `, ' '), ` ${inClauses(text)} `),
  )
  const measured = wordsOf(english.replace(/^([\d½¼¾⅓⅔./\s-]+\p{L}+(?:\s+of)?\s+\p{L}+).*$/u, '$1'))
    .map(stem)
    .join(' ')
  // “For the tempering”: its lines go where it is tempered.
  const isTempering = section !== null && /temper|tadka|tarka/i.test(section)
  const isOfSection = (i: number) =>
    section === null || told[i]!.section === null ? null : nameKey(section) === nameKey(told[i]!.section!)
  // “Brown the beef” names no beef stock.
  const heads = wordsOf(english.split(',')[0]!).filter((word) => names.says.heads.has(word))
  const head = heads.length > 0 ? stem(heads[0]!) : null
  // “Brühe” is the end of “Rinderbrühe”, “Paprika” the beginning of “Paprikapulver”.
  const isPartNamed = (i: number) =>
    wordsOf(texts[i]!).some(
      (said) =>
        said.length >= LEAST_PART &&
        wordsOf(typed)
          .map(stem)
          .some((word) => word.length > said.length && (word.startsWith(said) || word.endsWith(said))),
    )
  const isForSoak = what === 'water' && /\bsoak/i.test(english)
  // “Rinse it until the water is clear.”
  const isRinsed = (i: number) =>
    what === 'water' && BATHS.has(stages[i]!.kind) && stages[i]!.kind !== 'soak' && amountsIn(texts[i]!).length === 0
  const isMeasuredAt = (i: number) => measured !== '' && said[i]!.includes(` ${measured} `)
  const scores = stages.map((_, i) => {
    const all = words.filter((word) => said[i]!.includes(` ${word} `)).length / Math.max(words.length, 1)
    const bySection = isOfSection(i)
    const fits = bySection ?? (isTempering ? stages[i]!.kind === 'temper' : null)
    if (all === 0 || fits === false || (head !== null && !said[i]!.includes(` ${head} `))) return 0
    // “Coriander leaves” are not the coriander powder of a step before; “4 cups of water” are where that is said.
    const phrase = whole.filter((word) => said[i]!.includes(` ${word} `)).length / Math.max(whole.length, 1)
    const isBath =
      what === 'water' && (BATHS.has(stages[i]!.kind) || (stages[i]!.kind !== 'pot' && COVERED.test(texts[i]!)))
    if (isRinsed(i) || (isForSoak && stages[i]!.kind !== 'soak')) return 0
    return (all + (fits === true ? 1 : 0) + PHRASE_WEIGHS * phrase + (isMeasuredAt(i) ? 1 : 0)) * (isBath ? 0.5 : 1)
  })
  const best = Math.max(...scores, 0)
  if (best === 0) {
    // By another of its names, or by what it is: “the beans”, “the dal”.
    const named = stages.filter((_, i) => !isRinsed(i) && isNamedIn(texts[i]!, what, known, names))
    const ofTempering = isTempering ? stages.filter(({ kind }) => kind === 'temper') : []
    const part = whole.find((word) => PARTS.has(word))
    const byPart = stages.filter((_, i) => part !== undefined && said[i]!.includes(` ${part} `))
    const found =
      byPart.length > 0
        ? byPart
        : named.length > 0
          ? named
          : ofTempering.length > 0
            ? ofTempering
            : stages.filter((_, i) => isPartNamed(i))
    found[0]?.takes.push({ line: id })
    return found
  }
  const parts = partsOf({ id, what, g }, words, stages, scores, texts, names, own)
  if (parts) return parts
  // The last word of a name says what it is: “lemon juice” is no lemon grass. A step that has all words goes before.
  // “Oil, plus more for drizzling” goes in where oil is first spoken of.
  const wanted = isDivided
    ? 0
    : known && 'food' in known && !stages.some((_, i) => isMeasuredAt(i))
      ? Math.min(best, 0.5)
      : best
  const first = scores.findIndex((score) => score >= wanted - 1e-9 && score > 0)
  stages[first]!.takes.push({ line: id })
  const again = stages.filter(
    (_, i) =>
      i > first &&
      scores[i]! > 0 &&
      (isDivided || saysRest(texts[i]!, words)) &&
      said[i]!.includes(` ${words.at(-1)!} `),
  )
  for (const stage of again) stage.takes.push({ line: id })
  return stages.filter((_, i) => scores[i]! > 0)
}

/** A step without what it takes out again: “fluff, and discard the bay leaf”. */
export const withoutTakenOut = (text: string) =>
  text.replace(
    /\b(?:take out|taking out|remove|removing|discard|discarding|fish out|pick out|lift out)\s+(?!(?:it |the \w+ )?(?:from|off)\b)[^,.;]+/gi,
    ' ',
  )

/** Where steps say how much of a line goes in at each: “4 cups of the water”, “the remaining 4 cups”. */
function partsOf(
  { id, what, g }: Pick<DishLine, 'id' | 'what' | 'g'>,
  words: readonly string[],
  stages: readonly Stage[],
  scores: readonly number[],
  texts: readonly string[],
  names: Names,
  own: Measuring,
): Stage[] | null {
  if (what === null || g === null) return null
  const part = (text: string) =>
    amountsIn(text)
      .map((line) => readLine(line.replace(/\b(?:of )?the\b/g, ' '), names, own))
      .find((line) => line.what === what && line.g !== null)?.g ?? null
  const found = stages.flatMap((stage, i): { stage: Stage; partG: number | null }[] => {
    const partG = scores[i]! > 0 ? part(texts[i]!) : null
    if (partG !== null && partG < MOST_OF_PART * g) return [{ stage, partG }]
    return scores[i]! > 0 && saysRest(texts[i]!, words) ? [{ stage, partG: null }] : []
  })
  const known = found.slice(0, -1)
  const knownG = known.reduce((sum, { partG }) => sum + (partG ?? 0), 0)
  if (known.length === 0 || known.some(({ partG }) => partG === null) || knownG > MOST_OF_PART * g) return null
  for (const { stage, partG } of known) stage.takes.push({ line: id, g: partG! })
  found.at(-1)!.stage.takes.push({ line: id })
  return found.map(({ stage }) => stage)
}
/** What is nearly all of a line is no part of it. */
const MOST_OF_PART = 0.95

/** A slurry is of starch. */
const withSlurry = (text: string) => text.replace(/\bslurry\b/gi, 'slurry , cornstarch , cornflour')
/** “Add the rind”: a step names only which part of it. */
const PARTS: ReadonlySet<string> = new Set(['rind', 'peel', 'zest'])

/** Bell peppers and chillies are no pepper. */
const withoutPeppers = (text: string) =>
  text.replace(
    /\b(?:black|white|ground|cracked)\s+pepper|\bsalt(?:\s*(?:and|&|,)\s*|\s+)pepper|\bpeppers?\b/gi,
    (found) => (/^peppers?$/i.test(found) && !/\bseason|\bsalt\b/i.test(text) ? '' : found),
  )

/** Of two steps that name a line, it goes in where most of its part of the recipe does: the pepper of the sofrito. */
export function withTheirPart(
  lines: readonly DishLine[],
  placed: readonly Stage[][],
  sections: readonly (string | null)[],
  stages: readonly Stage[],
): void {
  const takers = lines.map(({ id }) => stages.filter(({ takes }) => takes.some(({ line }) => line === id)))
  const votes = (stage: Stage, i: number) =>
    takers.filter((of, other) => other !== i && sections[other] === sections[i] && of.includes(stage)).length
  lines.forEach(({ id }, i) => {
    const [only, ...others] = takers[i]!
    if (!only || others.length > 0 || sections[i] === null) return
    const better = placed[i]!.find((stage) => votes(stage, i) > votes(only, i))
    if (!better || votes(only, i) > 0) return
    only.takes = only.takes.filter(({ line }) => line !== id)
    better.takes.push({ line: id })
  })
}
/** How much the words of its preparing weigh beside those of its name. */
const PHRASE_WEIGHS = 0.4
/** “Cover with water”, of which nobody says how much. */
const COVERED = /\bcover(?:ed)?\b[^.,]*\bwater\b/i
/** What is washed or soaked in water takes none of what is measured for the pot. */
const BATHS: ReadonlySet<StageKind> = new Set(['soak', 'prepare', 'drain'])

const GENERIC: Readonly<Record<string, RegExp>> = {
  rice: /\b(?:rice|grains?)\b/i,
  millet: /\b(?:millets?|grains?)\b/i,
  grain: /\bgrains?\b/i,
  dal: /\b(?:dals?|dhal|lentils?|pulses?|peas|split peas)\b/i,
  pulse: /\b(?:dals?|lentils?|beans?|pulses?|peas|legumes?)\b/i,
  bean: /\b(?:beans?|legumes?)\b/i,
  meat: /\b(?:meat|pieces)\b/i,
}
function isNamedIn(text: string, what: string | null, known: Known | null, names: Names): boolean {
  if (what === null) return false
  const words = wordsOf(text)
  const isCalled = words.some(
    (word, i) => names.exact(word) === what || (i > 0 && names.exact(`${words[i - 1]!} ${word}`) === what),
  )
  return isCalled || (known !== null && 'food' in known && (GENERIC[known.food.group]?.test(text) ?? false))
}
const REST_OF = /\b(?:rest of|remaining|reserved|other half|second half|half (?:of )?the)\b([^,.;]{0,40})/gi
/** “The remaining beans”, and not “the beans and the remaining water”. */
const saysRest = (text: string, words: readonly string[]) =>
  [...text.matchAll(REST_OF)].some(([, what = '']) => {
    const named = ` ${wordsOf(what.split(/\s+(?:and|with|in|into|to)\s+/)[0]!)
      .map(stem)
      .join(' ')} `
    return words.some((word) => named.includes(` ${word} `))
  })

/** Groups by which a step speaks of several: “the spices”, “all ingredients”. */
const GROUPS: readonly [RegExp, (group: string, what: string | null) => boolean][] = [
  [/\bwhole spices?\b/i, (group) => group === 'whole-spice' || group === 'leaf'],
  [
    /\b(?:ground|powdered|dry) spices?\b|\bspice powders?\b|\bpowders\b|\bmasalas?\b/i,
    (group) => group === 'ground-spice' || group === 'chilli',
  ],
  [
    /(?<!\b(?:whole|ground|powdered|dry) )\bspices\b|\bseasonings?\b/i,
    (group) => ['whole-spice', 'ground-spice', 'leaf', 'chilli', 'salt'].includes(group),
  ],
  [/\bherbs\b/i, (group) => group === 'fresh-herb' || group === 'leaf'],
  [
    /\bvegetables\b|\bveggies\b|\bveg\b/i,
    (group) =>
      [
        'root',
        'squash',
        'soft-vegetable',
        'firm-vegetable',
        'greens',
        'mushroom',
        'vegetable',
        'tomato',
        'onion',
      ].includes(group),
  ],
  [/\bseason\b/i, (group, what) => group === 'salt' || what === 'black-pepper'],
  [
    /\b(?:all|rest of|remaining|other)\b(?![^.]*\b(?:tadka|tarka|tempering|marinade|sauce)\s+ingredients)[^.]*\bingredients\b|\beverything\b|\bit all\b|\ball of it\b/i,
    () => true,
  ],
]

/** Puts lines that no step names where it speaks of their kind, or of everything. */
export function placeGroups(
  lines: readonly DishLine[],
  sectionOf: ReadonlyMap<string, string | null>,
  told: readonly Told[],
  own: Measuring,
): void {
  for (const line of lines) {
    const known = knownOf({ what: line.what ?? line.maybe ?? null }, own)
    const group = !known ? '' : 'food' in known ? known.food.group : known.ingredient.group
    const words = wordsOf(`${line.typed} ${sectionOf.get(line.id) ?? ''}`).map(stem)
    const at = told.find(({ text }) => {
      const excepted = wordsOf(exceptedIn(text)).map(stem)
      return (
        !words.some((word) => excepted.includes(word)) &&
        GROUPS.some(([said, holds]) => said.test(text) && holds(group, line.what))
      )
    })
    at?.stage.takes.push({ line: line.id })
  }
}
