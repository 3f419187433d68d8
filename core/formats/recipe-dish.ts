import { BOUNDS, MOST } from '../bounds'
import { knownOf, type Known } from '../dish/contents'
import type { Dish, DishLine, PotSettings, Stage, WrittenFigure } from '../dish/dish.schema'
import type { StageKind } from '../dish/names'
import { durationsIn, middleMinutes } from '../quantity/duration'
import { readLine, type Measuring, type Names, type ReadLine } from './line'
import { wordsOf } from './name-key'
import type { Recipe } from './recipe'
import { apart, onlyInSteps } from './recipe-lines'
import { place, placeGroups, stem, withoutTakenOut, withTheirPart, wordsNaming, type Told } from './recipe-placing'
import { releaseIn, withRelease } from './figure'
import { actionsOf, type ReadAction } from './step'

/** For what kind of cooker a recipe is written. */
export type WrittenFor = 'whistling' | 'electric' | 'rice-cooker' | 'slow'

/** How a pot of this kitchen is usually programmed; of each kind of cooker that it has, how that one is. */
export interface PotsToTake {
  usual: PotSettings
  kinds: Partial<Record<WrittenFor, PotSettings>>
}

/** A step with what became of it. */
export interface ReadStep {
  text: string
  section: string | null
  /** The stages that it became; none where nothing is done in it. */
  stages: string[]
  /** Nobody said for how long, where that has to be known. */
  isOpen: boolean
}

/** A dish made of a recipe, with what is open in it. */
export interface ImportedDish {
  dish: Dish
  lines: ReadLine[]
  steps: ReadStep[]
  /** What the recipe says of a pot, by stage; it was written for another kitchen. */
  written: { stage: string; figure: WrittenFigure }[]
  /** Kinds of cooker that it is written for and this kitchen has none of. */
  missing: WrittenFor[]
  /** What of the text was left out, in its own words. */
  leftOut: string[]
}

/** “Overnight” (general kitchen practice). */
const USUAL_MINUTES_OF_SOAK = 480
const LEAST_MINUTES_OF_SOAK = 30

const WRITTEN_FOR: Readonly<Record<WrittenFigure['kind'], WrittenFor | null>> = {
  whistles: 'whistling',
  'high-pressure': 'electric',
  'low-pressure': 'electric',
  slow: 'slow',
  simmer: null,
}

