import { checkCooker } from '../../core/pot/check'
import { kitchenSchema } from '../../shared/kitchenSchema'

/** Keeps the kitchen as a whole; refused if another device changed it since it was fetched. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const given = await readJson(event, kitchenSchema)
  const problems = given.cookers.flatMap(({ cooker }, i) =>
    checkCooker(cooker).map((item) => ({ ...item, path: `cookers.${i}.cooker.${item.path}` })),
  )
  if (problems.length > 0) throw refusal(422, ...problems)
  const outcome = await store.saveKitchen(given)
  if (outcome === 'changed-meanwhile')
    throw refusal(409, {
      path: 'version',
      code: 'changed-meanwhile',
      message: 'The kitchen was changed on another device meanwhile. Load it again, then repeat your change.',
    })
  if (outcome === 'not-ours')
    throw refusal(409, { path: '', code: 'id-taken', message: 'One of the ids is taken. Add it again.' })
  return store.kitchen()
})
