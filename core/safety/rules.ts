import { setsAsGrain, type Food } from '../food/food'
import { soakWaterC, type Soak } from '../food/soak'
import type { Appliance } from '../pot/appliance'
import type { Release } from '../pot/case'
import type { StackFault } from '../pot/stacking'
import { boilingC } from '../steam/steam'
import type { WaterFate } from '../water/folk'

export type Severity = 'refuse' | 'warn' | 'note'

/** Something to be careful about. Its sentence and reason are in CAUTION_SENTENCES under the id. */
export interface Caution {
  id: CautionId
  severity: Severity
  params: Record<string, string | number>
}

/** What the rules look at: the final plan, whatever led to it. */
export interface PlanFacts {
  applianceKind: Appliance['kind']
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
  /** How wet the base comes out; null where nothing in it drinks. */
  becomes: WaterFate | null
  /** What stands in tins, and how; null where nothing does. */
  standing: {
    faults: StackFault[]
    /** mm by which the base reaches the lowest tin, now or when swollen. */
    baseReachesMm: number
    tins: { food: Food; fullShare: number; limitShare: number; thickerByMm: number; material: string | null }[]
  } | null
  surplusG: number
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
    needs: number
    max: number
  }[]
}

/**
 * The sentences stand here once, in English; the interface merges them into its messages under
 * `cautions`. `why` is the reason behind the sentence; both defer to the manual and local advice.
 */