/** Makes a dish of a recipe: its lines as typed, what its steps have done as stages, each ingredient at what names it. */
export function dishOfRecipe(recipe: Recipe, names: Names, pots: PotsToTake, measuring: Measuring = {}): ImportedDish {
  let section: string | null = null
  const sections: (string | null)[] = []
  const read: ReadLine[] = []
  const isRead = (line: string) => readLine(line, names, measuring).what !== null
  const several = recipe.ingredients.flatMap((one) => apart(one, isRead))
  // What would be too many lines for a dish stays as it was written.
  const listed = several.length > MOST.dishLines ? recipe.ingredients : several
  const also = onlyInSteps(recipe, listed, names, measuring).slice(0, MOST.dishLines - listed.length)
  for (const text of [...listed, ...also]) {
    const line = readLine(text, names, measuring)
    if (line.isHeading) section = line.typed.replace(/:$/, '')
    else {
      read.push(line)
      sections.push(section)
    }
  }
  const lines = read.map(({ typed, what, g, maybe }, i): DishLine => ({
    id: `l${i + 1}`,
    typed,
    what,
    g,
    ...(maybe ? { maybe } : {}),
  }))
  const stages: Stage[] = []
  const actions: ReadAction[] = []
  const written: ImportedDish['written'] = []
  const missing = new Set<WrittenFor>()
  const steps: ReadStep[] = []
  const stageSections: (string | null)[] = []
  for (const step of recipe.steps) {
    const told: ReadStep = { text: step.text, section: step.section, stages: [], isOpen: false }
    steps.push(told)
    const done = actionsOf(step.text, step.section, names.inEnglish)
    const only = done.filter(({ isRelease }) => !isRelease).length === 1
    for (const action of done) {
      if (action.isRelease) {
        // How the pot before is released.
        const pot = stages.findLast(({ kind }) => kind === 'pot')
        const figure = written.find(({ stage }) => stage === pot?.id)
        if (pot?.pot?.written && figure) {
          figure.figure = withRelease(figure.figure, releaseIn(action.text))
          pot.pot = { ...pot.pot, written: figure.figure }
          told.stages.push(pot.id)
        }
        continue
      }
      // Soaked beans are drained by their soak.
      if (action.kind === 'drain' && stages.at(-1)?.kind === 'soak') {
        told.stages.push(stages.at(-1)!.id)
        continue
      }
      // “Put all in the slow cooker.” “Cook on low for 6 hours.”
      const before = stages.at(-1)
      if (
        action.kind === 'simmer' &&
        action.minutes !== null &&
        before?.pot &&
        !before.pot.written &&
        actions.at(-1)!.appliance === 'slow' &&
        /^\W*cook\b/i.test(action.text)
      ) {
        const figure = { kind: 'slow' as const, figure: action.minutes, release: null, releaseAfterMinutes: null }
        before.pot = { ...before.pot, written: figure }
        written.push({ stage: before.id, figure })
        told.stages.push(before.id)
        continue
      }
      const id = `s${stages.length + 1}`
      const minutes = action.minutes ?? (only ? step.minutes : null)
      const stage = stageOf(id, action, minutes, pots, missing)
      if (stage.pot?.written) written.push({ stage: id, figure: stage.pot.written })
      told.stages.push(id)
      if (stage.minutes === undefined && NEEDS_MINUTES.has(stage.kind) && !/\buntil|till\b/i.test(action.text))
        told.isOpen = true
      stages.push(stage)
      actions.push(action)
      stageSections.push(step.section)
    }
  }
  const told = stages.map((stage, i): Told => ({ stage, text: actions[i]!.text, section: stageSections[i]! }))
  const phrases = lines.map(({ typed }) => wordsNaming(names.inEnglish?.(typed) ?? typed, names, true).join(' '))
  const placeAt = (line: DishLine, i: number, at: readonly Told[]) => {
    // “Coriander leaves” name no ground coriander where there are both.
    const others = phrases.filter((one) => one.includes(' ') && !` ${phrases[i]} `.includes(` ${one} `))
    return place(line, read[i]!, sections[i]!, at, others, names, measuring)
  }
  const putIn = told.map((one): Told => ({ ...one, text: withoutTakenOut(one.text) }))
  const placed = lines.map((line, i) => placeAt(line, i, putIn))
  withTheirPart(lines, placed, sections, stages)
  const nowhere = () => lines.filter(({ id }) => stages.every(({ takes }) => takes.every(({ line }) => line !== id)))
  const sectionOf = new Map(lines.map(({ id }, i) => [id, sections[i] ?? null]))
  placeGroups(nowhere(), sectionOf, putIn, measuring)
  for (const line of nowhere()) placeAt(line, lines.indexOf(line), told)
  const isFat = (line: DishLine) => {
    const known = knownOf(line, measuring)
    return known !== null && 'ingredient' in known && known.ingredient.group === 'fat'
  }
  lines.forEach((line, i) => {
    const at = told.find(({ stage }) => stage.takes.some((take) => take.line === line.id))
    const seed = at && seedsOf(line, at.text, names, measuring)
    if (seed)
      [lines[i], read[i]] = [
        { ...line, what: seed.what, g: seed.g },
        { ...seed, typed: line.typed },
      ]
  })
  chain(stages, actions, new Set(lines.filter(isFat).map(({ id }) => id)))
  soakWhatIsSaidSoaked(lines, stages, names, measuring)
  serveWith(lines, sectionOf, stages, recipe, names)
  const kept = stages.length > MOST.dishStages ? withoutEmpty(stages) : stages
  const dish: Dish = { name: recipe.name, servings: recipe.servings ?? 4, lines, stages: kept }
  return { dish, lines: read, steps, written, missing: [...missing], leftOut: recipe.leftOut }
}

