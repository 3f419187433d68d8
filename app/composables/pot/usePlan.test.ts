// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, shallowRef } from 'vue'
import { plan } from '~~/core/program/plan'
import type { PlanRequest } from '~~/core/program/request.schema'
import { simulate } from '~~/core/pot/simulate'
import { BEANS, closePage, openPage, settle } from '~~/tests/house'
import { usePlan } from './usePlan'

let broken = false
vi.mock('comlink', () => ({
  wrap: () => ({
    lead: async () => null,
    plan: async (request: PlanRequest) => {
      if (broken) throw new Error('gone')
      const outcome = plan(request, { range: false })
      return {
        outcome,
        curves: outcome.ok ? outcome.value.closings.map((closing) => simulate(closing.case, { trace: true })) : null,
      }
    },
  }),
}))

beforeEach(() => {
  openPage()
  broken = false
})
afterEach(closePage)

function planning(first: PlanRequest | null) {
  const request = shallowRef(first)
  return { request, ...effectScope(true).run(() => usePlan(request))! }
}
const TOO_MUCH: PlanRequest = { ...BEANS, contents: [{ ...BEANS.contents[0]!, dryG: 4000 }] }

describe('the plan of the pot on the screen', () => {
  it('answers, with a curve for each closing of the lid', async () => {
    const { answer, curves, problems } = planning(BEANS)
    expect(answer.value).toBeNull()
    await settle()
    expect(answer.value!.closings).toHaveLength(1)
    expect(curves.value[0]!.trace.length).toBeGreaterThan(10)
    expect(problems.value).toEqual([])
  })

  it('is none while the pot cannot be: nothing of another stands beside what is wrong', async () => {
    const { request, answer, curves, problems } = planning(BEANS)
    await settle()
    const before = answer.value
    request.value = TOO_MUCH
    // Until that is worked out the one before stands, or every keystroke would flicker.
    expect(answer.value).toBe(before)
    await settle()
    expect([answer.value, curves.value]).toEqual([null, []])
    expect(problems.value).not.toEqual([])
    request.value = { ...BEANS, contents: [{ ...BEANS.contents[0]!, dryG: 150 }] }
    await settle()
    expect(problems.value).toEqual([])
    expect(answer.value!.foods[0]!.dryG).toBe(150)
  })

  it('stays where it is only tried on: the pot is the same', async () => {
    const { request, answer, problems } = planning(BEANS)
    await settle()
    const before = answer.value
    request.value = { ...BEANS, given: [{ pourG: 100, figure: 40 }] }
    await settle()
    expect(problems.value).not.toEqual([])
    expect(answer.value).toBe(before)
  })

  it('says that it could not be worked out, and is there again with the next change', async () => {
    vi.spyOn(console, 'error').mockImplementation(() => undefined)
    broken = true
    const { request, answer, failed } = planning(BEANS)
    await settle()
    expect([answer.value, failed.value]).toEqual([null, true])
    broken = false
    request.value = { ...BEANS }
    await settle()
    expect([answer.value !== null, failed.value]).toEqual([true, false])
  })

  it('is none where nothing was asked', async () => {
    const { answer, problems, curves } = planning(null)
    await settle()
    expect([answer.value, problems.value, curves.value]).toEqual([null, [], []])
  })
})
