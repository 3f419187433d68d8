<script setup lang="ts">
import { useEventListener, useWakeLock } from '@vueuse/core'
import { kindOf } from '~~/core/appliance/appliance'
import { MINUTE_MS } from '~~/core/measure/time'
import { applianceOf } from '~~/core/program/answer'
import { runsByItself, type NextAction } from '~~/core/live/next'
import type { Following } from '~~/core/live/follow'
import { happenedIn } from '~~/core/live/facts'
import { awaitsFoods, lastCycle, type RunPhase } from '~~/core/live/run'
import type { RunEventData } from '~~/core/live/event.schema'
import type { SavedPlan } from '~~/shared/household'

/** The live run: one next action, the count, what the pot does inside, and when it will be over. */
const { plan, following, action, phase, nowMs, unsent, refused } = defineProps<{
  plan: SavedPlan
  following: Following
  action: NextAction
  /** By the events alone: the next tap may come before all else has been worked out. */
  phase: RunPhase
  nowMs: number
  unsent: number
  refused: string | null
}>()
const emit = defineEmits<{ add: [data: RunEventData, at?: number]; undo: []; sure: [] }>()
defineSlots<{ over(): unknown }>()
const { t, refusalText } = useI18nText()
const words = useCookWords()

const kitchen = useKitchenStore()
const cooker = computed(() => kitchen.kitchen?.cookers.find(({ id }) => id === plan.cookerId)?.cooker ?? null)
const burnerText = useBurnerText(() => plan)
const electric = computed(() => runsByItself(plan.answer))
const state = computed(() => following.state)
const cycle = computed(() => lastCycle(following.state))
const outlook = computed(() => following.outlook)
const heating = computed(() => state.value.phase === 'heating')
const whistling = computed(() => kindOf(applianceOf(plan.answer)).tells === 'whistles')
const counts = computed(() => phase === 'heating' && whistling.value)
const awaits = computed(() => awaitsFoods(plan.answer, state.value))
const over = computed(() => ['opened', 'abandoned'].includes(state.value.phase) && !awaits.value)
const press = computed(() => words.press(plan, action))
const reason = computed(() => words.reason(following, action))

const planned = useCurve(() => following.course)
/** Of a pot from which nothing comes nobody knows how it is inside: then the plan is drawn, and no more. */
const known = computed(() => (outlook.value?.overdue?.after === 'lit' ? null : outlook.value))
const curve = computed(() => known.value?.curve ?? planned.value)
const nowMinute = computed(() =>
  cycle.value.litAt === null ? 0 : ((cycle.value.openedAt ?? nowMs) - cycle.value.litAt) / MINUTE_MS,
)
const happened = computed(() => happenedIn(cycle.value))

function main() {
  if (action.event) emit('add', action.event)
}
/**
 * Space counts wherever the focus is, but where it is typed or chooses from an open menu: on a button it must never
 * press “Heat is off”, or undo, by mistake. Enter presses.
 */
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  const target = event.target as HTMLElement | null
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const types = 'textarea, select, [contenteditable], input:not([type="radio"], [type="checkbox"], [type="range"])'
  if (target?.closest(`${types}, [role="menu"], [role="listbox"], [role="dialog"]`)) return
  if (event.code === 'Space' && counts.value) {
    event.preventDefault()
    if (!event.repeat) emit('add', { kind: 'whistle' })
  } else if (event.code === 'KeyU' && !event.repeat && state.value.lastEventId) emit('undo')
})
function countTapped() {
  if (counts.value) emit('add', { kind: 'whistle' })
}

// The screen must not go dark over a pot; where the browser cannot promise that, all else still works.
const wakeLock = useWakeLock()
watch(over, (isOver) => void (isOver ? wakeLock.release() : wakeLock.request('screen')).catch(() => undefined), {
  immediate: true,
})
</script>

