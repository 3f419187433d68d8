import { heatsItself } from '../appliance/appliance'
import { knownOf } from '../dish/contents'
import type { DishAnswer, StageAnswer } from '../dish/dish'
import type { DishLine, DishRequest, Stage } from '../dish/dish.schema'
import { flameOf, keepsSoakWater, minutesOf, STAGES, turnsOf, vesselOf } from '../dish/stages'
import type { TaskPart } from '../names'
import { readQuantity } from '../quantity/quantity'
import { applianceOf } from '../program/answer'
import { closingInstructions } from './closing'
import { inOrder, type Deed, type Instruction, type Into, type Thing, type ThingState, type Until } from './instruction'
import { isKettle, litAt, tinThings } from './plan'

type Told = Partial<Omit<Instruction, 'id' | 'from' | 'do'>>

/** Everything that is done of a dish, in minutes from when the first of it that needs a hand begins; soaks before. */
export function instructionsOfDish(request: DishRequest, answer: DishAnswer): Instruction[] {
  const { stages } = request.dish
  const active = stages.flatMap(({ id, kind }) => {
    const found = answer.stages.find((one) => one.id === id)
    return found && !STAGES[kind].passive ? [found.startMinute] : []
  })
  const start = Math.min(...active, Infinity)
  const zero = Number.isFinite(start) ? start : Math.min(0, ...answer.stages.map(({ startMinute }) => startMinute))
  const told = stages.flatMap((stage, i) => {
    const found = answer.stages.find(({ id }) => id === stage.id)
    return found ? stageInstructions(request, answer, stage, found, i, found.startMinute - zero) : []
  })
  const served = Math.max(
    0,
    ...answer.stages.flatMap((one, i) =>
      STAGES[stages[i]!.kind].afterServing ? [] : [one.startMinute + one.minutes - zero],
    ),
  )
  const last = stages.filter(({ kind }) => !STAGES[kind].afterServing).at(-1)
  const serve = last ? [serveInstruction(last, served)] : []
  const keeps = told.filter((one) => one.do === 'keep')
  return [...inOrder([...told.filter((one) => one.do !== 'keep'), ...serve]), ...keeps]
}

const serveInstruction = ({ id, kind }: Stage, minute: number): Instruction => ({
  id: 'serve',
  from: { stage: id, kind },
  closing: null,
  part: 'do',
  at: { minute },
  hands: 0,
  critical: false,
  do: 'serve',
  things: [],
  in: null,
  on: null,
  setting: null,
  until: null,
  cautions: [],
  why: null,
})

