import { cooksCovered, setsAsGrain } from '../food/food'
import type { Food } from '../food/food.schema'
import type { StandIns } from '../ingredient/stand-ins'
import type { Texture } from '../names'
import type { Tin } from '../program/request.schema'
import type { FreeLiquid } from '../water/liquids'
import { knownOf, type OwnThings } from './contents'
import type { DishLine, PotSettings, Stage, Take } from './dish.schema'
import type { StageKind } from './names'

/** What a line does in a dish, which decides where it goes. */
type Role =
  | 'pulse'
  | 'grain'
  | 'meat'
  | 'vegetable'
  | 'fat'
  | 'whole-spice'
  | 'onion'
  | 'aromatic'
  | 'ground-spice'
  | 'tomato'
  | 'greens'
  | 'salt'
  | 'liquid'
  /** Milk of any kind: it splits or catches when it is cooked long. */
  | 'milk'
  | 'thickener'
  | 'sweet'
  /** Sour, fresh herbs, nuts, sauces: what loses by cooking. */
  | 'last'
  /** Cooked before: it only gets hot. */
  | 'cooked'

const ROLE_OF: Record<StandIns, Role> = {
  onion: 'onion',
  garlic: 'aromatic',
  paste: 'aromatic',
  chilli: 'aromatic',
  tomato: 'tomato',
  greens: 'greens',
  squash: 'vegetable',
  root: 'vegetable',
  'soft-vegetable': 'vegetable',
  'firm-vegetable': 'vegetable',
  mushroom: 'vegetable',
  leaf: 'whole-spice',
  'whole-spice': 'whole-spice',
  'ground-spice': 'ground-spice',
  salt: 'salt',
  fat: 'fat',
  stock: 'liquid',
  water: 'liquid',
  milk: 'milk',
  'coconut-milk': 'milk',
  thickener: 'thickener',
  'cooked-pulse': 'cooked',
  sour: 'last',
  'salty-sauce': 'last',
  curd: 'last',
  cheese: 'last',
  sweet: 'sweet',
  raising: 'last',
  nut: 'last',
  fruit: 'last',
  'fresh-herb': 'last',
}

/** What of a dish is asked before it is built. */
export const PROPOSED = {
  soak: ['overnight', 'short', 'hot', 'none'],
  soakWater: ['thrown', 'kept', 'measured'],
  water: ['cold', 'boiling'],
  grain: ['with', 'tin'],
  masala: ['beside', 'before', 'tempering', 'raw'],
  whole: ['with', 'end'],
  tomato: ['after', 'with'],
  vegetables: ['with', 'after'],
  greens: ['after', 'with'],
  liquid: ['drained', 'thick', 'spoonable', 'pourable', 'soup'],
  keep: ['eat', 'keep'],
} as const
export type ProposedId = keyof typeof PROPOSED
export type ProposedOption<Id extends ProposedId = ProposedId> = (typeof PROPOSED)[Id][number]
export type Wanted = { [Id in ProposedId]?: ProposedOption<Id> }

/** One question with what is usual, or what was wanted instead. */
export interface ProposedChoice {
  id: ProposedId
  /** The lines that it is about; none where it is about the whole. */
  lines: string[]
  options: readonly ProposedOption[]
  chosen: ProposedOption
  /** Hours of each soak that is offered. */
  hours?: Partial<Record<ProposedOption<'soak'>, number>>
}

export interface Proposal {
  choices: ProposedChoice[]
  stages: Stage[]
}

/** The household's own things, how its pot is set, and a tin that goes into it. */
export interface ProposeFor extends OwnThings {
  pot: PotSettings
  tin?: Tin | null
}

/** Minutes that a fry takes for what goes into it, in the order in which it goes in (general kitchen practice). */
const FRY_ORDER: readonly [role: Role, minutes: number][] = [
  ['fat', 0],
  ['whole-spice', 1],
  ['onion', 8],
  ['aromatic', 1],
  ['ground-spice', 1],
  ['tomato', 5],
]
/** Minutes of an open simmer for the slowest thing that goes into it (general kitchen practice). */
const SIMMER_MINUTES = { vegetable: 12, tomato: 8, greens: 4, other: 5 }
const HOT_SOAK_C = 90
const HOT_SOAK_HOURS = 1
/** g of water that covers a g of grain in its bowl (general kitchen practice). */
const GRAIN_SOAK_TIMES = 1.2
const OVERNIGHT_HOURS = 8
/** A soak from which on it is planned ahead; a shorter one is done while the rest is cut. */
const LONG_HOURS = 4
const SHORT_HOURS = 2
const FRY_FLAME = 'medium'
const TEMPER_MINUTES = 3
/** Grain with so many times its weight of liquid is a porridge (general kitchen practice). */
const PORRIDGE_TIMES = 3

