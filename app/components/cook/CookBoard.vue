<script setup lang="ts">
import { useEventListener, useWakeLock } from '@vueuse/core'
import { findFood } from '~~/core/food/catalogue'
import { pourable } from '~~/core/measure/pourable'
import { happenedIn, runTimes } from '~~/core/live/facts'
import { nextAction, runsByItself } from '~~/core/live/next'
import type { RunEventData, RunState } from '~~/core/live/run'
import type { SavedPlan } from '~~/shared/kitchen'

/** The live run: one next action, the count, and when it will be over. */
const { plan, state, unsent, refused } = defineProps<{
  plan: SavedPlan
  state: RunState
  unsent: number
  refused: string | null
}>()
const emit = defineEmits<{ add: [data: RunEventData]; undo: [] }>()
const { t, te, number, clock, partText } = useI18nText()
const nowMs = useNow(500)
const answer = computed(() => plan.answer)
const curve = useCurve(answer)

const kitchen = computed(() => useKitchenStore().kitchen!)
const cooker = computed(() => kitchen.value.cookers.find(({ id }) => id === plan.cookerId)?.cooker ?? null)
const electric = computed(() => runsByItself(answer.value))
const burnerText = computed(() => {
  if (electric.value || answer.value.program.steps.length === 0) return ''
  const used = kitchen.value.burners.find(
    ({ burner }) => JSON.stringify(burner) === JSON.stringify(plan.request.burner),
  )
  const { style } = plan.request
  const flame = t(`pot.flames.${'flame' in style ? style.flame : 'high'}`)
  return used ? t('cook.by', { name: used.name, flame }) : ''
})

const action = computed(() => nextAction(answer.value, state, nowMs.value))
const counting = computed(() => action.value.event?.kind === 'whistle')
const wanted = computed(() => {
  const first = answer.value.program.steps[0]
  return first && 'untilWhistles' in first ? first.untilWhistles : 0
})

const headline = computed(() =>
  action.value.id === 'count'
    ? t('cook.action.count', { n: action.value.whistlesLeft }, action.value.whistlesLeft)
    : t(`cook.action.${action.value.id}`),
)
const detail = computed(() => {
  const { id, dueAt } = action.value
  const params: Record<string, string | number> = {
    pour: number(answer.value.water.pourG),
    food: answer.value.foods.map(({ food, dryG }) => `${number(dryG)} g ${findFood(food)?.name ?? food}`).join(', '),
    burner: burnerText.value,
    minutes: number(answer.value.program.minutes),
    level: 'level' in plan.request.style ? t(`pot.levels.${plan.request.style.level}`) : '',
    n: wanted.value,
    time: dueAt === null ? '' : clock(dueAt),
  }
  const waitsForValve = id === 'wait-fall' && answer.value.release && answer.value.release.kind !== 'natural'
  return t(`cook.detail.${waitsForValve ? 'wait-fall-valve' : id}`, params)
})
const press = computed(() => {
  const { event, id } = action.value
  if (!event) return null
  if (event.kind === 'lit') return t(electric.value ? 'cook.press.started' : 'cook.press.lit')
  if (event.kind === 'heat-off' && id === 'let-finish') return t('cook.press.switched-off')
  return te(`cook.press.${event.kind}`) ? t(`cook.press.${event.kind}`) : null
})

const waterInCups = computed(() => {
  const { cup } = useKitchenStore()
  const { parts } = pourable(answer.value.water.pourG, cup)
  return parts.map((part) => partText(part, cup)).join(' + ')
})
/** The great figure while there is nothing to count: the time still to wait. */
const countdown = computed(() => {
  const { dueAt } = action.value
  if (dueAt === null || counting.value) return null
  const seconds = Math.round((dueAt - nowMs.value) / 1000)
  const over = Math.abs(seconds)
  return { text: `${Math.floor(over / 60)}:${String(over % 60).padStart(2, '0')}`, overdue: seconds < 0 }
})

