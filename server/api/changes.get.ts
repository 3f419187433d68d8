import { createEventStream } from 'h3'
import { z } from 'zod'

/** Well within the time after which proxies take a silent connection for dead. */
const PULSE_MS = 15_000
/** What a device asked for before it listened was asked for so long ago; without it everything may have been missed. */
const querySchema = z.object({ age: z.coerce.number().nonnegative().max(86_400_000).optional() })
/** The way to the server may take so long. */
const WAY_MS = 3000

/** Server-sent events: kind and id of each of the household's documents as it changes, or nothing when all should be looked at. */
export default defineEventHandler(async (event) => {
  const { householdId } = await useHousehold(event)
  const { data } = querySchema.safeParse(getQuery(event))
  const age = data?.age
  const stream = createEventStream(event)
  // Who was signed out meanwhile hears no more; a database that does not answer signs nobody out.
  const isIn = () =>
    askerOf(event).then(
      (asker) => asker !== null,
      () => true,
    )
  const beat = async () => ((await isIn()) ? stream.push({ event: 'pulse', data: '' }) : stream.close())
  const stop = await onChangeEvent(
    householdId,
    (changeEvent) => {
      // Who is in may be what has changed.
      if (changeEvent?.kind === 'household') void beat()
      void stream.push(changeEvent ? JSON.stringify(changeEvent) : '')
    },
    () => void stream.close(),
  )
  const pulse = setInterval(() => void beat(), PULSE_MS)
  stream.onClosed(async () => {
    clearInterval(pulse)
    stop()
    await stream.close()
  })
  // From now on nothing is missed; what may have been before is to be looked at again.
  if (age === undefined || mayHaveChanged(householdId, Date.now() - age - WAY_MS)) void stream.push('')
  return stream.send()
})
