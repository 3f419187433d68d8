import { foundSchema } from '../../../shared/auth.schema'
import { newKitchen } from '../../../shared/kitchen'
import { authDatabase } from '../../db/client'
import { foundHousehold } from '../../db/auth'

/** Makes a household with its first member, who is in from then on. */
export default defineEventHandler(async (event) => {
  await countTry('address', addressOf(event))
  const { household, altitudeM, timeZone, language, member, signInName, password } = await readJson(event, foundSchema)
  if ((signInName === undefined) !== (password === undefined))
    throw refusal(422, { path: signInName ? 'password' : 'signInName', code: 'name-and-password' })
  const made = await foundHousehold(
    authDatabase(),
    newKitchen(household, altitudeM, { timeZone, language }),
    {
      name: member,
      signInName: signInName ?? null,
      passwordHash: password === undefined ? null : await hashPassword(password),
    },
    !useRuntimeConfig(event).openToHouseholds,
  )
  if (made === 'not-first') throw refusal(403, { path: '', code: 'not-first' })
  if (made === 'name-taken') throw refusal(409, { path: 'signInName', code: 'sign-in-name-taken' })
  await comeIn(event, made, 'founding')
  setResponseStatus(event, 201)
  return { id: made.householdId }
})
