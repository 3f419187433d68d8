<script setup lang="ts">
import type { RunWithPlan } from '~~/shared/kitchen'

defineProps<{ run: RunWithPlan }>()
defineEmits<{ judged: [] }>()
</script>

<template>
  <div class="forms">
    <VerdictForm
      v-for="{ food } in run.plan.answer.foods"
      :key="food"
      :run="run"
      :food-id="food"
      @judged="$emit('judged')"
    />
  </div>
</template>

<style scoped>
.forms {
  display: grid;
  gap: 24px;
  width: 100%;
}
</style>