function stageInstructions(
  request: DishRequest,
  dishAnswer: DishAnswer,
  stage: Stage,
  found: StageAnswer,
  index: number,
  begins: number,
): Instruction[] {
  const { stages, lines } = request.dish
  const { id, kind } = stage
  const ends = begins + found.minutes
  const vessel = vesselOf(stage)
  const hands = Math.round(found.handsMinutes)
  const { critical = false, flame, told } = STAGES[kind]
  const place = placeOf(stage, stages)
  const part: TaskPart = hands > 0 ? 'do' : 'tend'
  const list: Instruction[] = []
  const say = (deed: Deed, minute: number, more: Told = {}) => {
    const nth = list.filter((one) => one.do === deed).length
    list.push({
      id: `${id}.${deed}${nth > 0 ? nth + 1 : ''}`,
      from: { stage: id, kind },
      closing: null,
      part,
      at: { minute },
      hands: 0,
      critical,
      do: deed,
      things: [],
      in: place,
      on: null,
      setting: null,
      until: null,
      cautions: [],
      why: null,
      ...more,
    })
  }
  const carried = carriedInto(stage, request, dishAnswer)
  const allTaken = found.takes.map(({ line, g }) =>
    takenThing(
      lines.find((one) => one.id === line)!,
      g,
      vessel,
      request,
    ),
  )
  const [firstTurn, ...laterTurns] = turnsOf(stage, allTaken, minutesOf(stage))
  const taken = firstTurn!.takes
  const waterG = wateredG(stage, found, lines)
  const water: Thing[] = waterG > 0 ? [{ water: true, g: waterG, state: 'cold', goesInto: vessel }] : []
  // Out of a pot it is taken when that is opened, out of anything else before it goes on.
  if (stage.takesOutPouch)
    say('take-out', kind === 'pot' ? ends : begins, { what: 'pouch', hands: 1, part: kind === 'pot' ? 'open' : part })
  if (kind === 'pot')
    return [...potInstructions(request, stage, found, begins, [...taken, ...water], carried, place), ...list]

  const until: Until = {
    minutes: found.minutes,
    ...(kind === 'simmer' && minutesOf(stage) === 0 ? { boils: true } : {}),
    ...(stage.until ? { sign: stage.until } : {}),
  }
  const on = flame ? { burner: burnerOf(stage, stages) } : null
  const setting = flame ? { flame: flameOf(stage) } : null
  const all = [...carried, ...taken]
  const { before, after } = told
  if (kind === 'soak' && found.minutes < 1) {
    // A soak that is left out is a bowl of dry food.
    say('prepare', begins, { things: [...all, ...water], part: 'close' })
    return list
  }
  const share = kind === 'mash' && stage.mashesShare !== undefined ? { share: stage.mashesShare } : {}
  const work: Told = { until, hands, on, setting, ...share }
  if (before) {
    const first = before === 'add' ? [...all, ...water] : all
    if (first.length > 0) say('add', begins, { things: first, hands: 1, part: 'do' })
    if (before === 'add-and-pour' && water.length > 0) say('pour', begins, { things: water, hands: 1 })
    const cautions = found.cautions.flatMap((one) => (one.id === 'simmer-dry' ? [one.id] : []))
    say(told.do, begins, { ...work, cautions })
  } else {
    const kept = told.do === 'drain' ? keptThing(stage, found) : []
    const why = told.do === 'soak' ? ({ sum: 'soak' } as const) : null
    // What is done apart is of what is taken alone, and in its own vessel.
    const apart = after === 'pour-over'
    const things = [...(apart ? taken : all), ...water, ...kept]
    say(told.do, begins, { ...work, things, why, ...(apart ? { in: { vessel } } : {}) })
  }
  for (const { atMinute, takes } of laterTurns)
    say('add', begins + atMinute, {
      things: takes,
      hands: 1,
      afterMinutes: atMinute,
      ...(after === 'pour-over' ? { in: { vessel } } : {}),
    })
  for (const { atMinute, do: deed } of stage.reminders ?? [])
    say(deed, begins + atMinute, { hands: 1, afterMinutes: atMinute, ...(deed === 'look' ? { what: 'food' } : {}) })
  if (after === 'drain' && !keepsSoakWater(stage)) {
    const things = all.filter((one) => isSoaked(one, request)).map(met('soaked'))
    say('drain', ends, { things, hands: 1, part: 'do' })
  }
  if (after === 'pour-over' && stage.from.length > 0)
    say('add', ends, { things: allTaken.map(met('fried')), hands: 1, in: placeOf(endsAs(stage, stages), stages) })
  if (told.do !== 'drain' && told.do !== 'soak' && (found.liquid.keptG ?? 0) > 0)
    say('take-out', ends, { things: keptThing(stage, found), hands: 1 })
  if (stage.keepsFatG)
    say('take-out', ends, {
      things: [
        { keptFrom: id, fat: true, g: null, ofG: stage.keepsFatG, again: true, state: 'as-is', goesInto: 'bowl' },
      ],
      hands: 1,
    })
  if (flame && !staysLit(stage, index, stages)) say('off', ends, { on, hands: 1 })
  return list
}

function potInstructions(
  request: DishRequest,
  stage: Stage,
  { pot, cautions }: StageAnswer,
  begins: number,
  taken: Thing[],
  carried: Thing[],
  place: Instruction['in'],
): Instruction[] {
  if (!pot || !stage.pot) return []
  const { answer, request: asked, lines } = pot
  const cooker = place && 'cooker' in place ? place.cooker : null
  const settings = new Map(stage.pot.foods.map((one) => [one.line, one]))
  return answer.closings.flatMap((closing, number) => {
    const inTin = (line: string) => {
      const where = settings.get(line)?.where
      return where !== undefined && where !== 'base'
    }
    /** What is mixed in one tin; by its line where it stands alone. */
    const bowlOf = ({ line }: Thing) => {
      const where = settings.get(line ?? '')?.where
      return (where && where !== 'base' ? where.bowl : undefined) ?? line
    }
    const joins = (line: string | undefined) => {
      const at = lines.indexOf(line ?? '')
      return at < 0
        ? 0
        : Math.max(
            0,
            answer.closings.findIndex(({ adds }) => adds.includes(at)),
          )
    }
    const now = [...carried, ...taken].filter(({ line }) => joins(line) === number)
    const tinned = now.filter(({ line }) => line !== undefined && inTin(line))
    return closingInstructions({
      from: { stage: stage.id, kind: 'pot' },
      prefix: `${stage.id}${number > 0 ? `.${number}` : ''}`,
      number,
      lit: begins + litAt(answer, number),
      cooker,
      burner: heatsItself(applianceOf(answer)) ? null : stage.pot!.burnerId || null,
      style: asked.style,
      answer: { release: answer.release, cautions: [...answer.cautions, ...cautions] },
      closing,
      isLast: number === answer.closings.length - 1,
      base: now.filter((one) => !tinned.includes(one)),
      tins: [...new Set(tinned.map(bowlOf))].flatMap((bowl) =>
        together(
          tinned
            .filter((one) => bowlOf(one) === bowl)
            .flatMap((one) => tinThings(asked, answer, lines.indexOf(one.line!), one)),
        ),
      ),
      isKettle: isKettle(asked),
      keepWarmMinutes:
        number === answer.closings.length - 1 && heatsItself(applianceOf(answer)) ? stage.pot!.keepWarmMinutes : 0,
    })
  })
}

