import { usualTexture, boilMinutesFor, uptakeFor } from '../food/texture'
import type { Food } from '../food/food.schema'
import { Run } from '../pot/run'
import type { CookedFood, Grain, LoadedPot } from '../pot/case.schema'
import type { Simulation } from '../pot/simulation'
import { isThrough } from '../safety/rules'
import { boilingC, latentJPerKg } from '../steam/steam'
import { sumOf, type Contents, type FoodIn } from './contents'

/** An open pot or pan of a household (engineering estimates). */
const METAL_KG = 1
const METAL_J_PER_KG_K = 900
const LOSS_W_PER_K = 1.2
const WATER_J_PER_G_K = 4.2
const DRY_J_PER_G_K = 1.8
const FRESH_J_PER_G_K = 3.7
/** Less water than this is none. */
const WET_G = 1
/** A pot with so much water in it boils on for as long as anybody asks. */
const PLENTY_KG = 5
/** What boils already has to come to the boil all the same. */
const JUST_BELOW_K = 0.2
/** Nobody asks for longer. */
const LONGEST_MINUTES = 600

type Place = { altitudeM: number; roomC: number }

/** What an open vessel on a flame makes of what is in it. Lists go by its foods. */
export interface OpenHeat {
  /** Minutes until what is wet boils. */
  comeUpMinutes: number
  boiledG: number
  drunkG: number[]
  /** g of water more that it would have needed to stay wet to the end. */
  shortG: number
  /** Boil-minutes that each food got, and the highest temperature of its middle. */
  gets: number[]
  centreC: number[]
}

interface Heating {
  heatW: number
  minutes: number
  /** Share of the steam that runs back from a lid. */
  reflux: number
  /** Brought to the boil on this heat first, which is no part of the minutes; null where the minutes begin at once. */
  comeUpW: number | null
  /** What is moist in itself goes on cooking once nothing wet is left around it, as in fat. */
  fries: boolean
}

/**
 * Heats what is in an open vessel: a program of the open pot (core/pot), which ends where the last of the water has
 * gone. What is boiled in water gets nothing more from then on; it scorches.
 */
export function heatOpen(contents: Contents, { roomC, altitudeM }: Place, heating: Heating): OpenHeat {
  const { heatW, minutes, reflux, comeUpW, fries } = heating
  const foods = contents.foods
  const cooks = foods.map(({ food }) => !fries || food.soak === null)
  const none: OpenHeat = {
    comeUpMinutes: 0,
    boiledG: 0,
    drunkG: foods.map(() => 0),
    shortG: 0,
    gets: foods.map(() => 0),
    centreC: foods.map((item) => startOf(item, contents, roomC)),
  }
  const heat = contents.freeG > WET_G ? wetHeat() : { ...none, shortG: boilsAway(minutes), dryMinutes: minutes }
  if (!fries || heat.dryMinutes <= 0) return heat
  const moist = foods.map(({ food }, i) => atBoil(food, heat.centreC[i]!, heat.dryMinutes, { altitudeM, roomC }))
  return {
    ...heat,
    gets: heat.gets.map((got, i) => (cooks[i] ? got + moist[i]!.gets : 0)),
    centreC: heat.centreC.map((warm, i) => (cooks[i] ? Math.max(warm, moist[i]!.centreC) : warm)),
  }

  function wetHeat(): OpenHeat & { dryMinutes: number } {
    const run = new Run(potOf(contents, { altitudeM, roomC }, reflux, fries))
    const came = comeUpW === null || run.step({ kind: 'boil', heatW: comeUpW, untilBoil: true })
    const comeUpMinutes = comeUpW === null ? 0 : run.now().minute
    if (came) run.step({ kind: 'minutes', heatW, minutes })
    const result = run.result()
    const dryMinutes = result.ending === 'boiled-dry' ? Math.max(0, minutes - (run.now().minute - comeUpMinutes)) : 0
    const drunk = drunkBy(foods, contents.freeG - result.freeWaterLeftG - result.steamLostG)
    return {
      comeUpMinutes,
      boiledG: Math.min(contents.freeG, Math.max(0, contents.freeG - result.freeWaterLeftG - sumOf(drunk, (g) => g))),
      drunkG: drunk,
      shortG: boilsAway(dryMinutes),
      gets: result.boilMinutes.map((got, i) => (cooks[i] ? got : 0)),
      centreC: result.hottestFoodC.map((hot, i) => (cooks[i] ? hot : none.centreC[i]!)),
      dryMinutes,
    }
  }

  /** g of water that such a flame boils away in so many minutes. */
  function boilsAway(dryMinutes: number): number {
    const boilC = boilingC(altitudeM)
    const spareW = Math.max(0, heatW - LOSS_W_PER_K * (boilC - roomC))
    return ((spareW * 60 * dryMinutes) / latentJPerKg(boilC)) * 1000 * (1 - reflux)
  }
}

