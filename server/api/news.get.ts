import { createEventStream } from 'h3'

/** Well within the time after which proxies take a silent connection for dead. */
const PULSE_MS = 15_000

/** Server-sent events: kind and id of each of the household's documents as it changes, or nothing when all should be looked at. */
export default defineEventHandler(async (event) => {
  const { householdId } = await useHousehold(event)
  const stream = createEventStream(event)
  const stop = await onNews(householdId, (news) => void stream.push(news ? JSON.stringify(news) : ''))
  const pulse = setInterval(() => void stream.push({ event: 'pulse', data: '' }), PULSE_MS)
  stream.onClosed(async () => {
    clearInterval(pulse)
    stop()
    await stream.close()
  })
  // The first message says that from now on nothing is missed.
  void stream.push('')
  return stream.send()
})
