import { kindOf, type Appliance } from '../appliance/appliance'
import type { Release } from '../appliance/step.schema'
import { setsAsGrain, swells } from '../food/food'
import type { Food, Soak } from '../food/food.schema'
import { soakWaterC } from '../food/soak'
import type { StackFault } from '../pot/stacking'
import { boilingC } from '../steam/steam'
import type { WaterFate } from '../water/folk'

export type Severity = 'refuse' | 'warn' | 'note'

/** Something to be careful about. Its sentence is in the message files under the id; foods are named by theirs. */
export interface Caution {
  id: CautionId
  severity: Severity
  params: Record<string, string | number>
}

/** What the rules look at: the final plan, whatever led to it. */
export interface PlanFacts {
  appliance: Pick<Appliance, 'kind'>
  bodyAssumed: boolean
  altitudeM: number
  roomC: number
  release: Release | null
  fill: { beforeL: number; afterL: number; limitL: number; capacityL: number }
  /** Free liquid in the base when the lid goes on, and the least that the cooker takes. */
  liquidG: number
  minimumLiquidG: number
  /** The water comes to a full boil at some time. */
  boils: boolean
  /** The flame counted on may be too low to hold the pressure. */
  mayLosePressure: boolean
  /** How wet the base comes out; null where nothing in it drinks. */
  becomes: WaterFate | null
  /** What stands in tins, and how; null where nothing does. */
  tins: {
    faults: StackFault[]
    /** mm by which the base reaches the lowest tin, now or when swollen. */
    baseReachesMm: number
    filled: { food: Food; fullShare: number; limitShare: number; thickerByMm: number; material: string | null }[]
  } | null
  surplusG: number
  /** g of free water left around the grain in the base that is more than was wanted, and how much dry grain that is. */
  overG: number
  dryGrainG: number
  /** g of water less than was computed; 0 where that is what is poured. */
  shortG: number
  foods: {
    food: Food
    soak: Soak | null
    inTin: boolean
    acid: boolean
    /** Salt goes into its cooking water. */
    salted: boolean
    gets: number
    /** What nine pots in ten give it at least, by what is unknown. */
    getsLow: number
    needs: number
    max: number
    /** The highest temperature that its middle comes to. */
    centreC: number
  }[]
}

/** The sentence and the reason of each stand in the message files, under `cautions`; both defer to the manual and local advice. */
export type CautionId =
  | 'too-full'
  | 'lectin-not-pressure'
  | 'lectin-soak'
  | 'lectin-soak-water'
  | 'lectin-hot-soak'
  | 'quick-release-froth'
  | 'wait-for-pressure'
  | 'before-closing'
  | 'warm-soak'
  | 'stands-hot'
  | 'cool-rice'
  | 'overcooked'
  | 'very-soft'
  | 'acid-early'
  | 'salt-once'
  | 'too-wet'
  | 'wet-grain'
  | 'tin-too-wide'
  | 'stack-too-high'
  | 'tier-tips'
  | 'uncovered-below'
  | 'tin-too-full'
  | 'piece-too-thick'
  | 'base-reaches-tin'
  | 'tin-material'
  | 'hot-tins'
  | 'too-dry'
  | 'too-little-liquid'
  | 'program-short'
  | 'lectin-boil-altitude'
  | 'lectin-not-done'
  | 'lectin-not-yet'
  | 'lectin-unsure'
  | 'may-lose-pressure'
  | 'runs-dry'
  | 'overdue'
  | 'silent'
  | 'overdue-dry'
  | 'meat-through'
  | 'meat-raw'
  | 'keep-hot'
  | 'size-assumed'
  | 'never-cooked'
  | 'meat-never-cooked'
  | 'much-salt'
  | 'simmer-dry'
  | 'fry-sticks'
  | 'cool-in-time'
  | 'rice-again'

