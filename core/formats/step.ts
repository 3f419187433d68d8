import type { WrittenFigure } from '../dish/dish.schema'
import type { StageKind } from '../dish/names'
import { durationsIn, middleMinutes } from '../quantity/duration'
import { figureIn } from './figure'

// English, as the recipes are; of another language the words for what is done are put into English first.

/** One thing that a step of a recipe has done. */
export interface ReadAction {
  kind: StageKind
  /** The words that say so, until when too, in English. */
  text: string
  /** The same as it was written. */
  told: string
  minutes: number | null
  /** Of a pot what it is to be programmed by. */
  figure: WrittenFigure | null
  /** The appliance that is named. */
  appliance: 'rice-cooker' | 'slow' | null
  /** It is done in a pan of its own, beside what stands already. */
  isBeside: boolean
  /** How it is released, said after the pot itself. */
  isRelease: boolean
}

type Clause = Omit<ReadAction, 'kind'> & { sentence: string; kind: StageKind | 'off' | 'serve' | 'release' | 'lid' }

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
const ANY_VERB = [...KIND_OF.keys()].sort((a, b) => b.length - a.length).join('|')
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
const SENTENCE = /(?<=[.!?])\s+(?=[\p{Lu}\d("“¡¿])|(?<=।)\s*|\n+/u
const FIRST_VERB = new RegExp(`(?<![\\p{L}-])(${ANY_VERB})(?![\\p{L}-])`, 'giu')
/** “Let it rest”, “leave to soak”, “allow to simmer”. */
const LETS =
  /\b(?:let|leave|leaving|allow|keep|continue|start|begin)\b[^,.;]{0,40}?\b(?:to\s+)?(rest|stand|sit|soak|marinate|simmer|boil|cook|cool|fry|brown(?!\s+(?:rice|basmati|sugar))|splutter|sizzle|crackle|infuse|bubble|reduce|thicken|drain|steep|settle)(?:ing|ning)?\b/i
const NEVER =
  /\b(?:do not|don['’]t|never|without|no need to|instead of|rather than|avoid)\s+(?:\w+\s+)?(?:drain|strain|soak|stir|open|boil|fry|brown|rinse|discard|mash|add)\w*/gi

const FAT = /\b(?:oil|ghee|butter|fat)\b/i
const AROMATIC =
  /\b(?:onions?|garlic|ginger|spices?|masala|paste|shallots?|leeks?|mushrooms?|bacon|chillies|chilies|tomato(?:es)?|peppers?|seeds?)\b/i
const UNTIL_FRIED =
  /\b(?:until|till?)\b[^.;]*\b(?:golden|brown(?:ed)?|translucent|fragrant|aromatic|raw smell|caramelised|caramelized|crisp|splutter|crackle|pop|oil separates|fat (?:parts|separates)|sizzl)/i
const PRESSURE =
  /\bwhistles?\b|\bpressure[\s-]?cook\b|\b(?:high|low|full) pressure\b|\b(?:at|on|under|to|comes? to|reaches) pressure\b|\bpressure\s+(?:high|low)\b|\bhpc?\b/i
const IN_COOKER =
  /\b(?:in|into|to|with|using)\s+(?:a|an|the|your)\s+(?:\w+\s+){0,2}?(?:pressure[\s-]?cooker|multi-?cooker|electric cooker|cooker)\b/i
const IN_VESSEL = /\b(?:to|in|into)\s+(?:an?|the|your)\s+(?:\w+\s+){0,2}?(?:cooker|pot|pan|vessel)\b/i
const RICE_COOKER = /\brice[\s-]?cooker\b/i
const SLOW_COOKER = /\bslow[\s-]?cook(?:er|ing)?\b/i
const BESIDE =
  /\b(?:in|heat|take)\s+(?:a|an|another)\s+(?:separate|another|small|second|different|frying|non-stick|large|heavy|medium|little|tempering|tadka|wide|deep)?\s*(?:separate\s+|small\s+|frying\s+|tempering\s+)?(?:pan|skillet|saucepan|kadai|wok|frying[\s-]?pan|ladle)\b|\bseparate(?:ly)?\b|\bmeanwhile\b|\bwhile (?:the|that|it)\b[^,]*\b(?:cook|soak|simmer)/i
const TEMPERING =
  /\btemper(?:ing)?\b|\btadka\b|\btarka\b|\bchaunk\b|\bpour (?:the |this |it )?(?:\w+\s+){0,3}?(?:oil|ghee|butter|spices?)?\s*(?:mixture\s+)?(?:over|on top)|\bpour\b[^.]*\b(?:in|on)?to the (?:dal|lentils|curry|sambar|rasam)\b/i
const INTO_TEMPERING = /\b(?:to|into|with|over) (?:the|this) (?:tempering|tadka|tarka|masala)\b/gi
const COOLS =
  /\bcool(?:s|ed)?\b[^.;]*(?:completely|to room temperature|before (?:storing|freezing|chilling))|\b(?:fridge|freezer|refrigerat\w*)\b/i

/** A stop that ends no sentence: “2 tbsp. oil”, “20 min. on low”. */
const ABBREVIATED = /\b(approx|Approx|tbsp|Tbsp|tsp|oz|lb|no|(?:min|mins|hr|hrs)(?=\.\s+\P{Lu}))\.\s/gu

/** Everything that a step has done, in order: what is told of one thing in several clauses is one. */
export function actionsOf(
  written: string,
  section: string | null = null,
  inEnglish: (text: string) => string = (text) => text,
): ReadAction[] {
  const text = inEnglish(written)
  const clauses = written
    .replace(ABBREVIATED, '$1 ')
    .split(SENTENCE)
    .flatMap((sentence) => {
      const said = inEnglish(sentence.trim())
      const isTranslated = said !== sentence.trim()
      const found = clausesOf(said, text, isTranslated).filter((clause): clause is Clause => clause !== null)
      // Words that were put in do not stand where they were: all of the sentence is told.
      return isTranslated ? found.map((clause) => ({ ...clause, told: sentence.trim() })) : found
    })
  if (section !== null && TEMPERING.test(section)) return merged(clauses.map(asTempered))
  return merged(TEMPERING.test(text.replace(INTO_TEMPERING, ' ')) ? withTempering(clauses) : clauses)
}

const EXCEPTED = new RegExp(
  `\\b(?:everything|all)\\b(?:\\s+\\w+){0,3}?\\s*,?\\s+(?:but|except(?:ing)?(?:\\s+for)?|other than|apart from)\\s+(.*?)(?=\\s+(?:in|into|to)\\s|[,\\s]+(?:and\\s+)?(?:${ANY_VERB})\\b|[.;]|$)`,
  'giu',
)
/** What a step says that does not go in yet: “everything but the cream”. */
export const exceptedIn = (text: string) => [...text.matchAll(EXCEPTED)].map(([, what]) => what!).join(' , ')
/** A step without the names of what does not go in yet. */
export const withoutExcepted = (text: string) =>
  text.replace(EXCEPTED, (all, what: string) => all.slice(0, all.length - what.length))

/** The first kind of what a step has done; stirred together where nothing tells. */
export const kindIn = (text: string): StageKind => actionsOf(text)[0]?.kind ?? 'combine'

function clausesOf(sentence: string, step: string, isVerbLast: boolean): (Clause | null)[] {
  if (sentence === '') return []
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
  if (!found && /\b(?:let|allow|wait|leave)\b/i.test(body) && /\b(?:pressure|steam|depressuri[sz]e)\b/i.test(body))
    return 'release'
  return found?.[1]?.toLowerCase() ?? null
}
const hasVerb = (text: string) => verbOf(text) !== null

const BROWN_THINGS = /^\s+(?:rice|basmati|sugar|lentils?|bread|chickpeas?)\b/i
/** “The rest of the salt”, “the drained rice”, “a boil”, “at a simmer”, “the soaked beans”: no verb there. */
function isNoun(text: string, index: number, verb: string): boolean {
  const before = text.slice(0, index)
  if (/^brown$/i.test(verb) && BROWN_THINGS.test(text.slice(index + verb.length))) return true
  // “Twelve minutes at high pressure cook”, word by word from another language.
  if (verb.startsWith('pressure')) return /\b(?:the|an?|your)\s+$/i.test(before)
  return /(?:\b(?:the|a|an|this|its|their|your|of|for|medium|low|high|gentle|rolling|more|each|any|some|with|from|until|till|is|are|be|well|starts? to|begins? to|to (?!taste)|cancel|hit)\s+)$/i.test(
    before,
  ) && !/\b(?:to|and)\s+$/i.test(before)
    ? true
    : verb === 'heat' && /\b(?:medium|low|high|the|over|off|of|reduce|turn|from)\s+$/i.test(before)
}

function clauseOf(text: string, sentence: string, step: string, isBeside: boolean): Clause | null {
  const verb = verbOf(text)
  if (verb === null || /^\s*stir (?:(?:it|them)(?: back)?(?: in)?|back in(?:to it)?)\W*$/i.test(text)) return null
  // The flame alone is no step.
  if (
    /^\s*(?:then |now )?(?:lower|reduce|turn|increase|raise|bring)\b(?: down| up)?(?: the)? (?:heat|flame|burner)\b/i.test(
      text.replace(LEAD, ''),
    ) &&
    !/whistle/i.test(text)
  )
    return null
  const figure = figureIn(text)
  const appliance = RICE_COOKER.test(sentence) ? 'rice-cooker' : SLOW_COOKER.test(sentence) ? 'slow' : null
  const kind = kindOf(text, sentence, step, verb, appliance)
  if (kind === null) return null
  const times = durationsIn(text)
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
    minutes: times[0] && !(kind === 'chill' && /\bup to\b/i.test(text)) ? middleMinutes(times[0]) + later : null,
    figure: kind === 'pot' ? (figure ?? slowFigure(appliance, times)) : null,
    appliance,
    isBeside,
    isRelease: false,
  }
}

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
  if (PRESSURE.test(text) && !(isRelease && !/cook|whistle/i.test(text)) && !/\brelease\b/i.test(verb)) {
    if (usual !== 'serve' || /whistle|high pressure|low pressure/i.test(text)) return 'pot'
  }
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
        if (/\bsoak\b/i.test(text) || (/\bwater\b/i.test(text) && durationsIn(text).some(({ low }) => low >= 60)))
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

const asTempered = (clause: Clause): Clause =>
  ['fry', 'combine', 'temper', 'off', 'dry-roast'].includes(clause.kind) ? { ...clause, kind: 'temper' } : clause

/** What is heated in fat right before it is poured over is tempered; what was cooked before that is not. */
function withTempering(clauses: readonly Clause[]): Clause[] {
  const last = clauses.findLastIndex(({ sentence }) => TEMPERING.test(sentence.replace(INTO_TEMPERING, ' ')))
  let first = last
  while (first > 0 && OF_TEMPERING.has(clauses[first - 1]!.kind)) first -= 1
  // What was stirred in before the fat is heated is not tempered.
  while (first < last && !FRIES.has(clauses[first]!.kind)) first += 1
  const run = clauses.slice(first)
  return run.some(({ kind }) => kind === 'fry' || kind === 'temper')
    ? [...clauses.slice(0, first), ...run.map(asTempered)]
    : [...clauses]
}
const FRIES: ReadonlySet<string> = new Set(['fry', 'temper', 'dry-roast', 'off'])
const OF_TEMPERING: ReadonlySet<string> = new Set(['fry', 'combine', 'temper', 'off', 'dry-roast', 'prepare'])

/** What goes in belongs to what is done with it; the same again is the same; a release belongs to its pot. */
function merged(clauses: readonly Clause[]): ReadAction[] {
  const list: Clause[] = []
  const joined = (one: Clause, more: Clause): Clause => ({
    ...one,
    text: `${one.text}, ${more.text}`,
    told: bothTold(one, more),
    minutes: togetherMinutes(one, more),
    figure: one.figure && more.figure ? withRelease(one.figure, more.figure) : (one.figure ?? more.figure),
    appliance: one.appliance ?? more.appliance,
    isBeside: one.isBeside || more.isBeside,
  })
  for (const clause of clauses) {
    const pot = SETTLES.test(clause.text) ? list.findLastIndex(({ kind }) => kind === 'pot') : -1
    const { figure: ofPot = null } = list[pot] ?? {}
    if (ofPot) list[pot] = { ...list[pot]!, figure: withRelease(ofPot, NATURAL) }
    let before = list.at(-1)
    if (clause.kind === 'off' || clause.kind === 'lid' || clause.kind === 'serve') {
      list.push(clause)
      continue
    }
    if (clause.kind === 'release') {
      if (before?.kind === 'pot')
        list[list.length - 1] = {
          ...joined(before, clause),
          minutes: before.minutes,
          figure: before.figure && withRelease(before.figure, releaseIn(clause.text)),
        }
      else if (before?.kind === 'simmer' && before.minutes !== null && /pressure|release/i.test(clause.text))
        // Where pressure is let go, it was cooked under pressure.
        list[list.length - 1] = underPressure(joined(before, clause), before.minutes, releaseIn(clause.text))
      else if (before?.kind === 'release') list[list.length - 1] = joined(before, clause)
      else list.push(clause)
      continue
    }
    // Soaked beans are drained, unless it is said that they are not.
    if (before?.kind === 'soak' && clause.kind === 'drain') continue
    const beforeLid = list.at(-2)
    // “Put it in the slow cooker. Cover and cook for 4 hours.”
    if (before?.kind === 'lid' && beforeLid?.kind === 'pot' && !beforeLid.figure && COOKS_ON.test(clause.text)) {
      list.pop()
      before = beforeLid
    }
    if (before?.kind === 'lid' && beforeLid?.kind === 'simmer' && clause.kind === 'simmer') {
      list.splice(-2, 2, joined(beforeLid, clause))
      continue
    }
    // “Set to high pressure and cook for 25 minutes”; “after the first whistle, turn it down and cook for 15 minutes”.
    if (
      before?.kind === 'pot' &&
      clause.kind === 'simmer' &&
      (before.sentence === clause.sentence || (before.figure === null && COOKS_ON.test(clause.text)))
    ) {
      const one = joined(before, clause)
      const { figure } = before
      const cooked =
        figure?.kind === 'whistles'
          ? { ...figure, ...(clause.minutes === null ? {} : { thenLowMinutes: clause.minutes }) }
          : (figure ?? figureIn(one.text))
      list[list.length - 1] = { ...one, minutes: before.minutes ?? clause.minutes, figure: cooked }
      continue
    }
    if (before?.kind === 'lid' && /\b(?:lock|seal)/i.test(before.text) && clause.kind === 'simmer' && clause.minutes) {
      list.push(underPressure(clause, clause.minutes, { release: null, releaseAfterMinutes: null }))
      continue
    }
    if (before && before.kind === clause.kind) list[list.length - 1] = joined(before, clause)
    else if (before && isInto(before, clause)) {
      const into = {
        ...joined(clause, before),
        text: `${before.text}, ${clause.text}`,
        told: bothTold(before, clause),
        minutes: clause.minutes ?? null,
      }
      const same = list.at(-2)
      if (before.kind === 'combine' && same?.kind === 'fry' && clause.kind === 'fry')
        list.splice(-2, 2, joined(same, into))
      else list[list.length - 1] = into
    } else if (before && clause.kind === 'combine' && TAKES_MORE.has(before.kind) && !isNext(before, clause))
      list[list.length - 1] = {
        ...joined(before, clause),
        minutes: before.minutes && before.minutes + aBitMore(clause),
      }
    else if (before && clause.kind === 'prepare' && before.kind === 'drain')
      list[list.length - 1] = joined(before, clause)
    else list.push(clause)
  }
  // A lid that is shut says that what went in before it goes into the pot.
  const done: Clause[] = []
  for (const clause of list) {
    if (clause.kind === 'pot') {
      const withoutLids = () => {
        while (done.at(-1)?.kind === 'lid' || done.at(-1)?.kind === 'off') done.pop()
        return done.at(-1)
      }
      let whole = clause
      const added = withoutLids()
      if (added?.kind === 'combine') {
        done.pop()
        whole = {
          ...clause,
          text: `${added.text}, ${clause.text}`,
          told: bothTold(added, clause),
          isBeside: false,
        }
      }
      // “Put everything in the slow cooker, cover and cook for 8 hours.”
      const same = withoutLids()
      if (same?.kind === 'pot' && same.figure === null) {
        done.pop()
        whole = joined(same, whole)
      }
      done.push(whole)
      continue
    }
    done.push(clause)
  }
  return done.flatMap((clause): ReadAction[] =>
    clause.kind === 'off' || clause.kind === 'lid' || clause.kind === 'serve'
      ? []
      : clause.kind === 'release'
        ? [{ ...actionOf(clause, 'pot'), isRelease: true, figure: null }]
        : [actionOf(clause, clause.kind)],
  )
}

/** What is done until it is brown, and something else for 3 minutes, is not done in 3. */
const togetherMinutes = (one: Clause, more: Clause) =>
  one.kind === 'fry' && [one, more].some(({ minutes, text }) => minutes === null && UNTIL_FRIED.test(text))
    ? null
    : one.minutes === null && more.minutes === null
      ? null
      : (one.minutes ?? 0) + (more.minutes ?? 0)
/** “Add the garlic for a minute.” */
const aBitMore = ({ minutes }: Clause) => (minutes !== null && minutes <= 3 ? minutes : 0)
/** “Bring to pressure. Cook for 20 minutes.” */
const COOKS_ON = /^\W*(?:then |now )?(?:cook|keep|leave|let|maintain|continue)\b.*\d/i
/** “Once the pressure settles, open”: nobody let it go. */
const SETTLES =
  /^\W*(?:once|when|after|as soon as)\b[^,]*\bpressure\b[^,]*\b(?:settle|drop|subside|fall|gone|come down|release)/i
const NATURAL = { release: 'natural', releaseAfterMinutes: null } as const
const underPressure = (
  clause: Clause,
  minutes: number,
  release: Pick<WrittenFigure, 'release' | 'releaseAfterMinutes'>,
): Clause => ({ ...clause, kind: 'pot', minutes, figure: { kind: 'high-pressure', figure: minutes, ...release } })

/** What is wet, or what the dish is of, goes in after what is fried, and not to be fried. */
const isNext = (before: Clause, { text, sentence, minutes }: Clause) =>
  (before.kind === 'soak' && before.sentence !== sentence && IN_COOKER.test(text)) ||
  ((before.kind === 'fry' || before.kind === 'dry-roast' || before.kind === 'simmer') &&
    before.sentence !== sentence &&
    minutes === null &&
    (AFTER_FRYING.test(text) || (VEGETABLES.test(text) && durationsIn(sentence).length === 0)))
/** These too, where nobody says for how long. */
const VEGETABLES = /\b(?:vegetables|veggies|potatoes)\b/i
const AFTER_FRYING =
  /\b(?:water|stock|broth|beans?|rice|dh?als?|lentils?|peas|chickpeas?|rajma|everything|all (?:the )?(?:other |remaining )?ingredients|rest of the ingredients|remaining ingredients)\b/i

/** Two clauses of one sentence that is told whole are told once. */
const bothTold = (one: Clause, more: Clause) =>
  one.told === more.told ? one.told : `${one.told.replace(/[.।]$/, '')}, ${more.told}`

const actionOf = ({ sentence: _, ...clause }: Clause, kind: StageKind): ReadAction => ({ ...clause, kind })

/** With it something else begins. */
const HEATS_FAT = /^\W*(?:then |next |now )?(?:heat|warm|melt)\b[^.]*\b(?:oil|ghee|butter|fat)\b/i
/** What is added first is done with what is done next. */
const isInto = (before: Clause, after: Clause) =>
  (before.kind === 'combine' &&
    !(before.sentence !== after.sentence && HEATS_FAT.test(after.text)) &&
    ['fry', 'simmer', 'pot', 'mash', 'soak', 'marinate', 'temper', 'dry-roast'].includes(after.kind)) ||
  (before.kind === 'prepare' && ['soak', 'marinate'].includes(after.kind)) ||
  (before.kind === 'prepare' && after.kind === 'fry' && before.sentence === after.sentence)
/** Vessels into which more goes while they are at it. */
const TAKES_MORE: ReadonlySet<string> = new Set(['fry', 'temper', 'soak', 'marinate', 'dry-roast', 'simmer'])

/** How a text says that the pressure goes. */
export function releaseIn(text: string): Pick<WrittenFigure, 'release' | 'releaseAfterMinutes'> {
  // “Quick release, and wait until the pin drops.”
  const isNatural =
    /natural|\bnpr\b/i.test(text) ||
    (!/\bquick|\bqpr\b/i.test(text) &&
      /by itself|on its own|drop|subside|settle|come down|falls?\b|slow|gradual|\bwait\b/i.test(text))
  const [first] = durationsIn(text)
  return {
    release: isNatural ? 'natural' : 'quick',
    releaseAfterMinutes: isNatural && first ? middleMinutes(first) : null,
  }
}

/** A figure with the release that is said after it. */
export const withRelease = (
  figure: WrittenFigure,
  { release, releaseAfterMinutes }: Pick<WrittenFigure, 'release' | 'releaseAfterMinutes'>,
): WrittenFigure =>
  release === null
    ? figure
    : {
        ...figure,
        release: figure.release ?? release,
        releaseAfterMinutes: figure.releaseAfterMinutes ?? releaseAfterMinutes,
      }
