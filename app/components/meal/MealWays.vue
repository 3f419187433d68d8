<script setup lang="ts">
import type { Objective } from '~~/core/meal/objective'
import type { DinnerWay } from '~~/core/meal/ways'
import type { Meal } from '~~/shared/meal'
import { dinnerOf } from '~~/shared/meal-request'

/** What could be done otherwise with one dish, and what that would make better; a press does it. */
const { meal, plan } = defineProps<{ meal: Meal; plan: Objective }>()
const emit = defineEmits<{ take: [way: DinnerWay] }>()
const { t, duration, list } = useI18nText()
const { wayText } = useMealWords()
const kitchen = useKitchenStore()
const learnt = useLearntStore()

/** So many pieces of work it is looked for; one is about a millisecond. */
const WORK = 6000
const MOST = 6

const asked = computed(() => {
  if (!kitchen.kitchen) return null
  // What the plan was before changes nothing of what could be.
  const { tasks: _, ...wished } = meal
  const dinner = dinnerOf({ ...wished, tasks: [] }, kitchen.kitchen, serverNow(), {}, learnt.believed)
  return dinner && { ...dinner, stands: null }
})
const { result, working, failed } = useWorked(asked, (work, dinner) => work.otherWays(dinner, WORK), 'beside')
const ways = computed(() => (result.value?.found ?? []).slice(0, MOST))

const makes = ({ spanMinutes, handsLateMinutes }: Objective) =>
  list([
    ...(spanMinutes === plan.spanMinutes
      ? []
      : [t('meals.ways.makes', { span: duration(spanMinutes), spanNow: duration(plan.spanMinutes) })]),
    ...(handsLateMinutes === plan.handsLateMinutes
      ? []
      : [t('meals.ways.frees', { late: duration(handsLateMinutes), lateNow: duration(plan.handsLateMinutes) })]),
  ])
</script>

<template>
  <div role="region" class="weighed" :aria-label="t('meals.ways.ask')" aria-live="polite">
    <p v-if="working && result === null" class="soft" role="status">{{ t('meals.ways.looking') }}</p>
    <p v-else-if="failed" class="trouble" role="alert">{{ t('errors.server') }}</p>
    <p v-else-if="ways.length === 0" class="soft">
      {{ t(result?.isWhole ? 'meals.ways.none' : 'meals.ways.noneYet') }}
    </p>
    <ul v-else>
      <li v-for="{ way, objective } in ways" :key="JSON.stringify(way)">
        <v-btn @click="emit('take', way)">{{ wayText(meal, way) }}</v-btn>
        <span class="soft">{{ makes(objective) }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.weighed {
  margin: 8px 0;
  padding: 10px 0;
  border-top: 1px solid var(--line);
}
p {
  margin: 0;
}
ul {
  display: grid;
  grid-template-columns: minmax(0, max-content) minmax(12rem, 1fr);
  gap: 8px 16px;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-column: 1 / -1;
  grid-template-columns: subgrid;
  align-items: center;
}
button {
  text-align: start;
}
@media (max-width: 719px) {
  ul {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
