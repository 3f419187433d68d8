import { simulate } from '../pot/simulate'
import { inBase } from '../program/closing'
import { looseWaterG, type PreparedFood } from '../program/prepared'
import type { Course } from './course'
import { NATURAL } from './future'

/** So much of what foods are to drink may be missing before the base sticks: they drink a little less (engineering estimate). */
const LESS_DRUNK_SHARE = 0.1
/** Foods drink as they soften: nearly all by the time they are tender (the planner's own course of it). */
const TENDER_RATE = 3

/** The liquid around the foods of a closing, of which the pot's own sum counts what they drink as water still. */
export interface Liquid {
  /** g of liquid that `freeWaterG` of water leaves around foods that have had so many boil-minutes in all. */
  around(freeWaterG: number, gets: readonly number[]): number
  /** The least of it in g with which the base does not scorch. */
  leastG: number
  /** All that was poured: more than that is never told to be left. */
  pouredG: number
}

/** What foods drink in a closing of the lid, and how little liquid around them is too little. */
export function liquidOf(course: Course): Liquid {
  const { closing, pot, program, release, had } = course
  // Where the simulation lets the food drink, that has come off already.
  const drinking = pot.grain ? [] : inBase(closing).map((item) => ({ item, i: closing.pot.foods.indexOf(item) }))
  const thirst = ({ uptakeG, insideG }: PreparedFood) => Math.max(0, uptakeG - insideG)
  const drunkG = (gets: readonly number[]) =>
    drinking.reduce((sum, { item, i }) => {
      const share = 1 - Math.exp((-TENDER_RATE * gets[i]!) / item.need.boilMinutes)
      return sum + thirst(item) * share
    }, 0)
  const around = (freeWaterG: number, gets: readonly number[]) => freeWaterG - drunkG(gets)
  const planned = simulate({ ...pot, program, release: release ?? NATURAL })
  const gets = planned.boilMinutes.map((got, i) => got + had[i]!)
  const allG = drinking.reduce((sum, { item }) => sum + thirst(item), 0)
  const plannedG = around(planned.freeWaterLeftG, gets)
  const looseG = closing.before ? 0 : inBase(closing, 'added').reduce((sum, item) => sum + looseWaterG(item), 0)
  return {
    around,
    pouredG: pot.load.freeWaterKg * 1000 - looseG,
    leastG: Math.min(0, plannedG - LESS_DRUNK_SHARE * allG),
  }
}
