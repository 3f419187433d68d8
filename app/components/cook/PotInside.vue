<script setup lang="ts">
import type { Outlook } from '~~/core/live/outlook'

/** What nobody can see: how hot it is inside, under what pressure, and how much water is left. */
const { outlook } = defineProps<{ outlook: Outlook; pressurised: boolean }>()
const { t, number, weight, temp, pressure } = useI18nText()
/** Where nothing has told of the heat yet, the plan's own is all there is. */
const knowsHeat = computed(
  () => outlook.heatShare.high - outlook.heatShare.low < 0.25 && outlook.heatShare.high > outlook.heatShare.low,
)
</script>

<template>
  <p class="inside">
    <span class="figure hot tone-steam">{{ temp(outlook.tempC) }}</span>
    <span v-if="pressurised" class="soft">{{ t('cook.inside.gauge', { n: pressure(outlook.gaugePa) }) }}</span>
    <span v-if="knowsHeat" class="soft">
      {{
        t('cook.inside.heat', {
          low: number(outlook.heatShare.low * 100),
          high: number(outlook.heatShare.high * 100),
        })
      }}
    </span>
    <span class="tone-water">
      {{
        t('cook.inside.water', {
          low: weight(Math.max(0, outlook.liquidNowG.low)),
          high: weight(Math.max(0, outlook.liquidNowG.high)),
        })
      }}
    </span>
  </p>
</template>

<style scoped>
.inside {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 14px;
  margin: 0;
  font-size: 16px;
}
.hot {
  font-size: 30px;
}
</style>
