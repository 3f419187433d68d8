// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { beansRun, closePage, houseId, openKitchen, openPage, settle, START_MS } from '~~/tests/house'
import { useKitchenStore } from '~/stores/kitchen'
import { plan as planOf } from '~~/core/program/plan'
import type { PlanRequest } from '~~/core/program/request.schema'
import { useCookingStore } from '~/stores/cooking'
import { useOutbox } from '~/stores/outbox'
import { usePotStore } from '~/stores/pot'
import { useRunsStore } from '~/stores/runs'
import { useLight } from './useLight'

vi.mock('comlink', () => ({
  wrap: () => ({
    plan: async (request: PlanRequest) => ({ outcome: planOf(request, { range: false }), curves: null }),
    // How the run then stands is told elsewhere.
    follow: () => new Promise(() => {}),
    forget: async () => {},
  }),
}))

const went: string[] = []
let server: Awaited<ReturnType<typeof openKitchen>>
beforeEach(async () => {
  openPage()
  went.length = 0
  vi.stubGlobal('navigateTo', (to: string) => (went.push(to), Promise.resolve()))
  server = await openKitchen(useKitchenStore().load)
  await settle()
})
afterEach(closePage)

/** Answers the plan and the run that are asked for, and tells what they were asked with. */
async function start(answer: object = {}) {
  const plan = await server.next('POST', /plans/)
  await plan.answer({})
  const run = await server.next('POST', /runs/)
  const { id } = run.body as { id: string }
  await run.answer({ ...beansRun(id), pot: null, ...answer })
  return { plan: plan.body as { id: string; request: object }, run: run.body as { id: string; planId: string } }
}

describe('lighting the pot that is planned', () => {
  it('keeps its plan, starts a run of it, and goes to the stove', async () => {
    const pot = usePotStore()
    const { light, lighting, failure } = useLight()
    void light()
    expect(lighting.value).toBe(true)
    const { plan, run } = await start()
    expect(plan.request).toEqual(JSON.parse(JSON.stringify(pot.request)))
    expect(run.planId).toBe(plan.id)
    expect(went).toEqual([`/cook/${run.id}`])
    expect(useRunsStore().one(run.id)).not.toBeNull()
    expect([lighting.value, failure.value]).toEqual([false, null])
  })

  it('tried again after a failure starts the same run, and never a second', async () => {
    const { light, failure } = useLight()
    void light()
    const plan = await server.next('POST', /plans/)
    await plan.answer({})
    const first = await server.next('POST', /runs/)
    await first.answer({ status: 500, body: {} })
    expect(failure.value?.kind).toBe('server')
    expect(went).toEqual([])
    void light()
    const again = await start()
    expect(again.plan.id).toBe((plan.body as { id: string }).id)
    expect(again.run.id).toBe((first.body as { id: string }).id)
    expect(failure.value).toBeNull()
    // That one is on; the next is another.
    void light()
    expect((await start()).run.id).not.toBe(again.run.id)
  })

  it('without a network begins on this device, and is sent before what happened in it', async () => {
    const { light, failure } = useLight()
    void light()
    const asked = await server.next('POST', /plans/)
    await asked.answer('no-network')
    await vi.waitFor(() => expect(went).toHaveLength(1))
    expect(failure.value).toBeNull()
    const id = went[0]!.split('/').at(-1)!
    const run = useRunsStore().one(id)!
    expect(run.plan.answer.closings).toHaveLength(1)
    expect(useRunsStore().running.map((one) => one.id)).toEqual([id])
    const outbox = useOutbox()
    expect(outbox.isStarting(id)).toBe(true)
    expect(useCookingStore().add(id, { kind: 'lit' })).toBe(true)

    // The network comes back: the same plan, the same run, then what happened.
    const plan = await server.next('POST', /plans/)
    expect((plan.body as { id: string }).id).toBe((asked.body as { id: string }).id)
    await plan.answer({})
    const started = await server.next('POST', /runs$/)
    expect(started.body).toEqual({ id, planId: run.planId })
    await started.answer({ ...run, events: [], pot: null })
    expect(outbox.isStarting(id)).toBe(false)
    const event = await server.next('POST', /events/)
    expect(event.body).toMatchObject({ data: { kind: 'lit' } })
    await event.answer({ events: useRunsStore().eventsOf(run) })
    expect(outbox.of(id)).toEqual([])
  })

  it('that the server will not have after all is said so, and goes on here with all that was seen', async () => {
    const { light } = useLight()
    void light()
    await (await server.next('POST', /plans/)).answer('no-network')
    await vi.waitFor(() => expect(went).toHaveLength(1))
    const id = went[0]!.split('/').at(-1)!
    const problems = [{ path: '', code: 'too-full', message: 'It is too full.' }]
    await (await server.next('POST', /plans/)).answer({ status: 422, body: { problems } })
    expect(useOutbox().refused.get(id)).toBe('too-full')
    // The pot may be on the flame: nothing of it is forgotten, and it is tried again later.
    expect(useCookingStore().add(id, { kind: 'lit' })).toBe(true)
    expect(useOutbox().of(id)).toHaveLength(1)
    expect(useOutbox().isStarting(id)).toBe(true)
    await (await server.next('POST', /plans/)).answer({ status: 422, body: { problems } })
    expect(useOutbox().of(id)).toHaveLength(1)
  })

  it('is another run once the pot was changed', async () => {
    const pot = usePotStore()
    const { light } = useLight()
    void light()
    const plan = await server.next('POST', /plans/)
    await plan.answer({ status: 500, body: {} })
    pot.form.items[0]!.amount = '1'
    await settle()
    void light()
    expect((await start()).plan.id).not.toBe((plan.body as { id: string }).id)
  })

  it('ends the soak of the pot that is lit, here and where it is kept', async () => {
    const pot = usePotStore()
    const kept = { id: houseId(9), name: 'Beans', favourite: false, version: 3, content: pot.content, updatedAt: '' }
    pot.keepAs(kept)
    pot.form.soakingSince = START_MS - 8 * 3_600_000
    await settle()
    const { light } = useLight()
    void light()
    const { run } = await start({ pot: { ...kept, version: 4, content: { ...kept.content, soakingSince: null } } })
    expect(run).toMatchObject({ potId: houseId(9) })
    expect(pot.form.soakingSince).toBeNull()
    expect(pot.changed).toBe(false)
  })
})
