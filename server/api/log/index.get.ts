import { stringify } from 'csv-stringify/sync'
import { runState, firstLitAt } from '../../../core/live/run'
import { eventsOfRun } from '../../../core/learn/log-file'

/** The whole log as a file: JSON, which can be read in again, or with `as=csv` a table of it. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const kept = await store.kitchen()
  if (!kept) throw notFound('kitchen')
  const file = await store.logFile(kept.kitchen)
  if (getQuery(event).as !== 'csv') {
    setHeader(event, 'content-disposition', 'attachment; filename="bivvet-log.json"')
    return file
  }
  const { cookers, burners } = kept.kitchen
  const called = (rows: readonly { id: string; name: string }[], id: string | null | undefined) =>
    rows.find((row) => row.id === id)?.name ?? id ?? ''
  const rows = file.runs.flatMap((run) => {
    const state = runState(eventsOfRun(run))
    const litAt = firstLitAt(state)
    const leg = state.legs[0]
    return run.request.contents.map(({ food, dryG, soak }, content) => {
      const verdict = run.verdicts?.find((one) => one.content === content)
      return {
        run: run.id,
        name: run.name,
        lit: litAt === null ? '' : new Date(litAt).toISOString(),
        cooker: called(cookers, run.cooker),
        burner: called(burners, run.burner),
        food,
        dryG: Math.round(dryG),
        soakHours: soak?.hours ?? 0,
        style: run.request.style.kind,
        whistles: state.legs.reduce((sum, { whistles }) => sum + whistles.length, 0),
        minutesOnHeat: litAt === null || leg.heatOffAt === null ? '' : ((leg.heatOffAt - litAt) / 60_000).toFixed(1),
        texture: verdict?.texture ?? '',
        water: verdict?.water ?? '',
        note: verdict?.note ?? '',
      }
    })
  })
  setHeader(event, 'content-type', 'text/csv; charset=utf-8')
  setHeader(event, 'content-disposition', 'attachment; filename="bivvet-log.csv"')
  // What begins like a formula is text.
  return stringify(rows, { header: true, bom: true, escape_formulas: true })
})