const startMs = computed(() => state.litAt ?? nowMs.value)
const times = computed(() =>
  runTimes(answer.value, curve.value?.whistleMinutes ?? [], state, action.value, nowMs.value),
)
const happened = computed(() => happenedIn(state))
const nowMinute = computed(() => (state.litAt === null ? 0 : ((state.openedAt ?? nowMs.value) - state.litAt) / 60_000))

const heating = computed(() => state.phase === 'heating')
const over = computed(() => state.phase === 'opened' || state.phase === 'abandoned')

function main() {
  if (action.value.event) emit('add', action.value.event)
}
/** Space counts wherever the focus is, on the main button too: there it must never press “Heat is off” by mistake. */
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  const target = event.target as HTMLElement | null
  if (event.ctrlKey || event.metaKey || event.altKey) return
  if (target?.closest('input, textarea, select, a, button:not(.main-press)')) return
  if (event.code === 'Space' && heating.value && wanted.value > 0) {
    event.preventDefault()
    if (!event.repeat) emit('add', { kind: 'whistle' })
  } else if (event.code === 'KeyU' && !event.repeat && state.lastEventId) emit('undo')
})
function tapBig() {
  if (heating.value && wanted.value > 0) emit('add', { kind: 'whistle' })
}

// The screen must not go dark over a pot; where the browser cannot promise that, all else still works.
const wakeLock = useWakeLock()
watch(over, (isOver) => void (isOver ? wakeLock.release() : wakeLock.request('screen')).catch(() => undefined), {
  immediate: true,
})
</script>

<template>
  <div class="board">
    <section class="main" @click="tapBig">
      <div aria-live="polite">
        <h1>{{ headline }}</h1>
        <p class="detail soft">{{ detail }}</p>
      </div>
      <div class="centre">
        <p
          v-if="state.phase !== 'ready' && !over && (counting || (heating && wanted > 1))"
          class="great figure tone-steam"
        >
          {{ state.whistlesAt.length }}<span class="of soft">{{ t('cook.whistlesOf', { n: wanted }) }}</span>
        </p>
        <p
          v-else-if="countdown"
          class="great figure countdown"
          :class="countdown.overdue ? 'tone-heat' : 'tone-steam'"
          role="timer"
        >
          {{ countdown.text }}<span class="of soft">{{ t(countdown.overdue ? 'cook.overdue' : 'cook.left') }}</span>
        </p>
        <p v-else-if="state.phase === 'ready'" class="great figure tone-water">
          {{ number(answer.water.pourG) }}<span class="of soft">{{ t('units.g') }}</span>
          <span class="cups">{{ waterInCups }}</span>
        </p>
        <slot v-else-if="state.phase === 'opened'" />
        <div v-if="cooker && state.phase !== 'opened'" class="drawing">
          <PotCutaway
            :cooker="cooker"
            :fill="answer.fill"
            :heat="heating ? 0.8 : 0"
            :name="plan.cookerName ?? ''"
            :labelled="false"
          />
        </div>
      </div>
    </section>

    <RunClock :state="state" :times="times" :electric="electric" />

    <section v-if="curve" class="timeline">
      <RunStrip
        :curve="curve"
        :release="answer.release"
        :start-ms="startMs"
        :now-minute="nowMinute"
        :happened="happened"
        :electric="electric"
        :height="150"
      />
    </section>

    <footer v-if="!over">
      <p v-if="unsent > 0" class="message" role="status">{{ t('cook.unsent', { n: unsent }) }}</p>
      <p v-if="refused" class="message tone-danger" role="alert">
        {{ t('cook.refusedEvent', { reason: te(`runs.${refused}`) ? t(`runs.${refused}`) : refused }) }}
      </p>
      <div class="buttons">
        <button type="button" class="press main-press" :class="{ steam: counting }" :disabled="!press" @click="main">
          {{ press ?? headline }}
        </button>
        <button type="button" class="press" :disabled="!state.lastEventId" @click="emit('undo')">
          {{ t('cook.undo') }}
        </button>
        <button
          v-if="heating && action.event?.kind !== 'heat-off'"
          type="button"
          class="press"
          @click="emit('add', { kind: 'heat-off' })"
        >
          {{ t('cook.heatOffNow') }}
        </button>
        <button v-else type="button" class="press" @click="emit('add', { kind: 'abandoned' })">
          {{ t('cook.giveUp') }}
        </button>
      </div>
      <p v-if="heating && wanted > 0" class="keys soft">{{ t('cook.keys') }}</p>
    </footer>
  </div>
