<script setup lang="ts">
import { mdiCheckCircle, mdiNumeric1CircleOutline, mdiNumeric2CircleOutline, mdiNumeric3CircleOutline } from '@mdi/js'
import { inUse } from '~~/shared/kitchen'

/** What a new household does first: a cooker, the cup, and a pot that is planned and practised. */
const { t, inSentence, number } = useI18nText()
const store = useKitchenStore()
const cookers = computed(() => inUse(store.loaded.cookers))
const steps = computed(() => [
  {
    icon: cookers.value.length > 0 ? mdiCheckCircle : mdiNumeric1CircleOutline,
    title: t('day.first.cooker'),
    text: cookers.value[0] ? t('day.first.hasCooker', { name: cookers.value[0].name }) : t('day.first.cookerText'),
    to: '/kitchen',
  },
  {
    icon: mdiNumeric2CircleOutline,
    title: t('day.first.cup'),
    text: t('day.first.cupText', { name: inSentence(store.cup.name), n: number(store.cup.volumeMl) }),
    to: '/kitchen',
  },
  { icon: mdiNumeric3CircleOutline, title: t('day.first.pot'), text: t('day.first.potText'), to: '/pot' },
])
</script>

<template>
  <section :aria-label="t('day.first.title')">
    <h2>{{ t('day.first.title') }}</h2>
    <ol>
      <li v-for="step in steps" :key="step.title">
        <v-icon :icon="step.icon" size="28" aria-hidden="true" />
        <span>
          <NuxtLink :to="step.to">{{ step.title }}</NuxtLink>
          <span class="soft">{{ step.text }}</span>
        </span>
      </li>
    </ol>
  </section>
</template>

<style scoped>
section {
  padding: 0;
}
h2 {
  margin: 0 0 4px;
  padding-bottom: 6px;
  border-bottom: 2px solid var(--ink);
  font-size: 17px;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 36px minmax(0, 1fr);
  align-items: start;
  padding: 12px 0;
  border-bottom: 1px solid var(--line);
}
li > span {
  display: grid;
  gap: 2px;
}
a {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  color: inherit;
  font-size: 17px;
  font-weight: 700;
}
</style>
