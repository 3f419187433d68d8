import { instructionsOfPlan } from '~~/core/guide/plan'
import type { MessageKey } from '~~/locales/bundles'
import { lastCycle } from '~~/core/live/run'
import { runsByItself, type NextAction } from '~~/core/live/next'
import { toldCount } from '~~/core/live/told-count'
import type { Following } from '~~/core/live/follow'
import type { SavedPlan } from '~~/shared/household'

/** Events that have a button of their own. */
const PRESSES = [
  'lit',
  'whistle',
  'at-pressure',
  'flame',
  'heat-off',
  'valve-opened',
  'pressure-gone',
  'opened',
  'boils',
  'checked',
  'resumed',
] as const
type Press = (typeof PRESSES)[number]

/** What the Cook screens say of a run: the next action, why, and what its button stands for. */
export function useCookWords() {
  const { t, inSentence, list, number, clock, weight } = useI18nText()
  const { thing } = useStepWords()

  const flameOf = ({ event }: NextAction) => (event?.kind === 'flame' ? inSentence(t(`pot.flames.${event.flame}`)) : '')

  function headline(action: NextAction): string {
    const { id, whistlesLeft } = action
    if (id === 'lower-flame' || id === 'turn-down') return t(`cook.action.${id}`, { flame: flameOf(action) })
    return id === 'count' ? t('cook.action.count', { n: whistlesLeft }, whistlesLeft) : t(`cook.action.${id}`)
  }

  /** Why what is told is not the planned figure; empty while it is. */
  function reason(following: Following, action: NextAction): string {
    const { advice, course } = following
    if (!advice?.changed) return ''
    const counts = course.program.at(-1)!.kind === 'whistles'
    const to = counts ? toldCount(following, action).of : advice.figure
    const { from, why } = advice.changed
    if (to === from) return ''
    // With what is doubted counted in, it may lie on the other side of what was planned: then that is no reason.
    const agrees = to > from === advice.figure > from
    return t(`cook.changed.${counts ? 'whistles' : 'minutes'}.${agrees ? why : 'pot'}`, { to, from })
  }

  function press({ answer }: SavedPlan, action: NextAction): string | null {
    const { id, event } = action
    if (!event) return null
    if (event.kind === 'flame') return t('cook.press.flame', { flame: flameOf(action) })
    if (event.kind === 'lit') return t(runsByItself(answer) ? 'cook.press.started' : 'cook.press.lit')
    if (id === 'let-finish') return t('cook.press.switched-off')
    if (id === 'wait-sum') return t('cook.press.nothing-hisses')
    return PRESSES.includes(event.kind as Press) ? t(`cook.press.${event.kind as Press}`) : null
  }

  /** All that goes into a pot besides the water by the time that it is closed so often, as the list of what is done tells it. */
  const goesIn = ({ answer, request }: SavedPlan, closing: number): string[] =>
    instructionsOfPlan(request, answer)
      .filter((one) => one.do === 'add' && one.closing !== null && one.closing <= closing)
      .flatMap((one) => {
        const things = one.things.map(thing)
        return one.things.some(({ goesInto }) => goesInto === 'tin')
          ? [t('cook.inTin', { things: list(things) })]
          : things
      })

  /** The look at what is in the pot before it is closed, all of it; of one that is closed again the water that was added. */
  function contents(plan: SavedPlan, { state, course }: Following): string {
    const { more } = lastCycle(state)
    if (more)
      return more.addWaterG > 0 ? t('cook.check.moreWater', { n: weight(more.addWaterG) }) : t('cook.check.noWater')
    const water = t('cook.check.water', { n: weight(plan.answer.closings[0]!.water.pourG) })
    return t('cook.check.in', { list: list([...goesIn(plan, course.closing.number), water]) })
  }

  function detail(
    plan: SavedPlan,
    { state, outlook, course }: Following,
    { id, dueAt }: NextAction,
    burner: string,
    nowMs: number,
  ): string {
    const { answer, request } = plan
    const cycle = lastCycle(state)
    const { more } = cycle
    const params: Record<string, string | number> = {
      pour: weight(answer.closings[0]!.water.pourG),
      food: list(goesIn(plan, course.closing.number)),
      burner,
      minutes: number(answer.closings[0]!.program.minutes),
      level: 'level' in request.style ? t(`levels.${request.style.level}`) : '',
      time: dueAt === null ? '' : clock(dueAt),
      low: outlook ? clock(outlook.opensAt.low) : '',
      high: outlook ? clock(outlook.opensAt.high) : '',
      water: more ? weight(more.addWaterG) : '',
    }
    if (id === 'close-again')
      return t(more!.addWaterG > 0 ? 'cook.detail.close-again' : 'cook.detail.close-dry', params)
    if (id === 'light' && more) return t('cook.detail.light-again', params)
    if (id === 'interrupted') return t(`cook.detail.interrupted.${cycle.interruptions.at(-1)!.why}`)
    const isDue = dueAt !== null && dueAt <= nowMs
    if (id === 'count') return dueAt === null ? '' : t(isDue ? 'cook.detail.count-due' : 'cook.detail.count', params)
    const { whistleEveryS } = answer.closings[course.closing.number]?.program ?? {}
    if (id === 'turn-down' && course.program.at(-1)!.kind === 'whistles')
      return whistleEveryS ? t('cook.detail.turn-down-count', { every: everyWords(t, number, whistleEveryS) }) : ''
    if (id === 'wait-first-whistle' && isDue) return t('cook.detail.wait-first-whistle-due')
    if (id === 'overdue' && runsByItself(answer)) return t('cook.detail.overdue-electric')
    const waitsForValve = id === 'wait-fall' && answer.release && answer.release.kind !== 'natural'
    if (id === 'wait-fall' && !waitsForValve && params.low === params.high)
      return t('cook.detail.wait-fall-about', params)
    return t(`cook.detail.${waitsForValve ? 'wait-fall-valve' : id}` as MessageKey, params)
  }

  return { headline, reason, press, detail, contents }
}
