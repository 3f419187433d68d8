import { findFood } from '../food/catalogue'
import type { Food, Soak } from '../food/food.schema'
import { boilMinutesFor, usualTexture } from '../food/texture'
import type { Ingredient } from '../ingredient/ingredient.schema'
import { findIngredient } from '../ingredient/ingredients'
import type { Texture } from '../names'
import { isPoured, LIQUID_YIELD, type LiquidKind } from '../water/liquids'
import type { DishLine, DishRequest } from './dish.schema'
import type { LiquidRow } from './ledger'

/** A food that decides how long, as it is at some moment of a dish. */
export interface FoodIn {
  line: string
  food: Food
  dryG: number
  /** g of water that it holds, and of the water around it that it brings along from a soak. */
  insideG: number
  looseG: number
  soak: Soak | null
  /** It lay in salted water. */
  saltedSoak: boolean
  texture: Texture | null
  /** Boil-minutes that it has had, and that it needs for its texture, once that is known. */
  gets: number
  needs: number | null
  /** The highest temperature that its middle has come to; null where it was never heated. */
  centreC: number | null
  /** A closing of a pot has said how it is to be soaked. */
  inClosing: boolean
  /** How much of it has been mashed, and of the rest that thickens it has stood, from 0 to 1. */
  mashed?: number
  rested?: number
}

/** Anything else that went in: what is left of it, and the liquid that it will give once it is hot. */
export interface OtherIn {
  line: string
  what: Ingredient
  /** As it went in. */
  inG: number
  restG: number
  latentG: number
  /** What it binds is bound. */
  isBound?: true
}

/** All that one vessel holds at some moment of a dish, in g. */
export interface Contents {
  foods: FoodIn[]
  others: OtherIn[]
  freeG: number
  /** Salt in all of it, and how much of what went in has gone with liquid that was taken off. */
  saltG: number
  saltGoneG: number
  tempC: number
  /** It stands in the pot in which it was heated. */
  inPot: boolean
}

/** What a stage takes off and keeps for another: liquid with the salt in it, or fat. */
export interface Aside {
  freeG: number
  saltG: number
  fats: OtherIn[]
}

export const nothingAside = (): Aside => ({ freeG: 0, saltG: 0, fats: [] })

export const emptyContents = (tempC: number): Contents => ({
  foods: [],
  others: [],
  freeG: 0,
  saltG: 0,
  saltGoneG: 0,
  tempC,
  inPot: false,
})

export const sumOf = <T>(list: readonly T[], of: (one: T) => number) => list.reduce((sum, one) => sum + of(one), 0)

/** g of all that a vessel holds. */
export function massG({ foods, others, freeG, saltGoneG }: Contents): number {
  return (
    sumOf(foods, ({ dryG, insideG, looseG }) => dryG + insideG + looseG) +
    sumOf(others, ({ restG, latentG }) => restG + latentG) +
    freeG -
    saltGoneG
  )
}

/** g of liquid that moves freely in it. */
export const liquidG = ({ foods, freeG }: Contents) => freeG + sumOf(foods, ({ looseG }) => looseG)

/** g of liquid among which salt spreads: free, and held by what is in it. */
export function wetG(contents: Contents): number {
  const held = sumOf(contents.foods, ({ food, dryG, insideG }) => (food.soak ? insideG : insideG + dryG))
  return liquidG(contents) + held + sumOf(contents.others, ({ latentG, restG, what }) => latentG + restG * what.water)
}

/** What is put into one vessel; foods of different lines stay apart. */
export function merged(parts: readonly Contents[], roomC: number): Contents {
  const all = emptyContents(roomC)
  let heatG = 0
  for (const part of parts) {
    const g = massG(part)
    all.tempC = heatG + g > 0 ? (all.tempC * heatG + part.tempC * g) / (heatG + g) : roomC
    heatG += g
    all.foods.push(...part.foods.map((one) => ({ ...one })))
    all.others.push(...part.others.map((one) => ({ ...one })))
    all.freeG += part.freeG
    all.saltG += part.saltG
    all.saltGoneG += part.saltGoneG
    all.inPot ||= part.inPot
  }
  return all
}