const LECTIN_SOAK_HOURS = 5
/** What has this share of its need on the low side of what is unknown is taken to be done (engineering estimate). */
const SURELY = 0.95
/** Foam settles within this time after the heat is off (engineering estimate). */
const FROTH_SETTLES_MINUTES = 5
const LONG_SOAK_HOURS = 4
const WARM_SOAK_C = 25
/** Below this an open boil is within 2 K of 100 °C. */
const LOW_ALTITUDE_M = 600

type Rule = (plan: PlanFacts) => Caution[]

const caution = (id: CautionId, severity: Severity, params: Caution['params'] = {}): Caution => ({
  id,
  severity,
  params,
})

const tooFull: Rule = ({ fill }) => {
  const level = Math.max(fill.beforeL, fill.afterL)
  if (level <= fill.limitL) return []
  return [caution('too-full', 'refuse', { level: level.toFixed(1), limit: fill.limitL.toFixed(1) })]
}

const lectins: Rule = ({ appliance, altitudeM, boils, foods }) =>
  foods
    .filter(({ food }) => food.lectin)
    .flatMap(({ food, soak, gets, getsLow, needs }) => {
      const name = { food: food.id }
      const found: Caution[] = []
      const pressure = kindOf(appliance).holdsPressure
      if (kindOf(appliance).gentle || !boils) found.push(caution('lectin-not-pressure', 'refuse', name))
      else if (gets < needs) found.push(caution('lectin-not-done', 'refuse', name))
      else if (getsLow < SURELY * needs) found.push(caution('lectin-unsure', 'warn', name))
      return [...found, ...lectinSoak(food, soak, pressure, altitudeM)]
    })

/** How beans with lectin are to be soaked, and that they boil less hot up here, however they are cooked. */
function lectinSoak(food: Food, soak: Soak | null, pressure: boolean, altitudeM: number): Caution[] {
  const name = { food: food.id }
  const found: Caution[] = []
  if (!pressure && altitudeM > LOW_ALTITUDE_M)
    found.push(caution('lectin-boil-altitude', 'warn', { ...name, temp: boilingC(altitudeM).toFixed(0) }))
  if (!soak || soak.hours < LECTIN_SOAK_HOURS) {
    if (soak && soak.hours > 0 && soak.waterC > 40) found.push(caution('lectin-hot-soak', 'warn', name))
    else found.push(caution('lectin-soak', 'warn', name))
  }
  if (soak && soak.hours > 0 && soak.keepWater) found.push(caution('lectin-soak-water', 'warn', name))
  return found
}

const frothAndQuickRelease: Rule = ({ release, foods }) => {
  if (!release || release.kind === 'natural') return []
  if ((release.afterMinutes ?? 0) >= FROTH_SETTLES_MINUTES) return []
  const frothy = foods
    .filter(({ food, inTin }) => food.froth > 0 && !inTin)
    .sort((a, b) => b.food.froth - a.food.froth)[0]
  if (!frothy) return []
  const params = { food: frothy.food.id, minutes: FROTH_SETTLES_MINUTES }
  return [caution('quick-release-froth', frothy.food.froth === 2 ? 'refuse' : 'warn', params)]
}

const warmSoak: Rule = ({ roomC, foods }) =>
  foods.flatMap(({ food, soak }) =>
    soak && soak.hours > LONG_SOAK_HOURS && roomC > WARM_SOAK_C && soakWaterC(soak, roomC, soak.hours) > WARM_SOAK_C
      ? [caution('warm-soak', 'warn', { food: food.id, hours: soak.hours })]
      : [],
  )

/** Vegetables beside grain or pulses are wanted soft there, and no more than that is told. */
const lostFoods: Rule = ({ foods }) => {
  const decides = foods.some(({ food }) => setsAsGrain(food) || swells(food))
  return foods
    .filter(({ gets, max }) => gets > max)
    .map(({ food }) =>
      decides && food.group === 'vegetable'
        ? caution('very-soft', 'note', { food: food.id })
        : caution('overcooked', 'warn', { food: food.id }),
    )
}

