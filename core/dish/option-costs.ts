import { answerDish, type DishAnswer } from './dish'
import type { Dish, DishRequest } from './dish.schema'
import { proposeDish, type ProposedId, type ProposedOption, type ProposeFor, type Wanted } from './propose'

/** What another option of a proposal changes in the dish. */
export interface OptionCost {
  /** From the first flame to serving. */
  minutes: number
  /** Of its first pot, where both count the same. */
  figure: { by: number; unit: 'whistles' | 'minutes' } | null
  /** It cannot be cooked so. */
  isRefused: boolean
}
export type OptionCosts = Partial<Record<ProposedId, Partial<Record<ProposedOption, OptionCost>>>>

/**
 * What each option that is not chosen would change, by planning the dish with it and all other choices as they are.
 * Empty where the dish as it is chosen cannot be planned.
 */
export function optionCosts(request: DishRequest, wanted: Wanted, kitchen: ProposeFor): OptionCosts {
  const { lines } = request.dish
  const planned = (changed: Wanted) => {
    const proposal = proposeDish(lines, changed, kitchen)
    const dish: Dish | null = proposal && { ...request.dish, stages: proposal.stages }
    const answer = dish && answerDish({ ...request, dish })
    return { proposal, answer: answer?.ok ? answer.value : null }
  }
  const now = planned(wanted)
  if (!now.proposal || !now.answer) return {}
  const was = now.answer
  return Object.fromEntries(
    now.proposal.choices.map(({ id, options, chosen }) => [
      id,
      Object.fromEntries(
        options
          .filter((option) => option !== chosen)
          .map((option) => [option, costOf(was, planned({ ...wanted, [id]: option }).answer)]),
      ),
    ]),
  )
}

function costOf(was: DishAnswer, is: DishAnswer | null): OptionCost {
  const pots = (answer: DishAnswer) => answer.stages.flatMap(({ pot }) => pot?.answer.closings[0]!.range ?? [])
  const [before] = pots(was)
  const [after] = is ? pots(is) : []
  return {
    minutes: is ? Math.round(is.spanMinutes - was.spanMinutes) : 0,
    figure:
      before && after && before.unit === after.unit ? { by: after.figure - before.figure, unit: after.unit } : null,
    isRefused: !is || is.cautions.some(({ severity }) => severity === 'refuse') || is.stages.some(hasProblem),
  }
}

const hasProblem = ({ problems, cautions }: DishAnswer['stages'][number]) =>
  problems.length > 0 || cautions.some(({ severity }) => severity === 'refuse')
