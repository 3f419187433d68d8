import type { LearntForPlans } from '../../../shared/household'

/** What the household's log has taught, as plans need it. */
export default defineEventHandler(async (event): Promise<LearntForPlans> => {
  const { told, pending } = await learntOf(await useHousehold(event))
  return { sums: told.sums, pending }
})
