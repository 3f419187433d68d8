import { factsOf, log } from '../log'
import { startListening } from '../utils/news'

/** News is heard from the start, so that a device that comes is not told to look at everything twice. */
export default defineNitroPlugin(() => {
  startListening().catch((error: unknown) => log.warn('cannot listen for news yet', factsOf(error)))
})
