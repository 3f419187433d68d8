import { runEventSchema } from '../../../../core/live/event.schema'
import { PROGRAM_BEGAN_MS } from '../../../../core/measure/time'
import { refusalSentence } from '../../../../locales/sentences'

/** Adds an event. Sent twice it counts once; what cannot be is refused and nothing is written. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const runId = idParam(event, 'run')
  const given = await readJson(event, runEventSchema)
  if (given.at < PROGRAM_BEGAN_MS) throw refusal(422, { path: 'at', code: 'before-the-program' })
  const outcome = await inTurn(`${store.householdId} run ${runId}`, () =>
    store.addEvent(runId, given, Date.now(), askWorker(store.householdId).opensFrom),
  )
  if (outcome.stored) return { events: outcome.events }
  const { refusal: why } = outcome
  switch (why) {
    case 'no-run':
      throw notFound('run')
    case 'id-taken':
    case 'plan-unreadable':
      throw refusal(409, { path: 'data', code: why })
    default: {
      const message = refusalSentence(why)
      throw createError({ statusCode: 409, message, data: { problems: [{ path: 'data', code: why }] } })
    }
  }
})