const acidEarly: Rule = ({ foods }) =>
  foods
    .filter(({ food, acid }) => acid && food.soak && !setsAsGrain(food))
    .map(({ food }) => caution('acid-early', 'note', { food: food.id }))

const tooLittleLiquid: Rule = ({ appliance, liquidG, minimumLiquidG }) =>
  kindOf(appliance).holdsPressure && liquidG < minimumLiquidG - 1
    ? [caution('too-little-liquid', 'refuse', { grams: Math.round(liquidG), minimum: minimumLiquidG })]
    : []

const notDone: Rule = ({ foods }) =>
  foods
    .filter(({ food, gets, needs }) => gets < needs && !food.lectin)
    .map(({ food }) => caution('program-short', 'warn', { food: food.id }))

/** What the middle of meat, poultry and eggs must come to (the cautious figure of food-safety authorities). */
const THROUGH_C = 74

/** True where a food need not be hot through, or its middle is at so many °C. */
export function isThrough({ group }: Pick<Food, 'group'>, centreC: number): boolean {
  return (group !== 'meat' && group !== 'egg') || centreC >= THROUGH_C
}

const meatThrough: Rule = ({ foods }) =>
  foods.flatMap(({ food, centreC }) => {
    if (!isThrough(food, centreC)) return [rawCaution(food, centreC)]
    return food.group === 'meat' ? [caution('meat-through', 'note', { food: food.id, temp: Math.floor(centreC) })] : []
  })

/** Soft eggs are eaten by choice; soft meat is not. */
const rawCaution = (food: Food, centreC: number): Caution =>
  caution('meat-raw', food.group === 'egg' ? 'warn' : 'refuse', {
    food: food.id,
    temp: Math.floor(centreC),
    least: THROUGH_C,
  })

const losesPressure: Rule = ({ mayLosePressure }) => (mayLosePressure ? [caution('may-lose-pressure', 'warn')] : [])

const keepHot: Rule = ({ appliance }) => (kindOf(appliance).gentle ? [caution('keep-hot', 'note')] : [])

/** Less than this no cook sees or measures. */
const SEEN_G = 10

const tooWet: Rule = ({ surplusG }) => (surplusG >= SEEN_G ? [caution('too-wet', 'warn', { grams: surplusG })] : [])

/** Grain that stands covered takes up so much more in g per g (engineering estimate). */
const RESTING_UPTAKE = 0.15

const wetGrain: Rule = ({ overG, dryGrainG, becomes }) =>
  dryGrainG > 0 && becomes !== 'porridge' && overG >= (RESTING_UPTAKE / 2) * dryGrainG
    ? [caution('wet-grain', 'note', { grams: Math.round(overG) })]
    : []

const tooDry: Rule = ({ becomes, shortG }) =>
  becomes === 'scorches' || becomes === 'dry' ? [caution('too-dry', 'warn', { grams: Math.round(shortG) })] : []

const saltOnce: Rule = ({ foods }) => (foods.some(({ salted }) => salted) ? [caution('salt-once', 'note')] : [])

const standing: Rule = ({ tins }) => {
  if (!tins) return []
  const found = tins.faults.map(({ id, tier, byMm }) =>
    caution(id, id === 'uncovered-below' ? 'warn' : 'refuse', { tier: tier + 1, by: byMm }),
  )
  for (const { food, fullShare, limitShare, thickerByMm, material } of tins.filled) {
    if (fullShare > limitShare)
      found.push(
        caution('tin-too-full', 'refuse', {
          food: food.id,
          percent: Math.round(fullShare * 100),
          limit: Math.round(limitShare * 100),
        }),
      )
    if (thickerByMm > 0) found.push(caution('piece-too-thick', 'refuse', { food: food.id, by: Math.ceil(thickerByMm) }))
    if (material === 'glass' || material === 'plastic') found.push(caution('tin-material', 'warn', { material }))
  }
  if (tins.baseReachesMm > 0) found.push(caution('base-reaches-tin', 'warn', { by: Math.ceil(tins.baseReachesMm) }))
  return [...found, caution('hot-tins', 'note')]
}

