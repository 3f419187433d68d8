<script setup lang="ts">
import { lostCount } from '~~/core/program/count'

/** What is said of whistles that nobody could keep count of: what is done instead, or how to do without. */
const { t, number } = useI18nText()
const pot = usePotStore()
const likes = computed(() => useKitchenStore().loaded.likes)
const { answer, instead } = usePotPlan()
/** The cook counts all the same. */
const kept = computed(() =>
  likes.value.counts !== 'always' && !instead.value && answer.value ? lostCount(answer.value) : null,
)
const said = computed(() => {
  const lost = instead.value ?? kept.value
  if (!lost) return null
  const { reason, whistles, everyS } = lost
  return t(`pot.count.${reason}`, { n: number(whistles), seconds: number(everyS ?? 0) })
})
</script>

<template>
  <p v-if="said" class="count" role="status">
    {{ said }}
    <LinkBtn v-if="instead" @click="pot.styleKind = 'whistles'">
      {{ t('pot.count.anyway') }}
    </LinkBtn>
    <LinkBtn v-else-if="!pot.isFree && likes.counts === 'usual'" @click="pot.leaveStyle">
      {{ t('pot.count.without') }}
    </LinkBtn>
  </p>
</template>

<style scoped>
.count {
  margin: 0 0 8px;
  padding-inline-start: 10px;
  border-inline-start: 3px solid var(--heat);
  font-size: 14.5px;
}
</style>
