<script setup lang="ts">
/** What comes next at a pot that goes on, in a line. */
const { runId } = defineProps<{ runId: string }>()
const stove = useCookingStore()
const canSay = useStoveMessages()
const { headline } = useCookWords()
const text = computed(() => {
  const lane = canSay.value && stove.laneOf(runId)
  return lane ? headline(lane.action) : ''
})
</script>

<template>
  <span class="figure tone-heat">{{ text }}</span>
</template>

<style scoped>
.figure {
  min-height: 24px;
  font-size: 24px;
}
</style>
