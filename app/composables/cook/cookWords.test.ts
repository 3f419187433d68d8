// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { createFollower } from '~~/core/live/follow'
import { nextAction, type NextAction } from '~~/core/live/next'
import type { RunEvent, RunEventData } from '~~/core/live/event.schema'
import { simulate } from '~~/core/pot/simulate'
import { plan as planOf } from '~~/core/program/plan'
import type { PlanRequest } from '~~/core/program/request.schema'
import type { SavedPlan } from '~~/shared/household'
import { BEANS, beansRun, closePage, onScreen, openKitchen, openPage, START_MS } from '~~/tests/house'
import { useKitchenStore } from '~/stores/kitchen'
import { useCookWords } from './cookWords'
import { isCall } from './isCall'

beforeEach(async () => {
  openPage()
  await openKitchen(useKitchenStore().load)
})
afterEach(closePage)

let count = 0
const event = (data: RunEventData, minute: number): RunEvent => ({
  id: `e${++count}`,
  at: START_MS + minute * 60_000,
  data,
})

function saved(change: Partial<PlanRequest>): SavedPlan {
  const request = { ...BEANS, ...change }
  const outcome = planOf(request, { range: false })
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
  return { ...beansRun('a').plan, request, answer: outcome.value }
}

/** What the screen says of a plan after these events, at a minute. */
async function said(plan: SavedPlan, told: [RunEventData, number][], minute: number) {
  const words = await onScreen(useCookWords)
  const nowMs = START_MS + minute * 60_000
  const events = told.map(([data, at]) => event(data, at))
  const following = createFollower(plan)(events, nowMs)
  const action = nextAction(plan.answer, following, nowMs)
  return {
    id: action.id,
    headline: words.headline(action),
    press: words.press(plan, action),
    detail: words.detail(plan, following, action, 'Strong burner, medium flame', nowMs),
    reason: words.reason(following, action),
    calls: isCall(action),
  }
}
/** A sentence that is there, with nothing left to be filled in. */
function expectSentence(text: string | null) {
  expect(text).toMatch(/\S/)
  expect(text).not.toMatch(/[{}]|^cook\.|undefined|NaN/)
}

const LIT: [RunEventData, number] = [{ kind: 'lit' }, 0]
const CHECKED: [RunEventData, number] = [{ kind: 'checked' }, -1]
const whistles = (...minutes: number[]) =>
  minutes.map((minute): [RunEventData, number] => [{ kind: 'whistle' }, minute])

