<script setup lang="ts">
import type { Following } from '~~/core/live/follow'
import type { Question } from '~~/core/live/questions'
import type { RunEventData } from '~~/core/live/event.schema'
import { lostAtStove } from '~~/core/live/lost-count'
import { paceAtStove } from '~~/core/live/pace'
import type { SavedPlan } from '~~/shared/household'

/** What the pot makes us ask the cook, and what it makes us warn of. */
const { plan, following } = defineProps<{ plan: SavedPlan; following: Following }>()
const emit = defineEmits<{ add: [data: RunEventData, at?: number] }>()
const { t, clock, number } = useI18nText()
const cautionText = useCautionText()
const question = computed(() => following.outlook?.questions.at(-1) ?? null)
const strange = computed(() => following.outlook?.understood === false && !following.outlook.overdue)
/** They come too quick to count: a lower flame, or the clock. */
const lost = computed(() => {
  if (useKitchenStore().kitchen?.likes.counts === 'always') return null
  const found = lostAtStove(plan, following)
  if (!found) return null
  const { reason, whistles, everyS, offAt, canTurnLow } = found
  const ways = [
    ...(canTurnLow ? [t('cook.lost.low')] : []),
    ...(offAt === null ? [] : [t('cook.lost.clock', { time: clock(offAt) })]),
  ]
  const why = t(`cook.lost.${reason}`, { n: number(whistles), seconds: number(everyS ?? 0) })
  return { text: [why, ...ways].join(' '), canTurnLow }
})

const every = (seconds: number) => everyWords(t, number, seconds)
/** They come much quicker or slower than planned: the knob first, the count follows. */
const pace = computed(() => {
  const found = lost.value ? null : paceAtStove(plan, following)
  return found && t(`cook.pace.${found.is}`, { every: every(found.everyS), planned: every(found.plannedS) })
})

function text(asked: Question): string {
  switch (asked.kind) {
    case 'missed':
      return t('cook.question.missed', { n: asked.at.length, time: clock(asked.at.at(-1)!) }, asked.at.length)
    case 'silent': {
      const time = clock(asked.since)
      const n = asked.at.length
      return n === 0 ? t('cook.question.silentNever', { time }) : t('cook.question.silent', { n, time }, n)
    }
    default:
      return t(`cook.question.${asked.kind}`, { time: clock(asked.at) })
  }
}
function yes(asked: Question) {
  if (asked.kind === 'missed' || asked.kind === 'silent')
    for (const at of asked.at) emit('add', { kind: 'whistle', how: 'recalled' }, at)
  else emit('add', { kind: 'no-whistle', of: asked.of })
}
function no(asked: Question) {
  if (asked.kind === 'silent') emit('add', { kind: 'quiet' })
  else if (asked.kind === 'missed') emit('add', { kind: 'none-missed', before: asked.before })
  else emit('add', { kind: 'whistle-stands', of: asked.of })
}
const canSayYes = (asked: Question) => asked.kind !== 'silent' || asked.at.length > 0
</script>

<template>
  <div>
    <div v-for="{ id, params } in following.cautions" :key="id" class="line warn" role="alert">
      {{ cautionText({ id, params }).sentence }}
    </div>
    <div v-if="question" class="line" role="status">
      <span>{{ text(question) }}</span>
      <span class="answers">
        <v-btn v-if="canSayYes(question)" size="large" @click="yes(question)">{{
          t(`cook.question.${question.kind}Yes`)
        }}</v-btn>
        <v-btn size="large" @click="no(question)">{{ t(`cook.question.${question.kind}No`) }}</v-btn>
      </span>
    </div>
    <div v-else-if="lost" class="line" role="status">
      <span>{{ lost.text }}</span>
      <span v-if="lost.canTurnLow" class="answers">
        <v-btn size="large" @click="emit('add', { kind: 'flame', flame: 'low' })">{{ t('cook.lost.turnedLow') }}</v-btn>
      </span>
    </div>
    <div v-else-if="pace" class="line" role="status">{{ pace }}</div>
    <div v-else-if="strange" class="line soft" role="status">{{ t('cook.question.strange') }}</div>
  </div>
</template>

<style scoped>
.line {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 20px;
  margin-top: 8px;
  font-size: 18px;
}
.warn {
  color: var(--danger);
}
.answers {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