export const CAUTION_SENTENCES = {
  'too-full': {
    sentence: 'Too full: {level} L in a pot that takes {limit} L of this. Cook it in two batches or a larger pot.',
    why: 'Food that swells or froths can block the vent; then the pressure has no way out. Your cooker’s manual may set a lower line.',
  },
  'lectin-not-pressure': {
    sentence:
      '{food} must not be cooked only in this pot. Boil them hard for 30 minutes in fresh water first, or use a pressure cooker.',
    why: 'These beans carry a lectin that gentle heat leaves active; half-cooked they make people ill. Follow local food-safety advice.',
  },
  'lectin-soak': {
    sentence: 'Soak {food} for at least 5 hours and throw the water away.',
    why: 'Soaking draws out part of the lectin that makes half-cooked beans poisonous; the rest needs the full cooking. Follow local food-safety advice.',
  },
  'lectin-soak-water': {
    sentence: 'Throw the soaking water of {food} away and cook in fresh water.',
    why: 'Part of the lectin has gone into the soaking water. Follow local food-safety advice.',
  },
  'lectin-hot-soak': {
    sentence: 'Soak {food} in cool water, or give the hot soak a full boil first.',
    why: 'Warm water alone does not destroy the lectin of these beans and lets germs grow. Follow local food-safety advice.',
  },
  'quick-release-froth': {
    sentence:
      'Do not let the steam out at once: {food} froths. Let the pressure fall by itself for at least {minutes} minutes.',
    why: 'A sudden release makes starchy foam boil up through the valve and scald or block it.',
  },
  'wait-for-pressure': {
    sentence: 'Open it only when the indicator is down and no steam comes; never force the lid.',
    why: 'Under pressure the lid and the boiling food come out together. Your cooker’s manual says how to tell.',
  },
  'before-closing': {
    sentence: 'Before closing: gasket clean and seated, vent clear, liquid in.',
    why: 'A blocked vent or a dry base is what makes a pressure cooker fail. Your cooker’s manual shows where they are.',
  },
  'warm-soak': {
    sentence: 'Soak {food} in the fridge: {hours} hours is long for a kitchen this warm.',
    why: 'Above 25 °C soaking water ferments and germs multiply. Follow local food-safety advice.',
  },
  'cool-rice': {
    sentence: 'Keep what is left hot above 60 °C, or cool it within 2 hours and put it in the fridge.',
    why: 'Spores in grain survive cooking and grow when it stands warm. Follow local food-safety advice.',
  },
  overcooked: {
    sentence: '{food} goes past its limit here. Cook it for itself, or add it later.',
    why: 'What the slowest food needs is more than this one stands.',
  },
  'acid-early': {
    sentence: 'Add the sour things after {food} is soft, if you can.',
    why: 'Acid keeps the skins firm: it costs about four tenths more cooking.',
  },
  'salt-once': {
    sentence: 'The cooking water is salted: taste before any salt goes into the gravy.',
    why: 'Salt at the boil and again in the gravy is salt twice. In the water it changes no time that Bivvet counts.',
  },
  'too-wet': {
    sentence:
      'The other liquids already bring {grams} g more than is needed. Pour no water, and simmer it open at the end.',
    why: 'All that is wet counts towards the water.',
  },
  'tin-too-wide': {
    sentence: 'A tin is {by} mm too wide: steam must pass all round, and it must lift out. Take a narrower one.',
    why: 'With less than 10 mm around it steam cannot rise past and pressure builds under the tin.',
  },
  'stack-too-high': {
    sentence: 'The tins stand {by} mm too high under the lid. Take a lower tin or one tier less.',
    why: 'What touches the lid can block the vent; then the pressure has no way out. Your cooker’s manual may set a lower line.',
  },
  'tier-tips': {
    sentence: 'The tin on tier {tier} is {by} mm too wide for what it stands on. Put the wider one below.',
    why: 'It tips when the pot is moved or the steam is let out, and hot food spills.',
  },
  'uncovered-below': {
    sentence: 'Cover the tin on tier {tier}: another one stands on it.',
    why: 'Steam condenses on the tin above and drips into the food below.',
  },
  'tin-too-full': {
    sentence: '{food} would fill its tin to {percent} %. Take a larger tin or cook less.',
    why: 'It swells or froths over its rim: at most four fifths, three fifths of what froths.',
  },
  'piece-too-thick': {
    sentence: 'The pieces of {food} are {by} mm thicker than their tin is high. Cut them in half.',
    why: 'They would hold up the lid or the tin above.',
  },
  'base-reaches-tin': {
    sentence: 'The base reaches {by} mm above the floor of the lowest tin. Take a taller trivet.',
    why: 'A tin that stands in boiling water cooks faster below than above, and may float or tip.',
  },
  'tin-material': {
    sentence: 'A {material} tin only if its maker allows it under pressure.',
    why: 'Glass can crack and plastic soften or give off substances. Your cooker’s manual and the tin’s maker go first.',
  },
  'hot-tins': {
    sentence: 'Lift the tins with tongs once the steam is gone; they are as hot as the pot.',
    why: 'Steam and hot water stand on lids and rims and burn.',
  },
  'too-dry': {
    sentence: 'With so little water it comes out dry, or scorches. Pour the {grams} g more that it drinks.',
    why: 'Food that has drunk all there is stays hard in the middle and burns on the floor of the pot.',
  },
  'too-little-liquid': {
    sentence: 'Only {grams} g of liquid for steam; this cooker wants {minimum} g. Add the rest.',
    why: 'A pressure cooker whose base runs dry overheats and can fail. Your cooker’s manual gives its own figure.',
  },
  'program-short': {
    sentence: '{food} is not done after this. Give it more, or choose another way.',
    why: 'It gets fewer boil-minutes than it needs for the texture that was asked for.',
  },
  'lectin-boil-altitude': {
    sentence: 'Cook {food} under pressure: up here an open boil is only {temp} °C.',
    why: 'The lectin of these beans is destroyed by heat, and slowly below 100 °C. Follow local food-safety advice.',
  },
  'lectin-not-done': {
    sentence: '{food} would come out half-cooked. Give them a longer program or pressure.',
    why: 'Half-cooked, these beans are more poisonous than raw. Follow local food-safety advice.',
  },
  'lectin-not-yet': {
    sentence: '{food}: not done yet. Do not eat any before the last closing is over.',
    why: 'Half-cooked, these beans are more poisonous than raw. Follow local food-safety advice.',
  },
  'runs-dry': {
    sentence:
      'The water may not last. Turn the heat off, let the pressure fall, and add boiling water before going on.',
    why: 'A pressure cooker whose base runs dry overheats and can fail. Your cooker’s manual gives its own figure.',
  },
  'meat-through': {
    sentence: 'Check that {food} is cooked to the middle before anybody tastes it.',
    why: 'Pieces differ, and undercooked meat carries germs. Follow local food-safety advice.',
  },
  'keep-hot': {
    sentence: 'On keep-warm it must stay above 60 °C, and it goes on cooking.',
    why: 'Below that germs multiply. Your cooker’s manual tells how hot its keep-warm is.',
  },
  'size-assumed': {
    sentence: 'The pot’s size is not known; 5 L is assumed. Give it to check the filling.',
    why: 'Filling, covering and minimum liquid depend on the pot’s size.',
  },
} as const

