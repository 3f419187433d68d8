<script setup lang="ts">
import type { Caution } from '~~/core/safety/rules'

const { cautions } = defineProps<{ cautions: readonly Caution[] }>()
const { t } = useI18nText()
const cautionText = useCautionText()
</script>

<template>
  <ul class="cautions">
    <li v-for="caution in cautions" :key="caution.id + JSON.stringify(caution.params)" :class="caution.severity">
      <details>
        <summary>
          {{ cautionText(caution).sentence }} <span class="why">{{ t('app.why') }}</span>
        </summary>
        <p>{{ cautionText(caution).why }}</p>
      </details>
    </li>
  </ul>
</template>

<style scoped>
.cautions {
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  list-style: none;
  font-size: 14.5px;
}
li {
  padding: 1px 0 1px 10px;
  border-inline-start: 3px solid var(--line);
}
.warn {
  border-inline-start-color: var(--heat);
}
.refuse {
  border-inline-start-color: var(--danger);
  color: var(--danger);
  font-weight: 700;
}
summary {
  list-style: none;
  cursor: pointer;
}
.why {
  text-decoration: underline;
  text-underline-offset: 3px;
  font-weight: 400;
  white-space: nowrap;
}
p {
  margin: 4px 0 0;
  color: var(--ink-soft);
  font-weight: 400;
}
@media (max-width: 719px), (pointer: coarse) {
  summary {
    display: flow-root;
    min-height: 44px;
  }
}
</style>
