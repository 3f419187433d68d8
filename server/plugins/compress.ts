import { compress } from 'h3-compression'

/** What is shorter travels in one packet as it is. */
const LEAST_BYTES = 900

/** Answers of the API travel compressed; files are already, and the stream of change events must not be held back. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('beforeResponse', async (event, response) => {
    if (event.path.startsWith('/api/')) await compress(event, response, 'gzip', { minSize: LEAST_BYTES })
  })
})