describe('what the Cook screen says', () => {
  const beans = beansRun('a').plan

  it('asks for the four looks, and then for the flame, with what goes in', async () => {
    expect(await said(beans, [], 0)).toMatchObject({ headline: 'Before you close it.', press: 'All four are fine' })
    const light = await said(beans, [CHECKED], 0)
    expect(light).toMatchObject({ headline: 'Light it.', press: 'It is lit', calls: false })
    expect(light.detail).toBe('300 g navy beans (soaked and drained) in, lid on. Strong burner, medium flame.')
  })

  it('lists all that goes in before the lid, stock and purée too', async () => {
    const words = await onScreen(useCookWords)
    const congee = saved({
      contents: [{ food: 'jasmine-white', dryG: 90, soak: null, where: 'base', texture: 'porridge-thick' }],
      liquids: [{ kind: 'thin-stock', g: 240 }],
    })
    const following = createFollower(congee, { bands: false })([], START_MS)
    const { pourG } = congee.answer.closings[0]!.water
    expect(words.contents(congee, following)).toBe(
      `90 g jasmine rice, 240 g thin stock and ${Math.round(pourG)} g of water in`,
    )
    expect((await said(congee, [CHECKED], 0)).detail).toMatch(/^90 g .* and 240 g thin stock in, lid on\./)
  })

  it('counts down the whistles in words', async () => {
    const none = await said(beans, [CHECKED, LIT], 1)
    expect(none.headline).toBe('Leave it. Wait for the first whistle.')
    expect(none.detail).toMatch(/^The first whistle comes at about \d\d:\d\d\.$/)
    const { figure } = beans.answer.closings[0]!.range
    const minutes = simulate(beans.answer.closings[0]!.case).whistleMinutes.slice(0, figure - 1)
    const nearly = await said(beans, [CHECKED, LIT, ...whistles(...minutes)], minutes.at(-1)! + 0.2)
    expect(nearly.headline).toMatch(/^Leave it\. (One more whistle|\d+ more whistles)\.$/)
    expect(nearly.press).toBe('Count a whistle')
  })

  it('says what is to be done when the heat is off, and calls for it', async () => {
    const off: [RunEventData, number][] = [CHECKED, LIT, ...whistles(9, 10, 11), [{ kind: 'heat-off' }, 11.5]]
    const falling = await said(beans, off, 12)
    expect(falling).toMatchObject({ headline: 'Leave it shut.', press: 'Pressure is gone', calls: false })
    expect(falling.detail).toMatch(/gone (between \d\d:\d\d and|at about) \d\d:\d\d/)
    const sum = await said(beans, [...off, [{ kind: 'pressure-gone' }, 12]], 12.1)
    expect(sum).toMatchObject({ id: 'wait-sum', press: 'Nothing hisses' })
    const open = await said(beans, [...off, [{ kind: 'pressure-gone' }, 60]], 61)
    expect(open).toMatchObject({ headline: 'Open it, away from you.', press: 'It is open', calls: true })
    const judge = await said(beans, [...off, [{ kind: 'pressure-gone' }, 60], [{ kind: 'opened' }, 61]], 62)
    expect(judge).toMatchObject({ headline: 'How did it come out?', press: null })
  })

  it.each(['gas', 'power', 'weight'] as const)('says what becomes of a pot whose heat is away: %s', async (why) => {
    const away = await said(beans, [CHECKED, LIT, [{ kind: 'interrupted', why }, 8]], 9)
    expect(away).toMatchObject({ headline: 'The heat is off for now.', press: 'It is on again' })
    expect(away.detail).toMatch(why === 'weight' ? /Turn the heat off/ : /cools meanwhile/)
  })

  it('says how much boiling water goes in before it is closed again, or that none does', async () => {
    const opened: [RunEventData, number][] = [
      CHECKED,
      LIT,
      ...whistles(9, 10),
      [{ kind: 'heat-off' }, 11],
      [{ kind: 'pressure-gone' }, 40],
      [{ kind: 'opened' }, 41],
    ]
    const again = (addWaterG: number): [RunEventData, number] => [
      { kind: 'goes-on', figure: 2, addWaterG, pinch: [null] },
      43,
    ]
    expect((await said(beans, [...opened, again(120)], 44)).detail).toBe('First add 120 g of boiling water.')
    expect((await said(beans, [...opened, again(0)], 44)).detail).toBe('There is enough water in it.')
    const lit = await said(beans, [...opened, again(120), [{ kind: 'checked' }, 45]], 46)
    expect(lit.detail).toBe('Strong burner, medium flame.')
  })

  it('asks whether some slipped by when nothing more is heard, and says that it has had enough', async () => {
    const first = simulate(beans.answer.closings[0]!.case).whistleMinutes.slice(0, 3)
    const told: [RunEventData, number][] = [CHECKED, LIT, ...whistles(...first)]
    const due = await said(beans, told, first[2]! + 2)
    expect(due.detail).toBe('It should come now. Turn the heat off at the last one.')
    const silent = await said(beans, told, first[2]! + 3.6)
    expect(silent).toMatchObject({ id: 'silent', headline: 'Did you miss some whistles?', calls: true })
    const later = await said(beans, told, first[2]! + 60)
    expect(later).toMatchObject({ press: 'Heat is off', calls: true })
    expect(later.headline).toMatch(/^Turn the heat off/)
  })

  it('gives the reason where the advice is no longer the planned figure', async () => {
    // Far hotter than planned: it whistles early and often.
    const fast = whistles(18, 18.7, 19.4, 20.1)
    const { reason } = await said(beans, [CHECKED, LIT, ...fast], 20.3)
    expect(reason).toMatch(/^Your whistles come faster than planned, so each cooks less: \d+, not \d+\.$/)
    expect((await said(beans, [CHECKED, LIT], 1)).reason).toBe('')
  })

  const rice = [{ food: 'basmati-white', dryG: 180, soak: null, where: 'base' as const }]
  it.each<[string, Partial<PlanRequest>, [RunEventData, number][], number, string]>([
    ['a rice cooker', { cooker: 'rice-1l', style: { kind: 'rice-cooker' }, contents: rice }, [], 0, 'start-electric'],
    ['a rice cooker', { cooker: 'rice-1l', style: { kind: 'rice-cooker' }, contents: rice }, [LIT], 5, 'wait-dry'],
    ['an open pot', { cooker: 'open-5l', style: { kind: 'open', lid: true } }, [LIT], 3, 'wait-boil'],
    ['a slow cooker', { cooker: 'slow-6l', style: { kind: 'slow', level: 'high' } }, [LIT], 30, 'wait-clock'],
    [
      'an electric one',
      { cooker: 'electric-6l', style: { kind: 'electric', level: 'high' } },
      [LIT],
      2,
      'wait-pressure',
    ],
    [
      'an electric one',
      { cooker: 'electric-6l', style: { kind: 'electric', level: 'high' } },
      [LIT, [{ kind: 'at-pressure' }, 12]],
      13,
      'wait-at-pressure',
    ],
    ['one whistle, then low', { style: { kind: 'first-whistle-then-low' } }, [LIT, ...whistles(8)], 8.2, 'turn-down'],
  ])('has its sentences for %s', async (_, change, events, minute, id) => {
    const told = await said(saved(change), [CHECKED, ...events], minute)
    expect(told.id).toBe(id)
    expectSentence(told.headline)
    expectSentence(told.detail)
    if (told.press !== null) expectSentence(told.press)
  })

  it('calls only for what somebody has to come for', () => {
    const calls = (id: NextAction['id']) => isCall({ id, event: null, dueAt: null, whistlesLeft: 0 })
    expect((['turn-off', 'turn-down', 'open-valve', 'open', 'let-finish'] as const).every(calls)).toBe(true)
    expect((['light', 'count', 'wait-fall', 'judge', 'wait-sum', 'put-in'] as const).some(calls)).toBe(false)
  })
})
