import type { WrittenFigure } from '../dish/dish.schema'
import type { StageKind } from '../dish/names'
import { durationsIn, middleMinutes } from '../quantity/duration'
import { figureIn, whistlesIn } from './figure'

// English, as the recipes are; of another language the words for what is done are put into English first.

/** What one verb of a step says. */
export interface Clause {
  kind: StageKind | 'off' | 'serve' | 'release' | 'lid'
  /** The words that say so, until when too, in English. */
  text: string
  /** The same as it was written. */
  told: string
  /** The whole sentence, in English. */
  sentence: string
  minutes: number | null
  /** Of a pot what it is to be programmed by. */
  figure: WrittenFigure | null
  /** The appliance that is named. */
  appliance: 'rice-cooker' | 'slow' | null
  /** It is done in a pan of its own, beside what stands already. */
  isBeside: boolean
}

/** What a verb does, where its object does not say otherwise. */
const VERBS: readonly (readonly [Clause['kind'], string])[] = [
  ['soak', 'soak|presoak|pre-soak'],
  ['marinate', 'marinate|marinade'],
  ['temper', 'temper'],
  ['dry-roast', 'dry-roast|dry roast|toast'],
  [
    'fry',
    'fry|stir-fry|stir fry|sauté|saute|brown|sear|sweat|soften|caramelise|caramelize|sizzle|splutter|crackle|pop|heat|warm|melt|roast|bloom',
  ],
  ['simmer', 'simmer|boil|parboil|reduce|thicken|bubble|blanch|poach'],
  ['mash', 'mash|blend|puree|purée|blitz|process|liquidise|liquidize|pulse|grind|crush|smash'],
  ['drain', 'drain|strain|discard'],
  ['rest', 'rest|stand|sit|leave|set aside|settle'],
  ['fluff', 'fluff|fork'],
  ['chill', 'chill|refrigerate|freeze|cool'],
  [
    'prepare',
    'dredge|chop|cut|peel|slice|grate|wash|rinse|sort|pick|mince|dice|halve|quarter|trim|measure|deseed|julienne|shred|clean|prepare|beat|whisk|scrub|core|crumble|zest|squeeze|gather|slit',
  ],
  [
    'combine',
    'add|stir|mix|pour|toss|fold|combine|tip|return|season|sprinkle|put|place|throw|drop|include|scatter|drizzle|top|swirl|layer|scrape|deglaze|cover|garnish|finish|adjust|check|taste|rub|arrange|lower|nestle|dissolve|submerge|bring|spread',
  ],
  [
    'serve',
    'serve|enjoy|ladle|plate|divide|eat|remove|take|wait|repeat|keep|store|preheat|skim|lift|turn|switch|stop|transfer',
  ],
  ['release', 'release|vent|let off'],
  ['lid', 'open|unlock|close|seal|lock|secure|shut|attach'],
  ['pot', 'pressure-cook|pressure cook|slow-cook|slow cook|set|select|program|programme|press|start'],
  ['simmer', 'cook|steam|stew|braise|maintain'],
]
const KIND_OF = new Map(VERBS.flatMap(([kind, verbs]) => verbs.split('|').map((verb) => [verb, kind] as const)))
export const ANY_VERB = [...KIND_OF.keys()].sort((a, b) => b.length - a.length).join('|')
/** Where one thing that is done ends and the next begins: before a verb that stands first in its clause. */
const BOUNDARY = new RegExp(
  `(?:\\s*[;:]\\s*|\\s*,?\\s+(?:and\\s+)?then\\s+|\\s*,\\s*(?:and\\s+)?|\\s+and\\s+|\\s+&\\s+|\\s+before\\s+(?=\\w+ing\\b))(?=(?:(?:gently|lightly|quickly|carefully|immediately|now|finally|slowly|thoroughly|roughly|finely|also|again|once more|just)\\s+)?(?:${ANY_VERB}|let|allow)(?![\\p{L}\\p{M}]))`,
  'giu',
)
/** The same where the verb stands last, as in German and Hindi. */
const AFTER_VERB = new RegExp(
  `(?<=\\b(?:${ANY_VERB}|natural release|quick release))(?:\\s*,\\s*|\\s+and\\s+)|\\s+and\\s+(?=l[oae]s?\\s+(?:${ANY_VERB})\\b)`,
  'giu',
)
const FIRST_VERB = new RegExp(`(?<![\\p{L}-])(${ANY_VERB})(?![\\p{L}-])`, 'giu')
/** “Let it rest”, “leave to soak”, “allow to simmer”. */
const LETS =
  /\b(?:let|leave|leaving|allow|keep|continue|start|begin)\b[^,.;]{0,40}?\b(?:to\s+)?(rest|stand|sit|soak|marinate|simmer|boil|cook|cool|fry|brown(?!\s+(?:rice|basmati|sugar))|splutter|sizzle|crackle|infuse|bubble|reduce|thicken|drain|steep|settle)(?:ing|ning)?\b/i
