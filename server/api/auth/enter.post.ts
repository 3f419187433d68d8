import { enterSchema } from '../../../shared/auth.schema'
import { authDatabase } from '../../db/client'
import { memberBySignInName } from '../../db/auth'
import { logger } from '../../logger'

/** Taken as long as any, so that nobody learns from the time it takes which names there are. */
let someHash: Promise<string> | undefined

/** Comes in by name and password. */
export default defineEventHandler(async (event) => {
  const { signInName, password } = await readJson(event, enterSchema)
  const address = addressOf(event)
  await countTry('address', address)
  // The one who guesses is slowed down, not the member whose name it is.
  await countTry('name', `${address} ${signInName}`)
  const found = await memberBySignInName(authDatabase(), signInName)
  const hash = found?.passwordHash ?? (await (someHash ??= hashPassword('nobody comes in by this')))
  const fits = await verifyPassword(hash, password)
  if (!found?.passwordHash || !fits) {
    logger.warn('sign-in refused', { by: 'password', address, member: found?.memberId ?? null })
    throw refusal(403, { path: '', code: 'wrong-password' })
  }
  await uncountTry('name', `${address} ${signInName}`)
  await uncountTry('address', address)
  await comeIn(event, found, 'password')
  setResponseStatus(event, 204)
  return null
})
