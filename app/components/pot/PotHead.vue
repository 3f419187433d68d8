<script setup lang="ts">
/** What the pot is called, what can be done with it as a document, and whether it is cooked loose or in tins. */
const { t, number } = useI18nText()
const pot = usePotStore()
const kitchen = useKitchen()
const views = computed(() => [
  { to: LOOSE_PATH, here: pot.view === 'loose', text: t('pot.view.loose') },
  { to: TINS_PATH, here: pot.view === 'tins', text: t('pot.view.tins') },
])
</script>

<template>
  <div>
    <h1>{{ pot.name || t('pot.untitled') }}</h1>
    <PotBar :place="t('pot.place', { name: kitchen.name, altitude: number(kitchen.altitudeM) })" />
    <nav class="views no-print" :aria-label="t('pot.view.label')">
      <NuxtLink v-for="{ to, here, text } in views" :key="to" :to="to" :class="{ here }">{{ text }}</NuxtLink>
    </nav>
  </div>
</template>

<style scoped>
h1 {
  margin: 0;
  font-size: 21px;
  line-height: 1.2;
}
.views {
  display: flex;
  gap: 18px;
  margin: 4px 0 8px;
  border-bottom: 1px solid var(--line);
}
.views a {
  display: flex;
  align-items: center;
  min-height: 40px;
  margin-bottom: -1px;
  border-bottom: 3px solid transparent;
  color: var(--ink-soft);
  text-decoration: none;
}
.views .here {
  border-bottom-color: var(--ink);
  color: var(--ink);
  font-weight: 700;
}
@media (max-width: 719px), (pointer: coarse) {
  .views a {
    min-width: 44px;
    min-height: 45px;
  }
}
</style>
