import type { WrittenFigure } from '../dish/dish.schema'
import type { StageKind } from '../dish/names'

// English, as the recipes are; another language is another list of words.

const NUMBER = '(\\d+(?:[.,]\\d+)?)(?:\\s*(?:-|–|to|or)\\s*(\\d+(?:[.,]\\d+)?))?'
const HOURS = new RegExp(`${NUMBER}\\s*(?:h|hrs?|hours?)\\b`, 'i')
const MINUTES = new RegExp(`${NUMBER}\\s*(?:min|mins|minutes?)\\b`, 'i')

const middle = (found: RegExpExecArray, at = 1) => {
  const low = Number(found[at]!.replace(',', '.'))
  return found[at + 1] ? (low + Number(found[at + 1]!.replace(',', '.'))) / 2 : low
}

/** The first time that a text tells, in minutes; of “8 to 10 minutes” the middle. */
export function minutesIn(text: string): number | null {
  const hours = HOURS.exec(text)
  const minutes = MINUTES.exec(text)
  if (!hours && !minutes) return null
  const both = hours && minutes && minutes.index > hours.index && minutes.index - hours.index < 20
  if (hours && (!minutes || both || hours.index < minutes.index))
    return middle(hours) * 60 + (both ? middle(minutes) : 0)
  return middle(minutes!)
}

const WHISTLES = new RegExp(`${NUMBER}\\s*whistles?`, 'i')
/** “Natural release for 10 minutes”, and “10 minutes natural release”. */
const FALLS_FOR = new RegExp(`(?:natural(?:ly)?|npr)[^.;]{0,40}?${NUMBER}\\s*(?:min|mins|minutes?)`, 'i')
const FOR_IT_TO_FALL = new RegExp(`${NUMBER}[\\s-]*(?:min|mins|minutes?)\\s*(?:of\\s*)?natural`, 'i')

/** The figure that a recipe gives for a pot; null where it gives none. */
export function figureIn(text: string): WrittenFigure | null {
  const release = /natural(?:ly)?|npr|by itself|on its own/i.test(text)
    ? 'natural'
    : /quick|qpr|release the (?:pressure|steam)|open the valve/i.test(text)
      ? 'quick'
      : null
  const whistles = WHISTLES.exec(text)
  // The minutes of the pressure, not those of the release that follows: of one time alone nobody waits twice.
  const withoutFall = text.replace(FALLS_FOR, '')
  const rest = withoutFall.replace(FOR_IT_TO_FALL, '')
  const tellsBoth = whistles !== null || minutesIn(rest) !== null
  const cooking = tellsBoth ? rest : withoutFall
  const after = FALLS_FOR.exec(text) ?? (tellsBoth ? FOR_IT_TO_FALL.exec(text) : null)
  const common = { release, releaseAfterMinutes: release === 'natural' && after ? middle(after) : null } as const
  if (whistles) return { kind: 'whistles', figure: Math.round(middle(whistles)), ...common }
  if (/pressure/i.test(cooking)) {
    const minutes = minutesIn(cooking)
    if (minutes !== null)
      return { kind: /low pressure/i.test(text) ? 'low-pressure' : 'high-pressure', figure: minutes, ...common }
  }
  if (/slow[ -]?cook/i.test(text)) {
    const minutes = minutesIn(text)
    if (minutes !== null) return { kind: 'slow', figure: minutes, ...common }
  }
  if (/simmer|boil|cook (?:covered|over)/i.test(text)) {
    const minutes = minutesIn(text)
    if (minutes !== null) return { kind: 'simmer', figure: minutes, release: null, releaseAfterMinutes: null }
  }
  return null
}

/** The words by which a kind of stage is known, the most telling first. */
const KNOWN_BY: readonly (readonly [StageKind, RegExp])[] = [
  ['pot', /whistle|pressure|multicooker|multi-cooker|rice cooker|slow[ -]?cook/i],
  ['soak', /\bsoak/i],
  ['marinate', /marinat|coat .* and (?:leave|rest)/i],
  ['temper', /temper|tadka|tarka|pour (?:the )?(?:hot )?(?:oil|ghee)/i],
  ['dry-roast', /dry[- ]?roast|toast .*(?:dry|without oil)|dry pan/i],
  ['drain', /\bdrain|\bstrain/i],
  ['mash', /\bmash|\bblend|pur[ée]e|blitz/i],
  [
    'simmer',
    /simmer|bring .* to (?:a |the )?boil|\bboil|cook (?:until|for|gently|covered|uncovered|over)|reduce|thicken/i,
  ],
  [
    'fry',
    /\bfry|saut[ée]|brown|sweat|soften .* onion|heat (?:the )?(?:oil|ghee|butter)|sizzle|cook .* (?:oil|ghee|butter)/i,
  ],
  ['fluff', /fluff/i],
  ['rest', /\brest\b|stand|leave covered|cover and leave|set aside (?:for )?\d/i],
  ['chill', /fridge|refrigerat|freez|cool completely/i],
  ['prepare', /\bchop|\bcut|\bpeel|\bslice|\bgrate|\bwash|\brinse|\bsort|pick over|mince|grind/i],
]

/** What a step of a recipe is; stirred together where nothing tells. */
export function kindIn(text: string): StageKind {
  return KNOWN_BY.find(([, words]) => words.test(text))?.[0] ?? 'combine'
}
