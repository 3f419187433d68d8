import { heatsItself } from '../appliance/appliance'
import { applianceOf, OPENING_MINUTES, type PlanAnswer } from '../program/answer'
import type { PlanRequest } from '../program/request.schema'
import { closingInstructions } from './closing'
import { inOrder, type Instruction, type Thing, type ThingState } from './instruction'

/** The cooker and burner of a household, by their ids; generic ones have none. */
export interface ToldPot {
  cookerId?: string | null
  burnerId?: string | null
}

const SOAK_HANDS = 2
const DRAIN_HANDS = 2

/**
 * Everything that is done of a plan, in minutes from lighting it; soaks before. The request says on which flame it is
 * counted (`withFlame`).
 */
export function instructionsOfPlan(
  request: PlanRequest,
  answer: PlanAnswer,
  { cookerId, burnerId }: ToldPot = {},
): Instruction[] {
  const cooker = cookerId ?? (typeof request.cooker === 'string' ? request.cooker : null)
  const list: Instruction[] = []
  const firstUse = new Map<number, Thing>()
  request.contents.forEach(({ food, dryG, soak, joins = 0, had }, i) => {
    if (!soak || soak.hours <= 0 || had) return
    const from = { closing: joins }
    const begins = litAt(answer, closingOf(answer, i)) - soak.hours * 60
    const water: Thing[] =
      soak.waterG === undefined ? [] : [{ water: true, g: soak.waterG, state: 'cold', goesInto: 'bowl' }]
    const common = {
      from,
      closing: null,
      part: 'do',
      critical: false,
      in: { vessel: 'bowl' },
      on: null,
      setting: null,
    } as const
    list.push({
      ...common,
      id: `soak-${i}`,
      at: { minute: begins },
      hands: SOAK_HANDS,
      do: 'soak',
      things: [{ food, g: dryG, state: 'dry', goesInto: 'bowl' }, ...water],
      until: { minutes: soak.hours * 60 },
      cautions: [],
      why: { sum: 'soak' },
    })
    const state: ThingState = soak.keepWater ? 'soaked' : 'soaked-and-drained'
    const later: Thing = { food, g: null, again: true, ofG: dryG, state, goesInto: 'pot' }
    firstUse.set(i, later)
    if (!soak.keepWater)
      list.push({
        ...common,
        id: `drain-${i}`,
        at: { minute: litAt(answer, closingOf(answer, i)) },
        hands: DRAIN_HANDS,
        do: 'drain',
        things: [later],
        until: null,
        cautions: answer.cautions.flatMap(({ id, params }) =>
          id === 'lectin-soak' && params.food === food ? [id] : [],
        ),
        why: null,
      })
  })
  answer.closings.forEach((closing, number) => {
    const thing = (i: number, goesInto: 'pot' | 'tin'): Thing => {
      const { food, dryG, had } = request.contents[i]!
      const soaked = firstUse.get(i)
      return soaked ? { ...soaked, goesInto } : { food, g: dryG, state: had ? 'cooked' : 'dry', goesInto }
    }
    const base = closing.adds.filter((i) => request.contents[i]!.where === 'base')
    const tinned = closing.adds.filter((i) => request.contents[i]!.where !== 'base')
    const liquids: Thing[] =
      number > 0
        ? []
        : request.liquids.map(({ kind, g, fried }) => ({
            liquid: kind,
            g,
            state: fried ? 'fried' : 'as-is',
            goesInto: 'pot',
          }))
    list.push(
      ...closingInstructions({
        from: { closing: number },
        prefix: answer.closings.length > 1 ? `closing-${number}` : 'pot',
        number,
        lit: litAt(answer, number),
        cooker,
        burner: heatsItself(applianceOf(answer)) ? null : (burnerId ?? null),
        style: request.style,
        answer,
        closing,
        isLast: number === answer.closings.length - 1,
        base: [...base.map((i) => thing(i, 'pot')), ...liquids, ...oilWith(request, base)],
        tins: tinned.flatMap((i) => tinThings(request, answer, i, thing(i, 'tin'))),
        isKettle: isKettle(request),
      }),
    )
  })
  return inOrder(list)
}

/** A spoon of oil against the froth, where it was asked for; it changes no figure, and the fill line stays. */
const OIL_G = 5
const oilWith = ({ contents }: PlanRequest, base: readonly number[]): Thing[] =>
  base.some((i) => contents[i]!.additions?.includes('oil'))
    ? [{ what: 'oil', g: OIL_G, state: 'as-is', goesInto: 'pot' }]
    : []

/** A food in its tin, with the water that goes in there. */
export function tinThings(request: PlanRequest, answer: PlanAnswer, content: number, food: Thing): Thing[] {
  const { where } = request.contents[content]!
  const tier = where === 'base' ? 1 : where.tier
  const waterG = answer.foods[content]!.tinWaterG ?? 0
  const water: Thing[] = waterG > 0 ? [{ water: true, g: waterG, state: 'cold', goesInto: 'tin', tier }] : []
  return [{ ...food, goesInto: 'tin', tier }, ...water]
}

/** Water so warm is told as boiling. */
const BOILING_FROM_C = 85
export const isKettle = ({ pourC }: PlanRequest) => pourC !== undefined && pourC >= BOILING_FROM_C

/** Minutes from the first lighting at which a closing is lit. */
export function litAt({ closings }: PlanAnswer, number: number): number {
  return closings.slice(0, number).reduce((sum, { clock }) => sum + clock.openAtMinute + OPENING_MINUTES, 0)
}

/** The closing at which a food goes in. */
const closingOf = ({ closings }: PlanAnswer, content: number) =>
  Math.max(
    0,
    closings.findIndex(({ adds }) => adds.includes(content)),
  )
