import { RUN_REFUSALS } from '../../../../core/live/refusal'
import { runEventSchema } from '../../../../shared/run'

/** Appends an event. Sent twice it counts once; out of turn it is refused and nothing is written. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const runId = idParam(event, 'run')
  const outcome = await store.addEvent(runId, await readJson(event, runEventSchema), Date.now())
  if (outcome.stored) return { events: outcome.events }
  if (outcome.refusal === 'no-run') throw notFound('run')
  const message =
    outcome.refusal === 'id-taken'
      ? 'That id belongs to another event. Send this one under a new id.'
      : RUN_REFUSALS[outcome.refusal]
  throw refusal(409, { path: 'data', code: outcome.refusal, message })
})