/**
 * How a dish of these lines is usually cooked, with the few choices that cooks differ in, each as wanted or as is usual;
 * null where nothing among them decides what dish it is. Every line that is known goes into exactly one stage.
 */
export function proposeDish(lines: readonly DishLine[], wanted: Wanted, kitchen: ProposeFor): Proposal | null {
  const roles = new Map<string, Role>()
  const foods = new Map<string, Food>()
  for (const line of lines) {
    const known = knownOf(line, kitchen)
    if (!known) continue
    if (line.kept || line.own) roles.set(line.id, line.own ? ROLE_OF[line.own.group] : 'cooked')
    else if ('ingredient' in known) roles.set(line.id, ROLE_OF[known.ingredient.group])
    else {
      foods.set(line.id, known.food)
      roles.set(line.id, roleOfFood(known.food))
    }
  }
  const of = (...wantedRoles: Role[]) =>
    lines.filter(({ id }) => wantedRoles.includes(roles.get(id)!)).map(({ id }) => id)
  // Meat with grain is a dish of grain: what stands around it is drunk.
  const main = (['pulse', 'grain', 'meat', 'vegetable', 'cooked'] as const).find((role) => of(role).length > 0)
  if (!main) return null

  const choices: ProposedChoice[] = []
  /** Asks, and takes what was wanted where it is among the options; what has one option is not asked. */
  function ask<Id extends ProposedId>(
    id: Id,
    about: string[],
    options: readonly ProposedOption<Id>[],
    usual: ProposedOption<Id>,
    more: Pick<ProposedChoice, 'hours'> = {},
  ): ProposedOption<Id> {
    const asked = wanted[id] as ProposedOption<Id> | undefined
    const chosen = asked && options.includes(asked) ? asked : usual
    if (options.length > 1) choices.push({ id, lines: about, options, chosen, ...more })
    return chosen
  }

  const weight = (ids: readonly string[]) =>
    lines.reduce((sum, { id, g }) => sum + (ids.includes(id) ? (g ?? 0) : 0), 0)
  const isPorridge = main === 'grain' && weight(of('liquid', 'milk')) >= PORRIDGE_TIMES * weight(of('grain'))
  /** Grain that is sweetened in milk: the milk goes in once it is soft. */
  const isPudding = main === 'grain' && of('milk').length > 0 && of('sweet').length > 0
  const isWet = main === 'pulse' || main === 'meat' || main === 'vegetable'
  const soaks = soakOf(of(main === 'grain' ? 'grain' : 'pulse').flatMap((id) => foods.get(id) ?? []))
  const soakable = lines.filter(({ id }) => soaks?.of.includes(foods.get(id)?.id ?? '')).map(({ id }) => id)
  const soak = soaks ? ask('soak', soakable, soaks.options, soaks.usual, { hours: soaks.hours }) : 'none'
  const water =
    soak === 'none'
      ? 'thrown'
      : ask('soakWater', soakable, soaks!.options.includes('none') ? PROPOSED.soakWater : ['thrown'], 'thrown')

  const beside = main === 'pulse' ? of('grain') : []
  const grain = beside.length === 1 && kitchen.tin ? ask('grain', beside, ['with', 'tin'], usualGrain(soak)) : 'with'

  const fried = of('whole-spice', 'onion', 'aromatic', 'ground-spice')
  const canFry = of('fat').length > 0 && fried.length > 0
  const masala = canFry
    ? ask(
        'masala',
        fried,
        main === 'pulse' ? ['beside', 'before', 'tempering', 'raw'] : ['before', 'raw'],
        main !== 'pulse'
          ? 'before'
          : of('onion').length === 0
            ? 'tempering'
            : of('tomato').length > 0
              ? 'beside'
              : 'before',
      )
    : 'raw'
  const spices = of('whole-spice')
  // Spices that are sizzled apart take a part of the fat along: the last of several, or half of the one.
  const fatForEnd = fatApart(lines.filter(({ id }) => of('fat').includes(id)))
  const whole =
    main === 'pulse' &&
    (masala === 'beside' || masala === 'before') &&
    spices.length > 0 &&
    fried.length > spices.length &&
    fatForEnd
      ? ask('whole', spices, ['with', 'end'], 'with')
      : 'with'
  const tomatoes = of('tomato')
  // Sour keeps pulses hard: it waits until they are soft.
  const tomato =
    tomatoes.length > 0 && main === 'pulse' ? ask('tomato', tomatoes, ['after', 'with'], 'after') : ('with' as const)
  const garden = main === 'vegetable' ? [] : of('vegetable')
  const vegetables =
    garden.length > 0 && isWet
      ? ask('vegetables', garden, ['with', 'after'], main === 'pulse' ? 'after' : 'with')
      : 'with'
  const leaves = of('greens')
  const greens = leaves.length > 0 ? ask('greens', leaves, ['after', 'with'], 'after') : 'after'
  const liquid: FreeLiquid = isWet
    ? ask(
        'liquid',
        [],
        PROPOSED.liquid,
        main === 'vegetable' ? 'soup' : grain === 'with' && beside.length > 0 ? 'pourable' : 'spoonable',
      )
    : isPorridge
      ? ask('liquid', [], ['drained', 'pourable', 'soup'], 'soup')
      : 'drained'
  // Water that was measured into the bowl is in with the grain.
  const boil =
    main === 'grain' && !isPorridge && water !== 'measured' && water !== 'kept'
      ? ask('water', [], PROPOSED.water, 'cold')
      : 'cold'
  const grainTexture: Texture | null = isPorridge ? 'porridge-pourable' : isPudding ? 'porridge-thick' : null
  const keep = ask('keep', [], PROPOSED.keep, 'eat')

  // From here on stage after stage, each with what goes on into it.
  const stages: Stage[] = []
  const placed = new Set<string>()
  const next = (
    kind: StageKind,
    takes: readonly string[],
    from: readonly (Stage | null)[],
    more: Partial<Stage> = {},
  ) => {
    const fresh = [...new Set(takes)].filter((id) => !placed.has(id))
    fresh.forEach((id) => placed.add(id))
    const stage: Stage = {
      id: `s${stages.length + 1}`,
      kind,
      takes: fresh.map((line) => ({ line })),
      from: from.flatMap((one) => (one ? [{ stage: one.id, part: 'all' as const }] : [])),
      ...more,
    }
    stages.push(stage)
    return stage
  }
  /** A fry with its things in the order in which they go in. */
  const fry = (
    kind: 'fry' | 'temper',
    roleList: readonly Role[],
    from: readonly (Stage | null)[],
    more: Partial<Stage>,
  ) => {
    const inTurn = FRY_ORDER.filter(([role]) => roleList.includes(role) && of(role).some((id) => !placed.has(id)))
    const begins = new Map<string, number>()
    let minutes = 0
    for (const [role, lasts] of inTurn) {
      for (const id of of(role)) begins.set(id, minutes)
      minutes += lasts
    }
    const stage = next(kind, [...begins.keys()], from, {
      minutes: Math.max(kind === 'temper' ? TEMPER_MINUTES : 4, minutes),
      ...more,
    })
    for (const take of stage.takes) if (begins.get(take.line)) take.atMinute = begins.get(take.line)!
    return stage
  }
  const MASALA: Role[] = [
    'fat',
    ...(whole === 'end' ? [] : ['whole-spice' as const]),
    'onion',
    'aromatic',
    'ground-spice',
  ]
  if (whole === 'end' && fatForEnd!.g === undefined) placed.add(fatForEnd!.line)

  const bowl =
    soak === 'none'
      ? null
      : next('soak', soakable, [], {
          minutes: Math.round((soaks!.hours[soak] ?? 0) * 60),
          ...(soak === 'hot' ? { waterC: HOT_SOAK_C } : {}),
          ...(water === 'kept' ? { keepWater: true } : {}),
          ...(water === 'measured' ? { measured: true } : {}),
          // Grain sets in what it is given: the pot adds what is missing.
          ...(water === 'kept' && main === 'grain' ? { waterG: Math.round(GRAIN_SOAK_TIMES * weight(soakable)) } : {}),
        })
  const goesBefore = main === 'pulse' ? tomato === 'with' : true
  const before =
    masala === 'before'
      ? fry('fry', goesBefore ? [...MASALA, 'tomato'] : MASALA, [], { vessel: 'pot', flame: FRY_FLAME })
      : null
  const inTin = grain === 'tin' ? beside : []
  const closed = [
    ...of('pulse', 'meat', 'grain'),
    ...(main === 'vegetable' ? of('vegetable') : vegetables === 'with' ? garden : []),
    ...(tomato === 'with' ? tomatoes : []),
    ...(greens === 'with' ? leaves : []),
    ...of('liquid'),
    ...(main === 'grain' && !isPudding ? of('milk') : []),
    ...(masala === 'raw' ? [...of('fat'), ...fried] : []),
    ...(main === 'pulse' ? [] : of('salt')),
  ]
  // What holds no food that is planned for is cooked in the open pot.
  const isClosed = closed.some((id) => foods.has(id))
  const boiled =
    isClosed && boil === 'boiling' ? next('simmer', [], [before], { minutes: 0, flame: 'high', measured: true }) : null
  let last: Stage | null = isClosed
    ? next('pot', closed, [bowl, boiled ?? before], {
        pot: {
          ...kitchen.pot,
          freeLiquid: liquid,
          foods: [
            ...inTin.map((line) => ({ line, where: { tin: kitchen.tin!, tier: 1 } })),
            ...(grainTexture ? of('grain').map((line) => ({ line, texture: grainTexture })) : []),
          ],
        },
      })
    : before
  const pan = masala === 'beside' ? fry('fry', [...MASALA, 'tomato'], [], { vessel: 'pan', flame: FRY_FLAME }) : null
  const late = [
    ...(isClosed ? [] : closed),
    ...(isWet ? [...tomatoes, ...garden, ...leaves] : []),
    ...of('milk', 'thickener', 'cooked'),
    ...(isPudding ? of('sweet') : []),
  ].filter((id) => !placed.has(id))
  if (pan || late.length > 0) {
    const slowest = Math.max(
      ...late.map((id) => SIMMER_MINUTES[roles.get(id) as 'vegetable'] ?? SIMMER_MINUTES.other),
      SIMMER_MINUTES.other,
    )
    last = next('simmer', [...late, ...of('salt')], [last, pan], { minutes: slowest, flame: 'simmer' })
  }
  if (whole === 'end') {
    last = next('temper', spices, [last], { vessel: 'pan', minutes: TEMPER_MINUTES, flame: FRY_FLAME })
    last.takes.unshift(fatForEnd!)
  }
  if (masala === 'tempering') last = fry('temper', MASALA, [last], { vessel: 'pan', flame: FRY_FLAME })
  const end = [...of('salt'), ...of('sweet', 'last'), ...leaves].filter((id) => !placed.has(id))
  if (main === 'grain' && !isPorridge && !isPudding) {
    last = next('rest', [], [last], { minutes: 10 })
    last = next('fluff', end, [last], { minutes: 2 })
  } else if (end.length > 0 || !(pan || late.length > 0)) last = next('rest', end, [last], { minutes: 5 })
  // What nothing above has found a place for goes in at the end.
  const left = lines.filter(({ id }) => roles.has(id) && !placed.has(id)).map(({ id }) => id)
  if (left.length > 0) last!.takes.push(...left.map((line) => ({ line })))
  if (keep === 'keep') next('chill', [], [last])
  return { choices, stages }
}