export type CautionId = keyof typeof CAUTION_SENTENCES

const LECTIN_SOAK_HOURS = 5
/** Foam settles within this time after the heat is off (engineering estimate). */
const FROTH_SETTLES_MINUTES = 5
const LONG_SOAK_HOURS = 4
const WARM_SOAK_C = 25
const PRESSURE_KINDS: readonly Appliance['kind'][] = ['whistling', 'regulator', 'electric']
/** They never, or not for long, boil hard. */
const GENTLE_KINDS: readonly Appliance['kind'][] = ['slow', 'rice']
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

const lectins: Rule = ({ applianceKind, altitudeM, boils, foods }) =>
  foods
    .filter(({ food }) => food.lectin)
    .flatMap(({ food, soak, gets, needs }) => {
      const name = { food: food.name }
      const found: Caution[] = []
      const pressure = PRESSURE_KINDS.includes(applianceKind)
      if (GENTLE_KINDS.includes(applianceKind) || !boils) found.push(caution('lectin-not-pressure', 'refuse', name))
      else if (gets < needs) found.push(caution('lectin-not-done', 'refuse', name))
      if (!pressure && altitudeM > LOW_ALTITUDE_M)
        found.push(caution('lectin-boil-altitude', 'warn', { ...name, temp: boilingC(altitudeM).toFixed(0) }))
      if (!soak || soak.hours < LECTIN_SOAK_HOURS) {
        if (soak && soak.hours > 0 && soak.waterC > 40) found.push(caution('lectin-hot-soak', 'warn', name))
        else found.push(caution('lectin-soak', 'warn', name))
      }
      if (soak && soak.hours > 0 && soak.keepWater) found.push(caution('lectin-soak-water', 'warn', name))
      return found
    })

const frothAndQuickRelease: Rule = ({ release, foods }) => {
  if (!release || release.kind === 'natural') return []
  if ((release.afterMinutes ?? 0) >= FROTH_SETTLES_MINUTES) return []
  const frothy = foods
    .filter(({ food, inTin }) => food.froth > 0 && !inTin)
    .sort((a, b) => b.food.froth - a.food.froth)[0]
  if (!frothy) return []
  const params = { food: frothy.food.name, minutes: FROTH_SETTLES_MINUTES }
  return [caution('quick-release-froth', frothy.food.froth === 2 ? 'refuse' : 'warn', params)]
}

const warmSoak: Rule = ({ roomC, foods }) =>
  foods.flatMap(({ food, soak }) =>
    soak && soak.hours > LONG_SOAK_HOURS && roomC > WARM_SOAK_C && soakWaterC(soak, roomC, soak.hours) > WARM_SOAK_C
      ? [caution('warm-soak', 'warn', { food: food.name, hours: soak.hours })]
      : [],
  )

const lostFoods: Rule = ({ foods }) =>
  foods.filter(({ gets, max }) => gets > max).map(({ food }) => caution('overcooked', 'warn', { food: food.name }))

const acidEarly: Rule = ({ foods }) =>
  foods
    .filter(({ food, acid }) => acid && food.soak && !setsAsGrain(food))
    .map(({ food }) => caution('acid-early', 'note', { food: food.name }))

