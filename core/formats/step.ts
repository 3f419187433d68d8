import type { WrittenFigure } from '../dish/dish.schema'
import type { StageKind } from '../dish/names'
import { durationsIn } from '../quantity/duration'
import { ANY_VERB, IN_COOKER, ON_TOP, UNTIL_FRIED, bareListOf, clausesOf, type Clause } from './clause'
import { figureIn, releaseIn, withRelease } from './figure'

/** One thing that a step of a recipe has done. */
export interface ReadAction extends Omit<Clause, 'kind' | 'sentence'> {
  kind: StageKind
  /** How it is released, said after the pot itself. */
  isRelease: boolean
}

const TEMPERING =
  /\btemper(?:ing)?\b|\btadka\b|\btarka\b|\bchaunk\b|\bpour (?:the |this |it )?(?:\w+\s+){0,3}?(?:oil|ghee|butter|spices?)?\s*(?:mixture\s+)?(?:over|on top)|\bpour\b[^.]*\b(?:in|on)?to the (?:dal|lentils|curry|sambar|rasam)\b/i
const INTO_TEMPERING = /\b(?:to|into|with|over) (?:the|this) (?:tempering|tadka|tarka|masala)\b/gi
const SENTENCE = /(?<=[.!?])\s+(?=[\p{Lu}\d("“¡¿])|(?<=।)\s*|\n+/u
/** A stop that ends no sentence: “2 tbsp. oil”, “20 min. on low”. */
const ABBREVIATED = /\b(approx|Approx|tbsp|Tbsp|tsp|oz|lb|no|(?:min|mins|hr|hrs)(?=\.\s+\P{Lu}))\.\s/gu

/** Everything that a step has done, in order: what is told of one thing in several clauses is one. */
export function actionsOf(
  written: string,
  section: string | null = null,
  inEnglish: (text: string) => string = (text) => text,
): ReadAction[] {
  const text = inEnglish(written)
  const bare = new Set<Clause>()
  const all = written
    .replace(ABBREVIATED, '$1 ')
    .split(SENTENCE)
    .flatMap((sentence) => {
      const said = inEnglish(sentence.trim())
      const isTranslated = said !== sentence.trim()
      const found = clausesOf(said, text, isTranslated).filter((clause): clause is Clause => clause !== null)
      const list = found.length === 0 && !isTranslated ? bareListOf(said) : null
      if (list) {
        bare.add(list)
        return [list]
      }
      // Words that were put in do not stand where they were: all of the sentence is told.
      return isTranslated ? found.map((clause) => ({ ...clause, told: sentence.trim() })) : found
    })
  // What only names what goes in belongs to what is cooked beside it; elsewhere it says nothing that is done.
  const cooked = (one: Clause) => !bare.has(one)
  const isBesideCooking = (i: number) =>
    TAKES_MORE.has(all.slice(0, i).findLast(cooked)?.kind ?? '') ||
    TAKES_LIST.has(all.slice(i + 1).find(cooked)?.kind ?? '')
  const clauses = all
    .filter((clause, i) => !bare.has(clause) || isBesideCooking(i))
    // “Onion in, 4 min.”
    .map((clause, i, list) =>
      bare.has(clause) && clause.minutes !== null && list[i - 1]?.kind === 'fry'
        ? { ...clause, kind: 'fry' as const }
        : clause,
    )
  if (section !== null && TEMPERING.test(section)) return merged(clauses.map(asTempered))
  return merged(TEMPERING.test(text.replace(INTO_TEMPERING, ' ')) ? withTempering(clauses) : clauses)
}

const TAKES_LIST: ReadonlySet<string> = new Set(['fry', 'temper', 'simmer', 'pot'])

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
    figure: figureOfBoth(one, more),
    appliance: one.appliance ?? more.appliance,
    isBeside: one.isBeside || more.isBeside,
  })
  for (const [i, said] of clauses.entries()) {
    const clause = list.at(-1) && isFriedOn(list.at(-1)!, said) ? { ...said, kind: 'fry' as const } : said
    const pot = SETTLES.test(clause.text) ? list.findLastIndex(({ kind }) => kind === 'pot') : -1
    const { figure: ofPot = null } = list[pot] ?? {}
    if (ofPot) list[pot] = { ...list[pot]!, figure: withRelease(ofPot, NATURAL) }
    // The pot is of a step before.
    else if (pot < 0 && clause.kind !== 'release' && SETTLES.test(clause.text))
      list.push({ ...clause, kind: 'release' })
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
      // “Let it stand 10 minutes and release the rest.”
      else if (before?.kind === 'rest' && before.minutes !== null && list.at(-2)?.figure) {
        const cooked = list.at(-2)!
        const fall = { release: 'natural', releaseAfterMinutes: before.minutes } as const
        list.splice(-2, 2, {
          ...joined(joined(cooked, before), clause),
          minutes: cooked.minutes,
          figure: withRelease(cooked.figure!, fall),
        })
      } else if (before?.kind === 'simmer' && before.minutes !== null && /pressure|release/i.test(clause.text))
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
    // “Remove half for the topping. Add the cumin, 30 sec.”
    if (
      before?.kind === 'serve' &&
      beforeLid?.kind === 'fry' &&
      clause.kind === 'combine' &&
      clause.minutes !== null &&
      aBitMore(clause) > 0
    ) {
      list[list.length - 2] = joined(beforeLid, clause)
      continue
    }
    // “Put them in the slow cooker, pour over the stock.”
    if (
      before?.kind === 'pot' &&
      before.figure === null &&
      clause.kind === 'combine' &&
      before.sentence === clause.sentence
    ) {
      list[list.length - 1] = joined(before, clause)
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
    } else if (
      before &&
      clause.kind === 'combine' &&
      TAKES_MORE.has(before.kind) &&
      !isNext(before, clause) &&
      !isReduced(clause, clauses[i + 1])
    )
      list[list.length - 1] = {
        ...joined(before, clause),
        minutes: before.minutes === null ? longOf(before, clause) : before.minutes + aBitMore(clause),
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

/** “Add the besan, roast a minute”, “cook until mushy”, to what is fried. */
const isFriedOn = (before: Clause, { kind, text }: Clause) =>
  before.kind === 'fry' &&
  ((kind === 'dry-roast' && !/\bdry|\bpan\b|\bskillet\b|\bseparate/i.test(text)) ||
    (kind === 'simmer' && COOKS_SOFT.test(text) && !LIQUID.test(`${before.text} ${text}`)))
const COOKS_SOFT = /^\W*(?:then )?cook (?:them |it )?(?:until|till)\b[^.]*\b(?:mushy|soft|pulpy|softened)\b/i
const LIQUID = /\b(?:water|stock|broth|milk|cover(?:ed)?|lid)\b/i
/** “1 whistle on high, then 2 more whistles on low” are three. */
function figureOfBoth(one: Clause, more: Clause): WrittenFigure | null {
  if (!one.figure || !more.figure) return one.figure ?? more.figure
  const isMore =
    one.figure.kind === 'whistles' && more.figure.kind === 'whistles' && /\bmore whistles?\b/i.test(more.text)
  const figure = isMore ? { ...one.figure, figure: one.figure.figure + more.figure.figure } : one.figure
  return withRelease(figure, more.figure)
}

/** “Deglaze with the wine and let it reduce by half.” */
const isReduced = (clause: Clause, next: Clause | undefined) =>
  next?.kind === 'simmer' &&
  next.sentence === clause.sentence &&
  (/\b(?:wine|deglaze)\b/i.test(clause.text) || /\breduce|\bboil|\bbubble/i.test(next.text))

/** What is done until it is brown, and something else for 3 minutes, is not done in 3. */
const togetherMinutes = (one: Clause, more: Clause) =>
  one.kind === 'fry' && [one, more].some(({ minutes, text }) => minutes === null && UNTIL_FRIED.test(text))
    ? null
    : one.minutes === null && more.minutes === null
      ? null
      : (one.minutes ?? 0) + (more.minutes ?? 0)
/** “Heat the oil, add the onion, 4 minutes”: of what has no end of its own, what goes in says how long. */
const longOf = (before: Clause, { minutes }: Clause) =>
  (before.kind === 'fry' && UNTIL_FRIED.test(before.text)) || minutes === null || minutes <= MOST_OF_A_BIT
    ? null
    : minutes
/** “Add the garlic for a minute.” */
const aBitMore = ({ minutes }: Clause) => (minutes !== null && minutes <= MOST_OF_A_BIT ? minutes : 0)
const MOST_OF_A_BIT = 3
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
  ON_TOP.test(text) ||
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

const actionOf = ({ sentence: _, ...clause }: Clause, kind: StageKind): ReadAction => ({
  ...clause,
  kind,
  isRelease: false,
})

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
