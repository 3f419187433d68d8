import { roleSchema } from '../../../../shared/auth.schema'

/** Makes a member an owner, or an owner a member. */
export default defineEventHandler(async (event) => {
  const store = await useOwnHousehold(event)
  const { role } = await readJson(event, roleSchema)
  refuseUnless(await store.setRole(idParam(event, 'member'), role))
  forgetAskers(store.householdId)
  setResponseStatus(event, 204)
  return null
})