/** What of the fat goes in with what is sizzled at the end; null where none is measured. */
function fatApart(fats: readonly DishLine[]): Take | null {
  const last = fats.at(-1)
  if (!last || last.g === null) return null
  return fats.length > 1 ? { line: last.id } : { line: last.id, g: last.g / 2 }
}

function roleOfFood(food: Food): Role {
  if (food.group === 'meat' || food.group === 'egg') return 'meat'
  if (food.group === 'vegetable') return 'vegetable'
  return setsAsGrain(food) ? 'grain' : 'pulse'
}

/** What is soaked with whole pulses is slow: brown rice goes above them; with split ones it goes in. */
const usualGrain = (soak: ProposedOption<'soak'>): ProposedOption<'grain'> =>
  soak === 'none' || soak === 'short' ? 'with' : 'tin'

interface Soaks {
  /** The foods that are soaked. */
  of: string[]
  options: ProposedOption<'soak'>[]
  usual: ProposedOption<'soak'>
  hours: Partial<Record<ProposedOption<'soak'>, number>>
}

/** How these foods may be soaked, by their own advice; null where nobody soaks them. */
function soakOf(foods: readonly Food[]): Soaks | null {
  const soakedFoods = foods.filter(({ soak }) => soak !== null && soak.adviceHours[1] > 0)
  if (soakedFoods.length === 0) return null
  const [least, most] = [0, 1].map((end) => Math.max(...soakedFoods.map(({ soak }) => soak!.adviceHours[end]!)))
  const isLong = most! >= LONG_HOURS
  const options: ProposedOption<'soak'>[] = [
    ...(isLong ? (['overnight'] as const) : []),
    ...(least! > 0 && least! <= SHORT_HOURS ? (['short'] as const) : []),
    ...(least! >= SHORT_HOURS && soakedFoods.every(cooksCovered) ? (['hot'] as const) : []),
    // Beans with lectin are soaked and drained.
    ...(soakedFoods.some(({ lectin }) => lectin) ? [] : (['none'] as const)),
  ]
  return {
    of: soakedFoods.map(({ id }) => id),
    options,
    usual: least! >= LONG_HOURS ? 'overnight' : least! > 0 ? (least! <= SHORT_HOURS ? 'short' : 'overnight') : 'none',
    hours: {
      overnight: Math.min(most!, Math.max(OVERNIGHT_HOURS, least!)),
      short: least!,
      hot: HOT_SOAK_HOURS,
    },
  }
}
