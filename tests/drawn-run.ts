import type { LivePlan } from '../core/live/course'
import type { RunEvent, RunEventData } from '../core/live/event.schema'
import { courseOf, createFollower, joinedState, openedState, type Following } from '../core/live/follow'
import { nextAction, type NextAction } from '../core/live/next'
import { normal } from '../core/live/random'
import { createStove, type Hidden, type Stove } from '../core/live/stove'
import { MINUTE_MS } from '../core/measure/time'
import { INTERRUPTIONS, PINCHES, type FlameName } from '../core/names'
import { nextClosing } from '../core/program/remedy'

/** What a screen beside the stove knows at a moment. */
export interface Look {
  minute: number
  following: Following
  next: NextAction
}

const STEP = 0.5
const LAST_MINUTE = 120
const LOOKS_EVERY = 5
/** A pot with less than this is taken to be without pressure. */
const GONE_PA = 2000

/**
 * A run as a cook makes it who does what is said next, but is late, misses and mistakes whistles, turns the flame, is
 * interrupted, takes things back, looks too early and closes again what is not done. Looked at every few minutes.
 */
export function cookedAnyhow(plan: LivePlan, hidden: Hidden, random: () => number, bands: boolean) {
  const { burner } = courseOf(plan, []).closing.pot
  const follow = createFollower(plan, { bands })
  const events: RunEvent[] = []
  const looks: Look[] = []
  const id = () => `00000000-0000-4000-8000-${String(events.length).padStart(12, '0')}`
  const ms = (minute: number) => Math.round(minute * MINUTE_MS) + 1
  let minute = 0
  const say = (data: RunEventData, at = minute) => void events.push({ id: id(), at: ms(at), data })
  let stove: Stove = createStove(courseOf(plan, events), hidden)
  let heatW = 0
  let backAt = Infinity
  let closings = 1
  let began = 0
  let lookAgain = 0
  const chance = (share: number) => random() < share
  const turn = (flame: FlameName) => {
    heatW = burner[flame]
    stove.heat(heatW)
  }
  const anyWhistle = () => {
    const whistles = events.filter(({ data }) => data.kind === 'whistle')
    return whistles[Math.floor(random() * whistles.length)]?.id
  }

  while (minute < LAST_MINUTE) {
    minute += STEP
    let isChangeEvent = false
    for (const { kind, minute: at } of stove.advance(minute - began)) {
      const seenAt = began + at + (1 + Math.abs(normal(random))) / 30
      if (kind === 'whistle' && !chance(0.12)) say({ kind: 'whistle', ...(chance(0.2) ? { how: 'ear' } : {}) }, seenAt)
      else if (kind === 'boils' && chance(0.5)) say({ kind: 'boils' }, seenAt)
      else if (kind === 'pressure' && chance(0.8)) say({ kind: 'at-pressure' }, seenAt)
      isChangeEvent = true
    }
    const isOn = stove.now().isOn
    if (minute >= backAt) {
      backAt = Infinity
      stove.heat(heatW)
      say({ kind: 'resumed' })
      isChangeEvent = true
    } else if (isOn && heatW > 0 && backAt === Infinity && minute - began > 4) {
      const odd = random()
      if (odd < 0.004) {
        say({ kind: 'interrupted', why: INTERRUPTIONS[Math.floor(random() * 3)]! })
        stove.heat(0)
        backAt = minute + 1 + 3 * random()
      } else if (odd < 0.01) {
        const flame = chance(0.5) ? 'medium' : 'low'
        say({ kind: 'flame', flame })
        turn(flame)
      } else if (odd < 0.016) say({ kind: 'whistle' })
      else if (odd < 0.02) say({ kind: 'whistle', how: 'recalled' }, minute - 1)
    }
    const whistle = chance(0.01) ? anyWhistle() : undefined
    if (whistle) {
      const of = whistle
      say(
        chance(0.4)
          ? { kind: 'no-whistle', of }
          : chance(0.5)
            ? { kind: 'whistle-stands', of }
            : { kind: 'none-missed', before: of },
      )
    }
    if (chance(0.004) && events.length > 2) say({ kind: 'undo', of: events.at(-1)!.id })
    if (!isChangeEvent && minute < lookAgain) continue
    lookAgain = minute + LOOKS_EVERY
    const following = follow(events, ms(minute))
    const next = nextAction(plan.answer, following, ms(minute))
    looks.push({ minute, following, next })
    if (!goOn(following, next)) break
  }
  return { events, looks }

  /** Does what is said, as far as the pot has come; false once it is over. */
  function goOn(following: Following, { id: what, event }: NextAction): boolean {
    const { isOn, isDry, gaugePa } = stove.now()
    switch (what) {
      case 'light':
      case 'start-electric': {
        began = minute
        const { program, closing } = following.course
        stove = createStove(following.course, hidden)
        const { style } = closing.pot
        if (what === 'start-electric') stove.start()
        else if ('heatW' in program[0]!) stove.heat((heatW = program[0].heatW))
        else turn('flame' in style ? style.flame : 'high')
        break
      }
      case 'turn-down':
        turn(event?.kind === 'flame' ? event.flame : 'low')
        break
      case 'turn-off':
      case 'overdue-dry':
        stove.heat(0)
        break
      case 'let-finish':
        if (isOn) return true
        break
      case 'open-valve':
        stove.valve(true)
        break
      case 'wait-fall':
      case 'wait-valve':
      case 'look-again':
        if (!isDry && gaugePa > (chance(0.1) ? 30_000 : GONE_PA)) return true
        break
      case 'put-in':
        return closeAgain(joinedState(plan, following), true)
      case 'judge':
        return closings < 3 && chance(0.5) && closeAgain(openedState(following), false)
      case 'check':
      case 'close-again':
      case 'open':
        break
      default:
        // What is only waited for; the pot says it by itself.
        return what !== 'abandoned'
    }
    if (event && !(event.kind === 'opened' && chance(0.2))) say(event)
    if (chance(0.02)) say({ kind: 'abandoned' })
    return true
  }

  function closeAgain(state: ReturnType<typeof openedState>, joins: boolean): boolean {
    if (!state) return false
    const pinch = plan.request.contents.map(() => (chance(0.5) ? PINCHES[Math.floor(random() * 2)]! : null))
    const more = nextClosing(plan.request, joins ? state : { ...state, pinch })
    if (!more.ok) return false
    closings++
    const { figure, addWaterG } = more.value
    say({
      kind: 'goes-on',
      figure,
      addWaterG,
      pinch: joins ? pinch.map(() => null) : pinch,
      ...(joins ? { joins } : {}),
    })
    return true
  }
}
