<script setup lang="ts">
import { runsByItself } from '~~/core/live/next'
import { happenedIn } from '~~/core/live/facts'
import { lastCycle } from '~~/core/live/run'
import { MINUTE_MS } from '~~/core/measure/time'
import type { Lane } from '~/stores/cooking'

/** One pot among several: what it wants next, its figure, its strip, and its button. */
const { lane } = defineProps<{ lane: Lane; number: number }>()
const { t, refusalText } = useI18nText()
const words = useCookWords()
const cooking = useCookingStore()
const outbox = useOutbox()

const lighter = computed(() => useHouseholdStore().lighterOf(lane.run))
const press = computed(() => words.press(lane.run.plan, lane.action))
const state = computed(() => lane.following.state)
const cycle = computed(() => lastCycle(state.value))
const reason = computed(() => words.reason(lane.following, lane.action))
const planned = useCurve(() => lane.following.course)
const curve = computed(() => lane.following.outlook?.curve ?? planned.value)
const refused = computed(() => cooking.refused.get(lane.run.id) ?? outbox.refused.get(lane.run.id) ?? null)
function main() {
  if (lane.action.event) cooking.add(lane.run.id, lane.action.event)
}
</script>

<template>
  <section class="lane" :class="{ calls: isCall(lane.action) }" :aria-label="lane.name">
    <div class="words">
      <h2>
        <NuxtLink class="link-button" :to="`/cook/${lane.run.id}`">{{ lane.name }}</NuxtLink>
        <span class="soft">{{ lighter ? `${lane.run.name} · ${lighter}` : lane.run.name }}</span>
      </h2>
      <p class="headline" aria-live="polite">{{ words.headline(lane.action) }}</p>
      <p v-if="reason && state.phase === 'heating'" class="soft">{{ reason }}</p>
      <p v-if="refused" class="tone-danger" role="alert">
        {{ t('cook.refusedEvent', { reason: refusalText(refused) }) }}
      </p>
    </div>
    <CookFigure
      :plan="lane.run.plan"
      :following="lane.following"
      :action="lane.action"
      :now-ms="cooking.nowMs"
      class="figure-of"
    />
    <div class="strip">
      <RunStrip
        v-if="curve"
        :curve="curve"
        :release="lane.run.plan.answer.release"
        :start-ms="cycle.litAt ?? cooking.nowMs"
        :now-minute="cycle.litAt === null ? 0 : (cooking.nowMs - cycle.litAt) / MINUTE_MS"
        :happened="happenedIn(cycle)"
        :electric="runsByItself(lane.run.plan.answer)"
        :height="120"
        :legend="false"
      />
    </div>
    <v-btn
      variant="flat"
      class="press"
      :class="{ steam: lane.action.event?.kind === 'whistle' }"
      :disabled="!press"
      @click="main"
    >
      <span class="number soft" aria-hidden="true">{{ number }}</span>
      {{ press ?? words.headline(lane.action) }}
    </v-btn>
  </section>
</template>

<style scoped>
.lane {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) auto minmax(0, 1.3fr) 230px;
  align-items: center;
  gap: 24px;
  padding: 12px 40px;
  border-top: 1px solid var(--line);
}
.calls {
  box-shadow: inset 8px 0 0 var(--heat);
}
h2 {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 12px;
  margin: 0;
  font-size: 20px;
}
h2 .soft {
  font-size: 15px;
  font-weight: 400;
}
h2 a {
  color: inherit;
}
.words p {
  margin: 4px 0 0;
}
.words .headline {
  font-size: clamp(22px, 2.3vw, 30px);
  font-weight: 700;
  line-height: 1.15;
}
.figure-of {
  font-size: 88px !important;
}
.figure-of :deep(.of) {
  margin-inline-start: 10px;
  font-size: 30px;
}
.figure-of :deep(.cups) {
  font-size: 17px;
}
.press {
  min-height: 96px;
  padding: 8px 16px;
  border: 1px solid var(--line);
  background: var(--ink);
  color: var(--ground);
  font-size: 20px;
}
.press.steam {
  background: var(--steam);
}
.press.v-btn--disabled {
  background: var(--ground);
  color: var(--ink-soft);
  opacity: 1;
}
.number {
  margin-inline-end: 8px;
  color: inherit;
  font-weight: 400;
}
@media (max-width: 1000px) {
  .lane {
    grid-template-columns: minmax(0, 1fr) auto;
    padding: 12px 16px;
    gap: 10px 16px;
  }
  .strip,
  .press {
    grid-column: 1 / -1;
  }
  .figure-of {
    font-size: 64px !important;
  }
  .press {
    min-height: 72px;
  }
}
</style>
