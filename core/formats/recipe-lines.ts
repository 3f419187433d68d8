import { findIngredient } from '../ingredient/ingredients'
import { readLine, type Measuring, type Names } from './line'
import { wordsOf } from './name-key'
import type { Recipe } from './recipe'
import { amountsIn, PART_WITH } from './recipe-plain'
import { wordsNaming } from './recipe-placing'

/** “Salt and pepper”, of which nobody says how much, are two lines. */
const SALT_AND_PEPPER =
  /^([^\d½¼¾]*\b(?:salt|salz|sal))\s*(?:and|und|y|&|,)\s*([^\d½¼¾,]*\b(?:pepper|pfeffer|pimienta)\b)(.*)$/i
const S_AND_P = /^\W*s\s*(?:&|\+|\/|and|n)\s*p\b\W*(?:to taste|as needed)?\W*$/i
/** “For the tempering: 1 tbsp oil, 1 tsp cumin”: a part of the recipe with what goes in. */
const PART_AHEAD = /^([^\d½¼¾:]{3,40}):\s*(\S.*)$/
/** “Oil and salt”, of which nobody says how much. */
const UNMEASURED_TWO = /^[^\d½¼¾]*$/
/** “1 carrot + 1 potato”, “1 tbsp oil, 1 tsp cumin, a pinch of turmeric”: before each, how much of it. */
const BEFORE_AMOUNT =
  /\s*(?:[,;+&]|\band\b)\s*(?=[\d½¼¾⅓⅔⅛]|(?:an?|few)\s+(?:few\s+)?(?:pinch|handful|bunch|sprig|dash)\b|a\s+few\s+\p{L})/iu

/** “Saffron soaked in 2 tbsp milk”, “1 cup flour mixed with 1 cup milk”: the milk goes in too. */
const IN_MILK = /\s(?:soaked|dissolved|steeped|mixed)\s+(?:in|with)\s+([\d½¼¾⅓⅔⅛][^,;]*\bmilk)\b/i
const NAMED_BEFORE_AMOUNT = /^[\p{L}\p{M}][^\d½¼¾⅓⅔⅛]*[\s–:=-][\d½¼¾⅓⅔⅛][\d\s/.½¼¾–-]*(?:\p{L}+\.?)?$/u

const ENDS_IN_MEASURE = /\d\s*(?:cups?|tbsp|tsp|tablespoons?|teaspoons?|g|kg|ml|oz|lbs?)\.?$/i

/** “1/3 cup rice, 1/3 cup of something”: what is measured is a line of its own, though it has to be asked about. */
const MEASURED_APART =
  /^a few \p{L}|^[\d½¼¾⅓⅔⅛][\d\s/.½¼¾⅓⅔⅛–-]*(?:cups?|tbsp|tsp|tablespoons?|teaspoons?|g|kg|ml|oz|lbs?)\b\.?\s+(?!each|drained|chopped|diced|sliced|in all|total|when|after|cooked|of )\p{L}/iu

/** The lines that stand in one line. */
export function apart(text: string, isRead: (line: string) => boolean): string[] {
  if (S_AND_P.test(text)) return ['salt', 'pepper']
  const found = SALT_AND_PEPPER.exec(text)
  if (found) return [`${found[1]!}${found[3]!}`, `${found[2]!}${found[3]!}`]
  const [, part = '', listed = ''] = PART_AHEAD.exec(text) ?? PART_WITH.exec(text) ?? []
  const isPart = part !== '' && !isRead(part)
  const [, milk = ''] = IN_MILK.exec(text) ?? []
  if (milk !== '' && isRead(milk)) return [text, milk]
  // “Jeera 1 tsp, bay leaf 1, cloves 3”.
  const named = text.split(/\s*[,;]\s*/)
  const isNamed = (one: string) => NAMED_BEFORE_AMOUNT.test(one) && (isRead(one) || ENDS_IN_MEASURE.test(one))
  if (named.length > 1 && isRead(named[0]!) && named.every(isNamed)) return named
  const several = (each: string[]) =>
    each.length > 1 && each.every((one, i) => isRead(one) || (i > 0 && MEASURED_APART.test(one)))
  const each = isPart
    ? listed.split(/\s*[,;]\s*/)
    : text.split(UNMEASURED_TWO.test(text) ? /\s+(?:and|und|y|&)\s+/ : BEFORE_AMOUNT)
  if (!several(each)) return [text]
  return isPart ? [`${part}:`, ...each] : each
}

/** What a step measures and no line names: “add 1 tsp soda”. How much water goes in is worked out. */
export function onlyInSteps(
  { steps }: Recipe,
  listed: readonly string[],
  names: Names,
  measuring: Measuring,
): string[] {
  const words = new Set(listed.flatMap((one) => wordsNaming(one, names, true)))
  const whats = new Set(listed.map((one) => readLine(one, names, measuring).what))
  const told = steps.map(({ text }) => text).join('\n')
  // Of a recipe that is told in sentences alone, what nobody measures is named there too: “… and curry leaves”.
  const unmeasured = listed.every((one) => told.includes(one)) ? seasoningsIn(told, whats, names) : []
  const measured = amountsIn(told).filter((line) => {
    const { what } = readLine(line, names, measuring)
    return (
      what !== null &&
      what !== 'water' &&
      !whats.has(what) &&
      !wordsNaming(line, names, true).some((word) => words.has(word))
    )
  })
  return [...measured, ...unmeasured]
}

/** Herbs, leaves and spices that a text names; of each the longest name. */
function seasoningsIn(text: string, known: ReadonlySet<string | null>, names: Names): string[] {
  const found = new Map<string, string>()
  for (const clause of text.split(/[,.;:()\n]|\s+(?:and|with|in|into|to|or)\s+/i)) {
    const words = wordsOf(clause)
    for (let at = 0; at < words.length;) {
      const length = [3, 2, 1].find((n) => at + n <= words.length && names.exact(words.slice(at, at + n).join(' ')))
      const name = words.slice(at, at + (length ?? 1)).join(' ')
      const what = length === undefined ? null : names.exact(name)
      const of = what ? findIngredient(what) : undefined
      if (what && of && SEASONINGS.has(of.group) && !known.has(what) && !found.has(what)) found.set(what, name)
      at += length ?? 1
    }
  }
  return [...found.values()]
}
const SEASONINGS: ReadonlySet<string> = new Set(['fresh-herb', 'leaf', 'whole-spice', 'ground-spice', 'salt'])