const sizeAssumed: Rule = ({ bodyAssumed }) => (bodyAssumed ? [caution('size-assumed', 'note')] : [])

const pressureHabits: Rule = ({ appliance }) =>
  kindOf(appliance).holdsPressure ? [caution('before-closing', 'note'), caution('wait-for-pressure', 'note')] : []

const coolGrain: Rule = ({ foods }) =>
  foods.some(({ food }) => setsAsGrain(food)) ? [caution('cool-rice', 'note')] : []

const RULES: readonly Rule[] = [
  tooFull,
  standing,
  tooLittleLiquid,
  lectins,
  frothAndQuickRelease,
  warmSoak,
  tooWet,
  wetGrain,
  tooDry,
  notDone,
  lostFoods,
  acidEarly,
  saltOnce,
  sizeAssumed,
  meatThrough,
  pressureHabits,
  losesPressure,
  keepHot,
  coolGrain,
]
const ORDER: Record<Severity, number> = { refuse: 0, warn: 1, note: 2 }

/** Every caution that the final plan calls for, gravest first. Nothing runs after this. */
export function cautionsFor(plan: PlanFacts): Caution[] {
  return RULES.flatMap((rule) => rule(plan)).sort((a, b) => ORDER[a.severity] - ORDER[b.severity])
}

/** True if the plan must not be started as it is. */
export function isRefused(cautions: readonly Caution[]): boolean {
  return cautions.some(({ severity }) => severity === 'refuse')
}

/** What the rules look at of a whole dish, once every stage of it is worked out. */
export interface DishFacts {
  /** What is served: boil-minutes in all its stages, and after how many it can be eaten. */
  foods: { food: Food; gets: number; firm: number; centreC: number | null; soak: Soak | null; inClosing: boolean }[]
  altitudeM: number
  /** What was said of its stages, pots among them. */
  stages: readonly Caution[]
  saltShare: number
  saltRange: readonly [number, number]
  /** Rice from another meal goes into it. */
  warmsRice: boolean
  /** Some of it is put away. */
  chills: boolean
  /** A device keeps it warm. */
  keepsWarm: boolean
}

/** The cautions of a whole dish, gravest first: no stage of it, and no order of stages, gets round the rules. */
export function dishCautions({
  foods,
  altitudeM,
  stages,
  saltShare,
  saltRange,
  warmsRice,
  chills,
  keepsWarm,
}: DishFacts): Caution[] {
  const raw = foods.flatMap(({ food, gets, firm, centreC, soak, inClosing }): Caution[] => {
    const name = { food: food.id }
    if (food.group === 'meat') {
      if (centreC === null) return [caution('meat-never-cooked', 'refuse', name)]
      return isThrough(food, centreC) ? [] : [rawCaution(food, centreC)]
    }
    // A pot has said of its beans how they are to be soaked.
    const simmered = food.lectin && !inClosing ? lectinSoak(food, soak, false, altitudeM) : []
    if (gets >= firm) return simmered
    if (food.lectin) return [caution('lectin-not-done', 'refuse', name), ...simmered]
    return [caution('never-cooked', 'warn', name)]
  })
  const found = [
    ...stages,
    ...raw,
    ...(saltShare > saltRange[1] ? [caution('much-salt', 'note', { percent: (saltShare * 100).toFixed(1) })] : []),
    ...(warmsRice ? [caution('rice-again', 'warn')] : []),
    ...(chills ? [caution('cool-in-time', 'warn')] : []),
    ...(keepsWarm ? [caution('keep-hot', 'warn')] : []),
  ]
  const said = found.filter((one, i) => found.findIndex((other) => sameAs(one, other)) === i)
  return said.sort((a, b) => ORDER[a.severity] - ORDER[b.severity])
}

