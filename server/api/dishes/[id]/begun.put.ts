import { sayBegunSchema } from '../../../../shared/dish.schema'

/** What a device has done of a dish that is being cooked; sending it again changes nothing. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const begun = await store.sayBegun(idParam(event, 'dish'), await readJson(event, sayBegunSchema))
  if (!begun) throw notFound('dish')
  return begun
})
