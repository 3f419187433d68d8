import { failed, problem, type Outcome } from '../problem'
import { durationsIn } from '../quantity/duration'
import { readQuantity } from '../quantity/quantity'
import { MOST_RECIPE, tooLong, type Recipe, type RecipeStep } from './recipe'
import { parted, servingsOf, stepOf } from './recipe-text'

const INGREDIENTS_HEADING =
  /^\W*(ingredients|you need|you will need|you[’']ll need|what you need|zutaten|ingredientes|ingrédients|ingredienti|सामग्री|सामान)(?![\p{L}\p{M}]).{0,40}$/iu
const STEPS_HEADING =
  /^\W*(method|directions|instructions|steps|preparation|how to|procedure|zubereitung|preparación|préparation|preparo|procedimento|cooking|so geht['’]?s|elaboración|modo de preparación|विधि|बनाने की विधि)(?![\p{L}\p{M}])[^.]{0,30}$/iu
const SERVES =
  /\b(?:serves|servings?|feeds|yield)\D{0,12}\d+|\bfor \d+ (?:people|persons?)|^\W*(?:makes|yields?)\s+(?:about\s+|approx\.?\s+|ca\.?\s+)?\d|\b\d+(?:\s*(?:-|–|to|bis|a)\s*\d+)?\s+(?:servings?|portions?|people|portionen|personen|personas|porciones|raciones|लोगों|व्यक्तियों)(?![\p{L}\p{M}])/iu
/** What stands about a recipe and is none of its lines. */
const META =
  /^\W*(?:(?:prep|cook|total|ready)\b\s*[:\-–]?\s*\d+\s*(?:mins?|minutes?|h|hrs?|hours?)|(?:prep(?:aration)?|cook(?:ing)?|total|ready|active|resting|soaking|marinating|hands[- ]on|additional)\s*(?:time|in)|time|difficulty|cuisine|course|category|author|published|updated|calories|nutrition|rating|keywords?|diet|level|print|pin|jump to)\b\s*[:\-–]?/i
const NUMBERED = /^\s*(?:step\s*)?\d+\s*[.):]\s+/i
const LOOKS_MEASURED =
  /^[\s•·*▢□–—-]*(?:\d|[½¼¾⅓⅔⅛]|an?\s|a few|(?:half|one|two|three|four)\s|handful|pinch|salt\b|juice of)/i
/** “Temper with 1 tsp oil, ½ tsp mustard seeds”. */
export const PART_WITH = /^(temper|season|garnish)\s+with\s+(?=[\d½¼¾])([^.;]*)$/i
/** “Rice – 1 cup”, “To temper: oil 2 tsp, mustard ½ tsp”. */
const MEASURED_LAST = /[-–—:]\s*[\d½¼¾]|^[^\d.:]{3,40}:\s[^.:]*[\d½¼¾][^.:]*$/
/** “rajma 200g soaked overnight”, “onions 2 med, chopped”. */
const NAMED_FIRST =
  /^[\p{L}\p{M}][^\d½¼¾⅓⅔⅛.:;]{1,30}\s(?![\d\s–-]+(?:min|hour|hr|h\b|std|stund|hora|whistle|pfiff|pitido|मिनट|घंट|सीटी))[\d½¼¾⅓⅔⅛]/iu
const LOOKS_DONE =
  /^(?:soak|heat|add|cook|fry|boil|bring|simmer|rinse|wash|drain|mix|stir|close|pressure[\s-]cook|chop|peel|serve|pour|place|put|in an?|once|when|let|turn|open|mash|blend|temper|saut[ée]|dredge|brown(?=\s+(?:the|them|it|in|on)\s)|toast|season|transfer|combine|whisk|marinate|remove|sprinkle|garnish|lock|seal|set|preheat|grind|dice|cover|lower|return|toss|fold|melt|warm|roast|meanwhile|after|while|then|now|first|next|finally|release|discard|take|keep|leave|make sure)(?![\p{L}\p{M}-])/iu
/** “For the sauce:”, “to serve”, “MASALA:”: what follows is one part of it. */
const GROUP_HEADING = /^(?:for|to)\s+[^\d½¼¾.,]{2,40}$|^[^\d½¼¾.]{2,40}:$/i
/** A line of a list has no more words; what has more is told in sentences. */
const MOST_LISTED_WORDS = 14
const MOST_LISTED_CHARACTERS = 120
/** Of what nobody says how much, a name has no more words than that. */
const MOST_NAME_WORDS = 5
/** Of a list at the very end. */
const MOST_LAST_WORDS = 3

const words = (line: string) => line.split(/\s+/).length
/** “TOPPINGS”. */
const CAPITALS = /^\p{Lu}[\p{Lu}\s]{3,30}$/u
const isGroupHeading = (line: string) => (GROUP_HEADING.test(line) || CAPITALS.test(line)) && !LOOKS_DONE.test(line)
/** It says how much of something, and nothing that is done. */
const isMeasured = (line: string) =>
  line.length < MOST_LISTED_CHARACTERS &&
  (LOOKS_MEASURED.test(line) || MEASURED_LAST.test(line) || NAMED_FIRST.test(line) || PART_WITH.test(line)) &&
  !NUMBERED.test(line) &&
  (!LOOKS_DONE.test(line) || PART_WITH.test(line)) &&
  !isSentence(line) &&
  durationsIn(line)[0]?.index !== 0

/** A recipe as it is typed or pasted: a name, lines of ingredients, then what to do; or all of it in sentences. */
export function fromPlain(text: string): Outcome<Recipe> {
  const all = text.split(/\r?\n/).map((one) => one.trim())
  const lines = all.filter(Boolean)
  if (lines.length > MOST_RECIPE.ingredients + MOST_RECIPE.steps + 60) return failed(tooLong())
  const ingredients: string[] = []
  const steps: RecipeStep[] = []
  let servings: number | null = null
  let part: 'unsaid' | 'ingredients' | 'steps' = 'unsaid'
  let section: string | null = null
  const isNamed = lines.length > 1 && isName(lines[0]!, all[1]!)
  const rest = isNamed ? lines.slice(1) : lines
  for (const [i, line] of rest.entries()) {
    const serves = ingredients.length === 0 && steps.length === 0 && line.length < 60 ? SERVES.exec(line) : null
    if (serves) servings = servingsOf(line) ?? servingsOf(serves[0])
    else if (steps.length === 0 && META.test(line)) continue
    else if (INGREDIENTS_HEADING.test(line)) part = 'ingredients'
    else if (STEPS_HEADING.test(line)) part = 'steps'
    // Of another part what goes in may stand below the steps of the first.
    else if (
      isGroupHeading(line) &&
      (isListed(rest[i + 1], part) || (CAPITALS.test(line) && ingredients.length > 0 && isBareNameAt(rest, i + 1)))
    ) {
      ingredients.push(`${line.replace(/:$/, '')}:`)
      if (part === 'steps') part = 'unsaid'
    } else if (
      part !== 'steps' &&
      !NUMBERED.test(line) &&
      line.length < MOST_LISTED_CHARACTERS &&
      (part === 'ingredients'
        ? !isSentence(line)
        : isMeasured(line) || (ingredients.length > 0 && (isBareNameAt(rest, i) || isWithinList(line, rest[i + 1]))))
    )
      ingredients.push(line)
    else if (
      part === 'unsaid' &&
      ingredients.length === 0 &&
      !NUMBERED.test(line) &&
      !LOOKS_DONE.test(line) &&
      (!/\d/.test(line) || (rest[i + 1] !== undefined && isMeasured(rest[i + 1]!)))
    )
      continue
    else {
      part = 'steps'
      const short = /:$/.test(line) && line.length < 60
      if (short) section = line.replace(/:$/, '')
      else for (const one of parted(line.replace(NUMBERED, ''))) steps.push(stepOf(one, section, null))
    }
  }
  if (ingredients.length === 0) ingredients.push(...amountsIn(steps.map((one) => one.text).join('\n')))
  if (ingredients.length === 0) return failed(problem('recipe-none', ''))
  if (ingredients.length > MOST_RECIPE.ingredients || steps.length > MOST_RECIPE.steps) return failed(tooLong())
  return {
    ok: true,
    value: {
      name: isNamed ? lines[0]!.slice(0, 80) : '–',
      servings,
      ingredients,
      steps,
      totalMinutes: null,
      leftOut: [],
      own: null,
    },
  }
}
/** “Three bean chili” is a name if a gap or the portions follow, and an ingredient if others do. */
function isName(line: string, next: string): boolean {
  if (line.length > 80 || LOOKS_DONE.test(line)) return false
  return !LOOKS_MEASURED.test(line) || (/^\p{L}/u.test(line) && (next === '' || SERVES.test(next)))
}
const isListed = (line: string | undefined, part: 'unsaid' | 'ingredients' | 'steps') =>
  line !== undefined && (isMeasured(line) || (part === 'ingredients' && !isSentence(line) && !STEPS_HEADING.test(line)))
/** “Croutons”, “salt, pepper”, “cooked rice for serving”: of which nobody says how much. */
const isBareName = (line: string) =>
  words(line) <= MOST_NAME_WORDS && !/[.!?:]$/.test(line) && !LOOKS_DONE.test(line) && /\p{L}/u.test(line)
/** “Lemon-size tamarind, soaked in 1 cup of hot water”: no step, where more of the list follows it. */
const isWithinList = (line: string, next: string | undefined) =>
  next !== undefined && isMeasured(next) && !LOOKS_DONE.test(line) && !/[.!?:]$/.test(line)
/** A short line is a name, and no short step, if more of the list or whole sentences follow it. */
function isBareNameAt(lines: readonly string[], at: number): boolean {
  if (lines[at] === undefined || !isBareName(lines[at])) return false
  // No step has one word.
  if (words(lines[at]) === 1) return true
  const next = lines.slice(at + 1).find((line) => isMeasured(line) || !isBareName(line))
  if (next === undefined) return words(lines[at]) <= MOST_LAST_WORDS
  return (
    isMeasured(next) || isGroupHeading(next) || NUMBERED.test(next) || STEPS_HEADING.test(next) || /[.!]$/.test(next)
  )
}
const isSentence = (line: string) =>
  /[.!]$/.test(line) && ((LOOKS_DONE.test(line) && words(line) > 4) || words(line) > MOST_LISTED_WORDS)

/** What is measured in sentences: “Cook 1 cup toor dal with 3 cups water for 4 whistles.” */
export function amountsIn(text: string): string[] {
  const times = durationsIn(text)
  const found: string[] = []
  let end = 0
  for (const { index } of text.matchAll(
    /(?<![\p{L}\d.,/½¼¾])(?:\d|[½¼¾⅓⅔]|an?\s+(?:few|pinch|handful|cup|tablespoon|teaspoon|sprig|bunch)\b|one\b|two\b|half\b)/giu,
  )) {
    if (index < end || times.some((one) => index >= one.index && index < one.index + one.length)) continue
    const [line = ''] = text
      .slice(index, index + MOST_LISTED_CHARACTERS)
      .split(/[,.;:()+\n](?!\d)|\s+(?:and|with|for|in|until|till|to|into|under|over|on|then|at|plus)\s+/i)
    const { amounts, words } = readQuantity(line.trim())
    if (
      amounts.length > 0 &&
      /\p{L}/u.test(words) &&
      !/^(?:whistles?|times?|x\b|°|degrees?|parts?|more)\b/i.test(words)
    ) {
      found.push(line.trim())
      end = index + line.length
    }
  }
  return found
}
