import { defineStore } from 'pinia'
import { v4 as uuid } from 'uuid'
import { nextAction } from '~~/core/live/next'
import { courseOf } from '~~/core/live/follow'
import { refusalOf } from '~~/core/live/refusal'
import { firstLitAt, runState } from '~~/core/live/run'
import { whistlesFrom } from '~~/core/live/too-cold'
import type { RunEvent, RunEventData } from '~~/core/live/event.schema'
import { AS_PLANNED, createStove, type Hidden, type Sign, type Stove } from '~~/core/live/stove'
import { MINUTE_MS } from '~~/core/measure/time'
import { applianceOf } from '~~/core/program/answer'
import { UNMEASURED } from '~~/core/unknown'
import { normal, randomFrom } from '~~/core/live/random'
import { holdsPressure } from '~~/core/appliance/appliance'
import type { FlameName } from '~~/core/names'
import type { SavedPlan } from '~~/shared/household'

/**
 * The practice stove: a simulated pot in its own time, and a run of it that nobody else sees. What the knobs
 * do is noted by itself; whistles the cook has to count.
 */
export const usePracticeStore = defineStore('practice', () => {
  const plan = shallowRef<SavedPlan | null>(null)
  const events = shallowRef<RunEvent[]>([])
  const nowMs = ref(0)
  const speed = ref(10)
  const flame = ref<FlameName | 'off'>('off')
  const valveOpen = ref(false)
  const isOn = ref(false)
  const opened = ref(false)
  const whistlesGiven = ref(0)
  const whistling = ref(false)
  const refused = ref<string | null>(null)
  const pot = shallowRef<ReturnType<Stove['now']> | null>(null)
  /** Whether the pot does as planned, or like a stove that nobody knows. */
  const chance = ref(false)
  let stove: Stove | null = null
  let litMs = 0
  let hidden: Hidden = AS_PLANNED
  /** The flame that was on before the heat went away. */
  let flameBefore: FlameName = 'high'
  /** Boil-minutes that the foods really had at earlier closings. */
  let before: number[] = []

  const followed = computed(() =>
    plan.value ? { id: `practice-${plan.value.id}`, plan: plan.value, events: events.value } : null,
  )
  const { following, failed } = useFollowing(followed, nowMs)
  const action = computed(() =>
    plan.value && following.value ? nextAction(plan.value.answer, following.value, nowMs.value) : null,
  )

  /** Puts a plan on the stove, cold. */
  function begin(of: Omit<SavedPlan, 'id' | 'createdAt'>) {
    plan.value = { ...of, id: uuid(), createdAt: new Date().toISOString() }
    events.value = []
    nowMs.value = Date.now()
    flame.value = 'off'
    valveOpen.value = opened.value = whistling.value = isOn.value = false
    whistlesGiven.value = 0
    refused.value = null
    stove = null
    pot.value = null
    hidden = hiddenNow()
    before = of.answer.foods.map(() => 0)
  }

  function hiddenNow(): Hidden {
    if (!chance.value) return AS_PLANNED
    const random = randomFrom(crypto.getRandomValues(new Uint32Array(1))[0]!)
    const off = (sd: number) => Math.exp(sd * normal(random))
    return { heat: off(UNMEASURED.heat), load: off(UNMEASURED.load), vent: off(UNMEASURED.vent) }
  }

  function add(data: RunEventData, at = nowMs.value): boolean {
    if (!plan.value) return false
    const event: RunEvent = { id: uuid(), at: Math.round(at), data }
    const facts = {
      underPressure: holdsPressure(applianceOf(plan.value.answer)),
      opensFrom: () => following.value?.outlook?.opensFrom ?? Infinity,
      whistlesFrom: () => whistlesFrom(plan.value!, runState(events.value)),
    }
    refused.value = refusalOf(events.value, event, facts, nowMs.value)
    if (refused.value) return false
    events.value = [...events.value, event]
    // What the board's button says was done is done: on this stove saying is doing.
    if (data.kind === 'lit') light()
    else if (data.kind === 'flame') turn(data.flame)
    else if (data.kind === 'heat-off' || data.kind === 'interrupted') turn('off')
    else if (data.kind === 'resumed') turn(flameBefore)
    else if (data.kind === 'valve-opened') openValve()
    else if (data.kind === 'opened') opened.value = true
    else if (data.kind === 'goes-on') closeAgain()
    return true
  }

  function light() {
    const course = courseOf(plan.value!, events.value)
    const { burner } = course.closing.pot
    stove = createStove(course, hidden)
    litMs = nowMs.value
    const first = course.program[0]!
    if ('heatW' in first) {
      flame.value = (Object.keys(burner) as FlameName[]).find((name) => burner[name] === first.heatW) ?? 'high'
      stove.heat(first.heatW)
    } else {
      stove.start()
      isOn.value = true
    }
  }
  function turn(to: FlameName | 'off') {
    if (flame.value !== 'off') flameBefore = flame.value
    flame.value = to
    isOn.value = to !== 'off' && isOn.value
    stove?.heat(to === 'off' ? 0 : courseOf(plan.value!, events.value).closing.pot.burner[to])
  }
  function openValve() {
    valveOpen.value = true
    stove?.valve(true)
  }
  function closeAgain() {
    before = truth.value?.gets ?? before
    opened.value = valveOpen.value = false
    stove = null
    pot.value = null
  }

  /** A whistle too many can be taken back; what the stove has done cannot. */
  function undo() {
    const last = events.value.at(-1)
    if (last?.data.kind === 'whistle') events.value = events.value.slice(0, -1)
  }

  /** A knob was turned: the pot does it, and the run is told. */
  function knob(to: FlameName | 'off') {
    if (to === 'off') add({ kind: 'heat-off' })
    else if (!stove) {
      if (add({ kind: 'lit' }) && (flame.value as string) !== to) add({ kind: 'flame', flame: to })
    } else add({ kind: 'flame', flame: to })
  }

  /** So much real time has gone by; tells what the pot did meanwhile. */
  function pass(realMs: number): Sign[] {
    if (!plan.value || opened.value) return []
    nowMs.value += realMs * speed.value
    if (!stove) return []
    const signs = stove.advance((nowMs.value - litMs) / MINUTE_MS)
    for (const { kind } of signs) {
      if (kind === 'whistle') whistlesGiven.value++
      if (kind === 'whistle' || kind === 'whistle-ends') whistling.value = kind === 'whistle'
      if (kind === 'switched-off') isOn.value = false
    }
    pot.value = stove.now()
    return signs
  }

  /** Boil-minutes that each food really had, every closing together. */
  const truth = computed(() => {
    if (!plan.value || !pot.value) return null
    return {
      gets: pot.value.boilMinutes.map((got, i) => got + (before[i] ?? 0)),
      waterG: pot.value.freeWaterG,
      isDry: pot.value.isDry,
    }
  })
  const minutes = computed(() => {
    const first = following.value && firstLitAt(following.value.state)
    return first ? (nowMs.value - first) / MINUTE_MS : 0
  })

  return {
    plan,
    events,
    nowMs,
    speed,
    flame,
    valveOpen,
    isOn,
    opened,
    whistlesGiven,
    whistling,
    refused,
    pot,
    chance,
    following,
    failed,
    action,
    truth,
    minutes,
    begin,
    add,
    undo,
    knob,
    pass,
  }
})
