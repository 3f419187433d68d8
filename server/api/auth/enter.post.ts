import { enterSchema } from '../../../shared/auth.schema'
import { authDatabase } from '../../db/client'
import { memberBySignInName } from '../../db/auth'

/** Taken as long as any, so that nobody learns from the time it takes which names there are. */
let someHash: Promise<string> | undefined

/** Comes in by name and password. */
export default defineEventHandler(async (event) => {
  const { signInName, password } = await readJson(event, enterSchema)
  await countTry('address', addressOf(event))
  await countTry('name', signInName)
  const found = await memberBySignInName(authDatabase(), signInName)
  const hash = found?.passwordHash ?? (await (someHash ??= hashPassword('nobody comes in by this')))
  const fits = await verifyPassword(hash, password)
  if (!found?.passwordHash || !fits) throw refusal(403, { path: '', code: 'wrong-password' })
  await uncountTry('name', signInName)
  await uncountTry('address', addressOf(event))
  await comeIn(event, found)
  setResponseStatus(event, 204)
  return null
})
