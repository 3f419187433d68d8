// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { createFollower, type Following } from '~~/core/live/follow'
import type { Question } from '~~/core/live/questions'
import { useKitchenStore } from '~/stores/kitchen'
import { beansRun, closePage, openKitchen, openPage, START_MS } from '~~/tests/house'
import { screen, show } from '~~/tests/screen'
import CookQuestions from './CookQuestions.vue'

beforeEach(() => openPage())
afterEach(closePage)

const { plan } = beansRun('a')
const at = (minute: number) => START_MS + minute * 60_000

/** A pot that is about to be lit, of which something more is said. */
const following = (questions: Question[], cautions: Following['cautions'] = []) => {
  const before = createFollower(plan, { bands: false })([], START_MS)
  return { ...before, cautions, outlook: { questions } as unknown as Following['outlook'] }
}

async function asked(question: Question) {
  await openKitchen(useKitchenStore().load)
  const { user, emitted } = await show(CookQuestions, { plan, following: following([question]) })
  return {
    press: (name: string) => user.click(screen.getByRole('button', { name })),
    told: () => (emitted('add') ?? []) as unknown[][],
  }
}

describe('what the pot makes us ask', () => {
  it('counts every whistle in that the cook did miss, at its own minute', async () => {
    const { press, told } = await asked({ kind: 'missed', before: 'w3', at: [at(10), at(12)] })
    await press('Yes, I missed it')
    expect(told()).toEqual([
      [{ kind: 'whistle', how: 'recalled' }, at(10)],
      [{ kind: 'whistle', how: 'recalled' }, at(12)],
    ])
  })

  it('asks no more once the cook has missed none', async () => {
    const { press, told } = await asked({ kind: 'missed', before: 'w3', at: [at(10)] })
    await press('No, none')
    expect(told()).toEqual([[{ kind: 'none-missed', before: 'w3' }]])
  })

  it('takes out a whistle that was none, and lets one stand that was', async () => {
    const { press, told } = await asked({ kind: 'false', of: 'w4', at: at(11) })
    await press('It was not a whistle')
    await press('It was a whistle')
    expect(told()).toEqual([[{ kind: 'no-whistle', of: 'w4' }], [{ kind: 'whistle-stands', of: 'w4' }]])
  })

  it('asks of a silence for none that were missed where none were due', async () => {
    const { press, told } = await asked({ kind: 'silent', since: at(5), at: [] })
    expect(screen.queryByRole('button', { name: 'I missed them: count them' })).toBeNull()
    await press('None came')
    expect(told()).toEqual([[{ kind: 'quiet' }]])
  })

  it('calls out what is dangerous, whatever else is asked', async () => {
    await openKitchen(useKitchenStore().load)
    const half = { id: 'lectin-not-pressure', severity: 'warn', params: {} } as const
    await show(CookQuestions, { plan, following: following([], [half]) })
    expect(screen.getByRole('alert').textContent).toContain('pressure')
  })
})
