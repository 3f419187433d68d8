import { describe, expect, it } from 'vitest'
import { cookedAnyhow, type Look } from '../../tests/drawn-run'
import { drawn, planRequests } from '../../tests/draws'
import { plan } from '../program/plan'
import { endsByItself } from '../program/styles'
import { liquidOf } from './liquid'
import { randomFrom } from './random'
import { toldCount } from './told-count'

/** Looks at drawn runs of cooks who mistake, forget, turn and interrupt. */
const looks: Look[] = (() => {
  const random = randomFrom(17)
  const spread = (share: number) => 1 + share * (2 * random() - 1)
  return drawn(
    planRequests.filter(({ style }) => !endsByItself(style)),
    30,
    29,
  ).flatMap((request) => {
    const outcome = plan(request, { range: false })
    if (!outcome.ok) return []
    const hidden = { heat: spread(0.35), load: spread(0.1), vent: spread(0.2), swing: spread(0.2), loss: spread(0.4) }
    return cookedAnyhow({ request, answer: outcome.value }, hidden, random, true).looks
  })
})()

describe('what is told on one screen', () => {
  it('agrees: the count, what is still to be heard, and what it is to come to', () => {
    expect(looks.length).toBeGreaterThan(200)
    for (const { following, next } of looks) {
      const { counted, of } = toldCount(following, next)
      expect(of).toBeGreaterThanOrEqual(counted)
      if (next.whistlesLeft > 0) expect(of - counted).toBe(next.whistlesLeft)
    }
  })

  it('changes the advice only with a reason that explains the change', () => {
    for (const { following } of looks) {
      const { advice, course, outlook } = following
      if (!advice || !outlook) continue
      expect(advice.changed === null).toBe(advice.figure === advice.planned)
      if (!advice.changed) continue
      const isMore = advice.figure > advice.changed.from
      const counts = course.program.at(-1)!.kind === 'whistles'
      if (advice.changed.why === 'faster') expect(isMore).toBe(counts)
      if (advice.changed.why === 'slower') expect(isMore).toBe(!counts)
    }
  })

  it('never has more liquid left than was poured', () => {
    for (const { following } of looks) {
      const { outlook, course } = following
      if (!outlook) continue
      const { pouredG } = liquidOf(course)
      expect(outlook.liquidNowG.high).toBeLessThanOrEqual(pouredG + 1e-9)
      expect(outlook.liquidEndG.high).toBeLessThanOrEqual(pouredG + 1e-9)
    }
  })
})
