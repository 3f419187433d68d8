import { factsOf, logger } from '../logger'
import { startListening } from '../utils/changeEvents'

/** Change events are heard from the start, so that a device that connects need not look at everything twice. */
export default defineNitroPlugin(() => {
  startListening().catch((error: unknown) => logger.warn('cannot listen for change events yet', factsOf(error)))
})
