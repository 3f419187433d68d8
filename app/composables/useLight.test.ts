// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { beansRun, closePage, houseId, openKitchen, openPage, settle, START_MS } from '~~/tests/house'
import { useKitchenStore } from '~/stores/kitchen'
import { usePotStore } from '~/stores/pot'
import { useRunsStore } from '~/stores/runs'
import { useLight } from './useLight'

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
    await first.answer('no-network')
    expect(failure.value?.kind).toBe('network')
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

  it('is another run once the pot was changed', async () => {
    const pot = usePotStore()
    const { light } = useLight()
    void light()
    const plan = await server.next('POST', /plans/)
    await plan.answer('no-network')
    pot.form.items[0]!.amount = '1'
    await settle()
    void light()
    expect((await start()).plan.id).not.toBe((plan.body as { id: string }).id)
  })

  it('ends the soak of the pot that is lit, here and where it is kept', async () => {
    const pot = usePotStore()
    const kept = { id: houseId(9), name: 'Beans', favourite: false, version: 3, pot: pot.content, updatedAt: '' }
    pot.keepAs(kept)
    pot.form.soakingSince = START_MS - 8 * 3_600_000
    await settle()
    const { light } = useLight()
    void light()
    const { run } = await start({ pot: { ...kept, version: 4, pot: { ...kept.pot, soakingSince: null } } })
    expect(run).toMatchObject({ potId: houseId(9) })
    expect(pot.form.soakingSince).toBeNull()
    expect(pot.changed).toBe(false)
  })
})