/** Boil-minutes and the middle of one food in water that boils openly for so long, from so warm. */
function atBoil(food: Food, startC: number, minutes: number, place: Place): { gets: number; centreC: number } {
  const { boilMinutes, hottestFoodC } = boiled(food, startC, minutes, place)
  return { gets: boilMinutes[0]!, centreC: hottestFoodC[0]! }
}

/** Minutes in an open boil until a food from the cold is tender and, where it must be, hot through; null if it never is. */
export function minutesToCook(food: Food, place: Place): number | null {
  const needs = boilMinutesFor(food, usualTexture(food))
  const isDone = (minutes: number) => {
    const { gets, centreC } = atBoil(food, place.roomC, minutes, place)
    return gets >= needs && isThrough(food, centreC)
  }
  if (!isDone(LONGEST_MINUTES)) return null
  let low = 0
  let high = LONGEST_MINUTES
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2)
    if (isDone(middle)) high = middle
    else low = middle
  }
  return high
}

function boiled({ zC, zAbove110C, sizeMm }: Food, startC: number, minutes: number, place: Place): Simulation {
  const run = new Run({
    appliance: openPot(0),
    load: { freeWaterKg: PLENTY_KG, foodJPerK: 0, startC: boilingC(place.altitudeM) - JUST_BELOW_K, vessels: [] },
    place,
    foods: [{ zC, zAbove110C, vessel: null, sizeMm, startC }],
  })
  run.step({ kind: 'minutes', heatW: 2 * LOSS_W_PER_K * (boilingC(place.altitudeM) - place.roomC), minutes })
  return run.result()
}

const openPot = (reflux: number) => ({
  kind: 'open' as const,
  metalKg: METAL_KG,
  metalJPerKgK: METAL_J_PER_KG_K,
  lossWPerK: LOSS_W_PER_K,
  reflux,
})

/**
 * Where the middle of a food stands: never hotter than it has been, however hot the vessel is, nor than that; what has
 * just gone in is as the kitchen.
 */
const startOf = ({ centreC }: FoodIn, { tempC }: Contents, roomC: number) =>
  centreC === null ? roomC : Math.min(centreC, tempC)

function potOf(contents: Contents, place: Place, reflux: number, fries: boolean): LoadedPot {
  const { foods, others, freeG, tempC } = contents
  const foodJPerK =
    sumOf(
      foods,
      ({ food, dryG, insideG }) => dryG * (food.soak ? DRY_J_PER_G_K : FRESH_J_PER_G_K) + insideG * WATER_J_PER_G_K,
    ) +
    sumOf(others, ({ restG }) => restG) * FRESH_J_PER_G_K
  const grain = fries ? null : grainOf(foods)
  return {
    appliance: openPot(reflux),
    load: {
      freeWaterKg: freeG / 1000,
      foodJPerK,
      startC: Math.min(tempC, boilingC(place.altitudeM) - JUST_BELOW_K),
      vessels: [],
    },
    place,
    foods: foods.map((item): CookedFood => {
      const { zC, zAbove110C, sizeMm } = item.food
      return { zC, zAbove110C, vessel: null, sizeMm, startC: startOf(item, contents, place.roomC) }
    }),
    ...(grain ? { grain } : {}),
  }
}

/** g that a food still drinks until it has its texture. */
const thirstG = ({ food, dryG, insideG, texture }: FoodIn) =>
  food.soak ? Math.max(0, dryG * uptakeFor(food, texture ?? usualTexture(food)) - insideG) : 0

/** All that drinks, taken as one grain. */
function grainOf(foods: readonly FoodIn[]): Grain | null {
  const drinking = foods.filter((item) => thirstG(item) > 0)
  const dryG = sumOf(drinking, (item) => item.dryG)
  if (dryG === 0) return null
  const insideG = sumOf(drinking, (item) => item.insideG)
  const first = drinking[0]!
  return {
    food: foods.indexOf(first),
    dryKg: dryG / 1000,
    uptakeStart: insideG / dryG,
    uptakeMax: (insideG + sumOf(drinking, thirstG)) / dryG,
    tenderBoilMinutes: first.needs ?? boilMinutesFor(first.food, usualTexture(first.food)),
  }
}

/** What was drunk in all, by each in proportion to what it wants. */
function drunkBy(foods: readonly FoodIn[], drunkG: number): number[] {
  const wants = foods.map(thirstG)
  const wanted = sumOf(wants, (g) => g)
  return wants.map((want) => (wanted > 0 ? (Math.max(0, drunkG) * want) / wanted : 0))
}

/** What an open heat has done to the foods stays with them. */
export function keepHeat(contents: Contents, { gets, centreC }: OpenHeat): void {
  contents.foods.forEach((item, i) => {
    item.gets += gets[i]!
    item.centreC = Math.max(item.centreC ?? -Infinity, centreC[i]!)
  })
}
