import type { DishLine } from '../core/dish/dish.schema'
import { cookedOf, keepingOf, type Cooked, type Leftover } from '../core/dish/keep'
import type { DishAnswer } from '../core/dish/dish'
import { dayAfter, daysBetween } from './day'
import type { Portion } from './portion.schema'
import { PORTION_SHAPE } from './shapes'

export type { Portion } from './portion.schema'

/** Portions of what was cooked as they are put away today. */
export function portionOf(
  { massG, portions, cooked }: Leftover,
  { name, dishId }: { name: string; dishId: string | null },
  put: { portions: number; place: Portion['place']; today: string },
): Portion {
  const { portionG, fridgeDays, freezerDays } = keepingOf(massG, cooked.hasRice ?? false, portions)
  const days = put.place === 'freezer' ? freezerDays : fridgeDays
  return {
    shape: PORTION_SHAPE,
    name,
    place: put.place,
    keptOn: put.today,
    until: dayAfter(put.today, days),
    left: put.portions,
    portionG,
    ...cooked,
    dishId,
  }
}

/** Cautious figure of common food-safety advice: what was frozen is eaten the day after it thaws. */
const THAWED_DAYS = 1

/** Moved from the freezer to the fridge today, to thaw; it does not go back. */
export function thawed(portion: Portion, today: string): Portion {
  const until = dayAfter(today, THAWED_DAYS)
  return { ...portion, place: 'fridge', thawedOn: today, until: until < portion.until ? until : portion.until }
}

/** Leftovers whose last day is today, tomorrow or past, the soonest first. */
export const dueSoon = <Kept extends { content: Portion }>(all: readonly Kept[], today: string): Kept[] =>
  all
    .filter(({ content }) => content.left > 0 && daysLeft(content, today) <= 1)
    .sort((a, b) => a.content.until.localeCompare(b.content.until))

/** It has been kept longer than it should be. */
export const isPast = ({ until }: Pick<Portion, 'until'>, today: string) => until < today

/** Days until it should be eaten; negative when that has passed. */
export const daysLeft = ({ until }: Pick<Portion, 'until'>, today: string) => daysBetween(today, until)

/** One portion as an ingredient of another dish: cooked already, wet already, salted already. */
export function lineOfPortion(lineId: string, portionId: string, portion: Portion, typed: string): DishLine {
  return { ...cookedLine(lineId, portionId, portion.portionG, portion, typed), portionId }
}

/** What another dish makes, for so many servings of this one, as it is when it is done. */
export function lineOfDish(
  lineId: string,
  { id, name }: { id: string; name: string },
  answer: DishAnswer,
  g: number,
  typed: string,
): DishLine {
  return { ...cookedLine(lineId, id, g, { name, ...cookedOf(answer) }, typed), dishId: id }
}

function cookedLine(
  id: string,
  ownId: string,
  g: number,
  { food, salt, water, fat, hasRice, name }: Cooked & { name: string },
  typed: string,
): DishLine {
  const common = { id, typed, g }
  if (food)
    return {
      ...common,
      what: food.id,
      kept: { dryG: g * food.dryShare, boilMinutes: food.boilMinutes, saltG: g * salt },
    }
  return {
    ...common,
    what: null,
    own: {
      id: ownId,
      name: name.slice(0, 60),
      group: 'cooked-pulse',
      liquid: null,
      water,
      salt,
      fat,
      sour: false,
      cupG: 240,
      pieceG: Math.min(3000, g),
      ...(hasRice ? { hasRice } : {}),
    },
  }
}
