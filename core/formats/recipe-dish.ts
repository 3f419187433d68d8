import { BOUNDS, MOST } from '../bounds'
import { knownOf, type Known } from '../dish/contents'
import type { Dish, DishLine, PotSettings, Stage, WrittenFigure } from '../dish/dish.schema'
import type { StageKind } from '../dish/names'
import { readLine, type Measuring, type Names, type ReadLine } from './line'
import { nameKey, wordsOf } from './name-key'
import type { Recipe } from './recipe'
import { actionsOf, withRelease, releaseIn, type ReadAction } from './step'

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

const USUAL_MINUTES_OF_SOAK = 480

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
  for (const text of recipe.ingredients.flatMap(apart)) {
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
  chain(stages, actions)
  const placed = lines.map((line, i) => place(line, read[i]!, sections[i]!, stages, stageSections, names, measuring))
  placeGroups(
    lines.filter((_, i) => !placed[i]),
    stages,
    measuring,
  )
  const kept = stages.length > MOST.dishStages ? withoutEmpty(stages) : stages
  const dish: Dish = { name: recipe.name, servings: recipe.servings ?? 4, lines, stages: kept }
  return { dish, lines: read, steps, written, missing: [...missing], leftOut: recipe.leftOut }
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

/** “Salt and pepper”, of which nobody says how much, are two lines. */
const SALT_AND_PEPPER = /^([^\d½¼¾]*\bsalt)\s*(?:and|&|,)\s*([^\d½¼¾,]*\bpepper\b)(.*)$/i
function apart(text: string): string[] {
  const found = SALT_AND_PEPPER.exec(text)
  return found ? [`${found[1]!}${found[3]!}`, `${found[2]!}${found[3]!}`] : [text]
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
  const whole = kind === 'soak' && minutes === null ? USUAL_MINUTES_OF_SOAK : minutes
  return {
    ...base,
    ...(whole === null ? {} : { minutes: Math.min(whole, BOUNDS.stageMinutes[1]) }),
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
function chain(stages: Stage[], actions: readonly ReadAction[]): void {
  const anew: ReadonlySet<StageKind> = new Set(['soak', 'marinate', 'prepare', 'dry-roast'])
  /** What goes on, and the branches that wait beside it. */
  let main: string | null = null
  let waiting: string[] = []
  let isBesideOpen = false
  stages.forEach((stage, i) => {
    const isFirstFry = stage.kind === 'fry' && main === null
    const isBeside = stage.vessel === 'pan' && stage.kind !== 'temper' && actions[i]!.isBeside
    if (anew.has(stage.kind)) {
      waiting.push(stage.id)
      return
    }
    if (isFirstFry && !isBeside) {
      main = stage.id
      return
    }
    if (isBeside && main !== null) {
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

/** Words of a line by which a step names it; with all that say how it is prepared too, where they are asked for. */
function wordsNaming(typed: string, names: Names, isWhole = false): string[] {
  const [main = ''] = typed.replace(/\([^)]*\)/g, ' ').split(',')
  return wordsOf(main)
    .filter((word) => !/\d/.test(word) && word.length >= LEAST_WORD && !UNIT_WORDS.has(word))
    .filter((word) => isWhole || !names.says.prepared.has(word))
    .map(stem)
}
const LEAST_WORD = 3
const stem = (word: string) => word.replace(/(?<=..)(?:ies|es|s)$/, '')
const UNIT_WORDS = new Set(
  'cup cups tbsp tsp tablespoon tablespoons teaspoon teaspoons gram grams ounce ounces pound pounds litre litres liter liters inch inches piece pieces can cans tin tins jar packet pack pinch handful bunch sprig sprigs clove cloves stalk stalks head heads slice slices and for the with from'.split(
    ' ',
  ),
)

/** Puts a line where a step first speaks of it, and again where it says so; true if any does. */
function place(
  { id, what }: DishLine,
  { typed, isDivided }: ReadLine,
  section: string | null,
  stages: Stage[],
  sections: readonly (string | null)[],
  names: Names,
  own: Measuring,
): boolean {
  const words = wordsNaming(typed, names)
  const whole = wordsNaming(typed, names, true)
  const known = knownOf({ what }, own)
  const said = stages.map(({ until = '' }) => ` ${wordsOf(until).map(stem).join(' ')} `)
  const measured = wordsOf(typed.replace(/^([\d½¼¾⅓⅔./\s-]+\p{L}+(?:\s+of)?\s+\p{L}+).*$/u, '$1'))
    .map(stem)
    .join(' ')
  const isOfSection = (i: number) =>
    section === null || sections[i] === null ? null : nameKey(section) === nameKey(sections[i]!)
  const scores = stages.map((_, i) => {
    const all = words.filter((word) => said[i]!.includes(` ${word} `)).length / Math.max(words.length, 1)
    const bySection = isOfSection(i)
    // “For the tempering”: its lines go where it is tempered.
    const isTempering = section !== null && /temper|tadka|tarka/i.test(section)
    const fits = bySection ?? (isTempering ? stages[i]!.kind === 'temper' : null)
    if (all === 0 || fits === false) return 0
    // “Coriander leaves” are not the coriander powder of a step before; “4 cups of water” are where that is said.
    const phrase = whole.filter((word) => said[i]!.includes(` ${word} `)).length / Math.max(whole.length, 1)
    const isMeasured = measured !== '' && said[i]!.includes(` ${measured} `)
    const isBath = what === 'water' && BATHS.has(stages[i]!.kind)
    return (all + (fits === true ? 1 : 0) + PHRASE_WEIGHS * phrase + (isMeasured ? 1 : 0)) * (isBath ? 0.5 : 1)
  })
  const best = Math.max(...scores, 0)
  if (best === 0) {
    // By another of its names, or by what it is: “the beans”, “the dal”.
    const at = stages.findIndex(({ until = '' }) => isNamedIn(until, what, known, names))
    if (at >= 0) stages[at]!.takes.push({ line: id })
    return at >= 0
  }
  // The last word of a name says what it is: “lemon juice” is no lemon grass. A step that has all words goes before.
  const wanted = known && 'food' in known ? Math.min(best, 0.5) : best
  const first = scores.findIndex((score) => score >= wanted - 1e-9 && score > 0)
  stages[first]!.takes.push({ line: id })
  const again = stages.filter(
    ({ until = '' }, i) =>
      i > first && scores[i]! > 0 && (isDivided || REST_OF.test(until)) && said[i]!.includes(` ${words.at(-1)!} `),
  )
  for (const stage of again) stage.takes.push({ line: id })
  return true
}
/** How much the words of its preparing weigh beside those of its name. */
const PHRASE_WEIGHS = 0.4
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
const REST_OF = /\b(?:rest of|remaining|reserved|other half|second half|half (?:of )?the)\b/i

/** Groups by which a step speaks of several: “the spices”, “all ingredients”. */
const GROUPS: readonly [RegExp, (group: string) => boolean][] = [
  [/\bwhole spices?\b/i, (group) => group === 'whole-spice' || group === 'leaf'],
  [
    /\b(?:ground|powdered|dry) spices?\b|\bspice powders?\b|\bmasalas?\b/i,
    (group) => group === 'ground-spice' || group === 'chilli',
  ],
  [/\bspices\b|\bseasonings?\b/i, (group) => ['whole-spice', 'ground-spice', 'leaf', 'chilli', 'salt'].includes(group)],
  [/\bherbs\b/i, (group) => group === 'fresh-herb' || group === 'leaf'],
  [
    /\bvegetables\b|\bveggies\b/i,
    (group) =>
      ['root', 'squash', 'soft-vegetable', 'firm-vegetable', 'greens', 'mushroom', 'vegetable'].includes(group),
  ],
  [/\b(?:all|rest of|remaining|other)\b[^.]*\bingredients\b|\beverything\b/i, () => true],
]

function placeGroups(lines: readonly DishLine[], stages: Stage[], own: Measuring): void {
  for (const line of lines) {
    const known = knownOf(line, own)
    const group = !known ? '' : 'food' in known ? known.food.group : known.ingredient.group
    const at = stages.find(({ until = '' }) => GROUPS.some(([said, holds]) => said.test(until) && holds(group)))
    at?.takes.push({ line: line.id })
  }
}
