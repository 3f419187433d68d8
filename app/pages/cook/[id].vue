<script setup lang="ts">
import { kindOf } from '~~/core/appliance/appliance'
import { applianceOf } from '~~/core/program/answer'
import { expectedWhistle } from '~~/core/live/expected'
import { awaitsFoods, runState } from '~~/core/live/run'
import type { RunEventData } from '~~/core/live/event.schema'

const route = useRoute()
const { t, clock } = useI18nText()
const runs = useRunsStore()
const outbox = useOutbox()
const cooking = useCookingStore()
const id = computed(() => String(route.params.id))

watchEffect(() => {
  cooking.lookedAt = id.value
  if (!runs.one(id.value)) void runs.loadOne(id.value)
})
onScopeDispose(() => (cooking.lookedAt = null))

const run = computed(() => runs.one(id.value) ?? null)
const lane = computed(() => cooking.laneOf(id.value))
const failure = computed(() => (run.value ? null : (runs.missing.get(id.value) ?? null)))
const others = computed(() => cooking.lanes.filter((other) => other.run.id !== id.value))
const refused = computed(() => cooking.refused.get(id.value) ?? outbox.refused.get(id.value) ?? null)
const phase = computed(() => lane.value?.following.state.phase)
const awaits = computed(() => lane.value && awaitsFoods(lane.value.run.plan.answer, lane.value.following.state))
const over = computed(() => ['opened', 'abandoned'].includes(phase.value ?? '') && !awaits.value)

const add = (data: RunEventData, at?: number) => void cooking.add(id.value, data, at)
const whistlers = computed(() =>
  cooking.lanes.filter(
    ({ run: { plan }, following }) =>
      kindOf(applianceOf(plan.answer)).tells === 'whistles' && following.state.phase === 'heating',
  ),
)
const hears = computed(() => whistlers.value.some((one) => one.run.id === id.value))
const expected = computed(() =>
  Math.max(...whistlers.value.map(({ run: { plan }, following }) => expectedWhistle(plan, following, cooking.nowMs))),
)
/** Sounds that the cook is asked about: whose whistle it was, or whether it was one. */
const asked = ref<{ at: number; isUnsure: boolean }[]>([])
const ask = computed(() => (hears.value ? (asked.value[0] ?? null) : null))
const MOST_ASKED = 5
function heard(at: number, isUnsure = false) {
  if (isUnsure || whistlers.value.length > 1) asked.value = [...asked.value, { at, isUnsure }].slice(-MOST_ASKED)
  else if (hears.value) add({ kind: 'whistle', how: 'ear' }, at)
}
function answer(runId: string | null) {
  const { at } = asked.value.shift()!
  if (runId !== null) cooking.add(runId, { kind: 'whistle', how: 'ear' }, at)
}
const progress = useBegunStore()
/** The dish of which this pot is a stage. */
const dishId = computed(() => progress.dishOfRun(id.value))
useHead({ title: () => `${run.value?.name ?? ''} · Bivvet` })
</script>

<template>
  <div class="cook">
    <StateNotice v-if="failure" :failure="failure" @retry="runs.loadOne(id)" />
    <p v-else-if="cooking.failedOf(id)" class="waiting tone-danger" role="alert">{{ t('cook.failed') }}</p>
    <p v-else-if="!run || !lane" class="waiting soft" role="status">{{ t('app.loading') }}</p>
    <template v-else>
      <div class="what">
        <strong>{{ run.name }}</strong> <span class="soft">{{ run.plan.cookerName }}</span>
        <LaneChips :lanes="others" />
        <span class="gap" />
        <EarBar v-if="hears" :expected="expected" @whistle="heard" @unsure="heard($event, true)" />
        <AlarmChoice v-if="!over" />
        <NuxtLink v-else class="link-button" :to="`/log/${run.id}`">{{ t('cook.toLog') }}</NuxtLink>
        <NuxtLink v-if="dishId" class="link-button" :to="`/dishes/${dishId}/cook`">{{ t('cook.toDish') }}</NuxtLink>
      </div>
      <div v-if="ask" class="which" role="alert">
        {{ t(ask.isUnsure ? 'cook.ear.unsure' : 'cook.ear.which', { time: clock(ask.at) }) }}
        <v-btn v-for="one in whistlers" :key="one.run.id" size="large" @click="answer(one.run.id)">{{
          whistlers.length > 1 ? one.name : t('cook.ear.wasOne')
        }}</v-btn>
        <v-btn size="large" @click="answer(null)">{{ t('cook.ear.none') }}</v-btn>
      </div>
      <CookBoard
        :plan="run.plan"
        :following="lane.following"
        :action="lane.action"
        :phase="runState(lane.events).phase"
        :now-ms="cooking.nowMs"
        :unsent="outbox.of(id).length + (outbox.isStarting(id) ? 1 : 0)"
        :refused="refused"
        @add="add"
        @undo="cooking.undo(id)"
        @sure="cooking.addSureWhistle(id)"
      >
        <template #over>
          <div class="over">
            <VerdictForms :run="run" />
            <RunLeftovers v-if="phase === 'opened'" :run="run" />
            <RunRemarks :run="run" />
            <PinchPanel :plan="run.plan" :following="lane.following" @add="add" />
          </div>
        </template>
      </CookBoard>
    </template>
  </div>
</template>

<style scoped>
.cook {
  background: var(--ground);
  color: var(--ink);
  min-height: calc(100vh - 53px);
}
.waiting {
  margin: 0;
  padding: 48px 24px;
}
.what {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 14px;
  padding: 8px 40px 0;
  font-size: 17px;
}
.what a {
  color: inherit;
}
.gap {
  flex: 1;
}
.cook :deep(.board) {
  min-height: calc(100vh - 53px - 48px);
}
.over {
  display: grid;
  align-content: start;
  gap: 22px;
  margin-top: 16px;
}
.which {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin-top: 8px;
  padding: 8px 40px;
  border-top: 1px solid var(--line);
  font-size: 18px;
}
@media (max-width: 800px) {
  .what,
  .which {
    padding: 8px 16px 0;
  }
  .what > .gap {
    display: none;
  }
}
</style>