const NEVER =
  /\b(?:do not|don['’]t|never|without|no need to|instead of|rather than|avoid)\s+(?:\w+\s+)?(?:drain|strain|soak|stir|open|boil|fry|brown|rinse|discard|mash|add)\w*/gi

const FAT = /\b(?:oil|ghee|butter|fat)\b/i
const AROMATIC =
  /\b(?:onions?|garlic|ginger|spices?|masala|paste|shallots?|leeks?|mushrooms?|bacon|chillies|chilies|tomato(?:es)?|peppers?|seeds?)\b/i
export const UNTIL_FRIED =
  /\b(?:until|till?)\b[^.;]*\b(?:golden|brown(?:ed)?|translucent|fragrant|aromatic|raw smell|caramelised|caramelized|crisp|splutter|crackle|pop|(?:oil|ghee) (?:separates|floats|leaves|comes out)|fat (?:parts|separates)|sizzl)/i
const PRESSURE =
  /\bwhistles?\b|\bpressure[\s-]?cook\b|\b(?:high|low|full) pressure\b|\b(?:at|on|under|to|comes? to|reaches) pressure\b|\bpressure\s+(?:high|low)\b|\bhpc?\b|\bpsi\b|\bhiss(?:es|ing)?\b|\bjiggl\w+/i
export const IN_COOKER =
  /\b(?:in|into|using)\s+pressure[\s-]?cooker\b|\b(?:in|into|to|with|using)\s+(?:a|an|the|your)\s+(?:\w+\s+){0,2}?(?:pressure[\s-]?cooker|multi-?cooker|electric cooker|cooker)\b/i
const IN_VESSEL = /\b(?:to|in|into)\s+(?:an?|the|your)\s+(?:\w+\s+){0,2}?(?:cooker|pot|pan|vessel)\b/i
const RICE_COOKER = /\brice[\s-]?cooker\b/i
const SLOW_COOKER = /\bslow[\s-]?cook(?:er|ing)?\b/i
const BESIDE =
  /\b(?:in|heat|take)\s+(?:a|an|another)\s+(?:separate|another|small|second|different|frying|non-stick|large|heavy|medium|little|tempering|tadka|wide|deep)?\s*(?:separate\s+|small\s+|frying\s+|tempering\s+)?(?:pan|skillet|saucepan|kadai|wok|frying[\s-]?pan|ladle)\b|\bseparate(?:ly)?\b|\bmeanwhile\b|\bwhile (?:the|that|it)\b[^,]*\b(?:cook|soak|simmer)/i
const COOLS =
  /\bcool(?:s|ed)?\b[^.;]*(?:completely|to room temperature|before (?:storing|freezing|chilling))|\b(?:fridge|freezer|refrigerat\w*)\b/i

/** “If too thick, add boiling water.”: what is done only then is no step. */
const ONLY_IF =
  /^\W*if\s+(?:(?:it|the \w+)(?:['’]s|\s+(?:is|are|looks?|seems?))?\s+)?(?:still\s+)?(?:too|needed|necessary|desired|you like|not done)\b/i

/** “Ghee, jeera, whole spices.”: what goes in, and no word of what is done with it. */
export function bareListOf(sentence: string): Clause | null {
  const text = sentence.trim()
  if (text === '' || text.split(/\s+/).length > MOST_BARE_WORDS || verbOf(text) !== null) return null
  if (NO_LIST.test(text.replace(ON_TOP, ''))) return null
  const [time] = durationsIn(text)
  return {
    kind: 'combine',
    sentence,
    text,
    told: text,
    minutes: time ? middleMinutes(time) : null,
    figure: null,
    appliance: null,
    isBeside: false,
  }
}
/** What is put on a dish that is done. */
export const ON_TOP = /\b(?:over it|on top)\W*$|\bgarnish|\btop (?:it )?with\b/i
const MOST_BARE_WORDS = 6
const NO_LIST =
  /\b(?:is|are|was|this|that|it|you|i|my|we|they|done|ready|flame|heat|lid|pressure|steam|release|time|serves|servings|whistles?|npr|qpr|nr|qr|open)\b|!$/i

/** What a sentence has done, verb by verb; `step` is all that stands with it. Null is what is no step of its own. */
export function clausesOf(sentence: string, step: string, isVerbLast: boolean): (Clause | null)[] {
  if (sentence === '' || ONLY_IF.test(sentence)) return []
  const parts: string[] = []
  let from = 0
  const gaps = [...sentence.matchAll(BOUNDARY), ...(isVerbLast ? sentence.matchAll(AFTER_VERB) : [])]
  for (const { index, 0: gap } of gaps.sort((a, b) => a.index - b.index)) {
    if (index < from) continue
    // What is told of a time before a comma is told of what follows: “Once hot, add …”.
    const part = sentence.slice(from, index)
    if (index === 0 || !hasVerb(/^(?:once|when|while|after|as soon as|if)\b/i.test(part) ? `${part},` : part)) continue
    parts.push(part)
    from = index + gap.length
  }
  parts.push(sentence.slice(from))
  const isBeside = BESIDE.test(sentence)
  return parts.map((part) => clauseOf(part, sentence, step, isBeside))
}

/** “When the oil is hot, add”, “after 10 minutes, stir”, “for the tempering, heat”, “meanwhile boil”. */
const LEAD =
  /^(?:(?:meanwhile|finally|next|now|then)\b\s*,?\s*|(?:once|when|while|after|as soon as|if|for|in|to|on|with|at|using|until|just before|before|over|towards)\b[^,]*,\s*)/i
/** “In a large pot cook the onions, garlic and ginger”: no comma ends where it is done. */
const LEAD_OF_PLACE = /^(?:for|in|to|on|with|at)\b/i

/** The verb of a clause: the first that is no word of a time (“once it boils, add”) and no participle. */
function verbOf(clause: string): string | null {
  const plain = clause.replace(NEVER, (all) => ' '.repeat(all.length))
  const [lead = ''] = LEAD.exec(plain) ?? []
  const body = verbIn(plain.slice(lead.length))
  if (body !== null || lead === '') return body
  // “Once the oil is hot add the cumin”: no comma ends the time.
  return verbIn(LEAD_OF_PLACE.test(lead) ? plain : lead.replace(/^\W*\S+\s+\S+\s+(?:(?:you|we|they)\s+\S+)?/i, ''))
}
function verbIn(body: string): string | null {
  const lets = LETS.exec(body)
  const found = [...body.matchAll(FIRST_VERB)].find(({ index, 1: verb }) => !isNoun(body, index, verb!))
  if (lets && (!found || lets.index <= found.index)) return `let ${lets[1]!.toLowerCase()}`
  if (!found && BUILDS.test(body)) return 'pressure cook'
  if (!found && FALLS.test(body)) return 'release'
  if (!found && /\b(?:let|allow|wait|leave)\b/i.test(body) && /\b(?:pressure|steam|depressuri[sz]e)\b/i.test(body))
    return 'release'
  return found?.[1]?.toLowerCase() ?? null
}
/** “Let it come up to pressure”: nothing is let go. */
const BUILDS =
  /\b(?:come|comes|coming|get|gets|build|builds|reach|reaches)\b(?:\s+up)?(?:\s+to)?\s+(?:full\s+|high\s+)?pressure\b|\bpressure\s+(?:to\s+)?(?:builds?|rises?|is reached|be reached)\b/i
/** “Let it fall by itself”. */
const FALLS = /\blet (?:it|the cooker|the pot) (?:fall|drop|come down|release|depressuri[sz]e|go down)\b/i
const hasVerb = (text: string) => verbOf(text) !== null

const BROWN_THINGS = /^\s+(?:rice|basmati|sugar|lentils?|bread|chickpeas?)\b/i
/** “The rest of the salt”, “the drained rice”, “a boil”, “at a simmer”, “the soaked beans”: no verb there. */
function isNoun(text: string, index: number, verb: string): boolean {
  const before = text.slice(0, index)
  if (/^brown$/i.test(verb) && BROWN_THINGS.test(text.slice(index + verb.length))) return true
  if (/^pur[ée]e$/i.test(verb) && /\b(?:tomato(?:es)?|onion|garlic)\s+$/i.test(before)) return true
  if (/^soak$/i.test(verb) && /\bquick\s+$/i.test(before)) return true
  // “Twelve minutes at high pressure cook”, word by word from another language.
  if (verb.startsWith('pressure')) return /\b(?:the|an?|your)\s+$/i.test(before)
  return /(?:\b(?:the|a|an|this|its|their|your|of|for|medium|low|high|gentle|rolling|more|each|any|some|with|from|until|till|is|are|be|well|starts? to|begins? to|to (?!taste)|cancel|hit)\s+)$/i.test(
    before,
  ) && !/\b(?:to|and)\s+$/i.test(before)
    ? true
    : verb === 'heat' && /\b(?:medium|low|high|the|over|off|of|reduce|turn|from)\s+$/i.test(before)
}

/** “High pressure 20 min.”, “4 whistles on medium.”, “NPR 15 min”: no verb says that it is cooked, or released. */
function verbUnsaid(text: string): string | null {
  if (/^\W*(?:natural(?:ly)?|quick|manual)(?: pressure)? release\b|^\W*(?:npr|qpr|nr|qr)\b/i.test(text))
    return 'release'
  if (PRESSURE_ALONE.test(text) && figureIn(text) !== null) return UNSAID
  // “Give it 3 whistles.”
  return whistlesIn(text) !== null && verbOf(text) === null ? UNSAID : null
}
const UNSAID = 'unsaid'
const PRESSURE_ALONE =
  /^\W*(?:(?:lid|cover|weight)\s+on\W+|(?:close|cover|shut|seal|lock)d?\b[^,.]{0,20}[,.]\s*)?(?:(?:(?:at|on)\s+)?(?:high|low|full)\s+pressure\b|manual\b)|^\W*(?:about\s+)?[\d½¼¾–-]+\s*(?:(?:min|mins|minutes)\b[^.,]*\b(?:high|low) pressure\b|whistles?\b)/i

function clauseOf(text: string, sentence: string, step: string, isBeside: boolean): Clause | null {
  const verb = verbUnsaid(text) ?? verbOf(text)
  if (verb === null || /^\s*stir (?:(?:it|them)(?: back)?(?: in)?|back in(?:to it)?)\W*$/i.test(text)) return null
  // The flame alone is no step.
  if (
    /^\s*(?:then |now )?(?:lower|reduce|turn|increase|raise|bring)\b(?: down| up)?(?: the)? (?:heat|flame|burner)\b/i.test(
      text.replace(LEAD, ''),
    ) &&
    !PRESSURE.test(text)
  )
    return null
  // “Allow 10 minutes for the pressure to build.”
  if (BUILDS.test(text) && durationsIn(text).length > 0 && !/\b(?:cook|keep|hold|simmer|boil|steam)/i.test(text))
    return null
  const figure = figureIn(text)
  const appliance = RICE_COOKER.test(sentence) ? 'rice-cooker' : SLOW_COOKER.test(sentence) ? 'slow' : null
  const kind = verb === UNSAID ? 'pot' : kindOf(text, sentence, step, verb, appliance)
  if (kind === null) return null
  const times = durationsIn(text)
  // “It takes a while to come to pressure; then cook for 8 minutes.”
  if (kind === 'simmer' && verb === 'cook' && times[0] && BUILDS.test(sentence) && !BUILDS.test(text)) {
    const minutes = middleMinutes(times[0])
    const said = { kind: 'high-pressure' as const, figure: minutes, release: null, releaseAfterMinutes: null }
    return { kind: 'pot', sentence, text: text.trim(), told: text.trim(), minutes, figure: said, appliance, isBeside }
  }
  // “Fry the onions for 5 minutes, then the garlic for 1 minute.”
  const [first, second] = times
  const later =
    kind === 'fry' && first && second && /\bthen\b/i.test(text.slice(first.index, second.index))
      ? middleMinutes(second)
      : 0
  return {
    kind,
    sentence,
    text: text.trim(),
    told: text.trim(),
    // “For up to 4 days” says how long it keeps.
    minutes:
      first && !(kind === 'chill' && /\bup to\b/i.test(text))
        ? middleMinutes(first) * sidesOf(text, first) + later
        : null,
    figure: kind === 'pot' ? (figure ?? slowFigure(appliance, times)) : null,
    appliance,
    isBeside,
  }
}

/** “5 minutes per side” are ten. */
const sidesOf = (text: string, { index, length }: ReturnType<typeof durationsIn>[number]) =>
  /^\s*(?:per|(?:on\s+)?each|a|(?:on\s+)?every)\s+side\b/i.test(text.slice(index + length)) ? 2 : 1

const slowFigure = (appliance: Clause['appliance'], [time]: ReturnType<typeof durationsIn>): WrittenFigure | null =>
  appliance === 'slow' && time
    ? { kind: 'slow', figure: middleMinutes(time), release: null, releaseAfterMinutes: null }
    : null

function kindOf(
  text: string,
  sentence: string,
  step: string,
  verb: string,
  appliance: Clause['appliance'],
): Clause['kind'] | null {
  const lets = /^let (.*)$/.exec(verb)
  const usual = lets ? (LET_KINDS[lets[1]!] ?? 'rest') : (KIND_OF.get(verb) ?? null)
  const isRelease =
    /\b(?:pressure|steam)\b|\bdepressuri[sz]e/i.test(text.replace(LEAD, '')) &&
    /\breleas|naturally|by itself|on its own|drop|subside|settle|come down|escape|valve\b/i.test(text)
  if (
    PRESSURE.test(text) &&
    !(isRelease && !/cook|whistle|steam\s+(?:at|on|for)|braise|stew/i.test(text)) &&
    !/\brelease\b/i.test(verb)
  ) {
    if (usual !== 'serve' || /whistle|high pressure|low pressure/i.test(text)) return 'pot'
  }
  if (/\b(?:cool|hold|run)\b.*\bunder\b.*\b(?:tap|water)\b/i.test(text)) return 'release'
  if (FALLS.test(text)) return 'release'
  if (isRelease || /\bcool(?:\s+down)?\s+(?:naturally|by itself)\b/i.test(text)) return 'release'
  if (/^(?:turn|switch|remove|take|put)$/.test(verb)) {
    if (appliance !== null && /\bon\b/i.test(text)) return 'pot'
    if (/\boff\b|\bfrom the (?:heat|stove|flame)\b|\boff the (?:heat|stove|flame)\b/i.test(text)) return 'off'
  }
  switch (usual) {
    case 'pot':
      // “Set aside for 10 minutes”, “set to sauté”.
      if (/^set$/.test(verb) && /\baside\b/i.test(text)) return durationsIn(text).length > 0 ? 'rest' : null
      if (/saut[ée]/i.test(text)) return 'off'
      return /^(?:press|start|select|set|program|programme)$/.test(verb) &&
        durationsIn(text).length === 0 &&
        appliance === null &&
        !/cook|rice|start|white|grain/i.test(text)
        ? 'off'
        : 'pot'
    case 'simmer':
      if (/\b(?:natural|quick)[\s-]release\b|\b[nq]pr\b|\bon manual\b/i.test(text)) return 'pot'
      if (!/^(?:let )?(?:cook|steam)/.test(verb)) return 'simmer'
      if (appliance !== null || IN_COOKER.test(text)) return 'pot'
      if (/\bcover(?:ed)?\b|\bwater\b|\bstock\b|\bbroth\b|\blid\b|\bsimmer/i.test(text)) return 'simmer'
      if (UNTIL_FRIED.test(text) || FAT.test(text) || AROMATIC.test(text)) return 'fry'
      // “Stir in the spices and cook for a minute”: what is cooked stands before.
      return AROMATIC.test((durationsIn(text)[0]?.high ?? Infinity) <= 3 ? step : sentence) &&
        !/water|stock|broth|milk|cover|tender/i.test(sentence) &&
        (durationsIn(text)[0]?.high ?? 0) <= 12
        ? 'fry'
        : 'simmer'
    case 'fry':
      // “Heat the water”, “heat through”: nothing is fried there.
      if (/^(?:heat|warm|melt)$/.test(verb)) {
        if (FAT.test(text)) return 'fry'
        if (/\bwater|stock|broth|milk\b/i.test(text)) return 'simmer'
        return /\bpan|skillet|kadai|cooker|pot\b/i.test(text) ? 'off' : /\bthrough\b/i.test(text) ? 'simmer' : null
      }
      if (/^(?:toast|roast)/.test(verb)) return FAT.test(text) ? 'fry' : 'dry-roast'
      return /\bdry\b[^.]*\bpan\b|\bwithout oil\b/i.test(text) ? 'dry-roast' : 'fry'
    case 'dry-roast':
      return FAT.test(text) && !/\bwithout\b/i.test(text) ? 'fry' : 'dry-roast'
    case 'rest':
      if (COOLS.test(text)) return 'chill'
      if (/\bcoat\b|\bmarinade\b|\brub\b/i.test(sentence)) return 'marinate'
      if (/\bwater\b/i.test(sentence) && (durationsIn(text)[0]?.low ?? 0) >= 60) return 'soak'
      if (/^(?:leave|set aside)$/.test(verb) && durationsIn(text).length === 0 && !/cover/i.test(text)) return null
      return 'rest'
    case 'combine':
      if (/^bring$/.test(verb))
        return /\bboil|simmer|bubble\b/i.test(text) ? 'simmer' : PRESSURE.test(text) ? 'pot' : null
      if (/^cover$/.test(verb)) {
        if (
          /(?<!\bquick[\s-])\bsoak\b/i.test(text) ||
          (/\bwater\b/i.test(text) && durationsIn(text).some(({ low }) => low >= 60))
        )
          return 'soak'
        return /\bcook|simmer\b/i.test(text)
          ? 'simmer'
          : durationsIn(text).length > 0
            ? 'rest'
            : /\bwith\b/i.test(text)
              ? 'combine'
              : 'lid'
      }
      if (appliance !== null && /^(?:put|place)$/.test(verb)) return 'pot'
      if (/^(?:check|taste|adjust)$/.test(verb)) return null
      // “Put the beans to soak”.
      if (/^(?:add|put|place)$/.test(verb) && /\bsoak\b(?!\s+(?:water|liquid))/i.test(text)) return 'soak'
      // “Place the lid on”, “put the weight on”.
      if (/\b(?:the )?(?:lid|weight)\b/i.test(text) && /^(?:put|place)$/.test(verb)) return 'lid'
      if (/\b(?:fridge|freezer)\b/i.test(text)) return 'chill'
      // “Stir every few minutes” is no step of its own.
      if (
        verb === 'stir' &&
        /\bevery\b|\boccasionally\b|\boften\b|\bnow and then\b|\bfrequently\b|\bfrom time to time\b/i.test(text)
      )
        return null
      if (
        /^\s*(?:now |then |next )?(?:add|pour|put)(?: in)?(?: the| some| a little)?(?: [\d½¼¾/.]+)?(?: \w+){0,2}? (?:oil|ghee|butter)\W*$/i.test(
          text.replace(LEAD, ''),
        )
      )
        return 'fry'
      return 'combine'
    case 'serve':
      // “Take the washed dal in a cooker”, “transfer to the cooker with the tomatoes”.
      if (/^(?:take|transfer)$/.test(verb) && IN_VESSEL.test(text)) return 'combine'
      if (verb === 'take' && /^\W*take\s+[\d½¼¾]/i.test(text)) return 'prepare'
      return /\bstir(?:red)?\b.*\bin\b/i.test(text) ? 'combine' : 'serve'
    case 'mash':
      if (/^(?:grind|crush)$/.test(verb) && /\bgarlic|ginger|spices?|pepper|cardamom\b/i.test(text)) return 'prepare'
      return 'mash'
    case 'drain':
      if (/^discard$/.test(verb)) return /\bwater|liquid\b/i.test(text) ? 'drain' : null
      return 'drain'
    case 'prepare':
      return verb === 'squeeze' && /\b(?:in|over)\b/i.test(text) ? 'combine' : 'prepare'
    default:
      return usual
  }
}

const LET_KINDS: Readonly<Record<string, Clause['kind']>> = {
  rest: 'rest',
  stand: 'rest',
  sit: 'rest',
  settle: 'rest',
  infuse: 'rest',
  steep: 'rest',
  cool: 'rest',
  soak: 'soak',
  marinate: 'marinate',
  simmer: 'simmer',
  boil: 'simmer',
  bubble: 'simmer',
  reduce: 'simmer',
  thicken: 'simmer',
  cook: 'simmer',
  fry: 'fry',
  brown: 'fry',
  splutter: 'fry',
  sizzle: 'fry',
  crackle: 'fry',
  drain: 'drain',
}