/** What of a dinner must be minded, gravest first: that of its dishes, and that what is made before is cooled in time, or stays hot. */
export function mealCautions(
  dishes: readonly { cautions: readonly Caution[]; ahead: boolean; waits?: boolean }[],
): Caution[] {
  const found = dishes.flatMap(({ cautions, ahead, waits = false }) => [
    ...cautions,
    ...(ahead ? [caution('cool-in-time', 'warn')] : []),
    ...(waits ? [caution('stands-hot', 'warn')] : []),
  ])
  const said = found.filter((one, i) => found.findIndex((other) => sameAs(one, other)) === i)
  return said.filter(({ severity }) => severity !== 'note').sort((a, b) => ORDER[a.severity] - ORDER[b.severity])
}

const sameAs = (a: Caution, b: Caution) => a.id === b.id && JSON.stringify(a.params) === JSON.stringify(b.params)

/** What the rules look at while a pot cooks. */
export interface RunFacts {
  /** Boil-minutes that each food will have when the lid opens, as it now looks, and that it needs in all. */
  foods: {
    food: Food
    gets: number
    needs: number
    /** What later closings of the lid are to give it besides; none if left out. */
    still?: number
    /** What nine pots in ten would have of it, by what is believed of this one; `gets` where left out. */
    getsLow?: number
    /** The highest temperature that its middle will have come to; not told where left out. */
    centreC?: number
  }[]
  heatIsOff: boolean
  /** Something was heard of its pressure, and it fell as it should; true where left out, and where there is none. */
  hadPressure?: boolean
  /** How long ago a whistle or the pressure was due, and the least water there can be; null if it has come. */
  overdue?: { after: 'lit' | 'whistle'; minutes: number; leastWaterG: number; untilThereG: number } | null
  /** Liquid that is left at the end over the least that keeps the base wet, in g, on the dry side of what is believed. */
  spareEndG: number
}

/** The cautions of a run as it now looks, whatever led to it; they are asked for last, after all advice. */
export function runCautions({ foods, heatIsOff, hadPressure = true, overdue, spareEndG }: RunFacts): Caution[] {
  // What a later closing will give has not been given: the pot stands open before it, and may be left at that.
  const halfCooked = foods
    .filter(({ food }) => heatIsOff && food.lectin)
    .filter(({ gets, getsLow = gets, needs }) => !hadPressure || getsLow < SURELY * needs)
    .map(({ food, gets, needs, still = 0 }) => {
      const params = { food: food.id }
      if (gets >= needs) return caution('lectin-unsure', 'warn', params)
      return still > 0 ? caution('lectin-not-yet', 'warn', params) : caution('lectin-not-done', 'refuse', params)
    })
  const raw = foods
    .filter(({ food, centreC, still = 0 }) => heatIsOff && still === 0 && !isThrough(food, centreC ?? Infinity))
    .map(({ food, centreC }) => rawCaution(food, centreC!))
  return [
    ...halfCooked,
    ...raw,
    ...(overdue ? [overdueCaution(overdue)] : []),
    ...(spareEndG <= 0 && !heatIsOff && !overdue ? [caution('runs-dry', 'warn')] : []),
  ]
}

/** True once a pot of which nothing came may have boiled dry before somebody has come to look. */
export function mayBoilDry(of: { leastWaterG: number; untilThereG: number }): boolean {
  return of.leastWaterG < of.untilThereG
}

function overdueCaution(of: NonNullable<RunFacts['overdue']>): Caution {
  const { after, minutes, leastWaterG } = of
  if (mayBoilDry(of)) return caution('overdue-dry', 'warn', { g: Math.max(0, Math.round(leastWaterG)) })
  return caution(after === 'lit' ? 'overdue' : 'silent', 'warn', { minutes: Math.round(minutes) })
}
