<script setup lang="ts">
import type { RunWithPlan } from '~~/shared/household'

defineProps<{ run: RunWithPlan }>()
</script>

<template>
  <div class="forms">
    <VerdictForm v-for="({ food }, i) in run.plan.answer.foods" :key="i" :run="run" :content="i" :food-id="food" />
  </div>
</template>

<style scoped>
.forms {
  display: grid;
  gap: 24px;
  width: 100%;
}
</style>
