<script setup lang="ts">
import type { Instruction } from '~~/core/guide/instruction'
import { momentOf, type Meal, type MealTask } from '~~/shared/meal'

/** What is to be done, in order, the next thing large; each ticked off by a tap. */
const { meal, steps, next, told, done, nowMs, lighting } = defineProps<{
  meal: Meal
  /** In the order of time. */
  steps: readonly MealTask[]
  next: MealTask | null
  /** All that is done in each task, by its id. */
  told: ReadonlyMap<string, readonly Instruction[]>
  done: (id: string) => boolean
  nowMs: number
  lighting: boolean
}>()
const emit = defineEmits<{
  tick: [task: MealTask]
  untick: [task: MealTask]
  light: [task: MealTask]
  unsoaked: [task: MealTask]
  serve: []
}>()
const { t, duration } = useI18nText()
const { taskLines, taskText, when } = useMealWords()

const text = (task: MealTask) => taskText(meal, task, told.get(task.id))
const linesOf = (task: MealTask) => {
  const lines = taskLines(task, told.get(task.id))
  return lines.length > 0 ? lines : [text(task)]
}
/** What comes after the next, large enough to be read from the stove. */
const SHOWN_AFTER = 2
const after = computed(() => {
  const from = steps.findIndex(({ id }) => id === next?.id)
  return steps
    .slice(from + 1)
    .filter(({ id }) => !done(id))
    .slice(0, SHOWN_AFTER)
})
const leftMinutes = computed(() => (next ? (momentOf(meal, next.startMinute) - nowMs) / 60_000 : 0))
const whenText = computed(() => {
  if (!next) return ''
  if (leftMinutes.value > 12 * 60) return when(meal, next.startMinute)
  if (leftMinutes.value >= 1) return t('meals.next', { time: duration(leftMinutes.value) })
  return t('meals.nextNow')
})
/** What is written down at the pot that is on the stove. */
const AT_POT = ['turn', 'off', 'open']
const isAtPot = (task: MealTask) => AT_POT.includes(task.part) && runOf(task) !== undefined
const runOf = ({ dish, stage }: MealTask) => meal.runs[`${dish}.${stage}`]
/** So many are read from across the kitchen on one sheet. */
const FEW = 14
</script>

<template>
  <div class="todo">
    <div class="now no-print" aria-live="polite">
      <template v-if="next">
        <p class="soft">{{ whenText }} · {{ next.dish }}</p>
        <p v-for="line in linesOf(next)" :key="line" class="great">{{ line }}</p>
        <v-btn v-if="isAtPot(next)" :to="`/cook/${runOf(next)}`" variant="flat" color="primary" size="x-large" block>
          {{ t('meals.toPot') }}
        </v-btn>
        <v-btn
          v-else-if="next.part === 'close'"
          variant="flat"
          color="primary"
          size="x-large"
          block
          :disabled="lighting"
          @click="emit('light', next)"
        >
          {{ t('meals.light') }}
        </v-btn>
        <v-btn v-else variant="flat" color="primary" size="x-large" block @click="emit('tick', next)">
          {{ t('meals.done') }}
        </v-btn>
        <LinkBtn v-if="next.passive && leftMinutes < 0" @click="emit('unsoaked', next)">
          {{ t('meals.unsoaked') }}
        </LinkBtn>
        <LinkBtn v-if="next.part === 'close' || isAtPot(next)" @click="emit('tick', next)">
          {{ t('meals.done') }}
        </LinkBtn>
      </template>
      <template v-else-if="steps.length > 0">
        <p class="great">{{ t('meals.allDone') }}</p>
        <v-btn variant="flat" color="primary" size="x-large" block @click="emit('serve')">{{ t('meals.serve') }}</v-btn>
      </template>
    </div>
    <div v-if="next && after.length > 0" class="after no-print" role="group" :aria-label="t('meals.after')">
      <p v-for="task in after" :key="task.id">
        <span class="figure">{{ when(meal, task.startMinute) }}</span> <b>{{ task.dish }}</b> {{ linesOf(task)[0] }}
      </p>
    </div>
    <h2 class="hidden-text">{{ t('meals.todo') }}</h2>
    <ol :class="{ many: steps.length > FEW }">
      <li v-for="task in steps" :key="task.id" :class="{ done: done(task.id), at: task.id === next?.id }">
        <v-checkbox
          :model-value="done(task.id)"
          @update:model-value="(on) => (on ? emit('tick', task) : emit('untick', task))"
        >
          <template #label>
            <span class="figure time">{{ when(meal, task.startMinute) }}</span>
            <span
              ><b>{{ task.dish }}</b> {{ text(task) }}</span
            >
          </template>
        </v-checkbox>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.now {
  display: grid;
  gap: 10px;
  justify-items: start;
  margin-bottom: 14px;
}
p {
  margin: 0;
}
.great::first-letter {
  text-transform: uppercase;
}
.great {
  font-size: 25px;
  font-weight: 700;
  line-height: 1.15;
}
.after {
  margin: 0 0 14px;
  font-size: 21px;
  line-height: 1.25;
}
.after p {
  padding: 6px 0;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  border-top: 1px solid var(--line);
}
li :deep(.v-selection-control) {
  align-items: start;
}
li :deep(.v-label) {
  display: grid;
  grid-template-columns: minmax(52px, auto) minmax(0, 1fr);
  gap: 10px;
  align-items: baseline;
  width: 100%;
  padding: 9px 0;
  color: inherit;
  font-size: 15px;
  font-weight: inherit;
  white-space: normal;
  opacity: 1;
}
/* The day over the hour. */
.time {
  max-width: 104px;
  font-size: 18px;
  font-weight: 700;
}
.done {
  color: var(--ink-soft);
  text-decoration: line-through;
}
.at {
  font-weight: 700;
}
/* Read from the stove; of more than fits at that size two columns. */
@media print {
  li :deep(.v-label) {
    grid-template-columns: minmax(70px, auto) minmax(0, 1fr);
    padding: 4px 0;
    font-size: 18px;
  }
  .time {
    font-size: 21px;
  }
  .many {
    columns: 2;
    column-gap: 24px;
  }
  .many li :deep(.v-label) {
    padding: 3px 0;
    font-size: 15px;
  }
  .many .time {
    font-size: 19px;
  }
  li {
    break-inside: avoid;
  }
  .at {
    font-weight: inherit;
  }
}
</style>