/** “Crackle the cumin” and “let the mustard pop” are told of seeds, and not of what is ground or in a jar. */
function seedsOf({ typed, what }: DishLine, text: string, names: Names, measuring: Measuring): ReadLine | null {
  if ((what !== 'cumin-ground' && what !== 'mustard-prepared') || /ground|powder|dijon|prepared|paste/i.test(typed))
    return null
  if (!/\b(?:crackl|splutter|sputter|pop|sizzl|temper|tadka|tarka)/i.test(text)) return null
  const seed = readLine(typed.replace(/\b(?:cumin|mustard)\b/i, '$& seeds'), names, measuring)
  return seed.what?.endsWith('-seed') ? seed : null
}

/** Of more stages than a dish may have, those into which nothing goes and in which nothing is cooked are left out. */
function withoutEmpty(stages: Stage[]): Stage[] {
  const empty = new Set(
    stages.flatMap(({ id, kind, takes }) =>
      (kind === 'prepare' || kind === 'combine') && takes.length === 0 ? [id] : [],
    ),
  )
  const through = (id: string): string[] =>
    empty.has(id) ? stages.find((one) => one.id === id)!.from.flatMap(({ stage }) => through(stage)) : [id]
  return stages
    .filter(({ id }) => !empty.has(id))
    .map((stage) => ({
      ...stage,
      from: stage.from.flatMap((from) => through(from.stage).map((id) => ({ ...from, stage: id }))),
    }))
}

/** What lasts as long as somebody says. */
const NEEDS_MINUTES: ReadonlySet<StageKind> = new Set(['rest', 'simmer'])