const tooLittleLiquid: Rule = ({ applianceKind, liquidG, minimumLiquidG }) =>
  PRESSURE_KINDS.includes(applianceKind) && liquidG < minimumLiquidG - 1
    ? [caution('too-little-liquid', 'refuse', { grams: Math.round(liquidG), minimum: minimumLiquidG })]
    : []

const notDone: Rule = ({ foods }) =>
  foods
    .filter(({ food, gets, needs }) => gets < needs && !food.lectin)
    .map(({ food }) => caution('program-short', 'warn', { food: food.name }))

const meatThrough: Rule = ({ foods }) =>
  foods
    .filter(({ food }) => food.group === 'meat')
    .map(({ food }) => caution('meat-through', 'note', { food: food.name }))

const keepHot: Rule = ({ applianceKind }) => (GENTLE_KINDS.includes(applianceKind) ? [caution('keep-hot', 'note')] : [])

const tooWet: Rule = ({ surplusG }) => (surplusG > 0 ? [caution('too-wet', 'warn', { grams: surplusG })] : [])

const tooDry: Rule = ({ becomes, shortG }) =>
  becomes === 'scorches' || becomes === 'dry' ? [caution('too-dry', 'warn', { grams: Math.round(shortG) })] : []

const saltOnce: Rule = ({ foods }) => (foods.some(({ salted }) => salted) ? [caution('salt-once', 'note')] : [])

const standing: Rule = ({ standing: stands }) => {
  if (!stands) return []
  const found = stands.faults.map(({ id, tier, byMm }) =>
    caution(id, id === 'uncovered-below' ? 'warn' : 'refuse', { tier: tier + 1, by: byMm }),
  )
  for (const { food, fullShare, limitShare, thickerByMm, material } of stands.tins) {
    if (fullShare > limitShare)
      found.push(caution('tin-too-full', 'refuse', { food: food.name, percent: Math.round(fullShare * 100) }))
    if (thickerByMm > 0)
      found.push(caution('piece-too-thick', 'refuse', { food: food.name, by: Math.ceil(thickerByMm) }))
    if (material === 'glass' || material === 'plastic') found.push(caution('tin-material', 'warn', { material }))
  }
  if (stands.baseReachesMm > 0) found.push(caution('base-reaches-tin', 'warn', { by: Math.ceil(stands.baseReachesMm) }))
  return [...found, caution('hot-tins', 'note')]
}

const sizeAssumed: Rule = ({ bodyAssumed }) => (bodyAssumed ? [caution('size-assumed', 'note')] : [])

const pressureHabits: Rule = ({ applianceKind }) =>
  PRESSURE_KINDS.includes(applianceKind)
    ? [caution('before-closing', 'note'), caution('wait-for-pressure', 'note')]
    : []

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
  tooDry,
  notDone,
  lostFoods,
  acidEarly,
  saltOnce,
  sizeAssumed,
  meatThrough,
  pressureHabits,
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

/** What the rules look at while a pot cooks. */
export interface RunFacts {
  /** Boil-minutes that each food will have when the lid opens, as it now looks, and that it needs in all. */
  foods: {
    food: Food
    gets: number
    needs: number
    /** What later closings of the lid are to give it besides; none if left out. */
    still?: number
  }[]
  heatIsOff: boolean
  /** Free water left at the end in g, on the dry side of what is believed. */
  waterEndG: number
}

/** The cautions of a run as it now looks, whatever led to it; they are asked for last, after all advice. */
export function runCautions({ foods, heatIsOff, waterEndG }: RunFacts): Caution[] {
  // What a later closing will give has not been given: the pot stands open before it, and may be left at that.
  const halfCooked = foods
    .filter(({ food, gets, needs }) => heatIsOff && food.lectin && gets < needs)
    .map(({ food, still = 0 }) => {
      const params = { food: food.name }
      return still > 0 ? caution('lectin-not-yet', 'warn', params) : caution('lectin-not-done', 'refuse', params)
    })
  return [...halfCooked, ...(waterEndG <= 0 && !heatIsOff ? [caution('runs-dry', 'warn')] : [])]
}
