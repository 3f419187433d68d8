<script setup lang="ts">
import type { RunTimes } from '~~/core/live/facts'
import type { RunState } from '~~/core/live/run'

/** When things will happen as it now looks: the first whistle, heat off, lid open. */
defineProps<{ state: RunState; times: RunTimes; electric: boolean }>()
const { t, clock } = useI18nText()
</script>

<template>
  <aside>
    <div
      v-if="
        times.pressureMs !== null &&
        state.whistlesAt.length === 0 &&
        state.atPressureAt === null &&
        (state.phase === 'heating' || state.phase === 'ready')
      "
    >
      <h2 class="soft">{{ t(electric ? 'cook.pressure' : 'cook.firstWhistle') }}</h2>
      <p class="figure time tone-steam">{{ clock(times.pressureMs) }}</p>
    </div>
    <div>
      <h2 class="soft">{{ t(state.heatOffAt === null ? 'cook.heatOff' : 'cook.heatWasOff') }}</h2>
      <p class="figure time tone-heat">{{ clock(times.heatOffMs) }}</p>
    </div>
    <div>
      <h2 class="soft">{{ t(state.openedAt === null ? 'cook.opens' : 'cook.opened') }}</h2>
      <p class="figure time">{{ clock(times.openMs) }}</p>
    </div>
  </aside>
</template>

<style scoped>
aside {
  border-left: 1px solid var(--line);
  padding: 16px 32px;
}
aside > div {
  padding: 12px 0 14px;
  border-bottom: 1px solid var(--line);
}
aside > div:last-child {
  border-bottom: 0;
}
h2 {
  margin: 0 0 4px;
  font-size: 17px;
  font-weight: 400;
}
.time {
  margin: 0;
  font-size: 66px;
}
@media (max-width: 800px) {
  aside {
    display: flex;
    gap: 18px;
    padding: 0 16px;
    border-left: 0;
    border-top: 1px solid var(--line);
  }
  aside > div {
    flex: 1;
    border-bottom: 0;
    padding: 8px 0;
  }
  h2 {
    font-size: 14px;
  }
  .time {
    font-size: 36px;
  }
}
</style>
