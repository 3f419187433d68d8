import { checkCooker } from '../../core/pot/check'
import { versionedKitchenSchema } from '../../shared/kitchen.schema'

/** Keeps the kitchen as a whole; refused, with what stands there now, if another device changed it since it was fetched. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const given = await readJson(event, versionedKitchenSchema)
  const problems = given.kitchen.cookers.flatMap(({ cooker }, i) =>
    checkCooker(cooker).map((item) => ({ ...item, path: `kitchen.cookers.${i}.cooker.${item.path}` })),
  )
  if (problems.length > 0) throw refusal(422, problems)
  const { kept, now } = await store.saveKitchen(given)
  if (!kept) throw refusal(409, { path: 'version', code: 'kitchen-changed' }, { now })
  return now
})
