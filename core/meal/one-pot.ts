import type { PotStageAnswer } from '../dish/pot-stage'
import { USUAL_TRIVETS_MM } from '../pot/stacking'
import { plan } from '../program/plan'
import { prepare } from '../program/prepared'
import type { Content, PlanRequest } from '../program/request.schema'
import { cookerOf } from '../program/stove'
import { fitsTin } from '../stack/arrange'
import type { OwnedTin } from '../stack/ask'

/** What a kitchen has for putting one pot into another. */
export interface Tins {
  tins: readonly OwnedTin[]
  trivetsMm?: readonly number[]
}

/** A pot with another dish's food in a tin above its own. */
export interface OnePot {
  pot: PotStageAnswer
  tin: OwnedTin
  covered: boolean
  trivetMm: number
  /** g of water that go into the tin. */
  waterG: number
}

/** Salt, spices and a spoon of fat go along in the tin; more than this share of the food is a dish of its own. */
const BESIDE_FOOD_SHARE = 0.15

/**
 * The host's pot with what the guest's pot would cook in a tin above its food, so that both are inside their windows
 * and everything fits and stands; of those that do, the one that is open soonest. Null where there is none: the guest is no
 * single food, stands in more than its own water, or would be hard or lost by the time that the other is done.
 */
export function inOnePot(host: PotStageAnswer, guest: PotStageAnswer, { tins, trivetsMm }: Tins): OnePot | null {
  const [content, ...others] = guest.request.contents
  if (!content || others.length > 0 || !canStandInTin(content, guest.request)) return null
  const alone = prepare(guest.request)
  const cooker = cookerOf(host.request)
  if (!alone.ok || !cooker || host.request.contents.some(({ where }) => where !== 'base')) return null
  const item = alone.value.foods[0]!
  const fitting = tins.filter((tin) => fitsTin(item, tin, cooker.body)).sort((a, b) => a.volumeMl - b.volumeMl)
  const trivets = trivetsMm && trivetsMm.length > 0 ? trivetsMm : USUAL_TRIVETS_MM
  const found = fitting.flatMap((tin) =>
    [...trivets]
      .sort((a, b) => a - b)
      .flatMap((trivetMm) =>
        [false, true].flatMap((covered): OnePot[] => {
          const request = withGuest(host.request, guest.request, content, tin, covered, trivetMm)
          const answer = plan(request, { range: false })
          if (!answer.ok || !isGood(answer.value)) return []
          return [
            {
              pot: { request, answer: answer.value },
              tin,
              covered,
              trivetMm,
              waterG: answer.value.foods.at(-1)!.tinWaterG ?? 0,
            },
          ]
        }),
      )
      .slice(0, 1),
  )
  const minutes = ({ pot }: OnePot) => pot.answer.closings.at(-1)!.clock.openAtMinute
  return found.sort((a, b) => minutes(a) - minutes(b))[0] ?? null
}

function canStandInTin({ where, dryG, joins }: Content, { liquids, stands }: PlanRequest): boolean {
  const beside = (stands?.otherG ?? 0) + (stands?.freeWaterG ?? 0)
  return where === 'base' && !joins && liquids.length === 0 && beside <= BESIDE_FOOD_SHARE * dryG
}

function withGuest(
  host: PlanRequest,
  guest: PlanRequest,
  content: Content,
  { diameterMm, heightMm, volumeMl, material }: OwnedTin,
  covered: boolean,
  trivetMm: number,
): PlanRequest {
  const own = [...(host.foods ?? []), ...(guest.foods ?? [])]
  const learnt = [...(host.learnt?.contents ?? host.contents.map(() => ({}))), guest.learnt?.contents?.[0] ?? {}]
  return {
    ...host,
    contents: [
      ...host.contents,
      { ...content, where: { tin: { diameterMm, heightMm, volumeMl, material, lid: covered }, tier: 1 } },
    ],
    trivetMm,
    // What the cook pours there instead was for the pot alone.
    given: undefined,
    ...(host.learnt || guest.learnt ? { learnt: { ...host.learnt, contents: learnt } } : {}),
    ...(own.length > 0 ? { foods: own.filter(({ id }, i) => own.findIndex((one) => one.id === id) === i) } : {}),
  }
}

/** Nothing is refused, nothing stands badly, and every food gets what it needs and no more than it bears. */
function isGood({ cautions, foods }: PotStageAnswer['answer']): boolean {
  const stands = cautions.every(({ id, severity }) => severity !== 'refuse' && !STANDS_BADLY.has(id))
  return stands && foods.every(({ gets, needs, window }) => gets >= needs && gets <= window.max)
}

const STANDS_BADLY: ReadonlySet<string> = new Set([
  'tin-too-wide',
  'stack-too-high',
  'tier-tips',
  'uncovered-below',
  'tin-too-full',
  'piece-too-thick',
  'base-reaches-tin',
  'tin-material',
])