function stageOf(
  id: string,
  { kind, text, told, figure, appliance, isBeside }: ReadAction,
  minutes: number | null,
  pots: PotsToTake,
  missing: Set<WrittenFor>,
): Stage {
  const base = { id, kind, takes: [], from: [], until: told.slice(0, 1000) }
  if (kind === 'pot') {
    const wanted = appliance ?? (figure ? WRITTEN_FOR[figure.kind] : null)
    const own = wanted === null ? pots.usual : pots.kinds[wanted]
    if (!own) missing.add(wanted!)
    const settings = own ?? pots.usual
    return { ...base, pot: { ...settings, ...(figure ? { written: figure } : {}) } }
  }
  return {
    ...base,
    ...(minutes === null ? {} : { minutes: Math.min(minutes, BOUNDS.stageMinutes[1]) }),
    ...(kind === 'soak' && KEEPS_WATER.test(text) ? { keepWater: true } : {}),
    ...(kind === 'simmer' && /\bcovered\b|\bcover\b|\blid on\b/i.test(text) && !/\buncovered\b/i.test(text)
      ? { lid: true }
      : {}),
    ...(isBeside && PAN_KINDS.has(kind) ? { vessel: 'pan' as const } : {}),
  }
}
const KEEPS_WATER =
  /\b(?:do not|don['’]t|without) drain|\bwith (?:its|their|the) (?:soaking )?water|\b(?:keep|reserve|save) the (?:soaking )?water/i
const PAN_KINDS: ReadonlySet<StageKind> = new Set(['fry', 'dry-roast', 'temper', 'simmer'])

/**
 * Each stage goes on with what the one before left. A soak and what is made beside the pot are branches of their own,
 * which meet in the next stage that is no such branch.
 */
function chain(stages: Stage[], actions: readonly ReadAction[], fats: ReadonlySet<string>): void {
  const anew: ReadonlySet<StageKind> = new Set(['soak', 'marinate', 'prepare', 'dry-roast'])
  /** What goes on, and the branches that wait beside it. */
  let main: string | null = null
  let waiting: string[] = []
  let isBesideOpen = false
  const isFat = ({ line }: { line: string }) => fats.has(line)
  const hasOnlyFat = ({ takes }: Stage) => takes.every(isFat)
  const isWet = (id: string | null) => stages.some((one) => one.id === id && WET.has(one.kind))
  const isLast = (at: number) => stages.slice(at + 1).every(({ kind }) => kind === 'fry' || kind === 'prepare')
  stages.forEach((stage, i) => {
    const isFirstFry = stage.kind === 'fry' && main === null
    const isBeside = stage.vessel === 'pan' && stage.kind !== 'temper' && actions[i]!.isBeside
    const isOfMain =
      main !== null && stage.kind === 'prepare' && stage.takes.length === 0 && OF_MAIN.test(actions[i]!.text)
    if (anew.has(stage.kind) && !isOfMain) {
      waiting.push(stage.id)
      return
    }
    // Beans that were soaked and are drained wait on.
    if (stage.kind === 'drain' && main === null) {
      stage.from = waiting.map((id) => ({ stage: id, part: 'all' as const }))
      waiting = [stage.id]
      return
    }
    if (isFirstFry && !isBeside) {
      // “Dredge the meat in flour, brown it in oil.”
      const before = stages[i - 1]
      if (before && hasOnlyFat(stage) && before.id === waiting.at(-1)) {
        stage.from = [{ stage: before.id, part: 'all' }]
        waiting.pop()
      }
      main = stage.id
      return
    }
    // “Heat the oil, fry the onion” while the beans stand in their pot: another pan.
    const isApart = stage.kind === 'fry' && isWet(main) && stage.takes.some(isFat) && !isLast(i)
    if (isApart) stage.vessel = 'pan'
    // “Toss the meat in the flour.” “Brown it in the oil in a pan.”
    const tossed = stages[i - 1]
    if (stage.kind === 'fry' && tossed?.kind === 'combine' && tossed.id === main && hasOnlyFat(stage)) {
      stage.from = [{ stage: tossed.id, part: 'all' }]
      main = stage.id
      return
    }
    if ((isBeside || isApart) && main !== null) {
      waiting.push(stage.id)
      isBesideOpen = true
      return
    }
    // A fry that follows one in a pan goes on there.
    if (isBesideOpen && (stage.kind === 'fry' || stage.kind === 'dry-roast')) {
      const before = waiting.pop()!
      stage.from = [{ stage: before, part: 'all' }]
      stage.vessel = 'pan'
      waiting.push(stage.id)
      return
    }
    stage.from = [...(main === null ? [] : [main]), ...waiting].map((id) => ({ stage: id, part: 'all' as const }))
    main = stage.id
    waiting = []
    isBesideOpen = false
  })
}

const WET: ReadonlySet<StageKind> = new Set(['pot', 'simmer', 'mash'])
/** “Take out the chicken, shred it.” */
const OF_MAIN = /\bshred|\bwhisk\b|\bdebone|\b(?:it|them)\b/i

/** Where nobody says for how long: as long as is advised for what is soaked, and overnight at most. */
function usualSoakMinutes(foods: readonly (Known | null)[]): number {
  const advised = foods.flatMap((known) => (known && 'food' in known && known.food.soak?.adviceHours[1]) || [])
  const hours = advised.length > 0 ? Math.max(...advised) : Infinity
  return Math.min(USUAL_MINUTES_OF_SOAK, Math.max(LEAST_MINUTES_OF_SOAK, hours * 60))
}

/** “1 cup chickpeas, soaked overnight”: what no step soaks is soaked before all of them. */
function soakWhatIsSaidSoaked(lines: readonly DishLine[], stages: Stage[], names: Names, own: Measuring): void {
  const known = (id: string) =>
    knownOf(
      lines.find((line) => line.id === id)!,
      own,
    )
  const isTakenBySoak = (id: string) =>
    stages.some(({ kind, takes }) => kind === 'soak' && takes.some(({ line }) => line === id))
  const added: Stage[] = []
  for (const line of lines) {
    const found = known(line.id)
    const text = names.inEnglish?.(line.typed) ?? line.typed
    const said = SAID_SOAKED.exec(text)
    if (!said || !found || !('food' in found) || found.food.soak === null || isTakenBySoak(line.id)) continue
    const taker = stages.find(({ takes }) => takes.some((take) => take.line === line.id))
    if (!taker) continue
    const [time] = durationsIn(text.slice(said.index))
    const minutes = time ? middleMinutes(time) : usualSoakMinutes([found])
    // Soaked beans are drained by their soak.
    if (taker.kind === 'drain' && taker.from.length === 0) {
      Object.assign(taker, { kind: 'soak', minutes })
      continue
    }
    taker.takes = taker.takes.filter((take) => take.line !== line.id)
    const same = added.find((soak) => soak.minutes === minutes && taker.from.some(({ stage }) => stage === soak.id))
    if (same) {
      same.takes.push({ line: line.id })
      continue
    }
    const id = `s${stages.length + added.length + 1}`
    taker.from.unshift({ stage: id, part: 'all' })
    added.push({ id, kind: 'soak', takes: [{ line: line.id }], from: [], minutes })
  }
  stages.unshift(...added)
  for (const stage of stages)
    if (stage.kind === 'soak') stage.minutes ??= usualSoakMinutes(stage.takes.map(({ line }) => known(line)))
}
/** Beans of which it is said that they need none must not be planned as soaked ones: they would come out hard. */
const SAID_SOAKED =
  /(?<!\b(?:not|no|without|never|don['’]t|needn['’]t)\s+(?:\w+\s+){0,3})\bsoak(?:ed|ing)?\b(?!\W+(?:is\s+)?(?:not|optional|unnecessary|if)\b)/i

/** What no step has cooked and one serves the dish with goes in at the end. */
function serveWith(
  lines: readonly DishLine[],
  sectionOf: ReadonlyMap<string, string | null>,
  stages: Stage[],
  { steps }: Recipe,
  names: Names,
): void {
  const isIn = ({ id }: DishLine) => stages.some(({ takes }) => takes.some(({ line }) => line === id))
  const add = (takes: Stage['takes'], until?: string) => {
    const ends = stages.filter(({ id }) => stages.every(({ from }) => from.every(({ stage }) => stage !== id)))
    const from = ends.map(({ id }) => ({ stage: id, part: 'all' as const }))
    stages.push({ id: `s${stages.length + 1}`, kind: 'combine', takes, from, ...(until ? { until } : {}) })
  }
  for (const { text } of steps) {
    const english = names.inEnglish?.(text) ?? text
    const said = SERVES_WITH.exec(english)
    if (!said) continue
    const spoken = ` ${wordsOf(said[0]).map(stem).join(' ')} `
    const takes = lines
      .filter((line) => !isIn(line))
      .filter(({ typed }) => wordsNaming(typed, names).some((word) => spoken.includes(` ${word} `)))
      .map(({ id }) => ({ line: id }))
    if (takes.length === 0) continue
    const until = (names.inEnglish ? text : said[0]).slice(0, 1000)
    add(takes, until)
  }
  const toppings = lines.filter((line) => !isIn(line) && SERVED.test(sectionOf.get(line.id) ?? ''))
  if (toppings.length > 0) add(toppings.map(({ id }) => ({ line: id })))
}
const SERVED = /\btoppings?\b|\bgarnish|\bto serve\b|\bfor serving\b/i
const SERVES_WITH = /\b(?:serve|garnish|top|finish)\b[^.]*/i