</template>

<style scoped>
.board {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 380px;
  grid-template-rows: minmax(300px, 1fr) auto auto;
  min-height: calc(100vh - 53px);
  background: var(--ground);
  color: var(--ink);
}
.main {
  display: grid;
  grid-template-rows: auto 1fr;
  padding: 26px 40px 16px;
  user-select: none;
}
h1 {
  margin: 0;
  font-size: clamp(30px, 3.5vw, 46px);
  line-height: 1.15;
}
.detail {
  margin: 10px 0 0;
  font-size: clamp(18px, 1.7vw, 22px);
  max-width: 46ch;
}
.centre {
  display: flex;
  align-items: center;
  gap: 40px;
  min-height: 0;
}
.great {
  margin: 0;
  flex: none;
  font-size: clamp(120px, 19vw, 230px);
  line-height: 0.9;
}
.countdown {
  font-size: clamp(96px, 14vw, 178px);
}
.of {
  margin-left: 22px;
  font-size: clamp(36px, 5.5vw, 68px);
}
.cups {
  display: block;
  margin-top: 10px;
  font-size: clamp(26px, 3vw, 38px);
}
.drawing {
  flex: 1 1 220px;
  min-width: 180px;
  max-width: 360px;
  height: 100%;
  max-height: 240px;
  margin-left: auto;
}
.timeline {
  grid-column: 1 / -1;
  padding: 10px 40px 6px;
  border-top: 1px solid var(--line);
}
footer {
  grid-column: 1 / -1;
  position: sticky;
  bottom: 0;
  background: var(--ground);
}
.buttons {
  display: grid;
  grid-template-columns: 1fr 200px 220px;
  border-top: 1px solid var(--line);
}
.press {
  min-height: 84px;
  padding: 8px;
  border: 0;
  border-left: 1px solid var(--line);
  background: var(--ground);
  color: var(--ink);
  font: inherit;
  font-size: 20px;
  font-weight: 650;
  cursor: pointer;
}
.press:focus-visible {
  outline-offset: -5px;
}
.main-press {
  border-left: 0;
  background: var(--ink);
  color: var(--ground);
  font-size: 25px;
}
.main-press.steam {
  background: var(--steam);
}
.press:disabled {
  opacity: 0.55;
  cursor: default;
}
.main-press:disabled {
  background: var(--ground);
  color: var(--ink-soft);
  opacity: 1;
}
.message {
  margin: 0;
  padding: 8px 40px;
  font-size: 16px;
  border-top: 1px solid var(--line);
}
.keys {
  margin: 0;
  padding: 4px 40px;
  font-size: 14px;
}
@media (pointer: coarse), (max-width: 800px) {
  .keys {
    display: none;
  }
}
@media (max-width: 800px) {
  .board {
    display: flex;
    flex-direction: column;
  }
  .main {
    flex: 1;
    padding: 18px 16px;
  }
  .centre {
    flex-wrap: wrap;
    gap: 12px;
    padding-top: 12px;
  }
  .drawing {
    display: none;
  }
  .timeline {
    padding: 8px 16px;
  }
  .buttons {
    grid-template-columns: 1fr 1fr;
  }
  .main-press {
    grid-column: 1 / -1;
  }
  .press {
    min-height: 60px;
  }
  .main-press {
    min-height: 84px;
  }
}
</style>
