import type { LearntWithEvidence } from '../../../shared/household'

/** The same with each run that spoke of each figure, and how near the plans came. */
export default defineEventHandler(async (event): Promise<LearntWithEvidence> => {
  const { told, log, names, pending } = await learntOf(await useHousehold(event))
  const runs = Object.fromEntries(
    log.runs.map(({ id, fit }) => [id, { name: names.get(id) ?? '', foods: fit.foods.map(({ foodId }) => foodId) }]),
  )
  return { ...told, pending, runs, forgotten: [...log.forgotten] }
})