/** The things of one tin, with all its water in one. */
function together(things: readonly Thing[]): Thing[] {
  const waters = things.filter(({ water }) => water)
  const [first] = waters
  const foods = things.filter(({ water }) => !water)
  return first ? [...foods, { ...first, g: waters.reduce((sum, { g }) => sum + (g ?? 0), 0) }] : foods
}

/** A line by its own name, as the cook wrote it, or by what it is. */
function namedLine({ id, what, own, typed }: DishLine): Pick<Thing, 'line' | 'what' | 'name'> {
  const name = own?.name ?? (what === null ? typed : wordsOf(typed))
  return { line: id, what, ...(name === undefined ? {} : { name }) }
}

/** “white beans” of “300 g white beans, picked over”. Behind a mere number may stand a measure that is not known here. */
function wordsOf(typed: string): string | undefined {
  const { amounts, words } = readQuantity(typed)
  const unit = amounts[0]?.unit?.kind
  const name = words.split(/\s*[,(;]/)[0]!
  return (unit === 'weight' || unit === 'volume') && name !== '' ? name : undefined
}

/** What a stage takes, as it goes in for the first time. */
function takenThing(line: DishLine, g: number | null, goesInto: Into, request: DishRequest): Thing {
  const known = knownOf(line, request)
  const isFood = known !== null && 'food' in known
  const state: ThingState = line.kept ? 'cooked' : isFood && known.food.soak ? 'dry' : 'as-is'
  const isWhole = line.g === null || g === null || Math.abs(g - line.g) < 0.05
  return { ...namedLine(line), ...(isWhole ? { typed: line.typed } : {}), g, state, goesInto }
}

/** What comes from other stages and does not stand in this vessel already. */
function carriedInto(stage: Stage, request: DishRequest, answer: DishAnswer): Thing[] {
  const { stages } = request.dish
  const into = vesselOf(stage)
  return stage.from.flatMap(({ stage: id, part, g }): Thing[] => {
    const from = stages.find((one) => one.id === id)
    if (!from) return []
    if (part === 'fat') {
      const keptG = from.keepsFatG ?? 0
      return keptG > 0
        ? [{ keptFrom: id, fat: true, g: Math.min(keptG, g ?? Infinity), state: 'as-is', goesInto: into }]
        : []
    }
    if (part === 'liquid') {
      const keptG = answer.stages.find((one) => one.id === id)?.liquid.keptG ?? 0
      return keptG > 0 ? [{ keptFrom: id, g: Math.min(keptG, g ?? Infinity), state: 'as-is', goesInto: into }] : []
    }
    const stood = endsAs(from, stages)
    const stays = vesselOf(stood) === into && (into === 'pot' || into === 'pan' || into === 'box')
    if (stays && isOneVessel(stood, stage, stages)) return []
    return linesOf(from, stages).flatMap((line): Thing[] => {
      const of = request.dish.lines.find((one) => one.id === line)
      // What was in the soaking water has gone with it, or is in the food.
      if (of && from.kind === 'soak' && !isSoaked({ what: of.what, line }, request)) return []
      return of
        ? [
            {
              ...namedLine(of),
              typed: of.typed,
              g: null,
              again: true,
              ofG: takenG(line, from, answer, stages),
              state: stateAfter(from),
              goesInto: into,
            },
          ]
        : []
    })
  })
}

/** g of a line that a stage holds: what it took of it, and the stages before it. */
function takenG(line: string, stage: Stage, answer: DishAnswer, stages: readonly Stage[]): number | null {
  const took = answer.stages.find(({ id }) => id === stage.id)?.takes.find((one) => one.line === line)?.g ?? 0
  const before = stage.from.flatMap(({ stage: id, part }) =>
    part === 'all' ? stages.filter((one) => one.id === id) : [],
  )
  const sumG = before.reduce((sum, one) => sum + (takenG(line, one, answer, stages) ?? 0), took)
  return sumG > 0 ? sumG : null
}

/** Where what a stage makes stands in the end: a tempering in what it was poured over. */
function endsAs(stage: Stage, stages: readonly Stage[]): Stage {
  const [into] = stage.from
  const before =
    STAGES[stage.kind].told.after === 'pour-over' && into?.part === 'all'
      ? stages.find(({ id }) => id === into.stage)
      : undefined
  return before ? endsAs(before, stages) : stage
}

/** A food that soaks, and not what went into its water. */
function isSoaked({ what = null, line }: Pick<Thing, 'what' | 'line'>, request: DishRequest): boolean {
  const known = knownOf(request.dish.lines.find(({ id }) => id === line) ?? { what }, request)
  return known !== null && 'food' in known && known.food.soak !== null
}

/** Both stand in the same pot: neither names another cooker. */
const isOneVessel = (from: Stage, to: Stage, stages: readonly Stage[]) => {
  const first = cookerOf(from, stages)
  const second = cookerOf(to, stages)
  return first === null || second === null || first === second
}

const cookerOf = (stage: Stage, stages: readonly Stage[]): string | null => {
  const place = placeOf(stage, stages)
  return place && 'cooker' in place ? place.cooker : null
}

/** The lines that a stage holds when it is done. */
function linesOf(stage: Stage, stages: readonly Stage[]): string[] {
  const before = stage.from.flatMap(({ stage: id, part }) => {
    const from = part === 'all' ? stages.find((one) => one.id === id) : undefined
    return from ? linesOf(from, stages) : []
  })
  return [...new Set([...before, ...stage.takes.map(({ line }) => line)])]
}

function stateAfter(stage: Stage): ThingState {
  const { leaves } = STAGES[stage.kind]
  if (leaves !== 'soaked') return leaves
  return stage.minutes === 0 ? 'dry' : keepsSoakWater(stage) ? 'soaked' : 'soaked-and-drained'
}

const met =
  (state: ThingState) =>
  (thing: Thing): Thing =>
    thing.again ? { ...thing, state } : { ...thing, g: null, again: true, ofG: thing.g, state }

/** g of water that a stage pours and no pot works out, what is a line of the dish left out. */
function wateredG(
  { kind, waterG, measured }: Stage,
  { liquid, takes }: StageAnswer,
  lines: readonly DishLine[],
): number {
  if (!measured && (waterG !== undefined || kind !== 'soak')) return waterG ?? 0
  const asLinesG = takes.flatMap(({ line, g }) =>
    lines.find(({ id }) => id === line)?.what === 'water' ? [g ?? 0] : [],
  )
  return liquid.pouredG - asLinesG.reduce((sum, g) => sum + g, 0)
}

function keptThing(stage: Stage, { liquid }: StageAnswer): Thing[] {
  return liquid.keptG > 0
    ? [{ keptFrom: stage.id, g: null, ofG: liquid.keptG, again: true, state: 'as-is', goesInto: 'bowl' }]
    : []
}

/** Where a stage is done: in the pot that it shares with its neighbours, or in something else. */
function placeOf(stage: Stage, stages: readonly Stage[]): Instruction['in'] {
  if (stage.pot) return { cooker: stage.pot.cookerId || null }
  const vessel = vesselOf(stage)
  if (vessel !== 'pot') return { vessel }
  const seen = new Set<string>()
  const towards = (one: Stage): string | null => {
    if (one.pot) return one.pot.cookerId || null
    if (seen.has(one.id) || vesselOf(one) !== 'pot') return null
    seen.add(one.id)
    const next = [
      ...one.from.flatMap(({ stage: id, part }) => (part === 'all' ? stages.filter((other) => other.id === id) : [])),
      ...stages.filter(({ from }) => from.some((other) => other.stage === one.id && other.part === 'all')),
    ]
    for (const other of next) {
      const cooker = towards(other)
      if (cooker !== null) return cooker
    }
    return null
  }
  return { cooker: towards(stage) }
}

const burnerOf = (stage: Stage, stages: readonly Stage[]): string | null => {
  const cooker = cookerOf(stage, stages)
  return stages.find(({ pot }) => pot && pot.cookerId === cooker)?.pot?.burnerId || null
}

/** What it stands in goes on being heated by the stage that comes next. */
function staysLit(stage: Stage, index: number, stages: readonly Stage[]): boolean {
  const next = stages
    .slice(index + 1)
    .find(({ from }) => from.some((one) => one.stage === stage.id && one.part === 'all'))
  if (!next || vesselOf(next) !== vesselOf(stage)) return false
  return next.kind === 'pot' || STAGES[next.kind].flame !== undefined
}