/** A line's food or ingredient; the household's own goes before the table. */
export type Known = { food: Food } | { ingredient: Ingredient }
export function knownOf(
  { what, own }: Pick<DishLine, 'what' | 'own'>,
  { foods = [], ingredients = [] }: OwnThings,
): Known | null {
  if (own) return { ingredient: own }
  if (what === null) return null
  const food = foods.find(({ id }) => id === what) ?? findFood(what)
  if (food) return { food }
  const ingredient = ingredients.find(({ id }) => id === what) ?? findIngredient(what)
  return ingredient ? { ingredient } : null
}
export type OwnThings = Pick<DishRequest, 'foods' | 'ingredients'>

/** What a portion brought at once, in g: water that was poured, and liquid that others are. */
export interface Brought {
  pouredG: number
  givenG: number
}

const KEPT_CENTRE_C = 90

/** Puts a portion of a line into a vessel. */
export function putIn(contents: Contents, line: DishLine, g: number, own: OwnThings): Brought {
  const known = knownOf(line, own)
  const nothing = { pouredG: 0, givenG: 0 }
  if (!known) return nothing
  if ('food' in known) {
    const share = line.g ? g / line.g : 1
    const dryG = line.kept ? line.kept.dryG * share : g
    contents.foods.push({
      line: line.id,
      food: known.food,
      dryG,
      insideG: g - dryG,
      looseG: 0,
      soak: null,
      saltedSoak: false,
      texture: null,
      gets: line.kept?.boilMinutes ?? 0,
      // It was soaked and cooked by itself: what is sour now does not make it hard again.
      needs: line.kept ? boilMinutesFor(known.food, usualTexture(known.food)) : null,
      // What was kept had been cooked through then, if it had had enough at all.
      centreC: line.kept && line.kept.boilMinutes >= known.food.boilMinutes.firm ? KEPT_CENTRE_C : null,
      inClosing: line.kept !== undefined,
    })
    contents.saltG += (line.kept?.saltG ?? 0) * share
    return nothing
  }
  const { ingredient: what } = known
  const liquid = liquidOf(what.liquid, g)
  const atOnce = what.liquid !== null && isPoured(what.liquid)
  contents.saltG += g * what.salt
  contents.freeG += atOnce ? liquid : 0
  if (what.group !== 'water')
    contents.others.push({ line: line.id, what, inG: g, restG: g - liquid, latentG: atOnce ? 0 : liquid })
  if (!atOnce) return nothing
  return what.group === 'water' ? { pouredG: liquid, givenG: 0 } : { pouredG: 0, givenG: liquid }
}

const liquidOf = (kind: LiquidKind | null, g: number) => (kind === null ? 0 : g * LIQUID_YIELD[kind])

/** Lets everything give the liquid that it has still in it, as it does when it is hot or crushed; g that came. */
export function giveLiquid(contents: Contents): number {
  const given = sumOf(contents.others, ({ latentG }) => latentG)
  for (const other of contents.others) other.latentG = 0
  contents.freeG += given
  return given
}

/** What foods brought from their soak mixes with the rest. */
export function letLooseGo(contents: Contents): void {
  for (const food of contents.foods) {
    contents.freeG += food.looseG
    food.looseG = 0
  }
}

/** Takes so much of the free liquid out, with the salt that is in it. */
export function takeLiquid(contents: Contents, g: number): Omit<Aside, 'fats'> {
  const wet = wetG(contents)
  const saltG = wet > 0 ? contents.saltG * (g / wet) : 0
  contents.freeG -= g
  contents.saltG -= saltG
  contents.saltGoneG += saltG
  return { freeG: g, saltG }
}

/** Takes so much of these fats, of each its share; they are so much less then. */
export function takeFats(others: readonly OtherIn[], g: number): OtherIn[] {
  const fats = others.filter(({ what, restG }) => what.group === 'fat' && restG > 0)
  const allG = sumOf(fats, ({ restG }) => restG)
  const share = allG > 0 ? Math.min(1, g / allG) : 0
  return fats.map((one) => {
    const takenG = one.restG * share
    one.restG -= takenG
    one.inG -= takenG
    return { ...one, inG: takenG, restG: takenG, latentG: 0 }
  })
}

/** Binds so much of the free liquid, or all that there is; answers how much. */
export function bind(contents: Contents, row: Pick<LiquidRow, 'drunkG'>, wantedG: number): number {
  const g = Math.max(0, Math.min(contents.freeG, wantedG))
  contents.freeG -= g
  row.drunkG += g
  return g
}