<template>
  <div class="board">
    <section class="main">
      <div aria-live="polite">
        <h1>{{ words.headline(action) }}</h1>
        <p class="detail soft">{{ words.detail(plan, following, action, burnerText, nowMs) }}</p>
        <p v-if="reason && heating" class="reason">{{ reason }}</p>
        <CookQuestions v-if="!over" :plan="plan" :following="following" @add="(data, at) => emit('add', data, at)" />
      </div>
      <PutInPanel v-if="awaits" :plan="plan" :following="following" @add="(data) => emit('add', data)" />
      <slot v-else-if="state.phase === 'opened'" name="over" />
      <CheckList v-else-if="action.id === 'check' || action.id === 'close-again'" :plan="plan" :following="following" />
      <div v-else class="centre">
        <CookFigure :plan="plan" :following="following" :action="action" :now-ms="nowMs" @count="countTapped" />
        <div v-if="cooker && !over" class="pot">
          <div class="drawing">
            <PotCutaway
              :cooker="cooker"
              :fill="{ ...plan.answer.fill, ...plan.answer.closings[0]!.fill }"
              :heat="heating ? 0.8 : 0"
              :name="plan.cookerName ?? ''"
              :labelled="false"
            />
          </div>
          <PotInside v-if="known" :outlook="known" :pressurised="!electric || plan.answer.release !== null" />
        </div>
      </div>
    </section>

    <RunClock :following="following" :plan="plan" :electric="electric" :now-ms="nowMs" />

    <section v-if="curve && !over" class="timeline">
      <RunStrip
        :curve="curve"
        :planned="known ? planned : null"
        :release="plan.answer.release"
        :start-ms="cycle.litAt ?? nowMs"
        :now-minute="nowMinute"
        :happened="happened"
        :electric="electric"
        :height="136"
      />
    </section>

    <footer v-if="!over">
      <p v-if="unsent > 0" class="message" role="status">{{ t('cook.unsent', { n: unsent }, unsent) }}</p>
      <p v-if="refused" class="message tone-danger" role="alert">
        {{ t('cook.refusedEvent', { reason: refusalText(refused) }) }}
        <v-btn v-if="refused === 'too-cold'" @click="emit('sure')">{{ t('cook.countColdWhistle') }}</v-btn>
      </p>
      <div class="buttons">
        <span v-if="awaits" class="no-press" />
        <v-btn
          v-else
          variant="flat"
          class="press main-press"
          :class="{ steam: action.event?.kind === 'whistle' }"
          :disabled="!press"
          @click="main"
        >
          <span>
            {{ press ?? words.headline(action) }}
            <span v-if="action.event?.kind === 'whistle'" class="keys">{{ t('cook.keys') }}</span>
          </span>
        </v-btn>
        <v-btn variant="flat" class="press" :disabled="!state.lastEventId" @click="emit('undo')">{{
          t('cook.undo')
        }}</v-btn>
        <CookMenus :plan="plan" :state="state" :action="action" @add="(data) => emit('add', data)" />
      </div>
    </footer>
  </div>
</template>

<style scoped>
.board {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 380px;
  grid-template-rows: minmax(280px, 1fr) auto auto;
  min-height: calc(100vh - 53px - 48px);
  background: var(--ground);
  color: var(--ink);
}
.main {
  display: grid;
  grid-template-rows: auto 1fr;
  min-width: 0;
  padding: 14px 40px 8px;
  user-select: none;
}
h1 {
  margin: 0;
  font-size: clamp(30px, 3.5vw, 46px);
  line-height: 1.15;
}
.detail,
.reason {
  margin: 8px 0 0;
  font-size: clamp(18px, 1.7vw, 22px);
  max-width: 54ch;
}
.reason {
  margin-top: 4px;
}
.centre {
  display: flex;
  align-items: center;
  gap: 40px;
  min-height: 0;
}
.pot {
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  flex: 1 1 220px;
  gap: 4px;
  min-width: 180px;
  max-width: 360px;
  height: 100%;
  margin-inline-start: auto;
}
.drawing {
  max-height: 180px;
  min-height: 0;
}
.timeline {
  grid-column: 1 / -1;
  min-width: 0;
  padding: 6px 40px 2px;
  border-top: 1px solid var(--line);
}
footer {
  grid-column: 1 / -1;
  position: sticky;
  bottom: var(--foot);
  min-width: 0;
  background: var(--ground);
}
.buttons {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px auto;
  border-top: 1px solid var(--line);
}
.buttons :deep(.press) {
  height: auto;
  min-height: 78px;
  padding: 8px 20px;
  border: 0;
  border-radius: 0;
  border-inline-start: 1px solid var(--line);
  background: var(--ground);
  color: var(--ink);
  font: inherit;
  font-size: 19px;
  font-weight: 650;
  white-space: normal;
  cursor: pointer;
}
.buttons :deep(.press:focus-visible) {
  outline-offset: -5px;
}
.buttons .main-press {
  border-inline-start: 0;
  background: var(--ink);
  color: var(--ground);
  font-size: 25px;
}
.buttons .main-press.steam {
  background: var(--steam);
}
.buttons :deep(.press:disabled) {
  opacity: 0.55;
  cursor: default;
}
.buttons .main-press:disabled {
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
  display: block;
  font-size: 14px;
  font-weight: 400;
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
    padding: 14px 16px;
  }
  .centre {
    flex-wrap: wrap;
    gap: 12px;
    padding-top: 12px;
  }
  .pot {
    height: auto;
    max-width: none;
    flex-basis: 100%;
  }
  .drawing {
    display: none;
  }
  .timeline {
    padding: 8px 16px;
  }
  .message {
    padding: 8px 16px;
  }
  .buttons {
    grid-template-columns: 1fr 1fr 1fr;
  }
  .main-press {
    grid-column: 1 / -1;
  }
  .no-press {
    display: none;
  }
  .buttons :deep(.press) {
    min-height: 54px;
    font-size: 16px;
    border-top: 1px solid var(--line);
  }
  .buttons .main-press {
    min-height: 78px;
    font-size: 23px;
  }
}
</style>
