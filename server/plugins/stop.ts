import { closeDatabase } from '../db/client'
import { logger } from '../logger'

/** A server that is asked to stop has so long to finish what it is writing. */
const WITHIN_MS = 2500

/** A stop ends the streams that would hold it up, finishes what is being written, and closes what is open. */
export default defineNitroPlugin((nitro) => {
  process.env.NITRO_SHUTDOWN_TIMEOUT ??= String(WITHIN_MS)
  for (const signal of ['SIGTERM', 'SIGINT'] as const)
    process.once(signal, () => {
      logger.info('stopping', { signal })
      endStreams()
      void stopListening()
    })
  nitro.hooks.hook('close', async () => {
    await closeThreads()
    await closeDatabase()
  })
})
